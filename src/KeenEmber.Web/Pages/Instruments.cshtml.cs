using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

/// <summary>The company's meters.</summary>
public sealed class InstrumentsModel(InstrumentStore instruments, EquipmentStore equipment, CompanyStore companies, TimeProvider time)
    : PageModel
{
    public IReadOnlyList<Instrument> Instruments => instruments.All();

    /// <summary>The clock on the wall of the first site; null while there is none, and so no check either.</summary>
    public SiteClock? Clock => equipment.Sites() is [var site, ..] ? new(site) : null;

    public Guid NewId => Guid.CreateVersion7(time.GetUtcNow());

    public UnitText Units => field ??= new(companies.Get().Units, Pressure.StandardAtmosphere);

    public FilledForm Form => field ??= new(Units.Units);

    public IActionResult OnPost(Guid instrumentId, QuantityKind measures)
    {
        if (instrumentId == Guid.Empty || !Instrument.Kinds.Contains(measures))
            return BadRequest();
        Form.Keep(Request.Form);
        var name = Form.Text("name", 60, missing: "Type what is written on it, such as T-2.");
        Form["accuracy"] = Form["accuracy"].TrimStart('±', ' ');
        var accuracy = measures == QuantityKind.Temperature ? Form.Value("accuracy", QuantityKind.Difference)?.Si(default)
            : Form.Number("accuracy", 0.001, 20, signs: "%") / 100;
        if (accuracy <= 0)
            Form.Errors["accuracy"] = "An accuracy is above 0.";
        if (Form.IsWrong)
            return Page();
        var meter = new Instrument(instrumentId, name, measures, accuracy, null);
        if (!instruments.Add(meter))
            instruments.Add(meter with { Id = NewId });
        return RedirectToPage();
    }

    public IActionResult OnPostRetire(Guid instrument)
    {
        instruments.Retire(instrument);
        return RedirectToPage();
    }
}
