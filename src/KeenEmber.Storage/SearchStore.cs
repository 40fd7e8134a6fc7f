using Dapper;
using KeenEmber.Core.Plant;

namespace KeenEmber.Storage;

/// <param name="Kind">What the words were found in: <see cref="SearchStore.Unit"/>, <see cref="SearchStore.Visit"/>, or the wire name of an
/// entry.</param>
/// <param name="VisitId">Null for a unit.</param>
/// <param name="At">When it was; null for a unit.</param>
/// <param name="Text">The passage, with <see cref="SearchStore.MarkOpen"/> and <see cref="SearchStore.MarkClose"/> round what was
/// found.</param>
public sealed record SearchHit(string Kind, Guid EquipmentId, string Tag, string Name, Guid? VisitId, DateTimeOffset? At, string Text);

/// <summary>Full text search over units, visits, notes, changes and parts.</summary>
public sealed class SearchStore(Database database)
{
    /// <summary>Kind of a hit in a unit.</summary>
    public const string Unit = "unit";

    /// <summary>Kind of a hit in a visit.</summary>
    public const string Visit = "visit";

    /// <summary>More are not listed.</summary>
    public const int MostHits = 60;

    /// <summary>Stands before a word that was found.</summary>
    public const char MarkOpen = '\u0002';

    /// <summary>Stands after it.</summary>
    public const char MarkClose = '\u0003';

    /// <summary>The last written ones: in the order of the index, so that no more are read than are shown.</summary>
    private const string Hits = """
        SELECT s.kind, s.ref, s.equipment_id AS EquipmentId, e.tag, e.name, s.at, snippet(search, 4, char(2), char(3), '…', 16) AS Text
        FROM search s JOIN equipment e ON e.id = s.equipment_id
        WHERE search MATCH @query AND e.site_id <> @practice
        ORDER BY s.rowid DESC
        LIMIT @MostHits
        """;

    /// <summary>Filled by name: the columns of a virtual table have no declared type to match a constructor by.</summary>
    private sealed class Row
    {
        public string Kind { get; init; } = "";
        public string Ref { get; init; } = "";
        public string EquipmentId { get; init; } = "";
        public string Tag { get; init; } = "";
        public string Name { get; init; } = "";
        public string At { get; init; } = "";
        public string Text { get; init; } = "";

        public SearchHit ToHit()
        {
            return new(
                Kind, Guid.Parse(EquipmentId), Tag, Name, Kind == Unit ? null : Guid.Parse(Ref), At.Length == 0 ? null
                : Database.Utc(At), Text);
        }
    }

    /// <summary>Has the words of these members found from now on, in what is on record too.</summary>
    public void Search(IEnumerable<(string Kind, string Field)> fields)
    {
        using var db = database.Open();
        using var transaction = db.BeginTransaction();
        foreach (var (kind, field) in fields)
        {
            if (db.Execute(
                "INSERT INTO searched_field (kind, field) VALUES (@kind, @field) ON CONFLICT DO NOTHING", new { kind, field }) == 0)
                continue;
            db.Execute("DELETE FROM search WHERE kind = @kind", new { kind });
            db.Execute("""
                INSERT INTO search (kind, ref, equipment_id, at, text, entry)
                SELECT kind, visit_id, equipment_id, at, text, id FROM entry_text
                WHERE kind = @kind AND text IS NOT NULL AND id NOT IN (SELECT corrects FROM entry WHERE corrects IS NOT NULL)
                """, new { kind });
        }

        transaction.Commit();
    }

    /// <summary>Passages that hold every word, the last one also as a beginning; units first, then what was written last, each at most
    /// sixty.</summary>
    /// <param name="words">As typed; anything that is not a letter or a figure parts words.</param>
    /// <returns>Empty when nothing to look for was typed.</returns>
    public IReadOnlyList<SearchHit> Find(string? words)
    {
        var query = Query(words);
        if (query.Length == 0)
            return [];
        using var db = database.Open();
        return
        [
            .. Found($"kind : unit AND text : ({query})"),
            .. Found($"text : ({query}) NOT kind : unit").OrderByDescending(h => h.At),
        ];

        IEnumerable<SearchHit> Found(string match) =>
            db.Query<Row>(Hits, new { query = match, practice = Site.PracticeId.ToString(), MostHits }).Select(r => r.ToHit());
    }

    /// <summary>Each word in quotes, so that no character of it is taken for an operator.</summary>
    private static string Query(string? words)
    {
        var parts = new string([.. (words ?? "").Select(c => char.IsLetterOrDigit(c) ? c : ' ')])
            .Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(8).ToList();
        return parts.Count == 0 ? "" : string.Join(' ', parts.Select(p => $"\"{p}\"")) + "*";
    }
}
