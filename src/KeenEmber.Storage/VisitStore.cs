using Dapper;
using KeenEmber.Core.Service;
using Microsoft.Extensions.Caching.Memory;

namespace KeenEmber.Storage;

/// <summary>What became of an entry handed in.</summary>
public enum AppendOutcome
{
    Stored,

    /// <summary>The very same entry is there already: it was sent twice.</summary>
    AlreadyStored,

    /// <summary>Another entry has this id; nothing was stored.</summary>
    IdTaken,
}

/// <summary>An entry as it lies in the record.</summary>
/// <param name="Stands">No later entry corrects it or strikes it out.</param>
public sealed record PlainEntry(Guid Id, DateTimeOffset At, string Author, string Kind, string Body, bool Stands);

/// <summary>Visits and the entries of their timelines.</summary>
public sealed class VisitStore(Database database) : IDisposable
{
    /// <summary>Some 40 MB of them.</summary>
    private const int MostEntriesKept = 100_000;

    /// <summary>What was read lately. Entries never change and are only added, so it stands as long as the visit has no more of them.</summary>
    private readonly MemoryCache read = new(new MemoryCacheOptions { SizeLimit = MostEntriesKept });

    private const string VisitColumns = "SELECT id, equipment_id AS EquipmentId, started_at AS StartedAt, author, complaint, urgency, stock, response FROM visit";

    private const string EntryColumns = """
        SELECT e.id, e.visit_id AS VisitId, e.at, e.written_at AS WrittenAt, e.author, e.corrects, e.kind, e.body FROM entry e
        """;

    private sealed record VisitRow(string Id, string EquipmentId, string StartedAt, string Author, string Complaint, string Urgency, string Stock, string Response)
    {
        public Visit ToVisit() => new(Guid.Parse(Id), Guid.Parse(EquipmentId), Database.Utc(StartedAt), Author, Complaint, Enum.Parse<Urgency>(Urgency), Stock, Response);
    }

    private sealed record EntryRow(string Id, string VisitId, string At, string WrittenAt, string Author, string? Corrects, string Kind, string Body)
    {
        public TimelineEntry ToEntry() => EntryJson.Read(
            Guid.Parse(Id), Guid.Parse(VisitId), Database.Utc(At), Database.Utc(WrittenAt), Author, Corrects is null ? null : Guid.Parse(Corrects), Kind, Body);
    }

    /// <summary>Puts a visit on record; the same visit sent twice is stored once.</summary>
    public void Start(Visit visit)
    {
        using var db = database.Open();
        db.Execute("""
            INSERT INTO visit (id, equipment_id, started_at, author, complaint, urgency, stock, response)
            VALUES (@Id, @EquipmentId, @StartedAt, @Author, @Complaint, @Urgency, @Stock, @Response)
            ON CONFLICT (id) DO NOTHING
            """, new
        {
            Id = visit.Id.ToString(), EquipmentId = visit.EquipmentId.ToString(), StartedAt = Database.Utc(visit.StartedAt), visit.Author, visit.Complaint,
            Urgency = visit.Urgency.ToString(), visit.Stock, visit.Response,
        });
    }

    public Visit? Find(Guid id)
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<VisitRow>($"{VisitColumns} WHERE id = @id", new { id = id.ToString() })?.ToVisit();
    }

    /// <summary>A unit's visits, the latest first.</summary>
    public IReadOnlyList<Visit> OfEquipment(Guid equipmentId)
    {
        using var db = database.Open();
        return [.. db.Query<VisitRow>($"{VisitColumns} WHERE equipment_id = @id ORDER BY started_at DESC", new { id = equipmentId.ToString() }).Select(r => r.ToVisit())];
    }

    /// <summary>The entries of each of a unit's visits, in the order of writing.</summary>
    /// <param name="inFull">Visits with every entry. Of the others only the last reading of each point comes that still stands: the rest of a course says nothing to later visits.</param>
    public IReadOnlyDictionary<Guid, IReadOnlyList<TimelineEntry>> EntriesOfEquipment(Guid equipmentId, params IEnumerable<Guid> inFull)
    {
        HashSet<Guid> full = [.. inFull];
        var counts = CountsOfEquipment(equipmentId);
        var known = counts.Where(c => c.Value > 0).ToDictionary(c => c.Key, c => read.Get<ReadVisit>((c.Key, full.Contains(c.Key))) is { } before && before.Count == c.Value ? before : null);
        if (known.Where(k => k.Value is null).Select(k => k.Key).ToList() is { Count: > 0 } wanted)
        {
            var fresh = Read([.. wanted.Where(full.Contains)], [.. wanted.Where(v => !full.Contains(v))]);
            foreach (var visit in wanted)
                known[visit] = read.Set((visit, full.Contains(visit)), new ReadVisit(counts[visit], [.. fresh[visit]]), new MemoryCacheEntryOptions { Size = counts[visit] });
        }

        return counts.Keys.ToDictionary(v => v, v => known.TryGetValue(v, out var k) ? k!.Entries : []);
    }

    /// <param name="Count">How many entries the visit had when it was read.</param>
    private sealed record ReadVisit(int Count, IReadOnlyList<TimelineEntry> Entries);

    private ILookup<Guid, TimelineEntry> Read(IReadOnlyList<Guid> full, IReadOnlyList<Guid> brief)
    {
        using var db = database.Open();
        return db.Query<EntryRow>($"""
            {EntryColumns} WHERE e.visit_id IN @full OR (e.visit_id IN @brief AND e.kind <> 'reading')
            UNION ALL
            {EntryColumns} WHERE e.rowid IN (SELECT reading FROM (
                SELECT e.rowid AS reading, row_number() OVER (PARTITION BY e.visit_id, e.point ORDER BY e.at DESC, e.id DESC) AS latest
                FROM entry e
                WHERE e.visit_id IN @brief AND e.kind = 'reading' AND NOT EXISTS (SELECT 1 FROM entry c WHERE c.corrects = e.id))
                WHERE latest = 1)
            ORDER BY WrittenAt, id
            """, new { full = full.Select(v => v.ToString()), brief = brief.Select(v => v.ToString()) }).Select(r => r.ToEntry()).ToLookup(e => e.VisitId);
    }

    /// <summary>The entries of a visit as they lie in the record, the latest first, without reading what they say.</summary>
    public IReadOnlyList<PlainEntry> PlainEntries(Guid visitId)
    {
        using var db = database.Open();
        return [.. db.Query<(string Id, string At, string Author, string Kind, string Body, bool Stands)>("""
            SELECT e.id, e.at, e.author, e.kind, e.body, e.kind <> 'withdrawal' AND NOT EXISTS (SELECT 1 FROM entry c WHERE c.corrects = e.id) FROM entry e
            WHERE e.visit_id = @id ORDER BY e.at DESC, e.id DESC
            """, new { id = visitId.ToString() }).Select(e => new PlainEntry(Guid.Parse(e.Id), Database.Utc(e.At), e.Author, e.Kind, e.Body, e.Stands))];
    }

    /// <summary>How many entries each visit of a unit has. Entries are only ever added, so the same number is the same content.</summary>
    public IReadOnlyDictionary<Guid, int> CountsOfEquipment(Guid equipmentId)
    {
        using var db = database.Open();
        return db.Query<(string Visit, int Count)>("""
            SELECT v.id, count(e.id) FROM visit v LEFT JOIN entry e ON e.visit_id = v.id WHERE v.equipment_id = @id GROUP BY v.id
            """, new { id = equipmentId.ToString() }).ToDictionary(r => Guid.Parse(r.Visit), r => r.Count);
    }

    /// <summary>Appends entries, all or nothing; on return they are on the disk.</summary>
    /// <returns><see cref="AppendOutcome.IdTaken"/> (and nothing stored) when an id already belongs to an entry that says something else.</returns>
    public AppendOutcome Append(IReadOnlyList<TimelineEntry> entries)
    {
        using var db = database.Open();
        using var transaction = db.BeginTransaction();
        var stored = 0;
        foreach (var entry in entries)
        {
            var (kind, body) = EntryJson.Write(entry);
            var row = new
            {
                Id = entry.Id.ToString(), VisitId = entry.VisitId.ToString(), At = Database.Utc(entry.At), WrittenAt = Database.Utc(entry.WrittenAt),
                entry.Author, Corrects = entry.Corrects?.ToString(), Kind = kind, Body = body,
            };
            var isNew = db.Execute("""
                INSERT INTO entry (id, visit_id, at, written_at, author, corrects, kind, body)
                VALUES (@Id, @VisitId, @At, @WrittenAt, @Author, @Corrects, @Kind, @Body)
                ON CONFLICT (id) DO NOTHING
                """, row) == 1;
            stored += isNew ? 1 : 0;
            if (!isNew && !SaysTheSame(db, row))
                return AppendOutcome.IdTaken;
        }

        transaction.Commit();
        return stored > 0 ? AppendOutcome.Stored : AppendOutcome.AlreadyStored;
    }

    /// <summary>The moment does not count: a line sent again carries the moment of its second arrival.</summary>
    private static bool SaysTheSame(Microsoft.Data.Sqlite.SqliteConnection db, object row) => db.ExecuteScalar<int>("""
        SELECT count(*) FROM entry
        WHERE id = @Id AND visit_id = @VisitId AND kind = @Kind AND corrects IS @Corrects
          AND json_remove(body, '$.since') = json_remove(@Body, '$.since')
        """, row) == 1;

    public void Dispose() => read.Dispose();
}
