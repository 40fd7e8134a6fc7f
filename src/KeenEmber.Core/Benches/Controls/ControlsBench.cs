using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Controls;

/// <summary>The controller's outputs, its cycles, its damage, and the pressure settings.</summary>
public sealed class ControlsBench : IBench
{
    /// <summary>Evidence: 1 where the control was last seen to call for the compressor, 0 where it was seen not to.</summary>
    public const string CompressorCalled = "output.compressor-called";

    /// <summary>Evidence: how many parts of the control water has damaged.</summary>
    internal const string WaterDamage = "damage.water";

    /// <summary>Evidence of another bench: what the sensor that controls the box reads too much, K.</summary>
    private const string BoxErrorK = "sensor.box-error-k";

    /// <inheritdoc/>
    public string Name => "controls";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["output", "cycle", "bulbs", "control", "parameter", "damage"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>
    {
        ["setting"] = typeof(SettingEntry), ["control-setting"] = typeof(ControlSettingEntry),
            ["control-event"] = typeof(ControlEventEntry),
        ["output-state"] = typeof(OutputStateEntry), ["parameter"] = typeof(ParameterEntry), ["dial"] = typeof(DialEntry),
        ["damage"] = typeof(DamageEntry), ["bulb-turn"] = typeof(BulbTurnEntry),
    };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var timeline = visit.Timeline;
        var settings = visit.UpToHere.Where(t => t != timeline).Prepend(timeline)
            .SelectMany(t => t.SettingsAsLeft().Values).GroupBy(s => s.Setting).ToDictionary(g => g.Key, g => g.First().Value);
        var faults = Check(settings, visit);
        var asFound = Check(timeline.Settings(SettingStage.AsFound).ToDictionary(s => s.Key, s => s.Value.Value), visit);
        var set = ControlsOnRecord.IsOnPressure(timeline) ? ControlsOnRecord.OfPressures(settings, timeline)
            : ControlsOnRecord.Setting(visit.UpToHere)?.Setting;
        var cycle = ControlsOnRecord.Cycle(timeline, set, visit.Evidence(BoxErrorK) ?? 0);
        var damage = ControlsOnRecord.Damage(timeline);
        return new ControlsJudgement
        {
            UpToHere = visit.UpToHere,
            Cycle = cycle,
            CycleSetting = set,
            CycleFaults = ControlsOnRecord.CycleFaults(timeline, cycle),
            CycleFaultsNow = ControlsOnRecord.CycleFaults(timeline, cycle, found: false),
            Outputs = ControlsOnRecord.Outputs(timeline),
            OutputsNow = ControlsOnRecord.OutputsNow(timeline),
            OutputFaults = ControlsOnRecord.Faults(timeline),
            OutputFaultsNow = ControlsOnRecord.FaultsNow(timeline),
            Damage = damage,
            SidesDiffer = ControlsOnRecord.SidesDiffer(timeline, visit.Unit),
            IsCompressorCalled = timeline.Standing.OfType<OutputStateEntry>()
                .LastOrDefault(o => o.Output == ControlOutput.Compressor) is { State.IsCalled: true },
            ToReplace = WettedSet.ToReplace(damage, visit.Policies.Of(Policy.WettedControls) == PolicyChoice.WettedSetWhole),
            Settings = settings,
            SettingFaults = faults,
            SettingFaultsPutRight = [.. asFound.Where(f => !faults.Any(f.IsSameAs))],
        };
    }

    private static IReadOnlyList<Finding> Check(Dictionary<PressureSetting, TypedValue> settings, VisitInput visit)
    {
        var unit = visit.Unit;
        var pressures = settings.ToDictionary(s => s.Key, s => new Pressure(s.Value.Si(visit.Site.Atmosphere)));
        return unit.Circuit.Refrigerant is not { } fluid ? []
            : PressureControlChecks.Check(new(fluid, unit.MakeUp, unit.Target, unit.Circuit.ColdestAmbient, pressures));
    }
}

/// <summary>What the visit saw of the control.</summary>
public sealed record ControlsJudgement : BenchJudgement
{
    /// <summary>Of a visit that saw nothing of it.</summary>
    public static readonly ControlsJudgement None = new();

    /// <summary>The visit's timeline and those before it.</summary>
    public IReadOnlyList<Timeline> UpToHere { get; init; } = [];

    /// <inheritdoc/>
    public override IReadOnlyList<Trend> Trends => field ??= HoldingTrends.Of(UpToHere);

    /// <summary>What the control does, by the cycles of the visit.</summary>
    public CycleResult Cycle { get; init; } = CycleResult.None;

    /// <summary>What the control of the box is set to: its own setting or, where it works on suction pressure, the low-pressure control's;
    /// null where nobody has said.</summary>
    public ControlSetting? CycleSetting { get; init; }

    /// <summary>What the watched cycles showed, put right since or not.</summary>
    public IReadOnlyList<Finding> CycleFaults { get; init; } = [];

    /// <summary>What of it is wrong still.</summary>
    public IReadOnlyList<Finding> CycleFaultsNow { get; init; } = [];

    /// <summary>Each output as it was found.</summary>
    public IReadOnlyDictionary<ControlOutput, OutputResult> Outputs { get; init; } = new Dictionary<ControlOutput, OutputResult>();

    /// <summary>Each output as it stands.</summary>
    public IReadOnlyDictionary<ControlOutput, OutputResult> OutputsNow { get; init; } = new Dictionary<ControlOutput, OutputResult>();

    /// <summary>What the outputs showed, put right since or not.</summary>
    public IReadOnlyList<Finding> OutputFaults { get; init; } = [];

    /// <summary>What of it is wrong still.</summary>
    public IReadOnlyList<Finding> OutputFaultsNow { get; init; } = [];

    /// <summary>What water, scale or wear has done to the control, as seen on this visit.</summary>
    public IReadOnlyDictionary<ControlPart, DamageKind> Damage { get; init; } = new Dictionary<ControlPart, DamageKind>();

    /// <summary>Parts of the control to replace for their damage, by the company's policy.</summary>
    public IReadOnlyList<ControlPart> ToReplace { get; init; } = [];

    /// <summary>The pressure settings as the visit left them; what it has not looked at as the last one left it that had.</summary>
    public IReadOnlyDictionary<PressureSetting, TypedValue> Settings { get; init; } = new Dictionary<PressureSetting, TypedValue>();

    /// <summary>What does not fit in the settings.</summary>
    public IReadOnlyList<Finding> SettingFaults { get; init; } = [];

    /// <summary>What did not fit as found and does now.</summary>
    public IReadOnlyList<Finding> SettingFaultsPutRight { get; init; } = [];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Found => field ??= [.. SidesOnly, .. OutputFaults, .. CycleFaults, .. SettingFaults,
        .. SettingFaultsPutRight];

    /// <inheritdoc/>
    public override IReadOnlyList<Finding> Now => field ??= [.. SidesOnly, .. OutputFaultsNow, .. CycleFaultsNow, .. SettingFaults];

    private IEnumerable<Finding> SidesOnly => SidesDiffer is { } differ ? [differ] : [];

    /// <inheritdoc/>
    public override IReadOnlyDictionary<string, double> Evidence => field ??=
        new Dictionary<string, double>
        {
            [ControlsBench.WaterDamage] = Damage.Values.Count(WettedSet.ComesFromWater),
            [ControlsBench.CompressorCalled] = IsCompressorCalled ? 1 : 0,
        };

    /// <summary>One side is warm beside a frozen one and no control has been turned yet; null where it is not so.</summary>
    public Finding? SidesDiffer { get; init; }

    /// <summary>The control was last seen to call for the compressor.</summary>
    public bool IsCompressorCalled { get; init; }

    /// <inheritdoc/>
    public override IReadOnlyList<BenchTask> Tasks => field ??=
    [
        .. SidesOnly.Select(f => new TurnTask(f)),
        .. OutputsNow.Where(o => o.Value.IsFault).OrderBy(o => o.Key).Select(o => new OutputTask(o.Key, o.Value.Verdict)),
        .. SettingFaults.Select(f => new SettingTask(f)),
    ];

    /// <inheritdoc/>
    public override Entry? ProvedBy(ProofKind kind, Entry repair, IReadOnlyList<Entry> after) => kind switch
    {
        ProofKind.CutOutReached => after.OfType<ControlEventEntry>().LastOrDefault(e => !e.CutsIn),
        ProofKind.CutInReached => after.OfType<ControlEventEntry>().LastOrDefault(e => e.CutsIn),
        _ => null,
    };
}

/// <summary>Find out why an output does not do what is asked of it.</summary>
public sealed record OutputTask(ControlOutput Output, OutputVerdict Verdict) : BenchTask("controls", TaskOrder.Call);

/// <param name="Fault">The setting that does not fit.</param>
public sealed record SettingTask(Finding Fault) : BenchTask("controls", TaskOrder.Settings);

/// <summary>Turn each control and see which side follows.</summary>
public sealed record TurnTask(Finding Sides) : BenchTask("controls", TaskOrder.Call)
{
    /// <inheritdoc/>
    public override bool IsTest => true;
}
