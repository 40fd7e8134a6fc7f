using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Storage;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Refrigerants;

/// <summary>The standing-pressure test: system off and settled, one or two readings.</summary>
public sealed class StandingModel(CompanyStore companies) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? Label { get; set; }

    public Refrigerant Fluid { get; private set; } = null!;

    public UnitText Units { get; private set; } = null!;

    public StandingResult? Result { get; private set; }

    public FilledForm Form { get; private set; } = null!;

    public IActionResult OnGet()
    {
        if (RefrigerantCatalogue.Find(Label ?? "R404A") is not { } fluid)
            return NotFound();
        Fluid = fluid;
        var preference = companies.Get().Units;
        Form = new(preference);
        Form.Keep(Request.Query);
        var atmosphere = Atmosphere.AtElevation(ElevationText.Read(Form));
        Units = new(preference, atmosphere);
        if (!Form.Has("p1") && !Form.Has("t1"))
            return Page();

        var first = Reading("1", atmosphere);
        var second = Form["p2"].Length > 0 || Form["t2"].Length > 0 ? Reading("2", atmosphere) : null;
        if (!Form.IsWrong)
            Result = StandingPressureTest.Judge(fluid, first!.Value, second);
        return Page();
    }

    private StandingReading? Reading(string number, Pressure atmosphere)
    {
        var p = Form.Value("p" + number, QuantityKind.Pressure, required: true);
        var t = Form.Value("t" + number, QuantityKind.Temperature, required: true);
        return p is null || t is null ? null : new(new(p.Si(atmosphere)), t.Temperature);
    }
}
