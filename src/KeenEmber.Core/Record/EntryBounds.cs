using KeenEmber.Core.Record;

namespace KeenEmber.Core.Record;

/// <summary>Which moments and days can stand in a record.</summary>
public static class EntryBounds
{
    /// <summary>Nothing in a record is older.</summary>
    public static readonly DateTimeOffset Earliest = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);

    /// <summary>A day that something is due lies no farther ahead, years.</summary>
    private const int MostYearsAhead = 20;

    /// <summary>From the year 2000 to tomorrow: clocks of sites are up to a day ahead of each other.</summary>
    public static bool IsMoment(DateTimeOffset moment, DateTimeOffset now) => moment >= Earliest && moment <= now + TimeSpan.FromDays(1);

    /// <summary>The last day that something can be due.</summary>
    public static DateOnly LastDay(DateOnly today) => today.AddYears(MostYearsAhead);
}
