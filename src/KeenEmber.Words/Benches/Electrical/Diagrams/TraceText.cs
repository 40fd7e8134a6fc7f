using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Words.Benches.Electrical.Diagrams;

/// <summary>What a trace says, in a technician's words.</summary>
public static class TraceText
{
    /// <summary>One suspect: "thermostat: open, should be closed".</summary>
    public static string Say(Wiring wiring, PartFault suspect)
    {
        if (suspect.Part is null)
            return "nothing is wrong along here";
        if (suspect.Part == Tracer.Meter)
            return "the meter, a slip of the probe, or the diagram is wrong";
        return wiring.Part(suspect.Part) is { } part ? Say(part.Kind, suspect) : $"{suspect.Part}: dead";
    }

    /// <summary>A suspect of a diagram of ours, whose parts are contacts and loads.</summary>
    public static string Say(PartFault suspect) =>
        Say(suspect.Fault is WiredFault.Open or WiredFault.Shorted ? WiredKind.Load : WiredKind.Contact, suspect);

    private static string Say(WiredKind kind, PartFault suspect) =>
        suspect switch
        {
            { Fault: WiredFault.Swapped } => $"wires of {suspect.Part} and {suspect.With} swapped",
            _ when IsOpenSafety(suspect) => $"{suspect.Part}: open. It is a safety: find out why it opened, never bridge it",
            _ => $"{suspect.Part}: {Fault(kind, suspect.Fault)}",
        };

    /// <summary>In a few words: "high-pressure control: open".</summary>
    public static string Brief(PartFault suspect) => $"{suspect.Part}: " + suspect.Fault switch
    {
        WiredFault.StuckOpen or WiredFault.Open => "open",
        WiredFault.StuckClosed => "closed or bridged",
        WiredFault.Shorted => "shorted",
        WiredFault.HighResistance => "closes badly",
        WiredFault.ToEarth => "to earth",
        WiredFault.Swapped => $"its wire and that of {suspect.With} swapped",
        _ => "sound",
    };

    /// <summary>It may do what it is for: the reason is looked for, not a new one.</summary>
    public static bool IsOpenSafety(PartFault suspect) => suspect.Fault == WiredFault.StuckOpen && Safeties.Contains(suspect.Part);

    /// <summary>Parts that open for a reason.</summary>
    private static readonly HashSet<string> Safeties =
        ["high-pressure control", "low-pressure control", "overload", "heater safety", "breaker"];

    /// <summary>One measurement in a line: "4 to L2: 208 V, calling".</summary>
    public static string Line(TraceEntry entry)
    {
        var of = entry.Part.Length > 0 ? entry.Part : $"{entry.A} to {entry.B}";
        return $"{of}{(entry.Value is null ? "" : ":")} {Said(entry)}, {(entry.Kind == TraceKind.Ohms ? "power off" : Name(entry.Mode))}";
    }

    /// <summary>What hangs on a part in the drawing: "208 V", "runs".</summary>
    public static string Tag(TraceEntry entry) => Said(entry);

    private static string Said(TraceEntry entry) => entry switch
    {
        { Kind: TraceKind.Ohms, Value: { } ohms } when ohms.Si(default) >= TraceEntry.OpenOhm => "open",
        { Value: { } value } => $"{UnitText.Number(value.Number, value.Number % 1 == 0 ? 0 : 1)} {value.Unit.Symbol}",
        { Kind: TraceKind.Clicks } => entry.Runs == true ? "pulls" : "does not pull",
        { Kind: TraceKind.Hums } => entry.Runs == true ? "hums" : "is silent",
        { Kind: TraceKind.Warm } => entry.Runs == true ? "is warm" : "is cold",
        _ => entry.Runs == true ? "runs" : "does not run",
    };

    /// <summary>What a measurement would show on a sound circuit.</summary>
    public static string Sound(TraceEntry entry, double sound) => entry.Kind switch
    {
        TraceKind.Volts => $" (sound: {UnitText.Number(sound, 0)} V)",
        TraceKind.Ohms => sound > MostOhm ? " (sound: open)" : $" (sound: {UnitText.Number(sound, sound < 10 ? 1 : 0)} Ω)",
        TraceKind.Amps => $" (sound: {UnitText.Number(sound, 1)} A)",
        _ => "",
    };

    /// <summary>More is an open circuit to a hand-held meter, Ω.</summary>
    private const double MostOhm = 1e7;

    /// <summary>What the unit should be doing.</summary>
    public static string Name(CircuitMode mode) => mode switch
    {
        CircuitMode.Calling => "calling for cold",
        CircuitMode.Satisfied => "satisfied",
        CircuitMode.Defrost => "in defrost",
        CircuitMode.PumpingDown => "pumping down",
        CircuitMode.Drip => "dripping",
        CircuitMode.Off => "switched off",
        _ => throw new ArgumentOutOfRangeException(nameof(mode)),
    };

    /// <summary>A wire of a part that is swapped: "brown, to compressor, 208 V".</summary>
    public static string Wire(SwappedWire wire) => string.Join(", ", new[] { wire.Wire.Length > 0 ? wire.Wire : "no colour noted",
        wire.GoesTo.Length > 0 ? $"to {wire.GoesTo}" : "", wire.Supply }.Where(t => t.Length > 0));

    /// <summary>A usual diagram to begin with.</summary>
    public static string Name(CircuitTemplate template) => template switch
    {
        CircuitTemplate.Remote => "box with a condensing unit apart",
        CircuitTemplate.BuiltIn => "built in, mechanical thermostat",
        CircuitTemplate.BuiltInController => "built in, electronic controller",
        CircuitTemplate.RackCase => "case on a rack",
        CircuitTemplate.RackCaseStage => "case on a rack, 24 V stage and change-over relay",
        CircuitTemplate.TwoSides => "two sides",
        CircuitTemplate.PrepTable => "prep table, two circuits on one compressor",
        CircuitTemplate.DefrostBoard => "defrost board with sensors",
        CircuitTemplate.WaterCooled => "water-cooled, with its relay",
        CircuitTemplate.Chiller => "glycol chiller with pump",
        CircuitTemplate.ThreePhaseStar => "three phases, heaters in star",
        _ => "three phases, heaters in delta",
    };

    /// <summary>A kind of part, as a choice.</summary>
    public static string Name(WiredKind kind) => kind switch
    {
        WiredKind.Contact => "contact or switch",
        WiredKind.Load => "load: motor, heater, lamp, valve",
        WiredKind.Wire => "wire or joint",
        WiredKind.Fuse => "fuse",
        WiredKind.Coil => "coil of a relay",
        WiredKind.Capacitor => "capacitor",
        _ => "transformer",
    };

    /// <summary>Why a diagram was not changed.</summary>
    public static string Say(PlanProblem problem) => problem switch
    {
        PlanProblem.NameTaken => "That name is taken, or is one of the conductors.",
        PlanProblem.NotThere => "Choose one that is in the diagram.",
        PlanProblem.LastPart => "The last part stays.",
        PlanProblem.TooMany => $"At most {PlanEdits.MostParts} parts are drawn.",
        _ => "Two different terminals.",
    };

    /// <summary>Where a part's terminals are got at.</summary>
    public static string Where(string where) => where switch
    {
        "" => "",
        "coil" => "at the coil",
        "unit" => "at the condensing unit",
        "control" => "at the control",
        _ => $"in the {where}",
    };

    private static string Fault(WiredKind kind, WiredFault fault) => fault switch
    {
        WiredFault.StuckOpen => "open, should be closed",
        WiredFault.StuckClosed => "closed or bridged, should be open",
        WiredFault.Shorted => "shorted",
        WiredFault.HighResistance when kind == WiredKind.Contact => "closes badly, voltage is lost across it",
        WiredFault.HighResistance => "a bad joint, voltage is lost in it",
        WiredFault.ToEarth => "touches earth",
        WiredFault.Swapped => "on another one's terminal",
        WiredFault.Open when kind == WiredKind.Fuse => "blown",
        WiredFault.Open when kind == WiredKind.Wire => "broken or off its terminal",
        WiredFault.Open when kind == WiredKind.Transformer => "a winding is open, it gives nothing",
        WiredFault.Open => "open, it has its voltage and does nothing",
        _ => "as it should be",
    };
}
