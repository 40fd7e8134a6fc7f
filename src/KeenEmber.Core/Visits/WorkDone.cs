using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>Work divides a visit: what was read before it tells how the unit was found, and goes with nothing that is read
/// afterwards.</summary>
public static class WorkDone
{
    /// <summary>When work was done on a visit, in the order of time. Closing an open item is none: it puts back what was.</summary>
    public static IEnumerable<DateTimeOffset> Moments(Timeline timeline) => timeline.Standing
        .Where(e => e is IChangesUnit { ChangesUnit: true } and not ClosureEntry).Select(e => e.At).Distinct();

    /// <summary>When the last work was done; null while there was none.</summary>
    public static DateTimeOffset? LastAt(Timeline timeline) => Moments(timeline).Select(m => (DateTimeOffset?)m).LastOrDefault();
}
