using System.Globalization;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using NodaTime;

namespace KeenEmber.Web.Pages.Units;

/// <summary>A unit in the fields of a form.</summary>
public static class UnitForm
{
    /// <summary>The field that says since when a changed nameplate holds, and its choices.</summary>
    public const string Holds = "holds", Always = "always", FromNow = "now", FromThen = "then";

    private const double LargestChargeKg = 5000;

    private const int MostFans = 24;

    /// <summary>Shows what is the same on most units.</summary>
    public static void Begin(FilledForm form, Site? site)
    {
        (form["fans"], form["coils"]) = ("1", "1");
        (form["site"], form["elevation"], form["zone"]) =
            (site?.Name ?? "", Plain(site?.ElevationM), site?.TimeZone ?? SiteClock.ZoneOfTheMachine);
    }

    /// <summary>Shows what is not said of a circuit as it mostly is on units of the kind that the form says.</summary>
    public static void AsUsual(FilledForm form)
    {
        var usual = CircuitMakeUp.UsualOf(form.Choice<EquipmentKind>("kind"));
        if (form["metering"].Length == 0 && form["condenser"].Length == 0)
            form["parts"] = PartsOf(usual);
        if (form["metering"].Length == 0)
            form["metering"] = usual.Metering.ToString();
        if (form["condenser"].Length == 0)
            form["condenser"] = usual.Condenser.ToString();
    }

    /// <summary>Parts as the form keeps them.</summary>
    public static string PartsOf(CircuitMakeUp makeUp) =>
        string.Join(',', EquipmentText.Parts.Where(p => makeUp.Parts.HasFlag(p)));

    /// <summary>The form as it shows a unit that is on record.</summary>
    public static FilledForm Of(Equipment unit, Site site, Company company)
    {
        var (form, units) = (new FilledForm(company.Units), new UnitText(company.Units, site.Atmosphere));
        var circuit = unit.Circuit;
        (form["tag"], form["kind"], form["refrigerant"], form["target"]) =
            (unit.Tag, unit.Kind.ToString(), circuit.RefrigerantName, units.Temperature(unit.Target.Kelvin));
        (form["name"], form["site"], form["elevation"], form["location"]) = (unit.Name, site.Name, Plain(site.ElevationM), unit.Location);
        (form["metering"], form["condenser"], form["coils"], form["fans"]) =
            (circuit.Metering.ToString(), circuit.Condenser.ToString(), Plain(circuit.Coils), Plain(unit.EvaporatorFans));
        (form["charge"], form["current"]) = (circuit.ChargeKg is { } kg ? units.Mass(kg) : "", Plain(circuit.RatedCurrentA));
        form["coldest"] = circuit.ColdestAmbient is { } coldest ? units.Temperature(coldest.Kelvin) : "";
        form["secondTarget"] = unit.SecondTarget is { } second ? units.Temperature(second.Kelvin) : "";
        form["rackCircuit"] = circuit.RackCircuit;
        (form["product"], form["nameplate"]) = (unit.Product, circuit.Nameplate);
        form["zone"] = site.TimeZone;
        form["parts"] = PartsOf(unit.MakeUp);
        form["hazards"] = string.Join(',', unit.Hazards.Each());
        return form;
    }

    /// <summary>As a unit is named whose label says nothing.</summary>
    private const string NotKnown = "unknown";

    /// <summary>By its name in the catalogue; one that is not there is kept by name once that was confirmed, and so is an unknown
    /// one.</summary>
    private static string RefrigerantOf(FilledForm form)
    {
        var typed = form.Text("refrigerant", 20, missing: "Type the refrigerant from the nameplate, such as R404A, or unknown.");
        if (RefrigerantCatalogue.Find(typed) is { } fluid)
            return fluid.Name;
        if (typed.Equals(NotKnown, StringComparison.OrdinalIgnoreCase))
            return NotKnown;
        if (form["byName"] != "true")
        {
            var known = RefrigerantCatalogue.Near(typed) is { Count: > 0 } near
                ? $"Look at the nameplate: {string.Join(" or ", near)}?" : $"It knows {string.Join(", ", RefrigerantCatalogue.All)}.";
            form.Errors.TryAdd("refrigerant", $"“{typed}” is not in the catalogue. {known} Tick below to keep it by name.");
        }

        return typed;
    }

    /// <summary>The unit and its site; null when a field cannot be read, which the form then says.</summary>
    /// <param name="newId">The id of a unit that does not exist yet.</param>
    /// <param name="existing">The unit and site being edited; null for a new one.</param>
    /// <param name="known">Sites to choose from by name.</param>
    public static (Equipment Unit, Site Site)? Read(
        FilledForm form, Guid newId, (Equipment Unit, Site Site)? existing, IReadOnlyList<Site> known)
    {
        var tag = form.Text("tag", 20, missing: "Type what the label on the unit says, such as F-3.");
        var kind = form.Choice<EquipmentKind>("kind");
        var refrigerant = RefrigerantOf(form);
        var target = form.Value("target", QuantityKind.Temperature, required: true);

        var siteName = form.Text("site", 60);
        var chosen = known.FirstOrDefault(s => string.Equals(s.Name, siteName, StringComparison.OrdinalIgnoreCase))
            ?? new Site(Guid.CreateVersion7(), siteName.Length > 0 ? siteName : "First site", 0, SiteClock.ZoneOfTheMachine);
        var elevationM = form.Number("elevation", Atmosphere.LowestElevationM, Atmosphere.HighestElevationM) ?? chosen.ElevationM;
        var zone = form["zone"].Length == 0 ? chosen.TimeZone : form.Text("zone", 60);
        if (DateTimeZoneProviders.Tzdb.GetZoneOrNull(zone) is null)
            form.Errors["zone"] = "Type a time zone such as Europe/London or America/Chicago.";
        var chargeKg = form.Value("charge", QuantityKind.Mass)?.Si(default);
        if (chargeKg is not (null or >= 0.001 and <= LargestChargeKg))
            form.Errors["charge"] = $"A weight from 1 g to {LargestChargeKg:F0} kg, or nothing.";
        var fans = form["fans"].Length == 0 ? 1 : form.Whole("fans", 0, MostFans, "fans");
        var ratedA = form.Number("current", 0.05, 2000, "amperes");
        var coldest = form.Value("coldest", QuantityKind.Temperature)?.Temperature;
        var second = form.Value("secondTarget", QuantityKind.Temperature)?.Temperature;
        var (metering, condenser) = (form.Choice<Metering>("metering"), form.Choice<CondenserKind>("condenser"));
        if (form.IsWrong)
            return null;

        var circuit =
            new RefrigerationCircuit(existing?.Unit.Circuit.Id ?? Guid.CreateVersion7(), refrigerant, chargeKg, metering, condenser,
            form.Ticked<CircuitParts>("parts").Aggregate(CircuitParts.None, (all, part) => all | part), form.Text("nameplate", 2000))
        {
            Coils = form["coils"] == "2" ? 2 : 1, RatedCurrentA = ratedA, ColdestAmbient = coldest,
            RackCircuit = condenser == CondenserKind.Rack ? form.Text("rackCircuit", 20) : "",
        };
        // A site that is known is changed on the nameplate of a unit that stands there, not by adding one.
        var site = existing is null && known.Contains(chosen) ? chosen : chosen with { ElevationM = elevationM, TimeZone = zone };
        return (new(
            existing?.Unit.Id ?? newId, site.Id, tag, form.Text("name", 60) is { Length: > 0 } name ? name
            : CircuitText.Sentence(EquipmentText.Name(kind)),
            kind, target!.Temperature, fans, form.Text("product", 100), form.Text("location", 100), circuit)
        {
            SecondTarget = circuit.Coils > 1 ? second : null,
            Hazards = form.Ticked<Hazards>("hazards").Aggregate(Hazards.None, (all, hazard) => all | hazard) & HazardsOfAUnit.OfThePlace,
        }, site);
    }

    private static string Plain(double? number) => number?.ToString("0.###", CultureInfo.InvariantCulture) ?? "";
}
