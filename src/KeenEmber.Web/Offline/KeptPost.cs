using System.Globalization;

namespace KeenEmber.Web.Offline;

/// <summary>A form that was filled in without signal, waited on the phone and is sent now.</summary>
/// <param name="MadeAt">When it was filled in, by the server's clock.</param>
/// <param name="PhoneAt">The same moment by the phone's.</param>
public sealed record KeptPost(DateTimeOffset MadeAt, DateTimeOffset PhoneAt)
{
    /// <summary>Headers with the phone's time when the form was filled in and when it is sent, ISO 8601.</summary>
    public const string Made = "Keen-Ember-Made", Sent = "Keen-Ember-Sent";

    /// <summary>What waited longer is taken to have waited so long.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromDays(90);

    /// <summary>How long it waited does not depend on how the phone's clock is set; how far that is off shows when it is sent.</summary>
    /// <returns>Null for a form that comes straight from a page.</returns>
    public static KeptPost? Of(HttpRequest request, DateTimeOffset now)
    {
        if (Time(request, Made) is not { } made || Time(request, Sent) is not { } sent)
            return null;
        var waited = TimeSpan.FromTicks(Math.Clamp((sent - made).Ticks, 0, Longest.Ticks));
        return new(now - waited, made);
    }

    private static DateTimeOffset? Time(HttpRequest request, string header) => DateTimeOffset.TryParse(
        request.Headers[header], CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal,
        out var time) ? time : null;
}
