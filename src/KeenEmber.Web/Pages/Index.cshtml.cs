using KeenEmber.Application;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Words;
using KeenEmber.Words.Benches;
using KeenEmber.Words.Benches.Circuit;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

/// <summary>What to do first: dangers, what is overdue, follow-ups, today's visits, callbacks, units that drift; then every unit.</summary>
public sealed class IndexModel(Board board, StandingStore standings, CompanyStore companies, BenchTexts texts, TimeProvider time)
    : PageModel
{
    private const int OnePage = 50;

    /// <summary>No list above the units is longer than this: they are to be worked off, not read.</summary>
    private const int AtTheTop = 12;

    /// <summary>A follow-up is shown from so many days before it is due.</summary>
    private const int DaysAhead = 7;

    /// <summary>A callback stays on the page for so long after it began, unless it is signed off.</summary>
    private static readonly TimeSpan CallbacksFor = TimeSpan.FromDays(7);

    [BindProperty(SupportsGet = true)]
    public int From { get; set; }

    public string CompanyName { get; private set; } = "";

    public DateTimeOffset Now { get; private set; }

    public UnitText UnitText { get; private set; } = null!;

    public IReadOnlyList<UnitLine> Units { get; private set; } = [];

    public (int Units, int Need) Count { get; private set; }

    public int? Next => From + OnePage < Count.Units ? From + OnePage : null;

    public int? Previous => From > 0 ? Math.Max(0, From - OnePage) : null;

    /// <summary>Everything open that can hurt somebody, then what should have been closed by now, each the oldest first.</summary>
    public IReadOnlyList<(UnitLine Unit, OpenItem Item)> Pressing { get; private set; } = [];

    /// <summary>Units whose latest visit promised to look again soon, or should have been looked at already.</summary>
    public IReadOnlyList<(UnitLine Unit, DateOnly Day, bool Late)> FollowUps { get; private set; } = [];

    public IReadOnlyList<UnitLine> Today { get; private set; } = [];

    public IReadOnlyList<UnitLine> Callbacks { get; private set; } = [];

    public IReadOnlyList<UnitLine> Drifting { get; private set; } = [];

    /// <summary>How a unit stands, in a sentence.</summary>
    public string Stands(UnitLine unit) => unit switch
    {
        { IsJudged: false } => "Not judged yet. Open the page again in a moment.",
        { LastVisit: null } or { Stands: null } => "No visit yet.",
        _ => texts.Headline(unit.Stands, unit.Kind),
    };

    public bool IsUnderWay(UnitLine unit) => unit.LastVisit is { } visit && !unit.IsSignedOff && visit.IsUnderWay(Now);

    public void OnGet()
    {
        board.Refresh();
        var company = companies.Get();
        (CompanyName, UnitText, Now) = (company.Name, new(company.Units, Pressure.StandardAtmosphere), time.GetUtcNow());
        From = Math.Max(0, From);
        Count = standings.Count();
        Units = standings.List(Listing.All, From, OnePage);
        if (From > 0)
            return;
        var today = DateOnly.FromDateTime(Now.UtcDateTime);
        Pressing =
            [.. standings.List(Listing.Safety, 0, AtTheTop).Concat(standings.List(Listing.Overdue, 0, AtTheTop, until: today.AddDays(1)))
            .DistinctBy(u => u.Id)
            .SelectMany(
                u => u.OpenItems.Where(l => l.IsSafety || (l.Handover is not null && !l.IsLookedAfter(DateAt(u)))), (u, l) =>
                (Unit: u, Item: l))
            .OrderByDescending(x => x.Item.IsSafety).ThenBy(x => x.Item.Change.At)];
        FollowUps =
            [.. standings.List(Listing.FollowUp, 0, AtTheTop, until: today.AddDays(DaysAhead)).Where(u => !IsUnderWay(u))
            .Select(u => (u, u.FollowUp!.Value, u.FollowUp < DateAt(u)))];
        Today = [.. standings.List(Listing.Visited, 0, AtTheTop, since: Now.AddDays(-1))
            .Where(u => new SiteClock(u.Site).Date(u.LastVisit!.StartedAt) == DateAt(u))];
        Callbacks = standings.List(Listing.Callbacks, 0, AtTheTop, since: Now - CallbacksFor);
        Drifting = standings.List(Listing.Drifting, 0, AtTheTop);
    }

    private DateOnly DateAt(UnitLine unit) => new SiteClock(unit.Site).Date(Now);

    /// <summary>What creeps on a unit: "superheat at the coil from 5.0 K to 9.1 K over 3 visits".</summary>
    public string Drift(UnitLine unit) => CircuitText.List(unit.Drift.Select(d =>
        $"{CircuitText.Name(d.Kind)} from {UnitText.Result(ResultQuantity.Difference, d.From)} to "
            + $"{UnitText.Result(ResultQuantity.Difference, d.To)}")) + $" over {Core.Benches.Circuit.Drift.Visits} visits";
}
