using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>The sealed circuit, by pressures, temperatures and current.</summary>
public sealed class CircuitBench : IBench
{
    /// <inheritdoc/>
    public string Name => "circuit";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["circuit"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type> { ["standing"] = typeof(StandingEntry) };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var (unit, timeline) = (visit.Unit, visit.Timeline);
        if (unit.Circuit.Refrigerant is not { } refrigerant)
            return new CircuitJudgement(unit, null, null, null, timeline.HasReadings);
        var readings = timeline.LatestReadings();
        var series = visit.Judging.Of("trend", () => CircuitSeries.Analyse(refrigerant, timeline.Samples()), null);
        var standing = visit.Judging.Of("standing pressure", () => StandingOf(unit, visit.Site, timeline), null);
        var input = new CircuitInput(refrigerant, unit.MakeUp, readings) { Series = series, Standing = standing?.Verdict };
        return new CircuitJudgement(
            unit, CircuitCalculation.Analyse(input, visit.Conditions), series, standing,
            timeline.HasReadings)
        {
            IsInDefrost = visit.Conditions.IsInDefrost,
            IsPerhapsInDefrost = visit.Conditions.MayBeInDefrost,
        };
    }

    /// <summary>What the last standing-pressure test of a visit says; null without one.</summary>
    private static StandingResult? StandingOf(Equipment unit, Site site, Timeline timeline)
    {
        if (unit.Circuit.Refrigerant is not { } fluid || timeline.Standing.OfType<StandingEntry>().LastOrDefault() is not { } test)
            return null;
        StandingReading? second = test is { SecondPressure: { } p, SecondTemperature: { } t } ? Of(p, t) : null;
        return StandingPressureTest.Judge(fluid, Of(test.Pressure, test.Temperature), second);

        StandingReading Of(TypedValue pressure, TypedValue temperature) => new(new(pressure.Si(site.Atmosphere)), temperature.Temperature);
    }
}
