using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
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
                c => c.WantsProof(unit).Where(kind => kind != ProofKind.CircuitJudged || HadGauges(c, timeline)), (repair, kind) =>
                new Proof((Entry)repair, kind, ProvedBy(kind, (Entry)repair, timeline, unit, benches))),
        .. benches.SelectMany(b => b.Proofs),
    ];

    /// <summary>Gauges are not put on for the proof alone: a condenser that was cleaned is judged by the box.</summary>
    private static bool HadGauges(IChangesUnit repair, Timeline timeline) => repair is RefrigerantEntry or PartEntry
        || timeline.Standing.OfType<ReadingEntry>().Any(r => r.Point.Kind() == QuantityKind.Pressure);

    /// <summary>What proves work of an area.</summary>
    public static IReadOnlyList<ProofKind> Wanted(WorkArea area, Equipment unit) => area switch
    {
        WorkArea.Fans => [ProofKind.FansRun],
        WorkArea.Defrost => [ProofKind.WholeDefrost, ProofKind.CoilClear],
        WorkArea.LimitSwitch => [ProofKind.WholeDefrost],
        WorkArea.Control => [ProofKind.CutOutReached, ProofKind.CutInReached],
        // A sealed unit is charged by weight, and every connection of gauges costs it some.
        WorkArea.Circuit when unit.Circuit.Metering == Metering.CapillaryTube => [ProofKind.BoxAtTarget],
        WorkArea.Circuit => [ProofKind.CircuitJudged, ProofKind.BoxAtTarget],
        WorkArea.StartParts or WorkArea.Power when unit.Circuit.RatedCurrentA is { } =>
            [ProofKind.StartedAgain, ProofKind.CurrentWithinPlate],
        WorkArea.StartParts or WorkArea.Power or WorkArea.Motor => [ProofKind.StartedAgain],
        WorkArea.CondenserFan => [ProofKind.CondenserFanRuns],
        WorkArea.Sensor => [ProofKind.SensorAgrees],
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
            ProofKind.CondenserFanRuns => after.OfType<ObservationEntry>().LastOrDefault(o => o.Fact == AsFound.CondenserFan) is
                { State: FactState.Running or FactState.Cycling } fan ? fan : null,
            _ => benches.Select(b => b.ProvedBy(kind, repair, after)).FirstOrDefault(e => e is not null)
                ?? (kind == ProofKind.CoilClear ? CoilSeenClear(after) : null),
        };
    }

    private static ObservationEntry? CoilSeenClear(List<Entry> after) =>
        after.OfType<ObservationEntry>().LastOrDefault(o => o is { Fact: AsFound.Coil, State: FactState.Clear });

    /// <summary>The last reading of every side that was read is near its target.</summary>
    private static ReadingEntry? BoxAtTarget(List<Entry> after, Equipment unit)
    {
        var sides = after.OfType<ReadingEntry>().Where(r => r.Point.Point == MeasuringPoint.BoxAir).GroupBy(r => r.Point.Coil)
            .Select(side => side.Last()).ToList();
        return sides.TrueForAll(r => Math.Abs((r.Value.Temperature - unit.TargetOf(r.Point.Coil)).Kelvin) <= AtTargetK)
            ? sides.LastOrDefault() : null;
    }

    private static ObservationEntry? FansRunning(List<Entry> after, Equipment unit)
    {
        var seen = after.OfType<ObservationEntry>().Where(o => o.Fact == AsFound.EvaporatorFan).ToList();
        var run = Enumerable.Range(1, unit.EvaporatorFans)
            .All(n => seen.FindLast(o => o.Index is null || o.Index == n)?.State == FactState.Running);
        return run ? seen.LastOrDefault() : null;
    }
}
