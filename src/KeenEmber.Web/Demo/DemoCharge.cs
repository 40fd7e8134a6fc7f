using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Storage.Gear;

namespace KeenEmber.Web.Demo;

/// <summary>Units on which scale, vacuum gauge and thermometer told: a leaking cap, a wet circuit, a winter to come, a box left alone, a
/// door that eats a third.</summary>
internal static class DemoCharge
{
    private const string Tobin = DemoHall.Tobin, Isolde = DemoHall.Isolde;

    public static void Tell(DemoHall hall, CylinderStore cylinders)
    {
        Cylinders(cylinders);
        TheLooseCap(hall);
        TheWetCircuit(hall);
        TheWinterCharge(hall);
        TheBoxLeftAlone(hall);
    }

    private static void Cylinders(CylinderStore cylinders)
    {
        foreach (var (label, kind, refrigerant, tare, water, content) in new[]
        {
            ("N-1", CylinderKind.Supply, "R134a", 5.9, 14.0, 12.0), ("N-2", CylinderKind.Supply, "R448A", 6.1, 13.0, 10.0),
            ("W-1", CylinderKind.Recovery, "R134a", 11.2, 26.2, 1.4), ("W-2", CylinderKind.Recovery, "R448A", 11.4, 26.2, 0.0),
        })
            cylinders.Add(new(Guid.CreateVersion7(), label, kind, refrigerant, tare, water, content));
    }

    private static Func<Guid, DateTimeOffset, Entry> Vacuum(VacuumStep step, double? pa, double? litres = null, double? coldestC = null) =>
        (id, at) => new VacuumEntry(new(id, default, at, at, Tobin), step, pa is { } p ? new(p, Unit.Pascal) : null,
            litres is { } l ? new(l, Unit.Litre) : null, coldestC is { } c ? new(c, Unit.Celsius) : null);

    private static Func<Guid, DateTimeOffset, Entry> Read(string author, MeasuringPoint point, double celsius) =>
        (id, at) => new ReadingEntry(new(id, default, at, at, author), point, new(celsius, Unit.Celsius));

    private static Func<Guid, DateTimeOffset, Entry> Signed(string author, string root, string explained, string contributing = "") =>
        (id, at) => new SignOffEntry(new(id, default, at, at, author), root, "", "", null, contributing, Explained: explained);

    /// <summary>K-2: a bottle cooler that lost its charge at a loose cap; proved tight, dry, and weighed in to the gram.</summary>
    private static void TheLooseCap(DemoHall hall)
    {
        var unit = hall.Install("K-2", "Canteen salad cooler", DemoHall.BuiltIn, 4, 1, "R134a", 0.21, "salads", "canteen, servery");
        hall.Visit(unit, 118, Isolde, "Yearly check", new(4.2, 10.4, 5.6, 8, 22, 11, 4), new());
        var visit = hall.Visit(unit, 21, Tobin, "Hardly cools", new(11.8, 18.5, 14, 6, 22, 5, 0.5, 1, 58), new());
        hall.Append(visit, 14,
            (id, at) => new LeakEntry(new(id, default, at, at, Tobin), LeakPlace.ProcessTube, "cap of the access fitting",
                LeakMethod.Bubbles, LeakResult.Leaks, HasOil: true),
            (id, at) => new RefrigerantEntry(new(id, default, at, at, Tobin), "R134a", -0.09, "W-1", "to repair the leak"));
        hall.Append(visit, 30,
            (id, at) => new LeakEntry(new(id, default, at, at, Tobin), LeakPlace.ProcessTube, "cap of the access fitting",
                LeakMethod.Bubbles, LeakResult.Repaired, How: "core and cap replaced"),
            (id, at) => new PressureTestEntry(new(id, default, at, at, Tobin), true, new(10, Unit.Bar), new(21.5, Unit.Celsius),
                new(3, Unit.Litre)));
        hall.Append(visit, 62,
            (id, at) => new PressureTestEntry(new(id, default, at, at, Tobin), false, new(9.98, Unit.Bar), new(21.2, Unit.Celsius)),
            Vacuum(VacuumStep.PumpOn, null, 3, 21));
        foreach (var (minute, pa) in new[] { (70, 900.0), (78, 240), (88, 84), (96, 52) })
            hall.Append(visit, minute, Vacuum(VacuumStep.Reading, pa));
        hall.Append(visit, 97, Vacuum(VacuumStep.Isolated, 52));
        foreach (var (minute, pa) in new[] { (99, 55.0), (102, 58), (106, 60), (112, 62), (118, 62), (127, 63) })
            hall.Append(visit, minute, Vacuum(VacuumStep.Reading, pa));
        Weigh(hall, visit, 130, "N-1", "R134a", 17.86, 0.21, [17.78, 17.69, 17.65], 0.21);
        hall.Append(visit, 150, Read(Tobin, MeasuringPoint.BoxAir, 9.6));
        hall.Append(visit, 175, Read(Tobin, MeasuringPoint.BoxAir, 5.2),
            Signed(Tobin, "access fitting leaked at its cap", "charge.leak-found circuit.short-of-charge circuit.nearly-empty"));
    }

    /// <summary>A cylinder on the scale until its target, and the row of the ledger it comes to.</summary>
    private static void Weigh(
        DemoHall hall, Visit visit, int minute, string cylinder, string refrigerant, double startKg, double targetKg, double[] weights,
        double chargedKg)
    {
        var session = Guid.CreateVersion7(visit.StartedAt + TimeSpan.FromMinutes(minute));
        hall.Append(visit, minute, (_, at) => new ScaleStartEntry(new(session, default, at, at, Tobin), cylinder, refrigerant, false,
            ChargePort.ProcessTube, Phase.Liquid, new(startKg, Unit.Kilogram), targetKg, 1.5, 0.005, HosesAtEnd.Empty, 5.9, 14,
            "weighed in"));
        hall.Append(visit, minute + 2, [.. weights.Select(w => (Func<Guid, DateTimeOffset, Entry>)((id, at) =>
            new ScaleWeightEntry(new(id, default, at, at, Tobin), session, new(w, Unit.Kilogram))))]);
        hall.Append(visit, minute + 8, (id, at) =>
            new RefrigerantEntry(new(id, default, at, at, Tobin), refrigerant, chargedKg, cylinder, "weighed in", 0, session));
    }

    /// <summary>C-4: opened for a compressor, pumped overnight; the rise levels off where water boils, and is dry on the second
    /// try.</summary>
    private static void TheWetCircuit(DemoHall hall)
    {
        var unit = hall.Install("C-4", "Creamery whey room", DemoHall.PumpDown, 6, 2, "R134a", 2.8, "whey and rennet", "creamery, cellar");
        hall.Visit(unit, 96, Isolde, "Yearly check", new(6.1, 6.0, 5.0), new());
        var visit = hall.Begin(unit, 4, Tobin, "Evacuate after the compressor was replaced");
        hall.Append(visit, 3, Vacuum(VacuumStep.PumpOn, null, 14, 16));
        foreach (var (minute, pa) in new[] { (20, 3100.0), (45, 2150), (80, 1980), (120, 1940) })
            hall.Append(visit, minute, Vacuum(VacuumStep.Reading, pa));
        hall.Append(visit, 121, Vacuum(VacuumStep.Isolated, 1200));
        foreach (var (minute, pa) in new[] { (124, 1395.0), (128, 1560), (134, 1690), (142, 1765), (155, 1800), (170, 1806) })
            hall.Append(visit, minute, Vacuum(VacuumStep.Reading, pa));
        hall.Append(visit, 178, Vacuum(VacuumStep.NitrogenIn, null), Vacuum(VacuumStep.OilChanged, null));
        var second = hall.Begin(unit, 3, Tobin, "Second evacuation, new drier fitted");
        hall.Append(second, 2, (id, at) => new PartEntry(new(id, default, at, at, Tobin), "", "", "wet", "same size", "", false,
            WorkArea.Circuit, new(ComponentKind.Drier)), Vacuum(VacuumStep.PumpOn, null, 14, 24));
        foreach (var (minute, pa) in new[] { (25, 700.0), (50, 160), (80, 60) })
            hall.Append(second, minute, Vacuum(VacuumStep.Reading, pa));
        hall.Append(second, 81, Vacuum(VacuumStep.Isolated, 60));
        foreach (var (minute, pa) in new[] { (85, 66.0), (90, 71), (98, 74), (108, 76), (120, 77), (141, 77) })
            hall.Append(second, minute, Vacuum(VacuumStep.Reading, pa));
    }

    /// <summary>D-2: a freezer whose valve floods the condenser: its volumes are known, the winter's charge is added to a clear
    /// glass.</summary>
    private static void TheWinterCharge(DemoHall hall)
    {
        var unit = hall.Install("D-2", "Quay bait freezer",
            DemoHall.PumpDown with { Kind = EquipmentKind.WalkInFreezer, Parts = DemoHall.PumpDown.Parts | CircuitParts.HeadPressureValve },
            -20, 2, "R448A", null, "bait and ice", "quay side, yard");
        hall.Visit(unit, 140, Isolde, "Yearly check", new(-19.8, 5.2, 4.9), new());
        var visit = hall.Visit(unit, 6, Tobin, "Bubbles in the glass on the first cold mornings",
            new(-18.9, 6.0, 6.4, 7, 9, 16, 2.0), new());
        hall.Append(visit, 26,
            (id, at) => new ChargeGeometryEntry(new(id, default, at, at, Tobin), 4.6, 5.8, 9, 18, 0.010, 18, 0.026),
            (id, at) => new RefrigerantEntry(new(id, default, at, at, Tobin), "R448A", 1.15, "N-2", "winter charge beyond a clear glass"),
            Signed(Tobin, "charged for the summer, no allowance for a flooded condenser", ""));
    }

    /// <summary>S-4: pulled down from warm, left with a forecast, proved on coming back; the door's share of the load is known.</summary>
    private static void TheBoxLeftAlone(DemoHall hall)
    {
        var unit = hall.Install("S-4", "Flower stall store", DemoHall.Remote, 4, 2, "R134a", 2.1, "cut flowers", "flower stall, back");
        hall.Visit(unit, 51, Isolde, "Yearly check", new(4.3, 6.1, 5.1), new());
        var visit = hall.Begin(unit, 1, Tobin, "Warm after the power cut", Urgency.Today, "flowers for Saturday");
        hall.Append(visit, 4,
            (id, at) => new ObservationEntry(new(id, default, at, at, Tobin), AsFound.EvaporatorFan, null, FactState.Running, null),
            (id, at) => new ObservationEntry(new(id, default, at, at, Tobin), AsFound.Compressor, null, FactState.Running, null));
        foreach (var minute in new[] { 6, 12, 18, 26, 34, 42, 52 })
        {
            hall.Append(visit, minute, Read(Tobin, MeasuringPoint.BoxAir, Math.Round(1.2 + 9.6 * Math.Exp(-(minute - 6) / 34.0)
                + 6.2 * Math.Exp(-(minute - 6) / 130.0), 1)));
        }

        hall.Append(visit, 54,
            (id, at) => new HeatBalanceEntry(new(id, default, at, at, Tobin), 4, 3, 2.4, 0.1, Insulation.Polyurethane,
                new(24, Unit.Celsius), 60, 2, 90, false, 0.5, 150, new(18, Unit.Celsius), 2, 600, 180, 0, 2600, null),
            (id, at) => new BoxCheckEntry(new(id, default, at, at, Tobin), BoxPart.Closer, "main door", false),
            (id, at) => new BoxForecastEntry(new(id, default, at, at, Tobin), visit.StartedAt.AddMinutes(170), new(3.4, Unit.Celsius),
                new(2.5, Unit.Celsius), new(4.8, Unit.Celsius)));
        hall.Append(visit, 172, Read(Tobin, MeasuringPoint.BoxAir, 3.9));
    }
}
