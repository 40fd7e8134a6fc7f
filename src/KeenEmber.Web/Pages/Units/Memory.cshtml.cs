using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Units;

/// <summary>Everything a unit's visits tell together.</summary>
public sealed class MemoryModel(EquipmentStore equipment, VisitStore visits, ShopStore shops) : PageModel
{
    public Equipment Unit { get; private set; } = null!;

    public Site Site { get; private set; } = null!;

    public UnitText Units { get; private set; } = null!;

    public SiteClock Clock { get; private set; } = null!;

    public IReadOnlyList<Visit> Visits { get; private set; } = [];

    public UnitMemory Memory { get; private set; } = null!;

    /// <summary>Temperature sensors that were checked on more than one visit.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<TrendMark>> SensorErrors { get; private set; } = new Dictionary<string, IReadOnlyList<TrendMark>>();

    public IActionResult OnGet(Guid id)
    {
        if (equipment.Find(id) is not var (unit, site))
            return NotFound();
        (Unit, Site, Clock) = (unit, site, new(site));
        Units = new(shops.Get().Units, site.Atmosphere);
        Visits = visits.OfEquipment(id);
        var entries = visits.EntriesOfEquipment(id);
        var timelines = Visits.Select(v => (Visit: v, Timeline: new Timeline(entries[v.Id], unit, site.Atmosphere))).ToList();
        Memory = UnitMemory.Of(timelines, site.Atmosphere);
        SensorErrors = UnitSensors.Errors(timelines.Select(t => t.Timeline), site.Atmosphere).Where(e => e.Value.Count > 1).ToDictionary();
        return Page();
    }
}
