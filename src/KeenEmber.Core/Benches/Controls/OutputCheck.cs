using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>What looks at an output's relay say.</summary>
public enum OutputVerdict
{
    /// <summary>Not enough seen yet.</summary>
    Unsettled,

    /// <summary>As it should be, called and not called.</summary>
    Works,

    /// <summary>As it should be in the one state seen; the other was not.</summary>
    WorksSoFar,

    /// <summary>Live though not called: the contact is welded, or bridged at the control.</summary>
    StuckClosed,

    /// <summary>Called and dead: the contact does not close, or nothing feeds it.</summary>
    NotClosing,

    /// <summary>Live, and the load does nothing.</summary>
    LoadDead,

    /// <summary>The load runs although its relay is dead: fed from elsewhere.</summary>
    WiredPast,
}

/// <param name="WouldSettle">"voltage", "called" (look while it is called), "not-called".</param>
public sealed record OutputResult(OutputVerdict Verdict, IReadOnlyList<string> WouldSettle)
{
    /// <summary>Contact, load or wiring is at fault.</summary>
    public bool IsFault => Verdict >= OutputVerdict.StuckClosed;
}

/// <summary>Called or not, live or not, running or not: the contact, the load, or a wire past both.</summary>
/// <remarks>Trade practice: follow the voltage. Across a closed contact there is none, so it is measured from the load terminal to the
/// other pole.</remarks>
public static class OutputCheck
{
    /// <param name="states">In the order in which they were seen; one that shows a fault outweighs one that does not.</param>
    public static OutputResult Judge(IReadOnlyList<OutputState> states)
    {
        var each = states.Select(Judge).ToList();
        if (each.LastOrDefault(r => r.IsFault) is { } fault)
            return fault;
        if (each.LastOrDefault(r => r.Verdict == OutputVerdict.Unsettled) is { } open && !states.Any(s => s.IsLive is not null))
            return open;
        var (on, off) =
            (states.Any(s => s is { IsCalled: true, IsLive: not false, Runs: true }),
            states.Any(s => s is { IsCalled: false, Runs: false } or { IsCalled: false, IsLive: false, Runs: null }));
        return (on, off) switch
        {
            (true, true) => new(OutputVerdict.Works, []),
            (true, false) => new(OutputVerdict.WorksSoFar, ["not-called"]),
            (false, true) => new(OutputVerdict.WorksSoFar, ["called"]),
            _ => each.LastOrDefault() ?? new(OutputVerdict.Unsettled, ["called"]),
        };
    }

    private static OutputResult Judge(OutputState s) => s switch
    {
        { IsCalled: false, IsLive: true } => new(OutputVerdict.StuckClosed, []),
        { IsLive: false, Runs: true } => new(OutputVerdict.WiredPast, []),
        { IsCalled: true, IsLive: false } => new(OutputVerdict.NotClosing, []),
        { IsCalled: true, IsLive: true, Runs: false } => new(OutputVerdict.LoadDead, []),
        // Stuck or wired past, not closing or dead: the voltage at the load terminal parts them.
        { IsCalled: false, IsLive: null, Runs: true } or { IsCalled: true, IsLive: null, Runs: false } =>
            new(OutputVerdict.Unsettled, ["voltage"]),
        { IsLive: null, Runs: null } => new(OutputVerdict.Unsettled, ["voltage"]),
        _ => new(OutputVerdict.WorksSoFar, []),
    };
}
