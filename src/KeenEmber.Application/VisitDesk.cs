using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;
using KeenEmber.Storage;

namespace KeenEmber.Application;

/// <summary>Loads what belongs to a visit, and takes every command that changes its record: pages, endpoints and whatever sends entries
/// later share it.</summary>
public sealed class VisitDesk(
    Database database, VisitStore visits, EquipmentStore equipment, CompanyStore companies, RunSeriesStore series, ICaseMemory memory,
    TimeProvider time)
{
    /// <summary>Clocks that are set by the network step back a little now and then.</summary>
    private static readonly TimeSpan ClockStep = TimeSpan.FromSeconds(2);

    /// <summary>By the machine's clock.</summary>
    public DateTimeOffset Now => time.GetUtcNow();

    /// <summary>What is on record of a visit and its unit; null when there is none of that id.</summary>
    /// <param name="madeAt">When the form was filled in that waited on a phone: the visit as of then; null for now.</param>
    public LoadedVisit? Load(Guid id, DateTimeOffset? madeAt = null)
    {
        if (visits.Find(id) is not { } visit || equipment.RecordOf(visit.EquipmentId) is not var (record, sites))
            return null;
        var ofUnit = visits.OfEquipment(visit.EquipmentId);
        var inFull = ofUnit.Where(v => v.StartedAt < visit.StartedAt).Take(1).Select(v => v.Id).Prepend(id);
        var entries = visits.EntriesOfEquipment(visit.EquipmentId, [.. inFull]);
        var (now, behind) = NowAfter(entries[id]);
        return new(new(id, record, sites, companies.Get(), [.. ofUnit.Select(v => (v, entries[v.Id]))], madeAt ?? now)
        {
            Memory = memory, Closed = ClosedCasesNow(),
        }, now, behind);
    }

    /// <summary>A visit to a unit that nobody has begun: what its pages would be, for a phone that goes where there is no signal. It has
    /// the unit's id.</summary>
    /// <returns>Null where there is no such unit.</returns>
    public LoadedVisit? Ahead(Guid unitId)
    {
        if (equipment.RecordOf(unitId) is not var (record, sites))
            return null;
        var now = time.GetUtcNow();
        var ofUnit = visits.OfEquipment(unitId);
        var entries = visits.EntriesOfEquipment(unitId, [.. ofUnit.Take(1).Select(v => v.Id)]);
        IReadOnlyList<(Visit, IReadOnlyList<Entry>)> all =
            [(new(unitId, unitId, now, "", ""), []), .. ofUnit.Select(v => (v, entries[v.Id]))];
        return new(
            new(unitId, record, sites, companies.Get(), all, now) { Memory = memory, Closed = ClosedCasesNow() }, now, TimeSpan.Zero);
    }

    /// <summary>What was signed is counted anew at most once in so long: odds hardly move from one visit to the next.</summary>
    private static readonly TimeSpan CountedEvery = TimeSpan.FromMinutes(10);

    private sealed record Counted(DateTimeOffset At, ClosedCases Cases)
    {
        internal bool IsFresh(DateTimeOffset now) => now - At < CountedEvery && now >= At;
    }

    private readonly Lock counting = new();

    private volatile Counted? counted;

    /// <remarks>One counts for all who ask at the same time.</remarks>
    private ClosedCases ClosedCasesNow()
    {
        var now = time.GetUtcNow();
        if (counted is { } known && known.IsFresh(now))
            return known.Cases;
        lock (counting)
        {
            if (counted is not { } meanwhile || !meanwhile.IsFresh(now))
                counted = new(now, ClosedCases.Of(DiagnosisTable.Shipped, visits.RootCauses()));
            return counted.Cases;
        }
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

    /// <summary>Puts a visit on record; the same one again changes nothing.</summary>
    public void Start(Visit visit) => visits.Start(visit);

    /// <summary>Puts entries on record, all or nothing.</summary>
    public void Append(IReadOnlyList<Entry> entries) => visits.Append(entries);

    /// <summary>Puts on record what was understood of a line.</summary>
    /// <param name="visit">As it stood before the line.</param>
    /// <param name="watched">The defrost that is being watched; its heat and currents go into it.</param>
    /// <returns>How many items it took.</returns>
    public int Log(IEnumerable<QuickItem> items, VisitCase visit, EntryWriter writer, Guid? watched = null)
    {
        var understood = items.Where(i => i is not QuickUnclear).ToList();
        if (understood.Count > 0)
            visits.Append([.. understood.SelectMany(i => QuickEntries.Of(i, writer, visit, watched))]);
        return understood.Count;
    }

    /// <summary>Strikes out an entry, without judging the visit: the way out where an entry stops its pages.</summary>
    public void StrikeOut(EntryHeader header) => visits.Append([new WithdrawalEntry(header)]);

    /// <summary>Puts defrosts that were logged elsewhere on record, their series and what was marked in them.</summary>
    /// <param name="source">The file they come from, and what was odd about it.</param>
    public void KeepRuns(IReadOnlyList<DefrostRun> runs, RunOrigin origin, string source, EntryWriter writer)
    {
        var entries = new List<Entry>();
        foreach (var run in runs)
        {
            var header = writer.Next(run.Start);
            series.Save(header.Id, run.Tracks);
            entries.Add(new RunEntry(header, origin, header.Id, source));
            entries.AddRange(
                run.Marks.Select(m => new RunMarkEntry(writer.Next(run.Start + TimeSpan.FromMinutes(m.Minute)), header.Id, m.Kind)));
        }

        visits.Append(entries);
    }

    /// <summary>Makes a unit one of another refrigerant, and records what was done for it, all or nothing.</summary>
    /// <param name="chargedKg">kg, above 0.</param>
    /// <param name="recoveredKg">kg, not below 0.</param>
    /// <param name="done">What of a conversion was done beside; the rest becomes open items.</param>
    /// <param name="oil">What oil was charged; may be empty.</param>
    /// <returns>False, and nothing on record, where the unit's tag has been given to another meanwhile.</returns>
    public bool Convert(
        Equipment unit, Site site, string refrigerant, double recoveredKg, double chargedKg, string cylinder,
        IReadOnlySet<ConversionStep> done, string oil, EntryWriter writer)
    {
        var old = unit.Circuit.RefrigerantName;
        Entry[] entries =
        [
            new RefrigerantEntry(writer.Next(), old, -recoveredKg, cylinder, Conversion),
            new RefrigerantEntry(writer.Next(), refrigerant, chargedKg, "", Conversion),
            new ChangeEntry(writer.Next(), "refrigerant", old, refrigerant, "", null, false, WorkArea.Circuit),
            .. Beside(done, oil, writer),
        ];
        var by = entries[0].Header;
        var converted = unit with { Circuit = unit.Circuit with { RefrigerantName = refrigerant, ChargeKg = chargedKg } };
        return database.Together(db => EquipmentStore.Save(db, converted, site, new(by.WrittenAt, by.Author, by.Device, by.WrittenAt))
            && visits.Append(db, entries));
    }

    private const string Conversion = "conversion";

    private static IEnumerable<Entry> Beside(IReadOnlySet<ConversionStep> done, string oil, EntryWriter writer)
    {
        if (done.Contains(ConversionStep.Drier))
            yield return new PartEntry(writer.Next(), "", "", Conversion, "", "", false, WorkArea.Circuit, new(ComponentKind.Drier));
        foreach (var step in Enum.GetValues<ConversionStep>().Where(s => !done.Contains(s)))
            yield return new ChangeEntry(writer.Next(), $"{Conversion}: {ConversionSteps.Name(step)}", "", "not done yet", "",
                OpenItemKind.WatchIt, false, WorkArea.Circuit);
        if (done.Count > 0)
            yield return new NoteEntry(writer.Next(),
                $"{Conversion}: {string.Join(", ", done.Order().Select(s => s == ConversionStep.Oil && oil.Length > 0
                    ? $"{ConversionSteps.Name(s)} {oil}" : ConversionSteps.Name(s)))}");
    }
}
