using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>The refrigerant circuit: the map is the form.</summary>
public sealed class CircuitModel(VisitDesk desk) : VisitPage(desk)
{
    /// <summary>The point whose tag is open.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Point { get; set; }

    public string? Value { get; private set; }

    public string? ValueError { get; private set; }

    public bool Corrects { get; private set; }

    public MeasuringPoint? OpenPoint =>
        Enum.TryParse<MeasuringPoint>(Point, out var p) && Enum.IsDefined(p) ? p : null;

    public IActionResult OnPostReading(Guid id, Guid entryId, string? value, Guid? corrects)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || OpenPoint is not { } point)
            return BadRequest();
        var read = QuantityReader.Read(value, point.Kind(), View.Shop.Units);
        if (read.Problem is { } problem)
        {
            Value = value?.Length > QuantityReader.LongestText * 4 ? value[..(QuantityReader.LongestText * 4)] : value;
            ValueError = TypingText.Problem(problem, point.Kind(), View.Shop.Units);
            Corrects = corrects is not null;
            return Page();
        }

        // Among all that was written: a correction sent twice finds its entry replaced already, and is the same correction.
        var corrected = View.Timeline.Written.OfType<ReadingEntry>().FirstOrDefault(e => e.Id == corrects && e.Point == point);
        Desk.Append([new ReadingEntry(entryId, id, corrected?.At ?? View.Now, View.Now, View.Visit.Author, corrected?.Id, point, read.Value!)]);
        var next = point.NextAfter(View.MakeUp.Points, View.Readings.Keys.Append(point).ToHashSet());
        return RedirectToPage(new { id, point = corrected is null ? next : null, saved = 1 });
    }
}
