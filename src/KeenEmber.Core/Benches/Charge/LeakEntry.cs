using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>Where a circuit leaks.</summary>
public enum LeakPlace
{
    /// <summary>Caps and cores of service ports.</summary>
    CapOrCore,

    /// <summary>A flare nut.</summary>
    FlareNut,

    /// <summary>The stem of a service valve.</summary>
    ValveStem,

    /// <summary>A brazed joint.</summary>
    BrazedJoint,

    /// <summary>The joints of the drier.</summary>
    DrierJoint,

    /// <summary>A tube that rubs on another, a bracket or a panel.</summary>
    RubOut,

    /// <summary>A return bend of the evaporator.</summary>
    EvaporatorBend,

    /// <summary>A return bend or tube of the condenser.</summary>
    CondenserBend,

    /// <summary>The capillary of a pressure control or gauge.</summary>
    ControlCapillary,

    /// <summary>Terminals or seam of the compressor.</summary>
    Compressor,

    /// <summary>The process tube of a sealed unit, and whatever pierced it.</summary>
    ProcessTube,

    /// <summary>The sight glass.</summary>
    SightGlass,

    /// <summary>The fusible plug or relief valve.</summary>
    ReliefDevice,
}

/// <summary>How a leak is looked for.</summary>
public enum LeakMethod
{
    /// <summary>Electronic detector.</summary>
    Detector,

    /// <summary>Bubble solution.</summary>
    Bubbles,

    /// <summary>By eye: oil, dirt that sticks.</summary>
    Oil,

    /// <summary>Dye and lamp.</summary>
    Dye,

    /// <summary>Ultrasound.</summary>
    Ultrasound,
}

/// <summary>What a look at one place came to.</summary>
public enum LeakResult
{
    /// <summary>It leaks.</summary>
    Leaks,

    /// <summary>Nothing found.</summary>
    Tight,

    /// <summary>The detector answers, and it is not clear to what.</summary>
    Doubtful,

    /// <summary>It leaked and is repaired.</summary>
    Repaired,
}

/// <summary>What fools a detector.</summary>
public enum DetectorDisturbance
{
    /// <summary>Nothing known.</summary>
    None,

    /// <summary>The air of the box is full of refrigerant.</summary>
    BoxAir,

    /// <summary>Fresh foam in the walls.</summary>
    Foam,

    /// <summary>Cleaning agents, paint, solvents.</summary>
    Cleaning,

    /// <summary>Wind or a fan blows the gas away.</summary>
    Draught,
}

/// <summary>One place was looked at for a leak.</summary>
/// <param name="Where">Which of several, in a few words; may be empty.</param>
/// <param name="HasOil">Oil shows there.</param>
/// <param name="How">How it was repaired; empty where it was not.</param>
public sealed record LeakEntry(
    EntryHeader Header, LeakPlace Place, string Where, LeakMethod Method, LeakResult Result, bool HasOil = false,
    DetectorDisturbance Disturbed = DetectorDisturbance.None, string How = "") : Entry(Header), IChangesUnit
{
    bool IChangesUnit.ChangesUnit => Result == LeakResult.Repaired;

    IReadOnlyList<ProofKind> IChangesUnit.WantsProof(Equipment unit) => Result == LeakResult.Repaired ? [ProofKind.HeldTight] : [];

    /// <summary>The same place of the unit.</summary>
    public bool IsAt(LeakEntry other) => Place == other.Place && string.Equals(Where, other.Where, StringComparison.OrdinalIgnoreCase);
}
