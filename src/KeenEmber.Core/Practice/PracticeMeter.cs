using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <summary>The meter of a case: two terminals of the unit's diagram, with what is wrong in it, give the volts and ohms, a part the
/// amps.</summary>
/// <remarks>Causes that sit in no part of a usual diagram change nothing in it: a short to earth, a start relay, a terminal that is
/// loose.</remarks>
public sealed class PracticeMeter
{
    /// <summary>What one measurement takes, min.</summary>
    public const double Minutes = 4;

    /// <summary>Answers of a look at a load.</summary>
    public const string RunsText = "runs", StandsText = "stands";

    private readonly UnitWiring wiring;

    /// <param name="run">As it is after what was done.</param>
    /// <param name="plan">Of the unit.</param>
    public PracticeMeter(PracticeRun run, CircuitPlan plan)
    {
        Mode = run.World.Mode switch
        {
            OperatingMode.Satisfied => CircuitMode.Satisfied,
            OperatingMode.Defrost => CircuitMode.Defrost,
            OperatingMode.Off => CircuitMode.Off,
            _ => CircuitMode.Calling,
        };
        wiring = new(plan) { Faults = [.. run.Left.Truth.Select(t => FaultOf(t, plan)).OfType<PartFault>()] };
        bool Is(string code, string answer) => run.World.Observables.FirstOrDefault(o => o.Code == code) is { } o
            && run.World.Answer(o).Answer == answer;
        wiring.Under(new(Mode, Is("hp-control", "tripped"), Is("overload", "open"), Mode == CircuitMode.Defrost, false,
            Is("lp-control", "open") ? true : null));
    }

    /// <summary>What the unit is doing.</summary>
    public CircuitMode Mode { get; }

    /// <summary>Volts between two terminals, or ohms with the power off.</summary>
    /// <param name="isPowerOff">Ohms.</param>
    /// <returns>Null where the diagram has no such terminals.</returns>
    public double? Between(string a, string b, bool isPowerOff)
    {
        if (!isPowerOff)
            return wiring.VoltsBetween(a, b) is { } volts ? Math.Round(volts, 1) : null;
        return wiring.OhmsBetween(a, b) is { } ohms ? Math.Round(ohms, 1) : null;
    }

    /// <summary>Amps on the lead of a part; null where the diagram has no such part.</summary>
    public double? Amps(string part) => wiring.AmpsThrough(part) is { } amps ? Math.Round(amps, 2) : null;

    /// <summary>A load runs, warms or pulls; null where the diagram has no such load.</summary>
    public bool? Runs(string part) => wiring.Runs(part);

    /// <summary>What a cause is in a diagram; the first part of these that a diagram has.</summary>
    private static readonly Dictionary<string, (ComponentKind Part, WiredKind Kind, WiredFault Fault)[]> InDiagrams = new()
    {
        ["breaker-weak"] = [Open(ComponentKind.Breaker)], ["fuse-aged"] = [Open(ComponentKind.Breaker)],
        ["spike-trip"] = [Open(ComponentKind.Breaker)],
        ["switched-off-by-hand"] = [Open(ComponentKind.Breaker)],
        ["power-failed"] = [Open(ComponentKind.Breaker)],
        ["thermostat-open"] = [Open(ComponentKind.Control), Open(ComponentKind.ControlRelay)],
        ["thermostat-bulb-lost"] = [Open(ComponentKind.Control), Open(ComponentKind.ControlRelay)],
        ["controller-board-dead"] = [Open(ComponentKind.ControlRelay), Open(ComponentKind.Control)],
        ["output-relay-open"] = [Open(ComponentKind.ControlRelay), Open(ComponentKind.Control)],
        ["thermostat-stuck"] = [Closed(ComponentKind.Control), Closed(ComponentKind.ControlRelay)],
        ["output-relay-welded"] = [Closed(ComponentKind.ControlRelay), Closed(ComponentKind.Control)],
        ["jumper-left"] = [Closed(ComponentKind.Control), Closed(ComponentKind.ControlRelay)],
        ["hp-tripped"] = [Open(ComponentKind.HighPressureControl)],
        ["solenoid-coil-open"] = [Dead(ComponentKind.LiquidSolenoid)],
        ["lp-control-failed"] = [Open(ComponentKind.LowPressureControl)],
        ["contactor-coil-open"] = [(ComponentKind.Contactor, WiredKind.Coil, WiredFault.Open)],
        ["contactor-burnt"] = [Open(ComponentKind.Contactor)], ["contactor-stuck"] = [Closed(ComponentKind.Contactor)],
        ["overload-open"] = [Open(ComponentKind.Overload), Dead(ComponentKind.Compressor)],
        ["compressor-winding-open"] = [Dead(ComponentKind.Compressor)], ["compressor-lead-off"] = [Dead(ComponentKind.Compressor)],
        ["start-relay-open"] = [Dead(ComponentKind.Compressor)],
        ["condfan-motor-dead"] = [Dead(ComponentKind.CondenserFan)], ["condfan-lead-off"] = [Dead(ComponentKind.CondenserFan)],
        ["fan-motors-burnt"] = [Dead(ComponentKind.EvaporatorFan)], ["fan-relay-open"] = [Open(ComponentKind.ControlRelay)],
        ["clock-stopped"] = [Dead(ComponentKind.DefrostClock)], ["heater-open"] = [Dead(ComponentKind.HeaterElement)],
        ["heaters-unfed"] = [Dead(ComponentKind.HeaterElement)], ["heater-safety-open"] = [Open(ComponentKind.HeaterSafety)],
        ["delay-switch-stuck-open"] = [Open(ComponentKind.FanDelaySwitch)],
        ["delay-switch-stuck-closed"] = [Closed(ComponentKind.FanDelaySwitch)],
        ["term-switch-stuck-open"] = [Open(ComponentKind.TerminationSwitch)],
        ["term-switch-stuck-closed"] = [Closed(ComponentKind.TerminationSwitch)],
    };

    private static (ComponentKind Part, WiredKind Kind, WiredFault Fault) Open(ComponentKind part) =>
        (part, WiredKind.Contact, WiredFault.StuckOpen);

    private static (ComponentKind Part, WiredKind Kind, WiredFault Fault) Closed(ComponentKind part) =>
        (part, WiredKind.Contact, WiredFault.StuckClosed);

    private static (ComponentKind Part, WiredKind Kind, WiredFault Fault) Dead(ComponentKind part) =>
        (part, WiredKind.Load, WiredFault.Open);

    /// <summary>Codes of causes that sit in a part of a usual diagram.</summary>
    public static IReadOnlyCollection<string> CausesInDiagrams => InDiagrams.Keys;

    private static PartFault? FaultOf(string cause, CircuitPlan plan)
    {
        foreach (var (part, kind, fault) in InDiagrams.GetValueOrDefault(cause, []))
        {
            if (plan.Parts.FirstOrDefault(p => p.Component?.Kind == part && p.Kind == kind) is { } found)
                return new(found.Name, fault);
        }

        return null;
    }
}
