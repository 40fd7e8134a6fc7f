using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>Which parts a piece of work was on, as the table of causes calls them.</summary>
internal static class WorkedParts
{
    /// <summary>None for an entry that is no work, or work on nothing that the table knows.</summary>
    internal static IReadOnlyList<string> Of(Entry entry) => entry switch
    {
        PartEntry { Component.Kind: var kind } => [PartCodes.Of(kind)],
        PartEntry part => OfArea(part.Area),
        ChangeEntry { FoundSo: false } change => OfArea(change.Area),
        RefrigerantEntry => ["refrigerant"],
        SensorRepairEntry => ["box-sensor", "end-sensor", "other-sensor"],
        ParameterEntry { Stage: SettingStage.AsSet } => ["setting"],
        SettingEntry { Stage: SettingStage.AsSet } setting => ["setting", OfSetting(setting.Setting)],
        _ => [],
    };

    /// <summary>The area that work on a part belongs to.</summary>
    internal static WorkArea AreaOf(string part) => Enum.GetValues<WorkArea>().FirstOrDefault(a => OfArea(a).Contains(part));

    private static string[] OfArea(WorkArea area) => area switch
    {
        WorkArea.Fans or WorkArea.Motor => ["evaporator-fan"],
        WorkArea.Defrost => ["heater", "defrost-clock", "defrost-relay"],
        WorkArea.LimitSwitch => ["termination-switch", "fan-delay-switch", "heater-safety"],
        WorkArea.Control => ["control", "setting"],
        WorkArea.StartParts => ["start-relay", "start-capacitor", "overload", "run-capacitor"],
        WorkArea.CondenserFan => ["condenser-fan", "condenser-fan-capacitor", "condenser"],
        WorkArea.Sensor => ["box-sensor", "end-sensor", "other-sensor"],
        WorkArea.Power => ["wiring", "breaker", "fuse", "contactor", "supply"],
        WorkArea.Circuit => ["circuit"],
        WorkArea.Box => ["door", "gasket", "drain", "use", "insulation"],
        _ => [],
    };

    private static string OfSetting(PressureSetting setting) => setting switch
    {
        PressureSetting.LowCutIn or PressureSetting.LowCutOut => "lp-control",
        PressureSetting.HighCutOut => "hp-control",
        PressureSetting.FanOn or PressureSetting.FanOff => "fan-cycling-control",
        PressureSetting.WaterValveOpening => "water-valve",
        _ => "evaporator-regulator",
    };
}
