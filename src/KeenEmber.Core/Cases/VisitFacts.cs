using System.Text.RegularExpressions;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>What is on record of a visit, as the diagnosis takes it: only what was seen since the last work, which speaks of the unit as
/// it is now.</summary>
public static class VisitFacts
{
    /// <summary>What is known now; of two with one code the later holds.</summary>
    public static IReadOnlyList<Fact> Of(VisitCase visit) =>
        [.. Complained(visit.Visit.Complaint), .. Looked(visit), .. Measured(visit), .. Told(visit)];

    /// <summary>Dangers that were seen on the visit and not seen to be over: work alone takes none of them away.</summary>
    public static IReadOnlyList<Danger> DangersOf(VisitCase visit) => Dangers.Of([.. visit.Timeline.Standing.OrderBy(e => e.At)
        .Select(e => e switch
        {
            ObservationEntry look when FactsOfRecord.Looks.TryGetValue((look.Fact, look.State), out var fact) =>
                new Fact(fact.Code, fact.Answer),
            DiagnosisFactEntry { Cannot: false } told => new Fact(told.Observable, told.Answer, told.Number),
            _ => null,
        }).OfType<Fact>()]);

    /// <summary>What was said not to be had now.</summary>
    public static IReadOnlySet<string> CannotNow(VisitCase visit) =>
        SinceWork(visit).OfType<DiagnosisFactEntry>().Where(e => e.Cannot).Select(e => e.Observable).ToHashSet();

    /// <summary>Parts that were worked on at earlier visits.</summary>
    public static IReadOnlyList<EarlierWork> History(VisitCase visit) =>
        [.. visit.AllVisits.Where(v => v.Visit.StartedAt < visit.Visit.StartedAt).Select(v => new EarlierWork(
            (visit.Visit.StartedAt - v.Visit.StartedAt).TotalDays,
            [.. v.Timeline.Standing.OfType<PartEntry>().Select(p => Code(p.Component?.Kind)).OfType<string>()
                .Concat(v.Timeline.Standing.OfType<RefrigerantEntry>().Select(_ => "refrigerant"))],
            [.. v.Timeline.Standing.OfType<PartEntry>().Select(p => Code(p.Component?.Kind)).OfType<string>()]))];

    private static string? Code(ComponentKind? kind) => kind is { } known ? PartCodes.Of(known) : null;

    private static IEnumerable<Fact> Complained(string complaint) => FactsOfRecord.Complaints
        .Where(c => c.Words.Any(w => Regex.IsMatch(complaint, $@"\b{Regex.Escape(w)}", RegexOptions.IgnoreCase)))
        .Select(c => new Fact(c.Code, "yes"));

    private static IEnumerable<Entry> SinceWork(VisitCase visit) =>
        visit.Timeline.Standing.Where(e => visit.LastWork is not { } work || e.At > work);

    private static IEnumerable<Fact> Looked(VisitCase visit)
    {
        var seen = SinceWork(visit).OfType<ObservationEntry>().ToList();
        foreach (var look in seen)
        {
            if (FactsOfRecord.Looks.TryGetValue((look.Fact, look.State), out var fact))
                yield return new(fact.Code, fact.Answer);
        }

        if (FansOf(visit, seen) is { } fans)
            yield return new("fans", fans);
        // As long as nothing was done, what was found is so still; afterwards only what benches say of now.
        foreach (var finding in visit.LastWork is null ? visit.Found : visit.Faults)
        {
            if (FactsOfRecord.Found.TryGetValue(finding.Code, out var fact))
                yield return new(fact.Code, fact.Answer);
        }

        if (seen.FindLast(o => o.Fact == AsFound.Coil) is { } coil)
            yield return new("coil", coil.State switch { FactState.Iced => "iced", FactState.Frosted => "frost", _ => "clear" });
    }

    /// <summary>Null until every fan was seen.</summary>
    private static string? FansOf(VisitCase visit, List<ObservationEntry> seen)
    {
        var states = Enumerable.Range(1, visit.Equipment.EvaporatorFans)
            .Select(n => seen.FindLast(o => o.Fact == AsFound.EvaporatorFan && (o.Index is null || o.Index == n))?.State).ToList();
        if (states.Count == 0 || states.Contains(null))
            return null;
        return states.Count(s => s == FactState.Stopped) switch
        {
            0 => "all-run",
            var stopped => stopped == states.Count ? "all-stopped" : "one-stopped",
        };
    }

    private static IEnumerable<Fact> Measured(VisitCase visit)
    {
        if (visit.Readings.TryGetValue(MeasuringPoint.BoxAir, out var box) && !visit.IsBeforeWork(box))
            yield return new("box", "", box.Si - visit.Equipment.Target.Kelvin);
        if (visit.DisplayOff is { } off)
            yield return new("display", "", off);
        foreach (var sensor in visit.Of<SensorsJudgement>()?.Unit.Sensors ?? [])
        {
            if (sensor.Now?.Result.Error is { } error && double.IsFinite(error) && CodeOf(sensor.Sensor.Role) is { } probe)
                yield return new(probe, "", error);
        }

        foreach (var (result, value) in visit.Results)
        {
            if (result.Coil == 1 && FactsOfRecord.Results.TryGetValue(result.Kind, out var code))
                yield return new(code, "", value);
        }

        foreach (var test in SinceWork(visit).OfType<LoadTestEntry>())
        {
            if (test.Test == LoadTest.Capacitance && test.Marked?.Si(default) is > 0 and var marked && CapacitorOf(test) is { } code)
                yield return new(code, "", 100 * test.Readings[0].Value.Si(default) / marked);
            if (test is { Test: LoadTest.Windings, Component.Kind: ComponentKind.Compressor } && WindingsOf(test) is { } windings)
                yield return new("windings", windings);
        }
    }

    private static string? CodeOf(SensorRole role) => role switch
    {
        SensorRole.Box => "box-probe.error",
        SensorRole.DefrostEnd => "end-probe.error",
        _ => null,
    };

    /// <summary>Null for resistances that do not add up: they are measured again before they speak.</summary>
    private static string? WindingsOf(LoadTestEntry test) => LoadTests.Judge(test)?.Code switch
    {
        null => "sound",
        LoadTests.WindingShorted => "shorted",
        _ => null,
    };

    private static string? CapacitorOf(LoadTestEntry test) => test.Component.Kind switch
    {
        ComponentKind.RunCapacitor => "run-cap",
        ComponentKind.StartCapacitor => "start-cap",
        ComponentKind.CondenserFanCapacitor => "condfan-cap",
        _ => null,
    };

    private static IEnumerable<Fact> Told(VisitCase visit) => SinceWork(visit).OfType<DiagnosisFactEntry>().Where(e => !e.Cannot)
        .Select(e => new Fact(e.Observable, e.Answer, e.Number));
}
