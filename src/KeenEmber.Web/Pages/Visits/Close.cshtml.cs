using System.Globalization;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Visits;

/// <summary>Before leaving: what is still open, what it came to, when to look again.</summary>
public sealed class CloseModel(VisitDesk desk) : VisitPage(desk)
{
    private const int LongestText = 1000;

    public IReadOnlyDictionary<string, string> Typed { get; private set; } = new Dictionary<string, string>();

    public Dictionary<string, string> Errors { get; } = [];

    public IReadOnlyList<OpenLoop> InTheWay => OpenLoops.InTheWay(View.Loops, View.Visit.Id);

    /// <summary>As typed, or as signed off before.</summary>
    public string Value(string field, string? before = null) => Typed.GetValueOrDefault(field, before ?? "");

    public IActionResult OnPostHandover(Guid id, Guid entryId, Guid loop, string? reason, string? owner, string? due)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || View.Loops.FirstOrDefault(l => l.Change.Id == loop) is not { IsSafety: false })
            return BadRequest();
        if (Text(reason).Length == 0)
            Errors[$"reason-{loop}"] = "Say why it stays open.";
        if (Text(owner).Length == 0)
            Errors[$"owner-{loop}"] = "Who looks after it?";
        var day = Day(due, $"due-{loop}", needed: true);
        if (Errors.Count > 0)
            return Again();
        Desk.Append([new HandoverEntry(entryId, id, View.Now, View.Now, View.Visit.Author, null, loop, Text(reason), Text(owner), day!.Value)]);
        return RedirectToPage(new { id });
    }

    public IActionResult OnPostSignOff(
        Guid id, Guid entryId, string? rootCause, string? contributing, string? consequences, string? notReproduced, string? recommendation, string? followUp, string[] explained)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty)
            return BadRequest();
        if (InTheWay.Count > 0)
            Errors["sign-off"] = InTheWay.Any(l => l.IsSafety)
                ? "Not signed off: something safety-related is still open. Close it first."
                : "Not signed off: give reason, owner and day for what stays open.";
        var day = Day(followUp, "followUp", needed: false);
        if (Errors.Count > 0)
            return Again();
        Desk.Append([new SignOffEntry(entryId, id, View.Now, View.Now, View.Visit.Author, View.SignOff?.Id, Text(rootCause), Text(notReproduced), Text(recommendation), day,
            Text(contributing), Text(consequences), string.Join(' ', View.ToExplain.Select(f => f.Code).Intersect(explained)))]);
        return RedirectToPage(new { id, saved = 1 });
    }

    /// <summary>Ticked just now, or when it was signed off before.</summary>
    public bool IsExplained(Finding finding) => Typed.Count > 0 ? Typed.GetValueOrDefault("explained", "").Split(',').Contains(finding.Code) : View.SignOff?.Explains(finding) == true;

    public bool RecommendationIsOpen => Errors.Keys.Any(k => k is "problem" or "option" or "hours" or "priceFrom" or "priceTo");

    public IActionResult OnPostRecommend(
        Guid id, Guid entryId, string? problem, string? option, string? parts, string? hours, string? priceFrom, string? priceTo, RecommendationUrgency urgency)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || !Enum.IsDefined(urgency))
            return BadRequest();
        if (Text(problem).Length == 0)
            Errors["problem"] = "Say what it is for, such as torn gasket.";
        if (Text(option).Length == 0)
            Errors["option"] = "Say what to do.";
        var (h, from, to) = (Number(hours, "hours", 1000), Number(priceFrom, "priceFrom", 10_000_000), Number(priceTo, "priceTo", 10_000_000));
        if (to < from)
            Errors["priceTo"] = "Not less than the price from.";
        if (Errors.Count > 0)
            return Again();
        Desk.Append([new RecommendationEntry(entryId, id, View.Now, View.Now, View.Visit.Author, null, Text(problem), Text(option), Text(parts), h, from, to, urgency)]);
        return RedirectToPage(new { id, saved = 1 });
    }

    public IActionResult OnPostSignature(Guid id, Guid entryId, string? signer, string? strokes)
    {
        if (!Load(id))
            return NotFound();
        if (entryId == Guid.Empty || SignatureEntry.Read(strokes ?? "") is null)
            return BadRequest();
        if (Text(signer).Length == 0)
            Errors["signer"] = "Who signs?";
        if (Errors.Count > 0)
            return Again();
        Desk.Append([new SignatureEntry(entryId, id, View.Now, View.Now, View.Visit.Author, View.Signature?.Id, Text(signer), strokes ?? "")]);
        return RedirectToPage(new { id, saved = 1 });
    }

    private double? Number(string? text, string field, double most)
    {
        if (string.IsNullOrWhiteSpace(text))
            return null;
        if (QuantityReader.Number(text) is { } number and >= 0 && number <= most)
            return number;
        Errors[field] = $"A number from 0 to {most:F0}, or nothing.";
        return null;
    }

    private PageResult Again()
    {
        Typed = Request.Form.Where(f => !f.Key.StartsWith('_')).ToDictionary(f => f.Key, f => f.Value.ToString());
        return Page();
    }

    private DateOnly? Day(string? text, string field, bool needed)
    {
        if (string.IsNullOrWhiteSpace(text) && !needed)
            return null;
        if (DateOnly.TryParseExact((text ?? "").Trim(), ["yyyy-MM-dd", "d.M.yyyy", "d/M/yyyy"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) && day >= View.Clock.Date(View.Now))
            return day;
        Errors[field] = "A day from today on, such as 2026-12-01.";
        return null;
    }

    private static string Text(string? text) => TypingText.Kept(text, LongestText);
}
