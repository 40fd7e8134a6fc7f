using KeenEmber.Application;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Web.Offline;
using KeenEmber.Web.People;
using KeenEmber.Words;
using KeenEmber.Words.Benches;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Units;

public sealed class UnitModel(
    Board board, EquipmentStore equipment, VisitDesk desk, CompanyStore companies, BenchTexts texts, TimeProvider time) : PageModel
{
    /// <summary>How its visits stand, in words.</summary>
    public BenchTexts Texts => texts;

    public Equipment Unit { get; private set; } = null!;

    public Company Company { get; private set; } = null!;

    public Site Site { get; private set; } = null!;

    public UnitText Units { get; private set; } = null!;

    public SiteClock Clock { get; private set; } = null!;

    public UnitStanding Standing { get; private set; } = null!;

    /// <summary>What was changed on the unit itself, the latest first.</summary>
    public IReadOnlyList<(Nameplate Before, Nameplate After)> NameplateChanges { get; private set; } = [];

    public Visit? UnderWay { get; private set; }

    public string Technician => Accounts.NameOf(HttpContext) ?? "";

    public Guid NewVisitId { get; private set; }

    public IActionResult OnGet(Guid id)
    {
        if (equipment.Find(id) is not var (unit, site))
            return NotFound();
        if (unit.IsPractice)
            return LocalRedirect("/practise");
        Unit = unit;
        Site = site;
        Company = companies.Get();
        Units = new(Company.Units, site.Atmosphere);
        Clock = new(site);
        NameplateChanges = equipment.RecordOf(id) is var (record, _) ? [.. record.Changes.Reverse()] : [];
        Standing = board.Of(id);
        UnderWay = Standing.Visits.FirstOrDefault(v => !v.IsSignedOff && v.Visit.IsUnderWay(time.GetUtcNow()))?.Visit;
        NewVisitId = Guid.CreateVersion7(time.GetUtcNow());
        return Page();
    }

    public IActionResult OnPost(Guid id, Guid visitId, string? complaint, string? author, Urgency urgency, string? stock, string? response)
    {
        if (equipment.Find(id) is not { Equipment.IsPractice: false })
            return NotFound();
        if (visitId == Guid.Empty)
            return BadRequest();
        var name = User.Identity is { IsAuthenticated: true, Name: { } signedIn } ? signedIn : TypingText.Kept(author, 60);
        if (name.Length > 0)
            BrowserNotes.Keep(Response, BrowserNotes.Technician, name);
        var now = time.GetUtcNow();
        desk.Start(new(
            visitId, id, KeptPost.Of(Request, now)?.MadeAt ?? now, name.Length > 0 ? name : "technician", TypingText.Kept(complaint, 300),
            Enum.IsDefined(urgency) ? urgency : Urgency.Routine, TypingText.Kept(stock, 200), TypingText.Kept(response, 200)));
        return RedirectToPage("/Visits/Circuit/Circuit", new { id = visitId });
    }
}
