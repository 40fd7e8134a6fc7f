using Dapper;

namespace KeenEmber.Storage;

/// <summary>An address by which somebody without an account reads one report.</summary>
/// <param name="EndedAt">When it was taken back; null while it was not.</param>
public sealed record ReaderLink(Guid Id, Guid VisitId, string MadeBy, DateTimeOffset MadeAt, DateTimeOffset Until, DateTimeOffset? EndedAt)
{
    /// <summary>It still leads somewhere.</summary>
    public bool Holds(DateTimeOffset now) => EndedAt is null && now < Until;
}

/// <summary>Addresses for readers: a warranty desk, a customer. Whoever has one reads one report, and nothing else.</summary>
public sealed class ReaderLinks(Database database)
{
    private const string Columns =
        "SELECT id, visit_id AS VisitId, made_by AS MadeBy, made_at AS MadeAt, until, ended_at AS EndedAt FROM reader_link";

    private sealed record Row(string Id, string VisitId, string MadeBy, string MadeAt, string Until, string? EndedAt)
    {
        internal ReaderLink ToLink() => new(Guid.Parse(Id), Guid.Parse(VisitId), MadeBy, Database.Utc(MadeAt), Database.Utc(Until),
            EndedAt is null ? null : Database.Utc(EndedAt));
    }

    /// <summary>Makes one.</summary>
    /// <returns>Its token, which is kept nowhere.</returns>
    public string Make(Guid visit, string by, DateTimeOffset now, DateTimeOffset until)
    {
        var token = Token.New();
        using var db = database.Open();
        db.Execute(
            "INSERT INTO reader_link (id, token_hash, visit_id, made_by, made_at, until) VALUES (@Id, @Hash, @Visit, @by, @At, @Until)",
            new
            {
                Id = Guid.CreateVersion7(now).ToString(), Hash = Token.Hash(token), Visit = visit.ToString(), by, At = Database.Utc(now),
                Until = Database.Utc(until),
            });
        return token;
    }

    /// <summary>What a token opens; null where it opens nothing, or nothing any more.</summary>
    public ReaderLink? Find(string token, DateTimeOffset now)
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<Row>($"{Columns} WHERE token_hash = @Hash", new { Hash = Token.Hash(token) })?.ToLink() is { } link
            && link.Holds(now) ? link : null;
    }

    /// <summary>Whether a photo belongs to the visit that a token opens.</summary>
    public bool Shows(string token, string photo, DateTimeOffset now)
    {
        if (Find(token, now) is not { } link)
            return false;
        using var db = database.Open();
        return db.ExecuteScalar<long>("""
            SELECT EXISTS (SELECT 1 FROM entry WHERE visit_id = @Visit AND kind = 'photo' AND json_extract(body, '$.hash') = @photo)
            """, new { Visit = link.VisitId.ToString(), photo }) == 1;
    }

    /// <summary>Those of a visit that still lead somewhere, the latest first.</summary>
    public IReadOnlyList<ReaderLink> Of(Guid visit, DateTimeOffset now)
    {
        using var db = database.Open();
        return [.. db.Query<Row>($"{Columns} WHERE visit_id = @visit ORDER BY made_at DESC", new { visit = visit.ToString() })
            .Select(r => r.ToLink()).Where(l => l.Holds(now))];
    }

    /// <summary>Takes one back.</summary>
    /// <param name="visit">That it is of.</param>
    public void End(Guid id, Guid visit, DateTimeOffset now)
    {
        using var db = database.Open();
        db.Execute("UPDATE reader_link SET ended_at = @At WHERE id = @Id AND visit_id = @Visit AND ended_at IS NULL",
            new { At = Database.Utc(now), Id = id.ToString(), Visit = visit.ToString() });
    }
}
