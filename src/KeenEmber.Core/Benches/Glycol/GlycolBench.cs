using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Glycol;

/// <summary>The mixture of a chilled circuit.</summary>
public sealed class GlycolBench : IBench
{
    /// <inheritdoc/>
    public string Name => "glycol";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["glycol"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type> { ["glycol"] = typeof(GlycolEntry) };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit) => new GlycolJudgement(
        visit.Timeline.Standing.OfType<GlycolEntry>().LastOrDefault() is { Percent: { } percent } test ? Check(test, percent, visit.Unit)
            : null);

    private static GlycolResult Check(GlycolEntry test, double percent, Equipment unit) => GlycolCheck.Judge(new(
        test.Kind, percent, unit.Target, test.ColdestSurface?.Temperature,
        CircuitTargets.Of(unit.MakeUp, Load.Settled, unit.Target, null).For(ResultKind.EvaporatorTd)!.Value));
}

/// <summary>What the last test of the mixture says.</summary>
/// <param name="Result">Null without a test.</param>
public sealed record GlycolJudgement(GlycolResult? Result) : BenchJudgement
{
    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => Now;

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now => field ??= [.. Result?.Faults ?? []];
}
