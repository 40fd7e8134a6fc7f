namespace KeenEmber.Core.Plant;

/// <summary>What can hurt somebody at a unit.</summary>
[Flags]
public enum Hazards
{
    /// <summary>None.</summary>
    None = 0,

    /// <summary>By its refrigerant; never typed in.</summary>
    Flammable = 1,

    /// <summary>CO2 at high pressure.</summary>
    HighPressureCo2 = 2,

    /// <summary>More than one supply: dead on one is not dead.</summary>
    SecondSupply = 4,

    /// <summary>Work at height.</summary>
    Height = 8,

    /// <summary>A closed room without fresh air, where gas gathers.</summary>
    ClosedRoom = 16,

    /// <summary>Wet floor.</summary>
    WetFloor = 32,

    /// <summary>Hot heaters.</summary>
    HotHeaters = 64,
}

/// <summary>What on a unit can hurt somebody.</summary>
public static class HazardsOfAUnit
{
    private const string CarbonDioxide = "R744";

    /// <summary>What only somebody who was there can know.</summary>
    public const Hazards OfThePlace = Hazards.SecondSupply | Hazards.Height | Hazards.ClosedRoom | Hazards.WetFloor | Hazards.HotHeaters;

    /// <summary>The hazards noted for a unit and those of its refrigerant.</summary>
    public static Hazards AllHazards(this Equipment unit) => (unit.Hazards & OfThePlace)
        | (unit.Circuit.Refrigerant is { IsFlammable: true } ? Hazards.Flammable : Hazards.None)
        | (unit.Circuit.Refrigerant is { Name: CarbonDioxide } ? Hazards.HighPressureCo2 : Hazards.None);

    /// <summary>Every single hazard in a set.</summary>
    public static IEnumerable<Hazards> Each(this Hazards hazards) =>
        Enum.GetValues<Hazards>().Where(h => h != Hazards.None && hazards.HasFlag(h));
}
