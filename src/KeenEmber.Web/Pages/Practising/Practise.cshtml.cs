using KeenEmber.Core.Plant;
using KeenEmber.Core.Practice;
using KeenEmber.Storage;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.Practising;

/// <summary>Cases to practise on, and how somebody got on with them; to a lead, how everybody did.</summary>
public sealed class PractiseModel(
    PracticeStore practice, EquipmentStore equipment, PeopleStore people, TimeProvider time) : PageModel
{
    private string Person => Accounts.NameOf(HttpContext) ?? "Trainee";

    public Guid NewId => Guid.CreateVersion7(time.GetUtcNow());

    /// <summary>What the person has worked, by case, the latest first.</summary>
    public ILookup<string, Practised> Done => field ??= practice.Of(Person).ToLookup(p => p.CaseCode);

    public bool IsLead => Accounts.MayDecide(User, people);

    /// <summary>By person and level: cases closed, and of them solved.</summary>
    public IReadOnlyList<(string Person, IReadOnlyList<(int Solved, int Closed)> Levels)> Everybody => field ??=
        [.. practice.Of(null).Where(p => p.EndedAt is not null).GroupBy(p => p.Person).OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => (g.Key, (IReadOnlyList<(int, int)>)[.. Enumerable.Range(1, PracticeCase.Levels).Select(level =>
            {
                var ofLevel = g.Where(p => p.Level == level).ToList();
                return (ofLevel.Count(p => p.IsSolved == true), ofLevel.Count);
            })]))];

    /// <summary>Begins a case of the library.</summary>
    public IActionResult OnPostStart(Guid visitId, string? code) => Start(visitId, PracticeCase.Find(code));

    /// <summary>Begins a random one.</summary>
    public IActionResult OnPostRandom(Guid visitId, EquipmentKind kind, int level)
    {
        if (!Enum.IsDefined(kind) || level is < 1 or > PracticeCase.Levels)
            return BadRequest();
        // The form's id is as random as anything, and the same form sent twice begins the same case.
        var seed = BitConverter.ToInt32(visitId.ToByteArray(), 12) & int.MaxValue;
        return Start(visitId, PracticeCase.Find(RandomCases.CodeOf(kind, level, seed)));
    }

    private IActionResult Start(Guid visitId, PracticeCase? chosen)
    {
        if (visitId == Guid.Empty || chosen is null)
            return BadRequest();
        var now = time.GetUtcNow();
        var zone = equipment.Sites() is [var first, ..] ? first.TimeZone : "UTC";
        var unit = PracticeUnit.Of(chosen, Guid.CreateVersion7(now), Guid.CreateVersion7(now));
        practice.Start(unit, new(Site.PracticeId, "Practice", 0, zone), new(visitId, unit.Id, now, Person, chosen.Said), chosen,
            BrowserNotes.Device(HttpContext));
        return LocalRedirect($"/visits/{visitId}/practice");
    }
}
