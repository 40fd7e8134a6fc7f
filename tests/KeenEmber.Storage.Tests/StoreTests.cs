using KeenEmber.Storage.Gear;
using Dapper;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Written;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Tests;

public sealed class StoreTests : IDisposable
{
    private static readonly SavedBy Today = new(new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero), "Isolde Marrin", "");

    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, 123, TimeSpan.Zero);

    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;
    private readonly Site site = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");
    private readonly Equipment unit;
    private readonly Visit visit;

    public StoreTests()
    {
        var database = new Database(folder);
        database.Migrate();
        unit = new(
            Guid.CreateVersion7(), site.Id, "F-3", "Fish counter freezer", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 2,
            "fillets", "lower floor",
            new(Guid.CreateVersion7(), "R404A", 2.9, Metering.ThermostaticValve, CondenserKind.AirCooledRemote,
                CircuitParts.Receiver | CircuitParts.LiquidSolenoid, "0.55 kW") { Coils = 2, RatedCurrentA = 6.2,
                    ColdestAmbient = Temperature.FromCelsius(-12) });
        Assert.True(new EquipmentStore(database).Save(unit, site, Today));
        visit = new(Guid.CreateVersion7(), unit.Id, Start, "Isolde Marrin", "Soft product");
        new VisitStore(database, EntryKinds.House).Start(visit);
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    /// <summary>A store on the same file as a new process would have it.</summary>
    private VisitStore Visits => new(new Database(folder), EntryKinds.House);

    private EquipmentStore Units => new(new Database(folder));

    private ReadingEntry Reading(double number, Unit inUnit, MeasuringPoint point = MeasuringPoint.SuctionPressure) =>
        new(new(Guid.CreateVersion7(), visit.Id, Start.AddMinutes(4), Start.AddMinutes(5), "Isolde Marrin"), point, new(number, inUnit));

    [Fact]
    public void A_defrost_set_up_comes_back_with_its_heaters_and_times()
    {
        var setUp =
            new DefrostSetUp(
            DefrostKind.Electric, DefrostStart.Board, TerminationKind.Probe, "top left", new(46, Unit.Fahrenheit), null, null, 35, 2.5,
            new(-4, Unit.Celsius),
            HeaterConnection.Star, [new(1200, 230), new(1200, 230), new(1200, 230)], 34, [new(6, 0), new(18, 30)]);
        Visits.Append([new DefrostSetUpEntry(new(Guid.CreateVersion7(), visit.Id, Start, Start, "Isolde Marrin"), setUp)]);
        var kept = Assert.IsType<DefrostSetUpEntry>(Visits.EntriesOfEquipment(unit.Id)[visit.Id].Single()).SetUp;
        Assert.Equal(setUp.Heaters!, kept.Heaters!);
        Assert.Equal(setUp.Starts!, kept.Starts!);
        Assert.Equal(setUp with { Heaters = null, Starts = null }, kept with { Heaters = null, Starts = null });
        using var db = new Database(folder).Open();
        Assert.DoesNotContain(
            "ratedKw", db.QuerySingle<string>("SELECT body FROM entry WHERE kind = 'defrost-set-up'"), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void A_sensors_own_points_and_a_response_come_back()
    {
        var spec = new CurveSpec(Points: [new(4, 0), new(20, 3000)], Signal: SignalKind.Milliampere, Measures: QuantityKind.Pressure);
        Visits.Append(
            [new SensorEntry(
            new(Guid.CreateVersion7(), visit.Id, Start, Start, "Isolde Marrin"), "suction", SensorRole.SuctionPressure, spec, "", "P1",
            null),
            new ResponseEntry(
                new(Guid.CreateVersion7(), visit.Id, Start.AddMinutes(1), Start, "Isolde Marrin"), "coil", new(2, Unit.Celsius),
                new(34, Unit.Celsius), [new(10, new(12.5, Unit.Celsius))])]);
        var kept = Visits.EntriesOfEquipment(unit.Id)[visit.Id].ToList();
        var curve = Assert.Single(kept.OfType<SensorEntry>()).Curve;
        Assert.Equal(spec.Points!, curve.Points!);
        Assert.Equal(spec with { Points = null }, curve with { Points = null });
        Assert.Equal(new ResponseSample(10, new(12.5, Unit.Celsius)), Assert.Single(Assert.Single(kept.OfType<ResponseEntry>()).Samples));
    }

    [Fact]
    public void Every_kind_of_entry_comes_back_as_it_was_put_in()
    {
        var entries = EveryKind.Of(visit.Id);
        Visits.Append(entries);
        Assert.Equal(entries.ToHashSet(), Visits.EntriesOfEquipment(unit.Id, visit.Id)[visit.Id].ToHashSet());
    }

    [Fact]
    public void Every_unit_of_measure_is_kept_as_typed()
    {
        var entries = Unit.All.Select(u => Reading(1.25, u)).ToList();
        Visits.Append(entries);
        Assert.Equal(entries.ToHashSet<Entry>(), Visits.EntriesOfEquipment(unit.Id, visit.Id)[visit.Id].ToHashSet());
    }

    private static ReadingEntry Moved(ReadingEntry reading, Func<EntryHeader, EntryHeader> header) =>
        reading with { Header = header(reading.Header) };

    [Fact]
    public void Sent_twice_is_stored_once()
    {
        var reading = Reading(21, Unit.Psi);
        Visits.Append([reading]);
        Visits.Append(
            [reading with { Header = reading.Header with { At = reading.At.AddSeconds(3), WrittenAt = reading.WrittenAt.AddSeconds(3) } }]);
        Assert.Single(Visits.EntriesOfEquipment(unit.Id, visit.Id)[visit.Id]);
    }

    [Fact]
    public void The_same_id_with_another_value_is_kept_under_another_and_the_others_are_not_kept_twice()
    {
        var (first, other) = (Reading(21, Unit.Psi), Reading(8, Unit.Psi));
        Visits.Append([first, other]);
        Visits.Append([first with { Value = new(22, Unit.Psi) }, other]);
        var kept = Visits.EntriesOfEquipment(unit.Id, visit.Id)[visit.Id].Cast<ReadingEntry>().ToList();
        Assert.Equal([21, 8, 22], kept.Select(r => r.Value.Number));
        Assert.Equal(3, kept.Select(r => r.Id).Distinct().Count());
    }

    /// <summary>An old page sent again with other marks: what names the run that got a new id names the new one.</summary>
    [Fact]
    public void References_among_a_batch_follow_an_id_that_was_taken()
    {
        var run = Guid.CreateVersion7();
        Entry[] Batch(RunOrigin origin) =>
            [new RunEntry(new(run, visit.Id, Start, Start, "Isolde"), origin),
            new RunMarkEntry(new(EntryId.OfLine(run, 1), visit.Id, Start, Start, "Isolde"), run, RunMarkKind.HeatOn)];
        Visits.Append(Batch(RunOrigin.Watched));
        Visits.Append(Batch(RunOrigin.TypedIn));
        var kept = Visits.EntriesOfEquipment(unit.Id, visit.Id)[visit.Id];
        Assert.Equal(kept.OfType<RunEntry>().Select(r => r.Id).Order(), kept.OfType<RunMarkEntry>().Select(m => m.Run).Order());
        Assert.Equal(4, kept.Count);
    }

    [Fact]
    public void An_entry_can_be_neither_changed_nor_deleted()
    {
        Visits.Append([Reading(21, Unit.Psi)]);
        using var db = new Database(folder).Open();
        Assert.Throws<SqliteException>(() => db.Execute("UPDATE entry SET body = '{}'"));
        Assert.Throws<SqliteException>(() => db.Execute("DELETE FROM entry"));
    }

    [Fact]
    public void An_entry_of_an_unknown_visit_is_refused_whole()
    {
        Assert.Throws<SqliteException>(
            () => Visits.Append([Reading(21, Unit.Psi), Moved(Reading(22, Unit.Psi), h => h with { VisitId = Guid.CreateVersion7() })]));
        Assert.Empty(Visits.EntriesOfEquipment(unit.Id, visit.Id)[visit.Id]);
    }

    [Fact]
    public void The_file_is_written_so_that_a_commit_survives_a_pulled_plug()
    {
        using var db = new Database(folder).Open();
        Assert.Equal("wal", db.ExecuteScalar<string>("PRAGMA journal_mode"));
        Assert.Equal(2, db.ExecuteScalar<int>("PRAGMA synchronous"));
        Assert.Equal(1, db.ExecuteScalar<int>("PRAGMA foreign_keys"));
    }

    [Fact]
    public void A_unit_comes_back_with_its_site_and_circuit()
    {
        Assert.Equal((unit, site), Units.Find(unit.Id));
        Assert.Equal([unit], Units.All());
        Assert.Null(Units.Find(Guid.CreateVersion7()));
    }

    [Fact]
    public void A_unit_is_changed_in_place_and_a_tag_is_used_once_a_site()
    {
        var renamed = unit with { Name = "Fillet freezer", Circuit = unit.Circuit with { ChargeKg = null, RefrigerantName = "R507A" } };
        Assert.True(Units.Save(renamed, site, Today));
        Assert.Equal([renamed], Units.All());

        var second = unit with { Id = Guid.CreateVersion7(), Circuit = unit.Circuit with { Id = Guid.CreateVersion7() } };
        Assert.False(Units.Save(second, site with { ElevationM = 900 }, Today));
        Assert.Equal(site, Assert.Single(Units.Sites()));
    }

    [Fact]
    public void Visits_come_latest_first_and_the_latest_of_each_unit_alone()
    {
        var later = new Visit(Guid.CreateVersion7(), unit.Id, Start.AddDays(6), "Tobin Ashgrove", "");
        Visits.Start(later);
        Visits.Start(later);
        Visits.Append([Reading(21, Unit.Psi), Moved(Reading(9, Unit.Psi), h => h with { VisitId = later.Id })]);
        Assert.Equal([later, visit], Visits.OfEquipment(unit.Id));
        Assert.Equal(new Dictionary<Guid, int> { [visit.Id] = 1, [later.Id] = 1 }, Visits.CountsOfEquipment(unit.Id));
        Assert.Equal(visit, Visits.Find(visit.Id));
        Assert.Null(Visits.Find(Guid.CreateVersion7()));
    }

    [Fact]
    public void The_shop_is_metric_until_it_says_otherwise()
    {
        var companies = new CompanyStore(new Database(folder));
        Assert.Equal(UnitPreference.Metric, companies.Get().Units);
        companies.Save(
            new("Quillmere cold works", UnitPreference.Us, new Dictionary<string,
            PointRef> { ["top sensor"] = MeasuringPoint.BoxAir }));
        companies.Save(companies.Get() with { Name = "Harbour cold works" });
        var company = new CompanyStore(new Database(folder)).Get();
        Assert.Equal(("Harbour cold works", UnitPreference.Us), (company.Name, company.Units));
        Assert.Equal(MeasuringPoint.BoxAir, company.Words["top sensor"]);
    }

    [Fact]
    public void Of_a_visit_not_asked_for_in_full_the_last_reading_of_each_point_comes_and_what_was_corrected()
    {
        var first = Reading(20, Unit.Psi);
        var second = Moved(Reading(21, Unit.Psi), h => h with { At = Start.AddMinutes(6) });
        var struck = Moved(Reading(99, Unit.Psi), h => h with { At = Start.AddMinutes(8) });
        var wrong = Reading(-3, Unit.Celsius, MeasuringPoint.BoxAir);
        var right =
            wrong with { Header = wrong.Header with { Id = Guid.CreateVersion7(), Corrects = wrong.Id }, Value = new(-13, Unit.Celsius) };
        var note = new NoteEntry(new(Guid.CreateVersion7(), visit.Id, Start, Start, "Isolde Marrin"), "oil");
        var strike = new WithdrawalEntry(new(Guid.CreateVersion7(), visit.Id, struck.At, Start.AddMinutes(9), "Isolde Marrin", struck.Id));
        Visits.Append([first, second, struck, wrong, right, note, strike]);
        Assert.Equal(
            new HashSet<Entry> { second, struck, wrong, right, note, strike }, Visits.EntriesOfEquipment(unit.Id)[visit.Id].ToHashSet());
        Assert.Equal(7, Visits.EntriesOfEquipment(unit.Id, visit.Id)[visit.Id].Count);
    }

    [Fact]
    public void What_was_read_is_read_again_only_where_something_was_added()
    {
        var other = visit with { Id = Guid.CreateVersion7(), StartedAt = Start.AddDays(1) };
        Visits.Start(other);
        var mine = Visits;
        mine.Append([Reading(20, Unit.Psi), Moved(Reading(21, Unit.Psi), h => h with { VisitId = other.Id })]);
        var before = mine.EntriesOfEquipment(unit.Id, visit.Id);
        Visits.Append([Reading(22, Unit.Psi)]);
        var after = mine.EntriesOfEquipment(unit.Id, visit.Id);
        Assert.Equal((1, 2), (before[visit.Id].Count, after[visit.Id].Count));
        Assert.Same(before[other.Id], after[other.Id]);
        Assert.Single(mine.EntriesOfEquipment(unit.Id)[visit.Id]);
    }

    [Fact]
    public void A_visit_keeps_its_intake_and_a_unit_its_hazards()
    {
        var urgent =
            new Visit(Guid.CreateVersion7(), unit.Id, Start.AddDays(1), "Tobin", "Warm", Urgency.AtOnce, "all the fillets", "before noon");
        Visits.Start(urgent);
        Assert.Equal(urgent, Visits.Find(urgent.Id));
        Assert.True(Units.Save(unit with { Hazards = Hazards.SecondSupply | Hazards.Height }, site, Today));
        Assert.Equal(Hazards.SecondSupply | Hazards.Height, Units.Find(unit.Id)!.Value.Equipment.Hazards);
    }

    [Fact]
    public void Policies_are_read_by_the_names_they_were_first_written_with()
    {
        var database = new Database(folder);
        var companies = new CompanyStore(database);
        companies.Save(companies.Get());
        using (var db = database.Open())
            db.Execute("""UPDATE shop SET policies = '{"choices":{},"callbackDays":5,"meterCheckDays":77}'""");
        Assert.Equal((5, 77), (companies.Get().Policies.CallbackDays, companies.Get().Policies.InstrumentCheckDays));
    }

    [Fact]
    public void The_company_keeps_its_people_and_policies()
    {
        var companies = new CompanyStore(new Database(folder));
        Assert.Equal(30, companies.Get().Policies.CallbackDays);
        companies.Save(companies.Get() with
        {
            Technicians = ["Isolde Marrin"], Currency = "€",
                Policies = new(new Dictionary<Policy, PolicyChoice> { [Policy.Gauges] = PolicyChoice.GaugesOnEveryCall }, 14, 60),
        });
        var company = new CompanyStore(new Database(folder)).Get();
        Assert.Equal(
            (14, 60, PolicyChoice.GaugesOnEveryCall),
            (company.Policies.CallbackDays, company.Policies.InstrumentCheckDays, company.Policies.Of(Policy.Gauges)));
        Assert.Equal(("Isolde Marrin", "€"), (Assert.Single(company.Technicians), company.Currency));
    }

    [Fact]
    public void A_meter_shows_its_last_check_until_it_is_taken_off_the_list()
    {
        var store = new InstrumentStore(new Database(folder));
        var meter = new Instrument(Guid.CreateVersion7(), "T-2", QuantityKind.Temperature, 0.3, null);
        Assert.True(store.Add(meter));
        Assert.True(store.Add(meter));
        Assert.False(store.Add(meter with { Name = "T-3" }));
        Assert.Equal(meter, Assert.Single(store.All()));
        var late = new InstrumentCheck(Guid.CreateVersion7(), meter.Id, Start.AddDays(2), "Tobin", InstrumentCheckKind.IceBath, 273.2,
            273.15);
        store.Append(late);
        store.Append(late);
        store.Append(late with { Id = Guid.CreateVersion7(), At = Start, Shown = 280 });
        Assert.Equal(late, Assert.Single(store.All()).LastCheck);
        store.Retire(meter.Id);
        Assert.Empty(store.All());
    }
}
