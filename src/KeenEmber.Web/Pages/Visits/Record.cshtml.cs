using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>The timeline as written, and the place to put an entry right.</summary>
public sealed class RecordModel(VisitDesk desk) : VisitPage(desk)
{
    /// <summary>The entry being corrected.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Correct { get; set; }

    public string? Text { get; private set; }

    public string? TextError { get; private set; }

    /// <summary>Entries the latest first; a correction stands where the entry it corrects stood.</summary>
    public IEnumerable<TimelineEntry> Entries => View.Timeline.Written.Where(e => e is not WithdrawalEntry)
        .OrderByDescending(e => e.At).ThenByDescending(e => e.Id).Take(All ? int.MaxValue : AtFirst);

    /// <summary>So many entries are shown until all are asked for: a pasted series has thousands.</summary>
    private const int AtFirst = 200;

    [BindProperty(SupportsGet = true)]
    public bool All { get; set; }

    public int? Hidden => !All && View.Timeline.Written.Count(e => e is not WithdrawalEntry) is var count and > AtFirst ? count - AtFirst : null;

    private HashSet<Guid>? standing;

    public bool Stands(TimelineEntry entry) => (standing ??= [.. View.Timeline.Standing.Select(e => e.Id)]).Contains(entry.Id);

    public string What(TimelineEntry entry) => EntryText.What(entry, View);

    /// <summary>How a reading was typed, where that differs from how it is shown.</summary>
    public string Typed(TimelineEntry entry) => entry is ReadingEntry { Value: var v } && v.Unit != View.Shop.Units.For(v.Unit.Kind)
        ? $"typed as {UnitText.Number(v.Number, 2)} {v.Unit.Symbol}" : "";

    public IActionResult OnPostStrike(Guid id, Guid entryId, Guid corrects)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || View.Timeline.Written.FirstOrDefault(e => e.Id == corrects) is not { } entry)
            return BadRequest();
        Desk.Append([new WithdrawalEntry(entryId, id, entry.At, View.Now, View.Visit.Author, entry.Id)]);
        return RedirectToPage(new { id });
    }

    public IActionResult OnPostCorrect(Guid id, Guid entryId, Guid corrects, string? text)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || View.Timeline.Written.FirstOrDefault(e => e.Id == corrects) is not { } entry)
            return BadRequest();
        if (Corrected(entry, entryId, text) is not { } correction)
        {
            (Correct, Text) = (corrects, text);
            return Page();
        }

        Desk.Append([correction]);
        return RedirectToPage(new { id });
    }

    private TimelineEntry? Corrected(TimelineEntry entry, Guid entryId, string? text)
    {
        switch (entry)
        {
            case ReadingEntry r:
                var read = QuantityReader.Read(text, r.Point.Kind(), View.Shop.Units);
                TextError = read.Problem is { } problem ? TypingText.Problem(problem, r.Point.Kind(), View.Shop.Units) : null;
                return read.Value is null ? null : r with { Id = entryId, WrittenAt = View.Now, Corrects = r.Id, Value = read.Value };
            case NoteEntry n:
                var said = (text ?? "").Trim();
                TextError = said.Length is 0 or > QuickEntry.LongestNote ? $"A note has 1 to {QuickEntry.LongestNote} characters." : null;
                return TextError is null ? n with { Id = entryId, WrittenAt = View.Now, Corrects = n.Id, Text = said } : null;
            default:
                TextError = "This is corrected by noting it again at its station, or struck out here.";
                return null;
        }
    }
}
