using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>A sensor with what its checks on one visit say.</summary>
/// <param name="Found">From the checks before anything was done about it; null without any.</param>
/// <param name="Now">From the checks since; the same as found while nothing was done.</param>
/// <param name="Slip">The likeliest slip behind its last check; null when it is plausible.</param>
public sealed record CheckedSensor(
    SensorEntry Sensor, ChannelResult? Found, ChannelResult? Now, IReadOnlyList<SensorCheckEntry> Checks,
    IReadOnlyList<SensorRepairEntry> Repairs, SensorSlip? Slip)
{
    /// <summary>What it is called.</summary>
    public string Name => Sensor.Name;

    /// <summary>It was put right and is good since.</summary>
    public bool IsRepaired => Repairs.Count > 0;

    /// <summary>Something was done, and a check since then finds it right.</summary>
    public bool IsProved => IsRepaired && Now is { Result.Verdict: SensorVerdict.Good };
}

/// <summary>The sensors of a unit and what one visit found of them.</summary>
/// <param name="Sensors">In the order in which they were first named.</param>
/// <param name="FoundBoard">All of them together, by the checks before anything was done.</param>
/// <param name="Board">By the checks since.</param>
/// <param name="Found">What was wrong before anything was done.</param>
/// <param name="Now">What is still wrong.</param>
/// <param name="Confirmed">Pairs of warmed sensor and moved channel that bear a swap out, or deny one.</param>
public sealed record UnitSensors(
    IReadOnlyList<CheckedSensor> Sensors, BoardResult FoundBoard, BoardResult Board, IReadOnlyList<Finding> Found,
        IReadOnlyList<Finding> Now, IReadOnlyList<WarmedEntry> Confirmed, bool InstrumentsChecked)
{
    /// <summary>What the visit found, before and after anything was done, each once.</summary>
    public IEnumerable<Finding> Everything => Found.Concat(Now.Where(n => !Found.Any(f => f.Code == n.Code && f.About[0] == n.About[0])));

    /// <summary>What the sensor that controls the box reads too much, K; 0 where it was not checked, or is open or shorted.</summary>
    public double BoxErrorK =>
        Sensors.FirstOrDefault(s => s.Sensor.Role == SensorRole.Box)?.Found?.Result.Error is { } error && double.IsFinite(error) ? error
        : 0;

    /// <summary>What proves each sensor that was put right: a check since then that finds it good.</summary>
    public IEnumerable<Proof> Proofs =>
        Sensors.Where(s => s.IsRepaired).Select(s => new Proof(s.Repairs[^1], ProofKind.SensorAgrees, s.IsProved ? s.Checks[^1] : null));

    /// <summary>Of a unit whose sensors nobody has named.</summary>
    public static readonly UnitSensors None = new([], new([], [], 0), new([], [], 0), [], [], [], true);

    /// <param name="timeline">Of the visit.</param>
    /// <param name="all">Every timeline of the unit up to that visit: what the sensors are.</param>
    public static UnitSensors Of(Timeline timeline, IEnumerable<Timeline> all, Pressure atmosphere)
    {
        var timelines = all.ToList();
        var named = Named(timelines);
        var names = new SensorNames(timelines);
        var checks = timeline.Standing.OfType<SensorCheckEntry>().ToLookup(c => names.Now(c.Sensor));
        var repairs = timeline.Standing.OfType<SensorRepairEntry>().ToLookup(m => names.Now(m.Sensor));
        var meters = InstrumentsOf(timeline);
        var accuracy = new CheckAccuracy(
            meters.Thermometers.Max(m => InstrumentAccuracy.Of(QuantityKind.Temperature, 0, m?.Accuracy)),
                meters.Ohmmeters.Max(m => m?.Accuracy ?? OhmmeterShare));
        var usable = named.Where(CanBeJudged).ToList();
        var found = BoardOf(usable, s => checks[s.Name].Where(c => repairs[s.Name].All(m => c.At < m.At)), accuracy, atmosphere);
        var now = BoardOf(usable, s => checks[s.Name].Where(c => repairs[s.Name].All(m => c.At >= m.At)), accuracy, atmosphere);
        ChannelResult? In(BoardResult board, SensorEntry s) =>
            board.Channels.FirstOrDefault(c => c.Channel.Name == s.Name) is { Channel.Points.Count: > 0 } r ? r : null;
        IReadOnlyList<Guid> Basis(BoardChannel channel) => [.. checks[channel.Name].Select(c => c.Id)];
        return new(
            [.. named.Select(
            s => new CheckedSensor(
            s, In(found, s), In(now, s), [.. checks[s.Name]], [.. repairs[s.Name]], Slip(s, checks[s.Name].LastOrDefault(), atmosphere)))],
            found, now, SensorFindings.Of(found, Basis), SensorFindings.Of(now, Basis), [.. timeline.Standing.OfType<WarmedEntry>()],
            meters.Thermometers.Concat(meters.Ohmmeters).All(m => m is not { IsChecked: false }));
    }

    /// <summary>What an ohmmeter that nobody has named may be off by, as a share of its reading.</summary>
    private const double OhmmeterShare = 0.01;

    /// <summary>What each check was taken with: the meter named before it, never one that was named after; before the first, what it will
    /// be taken with.</summary>
    private static (IReadOnlyList<NamedInstrument?> Thermometers,
        IReadOnlyList<NamedInstrument?> Ohmmeters) InstrumentsOf(Timeline timeline)
    {
        var moments = timeline.Standing.OfType<SensorCheckEntry>().Select(c => c.At).Distinct().DefaultIfEmpty(DateTimeOffset.MaxValue)
            .ToList();
        return (moments.ConvertAll(at => timeline.InstrumentAt(QuantityKind.Temperature, at)),
            moments.ConvertAll(at => timeline.InstrumentAt(QuantityKind.Resistance, at)));
    }

    /// <summary>The last word on every sensor, without those that are gone.</summary>
    public static IReadOnlyList<SensorEntry> Named(IEnumerable<Timeline> all)
    {
        var timelines = all.ToList();
        var names = new SensorNames(timelines);
        return [.. Said(timelines).GroupBy(s => names.Now(s.Name)).Select(g => (First: g.First(), Last: g.Last())).Where(s => !s.Last.Gone)
            .OrderBy(s => s.First.At).ThenBy(s => s.First.Id).Select(s => s.Last)];
    }

    /// <summary>Every word on a sensor, the earliest first.</summary>
    internal static IEnumerable<SensorEntry> Said(IEnumerable<Timeline> all) =>
        all.SelectMany(t => t.Standing).OfType<SensorEntry>().OrderBy(s => s.At).ThenBy(s => s.WrittenAt);

    /// <summary>A check as the bench takes it: °C, Ω (or V, mA, share), °C; pressures in kPa gauge.</summary>
    public static SensorPoint Point(SensorEntry sensor, SensorCheckEntry check, int moment, Pressure atmosphere)
    {
        double? Value(TypedValue? typed)
        {
            if (typed is null)
                return null;
            return typed.Unit.Kind == QuantityKind.Pressure ? new Pressure(typed.Si(atmosphere)).GaugeKpa(atmosphere)
                : typed.Temperature.Celsius;
        }

        double? signal = check.Signal is { } typed ? SignalOf(sensor.Curve.Signal, typed) - (check.LeadOhm?.Si(atmosphere) ?? 0) : null;
        return new(
            Value(check.Reference), check.IsOpen ? double.PositiveInfinity : signal, Value(check.Shown), check.InBath, moment);
    }

    /// <summary>What kind of quantity is measured at the leads of a sensor.</summary>
    public static QuantityKind MeasuredAs(SignalKind signal) => signal switch
    {
        SignalKind.Ohm =>
            QuantityKind.Resistance, SignalKind.Volt =>
            QuantityKind.Voltage, SignalKind.Milliampere => QuantityKind.Current, _ => QuantityKind.Concentration,
    };

    private static double SignalOf(SignalKind kind, TypedValue typed) =>
        typed.Si(default) * kind switch { SignalKind.Milliampere => 1000, SignalKind.Ratio => 0.01, _ => 1 };

    private static BoardResult BoardOf(
        List<SensorEntry> sensors, Func<SensorEntry, IEnumerable<SensorCheckEntry>> checks, CheckAccuracy accuracy, Pressure atmosphere)
    {
        var taken = sensors.ConvertAll(s => (Sensor: s, Checks: checks(s).ToList()));
        var rounds = taken.SelectMany(t => t.Checks).Select(c => c.Round).Distinct().ToList();
        return SensorBoard.Judge([.. taken.Select(t => Channel(t.Sensor,
            [.. t.Checks.Select(c => Point(t.Sensor, c, rounds.IndexOf(c.Round), atmosphere))], t.Sensor.Offset?.Si(atmosphere)))],
                accuracy);
    }

    private static bool CanBeJudged(SensorEntry sensor) => sensor.Curve.Curve is not null || sensor.Curve.IsUnknown;

    /// <summary>A sensor whose kind is not known is of the one kind that its own measurements fit; while none or several do, its ohms say
    /// nothing, and only what is shown is held against the thermometer.</summary>
    private static BoardChannel Channel(SensorEntry sensor, IReadOnlyList<SensorPoint> points, double? offset)
    {
        if (sensor.Curve.Curve is { } known)
            return new(sensor.Name, known, points, offset);
        var measured = points.Where(p => p is { Reference: not null, Signal: { } s } && double.IsFinite(s))
            .Select(p => new CurvePoint(p.Signal!.Value, p.Reference!.Value)).ToList();
        return measured.Count > 0 && SensorFamilies.ThroughAll(measured) is [var only] ? new(sensor.Name, only, points, offset)
            : new(sensor.Name, SensorFamilies.All[0], [.. points.Select(p => p with { Signal = null })], offset);
    }

    private static SensorSlip? Slip(SensorEntry sensor, SensorCheckEntry? check, Pressure atmosphere) =>
        check is not null && sensor.Curve.Curve is { } curve ? SensorSlips.Find(curve, Point(sensor, check, 0, atmosphere)) : null;

    /// <summary>How each sensor's error went over the visits: what the controller works with less the reference.</summary>
    /// <param name="all">Timelines of the unit.</param>
    /// <remarks>The error at its place, which is at like temperatures from visit to visit; that of a bath only where it was not compared at
    /// its place.</remarks>
    /// <returns>A mark for each visit with a check that tells the error; sensors without any are left out.</returns>
    public static IReadOnlyDictionary<string, IReadOnlyList<TrendMark>> Errors(IEnumerable<Timeline> all, Pressure atmosphere)
    {
        var inOrder = all.Where(t => t.LastMoment is not null).OrderBy(t => t.LastMoment).ToList();
        var trends = new Dictionary<string, IReadOnlyList<TrendMark>>();
        var names = new SensorNames(inOrder);
        foreach (var sensor in Named(inOrder).Where(CanBeJudged))
        {
            var marks = new List<TrendMark>();
            foreach (var timeline in inOrder)
            {
                var last = timeline.Standing.OfType<SensorCheckEntry>().Where(c => names.Now(c.Sensor) == sensor.Name)
                    .OrderByDescending(c => c.InBath).Select(c => (c.At, Error: ErrorOf(sensor, Point(sensor, c, 0, atmosphere))))
                    .LastOrDefault(c => c.Error is not null);
                if (last.Error is { } error)
                    marks.Add(
                        new(last.At, error, CheckAccuracy.ThermometerK, marks.Count > 0
                        && InstrumentAccuracy.Differ(error, CheckAccuracy.ThermometerK, marks[^1].Value, marks[^1].Accuracy)));
            }

            if (marks.Count > 0)
                trends[sensor.Name] = marks;
        }

        return trends;
    }

    private static double? ErrorOf(SensorEntry sensor, SensorPoint point) =>
        (point.Shown ?? (point.Signal is { } s ? sensor.Curve.Curve?.ValueOf(s) : null)) - point.Reference;
}
