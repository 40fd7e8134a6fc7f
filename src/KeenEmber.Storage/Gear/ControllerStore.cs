using Dapper;
using KeenEmber.Core.Probes;

namespace KeenEmber.Storage.Gear;

/// <summary>Controllers on the wire: what each said last, and the company's list of what that means.</summary>
public sealed class ControllerStore(Database database)
{
    private sealed class Row
    {
        public string Id { get; init; } = "";
        public string Name { get; init; } = "";
        public string Key { get; init; } = "";
        public string At { get; init; } = "";
        public double Value { get; init; }
    }

    /// <summary>Takes in what a controller said; of two values with one key the later holds, whichever comes first.</summary>
    /// <returns>How many were newer than what was known.</returns>
    public int Take(Guid gateway, string controller, string name, IReadOnlyList<WireValue> values)
    {
        using var db = database.Open();
        using var transaction = db.BeginTransaction();
        db.Execute("""
            INSERT INTO controller (id, gateway, name) VALUES (@controller, @gateway, @name)
            ON CONFLICT (id) DO UPDATE SET gateway = @gateway, name = @name
            """, new { controller, gateway = gateway.ToString(), name }, transaction);
        var taken = values.Sum(v => db.Execute("""
            INSERT INTO controller_value (controller, key, at, value) VALUES (@controller, @Key, @at, @Value)
            ON CONFLICT (controller, key) DO UPDATE SET at = @at, value = @Value WHERE at < @at
            """, new { controller, v.Key, at = Database.Utc(v.At), v.Value }, transaction));
        transaction.Commit();
        return taken;
    }

    /// <summary>Controllers that said something since a moment, by name, with everything they said last.</summary>
    public IReadOnlyList<ControllerOnWire> Heard(DateTimeOffset since)
    {
        using var db = database.Open();
        return [.. db.Query<Row>("""
            SELECT c.id, c.name, v.key, v.at, v.value FROM controller c JOIN controller_value v ON v.controller = c.id
            ORDER BY c.name COLLATE NOCASE, c.id, v.key
            """).GroupBy(r => r.Id).Select(g => new ControllerOnWire(g.Key, g.First().Name,
                [.. g.Select(r => new WireValue(r.Key, Database.Utc(r.At), r.Value))])).Where(c => c.At >= since)];
    }

    /// <summary>The company's list as it was kept; empty for none.</summary>
    public string Map()
    {
        using var db = database.Open();
        return db.QuerySingleOrDefault<string>("SELECT csv FROM controller_map") ?? "";
    }

    /// <summary>Keeps the list.</summary>
    public void KeepMap(string csv, string by, DateTimeOffset at)
    {
        using var db = database.Open();
        db.Execute("""
            INSERT INTO controller_map (only_one, csv, kept_by, kept_at) VALUES (1, @csv, @by, @at)
            ON CONFLICT (only_one) DO UPDATE SET csv = @csv, kept_by = @by, kept_at = @at
            """, new { csv, by, at = Database.Utc(at) });
    }
}
