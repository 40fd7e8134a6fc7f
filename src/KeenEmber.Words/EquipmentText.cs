using KeenEmber.Core.Plant;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words;

/// <summary>Names of kinds of equipment and of what their circuits are made of.</summary>
public static class EquipmentText
{
    public static string Name(EquipmentKind kind) => kind switch
    {
        EquipmentKind.WalkInCooler => "walk-in cooler",
        EquipmentKind.WalkInFreezer => "walk-in freezer",
        EquipmentKind.DriveInFreezer => "drive-in freezer",
        EquipmentKind.ReachInCooler => "reach-in cooler",
        EquipmentKind.ReachInFreezer => "reach-in freezer",
        EquipmentKind.PrepTable => "prep table",
        EquipmentKind.OpenCase => "open display case",
        EquipmentKind.GlassDoorCase => "glass-door case",
        EquipmentKind.IceMerchandiser => "ice merchandiser",
        EquipmentKind.BottleCooler => "bottle cooler",
        _ => "glycol chiller",
    };

    public static string Name(Metering metering) => metering switch
    {
        Metering.ThermostaticValve => "expansion valve",
        Metering.ElectronicValve => "electronic valve",
        _ => "capillary tube",
    };

    public static string Name(CondenserKind condenser) => condenser switch
    {
        CondenserKind.AirCooledRemote => "air-cooled, remote",
        CondenserKind.AirCooledSelfContained => "air-cooled, built in",
        CondenserKind.WaterCooled => "water-cooled",
        _ => "central rack",
    };

    public static string Name(CircuitParts part) => part switch
    {
        CircuitParts.Receiver => "receiver",
        CircuitParts.LiquidSolenoid => "liquid solenoid, pumps down",
        CircuitParts.FanCyclingControl => "fan-cycling control",
        CircuitParts.HeadPressureValve => "head-pressure valve",
        CircuitParts.EvaporatorPressureRegulator => "evaporator pressure regulator",
        _ => "suction stop",
    };

    /// <summary>Every single part that can be there.</summary>
    public static IEnumerable<CircuitParts> Parts => Enum.GetValues<CircuitParts>().Where(p => p != CircuitParts.None);

    /// <summary>What a coil of a unit with several is called.</summary>
    /// <param name="coil">From 1.</param>
    public static string Coil(EquipmentKind kind, int coil) => (kind, coil) switch
    {
        (EquipmentKind.PrepTable, 1) => "rail",
        (EquipmentKind.PrepTable, _) => "base",
        _ => $"side {(char)('A' + coil - 1)}",
    };

    /// <summary>What it is to hold; of two sides with targets of their own both.</summary>
    public static string Target(Equipment unit, UnitText units) => unit.Circuit.Coils > 1 && unit.SecondTarget is { } second
        ? $"{units.Temperature(unit.Target.Kelvin)}, {Coil(unit.Kind, 2)} {units.Temperature(second.Kelvin)}"
        : units.Temperature(unit.Target.Kelvin);

    /// <summary>What is different between two states of a unit: "refrigerant R404A → R448A".</summary>
    public static IEnumerable<string> Differences(Equipment before, Equipment after, UnitText units)
    {
        var (was, now) = (Said(before, units), Said(after, units));
        return was.Zip(now).Where(p => p.First.Value != p.Second.Value).Select(p => $"{p.First.What} {p.First.Value} → {p.Second.Value}");
    }

    private static (string What, string Value)[] Said(Equipment unit, UnitText units)
    {
        var c = unit.Circuit;
        string Or(string text) => text.Length > 0 ? text : "none";
        return
        [
            ("tag", unit.Tag), ("name", unit.Name), ("kind", Name(unit.Kind)), ("target", Target(unit, units)),
                ("evaporator fans", $"{unit.EvaporatorFans}"),
            ("refrigerant", c.RefrigerantName), ("charge", c.ChargeKg is { } kg ? units.Mass(kg) : "unknown"),
                ("metering", Name(c.Metering)), ("condenser", Name(c.Condenser)),
            ("parts", Or(CircuitText.List(Parts.Where(p => c.Parts.HasFlag(p)).Select(Name)))), ("coils", $"{c.Coils}"),
            ("rated current", c.RatedCurrentA is { } a ? $"{UnitText.Number(a, 1)} A" : "unknown"),
                ("coldest air at the condenser", c.ColdestAmbient is { } t ? units.Temperature(t.Kelvin) : "unknown"),
            ("product", Or(unit.Product)), ("location", Or(unit.Location)), ("rack circuit", Or(c.RackCircuit)),
            ("plates", Or(c.Nameplate)),
        ];
    }

    /// <summary>One line on the circuit: "R404A · 2.9 kg · expansion valve · receiver · air-cooled, remote".</summary>
    public static string MakeUp(RefrigerationCircuit c, UnitText units) => string.Join(" · ", new[]
    {
        c.RefrigerantName, c.ChargeKg is { } kg ? units.Mass(kg) : "", Name(c.Metering), c.Coils > 1 ? "two coils" : "",
    }.Where(s => s.Length > 0).Concat(Parts.Where(p => c.Parts.HasFlag(p)).Select(Name)).Append(Name(c.Condenser)).Append(c.RackCircuit)
        .Where(s => s.Length > 0));
}
