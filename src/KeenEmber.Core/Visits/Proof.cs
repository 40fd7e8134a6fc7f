using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>What a change or a part belongs to.</summary>
public enum WorkArea { Other, Fans, Defrost, LimitSwitch, Control, Circuit, StartParts, Motor, Power, Box }

/// <summary>What can be seen to work after a repair.</summary>
public enum ProofKind { FansRun, CoilClear, CircuitJudged, CurrentWithinPlate, BoxAtTarget, SensorAgrees, StartedAgain, WholeDefrost, CutOutReached, CutInReached }

/// <summary>One thing that proves one repair.</summary>
/// <param name="Repair">The entry that wants proof.</param>
/// <param name="By">The entry that proves it; null while nothing does.</param>
public sealed record Proof(Entry Repair, ProofKind Kind, Entry? By)
{
    public bool IsProved => By is not null;
}
