using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What the circuit's readings say.</summary>
/// <param name="Analysis">Null when the unit's refrigerant is not in the catalogue, as is <paramref name="Series"/>.</param>
/// <param name="Series">The readings in their course of time.</param>
/// <param name="Standing">The last standing-pressure test; null without one.</param>
public sealed record CircuitJudgement(
    Equipment Unit, CircuitAnalysis? Analysis, SeriesAnalysis? Series, StandingResult? Standing, bool HasReadings) : BenchJudgement
{
    /// <summary>A reading cannot be so: it is checked before anything is made of it.</summary>
    public const string NotPossible = "circuit.reading-not-possible";

    /// <summary>Nothing can be computed for this refrigerant; its name is the finding's detail.</summary>
    public const string UnknownRefrigerant = "circuit.unknown-refrigerant";

    /// <summary>It is in its defrost, and nothing is wrong so far.</summary>
    public const string InDefrost = "circuit.in-defrost";

    /// <summary>The compressor is off and the box is cold enough.</summary>
    public const string Satisfied = "circuit.satisfied";

    /// <summary>The box is at its target and what was seen is as it should be; no pressure was measured, and none need be.</summary>
    public const string Holding = "circuit.holding";

    /// <summary>Fans and compressor stand, and nobody has looked whether that is its defrost.</summary>
    public const string MayBeInDefrost = "circuit.may-be-in-defrost";

    /// <summary>Nothing has been measured yet.</summary>
    public const string NoReadings = "circuit.no-readings";

    /// <summary>Detail of <see cref="MeasureAgain"/> on a visit that has ended.</summary>
    public const string Over = "over";

    /// <summary>Nothing was measured since the last work.</summary>
    public const string MeasureAgain = "circuit.measure-again";

    /// <summary>Some results are not usable yet: how many of how many are.</summary>
    public const string NotEnough = "circuit.not-enough";

    /// <summary>Results lie off target, but in no known pattern.</summary>
    public const string NoKnownFault = "circuit.no-known-fault";

    private IReadOnlyList<Finding> Faults => field ??= Analysis is null ? [] : [.. FaultsOf(Analysis)];

    private static IEnumerable<Finding> FaultsOf(CircuitAnalysis analysis) =>
        analysis.Findings.Where(f => f.Code != CircuitPatterns.WithinTargets);

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??=
    [
        .. AsFound.SelectMany(FaultsOf).Concat(Faults).GroupBy(f => (f.Code, f.About.Count > 0 ? f.About[0] : default))
            .Select(g => g.Last()),
    ];

    /// <summary>What each part of the visit showed before the work that ended it, the earliest first.</summary>
    public IReadOnlyList<CircuitAnalysis> AsFound { get; init; } = [];

    /// <summary>The visit has ended.</summary>
    public bool IsOver { get; init; }

    /// <summary>Work was done on the visit: what was read before it is judged no more.</summary>
    public bool IsWorkedOn { get; init; }

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now =>
        field ??= Analysis is { Challenges.Count: > 0 } ? [Finding.Of(NotPossible), .. Faults] : Faults;

    /// <inheritdoc/>
    public override Finding? Otherwise => field ??= Rest();

    /// <summary>Gauges are on, or the case or the company's policy asks for them.</summary>
    public bool AreGaugesWanted { get; init; } = true;

    /// <summary>Points that were measured before the last work, and not since.</summary>
    public IReadOnlySet<PointRef> Again { get; init; } = new HashSet<PointRef>();

    /// <summary>The reading that is asked for next, whatever else is to be done first; null where none is.</summary>
    public PointRef? AskedPoint => Analysis switch
    {
        null => null,
        { Next: { Kind: StepKind.Recheck or StepKind.LogAgain, Point: { } point } } => point,
        { Next: var next } when !AreGaugesWanted => next?.Point,
        var analysis => NextStep.AskedReading(analysis.Results, Again)?.Point,
    };

    /// <summary>It is in its defrost.</summary>
    public bool IsInDefrost { get; init; }

    /// <summary>It may be in its defrost: see <see cref="OperatingConditions.MayBeInDefrost"/>.</summary>
    public bool IsPerhapsInDefrost { get; init; }

    /// <summary>The box is at its target, and nothing asks for gauges.</summary>
    public bool IsHolding { get; init; }

    /// <summary>The compressor is off because the box is cold enough.</summary>
    public bool IsSatisfied { get; init; }

    private Finding Rest()
    {
        if (Analysis is null)
            return Finding.Of(UnknownRefrigerant) with { Detail = Unit.Circuit.RefrigerantName };
        if (IsInDefrost)
            return Finding.Of(InDefrost);
        if (IsPerhapsInDefrost)
            return Finding.Of(MayBeInDefrost);
        if (IsSatisfied)
            return Finding.Of(Satisfied);
        if (IsHolding)
            return Finding.Of(Holding);
        if (Analysis.Findings is [var sound, ..])
            return sound;
        if (!HasReadings)
            return Finding.Of(NoReadings);
        if (IsWorkedOn && Analysis.Results.All(r => r.Basis.Count == 0))
            return Finding.Of(MeasureAgain) with { Detail = IsOver ? Over : "" };
        var usable = Analysis.Results.Count(r => r.IsUsable);
        return usable == Analysis.Results.Count ? Finding.Of(NoKnownFault)
            : Finding.Of(
                NotEnough) with { Values = new Dictionary<string, double> { ["usable"] = usable, ["of"] = Analysis.Results.Count } };
    }

    /// <inheritdoc/>
    public override bool NeedsAttention => Now.Count > 0 || Unexplained.Count > 0;

    /// <summary>Usable results off their target that what was found does not account for.</summary>
    public IReadOnlyList<CircuitResult> Unexplained => field ??=
        [.. (Analysis?.Results ?? [])
            .Where(r => r is { IsUsable: true, IsPlainTemperature: false, Position: BandPosition.Above or BandPosition.Below })
            .Where(r => !IsExplained(r))];

    /// <summary>By a finding that rests on it, or on the superheat that it begins with.</summary>
    private bool IsExplained(CircuitResult result) => Analysis!.Findings.Any(f => f.Values.ContainsKey(result.Ref.ToString())
        || (result.Kind == ResultKind.SuperheatCompressor && f.Values.ContainsKey(nameof(ResultKind.SuperheatCoil))));

    /// <inheritdoc/>
    public override IReadOnlyDictionary<ResultRef, double> Results => field ??=
        (Analysis?.Results ?? []).Concat(AsFound.Reverse().SelectMany(a => a.Results))
            .Where(r => r is { IsUsable: true, Quantity: ResultQuantity.Difference }).DistinctBy(r => r.Ref)
            .ToDictionary(r => r.Ref, r => r.Value!.Value);

    /// <inheritdoc/>
    public override IReadOnlyList<PointRef> WorthRepeating => field ??=
    [
        .. (Analysis?.Results ?? []).Where(r => r is { IsUsable: true, Position: BandPosition.Above or BandPosition.Below })
            .SelectMany(r => r.Basis).Select(b => b.Point).Distinct().Order(),
    ];

    /// <inheritdoc/>
    public override IReadOnlyList<BenchTask> Tasks => field ??= Analysis?.Next is { } next ? [new CircuitTask(next)] : [];

    /// <inheritdoc/>
    public override Entry? ProvedBy(ProofKind kind, Entry repair, IReadOnlyList<Entry> after) => kind switch
    {
        ProofKind.CircuitJudged => Judged(after),
        ProofKind.CurrentWithinPlate =>
            after.OfType<ReadingEntry>().LastOrDefault(r => r.Point == MeasuringPoint.CompressorCurrent) is { } amps
            && amps.Value.Si(default) <= Unit.Circuit.RatedCurrentA ? amps : null,
        _ => null,
    };

    /// <summary>Superheat and subcooling both count in full, from readings taken after the work.</summary>
    private Entry? Judged(IReadOnlyList<Entry> after)
    {
        var results = Analysis?.Results.Where(r => r.Kind is ResultKind.SuperheatCoil or ResultKind.Subcooling).ToList() ?? [];
        var basis = results.SelectMany(r => r.Basis).Select(b => b.EntryId).ToHashSet();
        var counts = results.Count > 0 && results.TrueForAll(r => r is { Value: not null, Validity.Level: ValidityLevel.Good });
        return counts && basis.All(id => after.Any(e => e.Id == id)) ? after.LastOrDefault(e => basis.Contains(e.Id)) : null;
    }
}

/// <summary>The circuit's own next step.</summary>
public sealed record CircuitTask(NextStep Step) : BenchTask("circuit", OrderOf(Step))
{
    /// <inheritdoc/>
    public override PointRef? Asks => Step.Point;

    /// <inheritdoc/>
    public override bool IsTest => true;

    private static TaskOrder OrderOf(NextStep step) => step.Kind switch
    {
        StepKind.Recheck or StepKind.NoteBeforeThaw or StepKind.RestoreFans or StepKind.ClearCoil or StepKind.LetDefrostEnd
            or StepKind.FindWhyStopped or StepKind.TestStartParts => TaskOrder.BeforeReadings,
        StepKind.RecordFact when step.Fact == AsFound.Defrost => TaskOrder.BeforeReadings,
        _ => TaskOrder.Readings,
    };
}
