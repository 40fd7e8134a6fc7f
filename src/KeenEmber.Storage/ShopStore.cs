using System.Text.Json;
using Dapper;
using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;

namespace KeenEmber.Storage;

/// <summary>The shop's own choices: one row.</summary>
public sealed class ShopStore(Database database)
{
    private sealed record Row(string Name, string Units, string Words);

    /// <summary>The shop as saved, or a metric one without a name on an empty database.</summary>
    public Shop Get()
    {
        using var db = database.Open();
        var row = db.QuerySingleOrDefault<Row>("SELECT name, units, words FROM shop");
        return row is null
            ? new("", UnitPreference.Metric, new Dictionary<string, MeasuringPoint>())
            : new(row.Name, UnitPreference.FromCode(row.Units), JsonSerializer.Deserialize<Dictionary<string, MeasuringPoint>>(row.Words, EntryJson.Options)!);
    }

    public void Save(Shop shop)
    {
        using var db = database.Open();
        db.Execute("""
            INSERT INTO shop (only_row, name, units, words) VALUES (1, @Name, @Units, @Words)
            ON CONFLICT (only_row) DO UPDATE SET name = excluded.name, units = excluded.units, words = excluded.words
            """, new { shop.Name, Units = shop.Units.Code, Words = JsonSerializer.Serialize(shop.Words, EntryJson.Options) });
    }
}
