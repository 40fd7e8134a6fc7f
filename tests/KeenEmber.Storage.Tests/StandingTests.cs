using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Tests;

/// <summary>What is kept of how the units stand, and when it is out of date.</summary>
public sealed class StandingTests : IDisposable
{
    private static readonly SavedBy Today = new(new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero), "Isolde Marrin", "");

    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;
    private readonly Database database;
    private readonly Site site = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");
    private readonly StandingStore standings;

    public StandingTests()
    {
        database = new(folder);
        database.Migrate();
        standings = new(database);
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private Equipment Unit(string tag)
    {
        var unit =
            new Equipment(
            Guid.CreateVersion7(), site.Id, tag, "Freezer", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 1, "", "",
            new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver,
                ""));
        Assert.True(new EquipmentStore(database).Save(unit, site, Today));
        return unit;
    }

    private Visit Visit(Equipment unit, int day = 0)
    {
        var visit = new Visit(Guid.CreateVersion7(), unit.Id, Start.AddDays(day), "Isolde Marrin", "Soft");
        new VisitStore(database, EntryKinds.House).Start(visit);
        return visit;
    }

    private void Keep(Equipment unit, UnitStanding standing, bool callback = false) =>
        standings.Save(unit.Id, standing, standings.Find(unit.Id)!.Value.Changes, callback);

    private static UnitStanding Of(Visit visit, OpenItemKind? item = null, DateOnly? due = null, DateOnly? followUp = null,
        bool drifts = false)
    {
        var change =
            new ChangeEntry(
            new(Guid.CreateVersion7(), visit.Id, Start, Start, "Isolde"), "fan delay", "", "bridged", "", item ?? OpenItemKind.WatchIt,
                false);
        var handover = due is { } day
            ? new HandoverEntry(new(Guid.CreateVersion7(), visit.Id, Start, Start, "Isolde"), change.Id, "part", "Tobin", day) : null;
        return new(
            [new(visit, 3, Finding.Of("circuit.within-targets"), true, false, followUp, new Dictionary<ResultRef,
            double> { [ResultKind.Subcooling] = 4.5 })],
            item is null ? [] : [new(change, handover)], drifts ? [new(ResultKind.Subcooling, 4, 9)] : []);
    }

    [Fact]
    public void A_new_unit_is_to_be_judged_and_once_kept_is_current()
    {
        var unit = Unit("F-3");
        Assert.Equal([unit.Id], standings.ToMake(9));
        var visit = Visit(unit);
        var standing = Of(visit, OpenItemKind.Jumper, new(2026, 3, 9), drifts: true);
        Keep(unit, standing);
        Assert.Empty(standings.ToMake(9));
        var (kept, _, current) = standings.Find(unit.Id)!.Value;
        Assert.True(current);
        Assert.Equal(visit, kept.Latest!.Visit);
        Assert.Equal(4.5, kept.Latest.Results[ResultKind.Subcooling]);
        Assert.Equal(standing.OpenItems, kept.OpenItems);
        Assert.Equal(standing.Drift, kept.Drift);
    }

    [Fact]
    public void Whatever_it_rests_on_puts_it_out_of_date()
    {
        var unit = Unit("F-3");
        var visit = Visit(unit);
        void Current() => Keep(unit, Of(visit));
        void Stale(string after, bool everyVisit)
        {
            Assert.True(standings.ToMake(9).Count == 1, after);
            Assert.Equal(everyVisit, standings.Find(unit.Id)!.Value.Standing.Visits.Count == 0);
            Current();
        }

        Current();
        new VisitStore(database, EntryKinds.House)
            .Append([new NoteEntry(new(Guid.CreateVersion7(), visit.Id, Start, Start, "Isolde"), "oil")]);
        Stale("entry", everyVisit: false);
        Visit(unit, 4);
        Stale("visit", everyVisit: false);
        new EquipmentStore(database).Save(unit with { Target = Temperature.FromCelsius(-18) }, site, Today);
        Stale("unit", everyVisit: true);
        new EquipmentStore(database).Save(unit, site with { ElevationM = 900 }, Today);
        Stale("site", everyVisit: true);
        standings.MadeBy("other rules");
        Stale("rules", everyVisit: true);
        standings.MadeBy("other rules");
        Assert.Empty(standings.ToMake(9));
    }

    [Fact]
    public void An_entry_written_while_judging_leaves_it_out_of_date()
    {
        var unit = Unit("F-3");
        var visit = Visit(unit);
        var before = standings.Find(unit.Id)!.Value.Changes;
        new VisitStore(database, EntryKinds.House)
            .Append([new NoteEntry(new(Guid.CreateVersion7(), visit.Id, Start, Start, "Isolde"), "oil")]);
        standings.Save(unit.Id, Of(visit), before, false);
        Assert.False(standings.Find(unit.Id)!.Value.IsCurrent);
    }

    [Fact]
    public void Every_listing_holds_its_units_and_no_others()
    {
        var (danger, late, again, drifts, quiet) = (Unit("A-1"), Unit("A-2"), Unit("A-3"), Unit("A-4"), Unit("A-5"));
        Keep(danger, Of(Visit(danger), OpenItemKind.Jumper));
        Keep(late, Of(Visit(late), OpenItemKind.PartOnOrder, due: new(2026, 3, 4)));
        Keep(again, Of(Visit(again, 2), followUp: new(2026, 3, 8)), callback: true);
        Keep(drifts, Of(Visit(drifts), drifts: true));
        IEnumerable<string> Tags(Listing listing, DateOnly until = default, DateTimeOffset since = default) =>
            standings.List(listing, 0, 9, until, since).Select(u => u.Tag);
        Assert.Equal(["A-1"], Tags(Listing.Safety));
        Assert.Equal(["A-2"], Tags(Listing.Overdue, until: new(2026, 3, 5)));
        Assert.Empty(Tags(Listing.Overdue, until: new(2026, 3, 4)));
        Assert.Equal(["A-3"], Tags(Listing.FollowUp, until: new(2026, 3, 8)));
        Assert.Empty(Tags(Listing.FollowUp, until: new(2026, 3, 7)));
        Assert.Equal(["A-3"], Tags(Listing.Callbacks, since: Start));
        Assert.Equal(["A-3"], Tags(Listing.Visited, since: Start.AddDays(1)));
        Assert.Equal(["A-4"], Tags(Listing.Drifting));
        Assert.Equal(5, Tags(Listing.All).Count());
        Assert.Equal("A-5", Tags(Listing.All).Last());
        Assert.Equal((5, 4), standings.Count());
        Assert.Equal(["A-3"], standings.List(Listing.All, 2, 1).Select(u => u.Tag));
        Assert.Null(standings.List(Listing.All, 4, 1).Single().LastVisit);
        Assert.Equal(quiet.Id, standings.List(Listing.All, 4, 1).Single().Id);
    }
}
