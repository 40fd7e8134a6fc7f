using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>What a control circuit should be doing: its contacts stand by it. A member keeps its name once an entry was written with
/// it.</summary>
public enum CircuitMode
{
    /// <summary>The box asks for cold.</summary>
    Calling,

    /// <summary>The box is cold enough.</summary>
    Satisfied,

    /// <summary>The heaters are on.</summary>
    Defrost,

    /// <summary>The box is cold enough, the liquid valve is shut, and the compressor empties the coil.</summary>
    PumpingDown,

    /// <summary>The heat is off, the fans still stand.</summary>
    Drip,

    /// <summary>Switched off at the breaker.</summary>
    Off,
}

/// <summary>In which modes a contact is closed.</summary>
[Flags]
public enum ClosedIn
{
    /// <summary>In none: it closes on a fault, or was never closed.</summary>
    None = 0,

    /// <summary>While the box asks for cold.</summary>
    Calling = 1,

    /// <summary>While the box is cold enough.</summary>
    Satisfied = 2,

    /// <summary>While the heaters are on.</summary>
    Defrost = 4,

    /// <summary>While the compressor empties the coil.</summary>
    PumpingDown = 8,

    /// <summary>After the heat, before the fans.</summary>
    Drip = 16,

    /// <summary>With the breaker off.</summary>
    Off = 32,

    /// <summary>In all.</summary>
    Always = Calling | Satisfied | Defrost | PumpingDown | Drip | Off,
}

/// <summary>What feeds a circuit.</summary>
public enum PlanSupply
{
    /// <summary>Two conductors, L1 and L2; L2 may be a neutral.</summary>
    SinglePhase,

    /// <summary>L1, L2 and L3 round a neutral N; the control stands between L1 and L2.</summary>
    ThreePhase,
}

/// <summary>A part of a unit's diagram, in all modes.</summary>
/// <param name="Name">Told apart from all others by it: "box thermostat".</param>
/// <param name="Ohms">Of a load or coil, Ω.</param>
/// <param name="Where">The place where it is got at: panel, box, coil, unit, control.</param>
/// <param name="Component">Null for what is no part of its own.</param>
/// <param name="Moves">Of a coil: the contacts it moves.</param>
/// <param name="C">Of a transformer: the one terminal of its other winding.</param>
/// <param name="D">Of a transformer: the other one.</param>
/// <param name="SecondaryVolts">Of a transformer, V.</param>
/// <param name="OpenItem">Of a jumper: the open item it is; it is gone when that is closed.</param>
public sealed record PlannedPart(
    string Name, WiredKind Kind, string A, string B, ClosedIn ClosedIn = ClosedIn.Always, double Ohms = 0, string Where = "",
    Component? Component = null, IReadOnlyList<string>? Moves = null, string C = "", string D = "", double SecondaryVolts = 0,
    Guid? OpenItem = null)
{
    /// <summary>The same part with the same contacts moved.</summary>
    public bool Equals(PlannedPart? other) => other is not null && (Name, Kind, A, B, ClosedIn, Ohms, Where) == (other.Name, other.Kind,
        other.A, other.B, other.ClosedIn, other.Ohms, other.Where) && Component == other.Component && OpenItem == other.OpenItem
        && (C, D, SecondaryVolts) == (other.C, other.D, other.SecondaryVolts) && (Moves ?? []).SequenceEqual(other.Moves ?? []);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Name, Kind, A, B);
}

/// <summary>What is known of a terminal of a unit.</summary>
/// <param name="Wire">Colour or tag of the wire on it; empty for not known.</param>
/// <param name="Place">Where it physically is; empty for not known.</param>
public sealed record PlannedTerminal(string Name, string Wire, string Place);

/// <summary>The control circuit of a unit in all modes, as a ladder: rungs of parts in a row.</summary>
/// <param name="Rungs">Each from one terminal to another, its parts in a row; at least one.</param>
/// <param name="Terminals">Those of which something is known.</param>
public sealed record CircuitPlan(
    PlanSupply Supply, IReadOnlyList<IReadOnlyList<PlannedPart>> Rungs, IReadOnlyList<PlannedTerminal> Terminals)
{
    /// <summary>Every part, rung by rung.</summary>
    public IEnumerable<PlannedPart> Parts => Rungs.SelectMany(r => r);

    /// <summary>Names of every terminal a part has, in the order of the rungs.</summary>
    public IReadOnlyList<string> TerminalNames => field ??=
        [.. Parts.SelectMany(p => new[] { p.A, p.B, p.C, p.D }).Where(t => t.Length > 0).Distinct()];

    /// <summary>The part of that name; null where there is none.</summary>
    public PlannedPart? Part(string? name) => Parts.FirstOrDefault(p => p.Name == name);

    /// <summary>The parts on a terminal.</summary>
    public IEnumerable<PlannedPart> On(string terminal) => Parts.Where(p => new[] { p.A, p.B, p.C, p.D }.Contains(terminal));

    /// <summary>What is known of a terminal; nothing but its name where nothing is.</summary>
    public PlannedTerminal Terminal(string name) => Terminals.FirstOrDefault(t => t.Name == name) ?? new(name, "", "");

    /// <summary>The same rungs with the same parts and terminals.</summary>
    public bool Equals(CircuitPlan? other) => other is not null && Supply == other.Supply && Rungs.Count == other.Rungs.Count
        && Rungs.Zip(other.Rungs).All(r => r.First.SequenceEqual(r.Second)) && Terminals.SequenceEqual(other.Terminals);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Supply, Rungs.Count, Terminals.Count);

    /// <summary>The circuit in one mode.</summary>
    /// <param name="volts">Between L1 and L2, V.</param>
    public ControlDiagram In(CircuitMode mode, double volts)
    {
        var closed = Flag(mode);
        return new(Sources(volts), [.. Rungs.Select(r => new Rung([.. r.Select(p => new DiagramPart(Wired(p), p.Component))]))]);

        WiredPart Wired(PlannedPart p) => new(p.Name, p.Kind, p.A, p.B, p.Kind != WiredKind.Contact || p.ClosedIn.HasFlag(closed), p.Ohms,
            Moves: p.Moves, Where: p.Where, C: p.C, D: p.D, Ratio: p.SecondaryVolts > 0 ? volts / p.SecondaryVolts : 0);
    }

    /// <summary>A contact is closed in a mode.</summary>
    public static bool IsClosed(PlannedPart part, CircuitMode mode) => part.ClosedIn.HasFlag(Flag(mode));

    private static ClosedIn Flag(CircuitMode mode) => mode switch
    {
        CircuitMode.Calling => ClosedIn.Calling,
        CircuitMode.Satisfied => ClosedIn.Satisfied,
        CircuitMode.PumpingDown => ClosedIn.PumpingDown,
        CircuitMode.Drip => ClosedIn.Drip,
        CircuitMode.Off => ClosedIn.Off,
        _ => ClosedIn.Defrost,
    };

    private WiredSource[] Sources(double volts)
    {
        if (Supply == PlanSupply.SinglePhase)
            return [new("supply", volts, 0, ControlDiagram.Line, ControlDiagram.Return)];
        var phase = volts / Math.Sqrt(3);
        return [new("phase 1", phase, 0, ControlDiagram.Line, Wiring.Neutral), new("phase 2", phase, -120, ControlDiagram.Return,
            Wiring.Neutral), new("phase 3", phase, 120, ControlDiagram.Third, Wiring.Neutral)];
    }
}
