using KeenEmber.Core.Quantities;
using MathNet.Numerics.Interpolation;

namespace KeenEmber.Core.Refrigerants;

/// <summary>A bubble or dew line precomputed for fast lookup both ways: ln p over T and T over ln p by monotone cubics through solved
/// points.</summary>
/// <remarks>
/// F. N. Fritsch, R. E. Carlson, SIAM J. Numer. Anal. 17 (1980) 238, as MathNet.Numerics has it. The table is made at the first
/// lookup, so that a refrigerant nobody asks for costs nothing. Agreement with the solver, 0.01 K, is held by a test.
/// </remarks>
public sealed class SaturationTable
{
    private readonly Lazy<Made> table;

    private sealed record Made(
        CubicSpline LogKpaOverK, CubicSpline KOverLogKpa, Temperature Lowest, Temperature Highest, double LowestLogKpa,
            double HighestLogKpa);

    /// <param name="lowestK">First point, K.</param>
    /// <param name="highestK">Last point, K; the table ends earlier where the solver finds nothing any more.</param>
    /// <param name="stepK">Distance of the points, K.</param>
    /// <param name="pressureKpa">The solver: saturation pressure at a temperature, or null where there is none.</param>
    public SaturationTable(double lowestK, double highestK, double stepK, Func<double, double?> pressureKpa)
    {
        Solver = pressureKpa;
        table = new(() => Make(lowestK, highestK, stepK, pressureKpa));
    }

    /// <summary>What the table was made from: saturation pressure in kPa at a temperature in K.</summary>
    internal Func<double, double?> Solver { get; }

    private static Made Make(double lowestK, double highestK, double stepK, Func<double, double?> pressureKpa)
    {
        var (temps, logs) = (new List<double>(), new List<double>());
        var steps = (int)Math.Ceiling((highestK - lowestK) / stepK);
        for (var i = 0; i <= steps; i++)
        {
            var tempK = Math.Min(lowestK + i * stepK, highestK);
            if (pressureKpa(tempK) is not { } kpa || (logs.Count > 0 && Math.Log(kpa) <= logs[^1]))
                break;
            temps.Add(tempK);
            logs.Add(Math.Log(kpa));
        }

        var (t, l) = (temps.ToArray(), logs.ToArray());
        return new(CubicSpline.InterpolatePchipSorted(t, l), CubicSpline.InterpolatePchipSorted(l, t), new(t[0]), new(t[^1]), l[0], l[^1]);
    }

    /// <summary>Lower end of the range.</summary>
    public Temperature Lowest => table.Value.Lowest;

    /// <summary>Upper end of the range: the critical point, or as near to it as the solver goes.</summary>
    public Temperature Highest => table.Value.Highest;

    /// <returns>Absolute pressure; null outside the range.</returns>
    public Pressure? PressureAt(Temperature temperature)
    {
        var made = table.Value;
        return temperature < made.Lowest || temperature > made.Highest ? null
            : new(Math.Exp(made.LogKpaOverK.Interpolate(temperature.Kelvin)));
    }

    /// <returns>The temperature of the line at an absolute pressure; null outside the range.</returns>
    public Temperature? TemperatureAt(Pressure pressure)
    {
        var made = table.Value;
        var logKpa = Math.Log(pressure.Kpa);
        return logKpa >= made.LowestLogKpa - EndTolerance && logKpa <= made.HighestLogKpa + EndTolerance
            ? new(made.KOverLogKpa.Interpolate(logKpa)) : null;
    }

    /// <summary>Rounding at the two ends of the range, in ln kPa.</summary>
    private const double EndTolerance = 1e-12;
}
