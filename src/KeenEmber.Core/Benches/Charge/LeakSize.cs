using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>A leak of gas as the refrigerant that would leave in a year.</summary>
/// <remarks>As many molecules of a refrigerant of 100 g/mol, a usual one, as of gas (ideal gas); under its own pressure more leaves, by
/// about the square of the pressures.</remarks>
public static class LeakSize
{
    private const double GasConstant = 8.314, SecondsPerYear = 365.25 * 24 * 3600, KgPerMol = 0.1;

    /// <summary>Refrigerant, kg a year.</summary>
    /// <param name="leak">Pa·l/s.</param>
    public static double KgPerYear(double leak, Temperature at) => leak * 1e-3 / (GasConstant * at.Kelvin) * KgPerMol * SecondsPerYear;

    /// <summary>The same backwards, Pa·l/s.</summary>
    /// <param name="kgPerYear">kg a year.</param>
    public static double PaLPerS(double kgPerYear, Temperature at) => kgPerYear / KgPerYear(1, at);
}
