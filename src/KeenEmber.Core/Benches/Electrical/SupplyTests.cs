namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What the voltages of a supply say.</summary>
/// <remarks>Sources: unbalance NEMA MG 1; ± 10 % of the plate at a motor's terminals IEC 60034-1; a drop at the start trade
/// practice.</remarks>
internal static class SupplyTests
{
    /// <summary>Of the mean of three voltages, %.</summary>
    private const double WatchUnbalance = 1, MostUnbalance = 2;

    /// <summary>Of the highest of three voltages: below the one a conductor is dead, below the other what is read may come back through a
    /// motor.</summary>
    private const double LostShare = 0.2, PhantomShare = 0.8;

    /// <summary>Of the plate; and while a motor starts.</summary>
    private const double OffShare = 0.1, StartShare = 0.15;

    /// <summary>No supply has so little between any two conductors.</summary>
    private const double DeadVolts = 10;

    private const double PhaseToNeutral = 0.577, NearShare = 0.03;

    /// <summary>The two legs of a split supply are alike within this share of the whole.</summary>
    private const double LegsShare = 0.05;

    /// <summary>The voltages between conductors that were taken, the pairs by their names.</summary>
    private static List<(string Pair, double Volts)> Pairs(PartTest test) =>
        [.. new[] { ("L1-L2", "volts12"), ("L2-L3", "volts23"), ("L1-L3", "volts13") }
            .Select(p => (p.Item1, test.Read(p.Item2))).Where(p => !double.IsNaN(p.Item2))];

    /// <summary>The pairs that are far below the highest.</summary>
    internal static IReadOnlyList<string> LowPairs(PartTest test)
    {
        var pairs = Pairs(test);
        return [.. pairs.Where(p => p.Volts < PhantomShare * pairs.Max(q => q.Volts)).Select(p => p.Pair)];
    }

    /// <summary>A dead conductor shows in the two pairs it belongs to; behind a running motor it reads about half: a phantom.</summary>
    internal static PartResult ThreePhase(PartTest test)
    {
        var volts = Pairs(test).ConvertAll(p => p.Volts);
        if (volts.Count < 2 || volts.Exists(v => !(v >= 0)))
            return new(PartVerdict.CannotTell);
        if (volts.Max() <= DeadVolts)
            return new(PartVerdict.Dead, volts.Max());
        var percent = 100 * volts.Max(v => Math.Abs(v - volts.Average())) / volts.Average();
        if (volts.Min() < LostShare * volts.Max() || volts.Count(v => v < PhantomShare * volts.Max()) == 2)
            return new(PartVerdict.LegLost, percent, null, MostUnbalance);
        if (volts.Count < 3)
            return new(PartVerdict.Sound, percent, null, MostUnbalance);
        if (Math.Abs(volts.Min() / volts.Max() - PhaseToNeutral) < NearShare)
            return PartResult.Slipped(PartSlip.PhaseToNeutral, volts.Min());
        return new(percent switch
        {
            > MostUnbalance => PartVerdict.High,
            > WatchUnbalance => PartVerdict.Watch,
            _ => PartVerdict.Sound,
        }, percent, null, MostUnbalance);
    }

    /// <summary>By the sign that a rotation tester's letter stands for.</summary>
    internal static PartVerdict Order(double order) => order switch
    {
        > 0 => PartVerdict.Sound,
        < 0 => PartVerdict.Reversed,
        _ => PartVerdict.CannotTell,
    };

    internal static PartResult SinglePhase(PartTest test)
    {
        var (volts, plate) = (test.Read("volts"), test.Marked("volts"));
        if (!(volts >= 0 && plate > 0))
            return new(PartVerdict.CannotTell);
        if (volts < LostShare * plate)
            return new(PartVerdict.LegLost, volts, plate * (1 - OffShare), plate * (1 + OffShare));
        var (low, high) = (plate * (1 - OffShare), plate * (1 + OffShare));
        var least = Math.Min(volts, test.Read("runVolts", volts));
        if (least < low)
            return new(PartVerdict.Low, least, low, high);
        if (test.Read("startVolts", volts) is var start && start < plate * (1 - StartShare))
            return new(PartVerdict.Low, start, plate * (1 - StartShare));
        return volts > high ? new(PartVerdict.High, volts, low, high) : new(PartVerdict.Sound, least, low, high);
    }

    /// <summary>With the neutral open the legs divide the whole by what hangs on them.</summary>
    internal static PartResult SplitPhase(double whole, double one, double two)
    {
        if (!(whole >= 0 && one >= 0 && two >= 0) || Math.Max(whole, Math.Max(one, two)) <= 0)
            return new(PartVerdict.CannotTell);
        if (Math.Min(one, two) < LostShare * Math.Max(one, two) && whole < PhantomShare * 2 * Math.Max(one, two))
            return new(PartVerdict.LegLost, Math.Min(one, two));
        var apart = 100 * Math.Abs(one - two) / whole;
        var adds = Math.Abs(one + two - whole) <= LegsShare * whole;
        return (apart > 100 * LegsShare, adds) switch
        {
            (true, true) => new(PartVerdict.NeutralLost, apart, null, 100 * LegsShare),
            (_, false) => new(PartVerdict.DoesNotAddUp, one + two, whole * (1 - LegsShare), whole * (1 + LegsShare)),
            _ => new(PartVerdict.Sound, apart, null, 100 * LegsShare),
        };
    }
}
