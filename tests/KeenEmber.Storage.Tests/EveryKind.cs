using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Storage.Tests;

/// <summary>Entries of every kind there is, some in several shapes.</summary>
internal static class EveryKind
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    public static IReadOnlyList<Entry> Of(Guid visit)
    {
        ReadingEntry Reading(double number, Unit unit, MeasuringPoint point = MeasuringPoint.SuctionPressure) =>
            new(new(Guid.CreateVersion7(), visit, Start.AddMinutes(5), Start.AddMinutes(5), "Isolde Marrin"), point, new(number, unit));
        var reading = Reading(21, Unit.Psi);
        return
        [
            reading,
            Reading(5, Unit.InchesOfVacuum),
            Reading(-13.4, Unit.Fahrenheit, MeasuringPoint.BoxAir),
            new ObservationEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), AsFound.EvaporatorFan, 2, FactState.Stopped, null),
            new ObservationEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), AsFound.Compressor, null, FactState.Running,
                Start.AddMinutes(-25)),
            new NoteEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "oil at the flare <b>'; DROP TABLE entry; --"),
            new SettingEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), PressureSetting.LowCutOut, SettingStage.AsSet,
                new(1.2, Unit.Bar)),
            new GlycolEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), GlycolKind.Propylene, new(35, Unit.Percent),
                new(-11, Unit.Celsius)),
            new GlycolEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), GlycolKind.Ethylene, new(4, Unit.Fahrenheit), null,
                40, true, false, true, false),
            new StandingEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(8.2, Unit.Bar), new(21, Unit.Celsius), null, null),
            new ChangeEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "fan delay switch", "open", "bridged", "",
                OpenItemKind.Jumper, false),
            new FrostEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), true, new(new('1', 24), "20010")),
            new PartEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "fan motor", "left", "seized, wet", "9 W motor", "A-17",
                true, WorkArea.Fans, new(ComponentKind.EvaporatorFan, 2)),
            new EarlierPartEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(ComponentKind.Control), 9,
                "board replaced nine days ago"),
            new RefrigerantEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "R404A", -0.35, "cylinder 4", "overcharged"),
            new DiagnosisFactEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "superheat", "", 7.5),
            new ClosureEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), reading.Id, "taken out"),
            new HandoverEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), reading.Id, "part on order", "Tobin Ashgrove",
                new(2026, 3, 9)),
            new SignOffEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "drain heater open", "", "heater kit", new(2026, 3, 6)),
            new NoteEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "4 is the fan", Topic.Wiring),
            new PhotoEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new('a', 64), 800, 600, "coil", reading.Id, Topic.Wiring),
            new InstrumentEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), QuantityKind.Pressure,
                new(Guid.CreateVersion7(), "G-1", 0.01, true)),
            new HazardsEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), Hazards.Height | Hazards.Flammable),
            new ProofEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), ProofKind.WholeDefrost, "22 min"),
            new RecommendationEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "gasket", "new one", "gasket", 1.5, 80, null,
                RecommendationUrgency.Quote),
            new SignatureEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "Maren Oakhurst", "1,2;3,4"),
            new RunEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), RunOrigin.Logged, reading.Id, "day.csv"),
            new RunReadingEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), reading.Id, new(RunPlaceKind.Bend, "lower left"),
                new(31.5, Unit.Fahrenheit)),
            new RunMarkEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), reading.Id, RunMarkKind.CeilingFrost),
            new ClockTestEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), 60, 45.5, true, null, -3),
            new HeaterAmpsEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(228, Unit.Volt), [8.7, null, 0]),
            new SwitchStateEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), DefrostSwitch.FanDelay, new(-4, Unit.Celsius), true),
            new SensorEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "coil", SensorRole.DefrostEnd, new("pt1000"), "top left",
                "S2", new(1.8, Unit.FahrenheitDifference)),
            new SensorCheckEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "coil", reading.Id, new(-18, Unit.Celsius),
                new(47.3, Unit.Kiloohm), false, null, true, new(0.3, Unit.Ohm)),
            new SensorRepairEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "coil", SensorRepair.SwappedBack),
            new WarmedEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "coil", "box"),
            new ControlSettingEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), ControlKind.ConstantCutIn, new(-4, Unit.Celsius), null,
                new(3.5, Unit.Celsius)),
            new ControlEventEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), true, null),
            new OutputStateEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), ControlOutput.Defrost, new(false, true, null), true),
            new ParameterEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), ControllerParameter.DefrostInterval, SettingStage.AsSet,
                new(6, Unit.Hour)),
            new DialEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(2, Unit.Celsius), new(3, Unit.Celsius), null),
            new BulbTurnEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new("left", "right")),
            new DamageEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), ControlPart.Cable, DamageKind.Chafed),
            new ThawEntry(new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), ThawMethod.Water, 40, true, null, 2),
            new LoadTestEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(ComponentKind.CondenserFanCapacitor),
                LoadTest.Capacitance, [new("", new(5.2, Unit.Microfarad))], new(8, Unit.Microfarad)),
            new TraceEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), CircuitMode.Calling, "4", "L2", new(208, Unit.Volt), "",
                null),
            new TraceEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), CircuitMode.Calling, "", "", null,
                "evaporator fans", false),
            new PartKindEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(ComponentKind.Control), "four-key controller"),
            new PartNoteEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "four-key controller", "hold set and down for its menu"),
            new PartConditionEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(ComponentKind.HeaterElement, 2), PartCondition.Rubbed,
                "at the bracket", ""),
            new AutopsyEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(ComponentKind.Compressor),
                [AutopsySign.BrokenDischargeLine, AutopsySign.LittleOil], "hummed, equal pressures"),
            new DiagramEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"),
                new(PlanSupply.SinglePhase,
                [
                    [new("breaker", WiredKind.Contact, "L1", "1", Component: new(ComponentKind.Breaker))],
                    [
                        new("thermostat", WiredKind.Contact, "1", "T2", ClosedIn.Calling, Where: "box"),
                        new("relay", WiredKind.Coil, "T2", "L2", Ohms: 900, Moves: ["pole"]),
                    ],
                    [new("jumper", WiredKind.Contact, "1", "T2", OpenItem: visit)],
                ], [new("T2", "brown", "roof box")]), "T2: brown, roof box"),
            new WireSwapEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), "thermostat",
                [new("T2", "brown", "relay", "230 V"), new("1", "black", "breaker", "230 V", "L")], "breaker 4, panel in the passage"),
            new PartTestEntry(
                new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin"), new(ComponentKind.Overload), TestedPart.Overload,
                [new("ohms", null), new("shellC", new(24, Unit.Celsius))]),
            .. OfChargeAndBox(Header, reading.Id),
            new WithdrawalEntry(new(Guid.CreateVersion7(), visit, Start, Start.AddMinutes(9), "Isolde Marrin", reading.Id)),
        ];

        EntryHeader Header() => new(Guid.CreateVersion7(), visit, Start, Start, "Isolde Marrin");
    }

    private static IEnumerable<Entry> OfChargeAndBox(Func<EntryHeader> header, Guid earlier) =>
    [
        new VacuumEntry(header(), VacuumStep.Isolated, new(65, Unit.Pascal), new(12, Unit.Litre), new(18, Unit.Celsius)),
        new VacuumEntry(header(), VacuumStep.Reading, new(480, Unit.Micron)),
        new LeakEntry(header(), LeakPlace.CapOrCore, "suction port", LeakMethod.Bubbles, LeakResult.Repaired, true,
            DetectorDisturbance.BoxAir, "cap and core replaced"),
        new PressureTestEntry(header(), true, new(20, Unit.Bar), new(17.5, Unit.Celsius), new(0.4, Unit.CubicFoot)),
        new ScaleStartEntry(header(), "R-4", "R404A", false, ChargePort.LiquidLine, Phase.Liquid, new(14.2, Unit.Kilogram), 2.9, 1.5,
            0.005, HosesAtEnd.FullOfVapour, 6.1, 12.2, "weighed in"),
        new ScaleWeightEntry(header(), earlier, new(11.7, Unit.Kilogram)),
        new RefrigerantEntry(header(), "R404A", 2.48, "R-4", "weighed in", 0.02, earlier),
        new TrimEntry(header(), new(6.2, Unit.KelvinDifference), new(4.1, Unit.Celsius), null),
        new ChargeGeometryEntry(header(), 3.2, 4.1, 6, 12, 0.01, 12, 0.022),
        new BoxForecastEntry(header(), Start.AddHours(1), new(3.1, Unit.Celsius), new(2.5, Unit.Celsius), new(3.7, Unit.Celsius)),
        new BoxCheckEntry(header(), BoxPart.GasketPaper, "lower hinge", false, "gasket replaced"),
        new BoxSystemEntry(header(), "A", true, true, new(6.1, Unit.Ampere), new(12, Unit.KelvinDifference), null),
        new BoxSystemEntry(header(), "B", true, true, null, null, null, new(-8, Unit.Celsius), FactState.Bubbles),
        new AirAtEntry(header(), AirSide.Supply, "left", new(-3, Unit.Celsius)),
        new ProbeTieEntry(header(), "red-clamp", "red clamp", ProbeUse.Point, MeasuringPoint.LiquidLine),
        new ProbeTieEntry(header(), "needle-2", "needle 2", ProbeUse.Defrost, Place: "ColdestBend"),
        new ProbeRecordingEntry(header(), true),
        new BottleEntry(header(), new(-0.4, Unit.Celsius), true),
        new HeatBalanceEntry(header(), 3, 2.4, 2.3, 0.1, Insulation.Polyurethane, new(24, Unit.Celsius), 60, 1.8, 40, true, 0.6, 120,
            new(12, Unit.Celsius), 2, 480, 160, 900, 2100, null),
    ];
}
