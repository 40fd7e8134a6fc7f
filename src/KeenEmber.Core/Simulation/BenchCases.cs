using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Simulation;

/// <summary>A unit to try things on, with what is wrong with it.</summary>
/// <param name="Name">As it is asked for.</param>
/// <param name="What">In a few words; the fault is not given away to who only measures.</param>
public sealed record BenchCase(string Name, EquipmentKind Kind, UnitFaults Faults, string What)
{
    /// <summary>Until its faults have grown, h; 0 where they are there from the start.</summary>
    public double GrowsH { get; init; }

    /// <summary>It has its condenser in water.</summary>
    public bool IsInWater { get; init; }

    /// <summary>It stands open with a pump on it: how wet and how tight it is; null for a unit that runs.</summary>
    public OpenedCircuit? Opened { get; init; }

    /// <summary>A cylinder stands on a scale, from which so much flows, kg.</summary>
    public double ChargesKg { get; init; }

    /// <summary>How the unit is built.</summary>
    public UnitDesign Design => IsInWater ? UnitDesign.Of(Kind).InWater() : UnitDesign.Of(Kind);
}

/// <summary>Units of the hall that exist only in arithmetic.</summary>
public static class BenchCases
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<BenchCase> All { get; } =
    [
        new("creamery", EquipmentKind.WalkInCooler, UnitFaults.None, "creamery cold room, sound"),
        new("fish-freezer", EquipmentKind.WalkInFreezer, UnitFaults.None, "fish counter freezer, sound"),
        new("bakery-reach-in", EquipmentKind.ReachInCooler, UnitFaults.None, "bakery reach-in, sound"),
        new("creamery-bubbles", EquipmentKind.WalkInCooler, new(ChargeLost: 0.68), "creamery cold room, warm since the weekend"),
        new("flower-warm", EquipmentKind.GlassDoorCase, new(CondenserDirt: 0.65), "flower stall case, warm at noon"),
        new("fish-starved", EquipmentKind.WalkInFreezer, new(ValveShut: 0.65), "fish counter freezer, runs day and night"),
        new("canteen-fan", EquipmentKind.ReachInFreezer, new(EvaporatorAir: 0.75), "canteen freezer, soft ice cream"),
        new("bakery-weak", EquipmentKind.ReachInCooler, new(CompressorWear: 0.55), "bakery reach-in, never cold"),
        new("herring-sensor", EquipmentKind.WalkInCooler, new(ProbeOffK: -4), "herring room, frozen at the back"),
        new("quay-door", EquipmentKind.WalkInFreezer, new(DoorOpen: 0.5), "quay freezer, ice at the door"),
        new("canteen-topped-up", EquipmentKind.ReachInFreezer, new(Overcharge: 0.35), "canteen freezer, topped up last week"),
        new("oyster-water", EquipmentKind.WalkInCooler, new(WaterShort: 0.85), "oyster room, trips in the afternoon") { IsInWater = true },
        new("bottle-now-and-then", EquipmentKind.BottleCooler, new(Moisture: 0.9), "bottle cooler, cools, then not, then again"),
        new("creamery-slowly", EquipmentKind.WalkInCooler, new(ChargeLost: 0.92), "creamery cold room, worse by the hour") { GrowsH = 48 },
        new("bakery-charging", EquipmentKind.ReachInCooler, new(ChargeLost: 0.5), "bakery reach-in, cylinder on the scale, valve open")
        {
            ChargesKg = 0.12,
        },
        new("creamery-dry", EquipmentKind.WalkInCooler, UnitFaults.None,
            "creamery cold room under vacuum, pump on for ten minutes in twenty")
        {
            Opened = new(WaterG: 0, LeakPaPerMin: 0.2),
        },
        new("creamery-wet", EquipmentKind.WalkInCooler, UnitFaults.None, "the same after a week open")
        {
            Opened = new(WaterG: 3, LeakPaPerMin: 0.2),
        },
        new("creamery-loose", EquipmentKind.WalkInCooler, UnitFaults.None, "the same with its caps off")
        {
            Opened = new(WaterG: 0, LeakPaPerMin: 25),
        },
    ];

    /// <summary>The one of that name; null where there is none.</summary>
    public static BenchCase? Find(string? name) => All.FirstOrDefault(c => c.Name == name);
}
