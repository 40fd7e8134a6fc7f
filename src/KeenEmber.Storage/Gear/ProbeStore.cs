using Dapper;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Storage.Gear;

/// <summary>What brings readings of probes: a phone, a box in the van. It knows a secret of its own.</summary>
public sealed record Gateway(Guid Id, string Name, string AddedBy, DateTimeOffset AddedAt);

/// <summary>Probes, the gateways that bring what they send, and what was heard lately.</summary>
public sealed class ProbeStore(Database database)
{
    /// <summary>What is older was never kept on a visit and is forgotten.</summary>
    private static readonly TimeSpan Kept = TimeSpan.FromDays(2);

    private sealed record GatewayRow(string Id, string Name, string AddedBy, string AddedAt)
    {
        public Gateway ToGateway() => new(Guid.Parse(Id), Name, AddedBy, Database.Utc(AddedAt));
    }

    private sealed class ReadingRow
    {
        public string Probe { get; init; } = "";
        public long Number { get; init; }
        public string At { get; init; } = "";
        public double Value { get; init; }
        public string Unit { get; init; } = "";

        public ProbeSample ToSample(QuantityKind kind) => new(Number, Database.Utc(At), new(Value, Core.Quantities.Unit.Find(Unit, kind)!));
    }

    private sealed class ProbeRow
    {
        public string Id { get; init; } = "";
        public string Name { get; init; } = "";
        public string Measures { get; init; } = "";
        public double? Battery { get; init; }

        public Probe ToProbe() => new(Id, Name, Enum.Parse<QuantityKind>(Measures), Battery);
    }

    /// <summary>Every gateway that may send, by name.</summary>
    public IReadOnlyList<Gateway> Gateways()
    {
        using var db = database.Open();
        return [.. db.Query<GatewayRow>("""
            SELECT id, name, added_by AS AddedBy, added_at AS AddedAt FROM gateway WHERE revoked = 0 ORDER BY name COLLATE NOCASE
            """).Select(r => r.ToGateway())];
    }

    /// <summary>Lets a gateway send.</summary>
    /// <returns>Its secret, which is kept as its hash alone; null where the same one was added before.</returns>
    public string? Add(Gateway gateway)
    {
        var token = Token.New();
        using var db = database.Open();
        var added = db.Execute("""
            INSERT INTO gateway (id, name, token, added_by, added_at) VALUES (@id, @Name, @token, @AddedBy, @at) ON CONFLICT DO NOTHING
            """, new
        {
            id = gateway.Id.ToString(), gateway.Name, token = Token.Hash(token), gateway.AddedBy, at = Database.Utc(gateway.AddedAt),
        });
        return added == 1 ? token : null;
    }

    /// <summary>It may send no more.</summary>
    public void Revoke(Guid gateway)
    {
        using var db = database.Open();
        db.Execute("UPDATE gateway SET revoked = 1 WHERE id = @id", new { id = gateway.ToString() });
    }

    /// <summary>The gateway that knows this secret; null where none does, or it may send no more.</summary>
    public Guid? GatewayOf(string token)
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<string>(
            "SELECT id FROM gateway WHERE token = @hash AND revoked = 0", new { hash = Token.Hash(token) }) is { } id
            ? Guid.Parse(id) : null;
    }

    /// <summary>Takes in what a probe sent; what was sent before is known by its number.</summary>
    /// <returns>How many were new.</returns>
    public int Take(Guid gateway, Probe probe, IReadOnlyList<ProbeSample> samples, DateTimeOffset now)
    {
        using var db = database.Open();
        using var transaction = db.BeginTransaction();
        db.Execute("""
            INSERT INTO probe (id, gateway, name, measures, battery) VALUES (@Id, @gateway, @Name, @measures, @Battery)
            ON CONFLICT (id) DO UPDATE SET gateway = @gateway, name = @Name, measures = @measures, battery = coalesce(@Battery, battery)
            """, new
        {
            probe.Id, gateway = gateway.ToString(), probe.Name, measures = probe.Measures.ToString(), probe.Battery,
        }, transaction);
        var taken = samples.Sum(s => db.Execute("""
            INSERT INTO probe_reading (probe, number, at, value, unit) VALUES (@probe, @Number, @at, @value, @unit) ON CONFLICT DO NOTHING
            """, new
        {
            probe = probe.Id, s.Number, at = Database.Utc(s.At), value = s.Value.Number, unit = s.Value.Unit.Symbol,
        }, transaction));
        db.Execute("DELETE FROM probe_reading WHERE at < @before", new { before = Database.Utc(now - Kept) }, transaction);
        transaction.Commit();
        return taken;
    }

    /// <summary>Probes that were heard since a moment, by name.</summary>
    /// <param name="inFull">Of these comes everything they sent since, in order of time; of the others only the last.</param>
    public IReadOnlyList<(Probe Probe, IReadOnlyList<ProbeSample> Samples)> Heard(DateTimeOffset since, IReadOnlyCollection<string> inFull)
    {
        using var db = database.Open();
        var samples = db.Query<ReadingRow>("""
            SELECT r.probe, r.number, r.at, r.value, r.unit FROM probe p JOIN probe_reading r ON r.probe = p.id
                AND r.number = (SELECT l.number FROM probe_reading l WHERE l.probe = p.id ORDER BY l.at DESC LIMIT 1)
                WHERE r.at >= @since AND p.id NOT IN @inFull
            UNION ALL
            SELECT probe, number, at, value, unit FROM probe_reading WHERE probe IN @inFull AND at >= @since
            ORDER BY at
            """, new { since = Database.Utc(since), inFull }).ToLookup(r => r.Probe);
        return [.. db.Query<ProbeRow>("SELECT id, name, measures, battery FROM probe ORDER BY name COLLATE NOCASE").Select(r => r.ToProbe())
            .Where(p => samples[p.Id].Any())
            .Select(p => (p, (IReadOnlyList<ProbeSample>)[.. samples[p.Id].Select(s => s.ToSample(p.Measures))]))];
    }

    /// <summary>One reading as it was sent; null where it is not there any more.</summary>
    public ProbeSample? Find(string probe, long number)
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<string>("SELECT measures FROM probe WHERE id = @probe", new { probe }) is { } kind
            ? db.QuerySingleOrDefault<ReadingRow>(
                "SELECT probe, number, at, value, unit FROM probe_reading WHERE probe = @probe AND number = @number", new { probe, number })
                ?.ToSample(Enum.Parse<QuantityKind>(kind)) : null;
    }
}
