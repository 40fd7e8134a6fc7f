using NodaTime;

namespace KeenEmber.Core.Plant;

/// <summary>Local time at a site, by the zone data that ship with the app.</summary>
public class SiteTime(Site site)
{
    /// <summary>The zone of the site; UTC where its name is none that is known.</summary>
    public DateTimeZone Zone { get; } = DateTimeZoneProviders.Tzdb.GetZoneOrNull(site.TimeZone) ?? DateTimeZone.Utc;

    /// <summary>The day a moment falls on at the site.</summary>
    public DateOnly Date(DateTimeOffset moment) => DateOnly.FromDateTime(Local(moment).Date);

    /// <summary>The moments at which the clock on the wall shows this: one, none where a clock change leaves it out, two where it has it
    /// twice.</summary>
    public IReadOnlyList<DateTimeOffset> Moments(DateTime wall) => Zone.MapLocal(LocalDateTime.FromDateTime(wall)) switch
    {
        { Count: 0 } => [],
        { Count: 1 } once => [once.Single().ToDateTimeOffset()],
        var twice => [twice.First().ToDateTimeOffset(), twice.Last().ToDateTimeOffset()],
    };

    /// <summary>The moment of a date and time on the wall among others in their order: of two the one that follows, of none the one an hour
    /// on.</summary>
    /// <param name="after">The moment before it in the list; null for the first.</param>
    public DateTimeOffset At(DateTime wall, DateTimeOffset? after = null)
    {
        var moments = Moments(wall);
        if (moments.Count == 0)
            return Zone.AtLeniently(LocalDateTime.FromDateTime(wall)).ToDateTimeOffset();
        return after is { } last && moments[0] < last ? moments[^1] : moments[0];
    }

    /// <summary>The same for a time of day, on the day of another moment.</summary>
    public DateTimeOffset At(DateTimeOffset day, TimeOnly time, DateTimeOffset? after = null) =>
        At(Local(day).Date + time.ToTimeSpan(), after);

    /// <summary>What the clock on the wall shows.</summary>
    public DateTime Local(DateTimeOffset moment) => Instant.FromDateTimeOffset(moment).InZone(Zone).ToDateTimeUnspecified();
}
