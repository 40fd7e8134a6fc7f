using KeenEmber.Core.Benches.Charge;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>Places to search for a leak, in order of likelihood for this unit.</summary>
public sealed class ChargeLeaksModel(VisitViews views) : VisitPage(views)
{
    private const int LongestText = 120;

    /// <summary>The place that was tapped on the map; null where none was.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Place { get; set; }

    public ChargeJudgement Bench => View.Of<ChargeJudgement>()!;

    public IActionResult OnPostLook(Guid id, Guid entryId, bool oil) => Take(id, entryId, () =>
    {
        var result = Form.Choice<LeakResult>("result");
        if (result == LeakResult.Repaired)
            Form.Errors["result"] = "Save it as a leak first. Its repair is noted beside it.";
        return new LeakEntry(Writer.Next(), Form.Choice<LeakPlace>("place"), Form.Text("where", LongestText),
            Form.Choice<LeakMethod>("method"), result, oil, Form.Choice<DetectorDisturbance>("disturbed"));
    });

    /// <param name="of">The entry that found the leak.</param>
    public IActionResult OnPostRepaired(Guid id, Guid entryId, Guid of) => Take(id, entryId, () =>
        Bench.OpenLeaks.FirstOrDefault(l => l.Id == of) is not { } leak ? null
            : leak with
            {
                Header = Writer.Next(), Result = LeakResult.Repaired,
                How = Form.Text($"how-{of}", LongestText, missing: "Say how: cap and core replaced, joint brazed."),
            });
}
