using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Plant;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>What is burnt, rubbed, wet or wrong, and what was found inside a part that was opened.</summary>
public sealed class ElectricalDamageModel(VisitViews views) : VisitPage(views)
{
    private const int LongestText = 200;

    public ElectricalJudgement Bench => View.Of<ElectricalJudgement>()!;

    public IReadOnlyList<Component> Parts => PartFields.PartsOf(View.Equipment);

    /// <summary>Parts that were opened on this visit and before.</summary>
    public IReadOnlyList<AutopsyEntry> Opened =>
        [.. Bench.UpToHere.SelectMany(t => t.Standing).OfType<AutopsyEntry>().OrderByDescending(a => a.At)];

    public IActionResult OnPostDamage(Guid id, Guid entryId) => Take(id, entryId, () => Component.Find(Form["of"]) is { } part
        ? new PartConditionEntry(Writer.Next(), part, Form.Choice<PartCondition>("condition"),
            Form.Text("place", LongestText, missing: "Say where: at the bracket, in the drain pan, terminal 4."), Form.Text("repaired",
                LongestText)) : null);

    /// <param name="of">The entry that was seen.</param>
    public IActionResult OnPostRepaired(Guid id, Guid entryId, Guid of) => Take(id, entryId, () =>
        Bench.Damage.FirstOrDefault(d => d.Id == of) is { } damage
            ? new PartConditionEntry(Writer.Next(), damage.Component, damage.Condition, damage.Place,
                Form.Text($"how-{of}", LongestText, missing: "Say how: rerouted and clipped, terminal replaced.")) : null);

    public IActionResult OnPostAutopsy(Guid id, Guid entryId) => Take(id, entryId, () =>
    {
        var signs = Form.Ticked<AutopsySign>("signs").Distinct().ToList();
        if (signs.Count == 0)
            Form.Errors["signs"] = "Tick what was found, or that nothing was to be seen.";
        return Component.Find(Form["opened"]) is { } part ? new AutopsyEntry(Writer.Next(), part, signs, Form.Text("note", LongestText))
            : null;
    });
}
