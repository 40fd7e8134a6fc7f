using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using MathNet.Numerics;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>A moment of a curve; for results K of difference or K on the scale.</summary>
public readonly record struct SeriesPoint(DateTimeOffset At, double Value);

/// <param name="From">First sample of it.</param>
/// <param name="To">Last sample of it.</param>
public readonly record struct Stretch(DateTimeOffset From, DateTimeOffset To)
{
    /// <summary>From its first sample to its last.</summary>
    public TimeSpan Length => To - From;
}

/// <summary>The same points logged again and again.</summary>
/// <param name="Measured">What was logged, by point.</param>
/// <param name="Derived">Superheat, subcooling, TD and the two saturation temperatures along the time.</param>
/// <param name="Settled">The stretch up to the last sample in which nothing moves any more; null while it still does.</param>
/// <param name="SlopesKPerMin">How fast each curve that decides it moves at the end; empty while there are too few samples.</param>
public sealed record SeriesAnalysis(
    IReadOnlyDictionary<PointRef, IReadOnlyList<SeriesPoint>> Measured,
    IReadOnlyDictionary<ResultRef, IReadOnlyList<SeriesPoint>> Derived,
    Stretch? Settled, IReadOnlyDictionary<ResultRef, double> SlopesKPerMin, IReadOnlyList<Finding> Findings)
{
    /// <summary>There is enough of it to say whether the system has settled.</summary>
    public bool IsSeries => SlopesKPerMin.Count > 0;

    /// <summary>Something has not settled yet.</summary>
    public bool StillMoves => IsSeries && Settled is null;
}

/// <summary>Reads a series: derived curves, whether it has settled, and what only the time shows.</summary>
/// <remarks>Limits: trade practice for "steady", drawn at what a technician would call no longer moving over ten minutes.</remarks>
public static class CircuitSeries
{
    /// <summary>A stretch must last this long, and hold this many samples, to be called settled.</summary>
    public static readonly TimeSpan ShortestStretch = TimeSpan.FromMinutes(8);

    /// <summary>Fewer of a point say nothing of its course.</summary>
    public const int FewestSamples = 4;

    /// <summary>Between two samples further apart than this nothing is interpolated.</summary>
    public static readonly TimeSpan LongestGap = TimeSpan.FromMinutes(10);

    /// <summary>The beginning of a settled stretch is looked for at this many moments at most; a long series is not settled to the
    /// second.</summary>
    private const int MostCandidates = 60;

    /// <summary>Below this a curve is no longer called drifting, K/min: 1 K in ten minutes.</summary>
    public const double SlowestDriftKPerMin = 0.1;

    /// <summary>Slope, K/min, and spread round that slope, K, up to which a curve counts as steady.</summary>
    private static readonly Dictionary<ResultRef, (double SlopeKPerMin, double SpreadK)> SteadyLimits = new()
    {
        [ResultKind.Evaporating] = (0.15, 2), [ResultKind.Condensing] = (0.25, 4), [ResultKind.SuperheatCoil] = (0.25, 3),
            [ResultKind.Subcooling] = (0.25, 3),
    };

    /// <summary>What the course of the readings says; null while there are too few.</summary>
    public static SeriesAnalysis Analyse(Refrigerant refrigerant, IEnumerable<Sample> samples)
    {
        var measured = samples.GroupBy(s => s.Point)
            .ToDictionary(g => g.Key, g => (IReadOnlyList<SeriesPoint>)[.. g.OrderBy(s => s.At).Select(s => new SeriesPoint(s.At, s.Si))]);
        var derived = Derive(refrigerant, measured);
        var deciding = derived.Where(d => SteadyLimits.ContainsKey(d.Key) && IsLong(d.Value)).ToDictionary(d => d.Key, d => d.Value);
        if (!deciding.ContainsKey(ResultKind.Evaporating))
            return new(measured, derived, null, new Dictionary<ResultRef, double>(), []);
        return new(
            measured, derived, SettledEnd(deciding), deciding.ToDictionary(d => d.Key, d => LastSlope(d.Value)),
            SeriesPatterns.Find(derived));
    }

    private static bool IsLong(IReadOnlyList<SeriesPoint> curve) =>
        curve.Count >= FewestSamples && curve[^1].At - curve[0].At >= ShortestStretch;

    /// <summary>Where a settled stretch gives a mean, that stands for the point; the other points keep their latest reading.</summary>
    public static IReadOnlyDictionary<PointRef, TakenReading> MeansOf(
        Stretch stretch, SeriesAnalysis series, IReadOnlyDictionary<PointRef, TakenReading> latest) =>
            latest.ToDictionary(r => r.Key, r =>
        {
            var inside = series.Measured.TryGetValue(r.Key, out var curve)
                ? curve.Where(p => p.At >= stretch.From && p.At <= stretch.To).ToList() : [];
            return inside.Count >= 2 ? r.Value with { Typed = Mean(inside, r.Key) } : r.Value;
        });

    private static TypedValue Mean(List<SeriesPoint> points, PointRef point) => new(
        point.Kind() == QuantityKind.Temperature ? points.Average(p => p.Value) : Math.Round(points.Average(p => p.Value), 3),
        point.Kind(
            ) switch { QuantityKind.Temperature => Unit.Kelvin, QuantityKind.Pressure => Unit.KilopascalAbsolute, _ => Unit.Ampere });

    private static Dictionary<ResultRef, IReadOnlyList<SeriesPoint>> Derive(
        Refrigerant refrigerant, Dictionary<PointRef, IReadOnlyList<SeriesPoint>> measured)
    {
        var derived = new Dictionary<ResultRef, IReadOnlyList<SeriesPoint>>();
        void Add(ResultRef kind, PointRef first, PointRef? second, Func<double, double, double?> value)
        {
            if (!measured.TryGetValue(first, out var a) || (second is { } s && !measured.ContainsKey(s)))
                return;
            var points = new List<SeriesPoint>();
            foreach (var at in (second is { } other ? a.Concat(measured[other]) : a).Select(p => p.At).Distinct().Order())
            {
                var x = At(a, at);
                var y = second is { } o ? At(measured[o], at) : 0;
                if (x is { } left && y is { } right && value(left, right) is { } v)
                    points.Add(new(at, v));
            }

            derived[kind] = points;
        }

        Add(ResultKind.Evaporating, SuctionPressure, null, (p, _) => refrigerant.DewTemperature(new(p))?.Kelvin);
        Add(ResultKind.Condensing, DischargePressure, null, (p, _) => refrigerant.MidpointTemperature(new(p))?.Kelvin);
        Add(ResultKind.SuperheatCoil, SuctionPressure, SuctionLineCoil, (p, t) =>
            CircuitFormulas.Superheat(refrigerant, new(p), new(t))?.Kelvin);
        Add(ResultKind.SuperheatCompressor, SuctionPressure, SuctionLineCompressor, (p, t) =>
            CircuitFormulas.Superheat(refrigerant, new(p), new(t))?.Kelvin);
        Add(ResultKind.Subcooling, DischargePressure, LiquidLine, (p, t) =>
            CircuitFormulas.Subcooling(refrigerant, new(p), new(t))?.Kelvin);
        Add(ResultKind.EvaporatorTd, SuctionPressure, BoxAir, (p, t) => CircuitFormulas.EvaporatorTd(refrigerant, new(p), new(t))?.Kelvin);
        return derived;
    }

    /// <summary>The curve at a moment, straight between its samples; null outside them and across a gap.</summary>
    private static double? At(IReadOnlyList<SeriesPoint> curve, DateTimeOffset at)
    {
        var (low, high) = (0, curve.Count - 1);
        if (at < curve[low].At || at > curve[high].At)
            return null;
        while (high - low > 1)
        {
            var middle = (low + high) / 2;
            (low, high) = curve[middle].At <= at ? (middle, high) : (low, middle);
        }

        var (before, after) = (curve[low], curve[high]);
        if (at == before.At || at == after.At)
            return at == after.At ? after.Value : before.Value;
        var gap = after.At - before.At;
        return gap > LongestGap ? null : before.Value + (after.Value - before.Value) * ((at - before.At) / gap);
    }

    /// <summary>The longest stretch up to the end in which every deciding curve is steady.</summary>
    private static Stretch? SettledEnd(Dictionary<ResultRef, IReadOnlyList<SeriesPoint>> curves)
    {
        var end = curves.Values.Max(c => c[^1].At);
        Stretch? longest = null;
        var candidates = curves[ResultKind.Evaporating].Select(p => p.At).Where(at => end - at >= ShortestStretch).ToList();
        var step = candidates.Count == 0 ? TimeSpan.Zero : (end - candidates[0]) / MostCandidates;
        foreach (var from in candidates.AsEnumerable().Reverse())
        {
            if (longest is { } found && found.From - from < step)
                continue;
            if (!curves.All(c => IsSteady(c.Value, SteadyLimits[c.Key], from)))
                break;
            longest = new(from, end);
        }

        return longest;
    }

    private static bool IsSteady(IReadOnlyList<SeriesPoint> curve, (double SlopeKPerMin, double SpreadK) limit, DateTimeOffset from)
    {
        var inside = curve.Where(p => p.At >= from).ToList();
        if (inside.Count < FewestSamples)
            return false;
        var (intercept, slope) = Line(inside, from);
        var off = inside.Select(p => p.Value - intercept - slope * (p.At - from).TotalMinutes).ToList();
        return Math.Abs(slope) <= limit.SlopeKPerMin && off.Max() - off.Min() <= limit.SpreadK;
    }

    private static double LastSlope(IReadOnlyList<SeriesPoint> curve)
    {
        var from = curve[^1].At - ShortestStretch;
        var inside = curve.Where(p => p.At >= from).ToList();
        return inside.Count >= 2 && inside[^1].At > inside[0].At ? Line(inside, from).Slope : 0;
    }

    private static (double Intercept, double Slope) Line(List<SeriesPoint> points, DateTimeOffset zero)
    {
        var (intercept, slope) = Fit.Line([.. points.Select(p => (p.At - zero).TotalMinutes)], [.. points.Select(p => p.Value)]);
        return (intercept, slope);
    }
}
