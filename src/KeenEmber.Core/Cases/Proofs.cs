using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>What proves each repair of a visit, filled from its timeline.</summary>
/// <remarks>Trade practice: the repaired function is seen to work and the unit runs through the cycle that used to fail. Only what is seen after the repair counts.</remarks>
public static class Proofs
{
    /// <summary>Box air this close to its target has arrived, K: the usual differential of a box control.</summary>
    public const double AtTargetK = 2;

    /// <summary>Proofs that follow from readings and facts; the others are only seen by somebody who says so.</summary>
    public static bool FillsItself(this ProofKind kind) => kind <= ProofKind.SensorAgrees;

    public static IReadOnlyList<Proof> Of(Timeline timeline, Equipment unit, CircuitAnalysis? analysis) =>
        [.. timeline.Standing.SelectMany(repair => Wanted(repair, unit), (repair, kind) => new Proof(repair, kind, ProvedBy(kind, repair, timeline, unit, analysis)))];

    private static IReadOnlyList<ProofKind> Wanted(Entry entry, Equipment unit) => entry switch
    {
        PartEntry part => Wanted(part.Area, unit),
        ChangeEntry { FoundSo: false, Opens: null } change => Wanted(change.Area, unit),
        RefrigerantEntry => [ProofKind.CircuitJudged],
        SettingEntry { Stage: SettingStage.AsSet } => [ProofKind.CutOutReached, ProofKind.CutInReached],
        _ => [],
    };

    private static IReadOnlyList<ProofKind> Wanted(WorkArea area, Equipment unit) => area switch
    {
        WorkArea.Fans => [ProofKind.FansRun],
        WorkArea.Defrost => [ProofKind.WholeDefrost, ProofKind.CoilClear],
        WorkArea.LimitSwitch => [ProofKind.WholeDefrost],
        WorkArea.Control => [ProofKind.CutOutReached, ProofKind.CutInReached],
        WorkArea.Circuit => [ProofKind.CircuitJudged, ProofKind.BoxAtTarget],
        WorkArea.StartParts or WorkArea.Motor or WorkArea.Power => unit.Circuit.RatedCurrentA is null ? [ProofKind.StartedAgain] : [ProofKind.StartedAgain, ProofKind.CurrentWithinPlate],
        WorkArea.Box => [ProofKind.BoxAtTarget],
        _ => [ProofKind.CutOutReached],
    };

    private static Entry? ProvedBy(ProofKind kind, Entry repair, Timeline timeline, Equipment unit, CircuitAnalysis? analysis)
    {
        var after = timeline.Standing.Where(e => e.At > repair.At).ToList();
        if (after.OfType<ProofEntry>().LastOrDefault(p => p.Kind == kind) is { } said)
            return said;
        ReadingEntry? Last(MeasuringPoint point) => after.OfType<ReadingEntry>().LastOrDefault(r => r.Point == point);
        return kind switch
        {
            ProofKind.FansRun => FansRunning(after, unit),
            ProofKind.CoilClear => (Entry?)after.OfType<FrostEntry>().LastOrDefault(f => f.After && f.Picture == FrostPicture.AllClear)
                ?? (Entry?)after.OfType<ObservationEntry>().LastOrDefault(o => o is { Fact: AsFound.Coil, State: FactState.Clear })
                ?? after.OfType<RunMarkEntry>().LastOrDefault(m => m.Kind == RunMarkKind.SeenClear),
            ProofKind.WholeDefrost => WholeDefrost(after),
            ProofKind.CircuitJudged => Judged(after, analysis),
            ProofKind.CurrentWithinPlate => Last(MeasuringPoint.CompressorCurrent) is { } amps && amps.Value.Si(default) <= unit.Circuit.RatedCurrentA ? amps : null,
            ProofKind.CutOutReached => after.OfType<ControlEventEntry>().LastOrDefault(e => !e.CutsIn),
            ProofKind.CutInReached => after.OfType<ControlEventEntry>().LastOrDefault(e => e.CutsIn),
            ProofKind.BoxAtTarget => Last(MeasuringPoint.BoxAir) is { } box && Math.Abs((box.Value.Temperature - unit.Target).Kelvin) <= AtTargetK ? box : null,
            _ => null,
        };
    }

    /// <summary>A run watched from heat on to heat off and on until nobody needed to watch any more, or one that a logger wrote.</summary>
    private static RunEntry? WholeDefrost(List<Entry> after)
    {
        bool Has(RunEntry run, RunMarkKind kind) => after.OfType<RunMarkEntry>().Any(m => m.Run == run.Id && m.Kind == kind);
        return after.OfType<RunEntry>().LastOrDefault(r => r.Series is not null
            || (Has(r, RunMarkKind.HeatOn) && (Has(r, RunMarkKind.HeatOff) || Has(r, RunMarkKind.HeatOffByHand)) && Has(r, RunMarkKind.Over)));
    }

    private static ObservationEntry? FansRunning(List<Entry> after, Equipment unit)
    {
        var seen = after.OfType<ObservationEntry>().Where(o => o.Fact == AsFound.EvaporatorFan).ToList();
        return Enumerable.Range(1, unit.EvaporatorFans).All(n => seen.FindLast(o => o.Index is null || o.Index == n)?.State == FactState.Running) ? seen.LastOrDefault() : null;
    }

    /// <summary>Superheat and subcooling both count in full, from readings taken after the work.</summary>
    private static Entry? Judged(List<Entry> after, CircuitAnalysis? analysis)
    {
        var results = analysis?.Results.Where(r => r.Kind is ResultKind.SuperheatCoil or ResultKind.Subcooling).ToList() ?? [];
        var basis = results.SelectMany(r => r.Basis).Select(b => b.EntryId).ToHashSet();
        return results.Count > 0 && results.TrueForAll(r => r is { Value: not null, Validity.Level: ValidityLevel.Good }) && basis.All(id => after.Exists(e => e.Id == id))
            ? after.FindLast(e => basis.Contains(e.Id)) : null;
    }
}
