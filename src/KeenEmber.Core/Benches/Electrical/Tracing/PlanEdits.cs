
namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>Why a diagram cannot be changed so.</summary>
public enum PlanProblem
{
    /// <summary>Another part or terminal has that name.</summary>
    NameTaken,

    /// <summary>Nothing has that name.</summary>
    NotThere,

    /// <summary>It is the last part.</summary>
    LastPart,

    /// <summary>It has as many parts as can be traced.</summary>
    TooMany,

    /// <summary>Both ends are one terminal.</summary>
    SameTerminal,
}

/// <summary>A changed diagram, or why it was not changed.</summary>
public readonly record struct PlanChange(CircuitPlan? Plan, PlanProblem? Problem)
{
    /// <summary>As it is now.</summary>
    public static implicit operator PlanChange(CircuitPlan plan) => new(plan, null);

    /// <summary>Why not.</summary>
    public static implicit operator PlanChange(PlanProblem problem) => new(null, problem);
}

/// <summary>Changes to a unit's diagram, one at a time.</summary>
public static class PlanEdits
{
    /// <summary>More are not drawn on a phone.</summary>
    public const int MostParts = 100;

    /// <summary>Another name for a part.</summary>
    public static PlanChange RenamePart(this CircuitPlan plan, string from, string to)
    {
        if (plan.Part(from) is null)
            return PlanProblem.NotThere;
        if (from != to && plan.Part(to) is not null)
            return PlanProblem.NameTaken;
        return plan.Each(p => p with
        {
            Name = p.Name == from ? to : p.Name, Moves = p.Moves?.Select(m => m == from ? to : m).ToList(),
        });
    }

    /// <summary>Name, wire and place of a terminal. The two conductors keep their names.</summary>
    public static PlanChange Describe(this CircuitPlan plan, string from, PlannedTerminal to)
    {
        if (!plan.TerminalNames.Contains(from))
            return PlanProblem.NotThere;
        if (from != to.Name && (plan.TerminalNames.Contains(to.Name) || IsConductor(from)))
            return PlanProblem.NameTaken;
        string Renamed(string terminal) => terminal == from ? to.Name : terminal;
        var renamed = plan.Each(p => p with { A = Renamed(p.A), B = Renamed(p.B), C = Renamed(p.C), D = Renamed(p.D) });
        return renamed with
        {
            Terminals = [.. plan.Terminals.Where(t => t.Name != from), .. to is { Wire: "", Place: "" } ? [] : new[] { to }],
        };
    }

    private static bool IsConductor(string terminal) =>
        terminal is ControlDiagram.Line or ControlDiagram.Return or ControlDiagram.Third or ControlDiagram.Fed or Wiring.Neutral;

    /// <summary>A part in a row with another one, before it.</summary>
    /// <param name="part">Its terminals are set here: it begins where the other did.</param>
    public static PlanChange InsertBefore(this CircuitPlan plan, string before, PlannedPart part)
    {
        if (plan.Part(before) is not { } next)
            return PlanProblem.NotThere;
        return plan.Problem(part) is { } problem ? problem : (PlanChange)(plan with
        {
            Rungs =
            [
                .. plan.Rungs.Select(r => (IReadOnlyList<PlannedPart>)[.. r.SelectMany(p => p == next
                    ? [part with { A = next.A, B = plan.FreeTerminal() }, next with { A = plan.FreeTerminal() }] : new[] { p })]),
            ],
        });
    }

    /// <summary>A rung of its own.</summary>
    public static PlanChange AddRung(this CircuitPlan plan, PlannedPart part)
    {
        if (part.A.Length == 0 || part.B.Length == 0)
            return PlanProblem.NotThere;
        if (part.A == part.B)
            return PlanProblem.SameTerminal;
        return plan.Problem(part) is { } problem ? problem : (PlanChange)(plan with { Rungs = [.. plan.Rungs, [part]] });
    }

    /// <summary>Without a part: its two ends become one terminal, those of a load and of a rung of its own stay apart.</summary>
    public static PlanChange TakeOut(this CircuitPlan plan, string name)
    {
        if (plan.Part(name) is not { } part)
            return PlanProblem.NotThere;
        if (plan.Parts.Count() == 1)
            return PlanProblem.LastPart;
        var rung = plan.Rungs.First(r => r.Contains(part));
        var joins = rung.Count > 1 && part != rung[^1];
        string Joined(string terminal) => joins && terminal == part.B ? part.A : terminal;
        var left = plan with
        {
            Rungs = [.. plan.Rungs.Select(r => (IReadOnlyList<PlannedPart>)[.. r.Where(p => p != part)]).Where(r => r.Count > 0)],
        };
        return left.Each(p => p with
        {
            A = Joined(p.A), B = Joined(p.B), C = Joined(p.C), D = Joined(p.D), Moves = p.Moves?.Where(m => m != name).ToList(),
        });
    }

    private static PlanProblem? Problem(this CircuitPlan plan, PlannedPart part)
    {
        if (plan.Part(part.Name) is not null)
            return PlanProblem.NameTaken;
        return plan.Parts.Count() >= MostParts ? PlanProblem.TooMany : null;
    }

    private static string FreeTerminal(this CircuitPlan plan) =>
        Enumerable.Range(11, MostParts * 2).Select(n => $"{n}").First(n => !plan.TerminalNames.Contains(n));

    private static CircuitPlan Each(this CircuitPlan plan, Func<PlannedPart, PlannedPart> change) =>
        plan with { Rungs = [.. plan.Rungs.Select(r => (IReadOnlyList<PlannedPart>)[.. r.Select(change)])] };

    /// <summary>What one diagram has that another has not, and the other way round, by name.</summary>
    public static (IReadOnlyList<PlannedPart> Added, IReadOnlyList<PlannedPart> Gone, IReadOnlyList<PlannedPart> Moved) Since(
        this CircuitPlan now, CircuitPlan before) =>
        ([.. now.Parts.Where(p => before.Part(p.Name) is null)], [.. before.Parts.Where(p => now.Part(p.Name) is null)],
            [.. now.Parts.Where(p => before.Part(p.Name) is { } was && (was.A, was.B) != (p.A, p.B))]);

    /// <summary>The wires of a part, terminal by terminal: what else is on that terminal.</summary>
    public static IReadOnlyList<(PlannedTerminal Terminal, IReadOnlyList<string> GoesTo)> WiresOf(
        this CircuitPlan plan, PlannedPart part) =>
        [.. new[] { part.A, part.B, part.C, part.D }.Where(t => t.Length > 0).Distinct().Select(t => (plan.Terminal(t),
            (IReadOnlyList<string>)[.. plan.On(t).Where(p => p != part).Select(p => p.Name)]))];
}
