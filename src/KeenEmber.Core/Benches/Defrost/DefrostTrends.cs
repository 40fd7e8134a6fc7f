using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What a coil's defrosts do over its life.</summary>
public static class DefrostTrends
{
    /// <summary>Name of the trend of the heat's length, min.</summary>
    public const string HeatMin = "defrost.heat-min";

    /// <summary>Name of the trend of the over-run, min.</summary>
    public const string HeatAfterClearMin = "defrost.over-run-min";

    /// <summary>Name of the trend of the ice a run melts, kg.</summary>
    public const string IcePerRunKg = "defrost.ice-per-run-kg";

    /// <summary>Name of the trend of the ice of a day, kg.</summary>
    public const string IcePerDayKg = "defrost.ice-per-day-kg";

    /// <summary>Name of the trend of the heaters' current, A.</summary>
    public const string HeaterCurrentA = "defrost.heater-current-a";

    /// <summary>Beginning and end of the heat are known to about this each, min.</summary>
    private const double MinuteAccuracy = 1;

    /// <summary>The clear moment is found to this, min (docs/numbers.md).</summary>
    private const double ClearAccuracyMin = 1.5;

    private static double ClearAccuracy(DefrostResult result) =>
        result.ClearBetween is var (still, clear) ? Math.Max(ClearAccuracyMin, (clear - still) / 2) : ClearAccuracyMin;

    /// <param name="clamped">Currents that were taken in no watched run, in the order of time.</param>
    /// <returns>Only what was there at least twice.</returns>
    public static IReadOnlyList<Trend> Of(IReadOnlyList<WatchedRun> runs, IReadOnlyList<HeaterAmpsEntry> clamped)
    {
        var legs = runs.Select(r => r.Result.Heaters?.Legs.Count ?? 0).Concat(clamped.Select(c => c.Amps.Count)).DefaultIfEmpty(0).Max();
        IEnumerable<Trend> trends =
        [
            new(HeatMin, null, Marks(runs, r => r.Result.Phases.HeatMin, (_, _) => MinuteAccuracy)),
            new(HeatAfterClearMin, null, Marks(runs, r => r.Result.HeatAfterClearMin, (r, _) => ClearAccuracy(r.Result))),
            new(IcePerRunKg, null, Marks(runs, r => r.Result.Ice?.IceKg, (r, _) => r.Result.Ice!.UncertaintyKg)),
            new(IcePerDayKg, null,
                Marks(runs, r => r.Result.Ice?.IceKg * PerDay(r), (r, _) => r.Result.Ice!.UncertaintyKg * PerDay(r)!.Value)),
            .. Enumerable.Range(1, legs).Select(leg => new Trend(HeaterCurrentA, Subject.HeaterLeg(leg), Marks(
                [.. Currents(runs, clamped, leg).OrderBy(c => c.At)], c => c.At, c => c.Amps,
                (_, amps) => InstrumentAccuracy.Of(QuantityKind.Current, amps)))),
        ];
        return [.. trends.Where(t => t.Marks.Count > 1)];
    }

    /// <summary>Defrosts a day, by the schedule that held; null where none is on record.</summary>
    private static int? PerDay(WatchedRun run) => run.Run.SetUp.Starts is { Count: > 0 } starts ? starts.Count : null;

    private static IEnumerable<(DateTimeOffset At, double? Amps)> Currents(
        IReadOnlyList<WatchedRun> runs, IReadOnlyList<HeaterAmpsEntry> clamped, int leg) =>
        runs.Select(r => (r.Run.Start, r.Result.Heaters?.Legs.FirstOrDefault(l => l.Leg == leg)?.MeasuredA))
            .Concat(clamped.Where(c => c.Amps.Count >= leg).Select(c => (c.At, c.Amps[leg - 1])));

    private static List<TrendMark> Marks(
        IReadOnlyList<WatchedRun> runs, Func<WatchedRun, double?> value, Func<WatchedRun, double, double> accuracy) =>
        Marks(runs, r => r.Run.Start, value, accuracy);

    private static List<TrendMark> Marks<T>(
        IReadOnlyList<T> taken, Func<T, DateTimeOffset> at, Func<T, double?> value, Func<T, double, double> accuracy)
    {
        var marks = new List<TrendMark>();
        foreach (var one in taken)
        {
            if (value(one) is not { } v)
                continue;
            var off = accuracy(one, v);
            marks.Add(new(at(one), v, off, marks.Count > 0
                && InstrumentAccuracy.Differ(v, off, marks[^1].Value, marks[^1].Accuracy)));
        }

        return marks;
    }
}
