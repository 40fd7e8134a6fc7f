using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Electrical;

/// <summary>What the verdict on an electrical part means for the unit, and what to do next.</summary>
public static class PartVerdictText
{
    /// <summary>Capacitors of the van in place of one that is bad, and what they would do.</summary>
    public static string StandIn(IReadOnlyList<double> parts, bool inSeries, double microfarad, PartResult needed)
    {
        var joined = string.Join(inSeries ? " in series with " : " beside ", parts.Select(p => $"{PartTestText.Number(p)} µF"));
        var what = parts.Count > 1 ? $"{joined} make {PartTestText.Number(microfarad)} µF" : joined;
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
        PartSlip.NoWindingTemperature => "Safe if the winding is warm, not if it is cold: its temperature decides.",
        PartSlip.PhaseToNeutral => "One pair reads as phase to neutral does: was a lead on neutral?",
        _ => "High, by an ohmmeter’s own battery: that shows no dead short and nothing more.",
    };

    /// <summary>The same without the numbers behind it.</summary>
    public static string Meaning(TestedPart part, PartVerdict verdict) => (part, verdict) switch
    {
        (_, PartVerdict.CannotTell) => "Numbers are missing, or cannot be so.",
        (TestedPart.Windings, PartVerdict.Sound) =>
            "The windings add up, which says nothing of earth.",
        (TestedPart.PhaseOrder, PartVerdict.Sound) => "L1-L2-L3: a motor wired as marked turns the right way.",
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
        (TestedPart.ThreePhaseSupply, PartVerdict.Dead) or (TestedPart.SinglePhaseSupply, PartVerdict.LegLost) =>
            "Nothing arrives here.",
        (TestedPart.PhaseOrder, PartVerdict.Reversed) =>
            "A scroll turned backwards is loud and pumps nothing, a fan blows the wrong way. Both can run on for hours.",
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
        (TestedPart.PotentialRelay, PartVerdict.Low) =>
            "The start winding is let go before the motor is up to speed: it starts hard and trips.",
        (TestedPart.PotentialRelay, PartVerdict.High) =>
            "Start winding and start capacitor stay in circuit, or come back while it runs: they burn.",
        (TestedPart.Overload, PartVerdict.TooSoon) =>
            "It starts against pressures that are not yet equal, and trips again: the wrong overload, or a control that calls too soon.",
        (TestedPart.Overload, PartVerdict.ProtectorOpen) => "It may do just what it is for.",
        (TestedPart.Overload, PartVerdict.Open) => "Open with a cold shell: the compressor gets no current.",
        (TestedPart.CompressorCurrent, PartVerdict.Locked) =>
            "It tries and does not turn: start components, voltage, pressures not yet equal, or seized.",
        (TestedPart.CompressorCurrent, PartVerdict.Watch) =>
            "Within its plate, yet more than suction and head ask for: voltage, capacitor, or it runs tight.",
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
        PartSlip.NoWindingTemperature => "Take the shell’s temperature as the winding’s and type it. Leave it off until then.",
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
        (TestedPart.ThreePhaseSupply, PartVerdict.Sound) =>
            "Where somebody worked on the supply: phase order next, before a motor runs on it.",
        (TestedPart.SinglePhaseSupply or TestedPart.SplitPhaseSupply or TestedPart.PhaseOrder, PartVerdict.Sound) =>
            "On to the parts it feeds.",
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
        (TestedPart.PhaseOrder, _) =>
            "Lock out, test dead; swap any two of its conductors where the unit is connected, and test again before it runs.",
        (TestedPart.Overload, PartVerdict.TooSoon) =>
            "Time both again from a trip. Then the overload by the compressor’s maker, and a delay on the control.",
        (TestedPart.ThreePhaseSupply, PartVerdict.Dead) or (TestedPart.SinglePhaseSupply, PartVerdict.LegLost) =>
            "Go back towards the source: behind the breaker, then before it.",
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
        var figure = PartTestText.Figure(of.Test, of.Verdict, Value("value"), Value("low"), Value("high"));
        var numbers = figure.Length > 0 ? $": {figure}" : "";
        var low = detail.Length > 0 ? $" {detail} low." : "";
        return $"{CircuitText.Sentence(PartTestText.Headline(of.Test, of.Verdict, part)).TrimEnd('.')}{numbers}.{low} "
            + $"{Meaning(of.Test, of.Verdict)} {Next(of.Test, of.Verdict, policies)}";
    }
}
