using KeenEmber.Words;

namespace KeenEmber.Web;

/// <summary>Light, dark or as the device says: a matter of the screen in hand, so kept in its browser and not in the record.</summary>
public static class ThemeChoice
{
    private const string Cookie = "theme";

    public static IReadOnlyList<string> All { get; } = ["auto", "light", "dark"];

    public static string Of(HttpRequest request) => request.Cookies[Cookie] is { } chosen && All.Contains(chosen) ? chosen : All[0];

    public static void Keep(HttpResponse response, string choice) =>
        BrowserNotes.Keep(response, Cookie, All.Contains(choice) ? choice : All[0]);
}

/// <summary>Small things a browser remembers for a year.</summary>
public static class BrowserNotes
{
    public const string Technician = "technician";

    /// <summary>Under which a device's own name is kept.</summary>
    public const string DeviceName = "device";

    /// <summary>What was kept under a name; null when nothing was.</summary>
    public static string? Of(HttpRequest request, string name) =>
        request.Cookies[name] is { Length: > 0 } kept ? TypingText.Kept(kept, 60) : null;

    /// <summary>A name of its own for the phone, tablet or laptop, made when it first puts something on record.</summary>
    public static string Device(HttpContext context)
    {
        if (Of(context.Request, DeviceName) is { } known)
            return known;
        var made = Convert.ToHexStringLower(System.Security.Cryptography.RandomNumberGenerator.GetBytes(4));
        if (HttpMethods.IsPost(context.Request.Method))
            Keep(context.Response, DeviceName, made);
        return made;
    }

    public static void Keep(HttpResponse response, string name, string value) => response.Cookies.Append(name, value,
        new CookieOptions { MaxAge = TimeSpan.FromDays(365), SameSite = SameSiteMode.Lax, HttpOnly = true, IsEssential = true });
}
