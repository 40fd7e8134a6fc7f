using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

/// <summary>The company's cylinders, what is in them, and the year's balance of each refrigerant.</summary>
public sealed class CylindersModel(
    CylinderStore cylinders, VisitStore visits, EquipmentStore equipment, CompanyStore companies, TimeProvider time) : PageModel
{
    private readonly IReadOnlyList<(Guid UnitId, RefrigerantEntry Row)> ledger = visits.Ledger();

    public Guid NewId => Guid.CreateVersion7(time.GetUtcNow());

    public UnitText Units => field ??= new(companies.Get().Units, Pressure.StandardAtmosphere);

    public FilledForm Form => field ??= new(Units.Units);

    /// <summary>Each cylinder with what is in it, kg.</summary>
    public IReadOnlyList<(Cylinder Cylinder, double ContentKg)> Cylinders =>
        field ??= [.. cylinders.All().Select(c => (c, ChargeBook.ContentKg(c, ledger.Select(l => l.Row))))];

    /// <summary>What went out of a cylinder and into it, the latest first.</summary>
    public IReadOnlyList<(Equipment? Unit, RefrigerantEntry Row)> RowsOf(Cylinder cylinder) =>
        [.. ledger.Where(l => ChargeBook.IsOf(l.Row, cylinder)).OrderByDescending(l => l.Row.At)
            .Select(l => (ById.GetValueOrDefault(l.UnitId), l.Row))];

    public IReadOnlyList<RefrigerantYear> Years => field ??= ChargeBook.Years(ledger.Select(l => l.Row), row => row.At.Year);

    private Dictionary<Guid, Equipment> ById => field ??= equipment.All().ToDictionary(u => u.Id);

    /// <summary>Units to which more was added in the last year than was taken out, the largest share first.</summary>
    public IReadOnlyList<(Equipment Unit, LeakYear Leak)> Leaks => field ??=
        [.. ledger.GroupBy(l => l.UnitId).Select(g => (Unit: ById.GetValueOrDefault(g.Key), Rows: g.Select(l => l.Row).ToList()))
            .Where(u => u.Unit is not null).Select(u => (u.Unit!, ChargeBook.Leak(
                u.Rows.Where(r => r.Refrigerant == u.Unit!.Circuit.RefrigerantName), u.Unit!.Circuit.ChargeKg, u.Rows.Min(r => r.At),
                time.GetUtcNow())))
            .Where(u => u.Item2.AddedKg > 0).OrderByDescending(u => u.Item2.Share ?? 0)];

    public IActionResult OnPost(Guid cylinderId, CylinderKind kind)
    {
        if (cylinderId == Guid.Empty || !Enum.IsDefined(kind))
            return BadRequest();
        Form.Keep(Request.Form);
        var label = Form.Text("label", 40, missing: "Type what is written on it, such as R-4.");
        var fluid = RefrigerantCatalogue.Find(Form["refrigerant"]);
        if (fluid is null && (kind == CylinderKind.Supply || Form["refrigerant"].Length > 0))
            Form.Errors["refrigerant"] = "Type the refrigerant on the cylinder, such as R404A.";
        var tare = Form.Weight("tare", 0.1, 500);
        if (Form["tare"].Length == 0)
            Form.Errors["tare"] = "Type what it weighs empty; it is stamped on the collar.";
        var water = Form.Si("water", QuantityKind.Volume, required: true);
        if (water is <= 0 or > 1000)
            Form.Errors["water"] = "Type what it holds of water; it is stamped on the collar.";
        var content = Form.Weight("content", 0, 1000) ?? 0;
        if (Form.IsWrong)
            return Page();
        if (!cylinders.Add(new(cylinderId, label, kind, fluid?.Name ?? "", tare!.Value, water!.Value, content)))
        {
            Form.Errors["label"] = $"{label} is on the list already.";
            return Page();
        }

        return RedirectToPage();
    }

    public IActionResult OnPostRetire(Guid cylinder)
    {
        cylinders.Retire(cylinder);
        return RedirectToPage();
    }
}
