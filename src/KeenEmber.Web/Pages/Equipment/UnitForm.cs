using System.Globalization;
using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Equipment;

/// <summary>A unit as it is typed: everything is text until it has been read.</summary>
public sealed class UnitForm
{
    public const double LargestChargeKg = 5000;
    public const int MostFans = 24;

    public Guid UnitId { get; set; }
    public string? Tag { get; set; }
    public EquipmentKind Kind { get; set; }
    public string? Refrigerant { get; set; }
    public string? Target { get; set; }
    public string? Name { get; set; }
    public string? SiteName { get; set; }
    public string? ElevationM { get; set; }
    public string? Location { get; set; }
    public Metering Metering { get; set; }
    public CondenserKind Condenser { get; set; }
    public string? Charge { get; set; }
    public string? Fans { get; set; }
    public CircuitParts[] Parts { get; set; } = [];
    public int Coils { get; set; } = 1;
    public string? RatedCurrentA { get; set; }
    public string? ColdestAmbient { get; set; }
    public string? Product { get; set; }
    public string? Nameplate { get; set; }
    public Hazards[] Hazards { get; set; } = [];

    public static UnitForm Empty(Guid newId, Site? site) => new()
    {
        UnitId = newId, Fans = "1", Parts = [CircuitParts.Receiver], SiteName = site?.Name, ElevationM = Plain(site?.ElevationM),
    };

    public static UnitForm Of(Core.Service.Equipment unit, Site site, UnitText units) => new()
    {
        UnitId = unit.Id, Tag = unit.Tag, Kind = unit.Kind, Refrigerant = unit.Circuit.RefrigerantName, Target = units.Temperature(unit.Target.Kelvin),
        Name = unit.Name, SiteName = site.Name, ElevationM = Plain(site.ElevationM), Location = unit.Location, Metering = unit.Circuit.Metering,
        Condenser = unit.Circuit.Condenser, Charge = unit.Circuit.ChargeKg is { } kg ? units.Mass(kg) : null, Fans = Plain(unit.EvaporatorFans), Parts = [.. EquipmentText.Parts.Where(p => unit.Circuit.Parts.HasFlag(p))], Coils = unit.Circuit.Coils,
        RatedCurrentA = Plain(unit.Circuit.RatedCurrentA), ColdestAmbient = unit.Circuit.ColdestAmbient is { } coldest ? units.Temperature(coldest.Kelvin) : null,
        Product = unit.Product, Nameplate = unit.Circuit.Nameplate, Hazards = [.. unit.Hazards.Each()],
    };

    /// <summary>The unit and its site, or a message for every field that cannot be read.</summary>
    /// <param name="existing">The unit and site being edited; null for a new one.</param>
    /// <param name="known">Sites to choose from by name.</param>
    public (Core.Service.Equipment? Unit, Site? Site, Dictionary<string, string> Errors) Read(
        (Core.Service.Equipment Unit, Site Site)? existing, IReadOnlyList<Site> known, UnitPreference units)
    {
        var errors = new Dictionary<string, string>();
        var tag = TypingText.Kept(Tag, 20);
        if (tag.Length == 0)
            errors["tag"] = "Type what the label on the unit says, such as F-3.";

        var refrigerant = RefrigerantCatalogue.Find(Refrigerant);
        if (refrigerant is null)
        {
            errors["refrigerant"] = TypingText.Kept(Refrigerant, 20).Length == 0
                ? "Type the refrigerant from the plate, such as R404A."
                : $"“{TypingText.Kept(Refrigerant, 20)}” is not in the catalogue. It knows {string.Join(", ", RefrigerantCatalogue.All)}.";
        }

        var target = QuantityReader.Read(Target, QuantityKind.Temperature, units);
        if (target.Problem is { } problem)
            errors["target"] = TypingText.Problem(problem, QuantityKind.Temperature, units);

        var chosen = known.FirstOrDefault(s => string.Equals(s.Name, TypingText.Kept(SiteName, 60), StringComparison.OrdinalIgnoreCase))
            ?? new Site(Guid.CreateVersion7(), TypingText.Kept(SiteName, 60) is { Length: > 0 } name ? name : "First site", 0, TimeZoneInfo.Local.Id);
        var elevationM = Optional(ElevationM, Atmosphere.LowestElevationM, Atmosphere.HighestElevationM, "elevation", errors) ?? chosen.ElevationM;
        var chargeKg = ReadCharge(units, errors);
        var fans = Optional(Fans, 0, MostFans, "fans", errors) ?? 1;
        var ratedA = Optional(RatedCurrentA, 0.05, 2000, "current", errors);
        Temperature? coldest = null;
        if (!string.IsNullOrWhiteSpace(ColdestAmbient))
        {
            var typed = QuantityReader.Read(ColdestAmbient, QuantityKind.Temperature, units);
            coldest = typed.Value?.Temperature;
            if (typed.Problem is { } trouble)
                errors["coldest"] = TypingText.Problem(trouble, QuantityKind.Temperature, units);
        }

        if (fans != Math.Floor(fans))
            errors["fans"] = $"A whole number from 0 to {MostFans}.";
        if (errors.Count > 0)
            return (null, null, errors);

        var circuit = new RefrigerationCircuit(existing?.Unit.Circuit.Id ?? Guid.CreateVersion7(), refrigerant!.Name, chargeKg, Metering, Condenser,
            Parts.Aggregate(CircuitParts.None, (all, part) => all | part), TypingText.Kept(Nameplate, 2000))
        {
            Coils = Coils == 2 ? 2 : 1, RatedCurrentA = ratedA, ColdestAmbient = coldest,
        };
        var site = chosen with { ElevationM = elevationM };
        return (new(existing?.Unit.Id ?? UnitId, site.Id, tag, TypingText.Kept(Name, 60) is { Length: > 0 } given ? given : Sentence(Kind),
            Kind, target.Value!.Temperature, (int)fans, TypingText.Kept(Product, 100), TypingText.Kept(Location, 100), circuit)
        {
            Hazards = Hazards.Aggregate(Core.Service.Hazards.None, (all, hazard) => all | hazard) & HazardsOfAUnit.OfThePlace,
        }, site, errors);
    }

    private double? ReadCharge(UnitPreference units, Dictionary<string, string> errors)
    {
        if (string.IsNullOrWhiteSpace(Charge))
            return null;
        var read = QuantityReader.Read(Charge, QuantityKind.Mass, units);
        if (read.Problem is { } problem)
            errors["charge"] = TypingText.Problem(problem, QuantityKind.Mass, units);
        else if (read.Value!.Si(default) is not (>= 0.001 and <= LargestChargeKg))
            errors["charge"] = $"A mass from 1 g to {LargestChargeKg:F0} kg, or nothing.";
        return read.Value?.Si(default);
    }

    private static string Sentence(EquipmentKind kind) => CircuitText.Sentence(EquipmentText.Name(kind));

    private static double? Optional(string? text, double low, double high, string field, Dictionary<string, string> errors)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (QuantityReader.Number(text) is { } number && number >= low && number <= high)
            return number;
        errors[field] = $"A number from {Plain(low)} to {Plain(high)}, or nothing.";
        return null;
    }

    private static string? Plain(double? number) => number?.ToString("0.###", CultureInfo.InvariantCulture);
}
