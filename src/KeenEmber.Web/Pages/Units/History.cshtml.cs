using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Storage;
using KeenEmber.Words;
using KeenEmber.Words.Benches;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Units;

/// <summary>Everything a unit's visits tell together.</summary>
public sealed class HistoryModel(EquipmentStore equipment, VisitStore visits, CompanyStore companies, VisitViews views, BenchTexts texts)
    : PageModel
{
    public Equipment Unit { get; private set; } = null!;

    public Site Site { get; private set; } = null!;

    public UnitText Units { get; private set; } = null!;

    public SiteClock Clock { get; private set; } = null!;

    public IReadOnlyList<Visit> Visits { get; private set; } = [];

    public UnitHistory Memory { get; private set; } = null!;

    /// <summary>What the benches measured on more than one visit.</summary>
    public IReadOnlyList<Trend> Trends { get; private set; } = [];

    /// <summary>What a trend measures, and a value of it.</summary>
    public (string Name, Func<double, string> Value) InWords(Trend trend) => texts.Of(trend).Trend(trend, Units);

    public IActionResult OnGet(Guid id)
    {
        if (equipment.Find(id) is not var (unit, site))
            return NotFound();
        (Unit, Site, Clock) = (unit, site, new(site));
        Units = new(companies.Get().Units, site.Atmosphere);
        Visits = visits.OfEquipment(id);
        var latest = Visits.Count > 0 ? views.Open(Visits[0].Id) : null;
        Memory = UnitHistory.Of(latest?.AllVisits ?? [], site.Atmosphere);
        Trends = latest?.Trends ?? [];
        return Page();
    }
}
