using KeenEmber.Storage;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Mvc;

namespace KeenEmber.Web.Pages.Visits.Report;

/// <summary>The report for who has an account, and the addresses by which others may read it.</summary>
public sealed class ReportModel(VisitViews views, SignedReportStore reports, ReaderLinks links, TimeProvider clock)
    : ReportSheet(views, reports)
{
    /// <summary>How long an address for a reader holds unless it is taken back, days.</summary>
    private const int LinkDays = 30;

    /// <summary>Addresses for readers that hold.</summary>
    public IReadOnlyList<ReaderLink> Shared { get; private set; } = [];

    /// <summary>The address that was just made: shown once, kept nowhere.</summary>
    public string? NewLink { get; private set; }

    public IActionResult OnGet(Guid id) => Load(id) ? Page() : NotFound();

    /// <summary>Makes an address by which somebody without an account reads this report.</summary>
    public IActionResult OnPostShare(Guid id)
    {
        if (!Load(id))
            return NotFound();
        var now = clock.GetUtcNow();
        var token = links.Make(id, Accounts.NameOf(HttpContext) ?? "", now, now.AddDays(LinkDays));
        NewLink = $"{Request.Scheme}://{Request.Host}/r/{token}";
        Shared = links.Of(id, now);
        return Page();
    }

    /// <summary>Takes one back.</summary>
    public IActionResult OnPostEnd(Guid id, Guid link)
    {
        if (!Load(id))
            return NotFound();
        links.End(link, id, clock.GetUtcNow());
        return RedirectToPage(new { id });
    }

    private bool Load(Guid id)
    {
        if (!Open(id))
            return false;
        Shared = links.Of(id, clock.GetUtcNow());
        return true;
    }
}
