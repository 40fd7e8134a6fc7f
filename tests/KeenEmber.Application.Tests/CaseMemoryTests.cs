using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Storage;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Application.Tests;

/// <summary>What is worked out of a unit's visits stays as long as nothing it rests on changes, and no longer.</summary>
public sealed class CaseMemoryTests : IDisposable
{
    private static readonly DateTimeOffset Monday = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;
    private readonly VisitStore visits;
    private readonly EquipmentStore equipment;
    private readonly CompanyStore companies;
    private readonly VisitDesk desk;
    private readonly Site site = new(Guid.CreateVersion7(), "Quillmere Market Hall", 0, "Europe/London");
    private readonly Visit first, second;
    private readonly Equipment unit;

    public CaseMemoryTests()
    {
        var database = new Database(folder);
        database.Migrate();
        (visits, equipment, companies) = (new(database, new(BenchList.Of(_ => []))), new(database), new(database));
        desk = new(database, visits, equipment, companies, new(database), new CaseMemory(), new Later());
        unit = new(Guid.CreateVersion7(), site.Id, "F-3", "", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 2, "", "",
            new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.None, ""));
        equipment.Save(unit, site, new(Monday, "Isolde", ""));
        (first, second) = (Start(Monday), Start(Monday.AddDays(3)));
        Log(first, AsFound.Supply, FactState.Tripped);
    }

    private sealed class Later : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => Monday.AddDays(3).AddHours(1);
    }

    public void Dispose()
    {
        visits.Dispose();
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private Visit Start(DateTimeOffset at)
    {
        var visit = new Visit(Guid.CreateVersion7(), unit.Id, at, "Isolde", "");
        desk.Start(visit);
        return visit;
    }

    private void Log(Visit visit, AsFound fact, FactState state) => desk.Append(
        [new ObservationEntry(new(Guid.CreateVersion7(), visit.Id, visit.StartedAt, visit.StartedAt, "Isolde"), fact, null, state, null)]);

    private VisitCase Open() => new(desk.Load(second.Id)!.Record, BenchList.Of(_ => []), Core.Findings.PlainJudging.Instance);

    private static Timeline Of(VisitCase worked, Visit visit) => worked.AllVisits.First(v => v.Visit.Id == visit.Id).Timeline;

    [Fact]
    public void What_has_not_changed_is_not_worked_out_again()
    {
        var (before, after) = (Open(), Open());
        Assert.Same(Of(before, first), Of(after, first));
        Assert.Same(before.Briefing, after.Briefing);
    }

    [Fact]
    public void An_entry_makes_its_own_visit_anew_and_no_other()
    {
        var before = Open();
        Log(second, AsFound.Door, FactState.Shut);
        var after = Open();
        Assert.NotSame(Of(before, second), Of(after, second));
        Assert.Same(Of(before, first), Of(after, first));
        Assert.Same(before.Briefing, after.Briefing);
    }

    [Fact]
    public void A_late_entry_on_the_first_visit_reaches_what_it_left()
    {
        Assert.Single(Open().Briefing!.NotExplained);
        Log(first, AsFound.Smell, FactState.Burning);
        Assert.Equal(2, Open().Briefing!.NotExplained.Count);
    }

    [Fact]
    public void Another_nameplate_and_other_policies_make_it_anew()
    {
        var before = Open();
        equipment.Save(unit with { EvaporatorFans = 3 }, site, new(Monday, "Isolde", "", Monday.AddYears(-1)));
        var after = Open();
        Assert.Equal(3, Of(after, first).Unit.EvaporatorFans);
        Assert.NotSame(before.Briefing, after.Briefing);
        companies.Save(companies.Get() with { Policies = new(new Dictionary<Core.Visits.Policy, Core.Visits.PolicyChoice>(),
            CallbackDays: 5) });
        Assert.NotSame(after.Briefing, Open().Briefing);
        Assert.Same(Open().Briefing, Open().Briefing);
    }
}
