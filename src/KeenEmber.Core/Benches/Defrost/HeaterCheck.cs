using System.Numerics;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>One leg of a heater set.</summary>
/// <param name="Leg">1, 2, 3.</param>
/// <param name="MeasuredA">Null when it was not clamped.</param>
/// <param name="HealthyA">What it would carry with every element whole, at the voltage there was.</param>
/// <param name="ExpectedA">What it carries with the elements out that explain the measured currents best.</param>
public sealed record LegCheck(int Leg, double? MeasuredA, double HealthyA, double ExpectedA)
{
    /// <summary>Measured against expected; null when it is not measured or nothing is expected.</summary>
    public double? Share => MeasuredA / ExpectedA is { } share && double.IsFinite(share) ? share : null;

    /// <summary>It draws less than a sound leg would.</summary>
    public bool IsWeak => Share < DefrostLimits.WeakLegShare;
}

/// <param name="Volts">Measured, or the rating where <paramref name="IsMeasured"/> is false.</param>
/// <param name="ElementsOut">Numbers of the elements that are out: of their leg, in delta 1 between lines 1 and 2, 2 between 2 and 3, 3
/// between 3 and 1.</param>
/// <param name="HealthyKw">What all elements would give at this voltage.</param>
/// <param name="PowerKw">What the elements still whole give at this voltage, scaled to the measured currents.</param>
public sealed record HeaterState(
    double Volts, bool IsMeasured, IReadOnlyList<LegCheck> Legs, IReadOnlyList<int> ElementsOut, double PowerKw, double HealthyKw,
    double RatedKw);

/// <summary>
/// Which heater elements are out, from the currents of the legs: every combination of elements is tried, and the one whose currents come
/// nearest to the
/// measured ones is it. Elements are resistances R = V²/W (their warm resistance hardly differs for the usual sheathed elements).
/// </summary>
public static class HeaterCheck
{
    /// <param name="volts">Measured between the lines in delta and star, across the leg otherwise; null: as rated.</param>
    /// <param name="currents">A by leg, null where it was not measured.</param>
    /// <returns>Null without elements, or when a three-phase set has not three of them.</returns>
    public static HeaterState? Judge(DefrostSetUp setUp, double? volts, IReadOnlyList<double?> currents)
    {
        var legs = setUp.Legs;
        var isThreePhase = setUp.Connection != HeaterConnection.Separate;
        if (legs.Count is 0 or > 6 || (isThreePhase && legs.Count != 3))
            return null;
        var rated = legs[0].Volts * (setUp.Connection == HeaterConnection.Star ? Math.Sqrt(3) : 1);
        var supply = volts ?? rated;
        var healthy = Currents(setUp, supply, 0);
        var best = Enumerable.Range(0, 1 << legs.Count).OrderBy(m => BitOperations.PopCount((uint)m)).ThenBy(m => m)
            .Select(mask => (Mask: mask, Error: Error(Currents(setUp, supply, mask), currents)))
            .Aggregate((a, b) => b.Error < a.Error - 1e-6 ? b : a).Mask;
        var expected = Currents(setUp, supply, best);
        var checks =
            legs.Select((_, i) => new LegCheck(i + 1, i < currents.Count ? currents[i] : null, healthy[i].Magnitude, expected[i].Magnitude))
            .ToList();
        var scale = checks.Where(c => c.Share is > 0 && c.ExpectedA > 0.1).Select(c => c.Share!.Value).DefaultIfEmpty(1).Average();
        return new(
            supply, volts is not null, checks, [.. Enumerable.Range(0, legs.Count).Where(i => (best >> i & 1) == 1).Select(i => i + 1)],
            Power(setUp, supply, best) * scale / 1000, Power(setUp, supply, 0) / 1000, legs.Sum(l => l.Watts) / 1000);
    }

    /// <summary>What a set with some elements out carries and gives.</summary>
    /// <returns>A by leg, and kW.</returns>
    public static (double[] Amperes, double Kw) Supply(DefrostSetUp setUp, double volts, IEnumerable<int> elementsOut)
    {
        var mask = elementsOut.Sum(e => 1 << (e - 1));
        return ([.. Currents(setUp, volts, mask).Select(c => c.Magnitude)], Power(setUp, volts, mask) / 1000);
    }

    private static double Error(Complex[] expected, IReadOnlyList<double?> measured) =>
        expected.Select((e, i) => i < measured.Count && measured[i] is { } m ? (e.Magnitude - m) * (e.Magnitude - m) : 0).Sum();

    /// <summary>Current of each leg with some elements out.</summary>
    /// <param name="outMask">Bit 0 for element 1 and so on.</param>
    private static Complex[] Currents(DefrostSetUp setUp, double volts, int outMask)
    {
        var g = Conductances(setUp, outMask);
        if (setUp.Connection == HeaterConnection.Separate)
            return [.. g.Select(s => new Complex(volts * s, 0))];
        var line = Lines(volts);
        if (setUp.Connection == HeaterConnection.Star)
        {
            var centre = StarPoint(line, g);
            return [.. line.Select((v, i) => (v - centre) * g[i])];
        }

        var element = Enumerable.Range(0, 3).Select(i => (line[i] - line[(i + 1) % 3]) * g[i]).ToArray();
        return [.. element.Select((e, i) => e - element[(i + 2) % 3])];
    }

    /// <summary>Watts of all elements.</summary>
    private static double Power(DefrostSetUp setUp, double volts, int outMask)
    {
        var g = Conductances(setUp, outMask);
        if (setUp.Connection != HeaterConnection.Star)
            return g.Sum(s => volts * volts * s);
        var line = Lines(volts);
        var centre = StarPoint(line, g);
        return line.Select((v, i) => Math.Pow((v - centre).Magnitude, 2) * g[i]).Sum();
    }

    private static double[] Conductances(DefrostSetUp setUp, int outMask) =>
        [.. setUp.Legs.Select((l, i) => (outMask >> i & 1) == 1 ? 0 : 1 / l.ResistanceOhm)];

    /// <summary>Voltages of the three lines against the middle of the supply.</summary>
    private static Complex[] Lines(double lineToLine) =>
        [.. Enumerable.Range(0, 3).Select(i => Complex.FromPolarCoordinates(lineToLine / Math.Sqrt(3), -i * Math.Tau / 3))];

    /// <summary>Millman's theorem; with fewer than two elements whole no current flows wherever it lies.</summary>
    private static Complex StarPoint(Complex[] line, double[] g) =>
        g.Count(s => s > 0) < 2 ? line[Math.Max(0, Array.FindIndex(g, s => s > 0))]
            : line.Select((v, i) => v * g[i]).Aggregate((a, b) => a + b) / g.Sum();
}
