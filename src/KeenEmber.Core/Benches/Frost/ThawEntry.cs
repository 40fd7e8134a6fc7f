using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Frost;

/// <summary>With what a coil was thawed. A member keeps its name once an entry was written with it.</summary>
public enum ThawMethod
{
    /// <summary>Warm water.</summary>
    Water,

    /// <summary>Warm air.</summary>
    Air,

    /// <summary>The unit's own defrost, started by hand.</summary>
    Defrost,

    /// <summary>Left off until it had gone.</summary>
    LeftOff,
}

/// <summary>A coil was thawed: a piece of work, after which nothing that was read before goes with what is read.</summary>
/// <param name="Minutes">How long it took, above 0.</param>
/// <param name="IsAllOut">All of the ice is gone, return bends included.</param>
/// <param name="DrainRuns">The melt water ran off; null when nobody looked.</param>
/// <param name="Coil">Which of several, counted from 1.</param>
public sealed record ThawEntry(EntryHeader Header, ThawMethod Method, double Minutes, bool IsAllOut, bool? DrainRuns, int Coil = 1)
    : Entry(Header), IChangesUnit
{
    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => [ProofKind.CoilClear];
}
