using System.Globalization;
using KeenEmber.Core.Plant;
using NodaTime;

namespace KeenEmber.Web.Wording;

/// <summary>Times as the clock on the site's wall shows them.</summary>
public sealed class SiteClock(Site site)
{
    /// <summary>The zone of the site, from the zone data that ship with the app; UTC where its name is none of them.</summary>
    public DateTimeZone Zone { get; } = DateTimeZoneProviders.Tzdb.GetZoneOrNull(site.TimeZone) ?? DateTimeZone.Utc;

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

    public DateOnly Date(DateTimeOffset moment) => DateOnly.FromDateTime(Local(moment).Date);

    /// <summary>The moments at which the clock on the wall shows this: one, none where a clock change leaves it out, two where it has it twice.</summary>
    public IReadOnlyList<DateTimeOffset> Moments(DateTime wall) => Zone.MapLocal(LocalDateTime.FromDateTime(wall)) switch
    {
        { Count: 0 } => [],
        { Count: 1 } once => [once.Single().ToDateTimeOffset()],
        var twice => [twice.First().ToDateTimeOffset(), twice.Last().ToDateTimeOffset()],
    };

    /// <summary>The moment of a date and time on the wall among others in their order: of two the one that follows, of none the one an hour on.</summary>
    /// <param name="after">The moment before it in the list; null for the first.</param>
    public DateTimeOffset At(DateTime wall, DateTimeOffset? after = null)
    {
        var moments = Moments(wall);
        if (moments.Count == 0)
            return Zone.AtLeniently(LocalDateTime.FromDateTime(wall)).ToDateTimeOffset();
        return after is { } last && moments[0] < last ? moments[^1] : moments[0];
    }

    /// <summary>The same for a time of day, on the day of another moment.</summary>
    public DateTimeOffset At(DateTimeOffset day, TimeOnly time, DateTimeOffset? after = null) => At(Local(day).Date + time.ToTimeSpan(), after);

    private DateTime Local(DateTimeOffset moment) => Instant.FromDateTimeOffset(moment).InZone(Zone).ToDateTimeUnspecified();
}
