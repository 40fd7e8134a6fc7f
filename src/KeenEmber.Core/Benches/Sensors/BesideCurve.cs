namespace KeenEmber.Core.Benches.Sensors;

/// <summary>A good sensor with one and the same resistance beside it: a bad joint in series, or a leak across its leads.</summary>
/// <param name="Alone">Of the sensor by itself; its signal is a resistance.</param>
/// <param name="Ohm">Of what lies beside it, Ω.</param>
public sealed record BesideCurve(SensorCurve Alone, double Ohm, bool IsInSeries) : SensorCurve("beside")
{
    /// <inheritdoc/>
    public override double SignalAt(double value) => Joined(Alone.SignalAt(value), Ohm);

    /// <inheritdoc/>
    public override double ToleranceAt(double value) => Alone.ToleranceAt(value);

    /// <inheritdoc/>
    protected override double Solve(double signal) =>
        Joined(signal, -Ohm) is > 0 and var alone ? Alone.ValueOf(alone) ?? double.NaN : double.NaN;

    /// <summary>What must lie beside the sensor to let so many ohms be measured at a value: too many are in series with it, too few across
    /// it.</summary>
    /// <returns>Null where just its own resistance was measured, or none at all.</returns>
    public static BesideCurve? Through(SensorCurve alone, double signal, double value)
    {
        var own = alone.SignalAt(value);
        var ohm = signal > own ? signal - own : 1 / (1 / signal - 1 / own);
        return ohm > 0 && double.IsFinite(ohm) ? new(alone, ohm, signal > own) : null;
    }

    // Ohms add up in series, siemens across.
    private double Joined(double one, double another) => IsInSeries ? one + another : 1 / (1 / one + 1 / another);
}
