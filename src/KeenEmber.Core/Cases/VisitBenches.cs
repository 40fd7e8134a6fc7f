using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Cases;

/// <summary>
/// What the benches beside the circuit make of one visit: sensors, controls, pressure settings, glycol, and the defrost that was watched.
/// Each is worked out when it is first asked for.
/// </summary>
/// <param name="timeline">Of the visit.</param>
/// <param name="upToHere">The visit's and those of the visits before it, the latest first.</param>
/// <param name="run">The last defrost watched on the visit; null without one.</param>
/// <param name="judging">Runs each bench.</param>
public sealed class VisitBenches(Timeline timeline, IReadOnlyList<Timeline> upToHere, Equipment unit, Pressure atmosphere, WatchedRun? run, IJudging judging)
{
    /// <summary>The unit's sensors, and what the visit's checks say of them.</summary>
    public UnitSensors Sensors => field ??= judging.Of("sensors", () => UnitSensors.Of(timeline, upToHere, atmosphere), UnitSensors.None);

    /// <summary>What the control does, by the cycles of the visit.</summary>
    public CycleResult Cycle => field ??= judging.Of("control cycle", () => ControllerBench.Cycle(timeline, CycleSetting, Sensors.BoxErrorK), CycleResult.None);

    /// <summary>What the control of the box is set to: its own setting or, where it works on suction pressure, the low-pressure control's; null where nobody has said.</summary>
    public ControlSetting? CycleSetting => ControllerBench.IsOnPressure(timeline) ? ControllerBench.OfPressures(Settings, timeline) : ControllerBench.Setting(upToHere)?.Setting;

    /// <summary>What is still wrong with sensors, outputs and the control's cycles.</summary>
    public IReadOnlyList<Finding> ControlFaults => field ??= [.. Sensors.Now, .. judging.Of<IEnumerable<Finding>>("controls", () => [.. ControllerBench.FaultsNow(timeline), .. ControllerBench.CycleFaults(timeline, Cycle)], [])];

    /// <summary>Outputs that are still wrong, in the order of the list of outputs.</summary>
    public IReadOnlyList<(ControlOutput Output, OutputVerdict Verdict)> OutputFaults => field ??=
        [.. ControllerBench.OutputsNow(timeline).Where(o => o.Value.IsFault).OrderBy(o => o.Key).Select(o => (o.Key, o.Value.Verdict))];

    /// <summary>What to do about a sensor, the first thing first; nothing where it is right.</summary>
    public IReadOnlyList<SensorStep> StepsFor(string sensor, bool wettedSetsWhole) => Sensors.Sensors.FirstOrDefault(s => s.Name == sensor) is { Now: { } now }
        ? SensorSteps.For(now.Result, now.ByElimination, ControllerBench.IsWet(timeline), wettedSetsWhole) : [];

    /// <summary>The pressure settings as the visit left them; what it has not looked at as the last one left it that had.</summary>
    public IReadOnlyDictionary<PressureSetting, TypedValue> Settings => field ??= upToHere.Where(t => t != timeline).Prepend(timeline)
        .SelectMany(t => t.SettingsAsLeft().Values).GroupBy(s => s.Setting).ToDictionary(g => g.Key, g => g.First().Value);

    /// <summary>What does not fit in the settings.</summary>
    public IReadOnlyList<Finding> SettingFaults => field ??= Check(Settings);

    /// <summary>What did not fit as found and does now.</summary>
    public IReadOnlyList<Finding> SettingFaultsPutRight => field ??=
        [.. Check(timeline.Settings(SettingStage.AsFound).ToDictionary(s => s.Key, s => s.Value.Value)).Where(f => !SettingFaults.Any(now => now.Code == f.Code))];

    /// <summary>What the last glycol test of the visit says; null without one.</summary>
    public GlycolResult? Glycol => field ??= timeline.Standing.OfType<GlycolEntry>().LastOrDefault() is { Percent: { } percent } test
        ? judging.Of("glycol", () => GlycolCheck.Judge(new(test.Kind, percent, unit.Target, test.ColdestSurface?.Temperature,
            CircuitTargets.Of(unit.MakeUp, Load.Settled, unit.Target, null).For(ResultKind.EvaporatorTd)!.Value)), null)
        : null;

    /// <summary>What is still wrong with anything but the circuit. A defrost has its say when its heat is off.</summary>
    public IReadOnlyList<Finding> FaultsNow => field ??=
        [.. ControlFaults, .. Glycol?.Faults ?? [], .. SettingFaults, .. (run is { Result.Phases.HeatOff: not null } ? run.Faults : []).OrderByDescending(f => f.Strength)];

    /// <summary>What the visit found, the circuit's included, that a cause should account for; put right since or not.</summary>
    /// <param name="analysis">Null when the unit's refrigerant is not in the catalogue.</param>
    public IReadOnlyList<Finding> ToExplain(CircuitAnalysis? analysis) =>
    [
        .. (analysis?.Findings ?? []).Where(f => f.Code != CircuitPatterns.WithinTargets), .. run?.Faults ?? [], .. Sensors.Everything,
        .. judging.Of<IEnumerable<Finding>>("controls", () => [.. ControllerBench.Faults(timeline), .. ControllerBench.CycleFaults(timeline, Cycle)], []), .. Glycol?.Faults ?? [], .. SettingFaults, .. SettingFaultsPutRight,
    ];

    private IReadOnlyList<Finding> Check(IReadOnlyDictionary<PressureSetting, TypedValue> settings) => unit.Circuit.Refrigerant is not { } fluid ? []
        : judging.Of<IReadOnlyList<Finding>>("settings", () => PressureControlChecks.Check(new(fluid, unit.MakeUp, unit.Target, unit.Circuit.ColdestAmbient, settings.ToDictionary(s => s.Key, s => new Pressure(s.Value.Si(atmosphere))))), []);
}
