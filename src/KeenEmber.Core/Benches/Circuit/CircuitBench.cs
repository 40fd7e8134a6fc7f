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

    /// <summary>A box colder than this under its target is not as it should be, K.</summary>
    private const double OvercooledK = 3;

    /// <summary>Evidence of another bench: the control was last seen to call for the compressor.</summary>
    private const string CompressorCalled = "output.compressor-called";

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var (unit, timeline) = (visit.Unit, visit.Timeline);
        if (unit.Circuit.Refrigerant is not { } refrigerant)
            return new CircuitJudgement(unit, null, null, null, timeline.HasReadings);
        var readings = timeline.LatestReadings();
        var series = visit.Judging.Of("trend", () => CircuitSeries.Analyse(refrigerant, timeline.Samples()), null);
        var standing = visit.Judging.Of("standing pressure", () => StandingOf(unit, visit.Site, timeline), null);
        var now = visit.Conditions with { IsCalled = visit.Evidence(CompressorCalled) is > 0 };
        var hasGauges = readings.Keys.Any(p => p.Kind() == QuantityKind.Pressure);
        var gaugesWanted = hasGauges || visit.Policies.Of(Policy.Gauges) == PolicyChoice.GaugesOnEveryCall
            || now is { IsHeld: false, BoxAboveTarget: not null };
        var input = new CircuitInput(refrigerant, unit.MakeUp, readings)
        {
            Series = series, Standing = standing?.Verdict, GaugesWanted = gaugesWanted,
        };
        return new CircuitJudgement(
            unit, CircuitCalculation.Analyse(input, now), series, standing,
            timeline.HasReadings)
        {
            IsInDefrost = visit.Conditions.IsInDefrost,
            IsPerhapsInDefrost = now.MayBeInDefrost,
            IsSatisfied = now.IsSatisfied,
            IsHolding = !gaugesWanted && now is
            {
                BoxAboveTarget.Kelvin: >= -OvercooledK and <= OperatingConditions.HeldWithinK, IsBoxMisread: false,
                Compressor: FactState.Running, Coil: FactState.Clear or FactState.Frosted,
            },
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
