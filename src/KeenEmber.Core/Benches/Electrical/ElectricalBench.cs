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
        ["load-test"] = typeof(LoadTestEntry), ["trace"] = typeof(TraceEntry),
    };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit) => new ElectricalJudgement(visit.Timeline, visit.Unit, visit.UpToHere);
}

/// <summary>What was measured on a visit, and what of it still holds.</summary>
public sealed record ElectricalJudgement(Timeline Timeline, Equipment Unit, IReadOnlyList<Timeline> UpToHere) : BenchJudgement
{
    /// <summary>The control circuit as far as it was traced.</summary>
    public CircuitTrace Trace => field ??= new(Timeline, Unit);

    /// <summary>Every test, in the order of time.</summary>
    public IReadOnlyList<LoadTestEntry> Tests => field ??= [.. Timeline.Standing.OfType<LoadTestEntry>().OrderBy(t => t.At)];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??= [.. Tests.Select(LoadTests.Judge).OfType<Finding>()
        .Concat(Traced).DistinctBy(f => (f.Code, f.About[0]))];

    /// <inheritdoc/>
    public override IReadOnlyList<Trend> Trends => field ??= ElectricalTrends.Of(UpToHere);

    private IEnumerable<Finding> Traced => Trace.Finding is { } traced ? [traced] : [];

    /// <summary>The last test of each part holds, until the part is replaced; what burns out a motor stands first.</summary>
    public override IReadOnlyList<Finding> Now => field ??=
    [
        .. Tests.GroupBy(t => (t.Component, t.Test)).Select(g => g.Last()).Where(t => !IsReplacedSince(t)).Select(LoadTests.Judge)
            .OfType<Finding>().OrderByDescending(f => f.Code is LoadTests.LegLost or LoadTests.WindingShorted),
        .. Traced,
    ];

    private bool IsReplacedSince(LoadTestEntry test) =>
        Timeline.Standing.OfType<PartEntry>().Any(p => p.At > test.At && p.Component == test.Component);
}
