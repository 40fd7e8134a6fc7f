using KeenEmber.Storage;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

public sealed class IndexModel(VisitDesk desk, ShopStore shops, TimeProvider time) : PageModel
{
    public IReadOnlyList<UnitState> Board { get; private set; } = [];

    public string ShopName { get; private set; } = "";

    public DateTimeOffset Now { get; private set; }

    /// <summary>A follow-up is shown from so many days before it is due.</summary>
    private const int DaysAhead = 7;

    /// <summary>Units whose latest visit promised to look again soon, or should have been looked at already.</summary>
    public IEnumerable<(UnitState Unit, DateOnly Day, bool Late)> FollowUps => Board
        .Where(u => u.FollowUp is not null && !u.IsUnderWay)
        .Select(u => (Unit: u, Day: u.FollowUp!.Value, Today: new SiteClock(u.Site).Date(Now)))
        .Where(f => f.Day <= f.Today.AddDays(DaysAhead)).OrderBy(f => f.Day).Select(f => (f.Unit, f.Day, f.Day < f.Today));

    /// <summary>Everything open that can hurt somebody, then what should have been closed by now, each the oldest first.</summary>
    public IEnumerable<(UnitState Unit, Core.Service.OpenLoop Loop)> Pressing => Board
        .SelectMany(u => u.Loops.Where(l => l.IsSafety || (l.Handover is not null && !l.IsLookedAfter(new SiteClock(u.Site).Date(Now)))), (u, l) => (u, l))
        .OrderByDescending(x => x.l.IsSafety).ThenBy(x => x.l.Change.At);

    public void OnGet()
    {
        Board = desk.Board();
        ShopName = shops.Get().Name;
        Now = time.GetUtcNow();
    }
}
