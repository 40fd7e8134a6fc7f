using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>What one bench makes of a visit. Each bench has a record of its own under it, with what its pages show.</summary>
public abstract record BenchJudgement
{
    /// <summary>What the visit found that a cause should account for, put right since or not.</summary>
    public virtual IReadOnlyList<Finding> Found => [];

    /// <summary>What is wrong still, the gravest first.</summary>
    public virtual IReadOnlyList<Finding> Now => [];

    /// <summary>What it says of a unit with nothing wrong; null where it has nothing to say then.</summary>
    public virtual Finding? Otherwise => null;

    /// <summary>Something is not as it should be.</summary>
    public virtual bool NeedsAttention => Now.Count > 0;

    /// <summary>Numbers for other benches, by code: "sensor.box-error-k".</summary>
    public virtual IReadOnlyDictionary<string, double> Evidence => NoEvidence;

    private static readonly Dictionary<string, double> NoEvidence = [];

    /// <summary>What it asks for, the first thing first.</summary>
    public virtual IReadOnlyList<BenchTask> Tasks => [];

    /// <summary>Repairs of a kind that only this bench knows, with what proves them.</summary>
    public virtual IReadOnlyList<Proof> Proofs => [];

    /// <summary>The entry that proves a repair; null where none of this bench does.</summary>
    /// <param name="after">What stands from after the repair.</param>
    public virtual Entry? ProvedBy(ProofKind kind, Entry repair, IReadOnlyList<Entry> after) => null;

    /// <summary>Points to take again first on the next visit: what rests on them was off its target.</summary>
    public virtual IReadOnlyList<PointRef> WorthRepeating => [];

    /// <summary>Usable results in K, whose creep from visit to visit is watched.</summary>
    public virtual IReadOnlyDictionary<ResultRef, double> Results => NoResults;

    private static readonly Dictionary<ResultRef, double> NoResults = [];

    /// <summary>What it measures, visit by visit, over the visits up to this one.</summary>
    public virtual IReadOnlyList<Trend> Trends => [];
}
