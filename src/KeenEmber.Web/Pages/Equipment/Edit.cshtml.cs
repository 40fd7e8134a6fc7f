using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Equipment;

/// <summary>One short page for a new unit and for the nameplate of one that exists.</summary>
public sealed class EditModel(EquipmentStore equipment, ShopStore shops, TimeProvider time) : PageModel
{
    public FilledForm Form { get; private set; } = null!;

    /// <summary>The id a new unit gets, made when the form is first shown.</summary>
    public Guid UnitId { get; private set; }

    public IReadOnlyList<Site> Sites { get; private set; } = [];

    public Shop Shop { get; private set; } = null!;

    public bool IsNew { get; private set; }

    public IActionResult OnGet(Guid? id)
    {
        if (!Prepare(id, out var existing))
            return NotFound();
        if (existing is var (unit, site))
            Form = UnitForm.Of(unit, site, Shop);
        else
            UnitForm.Begin(Form, Sites.Count > 0 ? Sites[0] : null);
        return Page();
    }

    public IActionResult OnPost(Guid? id, Guid unitId)
    {
        if (!Prepare(id, out var existing))
            return NotFound();
        if (IsNew && unitId == Guid.Empty)
            return BadRequest();
        UnitId = unitId;
        Form.Keep(Request.Form);
        if (existing is var (stored, storedSite) && Form.IsOvertakenBy(UnitForm.Of(stored, storedSite, Shop)))
            return Page();
        if (UnitForm.Read(Form, unitId, existing, Sites) is not var (unit, site))
            return Page();
        if (equipment.Save(unit, site))
            return RedirectToPage("/Equipment/Unit", new { unit.Id });
        Form.Errors["tag"] = $"{site.Name} has a unit {unit.Tag} already.";
        return Page();
    }

    private bool Prepare(Guid? id, out (Core.Service.Equipment, Site)? existing)
    {
        existing = id is { } known ? equipment.Find(known) : null;
        IsNew = id is null;
        UnitId = id ?? Guid.CreateVersion7(time.GetUtcNow());
        Shop = shops.Get();
        Form = new(Shop.Units);
        Sites = equipment.Sites();
        return IsNew || existing is not null;
    }
}
