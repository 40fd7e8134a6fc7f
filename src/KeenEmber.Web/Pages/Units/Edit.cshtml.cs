using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Web.People;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Units;

/// <summary>One short page for a new unit and for the nameplate of one that exists.</summary>
public sealed class EditModel(EquipmentStore equipment, CompanyStore companies, TimeProvider time) : PageModel
{
    public FilledForm Form { get; private set; } = null!;

    /// <summary>The id a new unit gets, made when the form is first shown.</summary>
    public Guid UnitId { get; private set; }

    public IReadOnlyList<Site> Sites { get; private set; } = [];

    public Company Company { get; private set; } = null!;

    public bool IsNew { get; private set; }

    public IActionResult OnGet(Guid? id)
    {
        if (!Prepare(id, out var existing))
            return NotFound();
        if (existing is var (unit, site))
            Form = UnitForm.Of(unit, site, Company);
        else
        {
            UnitForm.Begin(Form, Sites.Count > 0 ? Sites[0] : null);
            UnitForm.AsUsual(Form);
        }

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
        if (existing is var (stored, storedSite) && Form.IsOvertakenBy(UnitForm.Of(stored, storedSite, Company)))
            return Page();
        var read = UnitForm.Read(Form, unitId, existing, Sites);
        var since = existing is var (before, place) ? Since(before, read?.Unit, new(place)) : null;
        if (Form.IsWrong || read is not var (unit, site))
            return Page();
        if (equipment.Save(
            unit, site,
            new(time.GetUtcNow(), Accounts.NameOf(HttpContext) ?? "", BrowserNotes.Device(HttpContext), since)))
            return RedirectToPage("/Units/Unit", new { unit.Id });
        Form.Errors["tag"] = $"{site.Name} has a unit {unit.Tag} already.";
        return Page();
    }

    /// <summary>Since when the unit is so; null where the nameplate was wrong. Whether another refrigerant is the one or the other cannot
    /// be guessed.</summary>
    private DateTimeOffset? Since(Equipment before, Equipment? after, SiteClock clock)
    {
        var now = time.GetUtcNow();
        switch (Form[UnitForm.Holds])
        {
            case UnitForm.FromNow:
                return now;
            case UnitForm.FromThen:
                var day = Form.Day("sinceDay", DateOnly.FromDateTime(EntryBounds.Earliest.Date), required: true);
                if (Form["sinceTime"].Length == 0)
                    Form["sinceTime"] = "12:00";
                var moment = day is { } d ? Form.Moment("sinceTime", d, clock, "sinceDay") : null;
                if (moment > now)
                    Form.Errors["sinceDay"] = "Type a day up to today.";
                return moment;
            case UnitForm.Always:
                return null;
        }

        if (after is not null && after.Circuit.RefrigerantName != before.Circuit.RefrigerantName)
            Form.Errors[UnitForm.Holds] = "Choose: was the unit converted, or was the nameplate wrong? Earlier visits are judged by it.";
        return null;
    }

    private bool Prepare(Guid? id, out (Equipment, Site)? existing)
    {
        existing = id is { } known ? equipment.Find(known) : null;
        IsNew = id is null;
        UnitId = id ?? Guid.CreateVersion7(time.GetUtcNow());
        Company = companies.Get();
        Form = new(Company.Units);
        Sites = equipment.Sites();
        return IsNew || existing is not null;
    }
}
