using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Capacitors, windings and supply as they were measured.</summary>
public sealed class ElectricalBench : IBench
{
    /// <inheritdoc/>
    public string Name => "electrical";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["electrical"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>
    {
        ["load-test"] = typeof(LoadTestEntry), ["trace"] = typeof(TraceEntry), ["part-test"] = typeof(PartTestEntry),
        ["part-condition"] = typeof(PartConditionEntry), ["autopsy"] = typeof(AutopsyEntry),
        ["part-kind"] = typeof(PartKindEntry), ["part-note"] = typeof(PartNoteEntry),
        ["diagram"] = typeof(DiagramEntry), ["wire-swap"] = typeof(WireSwapEntry),
    };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit) =>
        new ElectricalJudgement(visit.Timeline, visit.Unit, visit.UpToHere, visit.Policies, visit.Memory);
}

/// <summary>What was measured on a visit, and what of it still holds.</summary>
public sealed record ElectricalJudgement(
    Timeline Timeline, Equipment Unit, IReadOnlyList<Timeline> UpToHere, Policies Policies, IBenchMemory? Memory) : BenchJudgement
{
    /// <summary>The control circuit of the unit.</summary>
    public UnitDiagram Diagram => field ??= UnitDiagram.Of(Timeline, UpToHere, Unit);

    /// <summary>The control circuit as far as it was traced since the last work.</summary>
    public CircuitTrace Trace => Traces[^1];

    /// <summary>Every stretch of tracing: before the first work, between one and the next, and after the last.</summary>
    public IReadOnlyList<CircuitTrace> Traces => field ??= TracesBetween([.. WorkDone.Moments(Timeline)]);

    /// <summary>Parts that were replaced on the visits before: what was touched last is suspected sooner.</summary>
    private HashSet<Component> WorkedOn => [.. UpToHere.Where(t => t != Timeline).Take(1).SelectMany(t => t.Standing).OfType<PartEntry>()
        .Select(p => p.Component).OfType<Component>()];

    private List<CircuitTrace> TracesBetween(IReadOnlyList<DateTimeOffset> work) =>
        [.. Enumerable.Range(0, work.Count + 1).Select(i => new CircuitTrace(Timeline, Diagram.Now, Memory, WorkedOn,
            i > 0 ? work[i - 1] : null, i < work.Count ? work[i] : null))];

    /// <summary>Parts that are being swapped, or were, the latest list of each.</summary>
    public IReadOnlyList<WireSwapEntry> Swaps => field ??= [.. Timeline.Standing.OfType<WireSwapEntry>()
        .GroupBy(s => s.Part).Select(g => g.MaxBy(s => s.At)!)];

    /// <summary>Every part that was tested, in the order of time.</summary>
    public IReadOnlyList<MeasuredPart> Tests => field ??=
        [.. Timeline.Standing.OrderBy(e => e.At).Select(e => MeasuredPart.Of(e, Policies)).OfType<MeasuredPart>()];

    /// <summary>The last test of each kind of each part, until the part is replaced.</summary>
    public IReadOnlyList<MeasuredPart> TestsNow => field ??=
        [.. Tests.GroupBy(t => (t.Component, t.Test.Part)).Select(g => g.Last()).Where(t => !IsReplacedSince(t, Timeline))];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??=
        [.. Tests.Select(t => t.Finding).OfType<Finding>().Concat(Traces.Select(t => t.Finding).OfType<Finding>())
            .Concat(Timeline.Standing.OfType<PartConditionEntry>().Where(d => d.IsOpen).Select(PartDamage.Of))
            .DistinctBy(f => (f.Code, f.About[0], f.Detail))];

    /// <inheritdoc/>
    public override IReadOnlyList<Trend> Trends => field ??= ElectricalTrends.Of(UpToHere, Policies);

    private IEnumerable<Finding> Traced => Trace.Finding is { } traced ? [traced] : [];

    /// <summary>What the last tests say; the grave ones stand first.</summary>
    public override IReadOnlyList<Finding> Now => field ??=
        [.. TestsNow.Concat(Leaking.ExceptBy(TestsNow.Select(t => t.Entry.Id), t => t.Entry.Id)).Select(t => t.Finding)
                .OfType<Finding>().OrderByDescending(PartFindings.IsGrave), .. Traced, .. Damage.Select(PartDamage.Of)];

    /// <summary>Parts that leak to earth by their last test, on whichever visit, and were not replaced since.</summary>
    public IReadOnlyList<MeasuredPart> Leaking => field ??=
        [.. UpToHere.Where(t => t != Timeline).SelectMany(t => t.Standing).Where(IsOfInsulation)
            .Select(e => MeasuredPart.Of(e, Policies)!).Concat(Tests.Where(t => IsOfInsulation(t.Entry)))
            .GroupBy(t => t.Component).Select(g => g.MaxBy(t => t.Entry.At)!)
            .Where(t => t.Result.Verdict == PartVerdict.Unsafe && !UpToHere.Any(v => IsReplacedSince(t, v)))];

    private static bool IsOfInsulation(Entry entry) => entry is PartTestEntry { Test: TestedPart.Insulation };

    /// <summary>Of which kind the unit's parts are, as far as anybody has said: the last word holds until the part is replaced.</summary>
    public IReadOnlyDictionary<Component, string> Kinds => field ??= UpToHere.SelectMany(t => t.Standing).OfType<PartKindEntry>()
        .Where(k => !UpToHere.SelectMany(t => t.Standing).OfType<PartEntry>().Any(p => p.Component == k.Component && p.At > k.At))
        .GroupBy(k => k.Component).ToDictionary(g => g.Key, g => g.MaxBy(k => k.At)!.Kind);

    /// <summary>Damage that is still there.</summary>
    public IReadOnlyList<PartConditionEntry> Damage => field ??= PartDamage.Open(UpToHere);

    /// <summary>Name of the number of parts that leak to earth, for what is said before anything else.</summary>
    public const string UnsafeParts = "electrical.unsafe-parts";

    /// <summary>Name of the number of parts or leads that are rubbed through, and of those that are burnt.</summary>
    public const string RubbedWires = "electrical.rubbed-wires", BurntParts = "electrical.burnt-parts";

    /// <inheritdoc/>
    public override IReadOnlyDictionary<string, double> Evidence => field ??= new Dictionary<string, double>
    {
        [RubbedWires] = Damage.Count(d => d.Condition == PartCondition.Rubbed),
        [BurntParts] = Damage.Count(d => d.Condition == PartCondition.Burnt),
        [UnsafeParts] = Leaking.Count,
    };

    /// <summary>The same test of a part on an earlier visit, or before on this one: what it is marked with need not be typed
    /// again.</summary>
    public PartTestEntry? Before(Component component, TestedPart test) => UpToHere.SelectMany(t => t.Standing)
        .OfType<PartTestEntry>().Where(t => t.Component == component && t.Test == test).MaxBy(t => t.At);

    private static bool IsReplacedSince(MeasuredPart test, Timeline visit) =>
        visit.Standing.OfType<PartEntry>().Any(p => p.At > test.Entry.At && p.Component == test.Component);
}
