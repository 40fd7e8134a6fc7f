using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Record;

/// <summary>A value at a point and a moment, K, kPa absolute or A.</summary>
public readonly record struct Sample(PointRef Point, DateTimeOffset At, double Si);
