using KeenEmber.Core.Circuit;
using KeenEmber.Core.Controls;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Glycol;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web;

/// <summary>Everything one page of a visit shows.</summary>
/// <param name="Series">The readings in their course of time; null as the analysis is.</param>
/// <param name="Analysis">Null when the unit's refrigerant is not in the catalogue.</param>
/// <param name="Conditions">How the unit stands now, or stood at the end of a visit that is over.</param>
/// <param name="Earlier">Earlier visits of the unit, the latest first.</param>
/// <param name="LastSettings">The latest earlier word on each pressure setting.</param>
/// <param name="AllTimelines">Of every visit of the unit, later ones too.</param>
/// <param name="Briefing">What the visit before left; null on a first visit.</param>
public sealed record VisitView(
    Visit Visit, Equipment Equipment, Site Site, Shop Shop, Timeline Timeline, DateTimeOffset Now,
    OperatingConditions Conditions, IReadOnlyDictionary<MeasuringPoint, TakenReading> Readings, SeriesAnalysis? Series, CircuitAnalysis? Analysis,
    IReadOnlyList<Visit> Earlier, ILookup<MeasuringPoint, EarlierValue> History,
    IReadOnlyDictionary<PressureSetting, (Visit Visit, TypedValue Value)> LastSettings, IReadOnlyList<Timeline> AllTimelines, Briefing? Briefing)
{
    /// <summary>Everything still open on the unit, across its visits.</summary>
    public IReadOnlyList<OpenLoop> Loops { get; } = OpenLoops.Of(AllTimelines);

    /// <summary>The last frost picture as found, after the work, or of either kind.</summary>
    public FrostEntry? Frost(bool? after) => Timeline.Standing.OfType<FrostEntry>().LastOrDefault(f => after is null || f.After == after);

    /// <summary>The change that a closure or a handover speaks of.</summary>
    public ChangeEntry? LoopChange(Guid id) => AllTimelines.SelectMany(t => t.Written).OfType<ChangeEntry>().FirstOrDefault(c => c.Id == id);

    public SignOffEntry? SignOff => Timeline.Standing.OfType<SignOffEntry>().LastOrDefault();

    /// <summary>The pressure settings as this visit has them, with what it has not looked at taken from the last one that had.</summary>
    public IReadOnlyDictionary<PressureSetting, TypedValue> SettingsNow { get; } = LastSettings.Select(s => (s.Key, s.Value.Value))
        .Concat(Timeline.SettingsAsLeft().Select(s => (s.Key, s.Value.Value))).GroupBy(s => s.Key).ToDictionary(g => g.Key, g => g.Last().Value);

    public IReadOnlyList<Finding> ControlFindings => field ??= Check(SettingsNow);

    /// <summary>What the last standing-pressure test of the visit says; null without one.</summary>
    public StandingResult? Standing => VisitDesk.StandingOf(Equipment, Site, Timeline);

    /// <summary>What was wrong with the settings as found and no longer is.</summary>
    public IEnumerable<Finding> ControlFindingsPutRight =>
        Check(Timeline.Settings(SettingStage.AsFound).ToDictionary(s => s.Key, s => s.Value.Value)).Where(f => !ControlFindings.Any(now => now.Code == f.Code));

    private IReadOnlyList<Finding> Check(IReadOnlyDictionary<PressureSetting, TypedValue> settings) => Equipment.Circuit.Refrigerant is not { } fluid ? []
        : PressureControlChecks.Check(new(fluid, MakeUp, Equipment.Target, Equipment.Circuit.ColdestAmbient,
            settings.ToDictionary(s => s.Key, s => new Pressure(s.Value.Si(Site.Atmosphere)))));

    /// <summary>What the last glycol test of the visit says; null without one.</summary>
    public GlycolResult? Glycol => Timeline.Standing.OfType<GlycolEntry>().LastOrDefault() is { Percent: { } percent } test
        ? GlycolCheck.Judge(new(test.Kind, percent, Equipment.Target, test.ColdestSurface?.Temperature,
            CircuitTargets.Of(MakeUp, Load.Settled, Equipment.Target, null).For(ResultKind.EvaporatorTd)!.Value))
        : null;

    public UnitText Units { get; } = new(Shop.Units, Site.Atmosphere);

    public SiteClock Clock { get; } = new(Site);

    public CircuitMakeUp MakeUp { get; } = Equipment.MakeUp;

    public string Name(MeasuringPoint point) => CircuitText.Name(point, MakeUp);

    public string Name(ResultKind kind) => CircuitText.Name(kind, MakeUp);

    public bool IsUnderWay => Visit.IsUnderWay(Now);

    public bool IsCallback => Earlier.Count > 0 && Visit.IsCallbackAfter(Earlier[0]);

    public string Stands => Analysis is null
        ? $"{Equipment.Circuit.RefrigerantName} is not in the catalogue: readings are kept, but nothing can be computed."
        : PanelText.Stands(Analysis, Readings.Count > 0, Equipment.MakeUp);

    /// <summary>The reading the map asks for: to be checked, or the one that unlocks most.</summary>
    public MeasuringPoint? Asked => Analysis is null ? null
        : Analysis.Next is { Kind: StepKind.Recheck or StepKind.LogAgain, Point: { } point } ? point
        : NextStep.AskedReading(Analysis.Results)?.Point;

    /// <summary>The gravest verdict on a reading from the results that rest on it; a reading that no result uses yet counts.</summary>
    public ValidityLevel LevelOf(MeasuringPoint point)
    {
        var results = Analysis?.Results.Where(r => r.Basis.Any(b => b.Point == point)).ToList() ?? [];
        return results.Count == 0 ? ValidityLevel.Good : results.Max(r => r.Validity.Level);
    }
}

/// <summary>A unit with how its latest visit left it, for the start page.</summary>
public sealed record UnitState(Equipment Equipment, Site Site, Visit? Latest, CircuitAnalysis? Analysis, string Stands, bool NeedsAttention, bool IsUnderWay)
{
    /// <summary>What is still open on the unit, whichever visit left it.</summary>
    public IReadOnlyList<OpenLoop> Loops { get; init; } = [];
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
        Timeline Of(Visit v) => new([.. entries[v.Id]], unit, site.Atmosphere);
        var timeline = Of(visit);
        var readings = timeline.LatestReadings();
        var series = SeriesOf(unit, timeline);
        var conditions = timeline.ConditionsAt(visit.IsUnderWay(now) ? now : timeline.LastMoment ?? visit.StartedAt);
        var earlier = visits.OfEquipment(unit.Id).Where(v => v.StartedAt < visit.StartedAt).ToList();
        var earlierTimelines = earlier.Select(v => (Visit: v, Timeline: Of(v))).ToList();
        return new(visit, unit, site, shops.Get(), timeline, now, conditions, readings, series, Analyse(unit, site, timeline, readings, series, conditions),
            earlier, PointHistory.Of(earlierTimelines, readings), LastSettings(earlierTimelines),
            [.. visits.OfEquipment(unit.Id).Select(Of)], earlierTimelines.Count == 0 ? null : BriefingOf(unit, site, earlierTimelines));
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
        return new(unit, site, visit, analysis, stands, analysis is not null && PanelText.NeedsAttention(analysis), visit.IsUnderWay(now));
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
