using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Web.Demo;

/// <summary>Three stories of the hall over several visits: what one visit leaves, the next one finds.</summary>
internal static class DemoStories
{
    private const string Isolde = DemoHall.Isolde;
    private const string Tobin = DemoHall.Tobin;

    public static void Tell(DemoHall hall)
    {
        TheJumper(hall);
        TheThirdRelay(hall);
        TheLoudRoof(hall);
    }

    /// <summary>F-3: a jumper left in for a pull-down; the callback finds ice, the jumper and the torn gasket.</summary>
    private static void TheJumper(DemoHall hall)
    {
        var fish =
            hall.Install(
            "F-3", "Fish counter freezer", DemoHall.PumpDown with { Kind = EquipmentKind.WalkInFreezer }, -20, 2, "R448A", 2.9, "fillets",
            "fish counter, lower floor", Hazards.SecondSupply | Hazards.HotHeaters);
        hall.Visit(fish, 80, Tobin, "Yearly check", new(-19.6, 5.1, 5.2), new());
        var soft = hall.Visit(fish, 6, Isolde, "Soft product on the top shelf", new(-18.6, 5.2, 5.4), new());
        hall.Append(soft, 26,
            (id, at) =>
                new ChangeEntry(
                new(id, default, at, at, Isolde), "fan delay switch", "open at -3 °C", "bridged for the pull-down", "", OpenItemKind.Jumper,
                false, WorkArea.LimitSwitch),
            (id, at) =>
                new PartEntry(
                new(id, default, at, at, Isolde), "fan motor", "right", "seized, wet bearing", "9 W motor of the same plate", "", false,
                WorkArea.Fans, new(ComponentKind.EvaporatorFan, 2)),
            (id, at) =>
                new ChangeEntry(
                new(id, default, at, at, Isolde), "drain heater", "", "ordered", "", OpenItemKind.PartOnOrder, false, WorkArea.Defrost),
            (id, at) =>
                hall.Photo(
                DemoPhoto.Terminals(), id, at, Isolde, "terminals before the motor came off: 3 heater, 4 fans, 5 delay", Topic.Wiring),
            (id, at) =>
                new SignOffEntry(
                new(id, default, at, at, Isolde), "", "no soft product while I was here", "new drain heater, look at the door gasket",
                null));
        var again =
            hall.Visit(
            fish, 0.02, Tobin, "Soft product on the top shelf, again", new(-13.2, 12.5, 0.8, 4, 17, 8.5, 6.2, 1.1, 55),
            new(38, FactState.Iced, FactState.Stopped),
            urgency: Urgency.Today, stock: "two days of fillets");
        hall.Append(again, 1,
            (id, at) => new HazardsEntry(new(id, default, at, at, Tobin), fish.AllHazards()),
            (id, at) =>
                new InstrumentEntry(
                new(id, default, at, at, Tobin), QuantityKind.Temperature,
                new(hall.Bag.Thermometer.Id, hall.Bag.Thermometer.Name, hall.Bag.Thermometer.Accuracy, true)),
            (id, at) =>
                new InstrumentEntry(
                new(id, default, at, at, Tobin), QuantityKind.Pressure,
                new(hall.Bag.Gauges.Id, hall.Bag.Gauges.Name, hall.Bag.Gauges.Accuracy, true)));
        hall.Append(again, 20,
            (id, at) => new ReadingEntry(new(id, default, at, at, Tobin), MeasuringPoint.BoxDisplay, new(-15.5, Unit.Celsius)),
            (id, at) => new ReadingEntry(new(id, default, at, at, Tobin), MeasuringPoint.Product, new(-11.8, Unit.Celsius)),
            (id, at) => new ObservationEntry(new(id, default, at, at, Tobin), AsFound.Gasket, null, FactState.Torn, null),
            (id, at) => new ObservationEntry(new(id, default, at, at, Tobin), AsFound.Drain, null, FactState.Iced, null),
            (id, at) => new NoteEntry(new(id, default, at, at, Tobin), "water frozen in the drain pan, gasket torn at the lower hinge"),
            (id, at) => new FrostEntry(new(id, default, at, at, Tobin), false, new("000022000022100022222222", "00211")),
            (id, at) => hall.Photo(DemoPhoto.IcedCoil(), id, at, Tobin, "coil as found, iced behind the right fan"));
    }

    /// <summary>K-8: a start relay, a relay and refrigerant, and at last the compressor that killed them.</summary>
    private static void TheThirdRelay(DemoHall hall)
    {
        var bottles =
            hall.Install(
            "K-8", "Bottle cooler", DemoHall.BuiltIn with { Kind = EquipmentKind.BottleCooler, RatedCurrentA = 3.2 }, 5, 1, "R134a", 0.22,
            "drinks", "canteen, counter");
        var yearly = hall.Visit(bottles, 60, Tobin, "Yearly check", new(5.2, 10.5, 5.5, 8, 22, 11, 4) { CurrentA = 2.4 }, new());
        hall.Append(
            yearly, 25, (id, at) =>
            new PartEntry(
            new(id, default, at, at, Tobin), "", "", "rattles", "same type", "", false, WorkArea.StartParts,
            new(ComponentKind.StartRelay)));
        var warm = hall.Visit(bottles, 25, Tobin, "Warm again", new(6.1, 9.6, 5.9, 8, 22, 10, 4) { CurrentA = 2.1 }, new());
        hall.Append(warm, 25,
            (id, at) =>
                new PartEntry(
                new(id, default, at, at, Tobin), "", "", "burnt", "solid-state relay", "", false, WorkArea.StartParts,
                new(ComponentKind.StartRelay)),
            (id, at) => new RefrigerantEntry(new(id, default, at, at, Tobin), "R134a", 0.03, "cylinder 2", "weighed in after the relay"),
            (id, at) => new SignOffEntry(new(id, default, at, at, Tobin), "burnt start relay", "", "", null));
        var daily = hall.Visit(bottles, 7, Isolde, "Runs day and night", new(12.4, 3.8, 7.5, 6, 22, 3, 4, 1, 49) { CurrentA = 1.3 },
            new() { Also = new Dictionary<AsFound, FactState> { [AsFound.CompressorShell] = FactState.Hot } });
        hall.Append(daily, 25,
            (id, at) => new NoteEntry(new(id, default, at, at, Isolde), "equal pressures after two minutes off, shell too hot to touch"),
            (id, at) =>
                new RecommendationEntry(
                new(id, default, at, at, Isolde), "compressor does not pump", "new compressor, drier and start parts as a kit",
                "compressor kit, drier", 4, 620, 780, RecommendationUrgency.Quote),
            (id, at) =>
                new RecommendationEntry(
                new(id, default, at, at, Isolde), "compressor does not pump", "replace the whole cooler", "", 1, 1100, 1400,
                RecommendationUrgency.Quote),
            (id, at) =>
                new SignOffEntry(
                new(id, default, at, at, Isolde), "compressor valves: it turns and hardly pumps", "", "", null,
                "two relays in two months hid it", "drinks warm, nothing spoiled",
                CircuitPatterns.NotPumping));
    }

    /// <summary>K-1: a dirty condenser on the roof, cleaned, proved a week later, signed by the canteen.</summary>
    private static void TheLoudRoof(DemoHall hall)
    {
        var canteen =
            hall.Install(
            "K-1", "Canteen walk-in", DemoHall.Remote with { RatedCurrentA = 8.5 }, 3, 1, "R407C", 2.2, "prepared meals",
            "canteen kitchen", Hazards.Height);
        hall.Visit(canteen, 75, Isolde, "Yearly check", new(3.2, 6.0, 5.1, 8, 21, 13) { CurrentA = 6.1 }, new());
        var loud =
            hall.Visit(
            canteen, 9, Tobin, "Loud on the roof", new(4.1, 6.4, 5.5, 8, 24, 23.5, 5.2, 3, 92) { CurrentA = 8.1 },
            new(Condenser: FactState.Dirty));
        hall.Append(loud, 30,
            (id, at) => new ObservationEntry(new(id, default, at, at, Tobin), AsFound.CondenserFace, null, FactState.Clean, null),
            (id, at) =>
                new ChangeEntry(
                new(id, default, at, at, Tobin), "condenser face", "packed with grease", "washed with the fins", "", null, false,
                WorkArea.Circuit),
            (id, at) => new ReadingEntry(new(id, default, at, at, Tobin), MeasuringPoint.BoxAir, new(3.6, Unit.Celsius)),
            (id, at) =>
                new RecommendationEntry(
                new(id, default, at, at, Tobin), "grease on the condenser", "wash it every quarter", "", 1, 90, 120,
                RecommendationUrgency.Watch),
            (id, at) =>
                new RecommendationEntry(
                new(id, default, at, at, Tobin), "grease on the condenser", "move the kitchen's exhaust away from it", "duct, two bends",
                6, 900, 1300, RecommendationUrgency.Quote),
            (id, at) =>
                new SignOffEntry(
                new(id, default, at, at, Tobin), "condenser packed with grease", "", "",
                DateOnly.FromDateTime(hall.Now.UtcDateTime.AddDays(-2)), "the kitchen's exhaust blows at it",
                "compressor ran near its plate's current",
                CircuitPatterns.HighHead));
        var proved = hall.Visit(canteen, 2, Tobin, "Look again after the wash", new(3.1, 6.1, 5.2, 8, 20, 13) { CurrentA = 6.0 }, new());
        hall.Append(proved, 25,
            (id, at) => new ProofEntry(new(id, default, at, at, Tobin), ProofKind.CutOutReached, "off at 2.2 °C by the clock on the wall"),
            (id, at) =>
                new SignOffEntry(
                new(id, default, at, at, Tobin), "condenser packed with grease, washed on the visit before", "no noise any more", "", null),
            (id, at) =>
                new SignatureEntry(
                new(id, default, at, at, Tobin), "Maren Oakhurst, canteen",
                "60,140;70,60;90,120;110,60;120,140 150,130;165,105;185,105;190,135;160,138 215,135;220,100;225,118;250,98 "
                + "265,120;290,112;280,98;262,112;275,138;305,128"));
    }
}
