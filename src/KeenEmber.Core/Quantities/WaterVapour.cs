namespace KeenEmber.Core.Quantities;

/// <summary>Water's vapour pressure.</summary>
public static class WaterVapour
{
    /// <summary>Over water above 0 °C, over ice below.</summary>
    /// <remarks>Magnus with the coefficients of Sonntag (1990); within 0.5 % from -45 to 60 °C, beyond that less good and never used
    /// for more than a limit.</remarks>
    public static Pressure Saturation(Temperature at)
    {
        var (a, b) = at.Celsius >= 0 ? (17.62, 243.12) : (22.46, 272.62);
        return new(0.6112 * Math.Exp(a * at.Celsius / (b + at.Celsius)));
    }
}
