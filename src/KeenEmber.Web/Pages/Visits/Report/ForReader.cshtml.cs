using KeenEmber.Storage;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.RateLimiting;

namespace KeenEmber.Web.Pages.Visits.Report;

/// <summary>One report for somebody without an account, by an address that was sent to them.</summary>
[AllowAnonymous, EnableRateLimiting(Accounts.Readers)]
public sealed class ForReaderModel(VisitViews views, SignedReportStore reports, ReaderLinks links, TimeProvider clock)
    : ReportSheet(views, reports)
{
    /// <summary>What the address opens; null where it opens nothing any more.</summary>
    public ReaderLink? Link { get; private set; }

    public IActionResult OnGet(string token)
    {
        Response.Headers["X-Robots-Tag"] = "noindex";
        Link = links.Find(token, clock.GetUtcNow());
        if (Link is null || !Open(Link.VisitId))
        {
            Response.StatusCode = StatusCodes.Status404NotFound;
            return Page();
        }

        // Its photos are asked for one by one.
        Response.Cookies.Append(Accounts.ReaderCookie, token, new()
        {
            Path = "/photos", HttpOnly = true, SameSite = SameSiteMode.Strict, Secure = Request.IsHttps, IsEssential = true,
        });
        return Page();
    }
}
