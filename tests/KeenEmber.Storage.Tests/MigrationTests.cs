using System.IO.Compression;
using Dapper;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Tests;

/// <summary>Files of earlier versions come up to date, and lose nothing.</summary>
public sealed class MigrationTests
{
    private static readonly IReadOnlyList<string> Scripts =
        [.. typeof(Database).Assembly.GetManifestResourceNames().Where(n => n.EndsWith(".sql", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal)];

    private static string Read(string script)
    {
        using var reader = new StreamReader(typeof(Database).Assembly.GetManifestResourceStream(script)!);
        return reader.ReadToEnd();
    }

    /// <summary>As the first so many scripts left it; all of them leave nothing to do.</summary>
    [Fact]
    public void A_file_from_every_earlier_version_comes_up_to_date()
    {
        for (var version = 1; version <= Scripts.Count; version++)
        {
            var old = Directory.CreateTempSubdirectory("keen-ember-").FullName;
            var database = new Database(old);
            using (var db = database.Open())
            {
                db.Execute(
                    "CREATE TABLE SchemaVersions (SchemaVersionID INTEGER CONSTRAINT 'PK_SchemaVersions_SchemaVersionID' PRIMARY KEY "
                    + "AUTOINCREMENT NOT NULL, ScriptName TEXT NOT NULL, Applied DATETIME NOT NULL)");
                foreach (var script in Scripts.Take(version))
                {
                    db.Execute(Read(script));
                    db.Execute("INSERT INTO SchemaVersions (ScriptName, Applied) VALUES (@script, '2026-01-01')", new { script });
                }
            }

            database.Migrate();
            using (var db = database.Open())
                Assert.Equal(Scripts, db.Query<string>("SELECT ScriptName FROM SchemaVersions ORDER BY SchemaVersionID"));
            Assert.Empty(new EquipmentStore(database).All());
            SqliteConnection.ClearAllPools();
            Directory.Delete(old, recursive: true);
        }
    }

    /// <summary>The demo's record as the program of migration 0011 left it: every entry is read, and stands as it stood.</summary>
    [Fact]
    public void The_demo_of_an_earlier_program_comes_up_to_date_and_loses_nothing()
    {
        var old = Directory.CreateTempSubdirectory("keen-ember-").FullName;
        using (var packed =
            new BrotliStream(
            File.OpenRead(Path.Combine(AppContext.BaseDirectory, "Corpus", "demo-0011.db.br")), CompressionMode.Decompress))
        using (var file = File.Create(Path.Combine(old, Database.FileName)))
            packed.CopyTo(file);
        var database = new Database(old);
        database.Migrate();
        using var visits = new VisitStore(database, EntryKinds.House);
        var entries = new EquipmentStore(database).All()
            .SelectMany(u => visits.EntriesOfEquipment(u.Id, visits.OfEquipment(u.Id).Select(v => v.Id)).Values).SelectMany(e => e)
            .ToList();
        using (var db = database.Open())
            Assert.Equal(db.ExecuteScalar<int>("SELECT count(*) FROM entry"), entries.Count);
        Assert.True(entries.Count > 500);
        Assert.DoesNotContain(entries, e => e is UnknownEntry);
        SqliteConnection.ClearAllPools();
        Directory.Delete(old, recursive: true);
    }

    /// <summary>A file of the first version, with a unit in it, keeps its receiver when the make-up becomes a set of parts.</summary>
    [Theory]
    [InlineData(1, CircuitParts.Receiver)]
    [InlineData(0, CircuitParts.None)]
    public void A_circuit_of_the_first_version_keeps_what_it_had(int receiver, CircuitParts parts)
    {
        var old = Directory.CreateTempSubdirectory("keen-ember-").FullName;
        using (var db = new Database(old).Open())
        {
            db.Execute(Read(Scripts[0]));
            db.Execute("""
                CREATE TABLE SchemaVersions (SchemaVersionID INTEGER
                    CONSTRAINT 'PK_SchemaVersions_SchemaVersionID' PRIMARY KEY AUTOINCREMENT NOT NULL,
                    ScriptName TEXT NOT NULL, Applied DATETIME NOT NULL);
                INSERT INTO SchemaVersions (ScriptName, Applied) VALUES (@script, '2026-01-01');
                INSERT INTO site VALUES ('019c0000-0000-7000-8000-000000000001', 'Quillmere Market Hall', 6, 'Europe/London');
                INSERT INTO equipment VALUES ('019c0000-0000-7000-8000-000000000002', '019c0000-0000-7000-8000-000000000001', 'C-1',
                    'Cold room', 'WalkInCooler', 276.15, 1, '', '');
                INSERT INTO circuit VALUES ('019c0000-0000-7000-8000-000000000003', '019c0000-0000-7000-8000-000000000002', 'R134a', NULL,
                    'ThermostaticValve', 'AirCooledRemote', @receiver, '');
                INSERT INTO visit VALUES ('019c0000-0000-7000-8000-000000000004', '019c0000-0000-7000-8000-000000000002',
                    '2026-01-02T08:00:00.0000000Z', 'Isolde Marrin', 'Warm');
                INSERT INTO entry VALUES
                    ('019c0000-0000-7000-8000-000000000005', '019c0000-0000-7000-8000-000000000004', '2026-01-02T08:01:00.0000000Z',
                        '2026-01-02T08:01:00.0000000Z', 'Isolde Marrin', NULL,
                     'reading', '{"point":"SuctionPressure","value":21.5,"unit":"psi"}'),
                    ('019c0000-0000-7000-8000-000000000006', '019c0000-0000-7000-8000-000000000004', '2026-01-02T08:02:00.0000000Z',
                        '2026-01-02T08:02:00.0000000Z', 'Isolde Marrin', NULL,
                     'setting', '{"setting":"LowCutOut","stage":"AsSet","value":1.2,"unit":"bar"}'),
                    ('019c0000-0000-7000-8000-000000000007', '019c0000-0000-7000-8000-000000000004', '2026-01-02T08:03:00.0000000Z',
                        '2026-01-02T08:03:00.0000000Z', 'Isolde Marrin', NULL,
                     'frost', '{"after":true,"face":"111111111111111111111111","around":"20010"}');
                """, new { script = Scripts[0], receiver });
        }

        var database = new Database(old);
        database.Migrate();
        var circuit = new EquipmentStore(database).All().Single().Circuit;
        Assert.Equal((parts, 1, null), (circuit.Parts, circuit.Coils, circuit.RatedCurrentA));
        var entries = new VisitStore(database, EntryKinds.House)
            .EntriesOfEquipment(
            new("019c0000-0000-7000-8000-000000000002"), new Guid("019c0000-0000-7000-8000-000000000004")).Values.SelectMany(v => v)
            .ToList();
        Assert.Equal(new TypedValue(21.5, Unit.Psi), Assert.IsType<ReadingEntry>(entries[0]).Value);
        Assert.Equal(new TypedValue(1.2, Unit.Bar), Assert.IsType<SettingEntry>(entries[1]).Value);
        Assert.Equal((true, new(new('1', 24), "20010")), (Assert.IsType<FrostEntry>(entries[2]).After, ((FrostEntry)entries[2]).Picture));
        SqliteConnection.ClearAllPools();
        Directory.Delete(old, recursive: true);
    }
}
