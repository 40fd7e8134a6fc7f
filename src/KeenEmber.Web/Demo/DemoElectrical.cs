using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Web.Demo;

/// <summary>Units on which the meter told: a breaker that went in a defrost, a compressor that made no sound, a call that did not
/// arrive.</summary>
internal static class DemoElectrical
{
    public static void Tell(DemoHall hall)
    {
        TheRubbedLead(hall);
        TheSilentCompressor(hall);
        TheCallThatDidNotArrive(hall);
    }

    private static readonly Component Compressor = new(ComponentKind.Compressor), RunCapacitor = new(ComponentKind.RunCapacitor),
        Contactor = new(ComponentKind.Contactor), Heater = new(ComponentKind.HeaterElement, 2);

    private static Func<Guid, DateTimeOffset, Entry> Tested(
        string author, Component component, TestedPart test, params (string Name, double? Number, Unit Unit)[] numbers) =>
        (id, at) => new PartTestEntry(new(id, default, at, at, author), component, test,
            [.. numbers.Select(n => new PartNumber(n.Name, n.Number is { } number ? new(number, n.Unit) : null))]);

    private static Func<Guid, DateTimeOffset, Entry> Seen(string author, AsFound fact, FactState state, int? index = null) =>
        (id, at) => new ObservationEntry(new(id, default, at, at, author), fact, index, state, null);

    private static Func<Guid, DateTimeOffset, Entry> Told(string author, string observable, string answer) =>
        (id, at) => new DiagnosisFactEntry(new(id, default, at, at, author), observable, answer);

    private static Func<Guid, DateTimeOffset, Entry> Signed(
        string author, string root, string notReproduced, string explained, int? againInDays = null) =>
        (id, at) => new SignOffEntry(new(id, default, at, at, author), root, notReproduced, "",
            againInDays is { } days ? DateOnly.FromDateTime(at.Date.AddDays(days)) : null, Explained: explained);

    private static Func<Guid, DateTimeOffset, Entry> BoxAir(string author, double celsius) =>
        (id, at) => new ReadingEntry(new(id, default, at, at, author), MeasuringPoint.BoxAir, new(celsius, Unit.Celsius));

    /// <summary>B-8: went in the defrost; a heater lead at the bracket, not seen to trip it. Its capacitor drifts from visit to
    /// visit.</summary>
    private static void TheRubbedLead(DemoHall hall)
    {
        var unit = hall.Install("B-8", "Bakery butter freezer", DemoHall.PumpDown with { Kind = EquipmentKind.WalkInFreezer }, -20, 2,
            "R448A", 4.2, "butter and frozen fruit", "bakery, yard");
        var yearly = hall.Visit(unit, 130, DemoHall.Tobin, "Yearly check", new(-20.4, 5.8, 4.6) { CurrentA = 6.8 }, new());
        hall.Append(yearly, 24,
            Tested(DemoHall.Tobin, RunCapacitor, TestedPart.Capacitor, ("plate-microfarad", 40, Unit.Microfarad), ("microfarad", 40.6,
                Unit.Microfarad)),
            Tested(DemoHall.Tobin, Compressor, TestedPart.Insulation, ("plate-volts", 230, Unit.Volt), ("testVolts", 500, Unit.Volt),
                ("megohm", 180, Unit.Megaohm), ("windingC", 35, Unit.Celsius)),
            Tested(DemoHall.Tobin, Contactor, TestedPart.ContactorPole, ("plate-volts", 230, Unit.Volt), ("amps", 6.8, Unit.Ampere),
                ("voltsAcross", 0.3, Unit.Volt)));
        var trip = hall.Begin(unit, 12, DemoHall.Isolde, "Smells burnt, breaker down", Urgency.Today, "a week of butter");
        hall.Append(trip, 2,
            (id, at) => new HazardsEntry(new(id, default, at, at, DemoHall.Isolde), unit.AllHazards()),
            Seen(DemoHall.Isolde, AsFound.Defrost, FactState.Defrosting), Seen(DemoHall.Isolde, AsFound.Supply, FactState.Tripped),
            Seen(DemoHall.Isolde, AsFound.Smell, FactState.Burning), Told(DemoHall.Isolde, "heaters-earth", "grounded"),
            (id, at) => new PartConditionEntry(new(id, default, at, at, DemoHall.Isolde), Heater, PartCondition.Rubbed,
                "where its lead passes the bracket", ""),
            Told(DemoHall.Isolde, "fan-earth", "clear"), Told(DemoHall.Isolde, "windings-earth", "clear"));
        hall.Append(trip, 40,
            (id, at) => new PartConditionEntry(new(id, default, at, at, DemoHall.Isolde), Heater, PartCondition.Rubbed,
                "where its lead passes the bracket", "new lead, rerouted and clipped"),
            Told(DemoHall.Isolde, "heaters-earth", "clear"), Told(DemoHall.Isolde, "breaker-holds", "holds"),
            Seen(DemoHall.Isolde, AsFound.Supply, FactState.SwitchedOn), Seen(DemoHall.Isolde, AsFound.Smell, FactState.None),
            Seen(DemoHall.Isolde, AsFound.Defrost, FactState.Refrigerating), Seen(DemoHall.Isolde, AsFound.Compressor, FactState.Running),
            Seen(DemoHall.Isolde, AsFound.CondenserFan, FactState.Running), BoxAir(DemoHall.Isolde, -16.5),
            Tested(DemoHall.Isolde, RunCapacitor, TestedPart.Capacitor, ("plate-microfarad", 40, Unit.Microfarad), ("microfarad", 38.6,
                Unit.Microfarad)),
            Tested(DemoHall.Isolde, Compressor, TestedPart.Insulation, ("plate-volts", 230, Unit.Volt), ("testVolts", 500, Unit.Volt),
                ("megohm", 95, Unit.Megaohm), ("windingC", 20, Unit.Celsius)),
            Tested(DemoHall.Isolde, Contactor, TestedPart.ContactorPole, ("plate-volts", 230, Unit.Volt), ("amps", 6.7, Unit.Ampere),
                ("voltsAcross", 1.1, Unit.Volt)),
            Signed(DemoHall.Isolde, "heater lead rubbed through at the bracket", "the cause was found, not seen to trip it",
                "danger.tripped danger.burning danger.grounded danger.chafed electrical.damaged", againInDays: 14));
    }

    /// <summary>K-3: silent, shell cold; overload, relay and windings in that order.</summary>
    private static void TheSilentCompressor(DemoHall hall)
    {
        var unit = hall.Install("K-3", "Cake-shop reach-in", DemoHall.BuiltIn with { RatedCurrentA = 2.2 }, 4, 1, "R134a", 0.24,
            "cakes and cream", "canteen, cake counter");
        hall.Visit(unit, 150, DemoHall.Tobin, "Yearly check", new(4.2, 11.2, 5.0, 8, 22, 11, 4) { CurrentA = 1.8 }, new());
        var visit = hall.Begin(unit, 19, DemoHall.Tobin, "Warm, but the light is on", Urgency.Today, "forty cakes");
        hall.Append(visit, 2,
            (id, at) => new HazardsEntry(new(id, default, at, at, DemoHall.Tobin), unit.AllHazards()),
            Seen(DemoHall.Tobin, AsFound.EvaporatorFan, FactState.Running, 1),
            Seen(DemoHall.Tobin, AsFound.CondenserFan, FactState.Running), Seen(DemoHall.Tobin, AsFound.Compressor, FactState.Stopped),
            Seen(DemoHall.Tobin, AsFound.CompressorShell, FactState.Cold),
            Tested(DemoHall.Tobin, new(ComponentKind.Overload), TestedPart.Overload, ("ohms", 0.3, Unit.Ohm), ("shellC", 22, Unit.Celsius)),
            Tested(DemoHall.Tobin, new(ComponentKind.StartRelay), TestedPart.CurrentRelay, ("ohmsUpright", null, Unit.Ohm),
                ("ohmsInverted", null, Unit.Ohm)),
            Tested(DemoHall.Tobin, Compressor, TestedPart.Windings, ("ohms12", 9.8, Unit.Ohm), ("ohms23", 12.1, Unit.Ohm),
                ("ohms13", 2.4, Unit.Ohm)),
            (id, at) => new PartKindEntry(new(id, default, at, at, DemoHall.Tobin), new(ComponentKind.Overload), "clip-on overload"),
            (id, at) => new PartNoteEntry(new(id, default, at, at, DemoHall.Tobin), "clip-on overload",
                "Push the wire clip down and out; its body cracks when it is levered off."));
        hall.Append(visit, 30,
            (id, at) => new PartEntry(new(id, default, at, at, DemoHall.Tobin), "", "", "open both ways up", "start kit", "", false,
                WorkArea.StartParts, new(ComponentKind.StartRelay)),
            Tested(DemoHall.Tobin, Compressor, TestedPart.CompressorCurrent, ("plate-amps", 2.2, Unit.Ampere), ("amps", 1.9, Unit.Ampere)),
            Seen(DemoHall.Tobin, AsFound.Compressor, FactState.Running), BoxAir(DemoHall.Tobin, 5.1),
            Signed(DemoHall.Tobin, "start relay open", "", "electrical.current-relay-open"));
    }

    /// <summary>F-8: no call behind the box thermostat; the diagram corrected on the way.</summary>
    private static void TheCallThatDidNotArrive(DemoHall hall)
    {
        var unit = hall.Install("F-8", "Bait freezer", DemoHall.PumpDown with { Kind = EquipmentKind.WalkInFreezer }, -18, 2, "R448A", 3.1,
            "bait and ice packs", "fish hall, loading bay");
        var plan = CircuitTemplates.Of(unit, CircuitTemplate.Remote).Describe("T2", new("T2", "brown, tag 6", "box on the coil")).Plan!
            .Describe("C1", new("C1", "black", "condensing unit, left box")).Plan!;
        hall.Visit(unit, 95, DemoHall.Tobin, "Yearly check", new(-18.3, 5.7, 4.6), new());
        var visit = hall.Begin(unit, 3, DemoHall.Isolde, "Never gets below -8", Urgency.Routine, "bait for the week");
        Func<Guid, DateTimeOffset, Entry> Volts(string a, string b, double volts) => (id, at) => new TraceEntry(
            new(id, default, at, at, DemoHall.Isolde), CircuitMode.Calling, a, b, new(volts, Unit.Volt), "", null);
        hall.Append(visit, 2,
            (id, at) => new HazardsEntry(new(id, default, at, at, DemoHall.Isolde), unit.AllHazards()),
            Seen(DemoHall.Isolde, AsFound.EvaporatorFan, FactState.Running, 1), Seen(DemoHall.Isolde, AsFound.EvaporatorFan,
                FactState.Running, 2),
            Seen(DemoHall.Isolde, AsFound.Compressor, FactState.Stopped), Seen(DemoHall.Isolde, AsFound.CondenserFan, FactState.Stopped),
            (id, at) => new DiagramEntry(new(id, default, at, at, DemoHall.Isolde), plan, "T2 and C1 as they are in the boxes"),
            Volts("L1", "L2", 231), Volts("4", "L2", 230), Volts("T2", "L2", 0.4), Volts("4", "T2", 229));
        hall.Append(visit, 35,
            (id, at) => new PartEntry(new(id, default, at, at, DemoHall.Isolde), "", "", "stays open", "same type", "", false,
                WorkArea.Control, new(ComponentKind.Control)),
            Seen(DemoHall.Isolde, AsFound.Compressor, FactState.Running), Seen(DemoHall.Isolde, AsFound.CondenserFan, FactState.Running),
            BoxAir(DemoHall.Isolde, -17.2),
            Signed(DemoHall.Isolde, "box thermostat open", "", "electrical.traced"));
    }
}
