using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Glycol;

/// <summary>The glycol of a chiller: is it strong enough, and if it froze, why?</summary>
public sealed class GlycolModel(VisitViews views) : VisitPage(views)
{
    /// <summary>The yes or no questions of the form: field, label, and what the two answers are called.</summary>
    public static IReadOnlyList<(string Field, string Label, string Yes, string No)> Questions { get; } =
    [
        ("pump", "Pump", "runs", "stopped"), ("bath", "Bath level", "full", "low"), ("froze", "Ice or slush in it", "yes", "no"),
        ("alkalinity", "Strip, alkalinity", "in range", "out of range"),
    ];

    public GlycolEntry? Last => View.Timeline.Standing.OfType<GlycolEntry>().LastOrDefault(g => g.Percent is not null);

    public IActionResult OnPostMixture(Guid id, Guid entryId, GlycolKind kind) => Take(id, entryId, () =>
    {
        if (!Enum.IsDefined(kind))
            return null;
        // A bare number is a strip's mass %; one with a temperature unit is a refractometer's freezing point.
        bool? Answer(string field) => Form[field] switch { "yes" => true, "no" => false, _ => null };
        var (pump, bath, froze, alkalinity) = (Answer("pump"), Answer("bath"), Answer("froze"), Answer("alkalinity"));
        var isSeenOnly = Form["strength"].Length == 0 && (pump ?? bath ?? froze ?? alkalinity) is not null;
        var strength = isSeenOnly ? null : Form.Either("strength", QuantityKind.Concentration, QuantityKind.Temperature);
        var entry = new GlycolEntry(Writer.Next(), kind, strength, Form.Value("surface", QuantityKind.Temperature),
            Form.Number("upTo", 0, GlycolMixture.HighestPercent, "per cent"), pump, bath, froze, alkalinity);
        if (entry.UpToPercent is { } upper && (entry.Percent is not { } lower || upper < lower))
            Form.Errors["upTo"] = "The upper end of the range. Type the lower one first, such as 30 and 35.";
        if (strength is not null && entry.Percent is null)
            Form.Errors["strength"] = "No mixture up to 60 % freezes at this temperature. Type mass %, or a freezing point such as -15 °C.";
        return entry;
    });
}
