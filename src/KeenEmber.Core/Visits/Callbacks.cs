using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>When a visit is a callback.</summary>
public static class Callbacks
{
    /// <summary>A visit this close to the day it was booked for is the follow-up that was promised, not a callback.</summary>
    private const int AsBookedDays = 3;

    /// <param name="policies">Say within how many days the same unit seen again is a callback.</param>
    /// <param name="booked">The day on which the earlier visit promised to look again, if it did.</param>
    /// <param name="dayOf">The day a moment falls on at the site: days are those of its own clock.</param>
    public static bool IsCallbackAfter(
        this Visit visit, Visit earlier, Policies policies, DateOnly? booked, Func<DateTimeOffset, DateOnly> dayOf)
    {
        var today = dayOf(visit.StartedAt);
        return today.DayNumber - dayOf(earlier.StartedAt).DayNumber <= policies.CallbackDays
            && !(booked is { } day && Math.Abs(today.DayNumber - day.DayNumber) <= AsBookedDays);
    }
}
