using KeenEmber.Core.Findings;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Web.Tests.DummyBench;

/// <summary>A strip of paper shut in a door: how wide the gap is that it slips through.</summary>
public sealed record SealEntry(EntryHeader Header, string Side, double GapMm) : Entry(Header);

/// <summary>A bench that no other file of the house has heard of: the gaps of a door seal.</summary>
public sealed class SealBench : IBench
{
    /// <summary>A strip of paper held tight is the trade's test.</summary>
    public const double WidestMm = 0.5;

    public const string Leaks = "seal.leaks";

    public string Name => "seals";

    public IReadOnlyList<string> Speaks { get; } = ["seal"];

    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type> { ["seal"] = typeof(SealEntry) };

    public IReadOnlyList<(string Kind, string Field)> Searched { get; } = [("seal", "side")];

    public BenchJudgement Judge(VisitInput visit) => new SealJudgement([.. visit.Timeline.Standing.OfType<SealEntry>()], visit.UpToHere);
}

public sealed record SealJudgement(IReadOnlyList<SealEntry> Gaps, IReadOnlyList<Timeline> UpToHere) : BenchJudgement
{
    public override IReadOnlyList<Finding> Found => Now;

    public override IReadOnlyList<Finding> Now =>
    [
        .. Gaps.Where(g => g.GapMm > SealBench.WidestMm).Select(g =>
            new Finding(
                SealBench.Leaks, Strength.Strong, [g.Id], new Dictionary<string,
                double> { ["gapMm"] = g.GapMm }) { About = [new(SubjectKind.Component, g.Side)] }),
    ];

    public override IReadOnlyList<BenchTask> Tasks => [.. Now.Select(f => new SealTask(f.About[0].Id))];

    public override IReadOnlyList<Trend> Trends =>
        UpToHere.SelectMany(t => t.Standing).OfType<SealEntry>().OrderBy(s => s.At).ToList() is { Count: > 1 } gaps
        ? [new("seal.gap", null, [.. gaps.Select(g => new TrendMark(g.At, g.GapMm, 0.1, false))])] : [];
}

public sealed record SealTask(string Side) : BenchTask("seals", TaskOrder.BeforeReadings);
