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

/// <summary>In and out. Another one at a shared tablet signs in over whoever was.</summary>
[AllowAnonymous, EnableRateLimiting(Accounts.Tries)]
public sealed class SignInModel(SignInManager<Person> signIn, UserManager<Person> users, PeopleStore people)
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

    public void OnGet()
    {
    }

    public async Task<IActionResult> OnPostIn(string? name, string? password)
    {
        Name = TypingText.Kept(name, 60);
        var person = await users.FindByNameAsync(Name);
        // Whether there is such a name must not show in how long the answer takes.
        var isRight = await users.CheckPasswordAsync(person ?? Nobody, password ?? "");
        if (!isRight || person is not { MayEnter: true })
        {
            IsWrong = true;
            return Page();
        }

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
