using KeenEmber.Core.Findings;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Frost;

/// <summary>Where frost and ice lie on the coil and round it.</summary>
public sealed class FrostBench : IBench
{
    /// <inheritdoc/>
    public string Name => "frost";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["frost"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>
    {
        ["frost"] = typeof(FrostEntry), ["thaw"] = typeof(ThawEntry),
    };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var pictures = visit.Timeline.Standing.OfType<FrostEntry>().ToList();
        return new FrostJudgement(pictures.LastOrDefault(f => !f.After), pictures.LastOrDefault(f => f.After));
    }
}

/// <summary>What the frost pictures of a visit show.</summary>
/// <param name="AsFound">Null where none was drawn, as is <paramref name="AfterTheWork"/>.</param>
public sealed record FrostJudgement(FrostEntry? AsFound, FrostEntry? AfterTheWork) : BenchJudgement
{
    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??= PatternsOf(AsFound);

    /// <summary>What is still there after the work. A picture as found says what was so before anybody could do anything about
    /// it.</summary>
    public override IReadOnlyList<Finding> Now => field ??= PatternsOf(AfterTheWork);

    private static IReadOnlyList<Finding> PatternsOf(FrostEntry? entry) => entry is null ? []
        : [.. FrostPatterns.Find(entry.Picture).Where(f => f.Code != FrostPatterns.Clear).Select(f => f with { Basis = [entry.Id] })];

    /// <inheritdoc/>
    public override Entry? ProvedBy(ProofKind kind, Entry repair, IReadOnlyList<Entry> after) => kind == ProofKind.CoilClear
        ? after.OfType<FrostEntry>().LastOrDefault(f => f.After && f.Picture == FrostPicture.AllClear) : null;
}
