using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Glycol;

/// <summary>The glycol of a chiller: is it strong enough, and if it froze, why?</summary>
public sealed class GlycolModel(VisitViews views) : VisitPage(views)
{
    public GlycolEntry? Last => View.Timeline.Standing.OfType<GlycolEntry>().LastOrDefault();

    public IActionResult OnPostMixture(Guid id, Guid entryId, GlycolKind kind) => Take(id, entryId, () =>
    {
        if (!Enum.IsDefined(kind))
            return null;
        // A bare number is a strip's mass %; one with a temperature unit is a refractometer's freezing point.
        var strength = Form.Either("strength", QuantityKind.Concentration, QuantityKind.Temperature);
        var entry = new GlycolEntry(Writer.Next(), kind, strength!, Form.Value("surface", QuantityKind.Temperature));
        if (strength is not null && entry.Percent is null)
            Form.Errors["strength"] = "No mixture up to 60 % freezes at this temperature. Type mass %, or a freezing point such as -15 °C.";
        return entry;
    });
}
