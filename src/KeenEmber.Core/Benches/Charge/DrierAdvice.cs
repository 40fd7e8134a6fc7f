using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What drier a circuit wants by what was opened and found.</summary>
public enum DrierAdvice
{
    /// <summary>Nothing was opened, or the new one is in.</summary>
    None,

    /// <summary>It was opened: a new liquid-line drier.</summary>
    New,

    /// <summary>Water was found in it: a new one now and another when it has run.</summary>
    NewAndAgain,

    /// <summary>The compressor burnt out: an acid drier in liquid and suction line, the suction one out again after it has run.</summary>
    BurnOut,
}

/// <summary>Chooses the drier by what the charge bench knows; a burn-out shows in the compressor that was opened
/// (DrierOfVisit).</summary>
internal static class Driers
{
    /// <param name="standing">Of the visit.</param>
    /// <param name="openedAt">When the circuit was last opened; null where it was not.</param>
    /// <param name="isWet">Its vacuum showed water.</param>
    internal static DrierAdvice Advice(IReadOnlyList<Entry> standing, DateTimeOffset? openedAt, bool isWet)
    {
        if (isWet)
            return DrierAdvice.NewAndAgain;
        return openedAt is null || standing.OfType<PartEntry>().Any(p => p.Component?.Kind == ComponentKind.Drier) ? DrierAdvice.None
            : DrierAdvice.New;
    }
}
