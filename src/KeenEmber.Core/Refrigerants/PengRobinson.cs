using MathNet.Numerics.RootFinding;

namespace KeenEmber.Core.Refrigerants;

/// <summary>
/// The Peng–Robinson equation of state (D.-Y. Peng, D. B. Robinson, Ind. Eng. Chem. Fundam. 15 (1976) 59) in its
/// dimensionless form: A = ap/(RT)², B = bp/(RT), Z = pv/(RT).
/// </summary>
internal static class PengRobinson
{
    /// <summary>J/(mol·K), SI 2019.</summary>
    internal const double GasConstant = 8.31446261815324;

    private const double CovolumeFactor = 0.0778;
    private static readonly double Root2 = Math.Sqrt(2);

    /// <summary>Critical compressibility of the equation, 0.3074: what divides a liquid-like from a vapour-like single root.</summary>
    private const double CriticalZ = 0.3074;

    /// <summary>a/(bRT) at the critical point, 0.45724/0.0778, and a value no fluid reaches above its triple point.</summary>
    private static readonly (double Low, double High) AttractionRange = (5.8, 60);

    /// <summary>Covolume b = 0.0778·R·Tc/pc, J/(mol·kPa), that is L/mol.</summary>
    internal static double Covolume(double criticalTempK, double criticalPressureKpa) =>
        CovolumeFactor * GasConstant * criticalTempK / criticalPressureKpa;

    /// <summary>The attraction a/(bRT) with which a pure fluid saturates exactly at the given pressure.</summary>
    /// <param name="saturationB">B = b·p/(RT) at the saturation pressure.</param>
    internal static double AttractionAtSaturation(double saturationB) =>
        Brent.FindRoot(q => PhaseDifference(q * saturationB, saturationB), AttractionRange.Low, AttractionRange.High, 1e-12, 200);

    /// <summary>ln φ(liquid) - ln φ(vapour): positive while the vapour is the stable phase. With a single root only its sign means
    /// anything.</summary>
    private static double PhaseDifference(double a, double b)
    {
        var (liquid, vapour) = Compressibilities(a, b);
        if (vapour - liquid < 1e-12)
            return liquid > CriticalZ ? 1 : -1;
        return LogFugacity(liquid, a, b) - LogFugacity(vapour, a, b);
    }

    /// <summary>Smallest and largest real root above B: liquid and vapour, or the same one twice.</summary>
    internal static (double Liquid, double Vapour) Compressibilities(double a, double b)
    {
        var roots = Cubic.RealRoots(-(a * b - b * b - b * b * b), a - 3 * b * b - 2 * b, -(1 - b));
        var (low, high) = (double.MaxValue, double.MinValue);
        foreach (var z in new ReadOnlySpan<double>([roots.Item1, roots.Item2, roots.Item3]))
        {
            if (z > b)
                (low, high) = (Math.Min(low, z), Math.Max(high, z));
        }

        return (low, high);
    }

    /// <summary>ln φ of a pure fluid with compressibility z.</summary>
    private static double LogFugacity(double z, double a, double b) => z - 1 - Math.Log(z - b) - a / b * AttractionTerm(z, b);

    /// <summary>ln((z + (1+√2)b)/(z + (1-√2)b)) / (2√2).</summary>
    internal static double AttractionTerm(double z, double b) =>
        Math.Log((z + (1 + Root2) * b) / (z + (1 - Root2) * b)) / (2 * Root2);
}
