using KeenEmber.Application;
using KeenEmber.Core.Record;
using KeenEmber.Storage;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Visits.Report;

/// <summary>
/// The entries of a visit as they were written, with nothing judged: the page that opens when no other does. Here the entry that stops them
/// is struck out.
/// </summary>
public sealed class EntriesModel(VisitStore visits, VisitDesk desk, TimeProvider time) : PageModel
{
    public Visit Visit { get; private set; } = null!;

    public IReadOnlyList<PlainEntry> Entries { get; private set; } = [];

    public Guid NewId => Guid.CreateVersion7(time.GetUtcNow());

    /// <summary>To the second; whatever stands there, where that is no moment.</summary>
    public static string Moment(PlainEntry entry) => entry.At.Length > 19 ? entry.At[..19].Replace('T', ' ') : entry.At;

    public IActionResult OnGet(Guid id) => Load(id) ? Page() : NotFound();

    public IActionResult OnPostStrike(Guid id, Guid entryId, Guid corrects)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || Entries.FirstOrDefault(e => e.Id == corrects) is not { Stands: true })
            return BadRequest();
        var now = time.GetUtcNow();
        var author = Accounts.NameOf(HttpContext) ?? Visit.Author;
        desk.StrikeOut(new(entryId, id, now, now, author, corrects) { Device = BrowserNotes.Device(HttpContext) });
        return RedirectToPage(new { id });
    }

    private bool Load(Guid id)
    {
        if (visits.Find(id) is not { } visit)
            return false;
        (Visit, Entries) = (visit, visits.PlainEntries(id));
        return true;
    }
}
