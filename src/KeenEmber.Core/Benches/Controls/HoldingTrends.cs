using KeenEmber.Core.Findings;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>How the box was held, visit by visit: a run fraction that creeps up points at moisture, ice, a door or a loss of
/// charge.</summary>
public static class HoldingTrends
{
    /// <summary>Name of the trend of the share of time it ran, %.</summary>
    public const string RunPercent = "cycle.run-percent";

    /// <summary>Name of the trend of starts an hour.</summary>
    public const string StartsPerHour = "cycle.starts-per-hour";

    /// <summary>Name of the trend of the mean of cut-in and cut-out, K.</summary>
    public const string MiddleK = "cycle.middle-k";

    /// <summary>One visit's cycles are as good as so much: weather, door use and load of the day differ; %, starts, K.</summary>
    private const double RunOff = 10, StartsOff = 1, MiddleOff = 0.7;

    /// <param name="visits">In any order; those without a whole cycle are left out.</param>
    public static IReadOnlyList<Trend> Of(IReadOnlyList<Timeline> visits)
    {
        var held = visits.Select(v => (Events: ControlsOnRecord.Events(v), Timeline: v)).Where(v => v.Events.Count >= FewestEvents)
            .Select(v => (v.Events[^1].At, Cycle: ControlCycle.Judge(v.Events, null))).OrderBy(v => v.At).ToList();
        (string Code, double Off, Func<CycleResult, double?> Value)[] kinds =
        [
            (RunPercent, RunOff, c => 100 * c.RunFraction), (StartsPerHour, StartsOff, c => c.StartsPerHour),
            (MiddleK, MiddleOff, c => (c.CutInC + c.CutOutC) / 2 + Quantities.Temperature.ZeroCelsiusInKelvin),
        ];
        return [.. kinds.Select(k => new Trend(k.Code, null, Marks(
            [.. held.Where(h => k.Value(h.Cycle) is not null).Select(h => (h.At, k.Value(h.Cycle)!.Value))], k.Off)))
            .Where(t => t.Marks.Count > 1)];
    }

    /// <summary>Cut-in, cut-out and cut-in again make one cycle.</summary>
    private const int FewestEvents = 3;

    private static TrendMark[] Marks(List<(DateTimeOffset At, double Value)> values, double off) =>
        [.. values.Select((v, i) => new TrendMark(v.At, v.Value, off, i > 0 && Math.Abs(v.Value - values[i - 1].Value) > 2 * off))];
}
