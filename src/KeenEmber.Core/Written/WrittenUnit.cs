using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Written;

/// <summary>A unit as it is written down, with its circuit: names instead of numbers, SI units.</summary>
public sealed class WrittenUnit
{
    /// <summary>As in the unit.</summary>
    public string Id { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string SiteId { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Tag { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Name { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Kind { get; init; } = "";
    /// <summary>K.</summary>
    public double TargetK { get; init; }
    /// <summary>As in the unit.</summary>
    public int EvaporatorFans { get; init; }
    /// <summary>As in the unit.</summary>
    public string Product { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Location { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Hazards { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string CircuitId { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Refrigerant { get; init; } = "";
    /// <summary>kg, as on the plate.</summary>
    public double? ChargeKg { get; init; }
    /// <summary>As in the unit.</summary>
    public string Metering { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Condenser { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Parts { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public string Nameplate { get; init; } = "";
    /// <summary>As in the unit.</summary>
    public int Coils { get; init; }
    /// <summary>A, as on the plate.</summary>
    public double? RatedCurrentA { get; init; }
    /// <summary>K.</summary>
    public double? ColdestAmbientK { get; init; }
    /// <summary>K.</summary>
    public double? SecondTargetK { get; init; }
    /// <summary>As in the unit.</summary>
    public string RackCircuit { get; init; } = "";

    /// <summary>Of a unit.</summary>
    public static WrittenUnit Of(Equipment unit) => new()
    {
        Id = unit.Id.ToString(), SiteId = unit.SiteId.ToString(), Tag = unit.Tag, Name = unit.Name, Kind = unit.Kind.ToString(),
            TargetK = unit.Target.Kelvin, EvaporatorFans = unit.EvaporatorFans,
        Product = unit.Product, Location = unit.Location, Hazards = unit.Hazards.ToString(), CircuitId = unit.Circuit.Id.ToString(),
            Refrigerant = unit.Circuit.RefrigerantName,
        ChargeKg = unit.Circuit.ChargeKg, Metering = unit.Circuit.Metering.ToString(), Condenser = unit.Circuit.Condenser.ToString(),
            Parts = unit.Circuit.Parts.ToString(),
        Nameplate = unit.Circuit.Nameplate, Coils = unit.Circuit.Coils, RatedCurrentA = unit.Circuit.RatedCurrentA,
            ColdestAmbientK = unit.Circuit.ColdestAmbient?.Kelvin, SecondTargetK = unit.SecondTarget?.Kelvin,
            RackCircuit = unit.Circuit.RackCircuit,
    };

    /// <summary>The unit again.</summary>
    public Equipment ToEquipment() => new(
        Guid.Parse(Id), Guid.Parse(SiteId), Tag, Name, Enum.Parse<EquipmentKind>(Kind), new(TargetK), EvaporatorFans, Product, Location,
        new(Guid.Parse(CircuitId), Refrigerant, ChargeKg, Enum.Parse<Metering>(Metering), Enum.Parse<CondenserKind>(Condenser),
            Enum.Parse<CircuitParts>(Parts), Nameplate)
        {
            Coils = Coils, RatedCurrentA = RatedCurrentA, ColdestAmbient = ColdestAmbientK is { } k ? new(k) : null,
            RackCircuit = RackCircuit,
        })
    {
        Hazards = Enum.Parse<Hazards>(Hazards), SecondTarget = SecondTargetK is { } second ? new(second) : null,
    };
}
