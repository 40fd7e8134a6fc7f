using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Web.Wording;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>What a test of an electrical part is called, how it is made safely, what it says, and what to do next.</summary>
public static class PartTestText
{
    /// <summary>As a choice.</summary>
    public static string Name(TestedPart test) => test switch
    {
        TestedPart.Capacitor => "capacitance",
        TestedPart.Windings => "three pins",
        TestedPart.Insulation => "to earth",
        TestedPart.ThreePhaseSupply => "three phases",
        TestedPart.SinglePhaseSupply => "single phase",
        TestedPart.SplitPhaseSupply => "two legs and neutral",
        TestedPart.Fuse => "voltage across it",
        TestedPart.ContactorPole => "drop across a closed pole",
        TestedPart.Switch => "voltage across it",
        TestedPart.Coil => "coil or winding",
        TestedPart.Heater => "its ohms or amps",
        TestedPart.FanMotor => "current and speed",
        TestedPart.Transformer => "both sides of its transformer",
        TestedPart.CurrentRelay => "current relay, both ways up",
        TestedPart.PotentialRelay => "potential relay",
        TestedPart.SolidStateRelay => "solid-state relay",
        TestedPart.Overload => "cold and open or closed",
        _ => "current",
    };

    /// <summary>The label of a field.</summary>
    public static string Label(PartField field) => field.IsPlate ? $"Marked: {Label(field.Name)}"
        : CircuitText.Sentence(field.Name == "volts" ? "at its terminals, V" : Label(field.Name));

    /// <summary>The same within a line, without the unit, which stands behind the number.</summary>
    public static string InLine(PartField field) => (field.IsPlate ? "marked " : "") + Label(field.Name).Split(", ")[0];

    private static string Label(string field) => field switch
    {
        "microfarad" => "µF",
        "tolerancePercent" => "± %",
        "leadOhms" => "leads shorted, Ω",
        "ohms12" => "pins 1-2, Ω",
        "ohms23" => "pins 2-3, Ω",
        "ohms13" => "pins 1-3, Ω",
        "testVolts" => "test voltage, V",
        "megohm" => "to earth, MΩ",
        "windingC" => "winding temperature",
        "volts12" => "L1-L2, V",
        "volts23" => "L2-L3, V",
        "volts13" => "L1-L3, V",
        "volts1N" => "L1-N, V",
        "volts2N" => "L2-N, V",
        "volts" => "voltage, V",
        "runVolts" => "while it runs, V",
        "startVolts" => "as it starts, V",
        "voltsAcross" => "across it, V",
        "amps" => "current, A",
        "hertz" => "frequency, Hz",
        "lockedAmps" => "locked rotor, A",
        "ohms" => "resistance, Ω",
        "watts" => "power, W",
        "rpm" => "speed, rpm",
        "twinRpm" => "its twin, rpm",
        "primaryVolts" => "primary, V",
        "secondaryVolts" => "secondary, V",
        "ohmsUpright" => "as it hangs, Ω",
        "ohmsInverted" => "upside down, Ω",
        "contactOhms" => "contact at rest, Ω",
        "coilOhms" => "coil, Ω",
        _ => "shell temperature",
    };

    /// <summary>What can hurt somebody or the part at this test.</summary>
    public static string Caution(TestedPart test) => test switch
    {
        TestedPart.Capacitor => "Lock out, test dead, discharge it through a resistor, take its leads off: a screwdriver across it can "
            + "burst it. Or live, under load: its volts, its amps and the frequency, no wire lifted.",
        TestedPart.Insulation => "Lock out, test dead. Take off electronics and every lead: the tester’s voltage kills boards and bites. "
            + "Never test a compressor in vacuum. Discharge what was tested.",
        TestedPart.Windings => "Lock out, test dead, discharge the capacitor, all leads off the pins. A terminal can blow out of a shell "
            + "under pressure: keep your face away.",
        TestedPart.CurrentRelay or TestedPart.PotentialRelay or TestedPart.SolidStateRelay or TestedPart.Overload =>
            "Lock out, test dead, discharge the capacitor, its leads off.",
        TestedPart.Coil or TestedPart.Heater =>
            "Volts and amps: live test, meter rated for the place, one hand. Ohms: lock out, test dead, one lead off, or another path is "
            + "measured.",
        TestedPart.FanMotor => "Rotating blades: guards on while it runs. Clamp round one conductor only.",
        _ => "Live test: meter rated for the place, checked on a known source before and after; one hand, leads whole.",
    };

    /// <summary>What it is about in one sentence without figures: "The run capacitor is weak."</summary>
    public static string Headline(TestedPart test, PartVerdict verdict, string part) => (test, verdict) switch
    {
        (TestedPart.Capacitor, PartVerdict.Low) => $"The {part} is weak.",
        (TestedPart.Capacitor, PartVerdict.High) => $"The {part} does not fit its mark.",
        (TestedPart.Windings, PartVerdict.Shorted) => $"A winding of the {part} is shorted.",
        (TestedPart.Windings, PartVerdict.Open) => $"A winding of the {part} is open.",
        (TestedPart.Windings, PartVerdict.ProtectorOpen) => $"The protector in the {part} is open.",
        (TestedPart.Windings, _) => $"The windings of the {part} do not add up.",
        (TestedPart.Insulation, _) => $"The {part} leaks to earth.",
        (TestedPart.ThreePhaseSupply, PartVerdict.LegLost) => "A leg of the supply is lost.",
        (TestedPart.ThreePhaseSupply, _) => "The supply voltages are out of balance.",
        (TestedPart.SinglePhaseSupply, PartVerdict.LegLost) => "The supply is dead.",
        (TestedPart.SinglePhaseSupply, PartVerdict.Low) => "The supply voltage is low.",
        (TestedPart.SinglePhaseSupply, _) => "The supply voltage is high.",
        (TestedPart.SplitPhaseSupply, PartVerdict.LegLost) => "A leg of the split supply is lost.",
        (TestedPart.SplitPhaseSupply, PartVerdict.NeutralLost) => "The neutral of the supply is open.",
        (TestedPart.SplitPhaseSupply, _) => "The supply’s two legs do not add up.",
        (TestedPart.Fuse, _) => $"The {part} is blown.",
        (TestedPart.ContactorPole, PartVerdict.Open) => $"A pole of the {part} does not close.",
        (TestedPart.ContactorPole, _) => $"A pole of the {part} is burnt.",
        (TestedPart.Switch, PartVerdict.Open) => $"The {part} is open.",
        (TestedPart.Switch, _) => $"The contact of the {part} is burnt.",
        (TestedPart.Coil, PartVerdict.Open) => $"The winding of the {part} is open.",
        (TestedPart.Coil, PartVerdict.Shorted) => $"The coil of the {part} is shorted.",
        (TestedPart.Coil, PartVerdict.Starved) => $"The coil of the {part} gets too little voltage.",
        (TestedPart.Coil, PartVerdict.Low) => $"The coil of the {part} has too few ohms.",
        (TestedPart.Coil, _) => $"The coil of the {part} has too many ohms.",
        (TestedPart.Heater, PartVerdict.Low) => $"The {part} has too few ohms.",
        (TestedPart.Heater, PartVerdict.High) => $"The {part} has too many ohms.",
        (TestedPart.FanMotor, PartVerdict.High) => $"The {part} draws too much.",
        (TestedPart.FanMotor, _) => $"The {part} turns too slowly.",
        (TestedPart.Transformer, PartVerdict.High) => "The control transformer gives too much.",
        (TestedPart.Transformer, PartVerdict.Low) => "The control transformer gives too little.",
        (TestedPart.Transformer, _) => "The control transformer gives nothing.",
        (TestedPart.CurrentRelay, PartVerdict.Shorted) => $"The {part} stays closed.",
        (TestedPart.Overload, PartVerdict.ProtectorOpen) => $"The {part} is open while the shell is hot.",
        (TestedPart.CompressorCurrent, PartVerdict.Locked) => $"The {part} draws its locked-rotor current.",
        (TestedPart.CompressorCurrent, PartVerdict.High) => $"The {part} draws too much.",
        (TestedPart.CompressorCurrent, PartVerdict.Low) => $"The {part} draws too little.",
        (TestedPart.CompressorCurrent, _) => $"The {part} draws nothing.",
        (_, PartVerdict.Shorted) => $"The {part} is shorted.",
        _ => $"The {part} is open.",
    };

    /// <summary>The number it rests on with its band, "5.2 µF (7.5 to 8.5)"; empty where there is none.</summary>
    public static string Figure(TestedPart test, PartVerdict verdict, double? value, double? low, double? high)
    {
        if (value is not { } number)
            return "";
        var unit = Unit(test, verdict);
        var band = (low, high) switch
        {
            ({ } l, { } h) => $" ({Number(l)} to {Number(h)})",
            ({ } l, null) => $" (at least {Number(l)})",
            (null, { } h) => $" (at most {Number(h)})",
            _ => "",
        };
        return $"{Number(number)} {unit}{band}";
    }

    private static string Unit(TestedPart test, PartVerdict verdict) => test switch
    {
        TestedPart.Capacitor => "µF",
        TestedPart.Insulation => "MΩ at 40 °C",
        TestedPart.ThreePhaseSupply => "% out of balance",
        TestedPart.SplitPhaseSupply => verdict == PartVerdict.DoesNotAddUp ? "V" : "% apart",
        TestedPart.Fuse or TestedPart.ContactorPole or TestedPart.Switch => "% of the supply across it",
        TestedPart.SinglePhaseSupply or TestedPart.Transformer => "V",
        TestedPart.Coil => verdict is PartVerdict.Starved ? "V" : "Ω",
        TestedPart.FanMotor => verdict == PartVerdict.Low ? "rpm" : "A",
        TestedPart.CompressorCurrent => "A",
        _ => "Ω",
    };

    private static string Number(double value) => UnitText.Number(value, Math.Abs(value) switch
    {
        >= 100 => 0,
        >= 1 => 1,
        _ => 2,
    });

    /// <summary>Capacitors of the van in place of one that is bad, and what they would do.</summary>
    public static string StandIn(IReadOnlyList<double> parts, bool inSeries, double microfarad, PartResult needed)
    {
        var joined = string.Join(inSeries ? " in series with " : " beside ", parts.Select(p => $"{Number(p)} µF"));
        var what = parts.Count > 1 ? $"{joined} make {Number(microfarad)} µF" : joined;
        var does = microfarad switch
        {
            _ when microfarad < needed.Low => "too little: the motor runs weak and hot. Not as a repair.",
            _ when microfarad > needed.High => "too much: the winding runs hot. Not as a repair.",
            _ => "within the band: it may stay until the right one is there.",
        };
        return $"Nearest: {what}, {does} Same kind, voltage not below the old one’s; a run capacitor never by a start capacitor.";
    }

    /// <summary>What it means for the unit.</summary>
    public static string Meaning(TestedPart part, PartResult result) =>
        result.Slip is { } slip ? Slip(slip) : Meaning(part, result.Verdict);

    private static string Slip(PartSlip slip) => slip switch
    {
        PartSlip.Thousandfold => "A thousand times off: was it kΩ for Ω, or nF for µF?",
        PartSlip.PhaseToNeutral => "One pair reads as phase to neutral does: was a lead on neutral?",
        _ => "High, by an ohmmeter’s own battery: that shows no dead short and nothing more.",
    };

    /// <summary>The same without the numbers behind it.</summary>
    public static string Meaning(TestedPart part, PartVerdict verdict) => (part, verdict) switch
    {
        (_, PartVerdict.CannotTell) => "Numbers are missing, or cannot be so.",
        (TestedPart.Windings, PartVerdict.Sound) =>
            "The windings add up, which says nothing of earth.",
        (TestedPart.Switch, PartVerdict.Sound) => "Closed.",
        (TestedPart.Overload, PartVerdict.Sound) => "Closed. That is cold: whether it opens too soon only its amps tell.",
        (_, PartVerdict.Sound) => "Within its band.",
        (TestedPart.Capacitor, PartVerdict.Watch) => "Near the low end: it drifts. Compare it with the last visits.",
        (TestedPart.Capacitor, PartVerdict.Low) =>
            "It has lost capacitance: the motor starts hard, runs hot and draws more.",
        (TestedPart.Capacitor, PartVerdict.High) =>
            "More than its mark: another capacitor, one that fails, or another still wired to it.",
        (TestedPart.Capacitor, PartVerdict.Open) => "Open: the motor hums and does not start, or runs weak.",
        (TestedPart.Windings, PartVerdict.ProtectorOpen) =>
            "Run and start are whole; common is cut off. A hot shell holds its protector open.",
        (TestedPart.Windings, PartVerdict.Open) => "A winding is open.",
        (TestedPart.Windings, PartVerdict.Shorted) => "Two pins have no resistance between them.",
        (TestedPart.Windings, PartVerdict.DoesNotAddUp) =>
            "A sound single-phase motor’s largest is the sum of the other two, three phases are alike. Turns are shorted, or a lead was "
            + "on.",
        (TestedPart.Insulation, PartVerdict.Unsafe) => "Too low for power: it may trip, burn, or make the shell live.",
        (TestedPart.Insulation, PartVerdict.Watch) => "Safe, and low: damp or burnt oil. The trend tells.",
        (TestedPart.ThreePhaseSupply, PartVerdict.LegLost) =>
            "A motor on what is left burns out; what the dead leg shows behind a running motor is a phantom.",
        (TestedPart.ThreePhaseSupply, PartVerdict.High) =>
            "2 % is allowed: a motor’s heat rises with about the square of it.",
        (TestedPart.ThreePhaseSupply, PartVerdict.Watch) => "More than 1 %: watch it under load.",
        (TestedPart.SinglePhaseSupply, PartVerdict.LegLost) => "Nothing arrives here.",
        (TestedPart.SinglePhaseSupply, PartVerdict.Low) => "Motors start hard and run hot on it; contactors chatter.",
        (TestedPart.SinglePhaseSupply, PartVerdict.High) => "Coils and windings run hot on it.",
        (TestedPart.SplitPhaseSupply, PartVerdict.NeutralLost) =>
            "The legs divide the whole by what hangs on them: one side burns, the other starves.",
        (TestedPart.SplitPhaseSupply, PartVerdict.DoesNotAddUp) => "The two legs should add up to the whole; these do not.",
        (TestedPart.Fuse, PartVerdict.Open) => "The supply stands across it: it is blown. That is a result, not a cause.",
        (TestedPart.Fuse, PartVerdict.Watch) =>
            "Neither none nor all of the supply: voltage comes back through a load. Measure again with the load off.",
        (TestedPart.ContactorPole, PartVerdict.Open) => "The supply stands across it: the pole does not close.",
        (TestedPart.ContactorPole or TestedPart.Switch, PartVerdict.High) => "Too much is lost across it: the contact is burnt or dirty.",
        (TestedPart.Switch, PartVerdict.Open) =>
            "The supply stands across it: it is open. Whether it should be is the question before any blame.",
        (TestedPart.Coil, PartVerdict.Open) => "No current can flow in it.",
        (TestedPart.Coil, PartVerdict.Starved) => "It chatters or does not pull: the fault is before it.",
        (TestedPart.Heater, PartVerdict.Open) => "The element is open.",
        (TestedPart.Heater, PartVerdict.High) => "An element of several is out, or a joint is bad.",
        (TestedPart.Heater, PartVerdict.Low) =>
            "Another element than the nameplate says, a partial short, or a path beside it that was not opened.",
        (TestedPart.FanMotor, PartVerdict.High) => "It draws more than its nameplate: bearing, blade, voltage or winding.",
        (TestedPart.FanMotor, PartVerdict.Low) => "Bearing, capacitor, voltage, or ice on the blade.",
        (TestedPart.Transformer, PartVerdict.High) => "More than its ratio makes of what it gets: another tap, or another transformer.",
        (TestedPart.Transformer, _) => "Less than its ratio makes of what it gets.",
        (TestedPart.CurrentRelay, PartVerdict.Shorted) => "Closed as it hangs: the start winding stays on and burns.",
        (TestedPart.CurrentRelay, PartVerdict.Open) => "Open both ways up: the compressor hums or tries and trips.",
        (TestedPart.PotentialRelay, PartVerdict.Open) => "Contact or coil is open: it starts not, or the start winding stays on.",
        (TestedPart.PotentialRelay, PartVerdict.Shorted) => "Too few ohms for such a coil.",
        (TestedPart.SolidStateRelay, PartVerdict.Open) => "The start winding gets nothing: the compressor hums.",
        (TestedPart.SolidStateRelay, PartVerdict.Shorted) => "The start winding stays on and burns.",
        (TestedPart.Overload, PartVerdict.ProtectorOpen) => "It may do just what it is for.",
        (TestedPart.Overload, PartVerdict.Open) => "Open with a cold shell: the compressor gets no current.",
        (TestedPart.CompressorCurrent, PartVerdict.Locked) =>
            "It tries and does not turn: start components, voltage, pressures not yet equal, or seized.",
        (TestedPart.CompressorCurrent, PartVerdict.High) => "High head, low voltage, a weak capacitor, or a tight compressor.",
        (TestedPart.CompressorCurrent, PartVerdict.Low) => "It moves little gas: low suction, or it turns and does not pump.",
        (TestedPart.CompressorCurrent, PartVerdict.Open) => "It does not try: the circuit to it is open, its protector first.",
        (_, PartVerdict.Open) => "It is open.",
        (_, PartVerdict.Shorted) => "It has no resistance.",
        (_, PartVerdict.Low) => "Less than it should be.",
        (_, PartVerdict.High) => "More than it should be.",
        _ => "Watch it.",
    };

    /// <summary>What to do next.</summary>
    /// <param name="policies">How the company replaces start components and capacitors.</param>
    public static string Next(TestedPart part, PartResult result, Policies policies) => result.Slip switch
    {
        PartSlip.NoTestVoltage => "Test with 500 V, electronics off, before power goes on.",
        not null => "Measure again and read the unit on the meter’s display.",
        _ => Next(part, result.Verdict, policies),
    };

    /// <summary>The same without the numbers behind it.</summary>
    public static string Next(TestedPart part, PartVerdict verdict, Policies policies) => (part, verdict) switch
    {
        (_, PartVerdict.CannotTell) => "Measure again.",
        (TestedPart.Windings or TestedPart.Overload, PartVerdict.ProtectorOpen) =>
            "Let the shell cool until a hand can rest on it, then measure again. Find what made it hot.",
        (TestedPart.Windings, PartVerdict.Sound) => "Each pin to the shell next, with an insulation tester.",
        (_, PartVerdict.Sound) => "Leave it in.",
        (TestedPart.Capacitor, PartVerdict.Watch) => "Note the value and measure it at the next visit.",
        (TestedPart.Capacitor, _) =>
            "Discharge it through a resistor, replace it by its rating, then measure the motor’s current.",
        (TestedPart.Windings, PartVerdict.DoesNotAddUp) =>
            "Lock out, take every lead off the pins, short the meter’s leads, and measure again.",
        (TestedPart.Windings, PartVerdict.Shorted) => "Check each winding to earth before power goes on.",
        (TestedPart.Insulation, PartVerdict.Unsafe) => "Leave it off. Measure again with its leads off, then part by part.",
        (TestedPart.ThreePhaseSupply or TestedPart.SplitPhaseSupply, PartVerdict.LegLost) =>
            "Leave it off. Measure across each fuse, then before and after each contact.",
        (TestedPart.SplitPhaseSupply, PartVerdict.NeutralLost) =>
            "Leave it off and call who is licensed for the supply: everything on it is at risk, not the unit alone.",
        (TestedPart.SplitPhaseSupply, _) => "Measure all three again in one go, the load steady.",
        (TestedPart.ThreePhaseSupply, PartVerdict.High) => "Check each connection under load, then the supply without the unit.",
        (TestedPart.SinglePhaseSupply, PartVerdict.LegLost) => "Go back towards the source: behind the breaker, then before it.",
        (TestedPart.SinglePhaseSupply, PartVerdict.Low) =>
            "Compare idle and running: if it falls only under load, a joint or the cable loses it on the way.",
        (TestedPart.SinglePhaseSupply, _) => "Measure at the panel; the supplier or the building’s electrician sets it right.",
        (TestedPart.Fuse, PartVerdict.Open) =>
            "Lock out. Test everything that hangs on it to earth before a new one goes in; replace the whole set.",
        (TestedPart.ContactorPole, PartVerdict.Open or PartVerdict.High) =>
            "Lock out and look at the contacts; replace the contactor, all poles.",
        (TestedPart.Switch, PartVerdict.Open) =>
            "Find out what opened it: its setting against what it feels. A safety is never bridged.",
        (TestedPart.Coil, PartVerdict.Starved) => "Go back towards the source, contact by contact.",
        (TestedPart.CurrentRelay or TestedPart.PotentialRelay or TestedPart.SolidStateRelay or TestedPart.Overload, _) =>
            policies.Of(Policy.StartParts) == PolicyChoice.StartPartsAsKit
                ? "Replace relay, overload and capacitor together, and ask why it failed: short cycling, low voltage."
                : "Test the other start components too, replace what is bad, and ask why it failed: short cycling, low voltage.",
        (TestedPart.CompressorCurrent, PartVerdict.Locked) =>
            "Switch it off now. Overload, relay, capacitor, voltage as it starts, in that order, before the compressor is blamed.",
        (TestedPart.CompressorCurrent, PartVerdict.High) => "Head pressure and supply voltage first, then its capacitor.",
        (TestedPart.CompressorCurrent, PartVerdict.Low) => 
            "Suction and head against each other: equal ones while it hums mean it does not pump.",
        (TestedPart.CompressorCurrent, _) => "Overload, relay, windings, in that order.",
        (TestedPart.FanMotor, PartVerdict.High or PartVerdict.Low) =>
            "Lock out, turn it by hand; then its capacitor and the voltage at it.",
        (TestedPart.Transformer, _) => "Take the load off one side and measure again before the transformer is blamed.",
        (_, PartVerdict.Watch) => "Measure it again at the next visit.",
        _ => "Confirm it with its leads off and the power locked out, then replace it by its rating.",
    };

    /// <summary>A finding in a sentence: the part, the number, what it means and what to do.</summary>
    public static string Sentence(
        string part, (TestedPart Test, PartVerdict Verdict) of, IReadOnlyDictionary<string, double> values, string detail,
        Policies policies)
    {
        double? Value(string name) => values.TryGetValue(name, out var value) ? value : null;
        var figure = Figure(of.Test, of.Verdict, Value("value"), Value("low"), Value("high"));
        var numbers = figure.Length > 0 ? $": {figure}" : "";
        var low = detail.Length > 0 ? $" {detail} low." : "";
        return $"{CircuitText.Sentence(Headline(of.Test, of.Verdict, part)).TrimEnd('.')}{numbers}.{low} "
            + $"{Meaning(of.Test, of.Verdict)} {Next(of.Test, of.Verdict, policies)}";
    }
}
