using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Electrical;

/// <summary>What a test of an electrical part is called, how it is made safely, and what it comes to in a few words.</summary>
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
        TestedPart.PhaseOrder => "phase order",
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
        TestedPart.Overload => "open or closed, and when it resets",
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
        "order" => "rotation tester shows",
        "pickUpLow" => "pulls in from, V",
        "pickUpHigh" => "pulls in up to, V",
        "pickUp" => "pulls in at, V",
        "dropOut" => "falls back at, V",
        "resetMin" => "closes again after, min",
        "settleMin" => "pressures equal after, min",
        "boxC" => "box it is chosen for",
        "evaporatingC" => "evaporating now",
        "condensingC" => "condensing now",
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
        (TestedPart.ThreePhaseSupply, PartVerdict.Dead) => "All three phases are dead.",
        (TestedPart.PhaseOrder, _) => "Two phases are swapped.",
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
        (TestedPart.PotentialRelay, PartVerdict.Low) => $"The {part} pulls in too early.",
        (TestedPart.PotentialRelay, PartVerdict.High) => $"The {part} leaves the start winding on too long.",
        (TestedPart.Overload, PartVerdict.ProtectorOpen) => $"The {part} is open while the shell is hot.",
        (TestedPart.Overload, PartVerdict.TooSoon) => $"The {part} closes again too soon.",
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
        TestedPart.ThreePhaseSupply => verdict == PartVerdict.Dead ? "V" : "% out of balance",
        TestedPart.SplitPhaseSupply => verdict == PartVerdict.DoesNotAddUp ? "V" : "% apart",
        TestedPart.Fuse or TestedPart.ContactorPole or TestedPart.Switch => "% of the supply across it",
        TestedPart.SinglePhaseSupply or TestedPart.Transformer => "V",
        TestedPart.Coil => verdict is PartVerdict.Starved ? "V" : "Ω",
        TestedPart.FanMotor => verdict == PartVerdict.Low ? "rpm" : "A",
        TestedPart.CompressorCurrent => "A",
        TestedPart.PotentialRelay when verdict is PartVerdict.Low or PartVerdict.High => "V",
        TestedPart.Overload when verdict == PartVerdict.TooSoon => "min",
        _ => "Ω",
    };

    /// <summary>With as many decimals as a meter shows.</summary>
    internal static string Number(double value) => UnitText.Number(value, Math.Abs(value) switch
    {
        >= 100 => 0,
        >= 1 => 1,
        _ => 2,
    });
}
