using KeenEmber.Storage;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeenEmber.Web.Pages.People;

/// <summary>Who may enter: invited, signed out and removed by a lead.</summary>
[Authorize(Policy = Accounts.LeadOnly)]
public sealed class PeopleModel(PeopleStore people, VisitStore visits, UserManager<Person> users, TimeProvider clock) : PageModel
{
    private const int MostChanges = 20;

    public IReadOnlyList<Person> People { get; private set; } = [];

    public IReadOnlyList<PersonChange> Changes { get; private set; } = [];

    /// <summary>The address of an invitation that was just made: shown once, kept nowhere.</summary>
    public string? Invitation { get; private set; }

    /// <summary>Whose name is to be deleted, once that was said twice.</summary>
    public Person? Asked { get; private set; }

    /// <summary>How what was asked for went.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>What can be done to an account. Nobody removes themselves: there must be a lead left.</summary>
    public IEnumerable<(string Handler, string Label)> ActsOn(Person person) => person.MayEnter
        ? [("Out", "Sign out everywhere"), .. IsSelf(person) ? [] : new[] { ("Remove", "Remove") }]
        : person.NormalSignIn == person.Id.ToString() ? [] : [("Restore", "Let in again"), ("Forget", "Delete the name")];

    private bool IsSelf(Person person) => users.GetUserId(User) == person.Id.ToString();

    public void OnGet() => (People, Changes) = (people.All(), people.Changes(MostChanges));

    public IActionResult OnPostInvite(Role role)
    {
        if (!people.HasAny || !Enum.IsDefined(role))
            return BadRequest();
        var now = clock.GetUtcNow();
        var token = people.Invite(role, User.Identity!.Name!, now, now + Accounts.InvitedFor);
        Invitation = $"{Request.Scheme}://{Request.Host}/welcome/{token}";
        OnGet();
        return Page();
    }

    public Task<IActionResult> OnPostOut(Guid person) => Change(person, "signed out everywhere", _ => { });

    public Task<IActionResult> OnPostRemove(Guid person) => Change(person, "removed", p => p.MayEnter = false);

    public Task<IActionResult> OnPostRestore(Guid person) => Change(person, "let in again", p => p.MayEnter = true);

    /// <summary>Somebody who left wants their name out of the record.</summary>
    public IActionResult OnPostForget(Guid person, string? sure)
    {
        if (people.Find(person) is not { MayEnter: false } left)
            return BadRequest();
        if (sure != left.Name)
        {
            Asked = left;
            OnGet();
            return Page();
        }

        Said = people.Forget(left, User.Identity!.Name!, clock.GetUtcNow()) is { } put
            ? $"The name is out of the record. In its place stands “{put}”."
            : "Somebody else bears the same name, so it stays. Change that one first.";
        visits.ReadAnew();
        return RedirectToPage();
    }

    /// <summary>A new stamp signs every device out with its next request.</summary>
    private async Task<IActionResult> Change(Guid id, string what, Action<Person> change)
    {
        if (people.Find(id) is not { } person || (what == "removed" && IsSelf(person)))
            return BadRequest();
        change(person);
        await users.UpdateSecurityStampAsync(person);
        people.Change(person, User.Identity!.Name!, what, clock.GetUtcNow());
        return RedirectToPage();
    }
}
