using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Simulation;

/// <summary>What pressures and temperatures of the unit hold its switches at, and what its control and clock ask for.</summary>
/// <param name="Mode">Contacts of control, clock and breaker stand as the diagram has them in it.</param>
/// <param name="IsHighPressure">The high-pressure control has opened.</param>
/// <param name="IsOverloaded">The overload has opened.</param>
/// <param name="IsCoilWarm">The fan delay is open.</param>
/// <param name="IsCoilMelted">The termination switch is closed.</param>
/// <param name="IsLowPressure">The low-pressure control has opened, or not; null: it stands as the diagram has it in this mode.</param>
internal readonly record struct SwitchStates(
    CircuitMode Mode, bool IsHighPressure, bool IsOverloaded, bool IsCoilWarm, bool IsCoilMelted, bool? IsLowPressure = null);

/// <summary>Which loads have their voltage and are whole.</summary>
internal sealed record FedLoads(
    FaultedNetwork Network, bool Compressor, bool CondenserFan, bool EvaporatorFans, bool Heaters, bool Clock, bool Release,
    bool Water, bool Liquid);

/// <summary>The electrical side of a unit that exists only in arithmetic: the usual diagram of its make-up decides what runs, and gives the
/// voltages anywhere.</summary>
/// <remarks>Solved with the circuits of the electrical bench, once for every way its switches can stand. A contact that pressure or
/// temperature moves counts as a change of the drawn circuit, as a fault does. A motor is its winding: what it takes as it
/// starts, or while it is held, is not in the voltages.</remarks>
public sealed class UnitWiring
{
    /// <summary>Of its supply.</summary>
    public const double SupplyVolts = 230;

    /// <summary>Fans of a box that has any.</summary>
    private const int Fans = 2;

    /// <summary>From this share of its supply on a conductor is live.</summary>
    private const double LiveShare = 0.5;

    private static readonly TraceMeter Meter = new();

    private readonly Dictionary<CircuitMode, Drawn> drawn = [];
    private readonly Dictionary<SwitchStates, FedLoads> solved = [];
    private (SwitchStates States, FedLoads Fed)? now;
    private IReadOnlyList<PartFault> faults = [];

    /// <param name="plan">Its diagram.</param>
    public UnitWiring(CircuitPlan plan) => Plan = plan;

    /// <summary>The usual diagram of a unit that is built so.</summary>
    public static UnitWiring Of(UnitDesign design)
    {
        var circuit = new RefrigerationCircuit(Guid.Empty, design.Fluid, null, design.Metering, design.Condenser,
            design.Parts, "");
        var unit = new Equipment(Guid.Empty, Guid.Empty, "", "", design.Kind, Temperature.FromCelsius(design.TargetC),
            design.Kind == EquipmentKind.GlycolChiller ? 0 : Fans, "", "", circuit);
        return new(CircuitTemplates.Of(unit, CircuitTemplates.Usual(unit)));
    }

    private sealed record Drawn(NodalNetwork Network, CoilContacts Coils, NodalNetwork Unpowered, IReadOnlyList<FaultVariant> Variants);

    /// <summary>Its diagram.</summary>
    public CircuitPlan Plan { get; }

    /// <summary>What is wrong in it, by the names of the diagram; what it does not have is passed over.</summary>
    public IReadOnlyList<PartFault> Faults
    {
        get => faults;
        set
        {
            faults = value;
            solved.Clear();
            now = null;
        }
    }

    /// <summary>The part of that kind; null where the diagram has none.</summary>
    public PlannedPart? Part(ComponentKind kind, WiredKind wired) =>
        Plan.Parts.FirstOrDefault(p => p.Component?.Kind == kind && p.Kind == wired);

    /// <summary>What a meter shows between two terminals as the unit is now, V.</summary>
    /// <returns>Null where the diagram has no such terminal, or no second has passed.</returns>
    public double? VoltsBetween(string a, string b) => Ends(a, b) is { } at ? now!.Value.Fed.Network.Shown(at.A, at.B, Meter.Ohms).Volts
        : null;

    /// <summary>What a meter shows between two terminals once the power is off and nothing is lifted, Ω; infinite where nothing joins
    /// them.</summary>
    /// <returns>Null where the diagram has no such terminal, or no second has passed.</returns>
    public double? OhmsBetween(string a, string b)
    {
        if (Ends(a, b) is null)
            return null;
        var dead = Of(now!.Value.States.Mode).Unpowered;
        var seen = now.Value.Fed.Network.Unpowered(dead).Seen(dead.Terminal(a), dead.Terminal(b)).Magnitude;
        return seen > OpenOhm ? double.PositiveInfinity : seen;
    }

    private const double OpenOhm = 1e7;

    /// <summary>What a clamp shows on the lead of a part, A.</summary>
    /// <returns>Null where the diagram has no such part, or no second has passed.</returns>
    public double? AmpsThrough(string part) => now is { } n && Of(n.States.Mode).Network.Wiring.Part(part) is { } wired
        ? n.Fed.Network.Amps(wired) : null;

    /// <summary>A load has its voltage and is whole; null where the diagram has no such load, or no second has passed.</summary>
    public bool? Runs(string part) => now is { } n && Of(n.States.Mode).Network.Wiring.Part(part) is { IsLoad: true } wired
        ? n.Fed.Network.Runs(wired) : null;

    /// <summary>A part has at least half the voltage of the supply across it.</summary>
    public bool IsLive(PlannedPart part) => VoltsBetween(part.A, part.B) >= LiveShare * SupplyVolts;

    /// <summary>A terminal is live against the return.</summary>
    public bool IsLive(string terminal) => VoltsBetween(terminal, ControlDiagram.Return) >= LiveShare * SupplyVolts;

    private (int A, int B)? Ends(string a, string b) => now is { } n && Of(n.States.Mode).Network is var network && network.Has(a)
        && network.Has(b) ? (network.Terminal(a), network.Terminal(b)) : null;

    /// <summary>What is fed while the switches stand so.</summary>
    internal FedLoads Under(SwitchStates states)
    {
        if (now is { } n && n.States == states)
            return n.Fed;
        if (!solved.TryGetValue(states, out var fed))
            solved[states] = fed = Solve(states);
        now = (states, fed);
        return fed;
    }

    private FedLoads Solve(SwitchStates states)
    {
        var circuit = Of(states.Mode);
        var network = new FaultedNetwork(circuit.Network, circuit.Coils, [.. Variants(circuit), .. Moved(circuit, states)]);
        bool Runs(ComponentKind kind, bool without, string name = "")
        {
            var loads = circuit.Network.Wiring.Parts.Where(p => p.IsLoad && Plan.Part(p.Id)?.Component?.Kind == kind
                && (name.Length == 0 || p.Id == name)).ToList();
            return loads.Count > 0 ? loads.TrueForAll(network.Runs) : without;
        }

        return new(network, Runs(ComponentKind.Compressor, true), Runs(ComponentKind.CondenserFan, true),
            Runs(ComponentKind.EvaporatorFan, Runs(ComponentKind.GlycolPump, true)), Runs(ComponentKind.HeaterElement, false),
            Runs(ComponentKind.DefrostClock, true, ClockMotor), Runs(ComponentKind.DefrostClock, false, ClockRelease),
            Runs(ComponentKind.WaterValve, true), Runs(ComponentKind.LiquidSolenoid, true));
    }

    /// <summary>As the diagrams call them.</summary>
    private const string ClockMotor = "clock motor", ClockRelease = "clock release";

    private Drawn Of(CircuitMode mode)
    {
        if (drawn.TryGetValue(mode, out var known))
            return known;
        var network = new NodalNetwork(Plan.In(mode, SupplyVolts).Wiring);
        var coils = new CoilContacts(network);
        return drawn[mode] = new(network, coils, coils.Unpowered(), FaultVariants.Of(network));
    }

    /// <summary>Of each fault the size in the middle; one that changes nothing in this mode has none.</summary>
    private IEnumerable<FaultVariant> Variants(Drawn circuit)
    {
        IEnumerable<FaultVariant> All(PartFault fault) =>
            fault.Fault == WiredFault.Swapped ? FaultVariants.Swaps(circuit.Network) : circuit.Variants;
        return faults.Select(f => All(f).Where(v => v.Of == f).ToList()).Where(of => of.Count > 0).Select(of => of[of.Count / 2]);
    }

    /// <summary>Contacts that stand otherwise than drawn, but for those that are at fault.</summary>
    private IEnumerable<FaultVariant> Moved(Drawn circuit, SwitchStates states) => circuit.Network.Wiring.Parts
        .Where(p => p.Kind == WiredKind.Contact && !faults.Any(f => f.Part == p.Id)
            && IsClosed(Plan.Part(p.Id)!.Component?.Kind, states) is { } closed && closed != p.Closed)
        .Select(p => circuit.Variants.First(v => v.Of == new PartFault(p.Id, p.Closed ? WiredFault.StuckOpen : WiredFault.StuckClosed)));

    /// <summary>How a switch stands that pressure or temperature moves; null for every other contact.</summary>
    private static bool? IsClosed(ComponentKind? kind, SwitchStates states) => kind switch
    {
        ComponentKind.HighPressureControl => !states.IsHighPressure,
        ComponentKind.LowPressureControl => !states.IsLowPressure,
        ComponentKind.Overload => !states.IsOverloaded,
        ComponentKind.FanDelaySwitch => !states.IsCoilWarm,
        ComponentKind.TerminationSwitch => states.IsCoilMelted,
        _ => null,
    };
}
