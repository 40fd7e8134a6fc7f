using Dapper;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Visits;

namespace KeenEmber.Storage.Gear;

/// <summary>The company's meters and their checks.</summary>
public sealed class InstrumentStore(Database database)
{
    private sealed class Row
    {
        public string Id { get; init; } = "";
        public string Name { get; init; } = "";
        public string Measures { get; init; } = "";
        public double? Accuracy { get; init; }
        public string? CheckId { get; init; }
        public string At { get; init; } = "";
        public string By { get; init; } = "";
        public string Kind { get; init; } = "";
        public double Shown { get; init; }
        public double Known { get; init; }

        public Instrument ToInstrument() => new(Guid.Parse(Id), Name, Enum.Parse<QuantityKind>(Measures), Accuracy,
            CheckId is null ? null
                : new(Guid.Parse(CheckId), Guid.Parse(Id), Database.Utc(At), By, Enum.Parse<InstrumentCheckKind>(Kind), Shown, Known));
    }

    /// <summary>Every meter in use with its last check, by name.</summary>
    public IReadOnlyList<Instrument> All()
    {
        using var db = database.Open();
        return [.. db.Query<Row>("""
            SELECT i.id, i.name, i.measures, i.accuracy, c.id AS CheckId, c.at, c.by, c.kind, c.shown, c.known
            FROM instrument i LEFT JOIN instrument_check c ON c.id = (SELECT id FROM instrument_check WHERE instrument_id = i.id ORDER BY
                at DESC LIMIT 1)
            WHERE i.retired = 0 ORDER BY i.name
            """).Select(r => r.ToInstrument())];
    }

    /// <summary>Puts a meter on the list; the same one sent twice is kept once.</summary>
    /// <returns>False, and nothing changed, when another meter has this id: its form was filled in anew and sent again.</returns>
    public bool Add(Instrument instrument)
    {
        using var db = database.Open();
        var row = new { Id = instrument.Id.ToString(), instrument.Name, Measures = instrument.Measures.ToString(), instrument.Accuracy };
        db.Execute(
            "INSERT INTO instrument (id, name, measures, accuracy) VALUES (@Id, @Name, @Measures, @Accuracy) ON CONFLICT (id) DO NOTHING",
            row);
        return db.ExecuteScalar<int>(
            "SELECT count(*) FROM instrument WHERE id = @Id AND name = @Name AND measures = @Measures AND accuracy IS @Accuracy", row) == 1;
    }

    /// <summary>Takes a meter out of the lists; what was measured with it stays as it is.</summary>
    public void Retire(Guid id)
    {
        using var db = database.Open();
        db.Execute("UPDATE instrument SET retired = 1 WHERE id = @id", new { id = id.ToString() });
    }

    /// <summary>Puts a check on record; the same one sent twice is kept once.</summary>
    public void Append(InstrumentCheck check)
    {
        using var db = database.Open();
        db.Execute("""
            INSERT INTO instrument_check (id, instrument_id, at, by, kind, shown, known) VALUES (@Id, @InstrumentId, @At, @By, @Kind,
                @Shown, @Known)
            ON CONFLICT (id) DO NOTHING
            """, new
        {
            Id = check.Id.ToString(), InstrumentId = check.InstrumentId.ToString(), At = Database.Utc(check.At), check.By,
                Kind = check.Kind.ToString(), check.Shown, check.Known,
        });
    }
}
