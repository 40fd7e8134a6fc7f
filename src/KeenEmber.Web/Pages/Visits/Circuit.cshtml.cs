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

    /// <summary>What was typed into the standing-pressure test, and what is wrong with it, by field.</summary>
    public Dictionary<string, string?> Standing { get; } = [];

    public Dictionary<string, string> StandingErrors { get; } = [];

    public IActionResult OnPostStanding(Guid id, Guid entryId, string? p1, string? t1, string? p2, string? t2)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty)
            return BadRequest();
        TypedValue? Read(string field, string? text, QuantityKind kind)
        {
            Standing[field] = text;
            var read = QuantityReader.Read(text, kind, View.Shop.Units);
            if (read.Problem is { } problem)
                StandingErrors[field] = TypingText.Problem(problem, kind, View.Shop.Units);
            return read.Value;
        }

        var (pressure, temperature) = (Read("p1", p1, QuantityKind.Pressure), Read("t1", t1, QuantityKind.Temperature));
        var hasSecond = !string.IsNullOrWhiteSpace(p2) || !string.IsNullOrWhiteSpace(t2);
        var (second, secondAt) = hasSecond ? (Read("p2", p2, QuantityKind.Pressure), Read("t2", t2, QuantityKind.Temperature)) : (null, null);
        if (StandingErrors.Count > 0)
            return Page();
        Desk.Append([new StandingEntry(entryId, id, View.Now, View.Now, View.Visit.Author, null, pressure!, temperature!, second, secondAt)]);
        return RedirectToPage(new { id, saved = 1 });
    }

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
