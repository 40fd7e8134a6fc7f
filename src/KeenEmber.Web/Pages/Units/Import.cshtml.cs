using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Web.People;
using KeenEmber.Words;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Units;

/// <summary>Many units at once: shown line by line as they would be, added when that was looked at.</summary>
public sealed class ImportModel(EquipmentStore equipment, CompanyStore companies, TimeProvider time) : PageModel
{
    private const int LongestList = 200_000;

    public Company Company { get; private set; } = null!;

    /// <summary>As pasted; after adding, nothing.</summary>
    public string List { get; private set; } = "";

    public IReadOnlyList<ListedUnit> Units { get; private set; } = [];

    /// <summary>What is wrong with the list as a whole.</summary>
    public string Problem { get; private set; } = "";

    /// <summary>How many were added just now.</summary>
    public int? Added { get; private set; }

    public void OnGet() => Company = companies.Get();

    public IActionResult OnPost(string? list, bool sure)
    {
        Company = companies.Get();
        List = TypingText.Kept(list, LongestList);
        Read();
        if (!sure || Problem.Length > 0)
            return Page();
        var by = new SavedBy(time.GetUtcNow(), Accounts.NameOf(HttpContext) ?? "", BrowserNotes.Device(HttpContext), null);
        Added = Units.Count(u => u.Unit is var (unit, site) && equipment.Save(unit, site, by));
        // What is left is what was wrong; the rest says that it is there already.
        Units = [.. Units.Where(u => u.Unit is null)];
        if (Units.Count == 0)
            List = "";
        return Page();
    }

    private void Read()
    {
        var taken = equipment.All().Select(u => (u.SiteId, u.Tag)).ToHashSet();
        (Units, Problem) = UnitList.Read(
            List, Company, equipment.Sites(), (site, tag) => taken.Contains((site, tag)), () => Guid.CreateVersion7(time.GetUtcNow()));
    }
}
