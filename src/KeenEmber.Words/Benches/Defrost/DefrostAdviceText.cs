using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Defrost.Schedule;

namespace KeenEmber.Words.Benches.Defrost;

/// <summary>What to do after a watched defrost, what would settle it, and what a schedule risks.</summary>
public static class DefrostAdviceText
{
    public static string Risk(PlanForecast f, PlanBasis basis, bool endsByTemperature) => f switch
    {
        { UnderDefrosts: true } => $"too short by {DefrostText.Minutes(-f.MarginMin)}: ice stays",
        _ when f.LoadsTheCoil(basis) => "long enough, but more ice gathers than was ever melted here",
        _ when f.OverDefrosts(endsByTemperature) => $"runs {DefrostText.Minutes(f.MarginMin)} after clear each time",
        _ => "none seen",
    };

    public static string Remedy(RemedyStep step) => step.Remedy switch
    {
        Core.Benches.Defrost.Remedy.CheckChangeOver =>
            "Measure the coil of the relay that changes over: voltage there and no change is the relay, no voltage is what drives it. "
            + "Live test: qualified, equipped people only.",
        Core.Benches.Defrost.Remedy.CheckClock =>
            "Check for voltage at the clock's motor first. Then turn it by hand through a defrost, and look again after an hour.",
        Core.Benches.Defrost.Remedy.RepairHeaters => "Repair the failed or weak heater first, then watch another defrost.",
        Core.Benches.Defrost.Remedy.RepairSupply => "Find the lost voltage: connections, contactor, cable.",
        Core.Benches.Defrost.Remedy.CheckSensor =>
            "Three-way check of the termination sensor: thermometer, resistance, display. It may be off, or swapped with another.",
        Core.Benches.Defrost.Remedy.ReplaceSwitches =>
            "Test the termination switch in ice and warmed by hand; it shares a harness with the fan delay.",
        Core.Benches.Defrost.Remedy.MoveSensor => "Move the termination sensor to the return bend that clears last.",
        Core.Benches.Defrost.Remedy.CoilProbe => "Fit a controller with a probe in the coil.",
        Core.Benches.Defrost.Remedy.LowerEnd =>
            "Let it end a little colder: the sensor's spot follows the coil, so its setting is what is too high.",
        Core.Benches.Defrost.Remedy.ShortenAndRepeat => "Shorten the maximum defrost time to just after clear and defrost more often.",
        Core.Benches.Defrost.Remedy.FixInfiltration =>
            "Look for the wet air first: door, curtain, gasket, panel gaps, missing line insulation.",
        Core.Benches.Defrost.Remedy.LengthenOrMoreOften =>
            "Give it longer, or more defrosts a day; clear the ice that is left by hand first.",
        Core.Benches.Defrost.Remedy.LengthenDrip => "Lengthen the drip time.",
        Core.Benches.Defrost.Remedy.RepairFanDelay => "Test the fan delay at known temperatures, and its relay or jumper.",
        _ => "Watch the next end: voltage across the switch, a thermometer beside it, the maximum defrost time noted.",
    };

    /// <summary>What would settle a finding.</summary>
    public static string WouldSettle(string what) => what switch
    {
        "heat-off" => "the minute the heat goes off",
        "fail-safe" => "the maximum defrost time, in the set-up",
        "at-sensor" => "a thermometer beside the termination sensor",
        "switch-voltage" => "the voltage across the switch's clock terminals as the heat ends",
        "ice-left" => "a look into the bends before the fans come back",
        "three-way-check" => "thermometer, resistance and display against each other",
        "ice-bath" => "the switch in an ice bath and warmed by hand",
        "heater-voltage" => "the voltage at the heater terminals under load",
        "fans-on" => "watching until the fans come back",
        _ => what,
    };
}
