using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>What a change or a part belongs to.</summary>
public enum WorkArea { Other, Fans, Defrost, LimitSwitch, Control, Circuit, StartParts, Motor, Power, Box }

/// <summary>What can be seen to work after a repair.</summary>
public enum ProofKind { FansRun, CoilClear, CircuitJudged, CurrentWithinPlate, BoxAtTarget, SensorAgrees, StartedAgain, WholeDefrost,
    CutOutReached, CutInReached }

/// <summary>One thing that proves one repair.</summary>
/// <param name="Repair">The entry that wants proof.</param>
/// <param name="By">The entry that proves it; null while nothing does.</param>
public sealed record Proof(Entry Repair, ProofKind Kind, Entry? By)
{
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
        ComponentKind.HeaterElement or ComponentKind.DefrostClock or ComponentKind.DefrostRelay or ComponentKind.DrainHeater =>
            WorkArea.Defrost,
        ComponentKind.Control or ComponentKind.Display or ComponentKind.ControlRelay or ComponentKind.LowPressureControl
            or ComponentKind.HighPressureControl or ComponentKind.FanCyclingControl => WorkArea.Control,
        ComponentKind.StartRelay or ComponentKind.Overload or ComponentKind.RunCapacitor or ComponentKind.StartCapacitor =>
            WorkArea.StartParts,
        ComponentKind.CondenserFan or ComponentKind.CondenserFanCapacitor or ComponentKind.GlycolPump => WorkArea.Motor,
        ComponentKind.Contactor or ComponentKind.Breaker or ComponentKind.Fuse or ComponentKind.Wiring => WorkArea.Power,
        ComponentKind.Door or ComponentKind.Gasket => WorkArea.Box,
        _ => WorkArea.Circuit,
    };
}
