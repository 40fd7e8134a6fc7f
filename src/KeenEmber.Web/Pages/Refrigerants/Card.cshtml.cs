using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Storage;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Refrigerants;

/// <summary>One refrigerant: what it is, its two lines, and a card to print.</summary>
public sealed class CardModel(CompanyStore companies) : PageModel
{
    private const string First = "R404A";

    /// <summary>Ends of the slider, °C.</summary>
    public const int SliderLowC = -50;
    public const int SliderHighC = 65;

    [BindProperty(SupportsGet = true)]
    public string? Name { get; set; }

    public Refrigerant Fluid { get; private set; } = null!;

    public UnitText Mine { get; private set; } = null!;

    /// <summary>Both systems side by side, the company's own first.</summary>
    public IReadOnlyList<UnitText> Both { get; private set; } = [];

    /// <summary>Dew and bubble pressure where a temperature was asked for, the same pressure twice where a pressure was.</summary>
    public (Pressure Bubble, Pressure Dew)? Pressures { get; private set; }

    public (Temperature Bubble, Temperature Dew)? Temperatures { get; private set; }

    public bool AskedForPressure { get; private set; }

    /// <summary>The elevation, and a pressure or a temperature: the unit says which, a bare number is a gauge pressure.</summary>
    public FilledForm Form { get; private set; } = null!;

    public IActionResult OnGet()
    {
        // The picker sends the name as a query value; the address of a refrigerant is its own.
        var units = companies.Get().Units;
        Form = new(units);
        Form.Keep(Request.Query);
        if (RefrigerantCatalogue.Find(Form["pick"]) is { } picked)
            return RedirectToPage(new { name = picked.Name, at = Form["at"], elevation = Form["elevation"] });
        if (RefrigerantCatalogue.Find(Name ?? First) is not { } fluid)
            return NotFound();
        Fluid = fluid;
        var atmosphere = Atmosphere.AtElevation(ElevationText.Read(Form));
        UnitText In(UnitPreference preference) => new(preference, atmosphere);
        Mine = In(units);
        Both = [Mine, In(units == UnitPreference.Us ? UnitPreference.Metric : UnitPreference.Us)];
        if (Form["at"].Length > 0)
            Ask(atmosphere);
        return Page();
    }

    /// <summary>Rows of the printed card: every 5 °C, or every 10 °F, as far as the lines go.</summary>
    public IEnumerable<(Temperature At, Pressure? Bubble, Pressure? Dew)> Rows() =>
        (Mine.Units == UnitPreference.Us
            ? Enumerable.Range(-5, 20).Select(i => Temperature.FromFahrenheit(i * 10))
            : Enumerable.Range(-10, 24).Select(i => Temperature.FromCelsius(i * 5)))
        .Select(t => (t, Fluid.BubblePressure(t), Fluid.DewPressure(t)))
        .Where(row => row.Item2 is not null || row.Item3 is not null);

    private void Ask(Pressure atmosphere)
    {
        if (Form.Either("at", QuantityKind.Pressure, QuantityKind.Temperature) is not { } typed)
            return;
        AskedForPressure = typed.Unit.Kind == QuantityKind.Pressure;
        if (AskedForPressure)
        {
            var kpa = new Pressure(typed.Si(atmosphere));
            if (Fluid.BubbleTemperature(kpa) is { } bubble && Fluid.DewTemperature(kpa) is { } dew)
                (Pressures, Temperatures) = ((kpa, kpa), (bubble, dew));
        }
        else if (typed.Temperature is var t && Fluid.BubblePressure(t) is { } bubble && Fluid.DewPressure(t) is { } dew)
        {
            (Pressures, Temperatures) = ((bubble, dew), (t, t));
        }

        if (Pressures is null)
            Form.Errors["at"] = RefrigerantText.Range(Fluid, Mine);
    }
}
