using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Refrigerants;

/// <summary>The standing-pressure test: system off and settled, one or two readings.</summary>
public sealed class StandingModel(ShopStore shops) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? Label { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? P1 { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? T1 { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? P2 { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? T2 { get; set; }

    [BindProperty(SupportsGet = true, Name = "elevation")]
    public string? ElevationM { get; set; }

    public Refrigerant Fluid { get; private set; } = null!;

    public UnitText Units { get; private set; } = null!;

    public StandingResult? Result { get; private set; }

    public Dictionary<string, string> Errors { get; } = [];

    public IActionResult OnGet()
    {
        if (RefrigerantCatalogue.Find(Label ?? "R404A") is not { } fluid)
            return NotFound();
        Fluid = fluid;
        var preference = shops.Get().Units;
        var (elevationM, error) = ElevationText.Read(ElevationM);
        if (error is not null)
            Errors["elevation"] = error;
        var atmosphere = Atmosphere.AtElevation(elevationM);
        Units = new(preference, atmosphere);
        if (P1 is null && T1 is null)
            return Page();

        var first = Reading("1", P1, T1, preference, atmosphere);
        var hasSecond = !string.IsNullOrWhiteSpace(P2) || !string.IsNullOrWhiteSpace(T2);
        var second = hasSecond ? Reading("2", P2, T2, preference, atmosphere) : null;
        if (Errors.Count == 0)
            Result = StandingPressureTest.Judge(fluid, first!.Value, second);
        return Page();
    }

    private StandingReading? Reading(string number, string? pressure, string? temperature, UnitPreference units, Pressure atmosphere)
    {
        var p = Value("p" + number, pressure, QuantityKind.Pressure, units);
        var t = Value("t" + number, temperature, QuantityKind.Temperature, units);
        return p is null || t is null ? null : new(new(p.Si(atmosphere)), t.Temperature);
    }

    private TypedValue? Value(string field, string? text, QuantityKind kind, UnitPreference units)
    {
        var read = QuantityReader.Read(text, kind, units);
        if (read.Problem is { } problem)
            Errors[field] = TypingText.Problem(problem, kind, units);
        return read.Value;
    }
}
