using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Sensors;

/// <param name="Signal">Ω, V, mA or share of the supply.</param>
/// <param name="Value">°C, or kPa gauge for a pressure transducer.</param>
public readonly record struct CurvePoint(double Signal, double Value);

/// <summary>The sensors a refrigeration technician meets, by nominal resistance and slope.</summary>
/// <remarks>
/// The interchangeable NTC kinds go through three points of their published table, which is the same for every maker of the kind; between
/// -40 and +60 °C the
/// rest of the table is met within 0.1 K. Kinds known by beta alone are as good as their beta (see <see cref="BetaCurve"/>).
/// </remarks>
public static class SensorFamilies
{
    /// <summary>Ohms at -40, 0 and 60 °C for 1 Ω at 25 °C of the steep interchangeable kind (β 25/85 about 3977).</summary>
    private static readonly (double Cold, double Zero, double Warm) Steep = (33.655, 3.2660, 0.24880);

    /// <summary>Every curve of the catalogue.</summary>
    public static IReadOnlyList<SensorCurve> All { get; } =
    [
        new BetaCurve("ntc-1k-3528", 1000, 3528),
        new BetaCurve("ntc-2k-3500", 2000, 3500),
        OfRatio("ntc-2252-3977", 2252, Steep),
        OfRatio("ntc-3k-3977", 3000, Steep),
        OfRatio("ntc-5k-3977", 5000, Steep),
        OfRatio("ntc-10k-3977", 10_000, Steep),
        SteinhartHartCurve.Through("ntc-10k-3695", new(239_800, -40), new(29_490, 0), new(2760, 60)),
        SteinhartHartCurve.Through("ntc-10k-3435", new(188_500, -40), new(27_280, 0), new(3020, 60)),
        new BetaCurve("ntc-100k-3950", 100_000, 3950),
        new QuadraticCurve("ptc-1k", 1000, 7.874e-3, 1.874e-5),
        new PlatinumCurve("pt100", 100),
        new PlatinumCurve("pt1000", 1000),
    ];

    /// <summary>The curve of an id; null where none has it.</summary>
    public static SensorCurve? Find(string? code) => All.FirstOrDefault(c => c.Code == code);

    /// <summary>The kinds that have one resistance at one temperature, as somebody knows it of a sensor: "32.7 kΩ in ice".</summary>
    /// <param name="point">°C and Ω; within 2.5 %, what a healthy sensor and a meter may be off by together.</param>
    public static IReadOnlyList<SensorCurve> Through(CurvePoint point) =>
        ThroughAll([point]);

    /// <summary>The kinds that have all of these resistances at their temperatures, each within the same.</summary>
    public static IReadOnlyList<SensorCurve> ThroughAll(IReadOnlyList<CurvePoint> points) =>
        [.. All.Where(c => c.Signal == SignalKind.Ohm
            && points.All(p => Math.Abs(p.Signal / c.SignalAt(p.Value) - 1) <= KnownWithin))];

    private const double KnownWithin = 0.025;

    private static SteinhartHartCurve OfRatio(string code, double r25, (double Cold, double Zero, double Warm) ratio) =>
        SteinhartHartCurve.Through(code, new(r25 * ratio.Cold, -40), new(r25 * ratio.Zero, 0), new(r25 * ratio.Warm, 60));
}

/// <summary>Which curve a sensor has, as it is kept: a family, R25 and beta, or points of a maker's table.</summary>
/// <param name="Family">Code of a family; empty for a curve of its own.</param>
/// <param name="Points">Two or three of a table; the two ends for a transducer.</param>
public sealed record CurveSpec(
    string Family = "", double? R25 = null, double? Beta = null, IReadOnlyList<CurvePoint>? Points = null,
        SignalKind Signal = SignalKind.Ohm, QuantityKind Measures = QuantityKind.Temperature)
{
    /// <summary>What any sensor of the trade has: resistance at 25 °C (Ω), beta (K), and a signal in the unit of its kind.</summary>
    private const double MostR25 = 1e8, LeastBeta = 500, MostBeta = 10_000, MostSignal = 1e9;

    /// <summary>A beta from 25 to 85 °C is 2 to 4 K off at -25 °C for real materials, and one that is typed does not say which it
    /// is.</summary>
    private const double TypedBendKPerK = 0.06;

    /// <summary>No sensor reads a value farther from nought, °C or kPa gauge.</summary>
    private const double MostValue = 30_000;

    /// <summary>Nothing is known of it: what was measured may tell the kind.</summary>
    public bool IsUnknown => this is { Family.Length: 0, R25: null, Points: null, Signal: SignalKind.Ohm };

    /// <summary>Null where it does not say enough, says what no sensor has, or its points run no one way.</summary>
    public SensorCurve? Curve => this switch
    {
        { Family.Length: > 0 } => SensorFamilies.Find(Family),
        { R25: > 0 and <= MostR25, Beta: >= LeastBeta and <= MostBeta } =>
            new BetaCurve("own-beta", R25.Value, Beta.Value, BendKPerK: TypedBendKPerK),
        { Points: { Count: 2 or 3 } points }
            when points.All(p => Math.Abs(p.Signal) <= MostSignal && Math.Abs(p.Value) <= MostValue) =>
            OfPoints([.. points.OrderBy(p => p.Value)]),
        _ => null,
    };

    private SensorCurve? OfPoints(IReadOnlyList<CurvePoint> p)
    {
        var steps = p.Zip(p.Skip(1), (a, b) => (Value: b.Value - a.Value, Signal: Math.Sign(b.Signal - a.Signal))).ToList();
        if (steps.Exists(s => s.Value <= 0 || s.Signal == 0 || s.Signal != steps[0].Signal)
            || (Signal == SignalKind.Ohm && p.Any(x => x.Signal <= 0)))
            return null;
        if (Signal != SignalKind.Ohm)
            return p.Count == 2 ? new LinearCurve("own-transducer", Signal, Measures, p[0], p[1]) : null;
        if (steps[0].Signal > 0)
            return QuadraticCurve.Through("own-table", p);
        return p.Count == 3 ? SteinhartHartCurve.Through("own-table", p[0], p[1], p[2]) : Beta25(p[0], p[1]);
    }

    /// <summary>Beta between two points, and from it the resistance at 25 °C.</summary>
    private static BetaCurve Beta25(CurvePoint a, CurvePoint b)
    {
        double Inverse(CurvePoint p) => 1 / (p.Value + Temperature.ZeroCelsiusInKelvin);
        var beta = Math.Log(a.Signal / b.Signal) / (Inverse(a) - Inverse(b));
        return new("own-table", a.Signal * Math.Exp(beta * (1 / BetaCurve.T25 - Inverse(a))), beta);
    }
}
