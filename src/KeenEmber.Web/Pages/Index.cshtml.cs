using KeenEmber.Storage;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages;

public sealed class IndexModel(VisitDesk desk, ShopStore shops, TimeProvider time) : PageModel
{
    public IReadOnlyList<UnitState> Board { get; private set; } = [];

    public string ShopName { get; private set; } = "";

    public DateTimeOffset Now { get; private set; }

    public void OnGet()
    {
        Board = desk.Board();
        ShopName = shops.Get().Name;
        Now = time.GetUtcNow();
    }
}
