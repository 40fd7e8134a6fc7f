using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Box;

/// <summary>What lets warm air in or leads cold air astray, and what was put right.</summary>
public sealed class BoxDoorsModel(VisitViews views) : VisitPage(views)
{
    private const int LongestText = 120;

    public BoxJudgement Bench => View.Of<BoxJudgement>()!;

    public IActionResult OnPostCheck(Guid id, Guid entryId, bool sound) => Take(id, entryId, () =>
        new BoxCheckEntry(Writer.Next(), Form.Choice<BoxPart>("part"), Form.Text("where", LongestText), sound));

    public IActionResult OnPostAir(Guid id, Guid entryId) => Take(id, entryId, () => new AirAtEntry(Writer.Next(),
        Form.Choice<AirSide>("side"), Form.Text("place", 40),
        Form.Value("temperature", QuantityKind.Temperature, required: true) ?? new(0, Unit.Celsius)));

    /// <param name="of">The check that found it.</param>
    public IActionResult OnPostRepaired(Guid id, Guid entryId, Guid of) => Take(id, entryId, () =>
        Bench.Open.FirstOrDefault(c => c.Id == of) is not { } check ? null
            : check with
            {
                Header = Writer.Next(),
                Repaired = Form.Text($"how-{of}", LongestText, missing: "Say how: gasket replaced, closer adjusted."),
            });
}
