namespace KeenEmber.Core.Service;

/// <summary>One technician's call at one unit. Everything that happens in it is on its timeline.</summary>
/// <param name="Complaint">In the customer's words; may be empty.</param>
public sealed record Visit(Guid Id, Guid EquipmentId, DateTimeOffset StartedAt, string Author, string Complaint)
{
    /// <summary>How long after its start a visit is taken up again rather than a new one begun: one working day.</summary>
    public static readonly TimeSpan TakenUpWithin = TimeSpan.FromHours(12);

    /// <summary>The same unit seen again within this time is a callback.</summary>
    public static readonly TimeSpan CallbackWithin = TimeSpan.FromDays(30);

    public bool IsUnderWay(DateTimeOffset now) => now - StartedAt < TakenUpWithin;

    public bool IsCallbackAfter(Visit earlier) => StartedAt - earlier.StartedAt <= CallbackWithin;
}
