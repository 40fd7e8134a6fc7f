using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Controls;

/// <summary>Relays of the controller: called, live, running; and what water, scale or wear has done to its parts.</summary>
public sealed class ControlsOutputsModel(VisitViews views) : VisitPage(views)
{
    /// <summary>The outputs since a part of the control was replaced.</summary>
    public IReadOnlyDictionary<ControlOutput, OutputResult> Now => ControlsOnRecord.OutputsNow(View.Timeline);

    public IReadOnlyList<OutputStateEntry> Looks(ControlOutput output) =>
        [.. View.Timeline.Standing.OfType<OutputStateEntry>().Where(o => o.Output == output)];

    public IActionResult OnPostLook(Guid id, Guid entryId, ControlOutput output, bool called, bool? live, bool? runs, bool tapped) =>
        Take(id, entryId, () =>
    {
        if (live is null && runs is null)
            Form.Errors["live"] = "Say at least one: live or dead, running or still.";
        return Enum.IsDefined(output) ? new OutputStateEntry(Writer.Next(), output, new(called, live, runs), tapped) : null;
    });

    public IActionResult OnPostDamage(Guid id, Guid entryId, ControlPart part, DamageKind damage) => Take(id, entryId, () =>
        Enum.IsDefined(part) && Enum.IsDefined(damage) ? new DamageEntry(Writer.Next(), part, damage) : null);
}
