using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Plant;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Box;

/// <summary>Several systems on one box side by side: which carries how much.</summary>
public sealed class BoxSystemsModel(VisitViews views) : VisitPage(views)
{
    public IReadOnlyList<SystemState> Systems => View.Of<BoxJudgement>()!.Systems;

    public IActionResult OnPostSystem(Guid id, Guid entryId, bool runs, bool called) => Take(id, entryId, () =>
        new BoxSystemEntry(Writer.Next(), Form.Text("system", 30, missing: "Name it, such as A or left."), runs, called,
            Form.Value("current", QuantityKind.Current), Form.Value("split", QuantityKind.Difference),
            Form.Value("drop", QuantityKind.Difference), Form.Value("evaporating", QuantityKind.Temperature),
            Form["glass"].Length > 0 && Form.Choice<FactState>("glass") is FactState.Full or FactState.Bubbles
                ? Form.Choice<FactState>("glass") : null));
}
