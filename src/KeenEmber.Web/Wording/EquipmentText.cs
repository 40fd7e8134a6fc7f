using KeenEmber.Core.Service;

namespace KeenEmber.Web.Wording;

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

    /// <summary>One line on the circuit: "R404A · 2.9 kg · expansion valve · receiver · air-cooled, remote".</summary>
    public static string MakeUp(RefrigerationCircuit c) => string.Join(" · ", new[]
    {
        c.RefrigerantName, c.ChargeKg is { } kg ? $"{UnitText.Number(kg, 2)} kg" : "", Name(c.Metering), c.HasReceiver ? "receiver" : "", Name(c.Condenser),
    }.Where(s => s.Length > 0));
}
