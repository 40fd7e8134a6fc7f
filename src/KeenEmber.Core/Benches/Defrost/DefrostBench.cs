using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>Watched, logged and typed defrosts.</summary>
/// <param name="logged">Fetches what a logger wrote of a run.</param>
public sealed class DefrostBench(Func<Guid, IReadOnlyList<RunTrack>> logged) : IBench
{
    /// <inheritdoc/>
    public string Name => "defrost";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["defrost"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>
    {
        ["defrost-set-up"] = typeof(DefrostSetUpEntry), ["run"] = typeof(RunEntry), ["run-reading"] = typeof(RunReadingEntry),
        ["run-mark"] = typeof(RunMarkEntry), ["clock-test"] = typeof(ClockTestEntry),
        ["heater-amps"] = typeof(HeaterAmpsEntry), ["switch-state"] = typeof(SwitchStateEntry),
    };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit) => new DefrostJudgement(
        DefrostRuns.Of(visit.UpToHere, visit.Unit, visit.Site.Atmosphere, logged, visit.Now, visit.Judging), visit);
}

/// <summary>The defrosts of a unit up to a visit, and what its own says.</summary>
/// <param name="Runs">The earliest first.</param>
public sealed record DefrostJudgement(IReadOnlyList<WatchedRun> Runs, VisitInput Visit) : BenchJudgement
{
    /// <summary>The last defrost watched on this visit.</summary>
    public WatchedRun? OwnRun => Runs.LastOrDefault(r => r.Entry.VisitId == Visit.Visit.Id);

    /// <summary>How the unit defrosts, by the last word on it; null when nobody has said.</summary>
    public DefrostSetUp? SetUp => DefrostRuns.SetUpAt(DefrostRuns.SetUps(Visit.UpToHere), Visit.Now);

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??= [.. ClockFindings.Ever(Visit.Timeline),
        .. Visit.Timeline.Standing.OfType<HeaterAmpsEntry>().SelectMany(HeaterFaults).Concat(OwnRun?.Faults ?? [])
            .DistinctBy(f => (f.Code, f.Values.GetValueOrDefault("element"), f.Values.GetValueOrDefault("leg"))), .. SeenInHeat()];

    /// <summary>What fans seen running in a defrost say whose run does not, put right since or not: with heaters clamped without current in
    /// it, one thing explains both.</summary>
    private IEnumerable<Finding> SeenInHeat()
    {
        var looks = Visit.Timeline.Standing.OfType<ObservationEntry>().ToList();
        bool IsSoonIn(ObservationEntry fans) => FansRunInHeat(Visit.Timeline.ConditionsAt(fans.At))
            && looks.FindLast(o => o.Fact == AsFound.Defrost && o.At <= fans.At) is { } begun && fans.At - begun.At <= SoonIn;
        if (IsOfRun(DefrostCodes.NotChangedOver) || IsOfRun(DefrostCodes.FansInHeat)
            || !looks.Exists(o => o is { Fact: AsFound.EvaporatorFan, State: FactState.Running } && IsSoonIn(o)))
            return [];
        var isDead = (OwnRun is { } run && DefrostFindings.NoHeat(run.Result)) || Visit.Timeline.Standing.OfType<HeaterAmpsEntry>()
            .Any(t => t.IsDead && FansRunInHeat(Visit.Timeline.ConditionsAt(t.At)));
        return [Finding.Of(isDead ? DefrostCodes.NotChangedOver : DefrostCodes.FansInHeat)];
    }

    /// <summary>Later it may be over, and nobody has said so yet.</summary>
    private static readonly TimeSpan SoonIn = TimeSpan.FromMinutes(10);

    /// <summary>What was found without a run that was watched: by the clock, by clamped heaters, by fans that ran.</summary>
    public IEnumerable<Finding> FoundUnwatched => Found.Where(f => !IsOfRun(f.Code));

    private bool IsOfRun(string code) => OwnRun?.Faults.Any(f => f.Code == code) == true;

    /// <summary>No current tells nothing while no heat is called.</summary>
    private IReadOnlyList<Finding> HeaterFaults(HeaterAmpsEntry test) =>
        test.IsDead && Visit.Timeline.ConditionsAt(test.At).Defrost == FactState.Refrigerating ? []
            : DefrostFindings.Heating(test.Judge(SetUp));

    /// <summary>The last currents of the heaters; null without any, and where heaters were worked on or a run was watched since.</summary>
    public HeaterAmpsEntry? HeaterAmps => Visit.Timeline.Standing.OfType<HeaterAmpsEntry>().MaxBy(t => t.At) is { } test
        && !Visit.Timeline.Standing.Any(e => e.At > test.At && e is RunEntry) && !IsWorkedOnSince(test.At) ? test : null;

    /// <summary>A defrost has its say when its heat is off. Fans seen running in the heat are wrong at once.</summary>
    public override IReadOnlyList<Finding> Now => field ??=
    [
        .. ClockFindings.Now(Visit.Timeline),
        .. HeaterAmps is { } amps ? HeaterFaults(amps) : [],
        .. FansRunUnheated ? [Finding.Of(DefrostCodes.NotChangedOver)] : Array.Empty<Finding>(),
        .. OwnRun is { Result.Phases.HeatOff: not null } run && !IsFromBeforeWork(run) ? run.Faults.Where(f =>
            !FansRunUnheated || !DefrostFindings.IsOfOneSide(f.Code))
            .OrderByDescending(f => f.Strength) : Enumerable.Empty<Finding>(),
        .. FansRunInHeatNow && !FansRunUnheated && !IsOfRun(DefrostCodes.NotChangedOver) && !IsOfRun(DefrostCodes.FansInHeat)
            ? [Finding.Of(DefrostCodes.FansInHeat)] : Array.Empty<Finding>(),
    ];

    /// <summary>Heaters, clock, switches, sensors or controls were worked on since: what the run found is to be explained, and no longer
    /// so until the next one shows it.</summary>
    private bool IsFromBeforeWork(WatchedRun run) => IsWorkedOnSince(run.At(run.Result.Phases.HeatOff ?? run.Run.LastMinute));

    private bool IsWorkedOnSince(DateTimeOffset moment) =>
        Visit.Timeline.Standing.Any(e => e.At > moment && e is IChangesUnit { ChangesUnit: true } work && TouchesDefrost(work));

    private static bool TouchesDefrost(IChangesUnit work) => work switch
    {
        PartEntry p => IsOfDefrost(p.Area),
        ChangeEntry c => IsOfDefrost(c.Area),
        RefrigerantEntry or ClosureEntry => false,
        // Of the kinds that benches bring: sensors put right, parameters and settings moved, a thaw.
        _ => true,
    };

    private static bool IsOfDefrost(WorkArea area) =>
        area is WorkArea.Defrost or WorkArea.LimitSwitch or WorkArea.Control or WorkArea.Sensor or WorkArea.Fans;

    /// <summary>The fans were seen running in a defrost whose heaters were measured without current.</summary>
    private bool FansRunUnheated => FansRunInHeatNow && (OwnRun is { IsOver: false } run
        ? DefrostFindings.NoHeat(run.Result) && !IsOfRun(DefrostCodes.NotChangedOver) : HeaterAmps is { IsDead: true });

    private bool FansRunInHeatNow => FansRunInHeat(Visit.Conditions)
        && Visit.Timeline.FactAt(AsFound.EvaporatorFan, null, Visit.Now) is { } seen && !IsWorkedOnSince(seen.At);

    /// <summary>By the facts alone: in its defrost, and a fan running. Off-cycle defrosts want their fans on.</summary>
    private bool FansRunInHeat(OperatingConditions then) => then.IsInDefrost && then.EvaporatorFans.Contains(FactState.Running)
        && (SetUp?.Kind ?? DefrostKinds.UsualAt(Visit.Unit.Target)) != DefrostKind.OffCycle;

    /// <inheritdoc/>
    public override IReadOnlyList<BenchTask> Tasks => field ??=
    [
        .. Now.Where(f => f.Code == DefrostCodes.NotChangedOver).Take(1).Select(f => new DefrostTask(new(Remedy.CheckChangeOver, f))),
        .. ClockFindings.Now(Visit.Timeline).Take(1).Select(f => new DefrostTask(new(Remedy.CheckClock, f))),
        .. OwnRun is { Result.Phases.HeatOff: not null } run && !IsFromBeforeWork(run)
            ? AdviceFor(run).Where(s => s.Remedy != Remedy.CheckChangeOver).Select(step => new DefrostTask(step)) : [],
    ];

    /// <summary>What to do after a run, in the order of the company's school.</summary>
    public IReadOnlyList<RemedyStep> AdviceFor(WatchedRun run) =>
        DefrostRemedies.For(run.Result.Findings, Visit.Policies.Of(Policy.Defrost) == PolicyChoice.FewLongByTemperature, run.Run.SetUp);

    /// <summary>Two runs side by side, with what was done between them.</summary>
    public RunComparison Compare(WatchedRun one, WatchedRun another) => RunComparison.Of(one, another, Visit.UpToHere);

    /// <inheritdoc/>
    public override Entry? ProvedBy(ProofKind kind, Entry repair, IReadOnlyList<Entry> after) => kind switch
    {
        ProofKind.CoilClear => after.OfType<RunMarkEntry>().LastOrDefault(m => m.Kind == RunMarkKind.SeenClear),
        ProofKind.WholeDefrost => WholeDefrost(after),
        ProofKind.ClockRuns => ClockFindings.SeenTrue(after),
        _ => null,
    };

    /// <summary>A run watched from heat on to heat off and on until nobody needed to watch any more, or one that a logger wrote.</summary>
    private static RunEntry? WholeDefrost(IReadOnlyList<Entry> after)
    {
        bool Has(RunEntry run, RunMarkKind kind) => after.OfType<RunMarkEntry>().Any(m => m.Run == run.Id && m.Kind == kind);
        return after.OfType<RunEntry>().LastOrDefault(r => r.Series is not null
            || (Has(r, RunMarkKind.HeatOn) && (Has(r, RunMarkKind.HeatOff) || Has(r, RunMarkKind.HeatOffByHand))
                && Has(r, RunMarkKind.Over)));
    }

    /// <inheritdoc/>
    public override IReadOnlyList<Trend> Trends => field ??= DefrostTrends.Of(Runs,
        [.. Visit.UpToHere.SelectMany(t => t.Standing).OfType<HeaterAmpsEntry>().OrderBy(e => e.At)]);
}

/// <summary>What a defrost that was watched asks for.</summary>
public sealed record DefrostTask(RemedyStep Step) : BenchTask("defrost", TaskOrder.AfterDefrost);
