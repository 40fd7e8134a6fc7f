namespace KeenEmber.Core.Service;

public enum Urgency { Routine, Today, AtOnce }

/// <summary>One technician's call at one unit. Everything that happens in it is on its timeline.</summary>
/// <param name="Complaint">In the customer's words; may be empty.</param>
/// <param name="Stock">What is at risk, in the customer's words; may be empty.</param>
/// <param name="Response">By when or what the customer asked for; may be empty.</param>
public sealed record Visit(
    Guid Id, Guid EquipmentId, DateTimeOffset StartedAt, string Author, string Complaint,
    Urgency Urgency = Urgency.Routine, string Stock = "", string Response = "")
{
    /// <summary>How long after its start a visit is taken up again rather than a new one begun: one working day.</summary>
    public static readonly TimeSpan TakenUpWithin = TimeSpan.FromHours(12);

    public bool IsUnderWay(DateTimeOffset now) => now - StartedAt < TakenUpWithin;

    /// <summary>A visit this close to the day it was booked for is the follow-up that was promised, not a callback.</summary>
    private const int AsBookedDays = 3;

    /// <param name="policies">Say within how many days the same unit seen again is a callback.</param>
    /// <param name="booked">The day on which the earlier visit promised to look again, if it did.</param>
    /// <param name="dayOf">The day a moment falls on at the site: days are those of its own clock.</param>
    public bool IsCallbackAfter(Visit earlier, Policies policies, DateOnly? booked, Func<DateTimeOffset, DateOnly> dayOf)
    {
        var today = dayOf(StartedAt);
        return today.DayNumber - dayOf(earlier.StartedAt).DayNumber <= policies.CallbackDays && !(booked is { } day && Math.Abs(today.DayNumber - day.DayNumber) <= AsBookedDays);
    }
}
