using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;

namespace KeenEmber.Web;

/// <summary>Fetches what belongs together and runs the core over it.</summary>
public sealed class VisitDesk(
    VisitStore visits, EquipmentStore equipment, ShopStore shops, RunSeriesStore series, TimeProvider time, IHttpContextAccessor asking, ILogger<VisitDesk> logger)
{
    /// <summary>Clocks that are set by the network step back a little now and then.</summary>
    private static readonly TimeSpan ClockStep = TimeSpan.FromSeconds(2);

    /// <summary>A visit ready to show; null when there is none of that id.</summary>
    public VisitView? Open(Guid id)
    {
        if (visits.Find(id) is not { } visit || equipment.RecordOf(visit.EquipmentId) is not var (record, sites))
            return null;
        var ofUnit = visits.OfEquipment(visit.EquipmentId);
        var entries = visits.EntriesOfEquipment(visit.EquipmentId, [id, .. ofUnit.Where(v => v.StartedAt < visit.StartedAt).Take(1).Select(v => v.Id)]);
        var (now, behind) = NowAfter(entries[id]);
        var judging = new SafeJudging(logger, id, asking.HttpContext?.RequestAborted ?? default);
        var all = ofUnit.Select(v => Judged(v, entries[v.Id], record, sites, now)).ToList();
        var timeline = all.Find(v => v.Visit.Id == id).Timeline;
        var unit = timeline.Unit;
        var site = sites[unit.SiteId];
        var earlier = all.Where(v => v.Visit.StartedAt < visit.StartedAt).ToList();
        var readings = timeline.LatestReadings();
        var course = judging.Of("course", () => SeriesOf(unit, timeline), null);
        var conditions = timeline.ConditionsAt(visit.IsUnderWay(now) ? now : timeline.LastMoment ?? visit.StartedAt);
        return new(visit, unit, site, shops.Get(), timeline, now, conditions, readings, course,
            judging.Of("circuit", () => Analyse(unit, site, timeline, readings, course, conditions), null),
            [.. earlier.Select(e => e.Visit)], judging.Of("history", () => PointHistory.Of(earlier, readings), NoHistory), LastSettings(earlier), all,
            earlier.Count == 0 ? null : judging.Of("last visit", () => BriefingOf(earlier, sites, judging), null), series.Find, judging)
        {
            ClockIsBehind = behind,
        };
    }

    /// <summary>A visit with its timeline, judged by what the unit was when it ended, or is now while it is under way.</summary>
    private static (Visit Visit, Timeline Timeline) Judged(Visit visit, IReadOnlyList<Entry> entries, UnitRecord record, IReadOnlyDictionary<Guid, Site> sites, DateTimeOffset now)
    {
        var end = visit.IsUnderWay(now) ? now : entries.Select(e => e.At).Where(visit.IsUnderWay).Append(visit.StartedAt).Max();
        var unit = record.AsOf(end);
        return (visit, new(entries, unit, sites[unit.SiteId].Atmosphere, record.CircuitSince(end)));
    }

    private static readonly ILookup<MeasuringPoint, EarlierValue> NoHistory = Array.Empty<EarlierValue>().ToLookup(_ => MeasuringPoint.BoxAir);

    /// <summary>Now, or just after the last entry where the machine's clock is behind it: what is written next must not hide behind what was written before.</summary>
    private (DateTimeOffset Now, TimeSpan Behind) NowAfter(IReadOnlyList<Entry> written)
    {
        var now = time.GetUtcNow();
        var last = written.Count == 0 ? now : written.Max(e => e.WrittenAt);
        return last < now ? (now, TimeSpan.Zero) : (last + TimeSpan.FromMilliseconds(1), last - now > ClockStep ? last - now : TimeSpan.Zero);
    }

    /// <summary>The entry that a piece of a line becomes.</summary>
    public static Entry EntryOf(QuickItem item, EntryHeader header) => item switch
    {
        QuickReading r => new ReadingEntry(header, r.Point, r.Value),
        QuickObservation o => new ObservationEntry(header, o.Fact, o.Index, o.State, header.At - o.RunTime),
        QuickNote n => new NoteEntry(header, n.Note, n.Topic),
        _ => throw new ArgumentException("Only what was understood becomes an entry.", nameof(item)),
    };

    /// <summary>Puts entries on record, all or nothing.</summary>
    public void Append(IReadOnlyList<Entry> entries) => visits.Append(entries);

    private Briefing BriefingOf(List<(Visit Visit, Timeline Timeline)> latestFirst, IReadOnlyDictionary<Guid, Site> sites, SafeJudging judging)
    {
        var (visit, timeline) = latestFirst[0];
        var unit = timeline.Unit;
        var site = sites[unit.SiteId];
        List<Timeline> timelines = [.. latestFirst.Select(e => e.Timeline)];
        var run = timeline.Standing.OfType<RunEntry>().LastOrDefault() is { } last
            ? DefrostRuns.Of(timelines, unit, site.Atmosphere, series.Find, time.GetUtcNow(), judging).Single(r => r.Entry.Id == last.Id) : null;
        var analysis = AnalyseAtEnd(unit, site, visit, timeline);
        return Briefing.Of(visit, timeline, analysis, new VisitBenches(timeline, timelines, unit, site.Atmosphere, run, judging).ToExplain(analysis), timelines);
    }

    private static Dictionary<PressureSetting, (Visit, TypedValue)> LastSettings(IEnumerable<(Visit Visit, Timeline Timeline)> latestFirst) =>
        latestFirst.SelectMany(e => e.Timeline.SettingsAsLeft().Values, (e, s) => (s.Setting, e.Visit, s.Value))
            .GroupBy(s => s.Setting).ToDictionary(g => g.Key, g => (g.First().Visit, g.First().Value));

    internal static StandingResult? StandingOf(Equipment unit, Site site, Timeline timeline)
    {
        if (unit.Circuit.Refrigerant is not { } fluid || timeline.Standing.OfType<StandingEntry>().LastOrDefault() is not { } test)
            return null;
        StandingReading? second = test is { SecondPressure: { } p, SecondTemperature: { } t } ? Of(p, t) : null;
        return StandingPressureTest.Judge(fluid, Of(test.Pressure, test.Temperature), second);
        StandingReading Of(TypedValue pressure, TypedValue temperature) => new(new(pressure.Si(site.Atmosphere)), temperature.Temperature);
    }

    private static SeriesAnalysis? SeriesOf(Equipment unit, Timeline timeline) =>
        unit.Circuit.Refrigerant is { } refrigerant ? CircuitSeries.Analyse(refrigerant, timeline.Samples()) : null;

    /// <summary>What a visit's readings said when it ended.</summary>
    private static CircuitAnalysis? AnalyseAtEnd(Equipment unit, Site site, Visit visit, Timeline timeline) => Analyse(
        unit, site, timeline, timeline.LatestReadings(), SeriesOf(unit, timeline), timeline.ConditionsAt(timeline.LastMoment ?? visit.StartedAt));

    private static CircuitAnalysis? Analyse(
        Equipment unit, Site site, Timeline timeline, IReadOnlyDictionary<MeasuringPoint, TakenReading> readings, SeriesAnalysis? series, OperatingConditions conditions) =>
        unit.Circuit.Refrigerant is { } refrigerant
            ? CircuitBench.Analyse(new(refrigerant, unit.MakeUp, readings) { Series = series, Standing = StandingOf(unit, site, timeline)?.Verdict }, conditions)
            : null;
}
