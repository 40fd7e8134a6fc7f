using Dapper;
using KeenEmber.Core.Benches.Charge;

namespace KeenEmber.Storage.Gear;

/// <summary>The company's refrigerant cylinders.</summary>
public sealed class CylinderStore(Database database)
{
    private sealed class Row
    {
        public string Id { get; init; } = "";
        public string Label { get; init; } = "";
        public string Kind { get; init; } = "";
        public string Refrigerant { get; init; } = "";
        public double TareKg { get; init; }
        public double WaterL { get; init; }
        public double ContentKg { get; init; }

        public Cylinder ToCylinder() =>
            new(Guid.Parse(Id), Label, Enum.Parse<CylinderKind>(Kind), Refrigerant, TareKg, WaterL, ContentKg);
    }

    /// <summary>Every cylinder in use, by label.</summary>
    public IReadOnlyList<Cylinder> All()
    {
        using var db = database.Open();
        return [.. db.Query<Row>("""
            SELECT id, label, kind, refrigerant, tare_kg AS TareKg, water_l AS WaterL, content_kg AS ContentKg
            FROM cylinder WHERE retired = 0 ORDER BY label COLLATE NOCASE
            """).Select(r => r.ToCylinder())];
    }

    /// <summary>The cylinder in use with this label, upper or lower case; null where there is none.</summary>
    public Cylinder? Find(string label) =>
        All().FirstOrDefault(c => string.Equals(c.Label, label.Trim(), StringComparison.OrdinalIgnoreCase));

    /// <summary>Puts a cylinder on the list; the same one sent twice is kept once.</summary>
    /// <returns>False, and nothing changed, when another in use has this label.</returns>
    public bool Add(Cylinder cylinder)
    {
        using var db = database.Open();
        var row = new
        {
            Id = cylinder.Id.ToString(), cylinder.Label, Kind = cylinder.Kind.ToString(), cylinder.Refrigerant, cylinder.TareKg,
            cylinder.WaterL, cylinder.ContentKg,
        };
        db.Execute("""
            INSERT INTO cylinder (id, label, kind, refrigerant, tare_kg, water_l, content_kg)
            VALUES (@Id, @Label, @Kind, @Refrigerant, @TareKg, @WaterL, @ContentKg) ON CONFLICT DO NOTHING
            """, row);
        return db.ExecuteScalar<int>("SELECT count(*) FROM cylinder WHERE id = @Id AND label = @Label", row) == 1;
    }

    /// <summary>Takes a cylinder off the list; its rows of the ledger stay.</summary>
    public void Retire(Guid id)
    {
        using var db = database.Open();
        db.Execute("UPDATE cylinder SET retired = 1 WHERE id = @id", new { id = id.ToString() });
    }
}
