using KeenEmber.Storage;
using KeenEmber.Web.Demo;
using Microsoft.AspNetCore.Identity;

namespace KeenEmber.Web.People;

/// <summary>Who works in the demo. Nobody types a password there: a technician is signed in from the start, the others are a tap
/// away.</summary>
public sealed class DemoPeople(PeopleStore people, TimeProvider clock)
{
    private static readonly (string Name, Role Role)[] Cast =
        [(DemoHall.Tobin, Role.Technician), (DemoHall.Isolde, Role.Lead), (DemoHall.Odile, Role.Office)];

    /// <summary>Everybody, once; none outside the demo.</summary>
    public IReadOnlyList<Person> All { get; private set; } = [];

    /// <summary>Makes the accounts where there are none.</summary>
    public void Arrive()
    {
        foreach (var (name, role) in people.HasAny ? [] : Cast)
        {
            var now = clock.GetUtcNow();
            var signIn = name.Split(' ')[0].ToLowerInvariant();
            people.Join(
                new()
                {
                    Name = name, SignIn = signIn, NormalSignIn = signIn, Role = role, Since = now, Stamp = Guid.NewGuid().ToString("N"),
                },
                people.Invite(role, name, now, now + Accounts.InvitedFor), name, now);
        }

        All = [.. Cast.Select(c => people.All().FirstOrDefault(p => p.Name == c.Name)).OfType<Person>()];
    }

    /// <summary>Whoever comes without an account is the first of them.</summary>
    public async Task SignIn(HttpContext http, RequestDelegate next)
    {
        if (http.User.Identity?.IsAuthenticated != true && All is [var first, ..])
            http.User = await http.RequestServices.GetRequiredService<IUserClaimsPrincipalFactory<Person>>().CreateAsync(first);
        await next(http);
    }
}
