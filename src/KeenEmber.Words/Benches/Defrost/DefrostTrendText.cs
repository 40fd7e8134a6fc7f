using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Record;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Defrost;

/// <summary>Runs against each other, and what is followed from run to run, in words.</summary>
public static class DefrostTrendText
{
    /// <summary>What is different between two runs, and whether what was done between had to do with it.</summary>
    /// <param name="what">An entry in a line.</param>
    public static IEnumerable<string> Comparison(RunComparison c, Func<Entry, string> what, UnitText units)
    {
        static string Signed(double v, int decimals, string unit) => $"{(v > 0 ? "+" : "")}{UnitText.Number(v, decimals)} {unit}";
        var done = c.Changes.Select(what).ToList();
        if (c.IsUnchanged is { } same && done.Count > 0)
            yield return same
                ? $"The same within 2 min after: {CircuitText.List(done)}. "
                + $"{(done.Count switch { 1 => "It was not", 2 => "Neither was", _ => "None of them was" })} the cause."
                : $"Different after: {CircuitText.List(done)}.";
        else if (c.IsUnchanged is { } alike)
            yield return alike ? "The same within 2 min; nothing was changed between."
                : "Different, though nothing was put on record between.";
        if (c.HeatMin is { } heat)
            yield return $"Heat {Signed(heat, 0, "min")}, from {DefrostText.Minutes(c.Earlier.Result.Phases.HeatMin!.Value)} to "
                + $"{DefrostText.Minutes(c.Later.Result.Phases.HeatMin!.Value)}.";
        if (c.HeatAfterClearMin is { } over)
            yield return $"Heat after clear {Signed(over, 0, "min")}.";
        if (c.IceKg is { } ice)
            yield return $"Ice {(ice > 0 ? "+" : "")}{units.Weight(ice)}.";
        if (c.PowerKw is { } kw && Math.Abs(kw) >= 0.05)
            yield return $"Heaters {Signed(kw, 2, "kW")}.";
    }

    public static string Name(Trend trend) => trend.Code switch
    {
        DefrostTrends.HeatMin => "heat on",
        DefrostTrends.HeatAfterClearMin => "heat after clear",
        DefrostTrends.IcePerRunKg => "ice melted",
        DefrostTrends.IcePerDayKg => "ice a day",
        DefrostTrends.HeaterCurrentA => $"heater leg {trend.About!.Value.Id}",
        _ => trend.Code,
    };

    /// <summary>A value of a trend.</summary>
    public static string Value(Trend trend, double value, UnitText units) => trend.Code switch
    {
        DefrostTrends.IcePerRunKg or DefrostTrends.IcePerDayKg => units.Weight(value),
        DefrostTrends.HeaterCurrentA => $"{UnitText.Number(value, 1)} A",
        _ => $"{UnitText.Number(value, 0)} min",
    };
}
