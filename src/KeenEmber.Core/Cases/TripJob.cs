using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>How far the search for what made a breaker or fuse go has come.</summary>
public enum TripStep
{
    /// <summary>Circuits are still to be tested.</summary>
    Look,

    /// <summary>Something was found and is not yet put right.</summary>
    Repair,

    /// <summary>It was put right and not yet tested again.</summary>
    TestAgain,

    /// <summary>What could be tested is clear, and something could not be tested.</summary>
    CannotTest,

    /// <summary>Everything is clear: it may be switched on, once.</summary>
    SwitchOn,

    /// <summary>The cause was found and put right, and it holds.</summary>
    Holds,

    /// <summary>It holds, and why it went is not known.</summary>
    NotReproduced,

    /// <summary>It went again. No further reset.</summary>
    WentAgain,
}

/// <summary>One circuit that hangs on what went, by the test that clears it.</summary>
/// <param name="Answer">The last one; empty where it was not tested.</param>
/// <param name="IsFaulty">By the last test.</param>
/// <param name="IsSkipped">It cannot be tested now.</param>
public sealed record TripCircuit(Observable Test, string Answer, bool IsFaulty, bool IsSkipped);

/// <summary>A breaker or fuse that went, as a result: what hangs on it is tested in the order of the mode it went in, what is found is put
/// right and tested again, and it is switched on once.</summary>
/// <remarks>Source: trade practice. Nothing is stored of it but what was seen and measured.</remarks>
public sealed class TripJob
{
    private const string HeatersToEarth = "heaters-earth", FansToEarth = "fan-earth", CompressorToEarth = "windings-earth",
        CondenserFanToEarth = "condfan-earth", Wires = "wiring", SwitchedOnOnce = "breaker-holds", Supply = "supply", Holds = "holds",
        Sound = "sound";

    /// <summary>What was on when it went is tested first; the compressor, which is tried longest, after what rubs.</summary>
    private static readonly string[] InDefrostOrder = [HeatersToEarth, FansToEarth, Wires, CompressorToEarth, CondenserFanToEarth];

    private static readonly string[] UsualOrder = [FansToEarth, Wires, CondenserFanToEarth, CompressorToEarth, HeatersToEarth];

    private sealed record Told(DateTimeOffset At, string Code, string Answer);

    private TripJob(VisitCase visit, DateTimeOffset wentAt)
    {
        WentInDefrost = visit.Timeline.ConditionsAt(wentAt).IsInDefrost;
        // What was tested before the trip was noted counts; the supply only from then on.
        var told = ToldBy(visit).Where(t => t.Code != Supply || t.At >= wentAt).ToList();
        var words = UnitWords.Of(visit.MakeUp, visit.Equipment.Target, visit.Equipment.EvaporatorFans);
        var cannot = VisitFacts.CannotNow(visit);
        Circuits = [.. (WentInDefrost ? InDefrostOrder : UsualOrder)
            .Select(c => DiagnosisTable.Shipped.Observables.Single(o => o.Code == c)).Where(o => o.OnlyOn.Holds(words))
            .Select(o => CircuitOf(o, told, cannot))];
        Step = StepOf(told, WorkDone.Moments(visit.Timeline).ToList());
    }

    /// <summary>It went while it defrosted.</summary>
    public bool WentInDefrost { get; }

    /// <summary>In the order in which to test them.</summary>
    public IReadOnlyList<TripCircuit> Circuits { get; }

    /// <summary>How far it has come.</summary>
    public TripStep Step { get; }

    /// <summary>The one to test next; null where none is left.</summary>
    public TripCircuit? Next => Circuits.FirstOrDefault(c => c.IsFaulty && Step == TripStep.TestAgain)
        ?? Circuits.FirstOrDefault(c => c.Answer.Length == 0 && !c.IsSkipped);

    /// <summary>The search on a visit.</summary>
    /// <returns>Null where nothing went.</returns>
    public static TripJob? Of(VisitCase visit) =>
        visit.Timeline.Standing.OrderBy(e => e.At).FirstOrDefault(WentBy) is { } went ? new(visit, went.At) : null;

    private static bool WentBy(Entry entry) => entry is ObservationEntry { Fact: AsFound.Supply, State: FactState.Tripped }
        or DiagnosisFactEntry { Cannot: false, Observable: Supply, Answer: "tripped" or "fuse-blown" }
        or ChangeEntry { Area: WorkArea.Power, Before: ChangeEntry.Tripped };

    private static IEnumerable<Told> ToldBy(VisitCase visit)
    {
        var parts = new List<MeasuredPart>();
        var damage = new HashSet<(Component, PartCondition)>();
        foreach (var entry in visit.Timeline.Standing.OrderBy(e => e.At))
        {
            if (entry is ChangeEntry { Area: WorkArea.Power, Before: ChangeEntry.Tripped })
                yield return new(entry.At, SwitchedOnOnce, Holds);
            if (MeasuredPart.Of(entry, visit.Company.Policies) is { } part)
            {
                parts.Add(part);
                var alike = parts.Where(p => p.Component.Kind == part.Component.Kind && p.Test.Part == part.Test.Part).ToList();
                foreach (var fact in PartFacts.Of(alike, visit.Equipment))
                    yield return new(entry.At, fact.Code, fact.Answer);
            }

            foreach (var fact in FactsOfSpan.Seen(entry).Where(f => f.Answer.Length > 0))
                yield return new(entry.At, fact.Code, fact.Answer);
            if (IsLastPutRight(entry, damage))
                yield return new(entry.At, Wires, Sound);
        }
    }

    /// <summary>Damage comes and goes; with the last of it put right the wires are sound.</summary>
    private static bool IsLastPutRight(Entry entry, HashSet<(Component Part, PartCondition Condition)> damage)
    {
        var wasDamaged = damage.Count > 0;
        if (entry is PartConditionEntry { IsOpen: true } seen)
            damage.Add((seen.Component, seen.Condition));
        else if (entry is PartConditionEntry mended)
            damage.Remove((mended.Component, mended.Condition));
        else if (entry is PartEntry part)
            damage.RemoveWhere(d => d.Part == part.Component);
        return wasDamaged && damage.Count == 0;
    }

    private static bool IsFaulty(Observable test, string answer) => answer != test.Answers[0];

    private static TripCircuit CircuitOf(Observable test, List<Told> told, IReadOnlySet<string> cannot)
    {
        var all = told.Where(t => t.Code == test.Code).ToList();
        return all.Count > 0 ? new(test, all[^1].Answer, IsFaulty(test, all[^1].Answer), false)
            : new(test, "", false, cannot.Contains(test.Code));
    }

    private TripStep StepOf(List<Told> told, List<DateTimeOffset> work)
    {
        var lastFault = told.FindLast(t => Circuits.Any(c => c.Test.Code == t.Code && IsFaulty(c.Test, t.Answer)))?.At;
        var isWorkedSince = work.Exists(w => w > lastFault);
        if (Circuits.Any(c => c.IsFaulty))
            return isWorkedSince ? TripStep.TestAgain : TripStep.Repair;
        if (HoldsSince(lastFault, told) is { } holds)
            return Switched(holds, wasFound: lastFault is not null);
        if (lastFault is not null)
            return TripStep.SwitchOn;
        if (Circuits.Any(c => c.Answer.Length == 0 && !c.IsSkipped))
            return TripStep.Look;
        return Circuits.Any(c => c.IsSkipped) ? TripStep.CannotTest : TripStep.SwitchOn;
    }

    /// <summary>Whether it held when it was switched on; null where it was not. A supply seen tripped went again only after it was
    /// on.</summary>
    private static bool? HoldsSince(DateTimeOffset? lastFault, List<Told> told)
    {
        bool? holds = null;
        foreach (var (_, code, answer) in told.Where(t => lastFault is null || t.At > lastFault))
        {
            if (code == SwitchedOnOnce || (code == Supply && answer == "on"))
                holds = answer is Holds or "on";
            else if (code == Supply && holds == true)
                holds = false;
        }

        return holds;
    }

    private static TripStep Switched(bool holds, bool wasFound)
    {
        if (!holds)
            return TripStep.WentAgain;
        return wasFound ? TripStep.Holds : TripStep.NotReproduced;
    }
}
