using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Web.Pages.Visits.Controls;
using KeenEmber.Web.Pages.Visits.Defrost;
using KeenEmber.Web.Pages.Visits.Sensors;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web;

/// <summary>Everything one page of a visit shows.</summary>
/// <param name="Series">The readings in their course of time; null as the analysis is.</param>
/// <param name="Analysis">Null when the unit's refrigerant is not in the catalogue.</param>
/// <param name="Conditions">How the unit stands now, or stood at the end of a visit that is over.</param>
/// <param name="Earlier">Earlier visits of the unit, the latest first.</param>
/// <param name="LastSettings">The latest earlier word on each pressure setting.</param>
/// <param name="AllVisits">Every visit of the unit, later ones too, the latest first; of the readings of most only the last of each point.</param>
/// <param name="LoggedSeries">Fetches what a logger wrote of a defrost.</param>
/// <param name="Briefing">What the visit before left; null on a first visit.</param>
public sealed record VisitView(
    Visit Visit, Equipment Equipment, Site Site, Shop Shop, Timeline Timeline, DateTimeOffset Now,
    OperatingConditions Conditions, IReadOnlyDictionary<MeasuringPoint, TakenReading> Readings, SeriesAnalysis? Series, CircuitAnalysis? Analysis,
    IReadOnlyList<Visit> Earlier, ILookup<MeasuringPoint, EarlierValue> History,
    IReadOnlyDictionary<PressureSetting, (Visit Visit, TypedValue Value)> LastSettings, IReadOnlyList<(Visit Visit, Timeline Timeline)> AllVisits, Briefing? Briefing,
    Func<Guid, IReadOnlyList<RunTrack>> LoggedSeries, SafeJudging Judging)
{
    /// <summary>Benches that failed or ran over their time on this page so far: they have no verdict, and that is said.</summary>
    public IReadOnlyCollection<string> NotJudged => Judging.NotJudged;

    /// <summary>How far the machine's clock is behind the last entry of the visit; nothing when it is not.</summary>
    public TimeSpan ClockIsBehind { get; init; }

    /// <summary>Everything open on the unit, as it stood at the end of this visit.</summary>
    public IReadOnlyList<OpenLoop> Loops => field ??= OpenLoops.Of(UpToHere);

    /// <summary>What of it is open to this day: a later visit may have closed the rest.</summary>
    public IReadOnlyList<OpenLoop> LoopsToday => field ??= [.. Loops.Where(l => OpenLoops.Of(AllTimelines).Any(o => o.Change.Id == l.Change.Id))];

    private IReadOnlyList<Timeline> AllTimelines => field ??= [.. AllVisits.Select(v => v.Timeline)];

    /// <summary>What on this unit can hurt somebody and has not been acknowledged on this visit.</summary>
    public Hazards HazardsAhead => Equipment.AllHazards() & ~Timeline.Standing.OfType<HazardsEntry>().Aggregate(Hazards.None, (seen, e) => seen | e.Seen);

    /// <summary>How the unit was found, and what of it is not on record yet.</summary>
    public AsFoundRecord AsFound { get; } = AsFoundRecord.Of(Timeline, Equipment);

    /// <summary>What proves each repair of the visit.</summary>
    public IReadOnlyList<Proof> Proofs => field ??= [.. Judging.Of<IEnumerable<Proof>>("proofs", () => Core.Cases.Proofs.Of(Timeline, Equipment, Analysis).ToList(), []), .. Benches.Sensors.Proofs];

    /// <summary>The shop's policies that have something to say about the visit as it stands.</summary>
    public IReadOnlyList<Policy> Policies => Judging.Of<IReadOnlyList<Policy>>("policies", () => PolicyAdvice.For(Timeline, Equipment, Conditions, Analysis), []);

    /// <summary>Every defrost of the unit up to this visit, the earliest first.</summary>
    public IReadOnlyList<WatchedRun> Runs => field ??= Judging.Of<IReadOnlyList<WatchedRun>>("defrost", () => DefrostRuns.Of(UpToHere, Equipment, Site.Atmosphere, LoggedSeries, Now, Judging), []);

    /// <summary>How the unit defrosts, by the last word on it; null when nobody has said.</summary>
    public DefrostSetUp? DefrostSetUp => DefrostRuns.SetUpAt(DefrostRuns.SetUps(UpToHere), Now);

    /// <summary>The last defrost watched on this visit.</summary>
    public WatchedRun? OwnRun => Runs.LastOrDefault(r => r.Entry.VisitId == Visit.Id);

    /// <summary>This visit and those before it.</summary>
    public IReadOnlyList<Timeline> UpToHere => field ??= [.. AllVisits.Where(v => v.Visit.Id == Visit.Id || v.Visit.StartedAt < Visit.StartedAt).Select(v => v.Timeline)];

    /// <summary>What the benches beside the circuit make of the visit.</summary>
    public VisitBenches Benches => field ??= new(Timeline, UpToHere, Equipment, Site.Atmosphere, OwnRun, Judging);

    /// <summary>What the sensor that ends the defrost reads too much or too little, K, by its last check; null without one.</summary>
    public double? EndSensorErrorK => Benches.Sensors.Sensors.Where(s => s.Sensor.Role == SensorRole.DefrostEnd)
        .Select(s => s.Found?.Result.Error ?? (UnitSensors.Errors(UpToHere, Site.Atmosphere).TryGetValue(s.Name, out var marks) ? marks[^1].Value : null)).FirstOrDefault(e => e is not null);

    /// <summary>The outputs of the controller that were looked at on this visit.</summary>
    public IReadOnlyDictionary<ControlOutput, OutputResult> Outputs => field ??=
        Judging.Of<IReadOnlyDictionary<ControlOutput, OutputResult>>("controls", () => ControllerBench.Outputs(Timeline), new Dictionary<ControlOutput, OutputResult>());

    /// <summary>What water, scale or wear has done to the control, as seen on this visit.</summary>
    public IReadOnlyDictionary<ControlPart, DamageKind> Damage => ControllerBench.Damage(Timeline);

    /// <summary>The shop replaces a wetted control with everything that was wetted with it.</summary>
    public bool WettedSetsWhole => Shop.Policies.Of(Policy.WettedControls) == PolicyChoice.WettedSetWhole;

    /// <summary>Parts of the control to replace for their damage, by the shop's policy.</summary>
    public IReadOnlyList<ControlPart> ToReplace => WettedSet.ToReplace(Damage, WettedSetsWhole);

    /// <summary>What this visit found that a cause should account for.</summary>
    public IReadOnlyList<Finding> ToExplain => Benches.ToExplain(Analysis);

    /// <summary>A finding of any bench in a sentence.</summary>
    public string Say(Finding finding) => finding.Bench switch
    {
        "defrost" => DefrostText.Finding(finding, DefrostSetUp ?? new(DefrostKind.Electric), Units),
        "sensor" => SensorText.Finding(finding, Units),
        "output" => ControllerText.Finding(finding),
        "cycle" or "bulbs" => ControllerText.Finding(finding, Units),
        "control" or "glycol" => ControlsText.Finding(finding, Units),
        _ => PanelText.Finding(finding, MakeUp),
    };

    public RunComparison CompareRuns(WatchedRun one, WatchedRun another) => RunComparison.Of(one, another, UpToHere);

    /// <summary>What to do after a run, in the order of the shop's school.</summary>
    public IReadOnlyList<RemedyStep> DefrostAdvice(WatchedRun run) =>
        DefrostRemedies.For(run.Result.Findings, Shop.Policies.Of(Policy.Defrost) == PolicyChoice.FewLongByTemperature, run.Run.SetUp);

    /// <summary>What to do next; null when no bench has anything to ask, or the visit is over.</summary>
    public NextTask? Next => IsUnderWay
        ? Judging.Of("next task", () => NextTask.Choose(Benches, Analysis, OwnRun is { Result.Phases.HeatOff: not null } run ? DefrostAdvice(run) : [], WettedSetsWhole), null) : null;

    public IEnumerable<RecommendationEntry> Recommendations => Timeline.Standing.OfType<RecommendationEntry>();

    public IEnumerable<PhotoEntry> Photos => Timeline.Standing.OfType<PhotoEntry>();

    /// <summary>The unit's display less the reference thermometer, K; null until both were read.</summary>
    public double? DisplayOff => Readings.TryGetValue(MeasuringPoint.BoxDisplay, out var shown) && Readings.TryGetValue(MeasuringPoint.BoxAir, out var real) ? shown.Si - real.Si : null;

    /// <summary>The last frost picture as found, after the work, or of either kind.</summary>
    public FrostEntry? Frost(bool? after) => Timeline.Standing.OfType<FrostEntry>().LastOrDefault(f => after is null || f.After == after);

    /// <summary>The change that a closure or a handover speaks of.</summary>
    public ChangeEntry? LoopChange(Guid id) => AllTimelines.SelectMany(t => t.Written).OfType<ChangeEntry>().FirstOrDefault(c => c.Id == id);

    public SignatureEntry? Signature => Timeline.Standing.OfType<SignatureEntry>().LastOrDefault();

    public SignOffEntry? SignOff => Timeline.Standing.OfType<SignOffEntry>().LastOrDefault();

    /// <summary>What the last standing-pressure test of the visit says; null without one.</summary>
    public StandingResult? Standing => Judging.Of("standing pressure", () => VisitDesk.StandingOf(Equipment, Site, Timeline), null);

    public UnitText Units { get; } = new(Shop.Units, Site.Atmosphere);

    public SiteClock Clock { get; } = new(Site);

    public CircuitMakeUp MakeUp { get; } = Equipment.MakeUp;

    public string Name(MeasuringPoint point) => CircuitText.Name(point, MakeUp);

    public string Name(ResultKind kind) => CircuitText.Name(kind, MakeUp);

    /// <summary>A sign-off ends a visit before its time is up.</summary>
    public bool IsUnderWay => Visit.IsUnderWay(Now) && SignOff is null;

    public bool IsCallback => Earlier.Count > 0 && Visit.IsCallbackAfter(Earlier[0], Shop.Policies, Briefing?.SignOff?.FollowUp, Clock.Date);

    /// <summary>One sentence without figures on how the visit stands.</summary>
    public string Stands
    {
        get
        {
            // Worked out first: a bench that fails at it is known only afterwards.
            var sentence = PanelText.Stands(Analysis, Readings.Count > 0, Equipment, Benches.FaultsNow);
            return NotJudged.Count > 0 ? PanelText.NotJudged(NotJudged) : sentence;
        }
    }

    /// <summary>Something about the unit is not as it should be.</summary>
    public bool NeedsAttention => Benches.FaultsNow.Count > 0 || (Analysis is not null && PanelText.NeedsAttention(Analysis)) || NotJudged.Count > 0;

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
