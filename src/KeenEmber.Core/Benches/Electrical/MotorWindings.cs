namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Three pins of a motor in any order: which is which, and whether they add up.</summary>
/// <remarks>The highest resistance lies between run and start, the pin it does not touch is common; common to run is the lowest; the
/// highest is the sum of the other two (trade practice, from the circuit of a single-phase motor). Three alike are three
/// phases.</remarks>
public static class MotorWindings
{
    /// <summary>Resistances are the same within this share and so many Ω: what a meter on small resistances is good for.</summary>
    private const double AlikeShare = 0.07, AlikeOhm = 0.2;

    private const double ShortOhm = 0.1;

    /// <summary>No motor of this trade has as much between any two pins, Ω.</summary>
    private const double MostOhm = 1000;

    /// <param name="ohms">Between pins 1 and 2, 2 and 3, 1 and 3; infinite where it is open.</param>
    /// <param name="leadOhms">Of the meter's own leads, taken off each.</param>
    public static PartResult Judge(IReadOnlyList<double> ohms, double leadOhms)
    {
        if (ohms.Any(o => !(o >= 0)) || !(leadOhms >= 0))
            return new(PartVerdict.CannotTell);
        var taken = ohms.Select(o => Math.Max(0, o - leadOhms)).ToList();
        // The pin that a pair does not touch: 1-2 leaves 3.
        (double Ohms, int Left)[] pairs = [(taken[0], 3), (taken[1], 1), (taken[2], 2)];
        var sorted = pairs.OrderBy(p => p.Ohms).ToArray();
        var open = pairs.Count(p => double.IsPositiveInfinity(p.Ohms));
        if (open == 2 && sorted[0].Ohms > ShortOhm)
        {
            // Run and start are whole together and cut off from common: the protector in common, or its pin.
            return new(PartVerdict.ProtectorOpen, sorted[0].Ohms) { Roles = new Dictionary<string, int> { ["common"] = sorted[0].Left } };
        }

        if (open > 0)
            return new(PartVerdict.Open);
        if (sorted[0].Ohms > MostOhm)
            return PartResult.Slipped(PartSlip.Thousandfold, sorted[0].Ohms);
        if (sorted[0].Ohms < ShortOhm)
            return new(PartVerdict.Shorted, sorted[0].Ohms);
        if (IsAlike(sorted[0].Ohms, sorted[2].Ohms))
            return new(PartVerdict.Sound, sorted[2].Ohms, sorted[0].Ohms * (1 - AlikeShare), sorted[2].Ohms * (1 + AlikeShare));
        var sum = sorted[0].Ohms + sorted[1].Ohms;
        var give = Math.Max(AlikeOhm, AlikeShare * sum);
        var common = sorted[2].Left;
        // Common to run is the lowest: the pin of that pair that is not common.
        var run = Enumerable.Range(1, 3).Single(p => p != common && p != sorted[0].Left);
        var roles = new Dictionary<string, int> { ["common"] = common, ["run"] = run, ["start"] = 6 - common - run };
        return new(IsAlike(sum, sorted[2].Ohms) ? PartVerdict.Sound : PartVerdict.DoesNotAddUp, sorted[2].Ohms, sum - give, sum + give)
        {
            Roles = roles,
        };
    }

    private static bool IsAlike(double one, double other) =>
        Math.Abs(one - other) <= Math.Max(AlikeOhm, AlikeShare * Math.Max(one, other));
}
