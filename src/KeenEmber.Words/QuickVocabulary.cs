using KeenEmber.Words.Benches.Sensors;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;
using KeenEmber.Core.Visits.LogLine;

namespace KeenEmber.Words;

/// <summary>The words of the log line: what technicians call points, facts and states, and the small words between.</summary>
/// <remarks>Points and settings are brought by their benches (<see cref="BenchWords"/>). A phrase that is missing is added here or there,
/// and to the phrases of the test.</remarks>
public static class QuickVocabulary
{
    /// <summary>What a line says in a visit.</summary>
    /// <param name="now">When it is said.</param>
    public static IReadOnlyList<QuickItem> Read(string line, VisitView view, DateTimeOffset now)
    {
        var reader = new QuickEntry(
            For(view.Company, view.Texts.All.Select(t => t.LogWords)) with
            {
                Sides = view.Equipment.MakeUp.Coils > 1 ? Sides : new Dictionary<string, int>(),
            },
            view.Company.Units, view.Equipment.EvaporatorFans,
            [.. view.Sensors.Sensors.Select(s => s.Name)]);
        return QuickMoments.Place(reader.Read(line), view.Clock, view.Visit.StartedAt, now);
    }

    private static readonly Dictionary<string, int> Sides = Table((1, "rail, left"), (2, "base, right"));

    private static readonly Dictionary<string, AsFound> Facts = Table(
        (AsFound.EvaporatorFan, "fan, fans, e-fan, e-fans, evap fan, evap fans, evaporator fan, evaporator fans, evap fan motor, "
            + "box fan, "
            + "box fans, coil fan, coil fans"),
        (AsFound.Coil, "coil, evap, evaporator, evap coil, evaporator coil"),
        (AsFound.Compressor, "comp, compressor, cond unit, condensing unit"),
        (AsFound.Defrost, "defrost"),
        (AsFound.BoxThermometer, "thermometer, box thermometer"),
        (AsFound.CondenserFan, "cond fan, condenser fan, cond fan motor, condenser fan motor, outdoor fan"),
        (AsFound.CondenserFace, "cond, condenser, condenser coil, cond coil, condenser face"),
        (AsFound.LiquidSolenoid, "solenoid, liquid solenoid, llsv, liquid valve, liquid line solenoid"),
        (AsFound.SuctionStop, "suction stop"),
        (AsFound.SightGlass, "glass, sight glass, sightglass, site glass"),
        (AsFound.ValveBody, "valve, txv, metering, cap tube, tev, expansion valve, tx valve, exv, metering device"),
        (AsFound.SuctionLineFrost, "suction frost, frost back, frostback"),
        (AsFound.CompressorShell, "shell, comp shell, compressor shell, comp body, compressor body"),
        (AsFound.LowPressureControl, "lp control, low pressure control, low pressure switch, lp switch, lpc"),
        (AsFound.Door, "door, doors, box door, lid"),
        (AsFound.Gasket, "gasket, door seal, door gasket, gaskets, seal"),
        (AsFound.Return, "return, return grille, return air grille, return air path"),
        (AsFound.Drain, "drain, drain line, drain pan, condensate drain, drains"),
        (AsFound.Alarm, "alarm, alarms"),
        (AsFound.ControllerMode, "mode, controller"),
        (AsFound.ClockMotor, "clock, clock motor, defrost clock, timer, defrost timer, time clock, timer motor"),
        (AsFound.ControlMoisture, "control, control board, board"),
        (AsFound.Supply, "breaker, breakers, fuses, supply power, fuse, mcb, circuit breaker, power, disconnect"),
        (AsFound.Wiring, "wiring, wires, wire, leads"),
        (AsFound.Jumpers, "jumper, jumpers, link, bridge, links"),
        (AsFound.OilTraces, "oil, oil traces, oil stain, oil stains, oil spots"),
        (AsFound.Noise, "noise, noises"),
        (AsFound.Smell, "smell, smells, odor, odour"),
        (AsFound.Insulation, "insulation"),
        (AsFound.Condensation, "condensation, sweat, sweating"));

    private static readonly ILookup<string, FactState> States = Lookup(
        (FactState.SwitchedOn, "on"),
        (FactState.SwitchedOff, "off"),
        (FactState.Off, "off"),
        (FactState.Shut, "shut, closed, ok, close, closes, closing, seals, seal, sealing"),
        (FactState.NotClosing, "stuck, stuck open"),
        (FactState.Blocked, "blocked, plugged, plugged up, clogged, matted, obstructed, backed up, overflowing"),
        (FactState.None, "none, no, clear"),
        (FactState.Shown, "yes, on, shown, active, sounding, up"),
        (FactState.Burning, "burning, burnt, burned, of burning"),
        (FactState.Defrosting, "defrost, defrosting, in defrost"),
        (FactState.Running, "on, running, runs, run, ok, working, works, work, turning, turns, turn, spinning, spins, spin, "
            + "moving, start, starts, starting, going, advancing, advances"),
        (FactState.Stopped, "off, stopped, dead, out, down, seized, locked, locked up, stuck, frozen, not on, silent, quiet, "
            + "standing, stands, stood"),
        (FactState.Cycling, "cycling, cycles, cycling on and off"),
        (FactState.Clear, "clear"),
        (FactState.Frosted, "frost, frosted, frosty, light frost, lightly frosted"),
        (FactState.Iced, "ice, iced, frozen, iced up, iced over, icing, solid ice, ice blocked, frozen up, frozen solid, "
            + "full of ice, block of ice, solid block of ice, iced up solid, packed with ice, blocked with ice"),
        (FactState.Clean, "clean"),
        (FactState.Dirty, "dirty, filthy, fouled, dusty"),
        (FactState.Refrigerating, "off, over, ended, done, finished, complete, just ended, just finished, terminated"),
        (FactState.Defrosting, "on, under way, started, running, active, in progress"),
        (FactState.InReturnAir, "return"),
        (FactState.AtDoor, "door"),
        (FactState.InSun, "sun"),
        (FactState.InDischargeAir, "discharge"),
        (FactState.Open, "open"),
        (FactState.Closed, "closed, shut"),
        (FactState.Full, "full, clear, solid, no bubbles"),
        (FactState.Bubbles, "bubbles, flashing, bubbling, foaming, foamy, flash gas, bubbly"),
        (FactState.Bare, "bare, none"),
        (FactState.IceBall, "iceball, snowball, ice ball, ball of ice, iced"),
        (FactState.FrostedBack, "yes, to compressor"),
        (FactState.Warm, "warm"),
        (FactState.Hot, "hot, very hot, burning hot"),
        (FactState.Cold, "cold"),
        (FactState.Steady, "steady"),
        (FactState.Chattering, "chattering, chatters, chatter, short cycling, short cycles"),
        (FactState.Ajar, "ajar, open, left open, cracked open"),
        (FactState.Sound, "sound, good, ok, fine, intact"),
        (FactState.Torn, "torn, ripped, split, damaged, cracked, shot"),
        (FactState.Dry, "dry"),
        (FactState.Wet, "wet, damp, soaked"),
        (FactState.Whole, "whole, ok, intact"),
        (FactState.Missing, "missing"),
        (FactState.Normal, "normal, ok, fine"),
        (FactState.AlarmMode, "alarm, in alarm"),
        (FactState.Scaled, "scale, scaled"),
        (FactState.Tripped, "tripped, blown, popped, trips, tripping"),
        (FactState.Rubbed, "rubbed, chafed, rubbed through, worn through"),
        (FactState.Burnt, "burnt, burned, melted, scorched"),
        (FactState.Found, "found, fitted, in place"),
        (FactState.Unusual, "unusual, loud, strange, odd, rattling, grinding, squealing"),
        (FactState.Gas, "gas, of gas, refrigerant"));

    private static readonly HashSet<string> Minutes = ["min", "mins", "minutes", "m", "minute"];
    private static readonly HashSet<string> Hours = ["h", "hr", "hrs", "hours", "hour"];

    private static readonly HashSet<string> Fillers = Set(
        "is, are, was, were, has, have, will, does, do, did, can, would, be, been, being, reads, reading, says, showing, keeps, "
            + "like, seems, looks, "
        + "now, still, just, already, again, currently, very, so, about, approx, around, for, since, ago, the, a, an, it, its, it's, "
        + "there, temp, temperature, =, ~, @");
    private static readonly HashSet<string> Prepositions = Set("in, on, at, of, from, to, over, by, with");
    private static readonly HashSet<string> Negations = Set(
        "not, no, never, isn't, isnt, aren't, arent, wasn't, wasnt, ain't, won't, wont, doesn't, doesnt, don't, dont, didn't, didnt, "
        + "can't, cant, cannot");
    private static readonly HashSet<string> Every = Set("all, both, every, each");
    private static readonly HashSet<string> Minus = Set("minus, neg, negative");
    private static readonly HashSet<string> Joins = Set("and, &, then, plus, but");
    private static readonly HashSet<string> Degrees = Set("deg, degs, degree, degrees, °, º");
    private static readonly Dictionary<string, int> Weighed = Table(
        (1, "added, add, charged, adding, weighed in, charged with, refilled, put in"),
        (-1, "recovered, recover, reclaimed, removed, pulled, weighed out, took out"));

    private static readonly Dictionary<string, bool> Vacuum = Table(
        (true, "vacuum, vac, vacuum at, vacuum down to, evacuated, evacuated to, pulled down to, deep vacuum"));

    /// <summary>Phrases that say fact and state in one.</summary>
    private static readonly Dictionary<string, (AsFound Fact, FactState State)> Sayings = Table(
        ((AsFound.Defrost, FactState.Defrosting), "in defrost, defrosting, clock in defrost, defrost clock in defrost, timer in defrost, "
            + "defrost timer in defrost, "
            + "clock is in defrost, on defrost"),
        ((AsFound.SuctionLineFrost, FactState.FrostedBack),
            "frosted back, frost back to compressor, frost back to the compressor, frosted back to compressor, "
            + "frosted back to the compressor, suction line frosted, suction line frosted back"),
        ((AsFound.LowPressureControl, FactState.Chattering), "short cycling on low pressure, short cycles on low pressure"));

    /// <summary>Parts by the words that technicians use for them, where they are replaced or measured.</summary>
    internal static Dictionary<string, ComponentKind> Parts { get; } = Table(
        (ComponentKind.EvaporatorFan, "evap fan, evap fan motor, evaporator fan, evaporator fan motor, box fan, box fan motor, "
            + "coil fan, coil fan motor, e-fan, evap motor"),
        (ComponentKind.FanDelaySwitch, "fan delay, fan delay switch, delay switch"),
        (ComponentKind.Coil, "evap coil, evaporator coil, evaporator"),
        (ComponentKind.HeaterElement, "heater, heaters, defrost heater, defrost heaters, heater element, htr, heater leg, element"),
        (ComponentKind.DefrostClock, "clock, defrost clock, timer, defrost timer, time clock"),
        (ComponentKind.DefrostRelay, "defrost relay, defrost contactor, change-over relay, changeover relay"),
        (ComponentKind.TerminationSwitch, "termination switch, term switch, limit switch, defrost termination"),
        (ComponentKind.DrainHeater, "drain heater, drain line heater, drain pan heater"),
        (ComponentKind.BoxSensor, "box sensor, box probe, air sensor, return air sensor, return air probe"),
        (ComponentKind.EndSensor, "coil sensor, coil probe, defrost sensor, defrost probe, termination sensor, evap probe"),
        (ComponentKind.Control, "controller, control, control board, board, thermostat, tstat, t-stat, temp control"),
        (ComponentKind.Display, "display"),
        (ComponentKind.LowPressureControl, "lp control, lp switch, low pressure control, low pressure switch, lpc"),
        (ComponentKind.HighPressureControl, "hp control, hp switch, high pressure control, high pressure switch, hpc"),
        (ComponentKind.FanCyclingControl, "fan cycling control, fan cycling switch, fan cycle switch"),
        (ComponentKind.Compressor, "comp, compressor, cond unit compressor"),
        (ComponentKind.Contactor, "contactor, comp contactor, compressor contactor"),
        (ComponentKind.StartRelay, "start relay, relay, potential relay, current relay, start kit, hard start kit"),
        (ComponentKind.Overload, "overload, comp overload, overload protector"),
        (ComponentKind.RunCapacitor, "run cap, run capacitor, comp cap, comp run cap, compressor capacitor, compressor run capacitor"),
        (ComponentKind.StartCapacitor, "start cap, start capacitor"),
        (ComponentKind.CondenserFan, "cond fan, cond fan motor, condenser fan, condenser fan motor, outdoor fan, outdoor fan motor"),
        (ComponentKind.CondenserFanCapacitor, "cond fan cap, cond fan capacitor, condenser fan cap, condenser fan capacitor"),
        (ComponentKind.ExpansionValve, "txv, tev, expansion valve, tx valve, thermostatic expansion valve"),
        (ComponentKind.ElectronicValve, "exv, eev, electronic expansion valve"),
        (ComponentKind.LiquidSolenoid, "solenoid, llsv, liquid solenoid, solenoid valve, liquid line solenoid"),
        (ComponentKind.Drier, "drier, dryer, filter drier, liquid line drier, filter dryer"),
        (ComponentKind.SightGlass, "sight glass, sightglass"),
        (ComponentKind.HeadPressureValve, "head pressure valve, head pressure control valve"),
        (ComponentKind.WaterValve, "water valve, water regulating valve, water reg valve"),
        (ComponentKind.EvaporatorRegulator, "epr, epr valve"),
        (ComponentKind.Breaker, "breaker, mcb, circuit breaker"),
        (ComponentKind.Fuse, "fuse, fuses"),
        (ComponentKind.Gasket, "gasket, door gasket, door seal, gaskets"),
        (ComponentKind.GlycolPump, "pump, glycol pump"));

    private static readonly Dictionary<string, int> Numbers =
        new() { ["one"] = 1, ["two"] = 2, ["three"] = 3, ["four"] = 4, ["five"] = 5, ["six"] = 6 };

    private static readonly Dictionary<string, string> Probes = Table(
        ("box-probe.error", "box, air, room, cabinet, control, thermostat"),
        ("end-probe.error", "end, defrost, termination, defrost end, coil, evaporator"),
        ("suction-probe.error", "suction, suction line, superheat"));

    private static HashSet<string> Set(string words) => [.. words.Split(", ")];

    /// <summary>The words of the walk-round, those that the benches bring, and the company's own; the company's win.</summary>
    public static QuickWords For(Company company, IEnumerable<BenchWords> benches)
    {
        var brought = benches.ToList();
        return new(
            brought.SelectMany(b => b.Points).Concat(company.Words).GroupBy(w => w.Key).ToDictionary(g => g.Key, g => g.Last().Value),
            Facts, States, Minutes, Hours, "note", "wiring")
        {
            Fillers = Fillers, Prepositions = Prepositions, Negations = Negations, Every = Every, Minus = Minus, Joins = Joins,
            Degrees = Degrees, Weighed = Weighed, Vacuum = Vacuum, Numbers = Numbers, Parts = Parts,
            Settings = brought.SelectMany(b => b.Settings).ToDictionary(), Sayings = Sayings, Answers = AnswerPhrases.All,
            Alike = AnswerPhrases.Alike, Tests = AnswerPhrases.Tests,
            Probes = Probes,
        };
    }

    private static ILookup<string, T> Lookup<T>(params (T Meaning, string Words)[] rows) =>
        rows.SelectMany(r => r.Words.Split(", "), (r, word) => (word, r.Meaning)).ToLookup(x => x.word, x => x.Meaning);

    /// <summary>Phrases that mean the same, separated by commas, each with its meaning.</summary>
    internal static Dictionary<string, T> Table<T>(params (T Meaning, string Words)[] rows) =>
        rows.SelectMany(r => r.Words.Split(", "), (r, word) => (word, r.Meaning)).ToDictionary(x => x.word, x => x.Meaning);
}
