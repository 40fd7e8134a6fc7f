using KeenEmber.Core.Quantities;

namespace KeenEmber.Web.Pages;

/// <summary>An elevation typed where no site is known, and what is wrong with it.</summary>
public static class ElevationText
{
    public static string Problem => $"Metres above sea level, {Atmosphere.LowestElevationM} to {Atmosphere.HighestElevationM}.";

    public static bool IsInRange(double elevationM) => elevationM is >= Atmosphere.LowestElevationM and <= Atmosphere.HighestElevationM;

    /// <returns>Metres above sea level, 0 when nothing was typed; with what is wrong, if anything, and then 0.</returns>
    public static (double ElevationM, string? Error) Read(string? text)
    {
        if (string.IsNullOrWhiteSpace(text))
            return (0, null);
        return QuantityReader.Number(text) is { } metres && IsInRange(metres) ? (metres, null) : (0, Problem);
    }

    /// <summary>Metres above sea level from a form's field of that name; 0 where it is empty or wrong.</summary>
    public static double Read(FilledForm form)
    {
        var (elevationM, error) = Read(form["elevation"]);
        if (error is not null)
            form.Errors["elevation"] = error;
        return elevationM;
    }
}
