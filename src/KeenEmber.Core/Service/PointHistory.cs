using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Service;

/// <summary>How accurately the usual instruments read.</summary>
/// <remarks>
/// Thermometer: ±0.5 K, the limit of the ice-bath check. Gauge: class 1 (EN 837-1), ±1 % of the reading taken, but not
/// less than ±2 kPa, the width of a pointer. Clamp meter: ±2 % of the reading, but not less than ±0.1 A. Two readings are combined by root sum of squares (GUM, JCGM 100:2008, 5.1.2).
/// </remarks>
public static class MeterAccuracy
{
    public const double ThermometerK = 0.5;
    public const double GaugeShare = 0.01;
    public const double GaugeFloorKpa = 2;
    public const double ClampShare = 0.02;
    public const double ClampFloorA = 0.1;

    /// <summary>Half-width of what one reading may be off by: K, kPa or A.</summary>
    public static double Of(MeasuringPoint point, double si) =>
        point.Kind() switch
        {
            QuantityKind.Temperature => ThermometerK,
            QuantityKind.Pressure => Math.Max(GaugeFloorKpa, GaugeShare * si),
            _ => Math.Max(ClampFloorA, ClampShare * si),
        };

    /// <summary>Whether two readings of a point differ by more than instruments of this kind may.</summary>
    public static bool Differ(MeasuringPoint point, double si, double earlierSi) =>
        Math.Abs(si - earlierSi) > Math.Sqrt(Math.Pow(Of(point, si), 2) + Math.Pow(Of(point, earlierSi), 2));
}

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
                    today.TryGetValue(reading.Point, out var now) ? MeterAccuracy.Differ(reading.Point, now.Si, reading.Si) : null)))
            .ToLookup(x => x.Point, x => x.Value);
}
