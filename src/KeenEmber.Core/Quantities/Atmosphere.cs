namespace KeenEmber.Core.Quantities;

/// <summary>The air pressure that a gauge at some height starts from.</summary>
public static class Atmosphere
{
    /// <summary>No place of work lies lower, m.</summary>
    public const double LowestElevationM = -430;

    /// <summary>No place of work lies higher, m.</summary>
    public const double HighestElevationM = 5000;

    /// <summary>Mean atmospheric pressure at an elevation (International Standard Atmosphere, ISO 2533:1975, troposphere).</summary>
    /// <param name="elevationM">Metres above sea level. Used between the Dead Sea shore (-430) and the highest towns (5000); values outside
    /// are held at the nearer end.</param>
    /// <returns>Absolute pressure. Weather moves the true value by about ±3 kPa.</returns>
    public static Pressure AtElevation(double elevationM)
    {
        var heightM = Math.Clamp(elevationM, LowestElevationM, HighestElevationM);
        return new(101.325 * Math.Pow(1 - 2.25577e-5 * heightM, 5.25588));
    }
}
