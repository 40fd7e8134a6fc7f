using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>Something temporary or unfinished that is still there.</summary>
/// <param name="Handover">The last word on why it stays open; null when nobody has given one.</param>
public sealed record OpenItem(ChangeEntry Change, HandoverEntry? Handover)
{
    /// <summary>What was left open.</summary>
    public OpenItemKind Kind => Change.Opens!.Value;

    /// <summary>It is a safety.</summary>
    public bool IsSafety => Kind.IsSafety() || (Kind == OpenItemKind.ControlJumper && OpenItemKinds.NamesASafety(Change.What));

    /// <summary>Since when it is open.</summary>
    public TimeSpan Age(DateTimeOffset now) => now - Change.At;

    /// <summary>It has somebody who looks after it, and the day has not passed.</summary>
    public bool IsLookedAfter(DateOnly today) => Handover is { } h && h.Due >= today;

    /// <summary>What is still open on a unit, across its visits.</summary>
    /// <remarks>A change that was corrected keeps what was said of it before: closures and handovers hold for its first wording.</remarks>
    /// <param name="timelines">All visits of one unit up to the moment asked about, in any order.</param>
    /// <returns>Safety-related first, then the oldest.</returns>
    public static IReadOnlyList<OpenItem> Of(IEnumerable<Timeline> timelines)
    {
        var all = timelines.ToList();
        var standing = all.SelectMany(t => t.Standing).ToList();
        Guid First(Guid change) => all.Aggregate(change, (id, timeline) => timeline.Corrections.RootOf(id));
        var closed = standing.OfType<ClosureEntry>().Select(c => First(c.Item)).ToHashSet();
        var handovers = standing.OfType<HandoverEntry>().GroupBy(h => First(h.Item)).ToDictionary(g => g.Key, g => g.MaxBy(h => h.At));
        return [.. standing.OfType<ChangeEntry>().Where(c => c.Opens is not null && !closed.Contains(First(c.Id)))
            .Select(c => new OpenItem(c, handovers.GetValueOrDefault(First(c.Id))))
            .OrderByDescending(l => l.IsSafety).ThenBy(l => l.Change.At)];
    }

    /// <summary>What stands in the way of signing a visit off: safety-related open items always, others until reason, owner and day are
    /// given on it.</summary>
    public static IReadOnlyList<OpenItem> InTheWay(IReadOnlyList<OpenItem> open, Guid visitId) =>
        [.. open.Where(l => l.IsSafety || l.Handover is not { } h || h.VisitId != visitId)];
}
