using System.Globalization;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>What was set, bridged, replaced, added or recovered, and what is still open because of it.</summary>
public sealed class ChangesModel(VisitDesk desk) : VisitPage(desk)
{
    private const int LongestText = 200;

    /// <summary>The entry to put right; null to write a new one.</summary>
    [BindProperty(SupportsGet = true)]
    public Guid? Correct { get; set; }

    public TimelineEntry? Correcting => Correct is { } id ? View.Timeline.Standing.FirstOrDefault(e => e.Id == id && e is ChangeEntry or PartEntry or RefrigerantEntry) : null;

    /// <summary>What was typed, by field; empty on a fresh page.</summary>
    public IReadOnlyDictionary<string, string> Typed { get; private set; } = new Dictionary<string, string>();

    public Dictionary<string, string> Errors { get; } = [];

    public IEnumerable<TimelineEntry> Done => View.Timeline.Standing.Where(e => e is ChangeEntry or PartEntry or RefrigerantEntry or ClosureEntry).Reverse();

    /// <summary>As typed, as the entry being corrected has it, or as the link that led here asks for.</summary>
    public string Value(string field) => Typed.TryGetValue(field, out var typed) ? typed
        : Typed.Count > 0 ? ""
        : Correcting is { } entry ? Of(entry, field)
        : Request.Query[field].ToString();

    private static string Of(TimelineEntry entry, string field) => (entry, field) switch
    {
        (ChangeEntry c, "what") => c.What,
        (ChangeEntry c, "before") => c.Before,
        (ChangeEntry c, "after") => c.After,
        (ChangeEntry c, "askedBy") => c.AskedBy,
        (ChangeEntry c, "opens") => c.Opens?.ToString() ?? "",
        (ChangeEntry c, "foundSo") => c.FoundSo ? "true" : "",
        (ChangeEntry c, "area") => c.Area.ToString(),
        (PartEntry p, "part") => p.Part,
        (PartEntry p, "place") => p.Place,
        (PartEntry p, "failure") => p.Failure,
        (PartEntry p, "replacedBy") => p.ReplacedBy,
        (PartEntry p, "serial") => p.Serial,
        (PartEntry p, "warranty") => p.Warranty ? "true" : "",
        (PartEntry p, "area") => p.Area.ToString(),
        (RefrigerantEntry r, "refrigerant") => r.Refrigerant,
        (RefrigerantEntry r, "mass") => Math.Abs(r.MassKg).ToString("0.####", CultureInfo.InvariantCulture) + " kg",
        (RefrigerantEntry r, "recovered") => r.MassKg < 0 ? "true" : "",
        (RefrigerantEntry r, "cylinder") => r.Cylinder,
        (RefrigerantEntry r, "why") => r.Why,
        _ => "",
    };

    public IActionResult OnPostChange(
        Guid id, Guid entryId, Guid? corrects, string? what, string? before, string? after, string? askedBy, LoopKind? opens, bool foundSo, WorkArea area) =>
        Save(id, entryId, corrects, "what", what, "Say what was changed, such as fan delay switch.", at => new ChangeEntry(
            entryId, id, at, View.Now, View.Visit.Author, corrects, Text(what), Text(before), Text(after), Text(askedBy), opens is { } k && Enum.IsDefined(k) ? k : null, foundSo, Known(area)));

    public IActionResult OnPostPart(
        Guid id, Guid entryId, Guid? corrects, string? part, string? place, string? failure, string? replacedBy, string? serial, bool warranty, WorkArea area) =>
        Save(id, entryId, corrects, "part", part, "Say which part, such as fan motor.", at => new PartEntry(
            entryId, id, at, View.Now, View.Visit.Author, corrects, Text(part), Text(place), Text(failure), Text(replacedBy), Text(serial), warranty, Known(area)));

    public IActionResult OnPostRefrigerant(Guid id, Guid entryId, Guid? corrects, string? refrigerant, string? mass, bool recovered, string? cylinder, string? why)
    {
        if (!Load(id))
            return NotFound();
        var fluid = RefrigerantCatalogue.Find(refrigerant);
        if (fluid is null)
            Errors["refrigerant"] = "Type the refrigerant on the cylinder, such as R404A.";
        var read = QuantityReader.Read(mass, QuantityKind.Mass, View.Shop.Units);
        if (read.Problem is { } problem)
            Errors["mass"] = TypingText.Problem(problem, QuantityKind.Mass, View.Shop.Units);
        return Save(id, entryId, corrects, "refrigerant", refrigerant, "", at => new RefrigerantEntry(
            entryId, id, at, View.Now, View.Visit.Author, corrects, fluid!.Name, read.Value!.Si(default) * (recovered ? -1 : 1), Text(cylinder), Text(why)));
    }

    public IActionResult OnPostClosure(Guid id, Guid entryId, Guid loop, string? how)
    {
        if (!Load(id))
            return NotFound();
        if (View.Loops.All(l => l.Change.Id != loop))
            return RedirectToPage(new { id });
        return Save(id, entryId, null, $"how-{loop}", how, "Say what was done, such as taken out.", at => new ClosureEntry(
            entryId, id, at, View.Now, View.Visit.Author, null, loop, Text(how)));
    }

    /// <summary>Stores an entry made from a form whose one needed field is not empty; otherwise shows the form again as typed.</summary>
    /// <param name="make">Makes it for the moment it was so: now, or the moment of the entry it corrects.</param>
    private IActionResult Save(Guid id, Guid entryId, Guid? corrects, string needed, string? value, string missing, Func<DateTimeOffset, TimelineEntry> make)
    {
        if (!Load(id))
            return NotFound();
        var wrong = View.Timeline.Written.FirstOrDefault(e => e.Id == corrects);
        if (entryId == Guid.Empty || (corrects is not null && wrong is null))
            return BadRequest();
        if (string.IsNullOrWhiteSpace(value))
            Errors.TryAdd(needed, missing);
        if (Errors.Count > 0)
        {
            Correct = corrects;
            Typed = Request.Form.Where(f => !f.Key.StartsWith('_')).ToDictionary(f => f.Key, f => f.Value.ToString());
            return Page();
        }

        Desk.Append([make(wrong?.At ?? View.Now)]);
        return RedirectToPage(new { id, saved = 1 });
    }

    private static WorkArea Known(WorkArea area) => Enum.IsDefined(area) ? area : WorkArea.Other;

    private static string Text(string? text) => TypingText.Kept(text, LongestText);
}
