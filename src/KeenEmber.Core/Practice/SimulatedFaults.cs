using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <summary>What is wrong with a whole unit in arithmetic, and what somebody sees of it that the model does not say.</summary>
/// <param name="Roots">Causes of the table that are this, one of which is to be named; none where nothing is wrong.</param>
/// <param name="Seen">What the part itself shows to who looks at it.</param>
public sealed record SimulatedFault(
    string Name, IReadOnlyList<string> Roots, Func<double, UnitDesign, UnitFaults> Made, IReadOnlyDictionary<string, string> Seen)
{
    /// <summary>How a unit must be built for it, from the usual one of its kind; null for one that cannot have it.</summary>
    public Func<UnitDesign, UnitDesign?> Built { get; init; } = design => design;

    /// <summary>Outside when it shows, °C; null for a warm day.</summary>
    public double? OutsideC { get; init; }
}

/// <summary>What can be wrong with a unit in arithmetic.</summary>
public static class SimulatedFaults
{
    private static SimulatedFault Of(
        string name, string[] roots, Func<double, UnitDesign, UnitFaults> made, params (string, string)[] seen) =>
        new(name, roots, made, seen.ToDictionary(s => s.Item1, s => s.Item2));

    /// <summary>Nothing first.</summary>
    public static IReadOnlyList<SimulatedFault> All { get; } =
    [
        Of("nothing", [], (_, _) => UnitFaults.None),
        Of("leak", ["leak", "leak-all-gone", "cap-loose"], (s, d) => new(ChargeLost: d.HasReceiver ? 0.7 + 0.15 * s : 0.5 + 0.2 * s),
            ("oil", "found"), ("leak-found", "found")),
        Of("dirty condenser", ["condenser-dirty"], (s, _) => new(CondenserDirt: 0.75 + 0.15 * s), ("condenser-face", "dirty"),
            ("condenser-air", "weak")),
        Of("condenser fan", ["condfan-motor-dead"], (_, _) => new(CondenserFanOut: 1), ("condenser-fan", "stopped"),
            ("condenser-air", "none"), ("condfan-windings", "open")),
        Of("evaporator fan", ["fan-motor-dead"], (_, _) => new(EvaporatorAir: 0.65), ("fans", "one-stopped"), ("fan-windings", "open"),
            ("box-spread", "5")),
        Of("valve or tube", ["txv-strainer", "capillary-blocked", "exv-stuck-shut"], (s, _) => new(ValveShut: 0.6 + 0.2 * s),
            ("bulb-warmed", "falls-not"), ("sight-glass", "full"), ("valve-opened", "rises-not"), ("valve-inlet", "blocked"),
            ("exv-moved", "no"), ("exv-opening", "90")),
        Of("compressor valves", ["compressor-valves"], (s, _) => new(CompressorWear: 0.5 + 0.15 * s), ("pumps-down", "no")),
        Of("door", ["door-left-ajar"], (s, _) => new(DoorOpen: 0.5 + 0.4 * s), ("door", "ajar"),
            ("condensation", "found"), ("ceiling-frost", "found")),
        Of("box sensor", ["box-sensor-cold"], (s, _) => new(ProbeOffK: -4 - 2 * s), ("box-probe.error", "-5"), ("display", "-5"),
            ("probe-in-ice", "off")),
        Of("too full", ["overcharged-by-hand"], (s, _) => new(Overcharge: 0.6 + 0.3 * s), ("charge-last", "added"),
            ("overfilled-last", "yes")),
        Wired("thermostat open", ["thermostat-open"], ComponentKind.Control, WiredKind.Contact, WiredFault.StuckOpen,
            ("thermostat-turned", "does-not")),
        Wired("thermostat welded", ["thermostat-stuck"], ComponentKind.Control, WiredKind.Contact, WiredFault.StuckClosed,
            ("turned-warmer", "goes-on")),
        Wired("contactor coil", ["contactor-coil-open"], ComponentKind.Contactor, WiredKind.Coil, WiredFault.Open,
            ("contactor-coil-ohms", "open")),
        Wired("contactor welded", ["contactor-stuck"], ComponentKind.Contactor, WiredKind.Contact, WiredFault.StuckClosed,
            ("turned-warmer", "goes-on")),
        Wired("contactor burnt", ["contactor-burnt"], ComponentKind.Contactor, WiredKind.Contact, WiredFault.StuckOpen,
            ("contactor", "burnt"), ("contactor-drop", "high")),
        Wired("compressor winding", ["compressor-winding-open"], ComponentKind.Compressor, WiredKind.Load, WiredFault.Open,
            ("windings", "open")),
        Wired("overload", ["overload-open"], ComponentKind.Overload, WiredKind.Contact, WiredFault.StuckOpen, ("overload", "open")),
        Of("start relay", ["start-relay-open"], (_, _) => new(StartFails: 1), ("start-relay", "open"), ("relay-shaken", "rattles")) with
        {
            Built = design => design.HasReceiver ? null : design,
        },
        Of("compressor stuck", ["compressor-seized"], (_, _) => new(StartFails: 1), ("start-helped", "does-not")),
        Wired("clock stands", ["clock-stopped"], ComponentKind.DefrostClock, WiredKind.Load, WiredFault.Open, ("clock", "stopped"),
            ("clock-hour", "less")),
        Wired("heaters", ["heater-open", "heaters-unfed"], ComponentKind.HeaterElement, WiredKind.Load, WiredFault.Open,
            ("heater-ohms", "one-open"), ("heater-each", "one-none"), ("heater-warm", "cold"), ("ice-left", "some"),
            ("end-by", "time-limit")),
        Wired("fan delay", ["delay-switch-stuck-open"], ComponentKind.FanDelaySwitch, WiredKind.Contact, WiredFault.StuckOpen,
            ("delay-switch", "stuck-open")),
        Of("water valve", ["water-valve-shut"], (s, _) => new(WaterValveOffK: 16 + 8 * s), ("water-valve", "shut")) with
        {
            Built = InWater,
        },
        Of("water strainer", ["water-strainer-blocked"], (s, _) => new(WaterShort: 0.75 + 0.15 * s), ("water-strainer", "blocked"),
            ("water-flow", "little")) with { Built = InWater },
        Of("scale", ["condenser-scaled"], (s, _) => new(Scale: 0.75 + 0.1 * s)) with { Built = InWater },
        Of("head valve", ["headvalve-failed"], (_, _) => new(HeadValveOut: 1), ("headvalve", "stuck"), ("weather", "cold-days")) with
        {
            Built = WithHeadValve, OutsideC = FrostC,
        },
        Of("winter charge", ["cold-weather-undercharged", "leak", "cap-loose"], (s, _) => new(ChargeLost: 0.45 + 0.1 * s),
            ("weather", "cold-days")) with { Built = WithHeadValve, OutsideC = FrostC },
        Of("moisture", ["moisture"], (s, _) => new(Moisture: 0.6 + s), ("rest-cools", "yes"), ("moisture-dot", "wet"),
            ("vacuum-rise", "levels-wet")),
        Of("liquid valve leaks", ["solenoid-leaks"], (s, _) => new(LiquidLeak: 0.02 + 0.03 * s), ("pumps-down", "no")) with
        {
            Built = PumpsDown,
        },
        Of("liquid valve stuck", ["solenoid-stuck-shut"], (_, _) => new(LiquidShut: 1)) with { Built = PumpsDown },
        Wired("liquid valve coil", ["solenoid-coil-open"], ComponentKind.LiquidSolenoid, WiredKind.Load, WiredFault.Open,
            ("solenoid-coil-ohms", "open")) with { Built = PumpsDown },
        Wired("low-pressure control", ["lp-control-failed"], ComponentKind.LowPressureControl, WiredKind.Contact, WiredFault.StuckOpen)
            with { Built = PumpsDown },
    ];

    private static UnitDesign? PumpsDown(UnitDesign design) => design.HasReceiver && design.Kind != EquipmentKind.GlycolChiller
        ? design.WithPumpDown() : null;

    /// <summary>Outside on a day on which head pressure falls, °C.</summary>
    private const double FrostC = -12;

    private static UnitDesign? InWater(UnitDesign design) =>
        design.HasReceiver && design.Kind != EquipmentKind.GlycolChiller ? design.InWater() : null;

    private static UnitDesign? WithHeadValve(UnitDesign design) =>
        design is { HasReceiver: true, Condenser: CondenserKind.AirCooledRemote } ? design with { HasHeadValve = true } : null;

    /// <summary>A fault of one part of the diagram.</summary>
    private static SimulatedFault Wired(
        string name, string[] roots, ComponentKind part, WiredKind kind, WiredFault fault, params (string, string)[] seen) =>
        Of(name, roots, (_, design) => UnitWiring.Of(design).Part(part, kind) is { } wired
            ? UnitFaults.None with { Wired = [new(wired.Name, fault)] } : UnitFaults.None, seen);
}
