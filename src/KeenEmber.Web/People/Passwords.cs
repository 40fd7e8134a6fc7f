using KeenEmber.Storage;
using KeenEmber.Web.Pages;
using Microsoft.AspNetCore.Identity;

namespace KeenEmber.Web.People;

/// <summary>A new password, typed twice.</summary>
internal static class Passwords
{
    private const int FewestLetters = 5;

    /// <summary>Says at the fields "password" and "again" what is wrong with them.</summary>
    internal static async Task Check(UserManager<Person> users, Person person, FilledForm form)
    {
        foreach (var validator in users.PasswordValidators)
        {
            if (!(await validator.ValidateAsync(users, person, form["password"])).Succeeded)
                form.Errors.TryAdd("password", $"At least {Accounts.ShortestPassword} characters; a few words do well.");
        }

        if (IsGuessable(form["password"], person))
            form.Errors.TryAdd("password", "Too easy to guess: not the name, and not the same few letters again and again.");
        if (form["again"] != form["password"])
            form.Errors.TryAdd("again", "That is not the same.");
    }

    /// <summary>What whoever guesses tries first. Lists of known passwords are not asked: there is no network to ask them over.</summary>
    private static bool IsGuessable(string password, Person person) => password.Distinct().Count() < FewestLetters
        || new[] { person.SignIn, person.Name, "keen ember", "keenember" }.Any(known =>
            known.Length > 0 && password.Contains(known, StringComparison.OrdinalIgnoreCase) && password.Length < 2 * known.Length);
}
