using System.Security.Cryptography;
using KeenEmber.Storage;
using Microsoft.AspNetCore.DataProtection;

namespace KeenEmber.Web.People;

/// <summary>Who has signed in on this device with the wish to be changed to by a tap. The device alone knows; its list cannot be made up,
/// and whoever is signed out everywhere or removed is off it.</summary>
public sealed class SharedTablet(PeopleStore people, IDataProtectionProvider protection)
{
    private const string Cookie = "keen-ember-shared";

    private const int Most = 20;

    private static readonly TimeSpan KeptFor = TimeSpan.FromDays(30);

    private readonly IDataProtector seal = protection.CreateProtector("shared tablet");

    /// <summary>In the order in which they came.</summary>
    public IReadOnlyList<Person> On(HttpRequest request) => [.. Listed(request)
        .Select(l => people.Find(l.Id) is { MayEnter: true } person && person.Stamp == l.Stamp ? person : null).OfType<Person>()];

    private List<(Guid Id, string Stamp)> Listed(HttpRequest request)
    {
        if (request.Cookies[Cookie] is not { } cookie)
            return [];
        try
        {
            return [.. seal.Unprotect(cookie).Split(' ').Select(l => l.Split(':')).Select(l => (Guid.Parse(l[0]), l[1]))];
        }
        catch (CryptographicException)
        {
            return [];
        }
    }

    /// <summary>Puts somebody on the list, or keeps them off it.</summary>
    public void Keep(HttpContext http, Person person, bool isOn)
    {
        var others = On(http.Request).Where(p => p.Id != person.Id);
        List<Person> all = [.. others, .. isOn ? new[] { person } : []];
        if (all.Count == 0)
            http.Response.Cookies.Delete(Cookie);
        else
            http.Response.Cookies.Append(Cookie, seal.Protect(string.Join(' ', all.TakeLast(Most).Select(p => $"{p.Id}:{p.Stamp}"))),
                new()
                {
                    HttpOnly = true, SameSite = SameSiteMode.Lax, MaxAge = KeptFor, IsEssential = true, Secure = http.Request.IsHttps,
                });
    }
}
