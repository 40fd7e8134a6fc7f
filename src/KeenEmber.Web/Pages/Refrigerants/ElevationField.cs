using KeenEmber.Core.Quantities;

namespace KeenEmber.Web.Pages.Refrigerants;

/// <summary>The elevation typed on a page that belongs to no site.</summary>
public static class ElevationField
{
    /// <returns>Metres above sea level, 0 when nothing was typed; with what is wrong, if anything, and then 0.</returns>
    public static (double ElevationM, string? Error) Read(string? text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return (0, null);
        return QuantityReader.Number(text) is >= Atmosphere.LowestElevationM and <= Atmosphere.HighestElevationM and var metres
            ? (metres, null)
            : (0, $"Metres above sea level, {Atmosphere.LowestElevationM} to {Atmosphere.HighestElevationM}.");
    }
}
