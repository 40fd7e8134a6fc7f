using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>An NTC by its resistance at 25 °C and beta: R = R25·exp(β(1/T - 1/T25)), T in K.</summary>
/// <remarks>IEC 60539-1. With one beta the formula is good to about 1 K within 50 K of 25 °C; a table or three points are better.</remarks>
/// <param name="R25Share">Tolerance of R25, as a share.</param>
/// <param name="BetaShare">Tolerance of beta, as a share.</param>
/// <param name="BendKPerK">What it may be off by for each kelvin from 25 °C besides, because beta is not known where it is used,
/// K/K.</param>
public sealed record BetaCurve(string Code, double R25, double Beta, double R25Share = 0.01, double BetaShare = 0.01, double BendKPerK = 0)
    : SensorCurve(Code)
{
    internal const double T25 = Temperature.ZeroCelsiusInKelvin + 25;

    /// <inheritdoc/>
    public override double SignalAt(double value) => R25 * Math.Exp(Beta * (1 / (value + Temperature.ZeroCelsiusInKelvin) - 1 / T25));

    /// <inheritdoc/>
    public override double ToleranceAt(double value) =>
        double.Hypot(NtcTolerance.At(value, Beta, R25Share, BetaShare), BendKPerK * Math.Abs(value - 25));

    /// <inheritdoc/>
    protected override double Solve(double signal) =>
        signal > 0 ? 1 / (1 / T25 + Math.Log(signal / R25) / Beta) - Temperature.ZeroCelsiusInKelvin : double.NaN;
}

/// <summary>An NTC through three points: 1/T = A + B·ln R + C·(ln R)³.</summary>
/// <remarks>J. S. Steinhart, S. R. Hart, Calibration curves for thermistors, Deep-Sea Research 15 (1968) 497-503. Within 0.05 K over 100 K
/// between its points.</remarks>
public sealed record SteinhartHartCurve(string Code, double A, double B, double C, double R25Share = 0.01, double BetaShare = 0.01)
    : SensorCurve(Code)
{
    /// <summary>Through three points at different temperatures.</summary>
    public static SteinhartHartCurve Through(
        string code, CurvePoint first, CurvePoint second, CurvePoint third, double r25Share = 0.01, double betaShare = 0.01)
    {
        static (double L, double Y) Of(CurvePoint p) => (Math.Log(p.Signal), 1 / (p.Value + Temperature.ZeroCelsiusInKelvin));
        var ((l1, y1), (l2, y2), (l3, y3)) = (Of(first), Of(second), Of(third));
        var (g2, g3) = ((y2 - y1) / (l2 - l1), (y3 - y1) / (l3 - l1));
        var c = (g3 - g2) / (l3 - l2) / (l1 + l2 + l3);
        var b = g2 - c * (l1 * l1 + l1 * l2 + l2 * l2);
        return new(code, y1 - (b + l1 * l1 * c) * l1, b, c, r25Share, betaShare);
    }

    /// <remarks>The cubic in ln R solved in closed form (Cardano).</remarks>
    public override double SignalAt(double value)
    {
        var y = (A - 1 / (value + Temperature.ZeroCelsiusInKelvin)) / (2 * C);
        var x = Math.Sqrt(Math.Pow(B / (3 * C), 3) + y * y);
        return Math.Exp(Math.Cbrt(x - y) - Math.Cbrt(x + y));
    }

    /// <inheritdoc/>
    public override double ToleranceAt(double value)
    {
        var kelvin = value + Temperature.ZeroCelsiusInKelvin;
        return NtcTolerance.At(value, -SlopeAt(value) / SignalAt(value) * kelvin * kelvin, R25Share, BetaShare);
    }

    /// <inheritdoc/>
    protected override double Solve(double signal)
    {
        if (signal <= 0)
            return double.NaN;
        var log = Math.Log(signal);
        var inverse = A + B * log + C * log * log * log;
        return inverse > 0 ? 1 / inverse - Temperature.ZeroCelsiusInKelvin : double.NaN;
    }
}

internal static class NtcTolerance
{
    /// <summary>Tolerance of R25 and of beta brought to kelvin at a temperature: ΔR/R over α = β/T². Both add, as makers' sheets have
    /// it.</summary>
    public static double At(double tempC, double beta, double r25Share, double betaShare)
    {
        var kelvin = tempC + Temperature.ZeroCelsiusInKelvin;
        return (r25Share + betaShare * beta * Math.Abs(1 / kelvin - 1 / BetaCurve.T25)) * kelvin * kelvin / beta;
    }
}
