using KeenEmber.Storage;
using KeenEmber.Web.People;
using KeenEmber.Words;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace KeenEmber.Web.Pages.People;

/// <summary>In and out, by password, by passkey, or by a tap where a tablet is shared.</summary>
[AllowAnonymous, EnableRateLimiting(Accounts.Tries)]
public sealed class SignInModel(
    SignInManager<Person> signIn, UserManager<Person> users, PeopleStore people, SharedTablet tablet, DemoPeople demo)
    : PageModel, IForAnybody
{
    /// <summary>Where to go on.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Back { get; set; }

    /// <summary>As it was typed.</summary>
    public string Name { get; private set; } = "";

    /// <summary>The last try failed.</summary>
    public bool IsWrong { get; private set; }

    /// <summary>Nobody has an account yet.</summary>
    public bool IsBeforeFirst => !people.HasAny;

    /// <summary>A passkey was not taken.</summary>
    public bool IsWrongKey { get; private set; }

    /// <summary>Who else can be changed to by a tap.</summary>
    public IReadOnlyList<Person> Others => [.. Here.Where(p => users.GetUserId(User) != p.Id.ToString())];

    private IReadOnlyList<Person> Here => demo.All.Count > 0 ? demo.All : tablet.On(Request);

    public void OnGet()
    {
    }

    public async Task<IActionResult> OnPostIn(string? name, string? password, bool shared)
    {
        Name = TypingText.Kept(name, Accounts.LongestName);
        var person = await users.FindByNameAsync(Name);
        // Whether there is such a name must not show in how long the answer takes.
        var isRight = await users.CheckPasswordAsync(person ?? Nobody, password ?? "");
        if (!isRight || person is not { MayEnter: true })
        {
            IsWrong = true;
            return Page();
        }

        tablet.Keep(HttpContext, person, shared);
        return await Enter(person);
    }

    /// <summary>Somebody of those who share this tablet.</summary>
    public async Task<IActionResult> OnPostAs(Guid person) =>
        Here.FirstOrDefault(p => p.Id == person) is { } chosen ? await Enter(chosen) : RedirectToPage();

    /// <summary>What the device is to sign.</summary>
    public async Task<IActionResult> OnPostPasskeyOptions() =>
        Content(await signIn.MakePasskeyRequestOptionsAsync(null), "application/json");

    public async Task<IActionResult> OnPostPasskey(string? credential)
    {
        var answer = await Passkeys.Read(() => signIn.PerformPasskeyAssertionAsync(credential ?? ""));
        if (answer is not { Succeeded: true, User: { MayEnter: true } person })
        {
            IsWrongKey = true;
            return Page();
        }

        await users.AddOrUpdatePasskeyAsync(person, answer.Passkey);
        return await Enter(person);
    }

    private async Task<IActionResult> Enter(Person person)
    {
        await signIn.SignInAsync(person, isPersistent: true);
        return Url.IsLocalUrl(Back) ? LocalRedirect(Back) : RedirectToPage("/Index");
    }

    public async Task<IActionResult> OnPostOut()
    {
        await HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
        return RedirectToPage();
    }

    private static readonly Person Nobody = new() { PasswordHash = new PasswordHasher<Person>().HashPassword(new(), "nobody at all") };
}
