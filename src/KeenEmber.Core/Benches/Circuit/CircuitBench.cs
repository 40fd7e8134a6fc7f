using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
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

    /// <summary>A standing pressure says nothing more of a unit that was worked on or has run since.</summary>
    private static bool IsOver(Timeline timeline, DateTimeOffset? work) =>
        timeline.Standing.OfType<StandingEntry>().LastOrDefault() is { } test && (test.At < work
            || timeline.Standing.OfType<ObservationEntry>().Any(
                o => o is { Fact: AsFound.Compressor, State: FactState.Running } && o.At > test.At));

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
        var work = WorkDone.LastAt(timeline);
        var readings = timeline.LatestReadings().Where(r => work is null || r.Value.At >= work)
            .ToDictionary(r => r.Key, r => r.Value with { Conditions = r.Value.Conditions with { SinceWork = r.Value.At - work } });
        var series = visit.Judging.Of(
            "trend", () => CircuitSeries.Analyse(refrigerant, timeline.Samples().Where(s => work is null || s.At >= work)), null);
        var standing = visit.Judging.Of("standing pressure", () => StandingOf(unit, visit.Site, timeline), null);
        var now = visit.Conditions with
        {
            IsCalled = visit.Evidence(CompressorCalled) is > 0,
            SinceWork = (visit.Visit.IsUnderWay(visit.Now) ? visit.Now : timeline.LastMoment) - work,
        };
        var hasGauges = timeline.LatestReadingEntries().Any(r => r.Point.Kind() == QuantityKind.Pressure);
        var gaugesWanted = hasGauges || visit.Policies.Of(Policy.Gauges) == PolicyChoice.GaugesOnEveryCall
            || now is { IsHeld: false, BoxAboveTarget: not null };
        var input = new CircuitInput(refrigerant, unit.MakeUp, readings)
        {
            Series = series, Standing = IsOver(timeline, work) ? null : standing?.Verdict, GaugesWanted = gaugesWanted,
            Again = timeline.LatestReadingEntries().Select(r => r.Point).Except(readings.Keys).ToHashSet(),
        };
        return new CircuitJudgement(
            unit, CircuitCalculation.Analyse(input, now), series, standing,
            timeline.HasReadings)
        {
            AsFound = visit.Judging.Of<IReadOnlyList<CircuitAnalysis>>("as found", () => FoundIn(visit, refrigerant), []),
            IsWorkedOn = work is not null,
            IsOver = !visit.Visit.IsUnderWay(visit.Now),
            AreGaugesWanted = gaugesWanted,
            Again = input.Again,
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

    /// <summary>What each part of the visit showed before the work that ended it, where anything was read in it.</summary>
    private static List<CircuitAnalysis> FoundIn(VisitInput visit, Refrigerant refrigerant)
    {
        var analyses = new List<CircuitAnalysis>();
        var from = DateTimeOffset.MinValue;
        foreach (var work in WorkDone.Moments(visit.Timeline))
        {
            var part = visit.Timeline.Before(work);
            var readings = part.LatestReadings().Where(r => r.Value.At >= from).ToDictionary(r => r.Key, r => r.Value);
            var standing = part.Standing.OfType<StandingEntry>().Any(s => s.At >= from) ? StandingOf(visit.Unit, visit.Site, part) : null;
            if (part.LastMoment is { } end && end >= from)
            {
                var series = CircuitSeries.Analyse(refrigerant, part.Samples().Where(s => s.At >= from));
                var input = new CircuitInput(refrigerant, visit.Unit.MakeUp, readings) { Series = series, Standing = standing?.Verdict };
                // As it was while it was measured: what is noted last may be the result of the work already.
                var moment = readings.Count > 0 ? readings.Values.Max(r => r.At) : end;
                analyses.Add(CircuitCalculation.Analyse(input, part.ConditionsAt(moment)));
            }

            from = work;
        }

        return analyses;
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
