using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>What may have gone wrong in typing.</summary>
public enum SensorSlip
{
    /// <summary>Kiloohms typed for ohms.</summary>
    KiloohmForOhm,

    /// <summary>Ohms typed for kiloohms.</summary>
    OhmForKiloohm,

    /// <summary>The thermometer was read in °F.</summary>
    FahrenheitReference,

    /// <summary>The thermometer was read in °C.</summary>
    CelsiusReference,

    /// <summary>The controller was read in °F.</summary>
    FahrenheitShown,

    /// <summary>Shown and thermometer were entered the other way round.</summary>
    SwappedColumns,
}

/// <summary>Finds the likeliest slip behind a comparison that no sensor makes.</summary>
/// <remarks>Nothing is put right by itself: the entry stands as typed and is asked about.</remarks>
public static class SensorSlips
{
    /// <summary>Three readings this far apart are not a bad sensor but a slip, K; real faults are mostly smaller, or open or
    /// short.</summary>
    private const double FarOffK = 14;

    /// <summary>After the slip is undone they must agree within this, K.</summary>
    private const double AgreeK = 3;

    /// <returns>Null when it is plausible as it stands, or when nothing tried makes it so.</returns>
    public static SensorSlip? Find(SensorCurve curve, SensorPoint point)
    {
        if (curve.Measures != QuantityKind.Temperature)
            return null;
        if (curve is not { Signal: SignalKind.Ohm } || point is not { Signal: { } signal })
            return point is { Reference: { } r, Shown: { } c } && Math.Abs(r - c) > FarOffK ? Units(point, null) : null;
        if (!double.IsFinite(signal))
            return null;
        var told = curve.ValueOf(signal);
        double?[] others = [point.Reference, point.Shown];
        bool Fits(double? value) =>
            value is { } v && others.Any(o => o is not null) && others.All(o => o is null || Math.Abs(o.Value - v) <= AgreeK);
        if (Fits(told))
            return null;
        if (Fits(curve.ValueOf(signal * 1000)) || (told is null && others.All(o => o is null) && curve.ValueOf(signal * 1000) is not null))
            return SensorSlip.KiloohmForOhm;
        if (Fits(curve.ValueOf(signal / 1000)) || (told is null && others.All(o => o is null) && curve.ValueOf(signal / 1000) is not null))
            return SensorSlip.OhmForKiloohm;
        if (point is { Reference: { } reference } && curve.ValueOf(reference) is { } turned
            && (Math.Abs(turned - signal) <= AgreeK || (point.Shown is { } s && Math.Abs(turned - s) <= AgreeK)))
            return SensorSlip.SwappedColumns;
        return Units(point, told);
    }

    /// <summary>One of the temperatures in the other unit.</summary>
    private static SensorSlip? Units(SensorPoint point, double? told)
    {
        bool Agree(double? a, double? b) => a is null || b is null || Math.Abs(a.Value - b.Value) <= AgreeK;
        static double Celsius(double f) => (f - 32) / 1.8;
        var (r, c) = (point.Reference, point.Shown);
        var far = (r is not null && told is not null && Math.Abs(r.Value - told.Value) > FarOffK)
            || (c is not null && told is not null && Math.Abs(c.Value - told.Value) > FarOffK)
            || (r is not null && c is not null && Math.Abs(r.Value - c.Value) > FarOffK);
        if (!far)
            return null;
        if (r is { } a && Agree(Celsius(a), told) && Agree(Celsius(a), c) && (told ?? c) is not null)
            return SensorSlip.FahrenheitReference;
        if (r is { } b && Agree(b * 1.8 + 32, told) && Agree(b * 1.8 + 32, c) && (told ?? c) is not null)
            return SensorSlip.CelsiusReference;
        return c is { } shown && told is not null && Agree(Celsius(shown), told) && Agree(Celsius(shown), r) ? SensorSlip.FahrenheitShown
            : null;
    }
}
