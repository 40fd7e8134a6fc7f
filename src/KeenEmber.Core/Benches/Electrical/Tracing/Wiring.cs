namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>What a wired part does to a current.</summary>
public enum WiredKind
{
    /// <summary>Contact of a switch, control, relay or contactor.</summary>
    Contact,

    /// <summary>Motor, heater, lamp, valve.</summary>
    Load,

    /// <summary>Wire or joint.</summary>
    Wire,

    /// <summary>Fuse or breaker.</summary>
    Fuse,

    /// <summary>A load that moves contacts.</summary>
    Coil,

    /// <summary>Capacitor.</summary>
    Capacitor,

    /// <summary>Control transformer: winding a–b makes winding c–d.</summary>
    Transformer,
}

/// <summary>A part between terminals.</summary>
/// <param name="Id">Told apart from all others by it.</param>
/// <param name="A">A terminal.</param>
/// <param name="B">Another one.</param>
/// <param name="Closed">Of a contact: as it should be in this mode.</param>
/// <param name="Ohms">Resistance, Ω; 0 for what its kind usually has.</param>
/// <param name="ReactanceOhms">Reactance in series, Ω.</param>
/// <param name="Microfarad">Of a capacitor.</param>
/// <param name="Moves">Of a coil: the contacts it moves.</param>
/// <param name="Where">The place where its terminals are got at; empty for not known.</param>
/// <param name="C">Of a transformer: a terminal of the other winding.</param>
/// <param name="D">Of a transformer: the other one.</param>
/// <param name="Ratio">Of a transformer: volts of a–b over volts of c–d.</param>
public sealed record WiredPart(
    string Id, WiredKind Kind, string A, string B, bool Closed = true, double Ohms = 0, double ReactanceOhms = 0, double Microfarad = 0,
    IReadOnlyList<string>? Moves = null, string Where = "", string C = "", string D = "", double Ratio = 0)
{
    /// <summary>Something that is to run, warm or pull when it has its voltage.</summary>
    public bool IsLoad => Kind is WiredKind.Load or WiredKind.Coil;

    /// <summary>The contacts it moves; none for most.</summary>
    public IReadOnlyList<string> Contacts => Moves ?? [];
}

/// <summary>A source of alternating voltage; three of them make three phases.</summary>
/// <param name="Volts">Between its two conductors, V.</param>
/// <param name="PhaseDeg">Degrees, against the other sources.</param>
/// <param name="Hot">Terminal of the one conductor.</param>
/// <param name="Return">Terminal of the other.</param>
/// <param name="Ohms">Of the supply and its wires, Ω.</param>
public sealed record WiredSource(string Id, double Volts, double PhaseDeg, string Hot, string Return, double Ohms = 0.2);

/// <summary>A control circuit in one mode.</summary>
/// <param name="Sources">At least one.</param>
/// <param name="Parts">With contacts as they should be.</param>
/// <param name="Hertz">Frequency, for capacitors.</param>
public sealed record Wiring(IReadOnlyList<WiredSource> Sources, IReadOnlyList<WiredPart> Parts, double Hertz = 60)
{
    /// <summary>Terminal of the earth conductor.</summary>
    public const string Earth = "PE";

    /// <summary>Terminal of a conductor that is earthed at the service, as neutrals are.</summary>
    public const string Neutral = "N";

    /// <summary>The highest voltage of a source, V.</summary>
    public double HighestVolts => Sources.Max(s => s.Volts);

    /// <summary>Every terminal once, in the order of sources and parts.</summary>
    public IReadOnlyList<string> Terminals => field ??=
    [
        .. Sources.SelectMany(s => new[] { s.Hot, s.Return }).Concat(Parts.SelectMany(p => new[] { p.A, p.B, p.C, p.D }))
            .Where(t => t.Length > 0).Distinct(),
    ];

    /// <summary>The part of that name.</summary>
    /// <returns>Null where there is none.</returns>
    public WiredPart? Part(string? id) => Parts.FirstOrDefault(p => p.Id == id);
}

/// <summary>What was done to find out.</summary>
public enum TraceKind
{
    /// <summary>Voltage between two terminals.</summary>
    Volts,

    /// <summary>Resistance between two terminals with the power off and nothing lifted.</summary>
    Ohms,

    /// <summary>Current through a part.</summary>
    Amps,

    /// <summary>A load runs, or does not.</summary>
    Runs,

    /// <summary>A coil is heard or felt to pull.</summary>
    Clicks,

    /// <summary>A load hums: it has voltage and does not turn.</summary>
    Hums,

    /// <summary>A load is warm from its current.</summary>
    Warm,
}

/// <summary>One thing that was measured or seen.</summary>
/// <param name="A">Terminal, of volts and ohms; else empty.</param>
/// <param name="B">The other one.</param>
/// <param name="Part">Of amps and of what is seen; else empty.</param>
/// <param name="Value">V, Ω or A; infinite where a meter shows an open circuit.</param>
/// <param name="IsSo">Of what is seen.</param>
public sealed record TraceReading(TraceKind Kind, string A, string B, string Part, double Value, bool IsSo = false)
{
    /// <summary>A voltage between two terminals.</summary>
    public static TraceReading Volts(string a, string b, double value) => new(TraceKind.Volts, a, b, "", value);

    /// <summary>A load that runs or does not.</summary>
    public static TraceReading Runs(string part, bool isSo) => new(TraceKind.Runs, "", "", part, 0, isSo);

    /// <summary>Something that is seen or heard, not a number.</summary>
    public bool IsSeen => Kind is TraceKind.Runs or TraceKind.Clicks or TraceKind.Hums or TraceKind.Warm;
}

/// <summary>The meter.</summary>
/// <param name="Ohms">Input resistance on volts: 10 MΩ of a usual one, a few kΩ of a low-impedance one.</param>
/// <param name="AccuracyShare">Share of the reading.</param>
/// <param name="AccuracyVolts">V on top of that.</param>
public sealed record TraceMeter(double Ohms = 10e6, double AccuracyShare = 0.01, double AccuracyVolts = 0.5);
