using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Equipment;

/// <summary>One short page for a new unit and for the nameplate of one that exists.</summary>
public sealed class EditModel(EquipmentStore equipment, ShopStore shops, TimeProvider time) : PageModel
{
    [BindProperty(Name = "")]
    public UnitForm Form { get; set; } = new();

    public IReadOnlyDictionary<string, string> Errors { get; private set; } = new Dictionary<string, string>();

    public IReadOnlyList<Site> Sites { get; private set; } = [];

    public Shop Shop { get; private set; } = null!;

    public bool IsNew { get; private set; }

    public IActionResult OnGet(Guid? id)
    {
        if (!Prepare(id, out var existing))
            return NotFound();
        Form = existing is var (unit, site)
            ? UnitForm.Of(unit, site, new UnitText(Shop.Units, site.Atmosphere))
            : UnitForm.Empty(Guid.CreateVersion7(time.GetUtcNow()), Sites.Count > 0 ? Sites[0] : null);
        return Page();
    }

    public IActionResult OnPost(Guid? id)
    {
        if (!Prepare(id, out var existing))
            return NotFound();
        if (IsNew && Form.UnitId == Guid.Empty)
            return BadRequest();
        var (unit, site, errors) = Form.Read(existing, Sites, Shop.Units);
        if (unit is not null && !equipment.Save(unit, site!))
            errors["tag"] = $"{site!.Name} has a unit {unit.Tag} already.";
        Errors = errors;
        return errors.Count > 0 ? Page() : RedirectToPage("/Equipment/Unit", new { unit!.Id });
    }

    private bool Prepare(Guid? id, out (Core.Service.Equipment, Site)? existing)
    {
        existing = id is { } known ? equipment.Find(known) : null;
        IsNew = id is null;
        Shop = shops.Get();
        Sites = equipment.Sites();
        return IsNew || existing is not null;
    }
}
