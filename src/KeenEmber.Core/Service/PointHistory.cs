using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Service;

/// <summary>One point's value on an earlier visit.</summary>
/// <param name="Moved">True when today's value differs from it by more than meter accuracy; null without a value today.</param>
public sealed record EarlierValue(Visit Visit, TypedValue Value, double Si, bool? Moved);

/// <summary>The same points, visit by visit.</summary>
public static class PointHistory
{
    /// <summary>The last value of every point on each earlier visit, the latest visit first.</summary>
    /// <param name="earlier">Earlier visits of the unit with their timelines.</param>
    /// <param name="today">The latest readings of this visit.</param>
    public static ILookup<MeasuringPoint, EarlierValue> Of(
        IEnumerable<(Visit Visit, Timeline Timeline)> earlier, IReadOnlyDictionary<MeasuringPoint, TakenReading> today) =>
        earlier.OrderByDescending(e => e.Visit.StartedAt)
            .SelectMany(e => e.Timeline.LatestReadings().Values, (e, reading) => (
                reading.Point,
                Value: new EarlierValue(e.Visit, reading.Typed, reading.Si,
                    today.TryGetValue(reading.Point, out var now) ? MeterAccuracy.Differ(reading.Point, now.Si, reading.Si, now.Meter, reading.Meter) : null)))
            .ToLookup(x => x.Point, x => x.Value);
}
