using System.Globalization;
using KeenEmber.Core.Service;

namespace KeenEmber.Web.Wording;

/// <summary>Times as the clock on the site's wall shows them.</summary>
public sealed class SiteClock(Site site)
{
    private readonly TimeZoneInfo zone = TimeZoneInfo.TryFindSystemTimeZoneById(site.TimeZone, out var found) ? found : TimeZoneInfo.Utc;

    public TimeZoneInfo Zone => zone;

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

    public DateOnly Date(DateTimeOffset moment) => DateOnly.FromDateTime(Local(moment).Date);

    /// <summary>The moment at which the clock on the wall shows this time, on the day of another moment.</summary>
    public DateTimeOffset At(DateTimeOffset day, TimeOnly time) => At(Local(day).Date + time.ToTimeSpan());

    /// <summary>The moment of a date and time on the wall, whatever its kind says; one that the clock change skips is taken an hour on.</summary>
    public DateTimeOffset At(DateTime wall)
    {
        var shown = DateTime.SpecifyKind(wall, DateTimeKind.Unspecified);
        if (zone.IsInvalidTime(shown))
            shown = shown.AddHours(1);
        return new(shown, zone.GetUtcOffset(shown));
    }

    private DateTimeOffset Local(DateTimeOffset moment) => TimeZoneInfo.ConvertTime(moment, zone);
}
