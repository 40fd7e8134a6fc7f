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
    public BenchJudgement Judge(VisitInput visit)
    {
        var tests = visit.Timeline.Standing.OfType<GlycolEntry>().ToList();
        return new GlycolJudgement(
            tests.LastOrDefault(t => t.Percent is not null) is { Percent: { } percent } test ? Check(test, percent, visit.Unit) : null,
            [.. GlycolCircuit.Judge(tests)]);
    }

    private static GlycolResult Check(GlycolEntry test, double percent, Equipment unit) => GlycolCheck.Judge(new(
        test.Kind, percent, unit.Target, test.ColdestSurface?.Temperature,
        CircuitTargets.Of(unit.MakeUp, Load.Settled, unit.Target, null).For(ResultKind.EvaporatorTd)!.Value)
    {
        UpToPercent = test.UpToPercent, Froze = test.Froze == true,
    });
}

/// <summary>What the last test of the mixture says.</summary>
/// <param name="Result">Null without a test.</param>
/// <param name="Circuit">What pump, bath and inhibitors say.</param>
public sealed record GlycolJudgement(GlycolResult? Result, IReadOnlyList<Finding> Circuit) : BenchJudgement
{
    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => Now;

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now => field ??= [.. Circuit, .. Result?.Faults ?? []];
}
