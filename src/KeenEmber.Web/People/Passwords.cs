using KeenEmber.Storage;
using KeenEmber.Web.Pages;
using Microsoft.AspNetCore.Identity;

namespace KeenEmber.Web.People;

/// <summary>A new password, typed twice.</summary>
internal static class Passwords
{
    /// <summary>Says at the fields "password" and "again" what is wrong with them.</summary>
    internal static async Task Check(UserManager<Person> users, Person person, FilledForm form)
    {
        foreach (var validator in users.PasswordValidators)
        {
            if (!(await validator.ValidateAsync(users, person, form["password"])).Succeeded)
                form.Errors.TryAdd("password", $"At least {Accounts.ShortestPassword} characters; a few words do well.");
        }

        if (form["again"] != form["password"])
            form.Errors.TryAdd("again", "That is not the same.");
    }
}
