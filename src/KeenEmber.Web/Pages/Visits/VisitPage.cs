using KeenEmber.Application;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Practice;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Storage;
using KeenEmber.Web.Offline;
using KeenEmber.Web.People;
using KeenEmber.Words;
using KeenEmber.Words.Benches;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>What every station of a visit has: the visit itself, the standing panel and the log line.</summary>
public abstract class VisitPage(VisitViews views) : PageModel
{
    public VisitView View { get; private set; } = null!;

    /// <summary>The case that is practised here; null on a real visit.</summary>
    public PracticeRun? Practice { get; private set; }

    /// <summary>What the app thinks is shown: always, but on a harder case of practice not before a third hint.</summary>
    public bool IsVerdictShown => Practice is null || Practice.Case.Level == 1 || Practice.IsOver
        || Practice.Acts.Count(a => a.Step == PracticeStep.Hint) >= HintsToTheVerdict;

    private const int HintsToTheVerdict = 3;

    /// <summary>The page is there on a visit of practice alone.</summary>
    protected virtual bool IsForPractice => false;

    /// <summary>The fields of the station.</summary>
    public FilledForm Form { get; private set; } = null!;

    /// <summary>Text to show in the log line: what was not understood, kept for mending.</summary>
    public string Line { get; private set; } = "";

    public IReadOnlyList<QuickItem> Items { get; private set; } = [];

    /// <summary>How many entries the last line saved, to be said once.</summary>
    public int? Saved { get; private set; }

    /// <summary>A new id for the next line or value this page sends.</summary>
    public Guid NewId() => Guid.CreateVersion7(View.Now);

    public IActionResult OnGet(Guid id, int? saved)
    {
        Saved = saved;
        return Load(id) ? Page() : NotFound();
    }

    /// <summary>What a line would be taken for, as a piece of page.</summary>
    public IActionResult OnGetUnderstand(Guid id, string? line)
    {
        if (!Load(id))
            return NotFound();
        Read(line);
        return Partial("_Understood", this);
    }

    /// <summary>Saves what is understood of a line; the rest stays in the box with what is wrong with it.</summary>
    public IActionResult OnPostLog(Guid id, Guid lineId, string? line)
    {
        if (!Load(id, lineId))
            return NotFound();
        if (lineId == Guid.Empty)
            return BadRequest();
        Read(line);
        var saved = Desk.Log(Items, View, Writer, View.WatchedRun?.Entry.Id);
        if (Items.Count > 0 && saved == Items.Count)
            return RedirectToPage(new { id, saved });
        var unclear = Items.OfType<QuickUnclear>().ToList();
        Load(id);
        Line = unclear.Exists(i => i.Problem is QuickProblem.LineTooLong or QuickProblem.TooManyEntries) ? line ?? ""
            : string.Join(", ", unclear.Select(i => i.Text));
        Items = unclear;
        Saved = saved > 0 ? saved : null;
        return Page();
    }

    /// <summary>Says that the hazards still ahead were seen and dealt with.</summary>
    public IActionResult OnPostHazards(Guid id, Guid entryId)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty)
            return BadRequest();
        if (View.HazardsAhead != Hazards.None)
            Append([new HazardsEntry(Writer.Next(), View.HazardsAhead)]);
        return RedirectToPage(new { id });
    }

    /// <summary>Which photos of the last lot were refused, and why.</summary>
    public IReadOnlyList<string> PhotoErrors { get; private set; } = [];

    /// <summary>Keeps photos, several at once; a broken one is refused by name and the others stay.</summary>
    /// <param name="about">The entry they belong to; null for the visit.</param>
    public IActionResult OnPostPhotos(
        Guid id, Guid lineId, Guid? about, string? caption, Topic topic, List<IFormFile> photos, [FromServices] PhotoStore store)
    {
        if (!Load(id, lineId))
            return NotFound();
        if (lineId == Guid.Empty || !Enum.IsDefined(topic) || (about is not null && View.Timeline.Written.All(e => e.Id != about)))
            return BadRequest();
        var (kept, errors) = PhotoDesk.Keep(photos, store);
        Append([.. kept.Select(
            (photo, i) =>
            new PhotoEntry(Writer.Next(), photo.Hash, photo.Width, photo.Height, TypingText.Kept(caption, 200), about, topic))]);
        if (errors.Count == 0)
            return RedirectToPage(new { id, saved = kept.Count });
        Load(id);
        (PhotoErrors, Saved) = (errors, kept.Count > 0 ? kept.Count : null);
        return Page();
    }

    /// <summary>Puts entries on record, all or nothing.</summary>
    protected void Append(IReadOnlyList<Entry> entries) => Desk.Append(entries);

    /// <summary>Takes what is put on record.</summary>
    protected VisitDesk Desk => views.Desk;

    /// <summary>Makes the headers of what this form puts on record.</summary>
    protected EntryWriter Writer { get; private set; } = null!;

    /// <param name="key">The id that the form carries, where one was sent.</param>
    protected bool Load(Guid id, Guid key = default)
    {
        var kept = KeptPost.Of(Request, Desk.Now);
        if ((views.Open(id, kept?.MadeAt) ?? (HttpMethods.IsGet(Request.Method) ? views.Ahead(id) : null)) is not { } view)
            return false;
        (View, Practice) = (view, views.PracticeOf(view));
        if (IsForPractice && Practice is null)
            return false;
        Writer = new(id, key, view.WrittenAt, Accounts.NameOf(HttpContext) ?? view.Visit.Author, BrowserNotes.Device(HttpContext))
        {
            Kept = kept is null ? null : (kept.MadeAt, kept.PhoneAt),
        };
        Form = new(view.Company.Units);
        Loaded();
        return true;
    }

    /// <summary>Keeps the fields that were sent, to be read one by one.</summary>
    protected void Keep() => Form.Keep(Request.Form);

    /// <summary>Takes in a form of this station: stores the entries that are made of its fields or, when something in them is wrong, shows
    /// it again as typed.</summary>
    /// <param name="key">The id the form carries. Entries get theirs from it, so that a form sent twice is stored once.</param>
    /// <param name="make">Makes them from <see cref="Form"/> once the visit is open; null where no form of ours can have sent this.</param>
    protected IActionResult Take(Guid id, Guid key, Func<IReadOnlyList<Entry>?> make)
    {
        if (!Load(id, key))
            return NotFound();
        Keep();
        if (key == Guid.Empty || make() is not { } entries)
            return BadRequest();
        if (Form.IsWrong)
            return Page();
        if (entries.Count > 0)
            Append(entries);
        return RedirectToPage(new { id, saved = entries.Count });
    }

    /// <summary>The same for a form that makes one entry.</summary>
    protected IActionResult Take(Guid id, Guid key, Func<Entry?> make) =>
        Take(id, key, () => make() is { } entry ? [entry] : (IReadOnlyList<Entry>?)null);

    /// <summary>The visit is there, for a station to make of it what its own page needs.</summary>
    protected virtual void Loaded()
    {
    }

    private void Read(string? line)
    {
        Line = line ?? "";
        Items = QuickVocabulary.Read(line ?? "", View, View.Now);
    }

    /// <summary>The stations of the rail in the order of the job: those of the work round the measuring, and those of the
    /// benches.</summary>
    public IEnumerable<Station> Stations() => OfTheVisit().Concat(View.Texts.All.SelectMany(t => t.Stations(View))).OrderBy(s => s.Order);

    private IEnumerable<Station> OfTheVisit()
    {
        static string Count(int n, string one, string many) => n == 1 ? $"1 {one}" : $"{n} {many}";
        var looked = View.Conditions.EvaporatorFans.Count(f => f is not null)
            + View.MakeUp.Facts.Count(f => View.Conditions.StateOf(f) is not null);
        if (Practice is not null)
            yield return new(5, "Practice", "Practice", Practice.IsOver ? "debriefing" : $"{UnitText.Number(Practice.Minutes, 0)} min");
        yield return new(10, "Look", "Walk-round", Count(looked, "fact", "facts"));
        yield return new(15, "Diagnosis", "Diagnosis", "causes, tests");
        var meters = View.Timeline.Standing.OfType<InstrumentEntry>().Select(m => m.Measures).Distinct().Count();
        yield return new(70, "Instruments", "Instruments", meters > 0 ? $"{meters} named" : "not named");
        yield return new(90, "Changes", "Changes", View.OpenItems.Count == 0 ? "none open" : $"{View.OpenItems.Count} open");
        yield return new(
            100, "Prove", "Prove", View.Proofs.Count == 0 ? "nothing yet" : $"{View.Proofs.Count(p => p.IsProved)} of {View.Proofs.Count}");
        yield return new(110, "Record", "Record", Count(View.Timeline.Standing.Count, "entry", "entries"));
        yield return new(120, "Close", "Close", View.SignOff is null ? "not signed" : "signed off");
    }
}
