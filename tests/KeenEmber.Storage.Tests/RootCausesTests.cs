using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Tests;

/// <summary>The root causes that were signed, for the company's own odds.</summary>
public sealed class RootCausesTests : IDisposable
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public void Each_visit_counts_once_by_its_last_sign_off_and_one_without_a_cause_not_at_all()
    {
        var database = new Database(folder);
        database.Migrate();
        var site = new Site(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");
        var unit = new Equipment(Guid.CreateVersion7(), site.Id, "F-3", "Fish counter freezer", EquipmentKind.WalkInFreezer,
            Temperature.FromCelsius(-20), 2, "", "", new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve,
                CondenserKind.AirCooledRemote, CircuitParts.Receiver, ""));
        Assert.True(new EquipmentStore(database).Save(unit, site, new(Start, "Isolde Marrin", "")));
        var store = new VisitStore(database, EntryKinds.House);
        foreach (var causes in new[] { new[] { "leak", "drain blocked" }, ["condenser dirty"], [""], [] })
        {
            var visit = new Visit(Guid.CreateVersion7(), unit.Id, Start, "Isolde Marrin", "");
            store.Start(visit);
            foreach (var (cause, minute) in causes.Select((c, i) => (c, i)))
            {
                store.Append([new SignOffEntry(new(Guid.CreateVersion7(), visit.Id, Start.AddMinutes(minute), Start.AddMinutes(minute),
                    "Isolde Marrin"), cause, "", "", null)]);
            }
        }

        Assert.Equal(["condenser dirty", "drain blocked"], store.RootCauses().Order());
    }
}
