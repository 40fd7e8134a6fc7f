using KeenEmber.Core.Circuit;
using KeenEmber.Core.Glycol;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>The glycol of a chiller: is it strong enough, and if it froze, why?</summary>
public sealed class GlycolModel(VisitDesk desk) : VisitPage(desk)
{
    public GlycolKind Kind { get; private set; }

    public string? Strength { get; private set; }

    public string? Surface { get; private set; }

    public Dictionary<string, string> Errors { get; } = [];

    public GlycolEntry? Last => View.Timeline.Standing.OfType<GlycolEntry>().LastOrDefault();

    public IActionResult OnPostMixture(Guid id, Guid entryId, GlycolKind kind, string? strength, string? surface)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || !Enum.IsDefined(kind))
            return BadRequest();
        (Kind, Strength, Surface) = (kind, strength, surface);
        var typed = ReadStrength(strength);
        TypedValue? coldest = null;
        if (!string.IsNullOrWhiteSpace(surface))
        {
            var read = QuantityReader.Read(surface, QuantityKind.Temperature, View.Shop.Units);
            coldest = read.Value;
            if (read.Problem is { } problem)
                Errors["surface"] = TypingText.Problem(problem, QuantityKind.Temperature, View.Shop.Units);
        }

        if (Errors.Count > 0)
            return Page();
        var entry = new GlycolEntry(entryId, id, View.Now, View.Now, View.Visit.Author, null, kind, typed!, coldest);
        if (entry.Percent is null)
        {
            Errors["strength"] = "No mixture up to 60 % freezes at this temperature. Type mass %, or a freezing point such as -15 °C.";
            return Page();
        }

        Desk.Append([entry]);
        return RedirectToPage(new { id, saved = 1 });
    }

    /// <summary>A bare number is a strip's mass %; one with a temperature unit is a refractometer's freezing point.</summary>
    private TypedValue? ReadStrength(string? text)
    {
        var percent = QuantityReader.Read(text, QuantityKind.Concentration, View.Shop.Units);
        var read = percent.Problem == TypingProblem.WrongKindOfUnit ? QuantityReader.Read(text, QuantityKind.Temperature, View.Shop.Units) : percent;
        if (read.Problem is { } problem)
            Errors["strength"] = TypingText.Problem(problem, QuantityKind.Concentration, View.Shop.Units);
        return read.Value;
    }
}
