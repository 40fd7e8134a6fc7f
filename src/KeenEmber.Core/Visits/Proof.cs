using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>What a change or a part belongs to.</summary>
public enum WorkArea
{
    /// <summary>Anything else.</summary>
    Other,

    /// <summary>Evaporator fans.</summary>
    Fans,

    /// <summary>Heaters, clock, relay of the defrost.</summary>
    Defrost,

    /// <summary>End switch, fan delay, heater safety.</summary>
    LimitSwitch,

    /// <summary>Thermostat, controller, pressure control.</summary>
    Control,

    /// <summary>The sealed circuit.</summary>
    Circuit,

    /// <summary>Relay, overload, capacitors of the compressor.</summary>
    StartParts,

    /// <summary>Any other motor, such as a pump's.</summary>
    Motor,

    /// <summary>Condenser fan, its motor and capacitor.</summary>
    CondenserFan,

    /// <summary>A sensor of the control.</summary>
    Sensor,

    /// <summary>Supply, contactor, wiring.</summary>
    Power,

    /// <summary>Door, gasket, panels.</summary>
    Box,
}

/// <summary>What can be seen to work after a repair.</summary>
public enum ProofKind
{
    /// <summary>The evaporator fans run.</summary>
    FansRun,

    /// <summary>The coil is clear.</summary>
    CoilClear,

    /// <summary>Superheat and subcooling count, from readings taken afterwards.</summary>
    CircuitJudged,

    /// <summary>The compressor's current is within its plate.</summary>
    CurrentWithinPlate,

    /// <summary>The box is at its target.</summary>
    BoxAtTarget,

    /// <summary>The condenser fan runs.</summary>
    CondenserFanRuns,

    /// <summary>The sensor agrees with the reference.</summary>
    SensorAgrees,

    /// <summary>It was seen to start.</summary>
    StartedAgain,

    /// <summary>The defrost clock was turned through by hand, and advanced an hour in an hour.</summary>
    ClockRuns,

    /// <summary>A whole defrost was watched.</summary>
    WholeDefrost,

    /// <summary>It was seen to cut out where it is set.</summary>
    CutOutReached,

    /// <summary>It was seen to cut in where it is set.</summary>
    CutInReached,

    /// <summary>A pressure test or a vacuum that was shut off held.</summary>
    HeldTight,
}

/// <summary>One thing that proves one repair.</summary>
/// <param name="Repair">The entry that wants proof.</param>
/// <param name="By">The entry that proves it; null while nothing does.</param>
public sealed record Proof(Entry Repair, ProofKind Kind, Entry? By)
{
    /// <summary>Something proves it.</summary>
    public bool IsProved => By is not null;
}

/// <summary>Which area of work a part belongs to.</summary>
public static class WorkAreas
{
    /// <summary>What decides the proof of a part of this kind.</summary>
    public static WorkArea Of(ComponentKind kind) => kind switch
    {
        ComponentKind.EvaporatorFan => WorkArea.Fans,
        ComponentKind.TerminationSwitch or ComponentKind.FanDelaySwitch or ComponentKind.HeaterSafety => WorkArea.LimitSwitch,
        // What ends the defrost is proved by a defrost that is watched, not in an ice bath.
        ComponentKind.EndSensor => WorkArea.Defrost,
        ComponentKind.BoxSensor or ComponentKind.OtherSensor => WorkArea.Sensor,
        ComponentKind.HeaterElement or ComponentKind.DefrostClock or ComponentKind.DefrostRelay or ComponentKind.DrainHeater =>
            WorkArea.Defrost,
        ComponentKind.Control or ComponentKind.Display or ComponentKind.ControlRelay or ComponentKind.LowPressureControl
            or ComponentKind.HighPressureControl or ComponentKind.FanCyclingControl => WorkArea.Control,
        ComponentKind.StartRelay or ComponentKind.Overload or ComponentKind.RunCapacitor or ComponentKind.StartCapacitor =>
            WorkArea.StartParts,
        ComponentKind.CondenserFan or ComponentKind.CondenserFanCapacitor => WorkArea.CondenserFan,
        ComponentKind.GlycolPump => WorkArea.Motor,
        ComponentKind.Contactor or ComponentKind.Breaker or ComponentKind.Fuse or ComponentKind.Wiring => WorkArea.Power,
        ComponentKind.Door or ComponentKind.Gasket => WorkArea.Box,
        _ => WorkArea.Circuit,
    };
}
