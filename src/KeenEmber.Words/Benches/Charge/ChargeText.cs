using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Quantities;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Charge;

/// <summary>Charge, leak and vacuum in words.</summary>
public static class ChargeText
{
    public static string Name(LeakPlace place) => place switch
    {
        LeakPlace.CapOrCore => "service caps and cores",
        LeakPlace.FlareNut => "flare nuts",
        LeakPlace.ValveStem => "valve stems",
        LeakPlace.BrazedJoint => "brazed joints",
        LeakPlace.DrierJoint => "drier joints",
        LeakPlace.RubOut => "tubes that rub",
        LeakPlace.EvaporatorBend => "evaporator bends",
        LeakPlace.CondenserBend => "condenser bends",
        LeakPlace.ControlCapillary => "capillaries of pressure controls",
        LeakPlace.Compressor => "compressor terminals and seam",
        LeakPlace.ProcessTube => "process tube",
        LeakPlace.SightGlass => "sight glass",
        _ => "relief valve or fusible plug",
    };

    public static string Name(LeakMethod method) => method switch
    {
        LeakMethod.Detector => "electronic detector",
        LeakMethod.Bubbles => "bubble solution",
        LeakMethod.Oil => "by eye: oil",
        LeakMethod.Dye => "dye and lamp",
        _ => "ultrasound",
    };

    public static string Name(LeakResult result) => result switch
    {
        LeakResult.Leaks => "leaks",
        LeakResult.Tight => "nothing found",
        LeakResult.Doubtful => "doubtful",
        _ => "leaked, repaired",
    };

    public static string Name(DetectorDisturbance disturbance) => disturbance switch
    {
        DetectorDisturbance.BoxAir => "box air full of refrigerant",
        DetectorDisturbance.Foam => "fresh foam in the walls",
        DetectorDisturbance.Cleaning => "cleaning agent, paint or solvent",
        DetectorDisturbance.Draught => "wind or a fan",
        _ => "nothing",
    };

    /// <summary>What to do about what fools a detector.</summary>
    public static string Instead(DetectorDisturbance disturbance) => disturbance switch
    {
        DetectorDisturbance.BoxAir => "Air the box, stop its fans, then search again from the floor up. Confirm with bubbles.",
        DetectorDisturbance.Foam => "Foam gives off its blowing agent. Confirm with bubbles, or by oil.",
        DetectorDisturbance.Cleaning => "Wipe it off, air the room, wait until the detector is quiet in clean air.",
        DetectorDisturbance.Draught => "Stop the fans or shield the place. Confirm with bubbles.",
        _ => "",
    };

    public static string Why(LeakReason reason) => reason switch
    {
        LeakReason.GaugesWereOn => "gauges or a cylinder were on it lately",
        LeakReason.WorkedOn => "worked on lately",
        LeakReason.OilSeen => "oil was seen on this unit",
        LeakReason.LeakedBefore => "leaked before",
        _ => "",
    };

    public static string Name(ChargePort port) => port switch
    {
        ChargePort.Suction => "suction side",
        ChargePort.LiquidLine => "liquid line or receiver",
        ChargePort.Discharge => "discharge side",
        _ => "process tube",
    };

    public static string Name(Phase phase) => phase == Phase.Liquid ? "liquid" : "gas";

    public static string Name(HosesAtEnd hoses) => hoses switch
    {
        HosesAtEnd.FullOfLiquid => "full of liquid",
        HosesAtEnd.FullOfVapour => "full of gas",
        _ => "emptied into the unit",
    };

    public static string Name(VacuumStep step) => step switch
    {
        VacuumStep.PumpOn => "pump on",
        VacuumStep.Isolated => "shut off from the pump",
        VacuumStep.NitrogenIn => "dry nitrogen let in",
        VacuumStep.OilChanged => "pump oil changed",
        _ => "reading",
    };

    public static string Name(CircuitPlace place) => place switch
    {
        CircuitPlace.Evaporator => "evaporator",
        CircuitPlace.Condenser => "condenser",
        CircuitPlace.Receiver => "receiver",
        CircuitPlace.LiquidLine => "liquid line",
        _ => "suction line",
    };

    /// <summary>A leak as it is known: where, and which of several.</summary>
    public static string Place(string detail)
    {
        var parts = detail.Split('|', 2);
        var place = EnumName.Find<LeakPlace>(parts[0]) is { } known ? Name(known) : "a joint";
        return place + TypingText.With(", ", parts.Length > 1 ? parts[1] : "");
    }

    /// <summary>What came out in a year at this rate.</summary>
    private static string Year(Finding finding, UnitText units) =>
        finding.Values.TryGetValue("KgPerYear", out var kg) && kg > 0 ? $" About {units.Mass(kg)} of refrigerant a year." : "";

    private static string Value(Finding finding, string name, Func<double, string> say) =>
        finding.Values.TryGetValue(name, out var value) ? say(value) : "unknown";

    /// <summary>A finding in a sentence.</summary>
    public static string Say(Finding finding, UnitText units) => finding.Code switch
    {
        ChargeBench.LeakFound =>
            $"Leak at {Place(finding.Detail)}. Recover first, repair it, then prove it tight before charging.",
        ChargeBench.VacuumLeak => $"The vacuum keeps rising: the circuit leaks.{Year(finding, units)} Find it before charging.",
        ChargeBench.VacuumWet =>
            $"The vacuum levels off at {Value(finding, "PlateauPa", units.Vacuum)}: water is boiling inside. Replace the drier, break with "
            + "dry nitrogen, warm the circuit, pump again.",
        ChargeBench.VacuumWetAndLeak =>
            $"Water boils inside, and the vacuum keeps rising: wet, and it leaks.{Year(finding, units)} Find the leak first.",
        ChargeBench.PressureLost =>
            $"Under nitrogen it lost {Value(finding, "LostKpa", v => Kpa(v, units))} in {Value(finding, "Hours", h => Hours(h))} that "
            + "its temperature does not explain. Search every joint with bubbles.",
        ChargeBench.CylinderOverfull =>
            $"Stop recovering. Cylinder {finding.Detail} holds {Value(finding, "ContentKg", units.Mass)}, allowed are "
            + $"{Value(finding, "MostKg", units.Mass)}. Warm liquid can burst it.",
        ChargeBench.BlendAsVapour =>
            $"{finding.Detail} is a blend and went in as gas. What is in the circuit and in the cylinder is no longer that blend. Recover, "
            + "and charge it as liquid.",
        ChargeBench.BetterAsItLeaves => "It cools better as refrigerant leaves: overcharged. Take out another step, wait, measure again.",
        _ => finding.Code,
    };

    /// <summary>The same without figures.</summary>
    public static string Headline(Finding finding) => finding.Code switch
    {
        ChargeBench.LeakFound => "A leak was found.",
        ChargeBench.VacuumLeak => "The vacuum keeps rising: it leaks.",
        ChargeBench.VacuumWet => "The vacuum levels off where water boils: it is wet.",
        ChargeBench.VacuumWetAndLeak => "The vacuum showed water and a leak.",
        ChargeBench.PressureLost => "It lost pressure under nitrogen.",
        ChargeBench.CylinderOverfull => "A recovery cylinder is overfull.",
        ChargeBench.BlendAsVapour => "A blend was charged as gas.",
        ChargeBench.BetterAsItLeaves => "It cools better as refrigerant leaves: overcharged.",
        _ => finding.Code,
    };

    /// <summary>A difference of pressures.</summary>
    public static string Kpa(double kpa, UnitText units) => units.Units == UnitPreference.Us
        ? $"{UnitText.Number(kpa / Unit.Psi.Scale, 2)} psi" : $"{UnitText.Number(kpa / Unit.Bar.Scale, 3)} bar";

    /// <summary>"40 min", "14.5 h".</summary>
    public static string Hours(double hours) => hours < 1 ? $"{UnitText.Number(hours * 60, 0)} min" : $"{UnitText.Number(hours, 1)} h";

    /// <summary>What a decay test says, in a sentence.</summary>
    public static string Say(DecayResult decay, UnitText units) => decay.Verdict switch
    {
        DecayVerdict.Dry => $"Dry and tight: it levels off at {units.Vacuum(decay.PlateauPa)}.",
        DecayVerdict.Moisture => $"Moisture: it levels off at {units.Vacuum(decay.PlateauPa)}, where water boils.",
        DecayVerdict.Leak => $"It leaks: about {units.Mass(decay.GramsPerYear / 1000)} a year.",
        DecayVerdict.MoistureAndLeak =>
            $"Wet, and it leaks about {units.Mass(decay.GramsPerYear / 1000)} a year. Find the leak first.",
        _ => $"Cannot tell yet. Leave it shut off for another {UnitText.Number(decay.WaitMin, 0)} min and read on.",
    };

    /// <summary>What a pressure test says, in a sentence.</summary>
    public static string Say(TightResult tight, UnitText units) => tight.Verdict switch
    {
        TightVerdict.Holds =>
            $"No loss in {Hours(tight.Hours)}: within {Kpa(tight.VisibleKpa, units)} of what its temperature explains.",
        TightVerdict.Loses =>
            $"It lost {Kpa(tight.LostKpa, units)} more than its temperature explains. It leaks.",
        TightVerdict.Gains => "It gained pressure. One of the temperatures is not that of the gas: measure both again in the shade.",
        _ => "Cannot tell yet. Leave it for at least 15 min, then read pressure and temperature again.",
    };

    /// <summary>What to do next in a trimming by trial.</summary>
    public static string Say(TrimAdvice advice) => advice switch
    {
        TrimAdvice.Begin => "Measure the air drop before changing the charge.",
        TrimAdvice.Wait => "Wait: the last step has not shown yet.",
        TrimAdvice.Step => "Change the charge by one small step. Then wait and measure again.",
        TrimAdvice.GoOn => "Better. Another step the same way.",
        TrimAdvice.GoOnOut => "Better as it leaves: overcharged. Take out another step.",
        TrimAdvice.GoBack => "Worse. Go back by one step and stop there.",
        _ => "No better either way. This is the best charge: stop here.",
    };

    /// <summary>One entry of the bench in a line; null for any other.</summary>
    internal static string? Line(Core.Record.Entry entry, VisitView view) => entry switch
    {
        VacuumEntry v => $"vacuum: {Name(v.Step)}{(v.Pa is { } pa ? $", {view.Units.Vacuum(pa)}" : "")}",
        LeakEntry l => $"leak search, {Name(l.Place)}{TypingText.With(", ", l.Where)}: {Name(l.Result)}{(l.HasOil ? ", oil" : "")}"
            + TypingText.With("; ", l.How),
        PressureTestEntry p =>
            $"nitrogen {view.Units.Gauge(p.Pressure.Si(view.Site.Atmosphere))} at {view.Units.Temperature(p.Gas.Temperature.Kelvin)}"
            + (p.Begins ? ", shut off" : ""),
        ScaleStartEntry s => $"cylinder {s.Cylinder} on the scale at {view.Units.Mass(s.Weight.Si(default))}, to "
            + (s.Recovers ? $"recover {s.Refrigerant}" : $"charge {s.Refrigerant} as {Name(s.Phase)} into the {Name(s.Port)}"),
        ScaleWeightEntry w => $"scale {view.Units.Mass(w.Weight.Si(default))}",
        TrimEntry t => $"air drop {view.Units.Difference(t.AirDrop.Si(default))} at this charge",
        ChargeGeometryEntry => "volumes and lines of the circuit",
        _ => null,
    };

    /// <summary>"Suction side".</summary>
    public static string Sentence(string text) => CircuitText.Sentence(text);
}
