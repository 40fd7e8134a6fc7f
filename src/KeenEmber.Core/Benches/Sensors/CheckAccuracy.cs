using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>How well the comparison was made. Half-widths.</summary>
/// <param name="Reference">Of the reference thermometer, K.</param>
/// <param name="SignalShare">Of the meter, as a share of its reading.</param>
/// <param name="Shown">Of the controller's own input and display, K.</param>
/// <param name="LeadOhm">Of the meter's leads, already taken off the signal.</param>
public sealed record CheckAccuracy(
    double Reference = CheckAccuracy.ThermometerK, double SignalShare = 0.01, double Shown = 0.5, double LeadOhm = 0)
{
    /// <summary>Of the thermometer, K.</summary>
    public const double ThermometerK = InstrumentAccuracy.ThermometerK;

    /// <summary>Of the gauge beside a transducer, and of the controller's display of it, kPa: class 1 over 10 bar.</summary>
    public const double PressureKpa = 10;

    /// <summary>Two spots side by side are not one spot, K.</summary>
    public const double SameSpotK = 0.3;

    /// <summary>Something is off when it differs by so many half-widths; less is chance now and then.</summary>
    public const double ClearBy = 1.5;

    /// <summary>How far a healthy sensor may be from the thermometer beside it, by its signal: thermometer, sensor, meter and spot together
    /// (root sum of squares).</summary>
    public double OfSensor(SensorCurve curve, double at) => double.Hypot(
        IsPressure(curve) ? PressureKpa
            : double.Hypot(Reference, SameSpotK), double.Hypot(curve.ToleranceAt(Within(curve, at)), InstrumentError(curve, at)));

    /// <summary>How far the controller may be from what its input's signal stands for.</summary>
    public double OfController(SensorCurve curve, double at) => double.Hypot(OfShown(curve), InstrumentError(curve, at));

    /// <summary>How far a sensor of a family may be from what stands beside its signal, itself good to <paramref name="within"/>,
    /// K.</summary>
    public double OfFamily(SensorCurve family, double at, double within) =>
        double.Hypot(double.Hypot(within, family.ToleranceAt(at)), InstrumentError(family, at));

    /// <summary>Of what a controller shows by this curve, K.</summary>
    public double OfShown(SensorCurve curve) => IsPressure(curve) ? PressureKpa : Shown;

    private double InstrumentError(SensorCurve curve, double at) => curve.InstrumentErrorAt(Within(curve, at), SignalShare, LeadOhm);

    /// <summary>Outside a curve's range its slope says nothing: what somebody typed there is held against its nearer end.</summary>
    private static double Within(SensorCurve curve, double at) => Math.Clamp(at, curve.Range.Low, curve.Range.High);

    private static bool IsPressure(SensorCurve curve) => curve.Measures == QuantityKind.Pressure;

    /// <summary>How far two errors of one sensor, read with the same instruments at two temperatures, may be apart.</summary>
    public double OfTwo(SensorCurve curve, double one, double another) =>
        double.Hypot(
            (IsPressure(curve) ? PressureKpa : Reference) * Math.Sqrt(2),
                double.Hypot(InstrumentError(curve, one), InstrumentError(curve, another)));
}
