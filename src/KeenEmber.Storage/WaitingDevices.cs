using Dapper;

namespace KeenEmber.Storage;

/// <summary>A device on which something waits.</summary>
/// <param name="Person">Who was signed in on it; empty where nobody was.</param>
/// <param name="Kept">How much waits there.</param>
/// <param name="Refused">How much of it the server refused and somebody has to mend.</param>
/// <param name="Oldest">When the oldest of it was made, by the device's clock.</param>
/// <param name="ToldAt">When it said so.</param>
public sealed record WaitingDevice(string Device, string Person, int Kept, int Refused, DateTimeOffset Oldest, DateTimeOffset ToldAt);

/// <summary>What devices say of what waits on them. One without signal says nothing; what it said last stands.</summary>
public sealed class WaitingDevices(Database database)
{
    private sealed record Row(string Device, string Person, long Kept, long Refused, string Oldest, string ToldAt);

    /// <summary>Those on which something waits, the oldest first.</summary>
    public IReadOnlyList<WaitingDevice> All()
    {
        using var db = database.Open();
        return [.. db.Query<Row>("SELECT device, person, kept, refused, oldest, told_at AS ToldAt FROM waiting_device ORDER BY oldest")
            .Select(r => new WaitingDevice(
                r.Device, r.Person, (int)r.Kept, (int)r.Refused, Database.Utc(r.Oldest), Database.Utc(r.ToldAt)))];
    }

    /// <summary>Takes the place of what the device said before; nothing waiting takes it off the list.</summary>
    public void Tell(WaitingDevice device)
    {
        using var db = database.Open();
        db.Execute(device.Kept == 0 ? "DELETE FROM waiting_device WHERE device = @Device" : """
            INSERT INTO waiting_device (device, person, kept, refused, oldest, told_at)
            VALUES (@Device, @Person, @Kept, @Refused, @Oldest, @ToldAt)
            ON CONFLICT (device) DO UPDATE SET person = excluded.person, kept = excluded.kept, refused = excluded.refused,
                oldest = excluded.oldest, told_at = excluded.told_at
            """, new
        {
            device.Device, device.Person, device.Kept, device.Refused, Oldest = Database.Utc(device.Oldest),
            ToldAt = Database.Utc(device.ToldAt),
        });
    }
}
