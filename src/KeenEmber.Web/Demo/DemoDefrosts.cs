using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Simulation;
using KeenEmber.Core.Visits;

namespace KeenEmber.Web.Demo;

/// <summary>Defrosts of the hall: one coil over four visits until its end switch sits where the ice is, one that ends early, one whose fans
/// run in the heat.</summary>
/// <remarks>The curves are made by <see cref="SimulatedDefrost"/>; what the app says of them it works out from the curves.</remarks>
internal static class DemoDefrosts
{
    private const string Isolde = DemoHall.Isolde;
    private const string Tobin = DemoHall.Tobin;

    private static readonly DefrostSetUp Switched =
        new(DefrostKind.Electric, DefrostStart.Clock, TerminationKind.Switch, "on the shell, below the drip pan edge",
        new(13, Unit.Celsius), new(-4, Unit.Celsius), null,
        60, 3, new(-4, Unit.Celsius), HeaterConnection.Separate, [new(1400, 230), new(1400, 230), new(900, 230)], 34,
            [new(5, 0), new(11, 0), new(17, 0), new(23, 0)]);

    public static void Tell(DemoHall hall)
    {
        TheSwitchOnTheShell(hall);
        TheProbeByTheHeater(hall);
        TheFansInTheHeat(hall);
    }

    /// <summary>C-7: drops and frost on the ceiling; a new clock and a new switch change nothing, moving the switch does.</summary>
    private static void TheSwitchOnTheShell(DemoHall hall)
    {
        var unit =
            hall.Install(
            "C-7", "Creamery ice-cream freezer", DemoHall.PumpDown with { Kind = EquipmentKind.WalkInFreezer }, -22, 3, "R448A", 4.4,
            "ice cream in tubs", "creamery, yard", Hazards.SecondSupply | Hazards.HotHeaters);
        // On the shell little heat arrives and little ice grows; the return bend that clears last has its full share of both.
        SimulatedCoil OnShell(double kg) => new([kg * 0.55, kg * 0.4, kg * 0.05], [0.465, 0.485, 0.05], 26, 0.03, 0.006, -27, -21, 4);
        SimulatedCoil OnBend(double kg) => new([kg * 0.36, kg * 0.28, kg * 0.36], [0.32, 0.37, 0.31], 26, 0.03, 0.014, -27, -21, 1);
        var first = hall.Visit(unit, 47, Tobin, "Snow under the ceiling, tubs iced", new(-21.2, 5.4, 5.2), new());
        SetUp(hall, first, 12, Switched);
        Watch(hall, first, 25, OnShell(7.2), Switched, 120, 1, (RunMarkKind.Vapour, 34), (RunMarkKind.CeilingFrost, 44));
        hall.Append(first, 110,
            (id, at) =>
                new PartEntry(
                new(id, default, at, at, Tobin), "", "", "suspected to run slow", "new clock", "", true, WorkArea.Defrost,
                new(ComponentKind.DefrostClock)),
            (id, at) => new SignOffEntry(new(id, default, at, at, Tobin), "", "", "watch the next defrost whole", null));
        var second = hall.Visit(unit, 33, Isolde, "Snow again", new(-21.4, 5.3, 5.2), new());
        Watch(hall, second, 15, OnShell(7.3), Switched, 120, 2, (RunMarkKind.CeilingFrost, 45));
        hall.Append(second, 100,
            (id, at) =>
                new PartEntry(
                new(id, default, at, at, Isolde), "", "on the shell", "asked for by the warranty desk", "new switch of the same rating",
                "", true, WorkArea.LimitSwitch, new(ComponentKind.TerminationSwitch)),
            (id, at) =>
                new NoteEntry(
                new(id, default, at, at, Isolde), "new switch where the old one sat; the shell is the last thing to get warm"),
            (id, at) => new SignOffEntry(new(id, default, at, at, Isolde), "", "", "", null));
        var third = hall.Visit(unit, 20, Isolde, "Snow again, third time", new(-21.3, 5.4, 5.1), new());
        Watch(hall, third, 15, OnShell(7.1), Switched, 120, 3, (RunMarkKind.Vapour, 33), (RunMarkKind.CeilingFrost, 46));
        var moved = Switched with { SensorPlace = "return bend that clears last, top left", FailSafeMin = 40 };
        SetUp(hall, third, 95, moved);
        hall.Append(third, 96,
            (id, at) =>
                new ChangeEntry(
                new(id, default, at, at, Isolde), "termination sensor's place", Switched.SensorPlace, moved.SensorPlace, "", null, false,
                WorkArea.LimitSwitch),
            (id, at) =>
                new ChangeEntry(new(id, default, at, at, Isolde), "fail-safe time", "60 min", "40 min", "", null, false, WorkArea.Defrost),
            (id, at) =>
                new SignOffEntry(
                new(id, default, at, at, Isolde), "termination switch on a spot that lags behind the coil", "",
                    "look at the ceiling in two weeks",
                null,
                Explained: string.Join(' ', DefrostCodes.HeatAfterClear, DefrostCodes.SensorLags, DefrostCodes.SwitchOff,
                    DefrostCodes.Vapour)));
        var fourth = hall.Visit(unit, 5, Tobin, "Look again: ceiling and one whole defrost", new(-21.7, 5.2, 5.0), new());
        Watch(hall, fourth, 10, OnBend(6.4), moved, 60, 4, (RunMarkKind.SeenClear, 28));
    }

    /// <summary>B-6: the probe sits by the heater, the heat ends early, ice stays at the bottom.</summary>
    private static void TheProbeByTheHeater(DemoHall hall)
    {
        var unit =
            hall.Install(
            "B-6", "Bakery dough freezer", DemoHall.PumpDown with { Kind = EquipmentKind.WalkInFreezer }, -18, 2, "R449A", 2.6,
            "croissant blanks", "bakery, cellar", Hazards.HotHeaters);
        hall.Visit(unit, 95, Isolde, "Yearly check", new(-17.8, 5.4, 5.0), new());
        var visit =
            hall.Visit(unit, 4, Tobin, "Ices up within two days of thawing by hand", new(-15.2, 7.9, 3.2, 5, 14), new(30, FactState.Iced));
        var setUp =
            Switched with { EndedBy = TerminationKind.Probe, SensorPlace = "between the fins by the middle heater",
            EndAt = new(8, Unit.Celsius), ResetAt = null, FailSafeMin = 35, Heaters = [new(1200, 230), new(1200, 230)], CoilMassKg = 26 };
        SetUp(hall, visit, 14, setUp);
        Watch(hall, visit, 20, new([4.6, 1.6, 1.2], [0.28, 0.36, 0.36], 15.6, 0.012, 0.008, -24, -16, 0.8), setUp, 120, 5,
            (RunMarkKind.IceLeft, 26));
    }

    /// <summary>F-9: the fans run through the heat and blow it into the case.</summary>
    private static void TheFansInTheHeat(DemoHall hall)
    {
        var unit =
            hall.Install(
            "F-9", "Fish frozen case", DemoHall.Remote with { Kind = EquipmentKind.GlassDoorCase }, -20, 3, "R407F", 2.2, "frozen fillets",
            "fish counter, left", Hazards.HotHeaters);
        hall.Visit(unit, 64, Tobin, "Yearly check", new(-19.7, 5.6, 5.0), new());
        var visit = hall.Visit(unit, 1.1, Isolde, "Doors run with water four times a day", new(-17.6, 6.1, 5.0), new());
        var setUp =
            Switched with { SensorPlace = "return bend, left end", FailSafeMin = 40,
            Heaters = [new(1000, 230), new(1000, 230), new(1000, 230)], CoilMassKg = 24 };
        SetUp(hall, visit, 10, setUp);
        Watch(hall, visit, 15, new([1.9, 1.1, 1.3], [0.32, 0.36, 0.32], 14.4, 0.03, 0.015, -25, -18, 1.5), setUp, 120, 6, fansInHeat: true);
    }

    private static void SetUp(DemoHall hall, Visit visit, int minute, DefrostSetUp setUp) =>
        hall.Append(visit, minute, (id, at) => new DefrostSetUpEntry(new(id, default, at, at, visit.Author), setUp));

    /// <summary>A run as its watcher writes it down: a round of readings every so often, the marks, and the end.</summary>
    internal static void Watch(
        DemoHall hall, Visit visit, int minute, SimulatedCoil coil, DefrostSetUp setUp, double everySeconds, int seed,
        params (RunMarkKind Kind, double Minute)[] marks) =>
        Watch(hall, visit, minute, coil, setUp, everySeconds, seed, fansInHeat: false, marks);

    private static void Watch(
        DemoHall hall, Visit visit, int minute, SimulatedCoil coil, DefrostSetUp setUp, double everySeconds, int seed, bool fansInHeat,
        params (RunMarkKind Kind, double Minute)[] marks)
    {
        var start = visit.StartedAt + TimeSpan.FromMinutes(minute);
        var (run, _) = SimulatedDefrost.Make(coil, setUp, new(everySeconds, 0.2, FansInHeat: fansInHeat), start, new Random(seed));
        var entry = Guid.CreateVersion7(start);
        var entries = new List<Entry> { new RunEntry(new(entry, visit.Id, start, start, visit.Author), RunOrigin.Watched) };
        foreach (var track in run.Tracks)
        {
            for (var i = 0; i < track.Minutes.Length; i++)
            {
                var at = start + TimeSpan.FromMinutes(track.Minutes[i]);
                var value = new TypedValue(Math.Round(track.Values[i], track.Place.Measures == QuantityKind.Voltage ? 0 : 1),
                    track.Place.Measures switch { QuantityKind.Current =>
                        Unit.Ampere, QuantityKind.Voltage => Unit.Volt, _ => Unit.Celsius });
                entries.Add(new RunReadingEntry(new(Guid.CreateVersion7(at), visit.Id, at, at, visit.Author), entry, track.Place, value));
            }
        }

        foreach (
            var (kind, at) in run.Marks.Select(m => (m.Kind, m.Minute)).Concat(marks).Append((RunMarkKind.Over, run.LastMinute))
            .Select(m => (m.Item1, start + TimeSpan.FromMinutes(m.Item2))))
            entries.Add(new RunMarkEntry(new(Guid.CreateVersion7(at), visit.Id, at, at, visit.Author), entry, kind));
        hall.AppendAll(entries);
    }
}
