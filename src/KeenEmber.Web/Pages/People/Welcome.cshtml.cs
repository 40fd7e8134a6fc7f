using KeenEmber.Storage;
using KeenEmber.Web.People;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace KeenEmber.Web.Pages.People;

/// <summary>Makes an account of an invitation.</summary>
[AllowAnonymous, EnableRateLimiting(Accounts.Tries)]
public sealed class WelcomeModel(
    PeopleStore people, UserManager<Person> users, SignInManager<Person> signIn, CompanyStore companies, TimeProvider clock)
    : PageModel, IForAnybody
{
    public FilledForm Form { get; private set; } = null!;

    /// <summary>What the invitation is for; null for one that holds no more.</summary>
    public Role? Role { get; private set; }

    /// <summary>Who invites; empty for the first.</summary>
    public string By { get; private set; } = "";

    public void OnGet(string token) => Load(token);

    public async Task<IActionResult> OnPost(string token)
    {
        Load(token);
        if (Role is not { } role)
            return Page();
        Form.Keep(Request.Form);
        var person = new Person
        {
            Name = Form.Text("name", Accounts.LongestName, missing: "Your entries need a name."),
            SignIn = Form.Text("signIn", Accounts.LongestName, missing: "Choose a name to sign in with."),
            Role = role, Since = clock.GetUtcNow(), Stamp = Guid.NewGuid().ToString("N"),
        };
        person.NormalSignIn = users.NormalizeName(person.SignIn);
        await Passwords.Check(users, person, Form);
        if (!Form.IsWrong && people.Find(person.NormalSignIn) is not null)
            Form.Errors["signIn"] = "Somebody signs in by that name. Choose another.";
        if (Form.IsWrong)
            return Page();
        person.PasswordHash = users.PasswordHasher.HashPassword(person, Form["password"]);
        if (!people.Join(person, token, By, clock.GetUtcNow()))
        {
            Role = null;
            return Page();
        }

        await signIn.SignInAsync(person, isPersistent: true);
        return RedirectToPage("/Index");
    }

    private void Load(string token)
    {
        Form = new(companies.Get().Units);
        if (people.Invited(token, clock.GetUtcNow()) is var (role, by))
            (Role, By) = (role, by);
    }
}
