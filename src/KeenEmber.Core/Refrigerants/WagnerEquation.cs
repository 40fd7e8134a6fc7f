using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Refrigerants;

/// <summary>One term n·(1 - T/Tc)^t of a Wagner-type equation.</summary>
public readonly record struct WagnerTerm(double Coefficient, double Exponent);

/// <summary>
/// A saturation line in Wagner's form, ln(p/pc) = (Tc/T) · Σ nᵢ·(1 - T/Tc)^tᵢ
/// (W. Wagner, Cryogenics 13 (1973) 470; the coefficients' own sources stand beside them in <see cref="RefrigerantCatalogue"/>).
/// </summary>
public sealed class WagnerEquation(double criticalTempK, double criticalPressureKpa, double lowestTempK, params WagnerTerm[] terms)
{
    /// <summary>At the critical point, kPa absolute.</summary>
    public double CriticalPressureKpa { get; } = criticalPressureKpa;

    /// <summary>The equation holds from here.</summary>
    public Temperature Lowest { get; } = new(lowestTempK);

    /// <summary>The equation holds to here, the critical point.</summary>
    public Temperature Highest { get; } = new(criticalTempK);

    /// <summary>Saturation pressure.</summary>
    /// <returns>Absolute pressure; null below the equation's lowest temperature or above the critical one.</returns>
    public Pressure? PressureAt(Temperature temperature) =>
        temperature < Lowest || temperature > Highest ? null : new(Math.Exp(LogKpa(temperature.Kelvin)));

    /// <summary>The equation also below its stated range, where mixtures still need a component's pressure; the critical pressure above
    /// it.</summary>
    /// <returns>kPa absolute.</returns>
    internal double ExtrapolatedKpa(double tempK) => Math.Exp(LogKpa(tempK));

    private double LogKpa(double tempK)
    {
        var distance = 1 - tempK / criticalTempK;
        if (distance <= 0)
            return Math.Log(CriticalPressureKpa);
        var sum = 0.0;
        foreach (var term in terms)
            sum += term.Coefficient * Math.Pow(distance, term.Exponent);
        return Math.Log(CriticalPressureKpa) + criticalTempK / tempK * sum;
    }
}
