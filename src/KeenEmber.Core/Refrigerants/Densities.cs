using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Refrigerants;

/// <summary>What a litre of a refrigerant weighs, as saturated liquid and as vapour.</summary>
/// <remarks>
/// Liquid: the modified Rackett equation (C. F. Spencer, R. P. Danner, J. Chem. Eng. Data 17 (1972) 236) with Z from the acentric factor
/// (T. Yamada, R. D. Gunn, J. Chem. Eng. Data 18 (1973) 234); critical temperatures of a blend are weighed by critical volumes. Acentric
/// factors come from the saturation lines themselves. Against published saturated liquids within 4 % from -40 to 40 °C (DensitiesTests).
/// Vapour: second virial coefficient after Pitzer and Curl in the form of Abbott (Smith, Van Ness, Introduction to Chemical Engineering
/// Thermodynamics), within 5 % below a third of the critical pressure.
/// </remarks>
public static class Densities
{
    /// <summary>The liquid's equation ends here, as a share of the critical temperature.</summary>
    private const double HighestShare = 0.97;

    /// <summary>Temperature, as a share of the critical one, at which the acentric factor is defined.</summary>
    private const double AcentricShare = 0.7;

    /// <summary>Saturated liquid, kg/l.</summary>
    /// <returns>Null above 0.97 of the critical temperature of the mixture: near it a liquid has no weight of its own.</returns>
    public static double? Liquid(Refrigerant fluid, Temperature at)
    {
        var parts = Parts(fluid);
        var volumes = parts.Select(p => p.Share * PengRobinson.GasConstant * p.CriticalK * p.Rackett / p.CriticalKpa).ToList();
        var criticalK = parts.Zip(volumes, (p, v) => v * p.CriticalK).Sum() / volumes.Sum();
        var reduced = at.Kelvin / criticalK;
        if (reduced > HighestShare || reduced <= 0)
            return null;
        var rackett = parts.Sum(p => p.Share * p.Rackett);
        var litrePerMol = PengRobinson.GasConstant * parts.Sum(p => p.Share * p.CriticalK / p.CriticalKpa)
            * Math.Pow(rackett, 1 + Math.Pow(1 - reduced, 2.0 / 7));
        return MolarMass(parts) / litrePerMol / 1000;
    }

    /// <summary>Vapour, kg/l.</summary>
    public static double Vapour(Refrigerant fluid, Temperature at, Pressure pressure)
    {
        var parts = Parts(fluid);
        var (criticalK, criticalKpa) = (parts.Sum(p => p.Share * p.CriticalK), parts.Sum(p => p.Share * p.CriticalKpa));
        var reduced = at.Kelvin / criticalK;
        var virial = 0.083 - 0.422 / Math.Pow(reduced, 1.6)
            + parts.Sum(p => p.Share * p.Acentric) * (0.139 - 0.172 / Math.Pow(reduced, 4.2));
        var z = Math.Clamp(1 + virial * (pressure.Kpa / criticalKpa) / reduced, LeastZ, 1);
        return MolarMass(parts) * pressure.Kpa / (z * PengRobinson.GasConstant * at.Kelvin) / 1000;
    }

    /// <summary>Nearer to the critical point the virial equation no longer holds; a saturated vapour there is not far from this.</summary>
    private const double LeastZ = 0.5;

    /// <summary>g/mol of the vapour that leaves as the whole does.</summary>
    public static double MolarMass(Refrigerant fluid) => MolarMass(Parts(fluid));

    private static double MolarMass(List<Part> parts) => parts.Sum(p => p.Share * p.MolarMass);

    /// <param name="Share">Of the molecules.</param>
    private sealed record Part(double Share, double MolarMass, double CriticalK, double CriticalKpa, double Acentric)
    {
        /// <summary>Rackett's Z.</summary>
        internal double Rackett => 0.29056 - 0.08775 * Acentric;
    }

    private static List<Part> Parts(Refrigerant fluid) =>
        [.. fluid.Composition.Parts.Zip(fluid.Composition.MoleFractions(), (p, share) => new Part(share, p.Component.MolarMass,
            p.Component.Line.Highest.Kelvin, p.Component.Line.CriticalPressureKpa, Acentric(p.Component.Line)))];

    private static double Acentric(WagnerEquation line) =>
        -Math.Log10(line.ExtrapolatedKpa(AcentricShare * line.Highest.Kelvin) / line.CriticalPressureKpa) - 1;
}
