using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What the circuit bench can ask for.</summary>
public enum StepKind
{
    /// <summary>A reading that cannot be so.</summary>
    Recheck,

    /// <summary>A fact of the walk-round.</summary>
    RecordFact,

    /// <summary>Air over the coil.</summary>
    RestoreFans,

    /// <summary>A fact that the thaw would wipe out.</summary>
    NoteBeforeThaw,

    /// <summary>A thaw.</summary>
    ClearCoil,

    /// <summary>Time, until the defrost is over.</summary>
    LetDefrostEnd,

    /// <summary>The reason why the compressor is off.</summary>
    FindWhyStopped,

    /// <summary>Overload, start parts and windings of a compressor that is called and does not start.</summary>
    TestStartParts,

    /// <summary>The control made to call, so that the unit is seen to run.</summary>
    SeeItCall,

    /// <summary>Time, until readings count.</summary>
    WaitToSettle,

    /// <summary>A reading not taken yet.</summary>
    LogPoint,

    /// <summary>A reading that was taken too early.</summary>
    LogAgain,
}

/// <summary>The one thing worth doing next on the circuit.</summary>
/// <param name="Point">For the steps about a reading.</param>
/// <param name="Fact">For <see cref="StepKind.RecordFact"/> and <see cref="StepKind.NoteBeforeThaw"/>.</param>
/// <param name="Unlocks">Results it would give or make count.</param>
/// <param name="Wait">For <see cref="StepKind.WaitToSettle"/>.</param>
public sealed record NextStep(
    StepKind Kind, IReadOnlyList<ResultRef> Unlocks, PointRef? Point = null, AsFound? Fact = null, TimeSpan? Wait = null)
{
    /// <summary>In the order of the job: doubtful entries, a defrost that runs or may run, why a coil is iced, then ice and air, the
    /// call, the facts, time, and only then more readings.</summary>
    /// <returns>Null when the circuit bench has all it can use.</returns>
    public static NextStep? Choose(
        IReadOnlyList<CircuitResult> results, IReadOnlyList<CircuitChallenge> challenges, OperatingConditions now, CircuitInput input)
    {
        var facts = input.MakeUp.Facts;
        ResultRef[] waiting = [.. results.Where(r => r.Value is not null && r.Validity.Level != ValidityLevel.Good).Select(r => r.Ref)];
        if (challenges.Count > 0)
            return new(StepKind.Recheck, waiting, challenges[0].Points[0]);
        if (now.IsInDefrost)
            return new(StepKind.LetDefrostEnd, waiting);
        if (now.MayBeInDefrost)
            return new(StepKind.RecordFact, waiting, Fact: AsFound.Defrost);
        if (now.Coil == FactState.Iced)
            return WhyIced(now, facts) is { } unknown ? new(StepKind.NoteBeforeThaw, waiting, Fact: unknown)
                : new(StepKind.ClearCoil, waiting);
        if (now.AnyFanStopped)
            return new(StepKind.RestoreFans, waiting);
        if (now.Compressor == FactState.Stopped)
            return new(WhenStopped(now), waiting);
        if (UnrecordedFact(now) is { } fact)
            return new(StepKind.RecordFact, waiting, Fact: fact);
        if (now.RunTime < ValidityRules.SettledAfter)
            return new(StepKind.WaitToSettle, waiting, Wait: ValidityRules.SettledAfter - now.RunTime);
        if (now.SinceWork < ValidityRules.SettledAfter)
            return new(StepKind.WaitToSettle, waiting, Wait: ValidityRules.SettledAfter - now.SinceWork);
        if (now.Defrost == FactState.Refrigerating && now.SinceDefrost < ValidityRules.SettledAfterDefrost)
            return new(StepKind.WaitToSettle, waiting, Wait: ValidityRules.SettledAfterDefrost - now.SinceDefrost);
        if (!input.GaugesWanted)
            return now.BoxAboveTarget is null ? new(StepKind.LogPoint, [], MeasuringPoint.BoxAir) : null;
        return AskedReading(results, input.Again) ?? TakenTooEarly(results);
    }

    private static StepKind WhenStopped(OperatingConditions now) => now switch
    {
        { IsNotStarting: true } => StepKind.TestStartParts,
        { IsSatisfied: true } => StepKind.SeeItCall,
        _ => StepKind.FindWhyStopped,
    };

    /// <summary>What would tell why the coil is iced and the thaw wipes out: fans, clock, drain, door; null when all of it is on
    /// record.</summary>
    private static AsFound? WhyIced(OperatingConditions now, IReadOnlyList<AsFound> facts) => now.AnyFanUnrecorded ? AsFound.EvaporatorFan
        : WipedOutByAThaw.Where(f => facts.Contains(f) && now.StateOf(f) is null).Select(f => (AsFound?)f).FirstOrDefault();

    private static readonly AsFound[] WipedOutByAThaw = [AsFound.ClockMotor, AsFound.Drain, AsFound.Door];

    private static AsFound? UnrecordedFact(OperatingConditions now) => now switch
    {
        { AnyFanUnrecorded: true } => AsFound.EvaporatorFan,
        { Coil: null } => AsFound.Coil,
        { Compressor: null, IsOnRack: false } or { Compressor: FactState.Running, RunTime: null } => AsFound.Compressor,
        _ => null,
    };

    /// <summary>The results that faults are told apart by: once they are there, no further reading is asked for.</summary>
    private static readonly ResultKind[] Deciding =
    [
        ResultKind.SuperheatCoil, ResultKind.Subcooling, ResultKind.EvaporatorTd, ResultKind.CondenserSplit,
        ResultKind.CondensingLow, ResultKind.CondensingHigh,
    ];

    /// <summary>The one reading that would unlock the most results at once; ties go to what was measured before the work, then to the
    /// earlier point of the walk.</summary>
    /// <param name="again">Points that were measured before the last work.</param>
    public static NextStep? AskedReading(IReadOnlyList<CircuitResult> results, IReadOnlySet<PointRef>? again = null)
    {
        var open = results.Where(r => r.Missing.Count > 0).ToList();
        var deciding = open.Where(r => Deciding.Contains(r.Kind)).ToList();
        var best = deciding.SelectMany(r => r.Missing).Distinct()
            .OrderByDescending(p => deciding.Count(r => r.Missing.Count == 1 && r.Missing[0] == p))
            .ThenByDescending(p => again?.Contains(p) == true)
            .ThenByDescending(p => open.Count(r => r.Missing.Contains(p)))
            .ThenBy(p => p)
            .Select(p => (PointRef?)p).FirstOrDefault();
        return best is { } point
            ? new(StepKind.LogPoint, [.. open.Where(r => r.Missing.Count == 1 && r.Missing[0] == point).Select(r => r.Ref)], point)
            : null;
    }

    /// <summary>Everything is there and in order now, but some readings were taken before it was: take those again.</summary>
    private static NextStep? TakenTooEarly(IReadOnlyList<CircuitResult> results)
    {
        ReasonCode[] passing =
            [ReasonCode.Defrosting, ReasonCode.JustDefrosted, ReasonCode.FanStopped, ReasonCode.CoilIced, ReasonCode.CompressorOff,
            ReasonCode.ShortRun, ReasonCode.JustWorked, ReasonCode.ReadingsFarApart];
        var early = results.Where(r => r.Validity.Reasons.Any(reason => passing.Contains(reason.Code))).ToList();
        return early.Count == 0 ? null
            : new(StepKind.LogAgain, [.. early.Select(r => r.Ref)], early.SelectMany(r => r.Basis).MinBy(b => b.At)!.Point);
    }
}
