using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Report;

/// <summary>The timeline as written, and the place to put an entry right.</summary>
public sealed class RecordModel(VisitViews views) : VisitPage(views)
{
    /// <summary>The entry being corrected.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Correct { get; set; }

    [BindProperty(SupportsGet = true)]
    public RecordFilter Show { get; set; }

    /// <summary>Lines the latest first: an entry, or the readings of one round of a defrost. A correction stands where the entry it
    /// corrects stood, photos of an entry stand with it.</summary>
    public IEnumerable<IReadOnlyList<Entry>> Lines => AllLines.Take(All ? int.MaxValue : AtFirst);

    private List<IReadOnlyList<Entry>> AllLines => field ??= Grouped(View.Timeline.Standing.FirstOrDefault(e => e.Id == Round)?.At);

    private List<IReadOnlyList<Entry>> Grouped(DateTimeOffset? oneByOne) =>
        [.. Listed(Show).OrderByDescending(e => e.At).ThenByDescending(e => e.Id)
        .GroupBy(e => e is RunReadingEntry r && Stands(e) && r.At != oneByOne ? (r.Run, r.At) : (e.Id, default))
            .Select(g => g.OrderBy(e => e.Id).ToList())];

    /// <summary>A reading of the round that is shown one by one, to be struck out or given a photo.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Round { get; set; }

    /// <summary>So many lines are shown until all are asked for: a pasted series has thousands.</summary>
    private const int AtFirst = 200;

    [BindProperty(SupportsGet = true)]
    public bool All { get; set; }

    public int? Hidden => !All && AllLines.Count is var count and > AtFirst ? count - AtFirst : null;

    public int Count(RecordFilter filter) => Listed(filter).Count();

    private IEnumerable<Entry> Listed(RecordFilter filter) => View.Timeline.Written.Where(e => e is not WithdrawalEntry && filter switch
    {
        RecordFilter.Readings => e is ReadingEntry or InstrumentEntry,
        RecordFilter.Seen => e is ObservationEntry or FrostEntry or HazardsEntry or ProofEntry or DamageEntry,
        RecordFilter.Tests =>
            e is RunEntry or RunReadingEntry or RunMarkEntry or ClockTestEntry or HeaterAmpsEntry or SwitchStateEntry
                or SensorCheckEntry or WarmedEntry or ResponseEntry
            or ControlEventEntry or OutputStateEntry or DialEntry or BulbTurnEntry or GlycolEntry or StandingEntry,
        RecordFilter.Changes =>
            e is ChangeEntry or PartEntry or RefrigerantEntry or SettingEntry or ParameterEntry or ControlSettingEntry
                or DefrostSetUpEntry or SensorEntry or SensorRepairEntry
            or ClosureEntry or HandoverEntry,
        RecordFilter.Notes => e is NoteEntry or RecommendationEntry or SignOffEntry or SignatureEntry,
        RecordFilter.Photos => e is PhotoEntry || PhotosOf(e).Any(),
        RecordFilter.Corrected => e.Corrects is not null || !Stands(e),
        _ => e is not PhotoEntry { About: not null } photo || !Stands(photo),
    });

    public static string Name(RecordFilter filter) => filter == RecordFilter.All ? "everything" : filter.ToString().ToLowerInvariant();

    /// <summary>Photos by the entry they stand with: the one they are about, and themselves.</summary>
    private ILookup<Guid, PhotoEntry> Photos =>
        field ??= View.Photos.SelectMany(p => new[] { p.Id, p.About ?? p.Id }.Distinct(), (photo, entry) => (photo, entry))
        .ToLookup(x => x.entry, x => x.photo);

    public IEnumerable<PhotoEntry> PhotosOf(Entry entry) => Photos[entry.Id];

    /// <summary>Where an entry is put right; null for one that is struck out and made again instead.</summary>
    public string? CorrectAt(Entry entry) => entry switch
    {
        ReadingEntry or NoteEntry or ObservationEntry or SettingEntry or PhotoEntry or ClosureEntry or ProofEntry => $"?correct={entry.Id}",
        ChangeEntry or PartEntry or RefrigerantEntry => $"/visits/{View.Visit.Id}/changes?correct={entry.Id}",
        SignOffEntry => $"/visits/{View.Visit.Id}/close",
        _ => null,
    };

    private HashSet<Guid>? standing;

    public bool Stands(Entry entry) => (standing ??= [.. View.Timeline.Standing.Select(e => e.Id)]).Contains(entry.Id);

    public string What(Entry entry) => EntryText.What(entry, View);

    /// <summary>How a reading was typed, where that differs from how it is shown.</summary>
    public string Typed(Entry entry) => entry is ReadingEntry { Value: var v } && v.Unit != View.Company.Units.For(v.Unit.Kind)
        ? $"typed as {UnitText.Number(v.Number, 2)} {v.Unit.Symbol}" : "";

    /// <summary>Who wrote it, where that is not who began the visit.</summary>
    public string By(Entry entry) => entry.Author == View.Visit.Author ? "" : $"by {entry.Author}";

    public IActionResult OnPostStrike(Guid id, Guid entryId, Guid corrects)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || View.Timeline.Written.FirstOrDefault(e => e.Id == corrects) is not { } entry)
            return BadRequest();
        Append([new WithdrawalEntry(Writer.Next(entry.At, entry.Id))]);
        return RedirectToPage(new { id });
    }

    public IActionResult OnPostCorrect(Guid id, Guid entryId, Guid corrects)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || View.Timeline.Written.FirstOrDefault(e => e.Id == corrects) is not { } entry)
            return BadRequest();
        Keep();
        if (Corrected(entry) is not { } correction)
        {
            Correct = corrects;
            return Page();
        }

        Append([correction]);
        return RedirectToPage(new { id });
    }

    /// <summary>The words a correction starts from; a value is typed anew.</summary>
    public static string Words(Entry entry) => entry switch
    {
        NoteEntry n => n.Text,
        PhotoEntry p => p.Caption,
        ClosureEntry c => c.How,
        ProofEntry p => p.What,
        _ => "",
    };

    private Entry? Corrected(Entry entry)
    {
        Entry? made = entry switch
        {
            ReadingEntry r => Form.Value(Text, r.Point.Kind(), required: true) is { } value ? r with { Value = value } : null,
            SettingEntry s => Form.Value(Text, QuantityKind.Pressure, required: true) is { } value ? s with { Value = value } : null,
            NoteEntry n => Said(QuickEntry.LongestNote) is { } said ? n with { Text = said } : null,
            PhotoEntry p => Said(200) is { } said ? p with { Caption = said } : null,
            ClosureEntry c => Said(200) is { } said ? c with { How = said } : null,
            ProofEntry p => Said(200) is { } said ? p with { What = said } : null,
            ObservationEntry o when EnumName.Find<FactState>(Form[Text]) is { } state && o.Fact.States().Contains(state) =>
                o with { State = state },
            _ => null,
        };
        if (made is null)
            Form.Errors.TryAdd(Text, "Cannot be corrected here. Save it again on its own page, or strike it out.");
        return made is null ? null : made with { Header = Writer.Next(entry.At, corrects: entry.Id) };
    }

    private string? Said(int longest)
    {
        if (Form[Text].Length is var length && (length == 0 || length > longest))
            Form.Errors[Text] = $"Write 1 to {longest} characters.";
        return Form.IsWrong ? null : Form[Text];
    }

    private const string Text = "text";
}

/// <summary>Which entries of the record are shown.</summary>
public enum RecordFilter { All, Readings, Seen, Tests, Changes, Notes, Photos, Corrected }
