namespace KeenEmber.Core.Record;

/// <summary>Which moments and days can stand in a record.</summary>
public static class EntryBounds
{
    /// <summary>Nothing in a record is older.</summary>
    public static readonly DateTimeOffset Earliest = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);

    /// <summary>No day that something is due lies farther ahead.</summary>
    public static readonly DateOnly LastDay = new(2100, 12, 31);

    /// <summary>From the year 2000 to tomorrow: clocks of sites are up to a day ahead of each other.</summary>
    public static bool IsMoment(DateTimeOffset moment, DateTimeOffset now) => moment >= Earliest && moment <= now + TimeSpan.FromDays(1);
}
