using Dapper;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Caching.Memory;

namespace KeenEmber.Storage;

/// <summary>An entry as it lies in the record.</summary>
/// <param name="Stands">No later entry corrects it or strikes it out.</param>
public sealed record PlainEntry(Guid Id, string At, string Author, string Device, string Kind, string Body, bool Stands);

/// <summary>Visits and the entries of their timelines.</summary>
public sealed class VisitStore(Database database, EntryKinds kinds) : IDisposable
{
    /// <summary>Some 40 MB of them.</summary>
    private const int MostEntriesKept = 100_000;

    /// <summary>What was read lately. Entries never change and are only added, so it stands as long as the visit has no more of
    /// them.</summary>
    private readonly MemoryCache read = new(new MemoryCacheOptions { SizeLimit = MostEntriesKept });

    private const string VisitColumns =
        "SELECT id, equipment_id AS EquipmentId, started_at AS StartedAt, author, complaint, urgency, stock, response FROM visit";

    private const string EntryColumns = """
        SELECT e.rowid AS Place, e.id, e.visit_id AS VisitId, e.at, e.written_at AS WrittenAt, e.author, e.corrects, e.device,
            e.phone_at AS PhoneAt, e.sequence, e.kind, e.version, e.body FROM entry e
        """;

    private sealed record VisitRow(
        string Id, string EquipmentId, string StartedAt, string Author, string Complaint, string Urgency, string Stock, string Response)
    {
        public Visit ToVisit() =>
            new(Guid.Parse(Id), Guid.Parse(EquipmentId), Database.Utc(StartedAt), Author, Complaint, Enum.Parse<Urgency>(Urgency), Stock,
            Response);
    }

    private sealed record EntryRow(
        long Place, string Id, string VisitId, string At, string WrittenAt, string Author, string? Corrects, string Device, string? PhoneAt,
            long Sequence,
            string Kind, long Version, string Body)
    {
        public EntryHeader Header =>
            new(Guid.Parse(Id), Guid.Parse(VisitId), Database.Utc(At), Database.Utc(WrittenAt), Author, Corrects is null ? null
            : Guid.Parse(Corrects))
        {
            Device = Device, PhoneAt = PhoneAt is null ? null : Database.Utc(PhoneAt), Sequence = (int)Sequence,
        };

        public Entry ToEntry(EntryKinds kinds) => kinds.Read(Header, Kind, (int)Version, Body);
    }

    /// <summary>Puts a visit on record; the same visit sent twice is stored once.</summary>
    public void Start(Visit visit)
    {
        using var db = database.Open();
        Start(db, visit);
    }

    /// <summary>The same together with what else is written on this connection.</summary>
    internal static void Start(SqliteConnection db, Visit visit) =>
        db.Execute("""
            INSERT INTO visit (id, equipment_id, started_at, author, complaint, urgency, stock, response)
            VALUES (@Id, @EquipmentId, @StartedAt, @Author, @Complaint, @Urgency, @Stock, @Response)
            ON CONFLICT (id) DO NOTHING
            """, new
        {
            Id = visit.Id.ToString(), EquipmentId = visit.EquipmentId.ToString(), StartedAt = Database.Utc(visit.StartedAt), visit.Author,
                visit.Complaint,
            Urgency = visit.Urgency.ToString(), visit.Stock, visit.Response,
        });

    /// <summary>Null where there is none of that id.</summary>
    public Visit? Find(Guid id)
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<VisitRow>($"{VisitColumns} WHERE id = @id", new { id = id.ToString() })?.ToVisit();
    }

    /// <summary>A unit's visits, the latest first.</summary>
    public IReadOnlyList<Visit> OfEquipment(Guid equipmentId)
    {
        using var db = database.Open();
        return [.. db.Query<VisitRow>(
            $"{VisitColumns} WHERE equipment_id = @id ORDER BY started_at DESC", new { id = equipmentId.ToString() })
            .Select(r => r.ToVisit())];
    }

    /// <summary>The entries of each of a unit's visits, in the order of writing.</summary>
    /// <param name="inFull">Visits with every entry. Of the others only the last reading of each point comes that still stands: the rest of
    /// a course says nothing to later visits.</param>
    public IReadOnlyDictionary<Guid, IReadOnlyList<Entry>> EntriesOfEquipment(Guid equipmentId, params IEnumerable<Guid> inFull)
    {
        HashSet<Guid> full = [.. inFull];
        var counts = CountsOfEquipment(equipmentId);
        var known = counts.Where(c => c.Value > 0)
            .ToDictionary(
            c => c.Key, c => read.Get<ReadVisit>((c.Key, full.Contains(c.Key))) is { } before && before.Count == c.Value ? before : null);
        if (known.Where(k => k.Value is null).Select(k => k.Key).ToList() is { Count: > 0 } wanted)
        {
            var fresh = Read([.. wanted.Where(full.Contains)], [.. wanted.Where(v => !full.Contains(v))]);
            foreach (var visit in wanted)
                known[visit] =
                    read.Set(
                    (visit, full.Contains(visit)), new ReadVisit(counts[visit], [.. fresh[visit]]),
                    new MemoryCacheEntryOptions { Size = counts[visit] });
        }

        return counts.Keys.ToDictionary(v => v, v => known.TryGetValue(v, out var k) ? k!.Entries : []);
    }

    /// <summary>Reads everything anew: a name was taken out of the record.</summary>
    public void ReadAnew() => read.Clear();

    /// <param name="Count">How many entries the visit had when it was read.</param>
    private sealed record ReadVisit(int Count, IReadOnlyList<Entry> Entries);

    /// <remarks>Of a visit that is read in brief come all readings that have anything to do with a correction, since which of them holds is
    /// not for the database to say.</remarks>
    private ILookup<Guid, Entry> Read(IReadOnlyList<Guid> full, IReadOnlyList<Guid> brief)
    {
        using var db = database.Open();
        return db.Query<EntryRow>($"""
            {EntryColumns} WHERE e.visit_id IN @full OR (e.visit_id IN @brief
                AND (e.kind <> 'reading' OR e.corrects IS NOT NULL OR EXISTS (SELECT 1 FROM entry c WHERE c.corrects = e.id)))
            UNION ALL
            {EntryColumns} WHERE e.rowid IN (SELECT reading FROM (
                SELECT e.rowid AS reading, row_number() OVER (PARTITION BY e.visit_id, e.point ORDER BY e.at DESC, e.id DESC) AS latest
                FROM entry e
                WHERE e.visit_id IN @brief AND e.kind = 'reading' AND e.corrects IS NULL AND NOT EXISTS (SELECT 1 FROM entry c WHERE
                    c.corrects = e.id))
                WHERE latest = 1)
            ORDER BY Place
            """, new { full = full.Select(v => v.ToString()), brief = brief.Select(v => v.ToString()) })
            .Select(r => r.ToEntry(kinds)).ToLookup(e => e.VisitId);
    }

    /// <summary>Every note on a kind of part that stands, from all units, the oldest first.</summary>
    public IReadOnlyList<Entry> PartNotes()
    {
        using var db = database.Open();
        return [.. db.Query<EntryRow>($"""
            {EntryColumns} WHERE e.kind = 'part-note' AND NOT EXISTS (SELECT 1 FROM entry c WHERE c.corrects = e.id)
                AND e.visit_id NOT IN (SELECT visit_id FROM practice)
            ORDER BY e.at
            """).Select(r => r.ToEntry(kinds))];
    }

    /// <summary>Every row of the refrigerant ledger that stands, with its unit.</summary>
    public IReadOnlyList<(Guid UnitId, RefrigerantEntry Row)> Ledger()
    {
        using var db = database.Open();
        var units = db.Query<(string Visit, string Unit)>("""
            SELECT DISTINCT v.id, v.equipment_id FROM entry e INDEXED BY entry_of_refrigerant JOIN visit v ON v.id = e.visit_id
            WHERE e.kind = 'refrigerant' AND v.id NOT IN (SELECT visit_id FROM practice)
            """).ToDictionary(r => Guid.Parse(r.Visit), r => Guid.Parse(r.Unit));
        var written = db.Query<EntryRow>($"""
            {EntryColumns} WHERE e.visit_id IN (SELECT visit_id FROM entry INDEXED BY entry_of_refrigerant WHERE kind = 'refrigerant'
                    AND visit_id NOT IN (SELECT visit_id FROM practice))
                AND (e.kind = 'refrigerant' OR e.corrects IS NOT NULL)
            ORDER BY Place
            """).Select(r => r.ToEntry(kinds)).ToList();
        return [.. new Corrections(written).Standing.OfType<RefrigerantEntry>().Select(r => (units[r.VisitId], r))];
    }

    /// <summary>The units on whose visits a diagram was kept.</summary>
    public IReadOnlySet<Guid> WithDiagram()
    {
        using var db = database.Open();
        return db.Query<string>("""
            SELECT DISTINCT v.equipment_id FROM entry e INDEXED BY entry_of_diagram JOIN visit v ON v.id = e.visit_id
            WHERE e.kind = 'diagram' AND v.id NOT IN (SELECT visit_id FROM practice)
            """).Select(Guid.Parse).ToHashSet();
    }

    /// <summary>The root cause of each signed visit as its last sign-off has it; empty ones are left out.</summary>
    public IReadOnlyList<string> RootCauses()
    {
        using var db = database.Open();
        return [.. db.Query<string>("""
            SELECT cause FROM (
                SELECT json_extract(body, '$.rootCause') AS cause, row_number() OVER (PARTITION BY visit_id ORDER BY at DESC) AS last
                FROM entry WHERE kind = 'sign-off' AND visit_id NOT IN (SELECT visit_id FROM practice))
            WHERE last = 1 AND cause <> ''
            """)];
    }

    /// <summary>The entries of a visit as they lie in the record, the latest first.</summary>
    public IReadOnlyList<PlainEntry> PlainEntries(Guid visitId)
    {
        using var db = database.Open();
        var standing = CorrectionsOf(db, visitId, out var rows).Standing.Select(e => e.Id).ToHashSet();
        return [.. rows.Select(r => (Row: r, Id: Guid.Parse(r.Id)))
            .Select(r => new PlainEntry(r.Id, r.Row.At, r.Row.Author, r.Row.Device, r.Row.Kind, r.Row.Body, standing.Contains(r.Id)))
            .Reverse()];
    }

    /// <summary>How many entries each visit of a unit has. Entries are only ever added, so the same number is the same content.</summary>
    public IReadOnlyDictionary<Guid, int> CountsOfEquipment(Guid equipmentId)
    {
        using var db = database.Open();
        return db.Query<(string Visit, int Count)>("""
            SELECT v.id, count(e.id) FROM visit v LEFT JOIN entry e ON e.visit_id = v.id WHERE v.equipment_id = @id GROUP BY v.id
            """, new { id = equipmentId.ToString() }).ToDictionary(r => Guid.Parse(r.Visit), r => r.Count);
    }

    /// <summary>Appends entries, all or nothing; on return they are on the disk. One that is there already is left out: it was sent
    /// twice.</summary>
    /// <remarks>
    /// One whose id belongs to an entry that says something else (an old page, changed, sent again) gets a new id, and so does every
    /// reference to it
    /// among the others, so that nothing typed is lost and nothing is there twice.
    /// </remarks>
    public void Append(IReadOnlyList<Entry> entries) => database.Together(db => Append(db, entries));

    /// <summary>The same together with what else is written on this connection.</summary>
    /// <returns>True: nothing of it can be refused.</returns>
    public bool Append(SqliteConnection db, IReadOnlyList<Entry> entries)
    {
        var renamed = new Dictionary<Guid, Guid>();
        using var insertion = new EntryInsertion(db, kinds);
        foreach (var given in entries)
        {
            var entry = renamed.Count == 0 ? given : given.WithReferences(id => renamed.GetValueOrDefault(id, id));
            if (insertion.Write(entry) || SaysTheSame(db, entry))
                continue;
            renamed[entry.Id] = Guid.CreateVersion7(entry.WrittenAt);
            insertion.Write(entry with { Header = entry.Header with { Id = renamed[entry.Id] } });
        }

        foreach (var corrected in entries.Where(e => e.Corrects is not null).DistinctBy(e => e.Corrects))
            FindWhatStands(db, corrected.VisitId, corrected.Corrects!.Value);
        return true;
    }

    /// <summary>Has the search find the wording that stands of an entry and its corrections, and no other.</summary>
    private static void FindWhatStands(SqliteConnection db, Guid visitId, Guid corrected)
    {
        var corrections = CorrectionsOf(db, visitId, out var rows);
        var root = corrections.RootOf(corrected);
        var family = rows.Where(r => corrections.RootOf(Guid.Parse(r.Id)) == root).Select(r => r.Id).ToList();
        db.Execute("DELETE FROM search WHERE entry IN @family", new { family });
        db.Execute(
            "INSERT INTO search (kind, ref, equipment_id, at, text, entry) SELECT kind, visit_id, equipment_id, at, text, id FROM "
            + "entry_text WHERE id IN @standing",
            new { standing = corrections.Standing.Select(e => e.Id.ToString()).Intersect(family) });
    }

    /// <summary>The corrections of a visit, without reading what its entries say.</summary>
    private static Corrections CorrectionsOf(SqliteConnection db, Guid visitId, out IReadOnlyList<EntryRow> rows)
    {
        rows = [.. db.Query<EntryRow>($"{EntryColumns} WHERE e.visit_id = @id ORDER BY Place", new { id = visitId.ToString() })];
        return new(
            [.. rows.Select(
            r => r.Kind == EntryKinds.Withdrawal ? (Entry)new WithdrawalEntry(r.Header) : new UnknownEntry(r.Header, r.Kind, r.Body))]);
    }

    /// <summary>The moment does not count: a line sent again carries the moment of its second arrival.</summary>
    private bool SaysTheSame(SqliteConnection db, Entry entry)
    {
        var (kind, _, body) = kinds.Write(entry);
        return db.ExecuteScalar<int>("""
            SELECT count(*) FROM entry
            WHERE id = @Id AND visit_id = @VisitId AND kind = @kind AND corrects IS @Corrects
              AND json_remove(body, '$.since') = json_remove(@body, '$.since')
            """, new
        {
            Id = entry.Id.ToString(), VisitId = entry.VisitId.ToString(), kind, body, Corrects = entry.Corrects?.ToString(),
        }) == 1;
    }

    /// <inheritdoc/>
    public void Dispose() => read.Dispose();
}
