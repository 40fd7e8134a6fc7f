using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Pages.Visits.Circuit;

namespace KeenEmber.Web.Wording;

/// <summary>The words of quick entry, and what it says back.</summary>
public static class QuickText
{
    private static readonly Dictionary<string, PointRef> Points = Table(
        (MeasuringPoint.BoxAir, "box, box air, air, room, bath, rail, side a, case, return air, air on, entering air"),
        (MeasuringPoint.AirLeaving, "leaving, air leaving, air leaving coil, supply air, air off, leaving air"),
        (MeasuringPoint.SuctionPressure, "suc, suct, suction, suction pressure, low side, lp, sp"),
        (MeasuringPoint.SuctionLineCoil, "line, suction line, suc line, sl, coil out, coil outlet, suction line coil, bulb"),
        (MeasuringPoint.SuctionLineCompressor, "comp line, suction line comp, suction line compressor, comp inlet, line comp, return gas"),
        (MeasuringPoint.DischargePressure, "head, head pressure, discharge pressure, high side, hp, dis"),
        (MeasuringPoint.DischargeLine, "discharge line, hot gas, discharge temp, dis line, dl"),
        (MeasuringPoint.LiquidLine, "liq, liquid, liquid line, ll"),
        (MeasuringPoint.CondenserAir,
            "amb, ambient, cond air, condenser air, condenser air in, air on condenser, outside, outdoor, air to condenser, water "
            + "off, water leaving"),
        (MeasuringPoint.BoxAir.At(2), "base, base air, box b, side b, air b"),
        (MeasuringPoint.AirLeaving.At(2), "leaving b, leaving base, base leaving"),
        (MeasuringPoint.SuctionLineCoil.At(2), "line b, line base, base line"),
        (MeasuringPoint.CompressorCurrent, "amps, comp amps, current, compressor current"),
        (MeasuringPoint.HeadCycleLow, "head low, head cycle low"),
        (MeasuringPoint.HeadCycleHigh, "head high, head cycle high"),
        (MeasuringPoint.LiquidAfterDrier, "drier, drier out, after drier, liquid after drier"),
        (MeasuringPoint.BoxDisplay, "display, shown, controller shows"),
        (MeasuringPoint.Product, "product, stock, core"));

    private static readonly Dictionary<string, AsFound> Facts = Table(
        (AsFound.EvaporatorFan, "fan, fans, evap fan, evap fans, evaporator fan, evaporator fans"),
        (AsFound.Coil, "coil, evap, evaporator"),
        (AsFound.Compressor, "comp, compressor"),
        (AsFound.Defrost, "defrost"),
        (AsFound.BoxThermometer, "thermometer, box thermometer"),
        (AsFound.CondenserFan, "cond fan, condenser fan"),
        (AsFound.CondenserFace, "cond, condenser"),
        (AsFound.LiquidSolenoid, "solenoid, liquid solenoid"),
        (AsFound.SuctionStop, "suction stop"),
        (AsFound.SightGlass, "glass, sight glass"),
        (AsFound.ValveBody, "valve, txv, metering, cap tube"),
        (AsFound.SuctionLineFrost, "suction frost, frost back"),
        (AsFound.CompressorShell, "shell, comp shell"),
        (AsFound.LowPressureControl, "lp control, low pressure control"),
        (AsFound.Door, "door"),
        (AsFound.Gasket, "gasket, door seal"),
        (AsFound.Return, "return"),
        (AsFound.Drain, "drain"),
        (AsFound.Alarm, "alarm"),
        (AsFound.ControllerMode, "mode, controller"),
        (AsFound.ClockMotor, "clock"),
        (AsFound.ControlMoisture, "control"),
        (AsFound.Supply, "breaker, breakers, fuses, supply power"),
        (AsFound.Wiring, "wiring, wires"),
        (AsFound.Jumpers, "jumper, jumpers"),
        (AsFound.OilTraces, "oil"),
        (AsFound.Noise, "noise"),
        (AsFound.Smell, "smell"),
        (AsFound.Insulation, "insulation"),
        (AsFound.Condensation, "condensation, sweat"));

    private static readonly ILookup<string, FactState> States = Lookup(
        (FactState.SwitchedOn, "on"),
        (FactState.SwitchedOff, "off"),
        (FactState.Off, "off"),
        (FactState.Shut, "shut, closed, ok"),
        (FactState.NotClosing, "stuck, open"),
        (FactState.Blocked, "blocked"),
        (FactState.None, "none, no"),
        (FactState.Shown, "yes, on, shown"),
        (FactState.Burning, "burning, burnt"),
        (FactState.Defrosting, "defrost, defrosting"),
        (FactState.Running, "on, running, runs, run, ok"),
        (FactState.Stopped, "off, stopped, dead, out"),
        (FactState.Cycling, "cycling, cycles"),
        (FactState.Clear, "clear"),
        (FactState.Frosted, "frost, frosted"),
        (FactState.Iced, "ice, iced, frozen"),
        (FactState.Clean, "clean"),
        (FactState.Dirty, "dirty, blocked"),
        (FactState.Refrigerating, "off, over, ended, done, finished"),
        (FactState.Defrosting, "on, under way, started"),
        (FactState.InReturnAir, "return"),
        (FactState.AtDoor, "door"),
        (FactState.InSun, "sun"),
        (FactState.InDischargeAir, "discharge"),
        (FactState.Open, "open"),
        (FactState.Closed, "closed, shut"),
        (FactState.Full, "full"),
        (FactState.Bubbles, "bubbles, flashing"),
        (FactState.Bare, "bare, none"),
        (FactState.IceBall, "iceball, snowball"),
        (FactState.FrostedBack, "yes"),
        (FactState.Warm, "warm"),
        (FactState.Hot, "hot"),
        (FactState.Cold, "cold"),
        (FactState.Steady, "steady"),
        (FactState.Chattering, "chattering, chatters"),
        (FactState.Ajar, "ajar"),
        (FactState.Sound, "sound, good"),
        (FactState.Torn, "torn"),
        (FactState.Dry, "dry"),
        (FactState.Wet, "wet"),
        (FactState.Whole, "whole"),
        (FactState.Missing, "missing"),
        (FactState.Normal, "normal"),
        (FactState.AlarmMode, "alarm"),
        (FactState.Scaled, "scale, scaled"),
        (FactState.Tripped, "tripped, blown"),
        (FactState.Rubbed, "rubbed"),
        (FactState.Burnt, "burnt"),
        (FactState.Found, "found"),
        (FactState.Unusual, "unusual, loud"),
        (FactState.Gas, "gas"));

    private static readonly HashSet<string> Minutes = ["min", "mins", "minutes", "m"];
    private static readonly HashSet<string> Hours = ["h", "hr", "hrs", "hours"];

    /// <summary>The built-in words and the shop's own; the shop's win.</summary>
    public static QuickWords Words(Shop shop) => new(
        Points.Concat(shop.Words).GroupBy(w => w.Key).ToDictionary(g => g.Key, g => g.Last().Value),
        Facts, States, Minutes, Hours, "note", "wiring");

    /// <summary>Reads "our word = point" lines; the point by its name or any word that is known already.</summary>
    /// <returns>The words, or what is wrong with the first bad line.</returns>
    public static (IReadOnlyDictionary<string, PointRef>? Words, string? Error) ReadShopWords(string? text)
    {
        var words = new Dictionary<string, PointRef>();
        foreach (var line in (text ?? "").Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var parts = line.ToLowerInvariant().Split('=', StringSplitOptions.TrimEntries);
            if (parts.Length != 2 || parts[0].Length is 0 or > 40 || parts[0].Split(' ').Length > 4 || parts[0].Any(char.IsDigit))
                return (null, $"“{line}”: write one to four words without figures, an equals sign, and the point.");
            var named = MeasuringPoints.InWalkingOrder.Where(p => CircuitText.Name(p) == parts[1]).Select(p => (PointRef?)p)
                .FirstOrDefault();
            if ((named ?? (Points.TryGetValue(parts[1], out var known) ? known : null)) is not { } point)
                return (null, $"“{parts[1]}” is no point of the circuit. Use one of the words above.");
            words[parts[0]] = point;
        }

        return (words, null);
    }

    /// <summary>Every word of every point, for the list on the shop's page.</summary>
    public static IEnumerable<(PointRef Point, string Words)> PointWords(Shop shop) =>
        MeasuringPoints.InWalkingOrder.Select(
            p => (p, string.Join(", ", Points.Concat(shop.Words).Where(w => w.Value == p).Select(w => w.Key))));

    public static string Example(UnitPreference units) => units == UnitPreference.Us
        ? "suc 21, line -4" : "suc 1.4, line -20";

    public static string Understood(QuickItem item, UnitText units, Pressure atmosphere) => item switch
    {
        QuickReading r => $"{CircuitText.Name(r.Point)} {units.Value(r.Point, r.Value.Si(atmosphere))}",
        QuickObservation o =>
            $"{FactText.Name(o.Fact)}{(o.Fact == AsFound.EvaporatorFan ? o.Index is { } n ? $" {n}" : "s, all" : "")} "
            + $"{FactText.Name(o.State)}"
            + (o.RunTime is { } t ? $" for {t.TotalMinutes:F0} min" : ""),
        QuickNote n => $"{(n.Topic == Topic.Wiring ? "wiring, kept for the unit" : "note")}: {n.Note}",
        QuickUnclear u => Unclear(u, units.Units),
        _ => "",
    };

    private static string Unclear(QuickUnclear item, UnitPreference units) => item.Problem switch
    {
        QuickProblem.ValueMissing => $"“{item.Text}”: add a value, such as {TypingText.Example(item.Point!.Value.Kind(), units)}.",
        QuickProblem.BadValue => $"“{item.Text}”: {TypingText.Problem(item.Typing!.Value, item.Point!.Value.Kind(), units)}",
        QuickProblem.StateMissing => $"“{item.Text}”: add a state: on or off; for a coil, clear, frost or ice.",
        QuickProblem.StateDoesNotFit => $"“{item.Text}”: that state does not fit this part.",
        QuickProblem.NoSuchFan => $"“{item.Text}”: this unit has no such fan.",
        QuickProblem.LineTooLong => $"“{item.Text}…” is too long for one line: {QuickEntry.LongestLine} characters at most.",
        QuickProblem.TooManyEntries => $"“{item.Text}…” has more than {QuickEntry.MostEntries} entries. Save it in two lines.",
        _ => $"“{item.Text}” is not understood.",
    };

    private static ILookup<string, T> Lookup<T>(params (T Meaning, string Words)[] rows) =>
        rows.SelectMany(r => r.Words.Split(", "), (r, word) => (word, r.Meaning)).ToLookup(x => x.word, x => x.Meaning);

    private static Dictionary<string, T> Table<T>(params (T Meaning, string Words)[] rows) =>
        rows.SelectMany(r => r.Words.Split(", "), (r, word) => (word, r.Meaning)).ToDictionary(x => x.word, x => x.Meaning);
}
