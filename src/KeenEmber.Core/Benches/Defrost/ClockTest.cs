namespace KeenEmber.Core.Benches.Defrost;

/// <summary>How a defrost clock runs.</summary>
public enum ClockVerdict
{
    /// <summary>As it should.</summary>
    RunsTrue,

    /// <summary>It loses.</summary>
    Slow,

    /// <summary>It gains.</summary>
    Fast,

    /// <summary>It stands.</summary>
    Stopped,

    /// <summary>Too short a wait for the reading of the dial.</summary>
    TooSoon,
}

/// <param name="ShareOfTravel">Travel of the dial against the time passed; 1 runs true.</param>
public sealed record ClockRate(ClockVerdict Verdict, double ShareOfTravel, double WaitedMin);

/// <summary>The defrost clock: marked, and looked at again.</summary>
public static class ClockTest
{
    /// <summary>The dial is read to this, min.</summary>
    private const double ReadingMin = 7.5;

    /// <summary>Shorter waits cannot tell a slow clock from a misread dial, min.</summary>
    private const double ShortestWaitMin = 45;

    /// <param name="waitedMin">By a watch.</param>
    /// <param name="dialMin">What the dial moved meanwhile.</param>
    public static ClockRate Judge(double waitedMin, double dialMin)
    {
        var verdict = (dialMin - waitedMin) switch
        {
            _ when waitedMin < ShortestWaitMin && dialMin > 0 => ClockVerdict.TooSoon,
            _ when dialMin <= ReadingMin && waitedMin >= 3 * ReadingMin => ClockVerdict.Stopped,
            < -ReadingMin => ClockVerdict.Slow,
            > ReadingMin => ClockVerdict.Fast,
            _ => ClockVerdict.RunsTrue,
        };
        return new(verdict, waitedMin > 0 ? dialMin / waitedMin : 0, waitedMin);
    }
}

/// <param name="TempC">Of the switch itself: bath, or a thermometer fastened to it.</param>
/// <param name="IsClosed">Continuity between the terminals tested.</param>
public readonly record struct SwitchState(double TempC, bool IsClosed);

/// <summary>How a limit switch acts against its rating.</summary>
public enum SwitchVerdict
{
    /// <summary>At its rating, within tolerance.</summary>
    InTolerance,

    /// <summary>Colder than its rating.</summary>
    Early,

    /// <summary>Warmer than its rating.</summary>
    Late,

    /// <summary>Not at all.</summary>
    NeverActs,

    /// <summary>The states seen do not yet bracket the rating.</summary>
    NotBracketed,
}

/// <summary>Between which temperatures a contact changed.</summary>
/// <param name="BelowC">The last state on the cold side of the change; null when it was not seen.</param>
/// <param name="AboveC">The first one on the warm side.</param>
public sealed record SwitchBracket(SwitchVerdict Verdict, double? BelowC, double? AboveC);

/// <summary>A termination or fan-delay switch on the bench or in the coil.</summary>
public static class SwitchTest
{
    /// <summary>Whether one state alone cannot be of a sound switch: it should have acted by that temperature, or have gone back.</summary>
    /// <param name="warmC">Where it acts as it warms up.</param>
    /// <param name="coolC">Where it goes back as it cools; null when not known: then only the warm side tells.</param>
    /// <param name="opensWarm">It opens as it warms up.</param>
    public static bool Contradicts(SwitchState state, double warmC, double? coolC, bool opensWarm) =>
        state.TempC > warmC + DefrostLimits.SwitchToleranceK ? state.IsClosed == opensWarm
            : state.TempC < coolC - DefrostLimits.SwitchToleranceK && state.IsClosed != opensWarm;

    /// <param name="states">In the order in which they were seen.</param>
    /// <param name="ratedC">Where it should act.</param>
    /// <param name="rising">The change while warming up; else while cooling.</param>
    public static SwitchBracket Judge(IReadOnlyList<SwitchState> states, double ratedC, bool rising)
    {
        var steps = states.Zip(states.Skip(1)).Where(p => rising ? p.Second.TempC > p.First.TempC : p.Second.TempC < p.First.TempC)
            .ToList();
        if (steps.Count == 0)
            return new(SwitchVerdict.NotBracketed, null, null);
        var acted = steps.Where(p => p.First.IsClosed != p.Second.IsClosed).Select(p => ((SwitchState From, SwitchState To)?)p)
            .LastOrDefault();
        if (acted is not { } change)
        {
            var (low, high) =
                (steps.Min(p => Math.Min(p.First.TempC, p.Second.TempC)), steps.Max(p => Math.Max(p.First.TempC, p.Second.TempC)));
            var passed = low < ratedC - DefrostLimits.SwitchToleranceK && high > ratedC + DefrostLimits.SwitchToleranceK;
            return new(passed ? SwitchVerdict.NeverActs : SwitchVerdict.NotBracketed, null, null);
        }

        var (below, above) = (Math.Min(change.From.TempC, change.To.TempC), Math.Max(change.From.TempC, change.To.TempC));
        var (isColder, isWarmer) =
            (above < ratedC - DefrostLimits.SwitchToleranceK, below > ratedC + DefrostLimits.SwitchToleranceK);
        var verdict = (isColder, isWarmer, rising) switch
        {
            (true, _, true) or (_, true, false) => SwitchVerdict.Early,
            (true, _, false) or (_, true, true) => SwitchVerdict.Late,
            _ => SwitchVerdict.InTolerance,
        };
        return new(verdict, below, above);
    }
}
