using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;

namespace KeenEmber.Web.Demo;

/// <summary>Quillmere Market Hall, an invented harbour market: the demo's site, units and visits. Each pattern of the circuit bench can be
/// seen on one of its units.</summary>
/// <remarks>Only temperatures and differences are made up; every pressure is the refrigerant's own at the state described.</remarks>
public sealed class DemoHall(
    CompanyStore companies, EquipmentStore equipment, VisitStore visits, InstrumentStore instruments, CylinderStore cylinders,
    PhotoStore photos, TimeProvider time)
{
    internal const string Isolde = "Isolde Marrin";
    internal const string Tobin = "Tobin Ashgrove";
    internal const string Odile = "Odile Fenn";

    internal static readonly CircuitMakeUp Remote =
        new(EquipmentKind.WalkInCooler, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver);
    internal static readonly CircuitMakeUp PumpDown = Remote with { Parts = CircuitParts.Receiver | CircuitParts.LiquidSolenoid };
    internal static readonly CircuitMakeUp BuiltIn =
        new(EquipmentKind.ReachInCooler, Metering.CapillaryTube, CondenserKind.AirCooledSelfContained, CircuitParts.None);
    private static readonly CircuitMakeUp OnRack = new(EquipmentKind.OpenCase, Metering.ElectronicValve, CondenserKind.Rack,
        CircuitParts.EvaporatorPressureRegulator | CircuitParts.SuctionStop);

    private readonly Site hall = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");

    /// <summary>Fills an empty database; one that has units already is left as it is.</summary>
    public void FillIfEmpty()
    {
        if (equipment.All().Count > 0)
            return;
        companies.Save(
            new("Quillmere cold works", UnitPreference.Metric, new Dictionary<string,
            PointRef> { ["deflector"] = MeasuringPoint.AirLeaving })
        {
            Technicians = [Isolde, Tobin], Currency = "€",
        });
        Instruments();
        Walkins();
        Counters();
        Canteen();
        Cases();
        DemoStories.Tell(this);
        DemoDefrosts.Tell(this);
        DemoSensors.Tell(this);
        DemoElectrical.Tell(this);
        DemoCharge.Tell(this, cylinders);
    }

    internal DateTimeOffset Now => time.GetUtcNow();

    /// <summary>The hall's thermometer and gauges, and a thermometer nobody has checked.</summary>
    internal (Instrument Thermometer, Instrument Gauges, Instrument Unchecked) Bag { get; } = (
        new(Guid.CreateVersion7(), "T-2", QuantityKind.Temperature, 0.3, null),
            new(Guid.CreateVersion7(), "G-1", QuantityKind.Pressure, 0.01, null),
        new(Guid.CreateVersion7(), "T-5", QuantityKind.Temperature, null, null));

    private void Instruments()
    {
        foreach (var meter in new[] { Bag.Thermometer, Bag.Gauges, Bag.Unchecked })
            instruments.Add(meter);
        instruments.Append(
            new(Guid.CreateVersion7(), Bag.Thermometer.Id, Now.AddDays(-3), Tobin, InstrumentCheckKind.IceBath,
            Temperature.FromCelsius(0.1).Kelvin, Temperature.FromCelsius(0).Kelvin));
        instruments.Append(new(Guid.CreateVersion7(), Bag.Gauges.Id, Now.AddDays(-20), Isolde, InstrumentCheckKind.KnownSource, 802, 800));
    }

    /// <summary>A drawn picture, kept as a photo is.</summary>
    internal PhotoEntry Photo(byte[] picture, Guid id, DateTimeOffset at, string author, string caption, Topic topic = Topic.Visit) =>
        photos.Keep(new MemoryStream(picture)) is { } kept
            ? new(new(id, default, at, at, author), kept.Hash, kept.Width, kept.Height, caption, null, topic)
            : throw new InvalidOperationException("A demo picture is no picture.");

    private void Walkins()
    {
        var cold =
            Install("C-1", "Creamery cold room", PumpDown, 3, 2, "R134a", 3.4, "butter and soft cheese",
            "north aisle, behind the creamery");
        var yearly = Visit(cold, 41, Isolde, "Yearly check", new(3.4, 6.1, 4.8), new());
        Settings(
            cold, yearly, SettingStage.AsFound, (PressureSetting.LowCutIn, 1), (PressureSetting.LowCutOut, -14),
            (PressureSetting.HighCutOut, 60));
        var holidays = Visit(cold, 12, Tobin, "Check before the holidays", new(3.1, 5.9, 5.0), new(),
            new(30, 1, m => 5.9 + 4.5 * Math.Exp(-m / 5), m => 5 + 6 * Math.Exp(-m / 5)));
        Append(holidays, 50, (id, at) =>
            new SignOffEntry(
            new(id, default, at, at, Tobin), "", "", "nothing to do; look at the door closer",
            DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime).AddDays(2)));

        var bakery =
            Install("B-2", "Bakery freezer",
            PumpDown with { Kind = EquipmentKind.WalkInFreezer, Parts = PumpDown.Parts | CircuitParts.HeadPressureValve,
            RatedCurrentA = 9.5 },
            -20, 3, "R507A", 4.1, "dough and butter sheets", "bakery, first floor");
        Visit(bakery, 160, Tobin, "Yearly check", new(-19.6, 5.1, 4.6) { CurrentA = 7.8 }, new());
        Visit(bakery, 2, Isolde, "Takes all night to get cold", new(-17.4, 13.9, 16.5, 8, 17, 8.2, 0.9, 2.1, 84) { CurrentA = 4.4 },
            new() { Also = new Dictionary<AsFound, FactState> { [AsFound.SightGlass] = FactState.Bubbles } });

        var fillings = Install("B-1", "Filling cooler", Remote, 3, 2, "R407C", 1.8, "custard and cream", "bakery, ground floor");
        Visit(fillings, 62, Isolde, "Yearly check", new(3.3, 6.0, 5.0), new());
        Visit(fillings, 14, Tobin, "Hisses and falls silent", new(3.6, 6.2, 5.5), new(),
            new(24, 0.5, m => 6.2 + 0.9 * Math.Sin(m * Math.PI / 1.6), m => 6 + 4.2 * Math.Sin(m * Math.PI / 1.6)));

        var ripening =
            Install("C-2", "Creamery ripening room", Remote with { Parts = CircuitParts.Receiver | CircuitParts.FanCyclingControl }, 11, 2,
            "R449A", 2.6, "hard cheese", "creamery, cellar");
        Visit(ripening, 190, Isolde, "Yearly check", new(11.2, 6.2, 5.0, 8, 20), new());
        var frosty =
            Visit(ripening, 3, Tobin, "Warm on frosty mornings", new(11.9, 6.4, 5.6, 8, 4, 17, 4.1, 2.8, 58) { FanCycle = (11.5, 33) },
            new(CondenserFan: FactState.Cycling));
        Settings(
            ripening, frosty, SettingStage.AsFound, (PressureSetting.FanOn, 33), (PressureSetting.FanOff, 11.5),
            (PressureSetting.LowCutIn, 6), (PressureSetting.LowCutOut, -6));
        Settings(ripening, frosty, SettingStage.AsSet, (PressureSetting.FanOff, 24));

        var hallStore =
            Install("D-1", "Hall deep store", Remote with { Kind = EquipmentKind.DriveInFreezer, RatedCurrentA = 22 }, -22, 4, "R452A", 14,
            "pallets for all stalls", "quay side, dock 2", Hazards.ClosedRoom | Hazards.SecondSupply);
        Visit(hallStore, 88, Tobin, "Yearly check", new(-21.6, 5.0, 5.1) { CurrentA = 18 }, new());
        Visit(hallStore, 1, Isolde, "Door stood open during the delivery", new(-17.2, 3.2, 10.5, 9, 22, 14, 5, 2.2, 96) { CurrentA = 21 },
            new());
    }

    private void Counters()
    {
        var oysters =
            Install("Q-1", "Oyster room", Remote with { Condenser = CondenserKind.WaterCooled }, 4, 1, "R134a", 2.0, "live shellfish",
            "fish counter, cellar", Hazards.WetFloor);
        Visit(oysters, 70, Isolde, "Yearly check", new(4.3, 6.1, 5.2, 8, 28, 5), new());
        Visit(oysters, 5, Tobin, "Water bill has doubled", new(4.6, 6.3, 5.0, 8, 29, 14, 5.5, 3, 82), new());

        var fillets =
            Install("F-5", "Fish reach-in freezer",
            BuiltIn with { Kind = EquipmentKind.ReachInFreezer, Metering = Metering.ThermostaticValve }, -20, 1, "R404A", 0.55,
            "smoked fillets", "fish counter, back wall");
        Visit(fillets, 44, Tobin, "Yearly check", new(-19.4, 11.0, 5.0), new());
        Visit(fillets, 8, Isolde, "Slow since the compressor was changed",
            new(-17.8, 21.5, 15.2, 9, 20, 10, 6.5, 2.2, 80) { DrierDropK = 4.2 },
            new() { Also = new Dictionary<AsFound, FactState> { [AsFound.ValveBody] = FactState.Bare } });

        var ice =
            Install("F-7", "Ice merchandiser", BuiltIn with { Kind = EquipmentKind.IceMerchandiser }, -7, 1, "R404A", 0.6, "bagged ice",
            "fish counter, door to the quay");
        Visit(ice, 120, Isolde, "Yearly check", new(-6.8, 11.0, 4.4, 8, 16, 11, 4), new());
        Visit(ice, 27, Tobin, "Bags stick together, then not, then again", new(-5.9, 11.3, 4.7, 8, 17, 11, 4.2), new(28),
            new(48, 1, m => m % 15 >= 9 ? 22 : 11.3, m => m % 15 >= 9 ? 18.5 : 4.7));
    }

    private void Canteen()
    {
        var reachIn = Install("K-4", "Canteen reach-in", BuiltIn, 4, 1, "R290", 0.12, "milk and desserts", "canteen, by the till");
        Visit(reachIn, 90, Tobin, "New gasket fitted", new(4.4, 11.5, 4.9, 8, 23, 11, 4), new());
        Visit(reachIn, 20, Tobin, "Yearly check", new(4.0, 11.2, 5.2, 8, 22, 11.5, 4.2), new());

        var prep =
            Install("K-6", "Canteen prep table", BuiltIn with { Kind = EquipmentKind.PrepTable, Coils = 2 }, 4, 1, "R600a", 0.07,
            "sauces and salads", "canteen, cold line");
        Visit(prep, 33, Tobin, "Rail is warm at noon", new(5.4, 10.8, 5.5, 7, 27, 12, 4) { Box2C = 4.6, Superheat2K = 6 }, new());
        Visit(prep, 15, Isolde, "Somebody has topped it up", new(4.9, 9.2, 3.4, 8, 25, 20, 14.5, 3, 71) { Box2C = 4.3, Superheat2K = 3.6 },
            new());

        var drinks =
            Install("G-1", "Drinks chiller",
            BuiltIn with { Kind = EquipmentKind.GlycolChiller, Metering = Metering.ThermostaticValve, Parts = CircuitParts.Receiver },
            -2, 0, "R134a", 1.1, "glycol for eight taps", "canteen, under the bar");
        Visit(drinks, 50, Isolde, "Yearly check", new(-1.8, 6.0, 4.9, 8, 21), new());
        var slush = Visit(drinks, 6, Tobin, "Slush in the bath, taps foam", new(-2.4, 13.8, 0.9, 6, 21, 9, 5, 1, 52), new());
        Mixture(slush, 36, -19);
    }

    private void Cases()
    {
        var flowers =
            Install("S-1", "Flower stall case",
            BuiltIn with { Kind = EquipmentKind.GlassDoorCase, Metering = Metering.ThermostaticValve, Parts = CircuitParts.Receiver },
            6, 2, "R134a", 0.85, "cut flowers", "flower stall, east door");
        Visit(flowers, 55, Isolde, "Doors fog up", new(6.2, 9.4, 5.0, 8, 20), new());
        Visit(flowers, 4, Isolde, "Compressor is wet and cold", new(6.4, 9.0, 0.6, 2, 19, 11, 5, 3, 46),
            new() { Also = new Dictionary<AsFound,
                FactState> { [AsFound.SuctionLineFrost] = FactState.FrostedBack, [AsFound.CompressorShell] = FactState.Cold } });

        var twoSided =
            Install("S-3", "Bouquet island", Remote with { Kind = EquipmentKind.GlassDoorCase, Coils = 2 }, 5, 2, "R513A", 1.9,
            "bouquets and plants", "flower stall, centre");
        Visit(twoSided, 100, Tobin, "Yearly check", new(5.2, 9.0, 5.0) { Box2C = 5.3 }, new());
        Visit(twoSided, 10, Isolde, "Window side stays warm", new(5.1, 9.4, 5.2) { Box2C = 9.6, Superheat2K = 15.5 },
            new() { Also = new Dictionary<AsFound, FactState> { [AsFound.ValveBody] = FactState.IceBall } });

        var open = Install("C-5", "Creamery open case", OnRack, 3, 4, "R134a", null, "yoghurt", "creamery, front");
        Visit(open, 64, Tobin, "Yearly check", new(3.6, 9.1, 5.2), new());
        Visit(open, 18, Isolde, "One end warm", new(4.3, 9.3, 4.9), new());

        var breads =
            Install("B-4", "Cream cake case", Remote with { Kind = EquipmentKind.GlassDoorCase, RatedCurrentA = 6 }, 4, 2, "R454C", 1.4,
            "cream cakes", "bakery, shop front");
        Visit(breads, 30, Isolde, "Yearly check", new(4.2, 8.8, 5.1) { CurrentA = 4.6 }, new());
        Visit(breads, 11, Tobin, "Clicks all day long", new(6.1, 15.5, 17, 9, 21, 7.5, 0.6, 1.6, 112) { CurrentA = 3.1 },
            new() { Also = new Dictionary<AsFound, FactState> { [AsFound.LowPressureControl] = FactState.Chattering } });
    }

    internal Equipment Install(
        string tag, string name, CircuitMakeUp makeUp, double targetC, int fans, string refrigerant, double? chargeKg, string product,
        string location, Hazards hazards = Hazards.None)
    {
        var unit =
            new Equipment(Guid.CreateVersion7(), hall.Id, tag, name, makeUp.Kind, Temperature.FromCelsius(targetC), fans, product, location,
            new(Guid.CreateVersion7(), refrigerant, chargeKg, makeUp.Metering, makeUp.Condenser, makeUp.Parts, "")
            {
                Coils = makeUp.Coils, RatedCurrentA = makeUp.RatedCurrentA,
                ColdestAmbient = makeUp.Condenser == CondenserKind.AirCooledRemote ? Temperature.FromCelsius(-8) : null,
            })
        {
            Hazards = hazards,
        };
        equipment.Save(unit, hall, new(EntryBounds.Earliest, "", ""));
        return unit;
    }

    internal Visit Visit(
        Equipment unit, double daysAgo, string author, string complaint, DemoState state, DemoSeen seen, DemoTrend? trend = null,
        Urgency urgency = Urgency.Routine, string stock = "")
    {
        var visit = Begin(unit, daysAgo, author, complaint, urgency, stock);
        visits.Append([.. DemoVisit.Entries(visit, unit, hall, state, seen, trend)]);
        return visit;
    }

    /// <summary>A visit on which nothing was read in the round: the unit stood.</summary>
    internal Visit Begin(
        Equipment unit, double daysAgo, string author, string complaint, Urgency urgency = Urgency.Routine, string stock = "")
    {
        var start = time.GetUtcNow() - TimeSpan.FromDays(daysAgo);
        var visit = new Visit(Guid.CreateVersion7(start), unit.Id, start, author, complaint, urgency, stock);
        visits.Start(visit);
        return visit;
    }

    /// <summary>Pressure settings of a visit, given as the temperatures they stand for.</summary>
    private void Settings(Equipment unit, Visit visit, SettingStage stage, params (PressureSetting Setting, double Celsius)[] settings)
    {
        var at = visit.StartedAt + TimeSpan.FromMinutes(stage == SettingStage.AsFound ? 22 : 31);
        visits.Append(
            [.. settings.Select(s => new SettingEntry(new(Guid.CreateVersion7(at), visit.Id, at, at, visit.Author), s.Setting, stage,
            new(Math.Round(
                s.Setting.AsPressure(unit.Circuit.Refrigerant!, Temperature.FromCelsius(s.Celsius))!.Value.GaugeKpa(hall.Atmosphere) / 100,
                2), Unit.Bar)))]);
    }

    /// <summary>Further entries of a visit, one a minute from a minute of it.</summary>
    internal void AppendAll(IReadOnlyList<Entry> entries) => visits.Append(entries);

    internal void Append(Visit visit, int minute, params Func<Guid, DateTimeOffset, Entry>[] entries) =>
        visits.Append([.. entries.Select((make, i) =>
        {
            var at = visit.StartedAt + TimeSpan.FromMinutes(minute + i);
            var entry = make(Guid.CreateVersion7(at), at);
            return entry with { Header = entry.Header with { VisitId = visit.Id } };
        })]);

    /// <summary>From a minute on, readings are taken with this meter.</summary>
    internal void Instrument(Visit visit, int minute, Instrument meter) =>
        Append(visit, minute, (id, at) =>
        new InstrumentEntry(new(id, default, at, at, visit.Author), meter.Measures, new(meter.Id, meter.Name, meter.Accuracy, true)));

    private void Mixture(Visit visit, double percent, double surfaceC)
    {
        var at = visit.StartedAt + TimeSpan.FromMinutes(25);
        visits.Append(
            [new GlycolEntry(
            new(Guid.CreateVersion7(at), visit.Id, at, at, visit.Author), GlycolKind.Propylene, new(percent, Unit.Percent),
            new(surfaceC, Unit.Celsius))]);
    }
}
