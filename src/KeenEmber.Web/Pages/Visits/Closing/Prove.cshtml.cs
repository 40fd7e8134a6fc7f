using KeenEmber.Core.Visits;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Closing;

/// <summary>What proves each repair, filled from the timeline, and what still does not.</summary>
public sealed class ProveModel(VisitViews views) : VisitPage(views)
{
    public IActionResult OnPostProof(Guid id, Guid entryId, ProofKind kind, string? what)
    {
        if (!Load(id, entryId))
            return NotFound();
        if (entryId == Guid.Empty || !Enum.IsDefined(kind) || kind.FillsItself())
            return BadRequest();
        Append([new ProofEntry(Writer.Next(), kind, TypingText.Kept(what, 200))]);
        return RedirectToPage(new { id });
    }
}
