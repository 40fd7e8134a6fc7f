using KeenEmber.Core.Plant;
using KeenEmber.Storage;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using QRCoder;

namespace KeenEmber.Web.Pages.Units;

/// <summary>A label to print and stick on the unit: whoever comes next opens its page from it.</summary>
public sealed class LabelModel(EquipmentStore equipment, CompanyStore companies) : PageModel
{
    /// <summary>Side of one module of the code in the drawing, units of it.</summary>
    private const int ModuleSize = 4;

    public Equipment Unit { get; private set; } = null!;

    public string CompanyName { get; private set; } = "";

    public UnitText Units { get; private set; } = null!;

    public string Address { get; private set; } = "";

    /// <summary>The code as an SVG drawing, dark on light in any theme: a scanner wants it so.</summary>
    public string Code { get; private set; } = "";

    public IActionResult OnGet(Guid id)
    {
        if (equipment.Find(id) is not var (unit, site))
            return NotFound();
        Unit = unit;
        var company = companies.Get();
        (CompanyName, Units) = (company.Name, new(company.Units, site.Atmosphere));
        Address = $"{Request.Scheme}://{Request.Host}/equipment/{unit.Id}";
        using var data = QRCodeGenerator.GenerateQrCode(Address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        Code = code.GetGraphic(ModuleSize, "#000000", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute);
        return Page();
    }
}
