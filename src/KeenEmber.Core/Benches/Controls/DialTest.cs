namespace KeenEmber.Core.Benches.Controls;

/// <summary>Where a mechanical thermostat acted at one place of its dial.</summary>
/// <param name="DialC">What the dial says, °C.</param>
/// <param name="CutInC">Where it closed by the reference, °C; null when not seen.</param>
/// <param name="CutOutC">Where it opened.</param>
public sealed record DialPoint(double DialC, double? CutInC, double? CutOutC);

/// <summary>What turning a thermostat's dial shows.</summary>
public enum DialVerdict
{
    /// <summary>Not enough points yet.</summary>
    TooFew,

    /// <summary>It acts where its dial says.</summary>
    True,

    /// <summary>Off by the same over the dial: it can be set to suit, or its screw turned.</summary>
    Shifted,

    /// <summary>Off by different amounts: no screw mends it.</summary>
    Uneven,

    /// <summary>The cut-in stays, only the cut-out follows the dial: it is made so.</summary>
    ConstantCutIn,
}

/// <param name="OffK">Mean of where it cuts out less the dial, K.</param>
/// <param name="SpreadK">Between the most and the least of them, K.</param>
public sealed record DialResult(DialVerdict Verdict, double? OffK, double SpreadK);

/// <summary>A mechanical thermostat tried against a reference over its dial.</summary>
public static class DialTest
{
    /// <summary>Scales of mechanical thermostats are good to about this, K.</summary>
    public const double ToleranceK = 2;

    /// <summary>A cut-in within this at dial places further apart than twice it is a constant one, K.</summary>
    private const double SameCutInK = 1;

    /// <summary>What the points seen so far say.</summary>
    public static DialResult Judge(IReadOnlyList<DialPoint> points)
    {
        var offs = points.Where(p => p.CutOutC is not null).Select(p => p.CutOutC!.Value - p.DialC).ToList();
        if (offs.Count == 0)
            return new(DialVerdict.TooFew, null, 0);
        var (mean, spread) = (offs.Average(), offs.Max() - offs.Min());
        var ins = points.Where(p => p.CutInC is not null).ToList();
        var constant = ins.Count > 1 && ins.Max(p => p.CutInC) - ins.Min(p => p.CutInC) <= SameCutInK
            && ins.Max(p => p.DialC) - ins.Min(p => p.DialC) > 2 * SameCutInK;
        var verdict = constant switch
        {
            _ when spread > ToleranceK => DialVerdict.Uneven,
            _ when Math.Abs(mean) > ToleranceK => DialVerdict.Shifted,
            true => DialVerdict.ConstantCutIn,
            false => DialVerdict.True,
        };
        return new(verdict, mean, spread);
    }
}
