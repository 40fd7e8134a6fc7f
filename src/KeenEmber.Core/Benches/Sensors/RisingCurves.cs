using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>Platinum: R = R0(1 + At + Bt² + C(t - 100)t³), the last term under 0 °C only.</summary>
/// <remarks>IEC 60751:2022, 5.2; tolerance class B: ±(0.3 + 0.005|t|) K. Valid from -200 to 850 °C; used here over the range of the
/// trade.</remarks>
public sealed record PlatinumCurve(string Code, double R0) : SensorCurve(Code)
{
    private const double A = 3.9083e-3, B = -5.775e-7, C = -4.183e-12;

    /// <inheritdoc/>
    public override double SignalAt(double value) =>
        R0 * (1 + A * value + B * value * value + (value < 0 ? C * (value - 100) * value * value * value : 0));

    /// <inheritdoc/>
    public override double ToleranceAt(double value) => 0.3 + 0.005 * Math.Abs(value);

    /// <remarks>The quadratic in closed form, then Newton's steps for the term under 0 °C.</remarks>
    protected override double Solve(double signal)
    {
        var t = (-A + Math.Sqrt(A * A - 4 * B * (1 - signal / R0))) / (2 * B);
        for (var i = 0; i < 4 && t < 0; i++)
            t -= (SignalAt(t) - signal) / SlopeAt(t);
        return t;
    }
}

/// <summary>A rising curve of the second order: R = R25(1 + α(t - 25) + β(t - 25)²).</summary>
/// <remarks>Spreading-resistance silicon sensors; α = 7.87·10⁻³ /K and β = 1.874·10⁻⁵ /K² for the usual kind (makers agree on
/// them).</remarks>
/// <param name="Share">Tolerance of R25, as a share.</param>
public sealed record QuadraticCurve(string Code, double R25, double Alpha, double Beta, double Share = 0.01) : SensorCurve(Code)
{
    /// <summary>Through two points (then straight) or three of a maker's table.</summary>
    public static QuadraticCurve Through(string code, IReadOnlyList<CurvePoint> points)
    {
        var c = MathNet.Numerics.Fit.Polynomial([.. points.Select(p => p.Value - 25)], [.. points.Select(p => p.Signal)], points.Count - 1);
        return new(code, c[0], c[1] / c[0], points.Count > 2 ? c[2] / c[0] : 0);
    }

    /// <inheritdoc/>
    public override double SignalAt(double value) => R25 * (1 + Alpha * (value - 25) + Beta * (value - 25) * (value - 25));

    /// <inheritdoc/>
    public override double ToleranceAt(double value) => Share * R25 / Math.Abs(SlopeAt(value));

    /// <inheritdoc/>
    protected override double Solve(double signal)
    {
        var c = 1 - signal / R25;
        return Beta == 0 ? 25 - c / Alpha : 25 + (-Alpha + Math.Sqrt(Alpha * Alpha - 4 * Beta * c)) / (2 * Beta);
    }
}

/// <summary>A transducer: its signal goes straight with what it measures.</summary>
/// <param name="From">Signal and value at the lower end.</param>
/// <param name="To">At the upper end.</param>
/// <param name="Share">Tolerance as a share of the span.</param>
public sealed record LinearCurve(string Code, SignalKind Kind, QuantityKind What, CurvePoint From, CurvePoint To, double Share = 0.01)
    : SensorCurve(Code)
{
    /// <inheritdoc/>
    public override SignalKind Signal => Kind;

    /// <inheritdoc/>
    public override QuantityKind Measures => What;

    /// <inheritdoc/>
    public override (double Low, double High) Range => (From.Value - Slack, To.Value + Slack);

    /// <summary>A little beyond its ends it is still read.</summary>
    private double Slack => 0.02 * (To.Value - From.Value);

    /// <inheritdoc/>
    public override double SignalAt(double value) =>
        From.Signal + (value - From.Value) / (To.Value - From.Value) * (To.Signal - From.Signal);

    /// <inheritdoc/>
    public override double ToleranceAt(double value) => Share * Math.Abs(To.Value - From.Value);

    /// <inheritdoc/>
    protected override double Solve(double signal) =>
        From.Value + (signal - From.Signal) / (To.Signal - From.Signal) * (To.Value - From.Value);
}
