using KeenEmber.Application.Import;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.People;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Keeping;

/// <summary>Gateways that may bring readings of probes, and the probes that were heard today.</summary>
public sealed class ProbesModel(
    ProbeStore probes, ControllerStore controllers, CompanyStore companies, PeopleStore people, TimeProvider time) : PageModel
{
    /// <summary>Controllers that said something today.</summary>
    public IReadOnlyList<ControllerOnWire> Controllers => field ??= controllers.Heard(time.GetUtcNow() - LookedBack);

    /// <summary>What their values mean.</summary>
    public IReadOnlyList<WireMeaning> Map => field ??= ControllerMap.Read(controllers.Map()).Lines;

    /// <summary>The list as it is kept, or as it was typed while something is wrong with it.</summary>
    public string MapText => Form.IsWrong && Form["map"].Length > 0 ? Form["map"] : controllers.Map();

    private static readonly TimeSpan LookedBack = TimeSpan.FromDays(1);

    public IReadOnlyList<Gateway> Gateways => probes.Gateways();

    public IReadOnlyList<(Probe Probe, IReadOnlyList<ProbeSample> Samples)> Heard =>
        field ??= probes.Heard(time.GetUtcNow() - LookedBack, []);

    public UnitText Units => field ??= new(companies.Get().Units, Pressure.StandardAtmosphere);

    public FilledForm Form => field ??= new(Units.Units);

    public Guid NewId => Guid.CreateVersion7(time.GetUtcNow());

    /// <summary>A secret opens the record to a program: a lead gives it.</summary>
    public bool MayAdd => Accounts.MayDecide(User, people);

    /// <summary>The secret of a gateway that was just added; shown once.</summary>
    public string? Secret { get; private set; }

    public IActionResult OnPost(Guid gatewayId)
    {
        if (!MayAdd)
            return StatusCode(StatusCodes.Status403Forbidden);
        if (gatewayId == Guid.Empty)
            return BadRequest();
        Form.Keep(Request.Form);
        var name = Form.Text("name", 40, missing: "Type what it is, such as “box in van 2”.");
        if (!Form.IsWrong)
            Secret = probes.Add(new(gatewayId, name, Accounts.NameOf(HttpContext) ?? "", time.GetUtcNow()));
        return Page();
    }

    /// <summary>Keeps the list of what values on a controller's wire mean; all of it or nothing.</summary>
    public IActionResult OnPostMap()
    {
        if (!MayAdd)
            return StatusCode(StatusCodes.Status403Forbidden);
        Form.Keep(Request.Form);
        var text = Form.Text("map", LongestMap);
        var (_, problems) = ControllerMap.Read(text);
        if (problems.Count > 0)
            Form.Errors["map"] = string.Join(" ", problems.Take(MostTold).Select(ControllerMapText.Problem));
        if (Form.IsWrong)
            return Page();
        controllers.KeepMap(text, Accounts.NameOf(HttpContext) ?? "", time.GetUtcNow());
        return RedirectToPage();
    }

    private const int LongestMap = 60_000, MostTold = 5;

    public IActionResult OnPostRevoke(Guid gateway)
    {
        if (!MayAdd)
            return StatusCode(StatusCodes.Status403Forbidden);
        probes.Revoke(gateway);
        return RedirectToPage();
    }
}
