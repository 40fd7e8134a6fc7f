using KeenEmber.Core.Plant;

namespace KeenEmber.Words;

/// <summary>Parts of a unit by name.</summary>
public static class ComponentText
{
    /// <summary>"evaporator fan 2" on a unit with several; without the number where there is one.</summary>
    public static string Name(Component component, Equipment unit)
    {
        var alone = Components.Of(unit).Count(c => c.Kind == component.Kind) <= 1 && component.Place == 1;
        return alone ? Name(component.Kind) : $"{Name(component.Kind)} {component.Place}";
    }

    /// <summary>Without its unit: with the number from the second on.</summary>
    public static string Name(Component component) =>
        component.Place > 1 ? $"{Name(component.Kind)} {component.Place}" : Name(component.Kind);

    public static string Name(ComponentKind kind) => kind switch
    {
        ComponentKind.EvaporatorFan => "evaporator fan",
        ComponentKind.FanDelaySwitch => "fan delay switch",
        ComponentKind.Coil => "coil",
        ComponentKind.HeaterElement => "heater element",
        ComponentKind.HeaterSafety => "heater safety",
        ComponentKind.DefrostClock => "defrost clock or board",
        ComponentKind.DefrostRelay => "defrost relay",
        ComponentKind.TerminationSwitch => "termination switch",
        ComponentKind.DrainHeater => "drain heater",
        ComponentKind.BoxSensor => "box sensor",
        ComponentKind.EndSensor => "termination sensor",
        ComponentKind.OtherSensor => "other sensor",
        ComponentKind.Control => "control",
        ComponentKind.Display => "display",
        ComponentKind.ControlRelay => "control relay",
        ComponentKind.LowPressureControl => "low-pressure control",
        ComponentKind.HighPressureControl => "high-pressure control",
        ComponentKind.FanCyclingControl => "fan-cycling control",
        ComponentKind.Compressor => "compressor",
        ComponentKind.Contactor => "contactor",
        ComponentKind.StartRelay => "start relay",
        ComponentKind.Overload => "overload",
        ComponentKind.RunCapacitor => "run capacitor",
        ComponentKind.StartCapacitor => "start capacitor",
        ComponentKind.CondenserFan => "condenser fan",
        ComponentKind.CondenserFanCapacitor => "condenser fan capacitor",
        ComponentKind.ExpansionValve => "expansion valve",
        ComponentKind.ElectronicValve => "electronic expansion valve",
        ComponentKind.CapillaryTube => "capillary tube",
        ComponentKind.LiquidSolenoid => "liquid solenoid",
        ComponentKind.Drier => "drier",
        ComponentKind.SightGlass => "sight glass",
        ComponentKind.Receiver => "receiver",
        ComponentKind.HeadPressureValve => "head-pressure valve",
        ComponentKind.WaterValve => "water valve",
        ComponentKind.EvaporatorRegulator => "evaporator pressure regulator",
        ComponentKind.SuctionStop => "suction stop",
        ComponentKind.Breaker => "breaker",
        ComponentKind.Fuse => "fuse",
        ComponentKind.Wiring => "wiring",
        ComponentKind.Door => "door",
        ComponentKind.Gasket => "gasket",
        ComponentKind.GlycolPump => "glycol pump",
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };
}
