using System.Globalization;
using KeenEmber.Core.Plant;
using NodaTime;

namespace KeenEmber.Words;

/// <summary>Times as the clock on the site's wall shows them.</summary>
public sealed class SiteClock(Site site) : SiteTime(site)
{
    /// <summary>The zone of the machine, for a first site.</summary>
    public static string ZoneOfTheMachine => DateTimeZoneProviders.Tzdb.GetZoneOrNull(TimeZoneInfo.Local.Id)?.Id ?? DateTimeZone.Utc.Id;

    public string Time(DateTimeOffset moment) => Local(moment).ToString("HH:mm", CultureInfo.InvariantCulture);

    public string Day(DateTimeOffset moment) => Local(moment).ToString("d MMM", CultureInfo.InvariantCulture);

    public static string Day(DateOnly day) => day.ToString("d MMM", CultureInfo.InvariantCulture);

    public string DayAndTime(DateTimeOffset moment) => Local(moment).ToString("d MMM yyyy, HH:mm", CultureInfo.InvariantCulture);

    /// <summary>"39 min", "3 h" or "6 days" between two moments.</summary>
    public static string Span(TimeSpan span) => span switch
    {
        { TotalMinutes: < 90 } => $"{Math.Max(0, span.TotalMinutes):F0} min",
        { TotalHours: < 48 } => $"{span.TotalHours:F0} h",
        _ => $"{span.TotalDays:F0} days",
    };
}
