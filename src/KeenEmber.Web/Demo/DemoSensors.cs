using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Web.Demo;

/// <summary>Sensors and controllers of the hall: an end sensor whose plug corrodes from visit to visit, a pair plugged crosswise, a relay
/// that welded shut, a probe clipped by the heater.</summary>
/// <remarks>Resistances are the curve's own at the temperatures described; verdicts are worked out by the app.</remarks>
internal static class DemoSensors
{
    private const string Isolde = DemoHall.Isolde;
    private const string Tobin = DemoHall.Tobin;

    private static readonly CurveSpec Ntc = new("ntc-10k-3435");

    private const double CorrodedOhm = 22_000;

    /// <summary>One sensor of a round: what the thermometer reads, what its resistance tells, what the controller shows.</summary>
    private readonly record struct Row(string Sensor, double Reference, double Told, double? Shown);

    public static void Tell(DemoHall hall)
    {
        TheCorrodingPlug(hall);
        TheCrossedPair(hall);
        TheWeldedRelay(hall);
    }

    /// <summary>K-9: the plug of the sensor that ends the defrost corrodes. What it adds hardly shows in the cold, and keeps the sensor
    /// from ever telling that the coil is warm.</summary>
    private static void TheCorrodingPlug(DemoHall hall)
    {
        var unit =
            hall.Install(
            "K-9", "Canteen freezer room", DemoHall.PumpDown with { Kind = EquipmentKind.WalkInFreezer }, -19, 2, "R449A", 2.3,
            "meat and bread", "canteen, cellar", Hazards.HotHeaters);
        var setUp =
            new DefrostSetUp(
            DefrostKind.Electric, DefrostStart.Board, TerminationKind.Probe, "return bend that clears last", new(8, Unit.Celsius), null,
            null, 40, 3, new(-4, Unit.Celsius),
            HeaterConnection.Separate, [new(1200, 230), new(1200, 230)], 26, [new(4, 0), new(10, 0), new(16, 0), new(22, 0)]);
        var first = hall.Visit(unit, 210, Tobin, "Yearly check", new(-18.8, 5.2, 5.0), new());
        Name(hall, first, 8, ("box", SensorRole.Box, "1", "return air, left"),
            ("coil", SensorRole.DefrostEnd, "2", "return bend that clears last"));
        hall.Append(first, 11, (id, at) => new DefrostSetUpEntry(new(id, default, at, at, Tobin), setUp));
        Round(hall, first, 14, new("box", -18.8, -18.7, -18.6), With("coil", -24.2, 2_000, -24.4));
        var second = hall.Visit(unit, 96, Isolde, "Door frame iced", new(-18.6, 5.3, 5.1), new());
        Round(hall, second, 12, new("box", -18.6, -18.4, -18.4), With("coil", -24.0, 9_000, -25.5));
        var third = hall.Visit(unit, 0.14, Isolde, "Snow on the cartons, ceiling drips", new(-17.9, 5.4, 5.0), new());
        hall.Instrument(third, 7, hall.Bag.Thermometer);
        // The spot gets well past 8 °C, its sensor does not tell so: only the clock ends the heat.
        DemoDefrosts.Watch(
            hall, third, 10, new([2.1, 1.6, 1.9], [0.32, 0.37, 0.31], 15.6, 0.03, 0.014, -25, -18, 1, c => Told(c, CorrodedOhm)), setUp,
            120, 8, (RunMarkKind.CeilingFrost, 37));
        Round(hall, third, 92, new("box", -17.6, -17.4, -17.3), With("coil", -22.5, CorrodedOhm, -26.1));
        Bath(hall, third, 104, With("coil", 0.1, CorrodedOhm, null));
        Bath(hall, third, 112, With("coil", 35.2, CorrodedOhm, null));
    }

    /// <summary>S-5: since the control was changed the box never gets cold; two leads sit in each other's socket.</summary>
    private static void TheCrossedPair(DemoHall hall)
    {
        var unit =
            hall.Install("S-5", "Flower back store", DemoHall.Remote, 5, 2, "R513A", 1.6, "roses and lilies", "flower stall, cellar");
        hall.Visit(unit, 130, Tobin, "Yearly check", new(5.2, 6.0, 5.0), new());
        var visit = hall.Visit(unit, 6, Tobin, "Warm since the new control", new(9.4, 6.8, 5.1, 8, 20), new());
        hall.Instrument(visit, 7, hall.Bag.Thermometer);
        Name(hall, visit, 14, ("box", SensorRole.Box, "S1", "return air"), ("coil", SensorRole.DefrostEnd, "S2", "between the fins, left"),
            ("discharge", SensorRole.Discharge, "S3", "behind the fan guard"));
        Round(hall, visit, 20, new("box", 9.4, 1.3, 1.4), new("coil", 1.2, 9.3, 9.2), new("discharge", 4.6, 4.7, 4.9));
        hall.Append(visit, 26, (id, at) => new WarmedEntry(new(id, default, at, at, Tobin), "box", "coil"));
        hall.Append(
            visit, 30, (id, at) =>
            new SensorRepairEntry(new(id, default, at, at, Tobin), "box", SensorRepair.SwappedBack), (id, at) =>
            new SensorRepairEntry(new(id, default, at, at, Tobin), "coil", SensorRepair.SwappedBack));
        Round(hall, visit, 44, new("box", 7.8, 7.9, 7.9), new("coil", 0.8, 0.9, 0.7), new("discharge", 3.9, 4.1, 4.2));
        Events(hall, visit, 60, (false, 4.1), (true, 7.2), (false, 4.0), (true, 7.1), (false, 4.1));
        hall.Append(
            visit, 55, (id, at) =>
            new ControlSettingEntry(
            new(id, default, at, at, Tobin), ControlKind.SetIsCutOut, new(4, Unit.Celsius), new(3, Unit.KelvinDifference), null));
    }

    /// <summary>K-5: milk frozen; the control is satisfied, its relay is not.</summary>
    private static void TheWeldedRelay(DemoHall hall)
    {
        var unit =
            hall.Install("K-5", "Canteen milk cooler", DemoHall.BuiltIn, 4, 1, "R290", 0.09, "milk and cream", "canteen, breakfast bar");
        hall.Visit(unit, 75, Isolde, "Yearly check", new(4.1, 11.3, 5.0, 8, 22, 11, 4), new());
        var visit =
            hall.Visit(
            unit, 0.09, Isolde, "Milk is frozen", new(-3.4, 10.6, 4.2, 8, 23, 10.5, 4), new(), urgency: Urgency.Today,
            stock: "breakfast for eighty");
        Name(hall, visit, 10, ("box", SensorRole.Box, "1", "return air"));
        hall.Append(
            visit, 12, (id, at) =>
            new ControlSettingEntry(
            new(id, default, at, at, Isolde), ControlKind.SetIsCutOut, new(3, Unit.Celsius), new(2.5, Unit.KelvinDifference), null));
        Round(hall, visit, 14, new Row("box", -3.4, -3.2, -3.1));
        hall.Append(visit, 18,
            (id, at) => new OutputStateEntry(new(id, default, at, at, Isolde), ControlOutput.Compressor, new(false, true, true), false),
            (id, at) => new OutputStateEntry(new(id, default, at, at, Isolde), ControlOutput.Compressor, new(false, false, false), true),
            (id, at) => new OutputStateEntry(new(id, default, at, at, Isolde), ControlOutput.Fans, new(true, true, true), false));
        hall.Append(visit, 24,
            (id, at) => new DamageEntry(new(id, default, at, at, Isolde), ControlPart.Control, DamageKind.Scaled),
            (id, at) => new DamageEntry(new(id, default, at, at, Isolde), ControlPart.Terminals, DamageKind.Corroded),
            (id, at) => new DamageEntry(new(id, default, at, at, Isolde), ControlPart.Display, DamageKind.None));
        hall.Append(visit, 28,
            (id, at) =>
                new ParameterEntry(
                new(id, default, at, at, Isolde), ControllerParameter.SetPoint, SettingStage.AsFound, new(3, Unit.Celsius)),
            (id, at) =>
                new ParameterEntry(
                new(id, default, at, at, Isolde), ControllerParameter.Differential, SettingStage.AsFound, new(2.5, Unit.KelvinDifference)),
            (id, at) =>
                new ParameterEntry(
                new(id, default, at, at, Isolde), ControllerParameter.Offset, SettingStage.AsFound, new(3, Unit.KelvinDifference)),
            (id, at) =>
                new ParameterEntry(
                new(id, default, at, at, Isolde), ControllerParameter.Offset, SettingStage.AsSet, new(0, Unit.KelvinDifference)),
            (id, at) =>
                new ParameterEntry(
                new(id, default, at, at, Isolde), ControllerParameter.DefrostInterval, SettingStage.AsFound, new(6, Unit.Hour)),
            (id, at) =>
                new ParameterEntry(
                new(id, default, at, at, Isolde), ControllerParameter.DefrostLength, SettingStage.AsFound, new(25, Unit.Minute)),
            (id, at) =>
                new ParameterEntry(
                new(id, default, at, at, Isolde), ControllerParameter.AlarmHigh, SettingStage.AsFound, new(8, Unit.Celsius)));
    }

    private static void Name(
        DemoHall hall, Visit visit, int minute, params (string Name, SensorRole Role, string Channel, string Place)[] sensors) =>
        hall.Append(visit, minute, [.. sensors.Select(s => (Func<Guid, DateTimeOffset, Entry>)((id, at) =>
            new SensorEntry(
                new(id, default, at, at, visit.Author), s.Name, s.Role, Ntc, s.Place, s.Channel, new(0, Unit.KelvinDifference))))]);

    private static void Round(DemoHall hall, Visit visit, int minute, params Row[] rows)
    {
        var round = Guid.CreateVersion7(visit.StartedAt + TimeSpan.FromMinutes(minute));
        hall.Append(
            visit, minute,
            [.. rows.Select(r => (Func<Guid, DateTimeOffset, Entry>)((id, at) => Check(id, at, visit, r, round, inBath: false)))]);
    }

    private static void Bath(DemoHall hall, Visit visit, int minute, Row row) =>
        hall.Append(visit, minute, (id, at) => Check(id, at, visit, row, id, inBath: true));

    /// <summary>A good sensor with so many ohms in series.</summary>
    private static Row With(string sensor, double tempC, double ohm, double? shown) => new(sensor, tempC, Told(tempC, ohm), shown);

    private static double Told(double tempC, double ohm) => Ntc.Curve!.ValueOf(Ntc.Curve.SignalAt(tempC) + ohm)!.Value;

    private static SensorCheckEntry Check(Guid id, DateTimeOffset at, Visit visit, Row row, Guid round, bool inBath) =>
        new(new(id, default, at, at, visit.Author), row.Sensor, round,
        new(row.Reference, Unit.Celsius), new(Math.Round(Ntc.Curve!.SignalAt(row.Told) / 1000, 2), Unit.Kiloohm), false,
            row.Shown is { } shown ? new(shown, Unit.Celsius) : null, inBath);

    /// <summary>Cut-outs and cut-ins, a quarter of an hour apart.</summary>
    private static void Events(DemoHall hall, Visit visit, int minute, params (bool CutsIn, double TempC)[] events)
    {
        for (var i = 0; i < events.Length; i++)
        {
            var (cutsIn, tempC) = events[i];
            hall.Append(
                visit, minute + i * 13 + (cutsIn ? 2 : 0), (id, at) =>
                new ControlEventEntry(new(id, default, at, at, visit.Author), cutsIn, new(tempC, Unit.Celsius)));
        }
    }
}
