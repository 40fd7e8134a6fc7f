using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Plant;

/// <summary>One refrigerated box or case, as its tag names it.</summary>
/// <param name="Tag">The label on the unit, unique at its site.</param>
/// <param name="Target">Box temperature it is meant to hold.</param>
/// <param name="EvaporatorFans">How many fans blow over the coil; 0 for a coil without.</param>
public sealed record Equipment(
    Guid Id, Guid SiteId, string Tag, string Name, EquipmentKind Kind, Temperature Target,
    int EvaporatorFans, string Product, string Location, RefrigerationCircuit Circuit)
{
    /// <summary>Somebody practises on it: it exists only in arithmetic.</summary>
    public bool IsPractice => SiteId == Site.PracticeId;

    /// <summary>Of the place it stands in; those of its refrigerant come by themselves.</summary>
    public Hazards Hazards { get; init; }

    /// <summary>What the second of two sides is meant to hold; null where that is the same.</summary>
    public Temperature? SecondTarget { get; init; }

    /// <summary>The temperature a side is meant to hold.</summary>
    /// <param name="coil">1 or 2.</param>
    public Temperature TargetOf(int coil) => coil == 2 && Circuit.Coils > 1 && SecondTarget is { } second ? second : Target;

    /// <summary>What its circuit has, which decides points, facts and targets.</summary>
    public CircuitMakeUp MakeUp => new(Kind, Circuit.Metering, Circuit.Condenser, Circuit.Parts, Circuit.Coils, Circuit.RatedCurrentA);
}

/// <summary>The sealed system that serves a unit. One per unit for now.</summary>
/// <param name="ChargeKg">Charge on the plate, kg; null when unknown.</param>
/// <param name="Nameplate">Free text: compressor, motors, heaters as the plates say.</param>
public sealed record RefrigerationCircuit(
    Guid Id, string RefrigerantName, double? ChargeKg, Metering Metering, CondenserKind Condenser, CircuitParts Parts, string Nameplate)
{
    /// <summary>1, or 2 for a case with two sides and a table with rail and base.</summary>
    public int Coils { get; init; } = 1;

    /// <summary>Compressor current on the plate, A; null when unknown.</summary>
    public double? RatedCurrentA { get; init; }

    /// <summary>The coldest air the condenser ever stands in; pressure controls must work there too. Null when unknown.</summary>
    public Temperature? ColdestAmbient { get; init; }

    /// <summary>What a rack's labels call the circuit: its system and number, such as "B-12"; empty without.</summary>
    public string RackCircuit { get; init; } = "";

    /// <summary>Null when the name is not in the catalogue, which the pages then say.</summary>
    public Refrigerant? Refrigerant => RefrigerantCatalogue.Find(RefrigerantName);
}
