using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Storage;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

/// <summary>The shop's meters.</summary>
public sealed class MetersModel(InstrumentStore instruments, EquipmentStore equipment, TimeProvider time) : PageModel
{
    public IReadOnlyList<Instrument> Instruments => instruments.All();

    /// <summary>The clock on the wall of the first site; null while there is none, and so no check either.</summary>
    public SiteClock? Clock => equipment.Sites() is [var site, ..] ? new(site) : null;

    public Guid NewId => Guid.CreateVersion7(time.GetUtcNow());

    public string? Name { get; private set; }

    public QuantityKind Measures { get; private set; }

    public string? Accuracy { get; private set; }

    public Dictionary<string, string> Errors { get; } = [];

    public IActionResult OnPost(Guid instrumentId, string? name, QuantityKind measures, string? accuracy)
    {
        (Name, Measures, Accuracy) = ((name ?? "").Trim(), measures, accuracy);
        if (instrumentId == Guid.Empty || !Instrument.Kinds.Contains(measures))
            return BadRequest();
        if (Name.Length is 0 or > 60)
            Errors["name"] = "Write what stands on it, such as T-2.";
        double? read = null;
        if (!string.IsNullOrWhiteSpace(accuracy))
        {
            read = QuantityReader.Number(accuracy.Replace("%", "", StringComparison.Ordinal).Replace("K", "", StringComparison.OrdinalIgnoreCase).Trim(' ', '±'));
            if (read is not (> 0 and <= 20))
                Errors["accuracy"] = "A number up to 20, such as 0.3, or nothing.";
        }

        if (Errors.Count > 0)
            return Page();
        instruments.Save(new(instrumentId, Name, measures, measures == QuantityKind.Temperature ? read : read / 100, null));
        return RedirectToPage();
    }

    public IActionResult OnPostRetire(Guid instrument)
    {
        instruments.Retire(instrument);
        return RedirectToPage();
    }
}
