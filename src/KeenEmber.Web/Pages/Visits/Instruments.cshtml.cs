using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.People;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>Which of the company's meters are used on this visit, and whether they can be trusted.</summary>
public sealed class InstrumentsModel(VisitViews views, InstrumentStore instruments) : VisitPage(views)
{
    private IReadOnlyList<Instrument>? all;

    public IReadOnlyList<Instrument> Instruments => all ??= instruments.All();

    public string? Shown { get; private set; }

    public string? Known { get; private set; }

    public (Guid Id, string Message)? CheckError { get; private set; }

    /// <summary>The value a check starts from: melting ice for a thermometer.</summary>
    public string Should(Instrument instrument) =>
        instrument.Measures == QuantityKind.Temperature ? View.Units.Temperature(Temperature.FromCelsius(0).Kelvin) : "";

    /// <summary>How far a check was off, in the company's units.</summary>
    public string Off(Instrument instrument, InstrumentCheck check) => InstrumentsText.Off(instrument, check, View.Units);

    public IActionResult OnPostUse(Guid id, Guid entryId, Guid instrument)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || Instruments.FirstOrDefault(i => i.Id == instrument) is not { } chosen)
            return BadRequest();
        Append([new InstrumentEntry(Writer.Next(), chosen.Measures, chosen.At(View.Now, View.Company.Policies))]);
        return RedirectToPage(new { id });
    }

    /// <summary>Keeps a check; a meter in use goes on record again as it is now.</summary>
    public IActionResult OnPostCheck(Guid id, Guid entryId, Guid instrument, string? shown, string? known)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || Instruments.FirstOrDefault(i => i.Id == instrument) is not { } checkedOne)
            return BadRequest();
        var (check, error) =
            InstrumentsText.ReadCheck(entryId, checkedOne, shown, known, View.Now, Accounts.NameOf(HttpContext) ?? View.Visit.Author,
                View.Company.Units, View.Site.Atmosphere);
        if (check is null)
        {
            (Shown, Known, CheckError) = (shown, known, (instrument, error!));
            return Page();
        }

        instruments.Append(check);
        if (View.Timeline.InstrumentAt(checkedOne.Measures, View.Now)?.Id == instrument)
            Append([new InstrumentEntry(
                Writer.Next(), checkedOne.Measures, (checkedOne with { LastCheck = check }).At(View.Now, View.Company.Policies))]);
        return RedirectToPage(new { id });
    }
}
