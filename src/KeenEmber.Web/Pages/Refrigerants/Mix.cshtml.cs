using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Storage;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Refrigerants;

public enum Happening { TopUp, Leak, Conversion }

/// <summary>What is in the system when it is not what the label says.</summary>
public sealed class MixModel(CompanyStore companies) : PageModel
{
    /// <summary>Where a system stood while it leaked, unless said otherwise.</summary>
    public static readonly Temperature UsualRest = Temperature.FromCelsius(21);

    [BindProperty(SupportsGet = true)]
    public string? Label { get; set; }

    [BindProperty(SupportsGet = true)]
    public Happening What { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Other { get; set; }

    public Refrigerant Fluid { get; private set; } = null!;

    /// <summary>What is really in there; null until everything is known.</summary>
    public Refrigerant? Actual { get; private set; }

    public UnitText Units { get; private set; } = null!;

    public FilledForm Form { get; private set; } = null!;

    public IActionResult OnGet()
    {
        if (RefrigerantCatalogue.Find(Label ?? "R404A") is not { } fluid)
            return NotFound();
        Fluid = fluid;
        Units = new(companies.Get().Units, Pressure.StandardAtmosphere);
        Form = new(Units.Units);
        Form.Keep(Request.Query);
        if (Form.Has("share"))
            Actual = Mix();
        return Page();
    }

    /// <summary>Pressures at which label and mixture are compared: from a low evaporator to a hot condenser.</summary>
    public IEnumerable<(
        Pressure At, Temperature Bubble, Temperature Dew, TemperatureDifference BubbleOff, TemperatureDifference DewOff)> Rows()
    {
        foreach (var tempC in new[] { -35, -25, -15, -5, 5, 30, 40, 50 })
        {
            if (Fluid.DewPressure(Temperature.FromCelsius(tempC)) is { } at
                && Fluid.BubbleTemperature(at) is { } labelBubble && Fluid.DewTemperature(at) is { } labelDew
                && Actual!.BubbleTemperature(at) is { } bubble && Actual.DewTemperature(at) is { } dew)
                yield return (at, bubble, dew, bubble - labelBubble, dew - labelDew);
        }
    }

    private Refrigerant? Mix()
    {
        if (Form.Number("share", 0, 100, "per cent by mass", signs: "%", required: true) is not { } percent)
            return null;

        var composition = What == Happening.Leak ? Leaked(percent / 100) : Poured(percent / 100);
        // An unlisted mixture has no class of its own: with anything flammable poured in it is treated as flammable.
        var poured = What == Happening.Leak ? null : RefrigerantCatalogue.Find(Other);
        var safety = poured is { IsFlammable: true } ? poured.Safety : Fluid.Safety;
        return composition is null ? null : Refrigerant.FromComposition("mixture", safety, Fluid.Oil, composition);
    }

    private Composition? Leaked(double share)
    {
        if (share > VapourLeak.LargestShare)
        {
            Form.Errors["share"] = $"At most {RefrigerantText.Percent(VapourLeak.LargestShare)}: beyond that hardly any liquid is left.";
            return null;
        }

        var at = Form.Value("rest", QuantityKind.Temperature)?.Temperature ?? UsualRest;
        if (Form.IsWrong)
            return null;
        if (VapourLeak.Remaining(Fluid.Composition, share, at) is { } left)
            return left;
        Form.Errors["rest"] = "There is no liquid in the system at this temperature.";
        return null;
    }

    private Composition? Poured(double share)
    {
        if (RefrigerantCatalogue.Find(Other) is { } other)
            return Fluid.Composition.MixedWith(other.Composition, share);
        Form.Errors["other"] = "Choose the other refrigerant.";
        return null;
    }
}
