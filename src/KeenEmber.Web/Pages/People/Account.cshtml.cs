using KeenEmber.Storage;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace KeenEmber.Web.Pages.People;

/// <summary>Somebody's own account: name, password, passkeys.</summary>
[EnableRateLimiting(Accounts.Tries)]
public sealed class AccountModel(
    PeopleStore people, PasskeyStore passkeys, UserManager<Person> users, SignInManager<Person> signIn, CompanyStore companies,
    TimeProvider clock) : PageModel, IForAnybody
{
    private const int LongestKeyName = 40;

    public Person Person { get; private set; } = null!;

    public FilledForm Form { get; private set; } = null!;

    public IReadOnlyList<Passkey> Keys { get; private set; } = [];

    /// <summary>How what was asked for went.</summary>
    [TempData]
    public string? Said { get; set; }

    public async Task<IActionResult> OnGet() => await Load() ? Page() : RedirectToPage("/People/SignIn");

    public Task<IActionResult> OnPostName() => Mine(() =>
    {
        var name = Form.Text("name", Accounts.LongestName, missing: "Your entries need a name.");
        if (Form.IsWrong || name == Person.Name)
            return Task.FromResult<string?>(null);
        var before = Person.Name;
        Person.Name = name;
        people.Change(Person, name, $"was {before}", clock.GetUtcNow());
        return Task.FromResult<string?>("From now on your entries bear that name; those before keep theirs.");
    });

    public Task<IActionResult> OnPostPassword() => Mine(async () =>
    {
        if (Person.PasswordHash is not null && !await users.CheckPasswordAsync(Person, Form["current"]))
            Form.Errors["current"] = "That is not your password.";
        await Passwords.Check(users, Person, Form);
        if (Form.IsWrong)
            return null;
        Person.PasswordHash = users.PasswordHasher.HashPassword(Person, Form["password"]);
        await users.UpdateSecurityStampAsync(Person);
        people.Change(Person, Person.Name, "changed the password", clock.GetUtcNow());
        return "Changed. Every other device is signed out.";
    });

    /// <summary>What the device is to make a passkey of.</summary>
    public async Task<IActionResult> OnPostPasskeyOptions() => await Load()
        ? Content(await signIn.MakePasskeyCreationOptionsAsync(
            new() { Id = Person.Id.ToString(), Name = Person.NormalSignIn, DisplayName = Person.Name }), "application/json")
        : Forbid();

    public Task<IActionResult> OnPostPasskey(string? credential) => Mine(async () =>
    {
        if (await Passkeys.Read(() => signIn.PerformPasskeyAttestationAsync(credential ?? "")) is not { Succeeded: true } made
            || made.UserEntity.Id != Person.Id.ToString())
        {
            Form.Errors["key"] = "That passkey could not be checked. Try again.";
            return null;
        }

        made.Passkey.Name = Form.Text("key", LongestKeyName) is { Length: > 0 } name ? name : "Passkey";
        await users.AddOrUpdatePasskeyAsync(Person, made.Passkey);
        people.Change(Person, Person.Name, "added a passkey", clock.GetUtcNow());
        return "This passkey signs you in from now on.";
    });

    public Task<IActionResult> OnPostRemove(string? key) => Mine(() =>
    {
        passkeys.Remove(Person.Id, key ?? "");
        people.Change(Person, Person.Name, "took a passkey away", clock.GetUtcNow());
        return Task.FromResult<string?>("Taken away.");
    });

    /// <summary>A phone was lost, or a browser somewhere was left open.</summary>
    public Task<IActionResult> OnPostElsewhere() => Mine(async () =>
    {
        await users.UpdateSecurityStampAsync(Person);
        people.Change(Person, Person.Name, "signed out everywhere else", clock.GetUtcNow());
        return "Every other device is signed out.";
    });

    private async Task<bool> Load()
    {
        Form = new(companies.Get().Units);
        if (await users.GetUserAsync(User) is not { } person)
            return false;
        (Person, Keys) = (person, passkeys.Of(person.Id));
        return true;
    }

    /// <param name="act">Says what was done; null where something is wrong, or nothing was to do.</param>
    private async Task<IActionResult> Mine(Func<Task<string?>> act)
    {
        if (!await Load())
            return RedirectToPage("/People/SignIn");
        Form.Keep(Request.Form);
        if (await act() is not { } said)
            return Page();
        Said = said;
        // The cookie says the name, and the stamp that was changed.
        await signIn.SignInAsync(Person, isPersistent: true);
        return RedirectToPage();
    }
}
