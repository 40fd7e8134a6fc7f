using KeenEmber.Core.Benches.Electrical;

namespace KeenEmber.Web.Pages.Visits.Electrical;

/// <summary>What a test of an electrical part says, and what to do next.</summary>
public static class PartTestText
{
    /// <summary>What it means for the unit.</summary>
    public static string Meaning(TestedPart part, PartVerdict verdict) => (part, verdict) switch
    {
        (_, PartVerdict.CannotTell) => "Numbers are missing, or cannot be so.",
        (TestedPart.Windings, PartVerdict.Sound) =>
            "The windings add up. It says nothing of earth: measure each pin to the shell.",
        (_, PartVerdict.Sound) => "Within its band.",
        (TestedPart.Capacitor, PartVerdict.Watch) => "Near the low end: it drifts. Compare it with the last visits.",
        (TestedPart.Capacitor, PartVerdict.Low) =>
            "It has lost capacitance: the motor starts hard, runs hot and draws more.",
        (TestedPart.Capacitor, PartVerdict.High) => "More than its mark: another capacitor, or one that fails.",
        (TestedPart.Capacitor, PartVerdict.Open) => "Open: the motor hums and does not start, or runs weak.",
        (TestedPart.Windings, PartVerdict.ProtectorOpen) =>
            "Run and start are whole; common is cut off. A hot shell holds its protector open.",
        (TestedPart.Windings, PartVerdict.Open) => "A winding is open.",
        (TestedPart.Windings, PartVerdict.Shorted) => "Two pins have no resistance between them.",
        (TestedPart.Windings, PartVerdict.DoesNotAddUp) =>
            "The largest is not the sum of the other two: turns are shorted, or a lead was off.",
        (TestedPart.Insulation, PartVerdict.Unsafe) => "Too low for power: it may trip, burn, or make the shell live.",
        (TestedPart.Insulation, PartVerdict.Watch) => "Safe, and low: damp or burnt oil. The trend tells.",
        (TestedPart.ThreePhaseSupply, PartVerdict.LegLost) => "A leg is lost: a motor on what is left burns out.",
        (TestedPart.ThreePhaseSupply, PartVerdict.High) =>
            "Out of balance: a motor's heat rises with about the square of it.",
        (TestedPart.ThreePhaseSupply, PartVerdict.Watch) => "Out of balance by more than 1 %: watch it under load.",
        (TestedPart.Fuse, PartVerdict.Open) => "The supply stands across it: it is blown. That is a result, not a cause.",
        (TestedPart.Fuse, PartVerdict.Watch) =>
            "Neither none nor all of the supply: voltage comes back through a load. Measure again with the load off.",
        (TestedPart.ContactorPole, PartVerdict.Open) => "The supply stands across it: the pole does not close.",
        (TestedPart.ContactorPole, _) => "Too much is lost across it: the contacts are burnt.",
        (TestedPart.Coil, PartVerdict.Open) => "The coil is open.",
        (TestedPart.Coil, PartVerdict.Low) => "Too little: it chatters or does not pull.",
        (TestedPart.Heater, PartVerdict.Open) => "The element is open.",
        (TestedPart.Heater, PartVerdict.High) => "Too much resistance: an element of several is out, or a joint is bad.",
        (TestedPart.Heater, PartVerdict.Low) =>
            "Too little resistance: another element than the nameplate says, or a partial short.",
        (TestedPart.FanMotor, PartVerdict.High) => "It draws more than its nameplate: bearing, blade, voltage or winding.",
        (TestedPart.FanMotor, PartVerdict.Low) => "It turns too slowly: bearing, capacitor or voltage.",
        (TestedPart.Transformer, PartVerdict.Low or PartVerdict.Open or PartVerdict.Shorted) =>
            "It gives less than its ratio makes of what it gets.",
        (TestedPart.CurrentRelay, PartVerdict.Shorted) => "Closed as it hangs: the start winding stays on and burns.",
        (TestedPart.CurrentRelay, PartVerdict.Open) => "Open both ways up: the compressor hums or tries and trips.",
        (TestedPart.Overload, PartVerdict.ProtectorOpen) => "Open with a hot shell: it may do what it is for.",
        (_, PartVerdict.Open) => "It is open.",
        (_, PartVerdict.Shorted) => "It has no resistance.",
        (_, PartVerdict.Low) => "Less than it should be.",
        (_, PartVerdict.High) => "More than it should be.",
        _ => "Watch it.",
    };

    /// <summary>What to do next.</summary>
    public static string Next(TestedPart part, PartVerdict verdict) => (part, verdict) switch
    {
        (_, PartVerdict.CannotTell) => "Measure again, with the names and units the description gives.",
        (TestedPart.Windings or TestedPart.Overload, PartVerdict.ProtectorOpen) =>
            "Let the shell cool until a hand can rest on it, then measure again. Find what made it hot.",
        (_, PartVerdict.Sound) => "Leave it in.",
        (TestedPart.Capacitor, PartVerdict.Watch) => "Note the value and measure it at the next visit.",
        (TestedPart.Capacitor, _) =>
            "Discharge it through a resistor, replace it by its rating, then measure the motor's current.",
        (TestedPart.Windings, PartVerdict.DoesNotAddUp) =>
            "Lock out, take every lead off the pins, short the meter's leads, and measure again.",
        (TestedPart.Insulation, PartVerdict.Unsafe) => "Leave it off. Measure again with its leads off, then part by part.",
        (TestedPart.ThreePhaseSupply, PartVerdict.LegLost) =>
            "Leave it off. Measure across each fuse, then before and after each contact.",
        (TestedPart.Fuse, PartVerdict.Open) =>
            "Lock out. Test everything that hangs on it to earth before a new one goes in; replace the whole set.",
        (TestedPart.ContactorPole, _) => "Lock out and look at the contacts; replace the contactor, all poles.",
        (TestedPart.Coil, PartVerdict.Low) => "Measure the voltage at the coil while it is called.",
        (TestedPart.CurrentRelay, _) =>
            "Replace relay, overload and capacitor together, and ask why it failed: short cycling, low voltage.",
        (_, PartVerdict.Watch) => "Measure it again at the next visit.",
        _ => "Confirm it with its leads off and the power locked out, then replace it by its rating.",
    };
}
