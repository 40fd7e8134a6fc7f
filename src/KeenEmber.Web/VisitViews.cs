using KeenEmber.Application;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Practice;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Words;
using KeenEmber.Words.Benches;

namespace KeenEmber.Web;

/// <summary>Opens visits for pages and endpoints.</summary>
public sealed class VisitViews(
    VisitDesk desk, IEnumerable<IBench> benches, BenchTexts texts, PracticeStore practice, IHttpContextAccessor asking,
    ILogger<VisitViews> logger)
{
    private readonly IReadOnlyList<IBench> benches = [.. benches];

    /// <summary>Where what is typed is put on record.</summary>
    public VisitDesk Desk => desk;

    /// <summary>A visit ready to show; null when there is none of that id.</summary>
    /// <param name="madeAt">As of when; null for now.</param>
    public VisitView? Open(Guid id, DateTimeOffset? madeAt = null) => Of(desk.Load(id, madeAt));

    /// <summary>The pages of a visit to a unit that nobody has begun; null when there is no such unit.</summary>
    public VisitView? Ahead(Guid unitId) => Of(desk.Ahead(unitId));

    /// <summary>The case that is practised on a visit; null on one that is real.</summary>
    public PracticeRun? PracticeOf(VisitView view) => view.Equipment.IsPractice ? practice.Find(view.Visit.Id) : null;

    private VisitView? Of(LoadedVisit? loaded) => loaded is null ? null
        : new(loaded, benches, new SafeJudging(logger, loaded.Record.VisitId, asking.HttpContext?.RequestAborted ?? default), texts);
}
