using KeenEmber.Application;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Pages.Visits;

namespace KeenEmber.Web;

/// <summary>Opens visits for pages and endpoints.</summary>
public sealed class VisitViews(
    VisitDesk desk, IEnumerable<IBench> benches, BenchTexts texts, IHttpContextAccessor asking, ILogger<VisitViews> logger)
{
    private readonly IReadOnlyList<IBench> benches = [.. benches];

    /// <summary>Where what is typed is put on record.</summary>
    public VisitDesk Desk => desk;

    /// <summary>A visit ready to show; null when there is none of that id.</summary>
    public VisitView? Open(Guid id) =>
        desk.Load(id) is { } loaded
            ? new(loaded, benches, new SafeJudging(logger, id, asking.HttpContext?.RequestAborted ?? default), texts) : null;
}
