using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Storage;

namespace KeenEmber.Application;

/// <summary>What was loaded of a visit, and how far the machine's clock is behind it.</summary>
/// <param name="ClockIsBehind">How far the clock is behind the last entry of the visit; nothing when it is not.</param>
public sealed record LoadedVisit(VisitRecord Record, TimeSpan ClockIsBehind);

/// <summary>Loads what belongs to a visit, and puts entries on record.</summary>
public sealed class VisitDesk(VisitStore visits, EquipmentStore equipment, ShopStore shops, TimeProvider time)
{
    /// <summary>Clocks that are set by the network step back a little now and then.</summary>
    private static readonly TimeSpan ClockStep = TimeSpan.FromSeconds(2);

    /// <summary>What is on record of a visit and its unit; null when there is none of that id.</summary>
    public LoadedVisit? Load(Guid id)
    {
        if (visits.Find(id) is not { } visit || equipment.RecordOf(visit.EquipmentId) is not var (record, sites))
            return null;
        var ofUnit = visits.OfEquipment(visit.EquipmentId);
        var inFull = ofUnit.Where(v => v.StartedAt < visit.StartedAt).Take(1).Select(v => v.Id).Prepend(id);
        var entries = visits.EntriesOfEquipment(visit.EquipmentId, [.. inFull]);
        var (now, behind) = NowAfter(entries[id]);
        return new(new(id, record, sites, shops.Get(), [.. ofUnit.Select(v => (v, entries[v.Id]))], now), behind);
    }

    /// <summary>Now, or just after the last entry where the machine's clock is behind it: what is written next must not hide behind what
    /// was written before.</summary>
    private (DateTimeOffset Now, TimeSpan Behind) NowAfter(IReadOnlyList<Entry> written)
    {
        var now = time.GetUtcNow();
        var last = written.Count == 0 ? now : written.Max(e => e.WrittenAt);
        return last < now ? (now, TimeSpan.Zero)
            : (last + TimeSpan.FromMilliseconds(1), last - now > ClockStep ? last - now : TimeSpan.Zero);
    }

    /// <summary>The entry that a piece of a line becomes.</summary>
    public static Entry EntryOf(QuickItem item, EntryHeader header, Equipment unit) => item switch
    {
        QuickReading r => new ReadingEntry(header, r.Point, r.Value),
        QuickObservation o => new ObservationEntry(header, o.Fact, o.Index, o.State, header.At - o.RunTime),
        QuickRefrigerant r => new RefrigerantEntry(header, unit.Circuit.RefrigerantName, r.MassKg, "", ""),
        QuickNote n => new NoteEntry(header, n.Note, n.Topic),
        _ => throw new ArgumentException("Only what was understood becomes an entry.", nameof(item)),
    };

    /// <summary>Puts entries on record, all or nothing.</summary>
    public void Append(IReadOnlyList<Entry> entries) => visits.Append(entries);
}
