namespace KeenEmber.Core.Record;

/// <summary>How soon a call wants somebody there.</summary>
public enum Urgency
{
    /// <summary>At the next round.</summary>
    Routine,

    /// <summary>Today.</summary>
    Today,

    /// <summary>Now.</summary>
    AtOnce,
}

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

    /// <summary>It began less than a working day ago.</summary>
    public bool IsUnderWay(DateTimeOffset now) => now - StartedAt < TakenUpWithin;
}
