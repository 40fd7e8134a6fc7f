using KeenEmber.Core.Plant;
using KeenEmber.Storage;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Units;

/// <summary>A label to print and stick on the unit: whoever comes next opens its page from it.</summary>
public sealed class LabelModel(EquipmentStore equipment, CompanyStore companies) : PageModel
{
    public Equipment Unit { get; private set; } = null!;

    public string CompanyName { get; private set; } = "";

    public UnitText Units { get; private set; } = null!;

    public string Address { get; private set; } = "";


    public IActionResult OnGet(Guid id)
    {
        if (equipment.Find(id) is not var (unit, site))
            return NotFound();
        Unit = unit;
        var company = companies.Get();
        (CompanyName, Units) = (company.Name, new(company.Units, site.Atmosphere));
        Address = $"{Request.Scheme}://{Request.Host}/equipment/{unit.Id}";
        return Page();
    }
}
