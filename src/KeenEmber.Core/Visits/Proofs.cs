using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>What proves each repair of a visit, filled from its timeline.</summary>
/// <remarks>
/// Trade practice: the repaired function is seen to work and the unit runs through the cycle that used to fail. Only what is seen after the
/// repair counts.
/// </remarks>
public static class Proofs
{
    /// <summary>Box air this close to its target has arrived, K: the usual differential of a box control.</summary>
    public const double AtTargetK = 2;

    /// <summary>Proofs that follow from readings and facts; the others are only seen by somebody who says so.</summary>
    public static bool FillsItself(this ProofKind kind) => kind <= ProofKind.SensorAgrees;

    /// <param name="benches">What the benches make of the visit: each knows the entries that prove what it is about.</param>
    public static IReadOnlyList<Proof> Of(Timeline timeline, Equipment unit, IReadOnlyList<BenchJudgement> benches) =>
    [
        .. timeline.Standing.OfType<IChangesUnit>().Where(c => c.ChangesUnit)
            .SelectMany(
                c => c.WantsProof(unit), (repair, kind) =>
                new Proof((Entry)repair, kind, ProvedBy(kind, (Entry)repair, timeline, unit, benches))),
        .. benches.SelectMany(b => b.Proofs),
    ];

    /// <summary>What proves work of an area.</summary>
    public static IReadOnlyList<ProofKind> Wanted(WorkArea area, Equipment unit) => area switch
    {
        WorkArea.Fans => [ProofKind.FansRun],
        WorkArea.Defrost => [ProofKind.WholeDefrost, ProofKind.CoilClear],
        WorkArea.LimitSwitch => [ProofKind.WholeDefrost],
        WorkArea.Control => [ProofKind.CutOutReached, ProofKind.CutInReached],
        WorkArea.Circuit => [ProofKind.CircuitJudged, ProofKind.BoxAtTarget],
        WorkArea.StartParts or WorkArea.Motor or WorkArea.Power when unit.Circuit.RatedCurrentA is null => [ProofKind.StartedAgain],
        WorkArea.StartParts or WorkArea.Motor or WorkArea.Power => [ProofKind.StartedAgain, ProofKind.CurrentWithinPlate],
        WorkArea.Box => [ProofKind.BoxAtTarget],
        _ => [ProofKind.CutOutReached],
    };

    private static Entry? ProvedBy(ProofKind kind, Entry repair, Timeline timeline, Equipment unit, IReadOnlyList<BenchJudgement> benches)
    {
        var after = timeline.Standing.Where(e => e.At > repair.At).ToList();
        if (after.OfType<ProofEntry>().LastOrDefault(p => p.Kind == kind) is { } said)
            return said;
        return kind switch
        {
            ProofKind.FansRun => FansRunning(after, unit),
            ProofKind.BoxAtTarget => BoxAtTarget(after, unit),
            _ => benches.Select(b => b.ProvedBy(kind, after)).FirstOrDefault(e => e is not null)
                ?? (kind == ProofKind.CoilClear ? CoilSeenClear(after) : null),
        };
    }

    private static ObservationEntry? CoilSeenClear(List<Entry> after) =>
        after.OfType<ObservationEntry>().LastOrDefault(o => o is { Fact: AsFound.Coil, State: FactState.Clear });

    private static ReadingEntry? BoxAtTarget(List<Entry> after, Equipment unit) =>
        after.OfType<ReadingEntry>().LastOrDefault(r => r.Point == MeasuringPoint.BoxAir) is { } box
        && Math.Abs((box.Value.Temperature - unit.Target).Kelvin) <= AtTargetK ? box : null;

    private static ObservationEntry? FansRunning(List<Entry> after, Equipment unit)
    {
        var seen = after.OfType<ObservationEntry>().Where(o => o.Fact == AsFound.EvaporatorFan).ToList();
        var run = Enumerable.Range(1, unit.EvaporatorFans)
            .All(n => seen.FindLast(o => o.Index is null || o.Index == n)?.State == FactState.Running);
        return run ? seen.LastOrDefault() : null;
    }
}
