using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>What a meter measures at the leads of a sensor.</summary>
public enum SignalKind
{
    /// <summary>Resistance.</summary>
    Ohm,

    /// <summary>Voltage.</summary>
    Volt,

    /// <summary>Current loop, 4 to 20 mA.</summary>
    Milliampere,

    /// <summary>Output of a ratiometric transducer as a share of its supply.</summary>
    Ratio,
}

/// <summary>A signal and the value it stands for, both ways.</summary>
/// <param name="Code">Stable name: "ntc-10k-3435".</param>
public abstract record SensorCurve(string Code)
{
    /// <summary>What all resistance sensors of the trade are used between, °C.</summary>
    public const double ColdestC = -60, WarmestC = 150;

    /// <summary>What it gives.</summary>
    public virtual SignalKind Signal => SignalKind.Ohm;

    /// <summary>Temperature (°C) for all but pressure transducers (kPa gauge).</summary>
    public virtual QuantityKind Measures => QuantityKind.Temperature;

    /// <summary>Where it is meant to be used.</summary>
    public virtual (double Low, double High) Range => (ColdestC, WarmestC);

    /// <summary>The value a signal stands for; null where that is outside <see cref="Range"/> or the signal is none.</summary>
    /// <param name="signal">Ω, V, mA or share of the supply, as <see cref="Signal"/> says.</param>
    public double? ValueOf(double signal)
    {
        var value = Solve(signal);
        return double.IsFinite(value) && value >= Range.Low && value <= Range.High ? value : null;
    }

    /// <summary>The signal at a value; extrapolated outside <see cref="Range"/>.</summary>
    public abstract double SignalAt(double value);

    /// <summary>Half-width of what a healthy sensor of the kind may be off by at a value: K or kPa.</summary>
    public abstract double ToleranceAt(double value);

    /// <summary>How much the signal changes a kelvin (or kPa), by central difference; negative for an NTC.</summary>
    public double SlopeAt(double value) => (SignalAt(value + 0.05) - SignalAt(value - 0.05)) / 0.1;

    /// <summary>The signal falls as it gets warmer.</summary>
    public bool IsFalling => SlopeAt((Range.Low + Range.High) / 2) < 0;

    /// <summary>What a meter's share of reading error, and the resistance of its leads, come to, K (or kPa).</summary>
    /// <param name="share">Accuracy of the meter as a share of the reading.</param>
    /// <param name="leadOhm">Of both leads together, read with their tips shorted.</param>
    public double InstrumentErrorAt(double value, double share, double leadOhm = 0) =>
        (share * Math.Abs(SignalAt(value)) + leadOhm) / Math.Abs(SlopeAt(value));

    /// <summary>How far the meter's own current warms a resistance sensor, K: I²R over the dissipation constant.</summary>
    /// <param name="currentMa">Test current of the meter, mA.</param>
    /// <param name="dissipationMwPerK">About 1 to 2 mW/K in still air for a small bead, 5 and more clamped to metal.</param>
    public double SelfHeatingAt(double value, double currentMa, double dissipationMwPerK) =>
        Signal == SignalKind.Ohm ? currentMa * currentMa * SignalAt(value) / 1000 / dissipationMwPerK : 0;

    /// <returns>The value; NaN where there is none. The range is checked by the caller.</returns>
    protected abstract double Solve(double signal);
}
