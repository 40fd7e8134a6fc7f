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

    /// <summary>What was typed, by field, and what is wrong with it; empty on a fresh page.</summary>
    public IReadOnlyDictionary<string, string> Typed { get; private set; } = new Dictionary<string, string>();

    public Dictionary<string, string> Errors { get; } = [];

    public IEnumerable<TimelineEntry> Done => View.Timeline.Standing.Where(e => e is ChangeEntry or PartEntry or RefrigerantEntry or ClosureEntry).Reverse();

    public string Value(string field) => Typed.GetValueOrDefault(field, "");

    public IActionResult OnPostChange(Guid id, Guid entryId, string? what, string? before, string? after, string? askedBy, LoopKind? opens, bool foundSo) =>
        Save(id, entryId, "what", what, "Say what was changed, such as fan delay switch.", () => new ChangeEntry(
            entryId, id, View.Now, View.Now, View.Visit.Author, null, Text(what), Text(before), Text(after), Text(askedBy), opens is { } k && Enum.IsDefined(k) ? k : null, foundSo));

    public IActionResult OnPostPart(Guid id, Guid entryId, string? part, string? place, string? failure, string? replacedBy, string? serial, bool warranty) =>
        Save(id, entryId, "part", part, "Say which part, such as fan motor.", () => new PartEntry(
            entryId, id, View.Now, View.Now, View.Visit.Author, null, Text(part), Text(place), Text(failure), Text(replacedBy), Text(serial), warranty));

    public IActionResult OnPostRefrigerant(Guid id, Guid entryId, string? refrigerant, string? mass, bool recovered, string? cylinder, string? why)
    {
        if (!Load(id))
            return NotFound();
        var fluid = RefrigerantCatalogue.Find(refrigerant);
        if (fluid is null)
            Errors["refrigerant"] = "Type the refrigerant on the cylinder, such as R404A.";
        var read = QuantityReader.Read(mass, QuantityKind.Mass, View.Shop.Units);
        if (read.Problem is { } problem)
            Errors["mass"] = TypingText.Problem(problem, QuantityKind.Mass, View.Shop.Units);
        return Save(id, entryId, "refrigerant", refrigerant, "", () => new RefrigerantEntry(
            entryId, id, View.Now, View.Now, View.Visit.Author, null, fluid!.Name, read.Value!.Si(default) * (recovered ? -1 : 1), Text(cylinder), Text(why)));
    }

    public IActionResult OnPostClosure(Guid id, Guid entryId, Guid loop, string? how)
    {
        if (!Load(id))
            return NotFound();
        if (View.Loops.All(l => l.Change.Id != loop))
            return RedirectToPage(new { id });
        return Save(id, entryId, $"how-{loop}", how, "Say what was done, such as taken out.", () => new ClosureEntry(
            entryId, id, View.Now, View.Now, View.Visit.Author, null, loop, Text(how)));
    }

    /// <summary>Stores an entry made from a form whose one needed field is not empty; otherwise shows the form again as typed.</summary>
    private IActionResult Save(Guid id, Guid entryId, string needed, string? value, string missing, Func<TimelineEntry> make)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty)
            return BadRequest();
        if (string.IsNullOrWhiteSpace(value))
            Errors.TryAdd(needed, missing);
        if (Errors.Count > 0)
        {
            Typed = Request.Form.Where(f => !f.Key.StartsWith('_')).ToDictionary(f => f.Key, f => f.Value.ToString());
            return Page();
        }

        Desk.Append([make()]);
        return RedirectToPage(new { id, saved = 1 });
    }

    private static string Text(string? text) => (text ?? "").Trim() is var t && t.Length > LongestText ? t[..LongestText] : t;
}
