using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Circuit;

/// <summary>An instrument as it was when readings were taken with it.</summary>
/// <param name="Accuracy">Half-width of what it may be off by: K for a thermometer, a share of the reading (0.01 is 1 %) for gauges and clamp meters. Null: what its kind usually has.</param>
/// <param name="IsChecked">It passed its last check, and that was not too long ago.</param>
public sealed record Meter(Guid Id, string Name, double? Accuracy, bool IsChecked);

/// <summary>How accurately instruments read.</summary>
/// <remarks>
/// Where the instrument is not named: thermometer ±0.5 K, the limit of the ice-bath check; gauge class 1 (EN 837-1), ±1 % of the reading taken,
/// but not less than ±2 kPa, the width of a pointer; clamp meter ±2 % of the reading, but not less than ±0.1 A.
/// Two readings are combined by root sum of squares (GUM, JCGM 100:2008, 5.1.2).
/// </remarks>
public static class MeterAccuracy
{
    public const double ThermometerK = 0.5;
    public const double GaugeShare = 0.01;
    public const double GaugeFloorKpa = 2;
    public const double ClampShare = 0.02;
    public const double ClampFloorA = 0.1;

    /// <summary>Half-width of what one reading may be off by: K, kPa or A.</summary>
    public static double Of(MeasuringPoint point, double si, Meter? meter = null) =>
        point.Kind() switch
        {
            QuantityKind.Temperature => meter?.Accuracy ?? ThermometerK,
            QuantityKind.Pressure => Math.Max(GaugeFloorKpa, (meter?.Accuracy ?? GaugeShare) * si),
            _ => Math.Max(ClampFloorA, (meter?.Accuracy ?? ClampShare) * si),
        };

    /// <summary>Whether two readings of a point differ by more than the two instruments may.</summary>
    public static bool Differ(MeasuringPoint point, double si, double earlierSi, Meter? meter = null, Meter? earlier = null) =>
        Math.Abs(si - earlierSi) > Math.Sqrt(Math.Pow(Of(point, si, meter), 2) + Math.Pow(Of(point, earlierSi, earlier), 2));
}
