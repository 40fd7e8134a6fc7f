using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Simulation;

/// <summary>A unit to try things on, with what is wrong with it.</summary>
/// <param name="Name">As it is asked for.</param>
/// <param name="What">In a few words; the fault is not given away to who only measures.</param>
public sealed record BenchCase(string Name, EquipmentKind Kind, UnitFaults Faults, string What);

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
    ];

    /// <summary>The one of that name; null where there is none.</summary>
    public static BenchCase? Find(string? name) => All.FirstOrDefault(c => c.Name == name);
}
