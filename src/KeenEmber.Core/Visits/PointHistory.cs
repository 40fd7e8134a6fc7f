using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>One point's value on an earlier visit.</summary>
/// <param name="Moved">True when today's value differs from it by more than meter accuracy; null without a value today.</param>
public sealed record EarlierValue(Visit Visit, TypedValue Value, double Si, bool? Moved);

/// <summary>The same points, visit by visit.</summary>
public static class PointHistory
{
    /// <summary>The last value of every point on each earlier visit, the latest visit first.</summary>
    /// <param name="earlier">Earlier visits of the unit with their timelines.</param>
    /// <param name="today">The latest readings of this visit.</param>
    public static ILookup<PointRef, EarlierValue> Of(
        IEnumerable<(Visit Visit, Timeline Timeline)> earlier, IReadOnlyDictionary<PointRef, TakenReading> today) =>
        earlier.OrderByDescending(e => e.Visit.StartedAt)
            .SelectMany(e => e.Timeline.LatestReadingEntries(), (e, reading) => (Entry: e, Reading: reading, Si: e.Timeline.Si(reading)))
            .Select(x => (
                x.Reading.Point,
                Value: new EarlierValue(x.Entry.Visit, x.Reading.Value, x.Si,
                    today.TryGetValue(x.Reading.Point, out var now)
                        ? InstrumentAccuracy.Differ(x.Reading.Point, now.Si, x.Si, now.Instrument,
                            x.Entry.Timeline.InstrumentOf(x.Reading)) : null)))
            .ToLookup(x => x.Point, x => x.Value);
}
