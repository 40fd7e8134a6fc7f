using KeenEmber.Core.Circuit;
using KeenEmber.Core.Controls;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web;

/// <summary>A unit with how its latest visit left it, for the start page.</summary>
public sealed record UnitState(Equipment Equipment, Site Site, Visit? Latest, CircuitAnalysis? Analysis, string Stands, bool NeedsAttention, bool IsUnderWay)
{
    /// <summary>What is still open on the unit, whichever visit left it.</summary>
    public IReadOnlyList<OpenLoop> Loops { get; init; } = [];

    /// <summary>The day its latest visit promised to look again; null when it promised none.</summary>
    public DateOnly? FollowUp { get; init; }
}

/// <summary>Fetches what belongs together and runs the core over it.</summary>
public sealed class VisitDesk(VisitStore visits, EquipmentStore equipment, ShopStore shops, TimeProvider time)
{
    /// <summary>A visit ready to show; null when there is none of that id.</summary>
    public VisitView? Open(Guid id)
    {
        if (visits.Find(id) is not { } visit || equipment.Find(visit.EquipmentId) is not var (unit, site))
            return null;
        var now = time.GetUtcNow();
        var entries = visits.EntriesOfEquipment(unit.Id);
        var all = visits.OfEquipment(unit.Id).Select(v => (Visit: v, Timeline: new Timeline([.. entries[v.Id]], unit, site.Atmosphere))).ToList();
        var timeline = all.Find(v => v.Visit.Id == id).Timeline;
        var earlier = all.Where(v => v.Visit.StartedAt < visit.StartedAt).ToList();
        var readings = timeline.LatestReadings();
        var series = SeriesOf(unit, timeline);
        var conditions = timeline.ConditionsAt(visit.IsUnderWay(now) ? now : timeline.LastMoment ?? visit.StartedAt);
        return new(visit, unit, site, shops.Get(), timeline, now, conditions, readings, series, Analyse(unit, site, timeline, readings, series, conditions),
            [.. earlier.Select(e => e.Visit)], PointHistory.Of(earlier, readings), LastSettings(earlier), [.. all.Select(v => v.Timeline)],
            earlier.Count == 0 ? null : BriefingOf(unit, site, earlier));
    }

    /// <summary>The timeline entry that a piece of a line becomes, as of now.</summary>
    public static TimelineEntry EntryOf(QuickItem item, VisitView view, Guid id)
    {
        var (visit, now) = (view.Visit, view.Now);
        return item switch
        {
            QuickReading r => new ReadingEntry(id, visit.Id, now, now, visit.Author, null, r.Point, r.Value),
            QuickObservation o => new ObservationEntry(id, visit.Id, now, now, visit.Author, null, o.Fact, o.Index, o.State, now - o.RunTime),
            QuickNote n => new NoteEntry(id, visit.Id, now, now, visit.Author, null, n.Note),
            _ => throw new ArgumentException("Only what was understood becomes an entry.", nameof(item)),
        };
    }

    /// <summary>Puts entries on record. An id that already says something else (an old page sent again, changed) gets a new one, so nothing is lost.</summary>
    public void Append(IReadOnlyList<TimelineEntry> entries)
    {
        if (visits.Append(entries) == AppendOutcome.IdTaken)
            visits.Append([.. entries.Select(e => e with { Id = Guid.CreateVersion7(time.GetUtcNow()) })]);
    }

    /// <summary>Every unit and how it stands, those in need first.</summary>
    public IReadOnlyList<UnitState> Board()
    {
        var now = time.GetUtcNow();
        var sites = equipment.Sites().ToDictionary(s => s.Id);
        var latest = visits.LatestOfEach().ToDictionary(v => v.EquipmentId);
        var entries = visits.EntriesOfLatestVisits();
        var aboutLoops = visits.EntriesAboutLoops();
        UnitState WithLoops(Equipment unit)
        {
            var state = State(unit, sites[unit.SiteId], latest.GetValueOrDefault(unit.Id), entries, now);
            var loops = OpenLoops.Of([new Timeline([.. aboutLoops[unit.Id]], unit, state.Site.Atmosphere)]);
            return state with { Loops = loops, NeedsAttention = state.NeedsAttention || loops.Any(l => l.IsSafety) };
        }

        return [.. equipment.All().Select(WithLoops)
            .OrderByDescending(s => s.IsUnderWay).ThenByDescending(s => s.NeedsAttention).ThenBy(s => s.Equipment.Tag, StringComparer.OrdinalIgnoreCase)];
    }

    /// <summary>A unit's visits, the latest first, each with what it found.</summary>
    public IReadOnlyList<UnitState> Visits(Equipment unit, Site site)
    {
        var now = time.GetUtcNow();
        var entries = visits.EntriesOfEquipment(unit.Id);
        return [.. visits.OfEquipment(unit.Id).Select(v => State(unit, site, v, entries, now))];
    }

    private static UnitState State(Equipment unit, Site site, Visit? visit, ILookup<Guid, TimelineEntry> entries, DateTimeOffset now)
    {
        if (visit is null)
            return new(unit, site, null, null, "No visit yet.", false, false);
        var written = entries[visit.Id].ToList();
        var timeline = new Timeline(written, unit, site.Atmosphere);
        var readings = timeline.LatestReadings();
        var analysis = Analyse(unit, site, timeline, readings, SeriesOf(unit, timeline), timeline.ConditionsAt(timeline.LastMoment ?? visit.StartedAt));
        var stands = analysis is null ? "Its refrigerant is not in the catalogue." : PanelText.Stands(analysis, readings.Count > 0, unit.MakeUp);
        var signOff = timeline.Standing.OfType<SignOffEntry>().LastOrDefault();
        return new(unit, site, visit, analysis, stands, analysis is not null && PanelText.NeedsAttention(analysis), visit.IsUnderWay(now) && signOff is null)
        {
            FollowUp = signOff?.FollowUp,
        };
    }

    private static Briefing BriefingOf(Equipment unit, Site site, List<(Visit Visit, Timeline Timeline)> latestFirst)
    {
        var (visit, timeline) = latestFirst[0];
        var analysis = Analyse(unit, site, timeline, timeline.LatestReadings(), SeriesOf(unit, timeline), timeline.ConditionsAt(timeline.LastMoment ?? visit.StartedAt));
        return Briefing.Of(visit, timeline, analysis, [.. latestFirst.Select(e => e.Timeline)]);
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

    private static CircuitAnalysis? Analyse(
        Equipment unit, Site site, Timeline timeline, IReadOnlyDictionary<MeasuringPoint, TakenReading> readings, SeriesAnalysis? series, OperatingConditions conditions) =>
        unit.Circuit.Refrigerant is { } refrigerant
            ? CircuitBench.Analyse(new(refrigerant, unit.MakeUp, readings) { Series = series, Standing = StandingOf(unit, site, timeline)?.Verdict }, conditions)
            : null;
}
