using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>An instrument as it was when readings were taken with it.</summary>
/// <param name="Accuracy">Half-width of what it may be off by: K for a thermometer, a share of the reading (0.01 is 1 %) for gauges and
/// clamp meters. Null: what its kind usually has.</param>
/// <param name="IsChecked">It passed its last check, and that was not too long ago.</param>
public sealed record NamedInstrument(Guid Id, string Name, double? Accuracy, bool IsChecked);

/// <summary>How accurately instruments read.</summary>
/// <remarks>
/// Where the instrument is not named: thermometer ±0.5 K, the limit of the ice-bath check; gauge class 1 (EN 837-1), ±1 % of the reading
/// taken,
/// but not less than ±2 kPa, the width of a pointer; clamp meter ±2 % of the reading, but not less than ±0.1 A.
/// Two readings are combined by root sum of squares (GUM, JCGM 100:2008, 5.1.2).
/// </remarks>
public static class InstrumentAccuracy
{
    /// <summary>Of a thermometer of which nothing is known, K.</summary>
    public const double ThermometerK = 0.5;

    /// <summary>Of a gauge of which nothing is known, share of the reading.</summary>
    public const double GaugeShare = 0.01;

    /// <summary>At least this, kPa.</summary>
    public const double GaugeFloorKpa = 2;

    /// <summary>Of a clamp meter of which nothing is known, share of the reading.</summary>
    public const double ClampShare = 0.02;

    /// <summary>At least this, A.</summary>
    public const double ClampFloorA = 0.1;

    /// <summary>Scales and refractometers: 1 % of the reading, trade practice.</summary>
    public const double ScaleShare = 0.01;

    /// <summary>Half-width of what one reading may be off by: K, kPa, A, kg or mass %.</summary>
    /// <param name="accuracy">As in <see cref="NamedInstrument.Accuracy"/>.</param>
    public static double Of(QuantityKind measures, double si, double? accuracy = null) => measures switch
    {
        QuantityKind.Temperature => accuracy ?? ThermometerK,
        QuantityKind.Pressure => Math.Max(GaugeFloorKpa, (accuracy ?? GaugeShare) * Math.Abs(si)),
        QuantityKind.Current => Math.Max(ClampFloorA, (accuracy ?? ClampShare) * Math.Abs(si)),
        _ => (accuracy ?? ScaleShare) * Math.Abs(si),
    };

    /// <summary>Whether two readings of a point differ by more than the two instruments may.</summary>
    public static bool Differ(PointRef point, double si, double earlierSi, NamedInstrument? meter = null,
        NamedInstrument? earlier = null) =>
        Differ(si, Of(point.Kind(), si, meter?.Accuracy), earlierSi, Of(point.Kind(), earlierSi, earlier?.Accuracy));

    /// <param name="accuracy">Half-width of what the reading may be off by, in its own unit; <paramref name="earlierAccuracy"/>
    /// likewise.</param>
    public static bool Differ(double si, double accuracy, double earlierSi, double earlierAccuracy) =>
        Math.Abs(si - earlierSi) > double.Hypot(accuracy, earlierAccuracy);
}
