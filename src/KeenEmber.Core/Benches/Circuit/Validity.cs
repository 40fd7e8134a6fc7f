namespace KeenEmber.Core.Benches.Circuit;

/// <summary>How far a result counts, the best first.</summary>
public enum ValidityLevel
{
    /// <summary>In full.</summary>
    Good,

    /// <summary>With a doubt that is named.</summary>
    Provisional,

    /// <summary>Not at all.</summary>
    NotUsable,
}

/// <summary>Why a result does not fully count.</summary>
public enum ReasonCode
{
    /// <summary>It was defrosting.</summary>
    Defrosting,

    /// <summary>An evaporator fan stood.</summary>
    FanStopped,

    /// <summary>The coil was iced.</summary>
    CoilIced,

    /// <summary>The compressor was off.</summary>
    CompressorOff,

    /// <summary>A defrost had ended too lately.</summary>
    JustDefrosted,

    /// <summary>Outside the refrigerant's saturation range.</summary>
    OutsideRefrigerantRange,

    /// <summary>One of its readings cannot be so.</summary>
    Challenged,

    /// <summary>A valve was shut, so it was being pumped down.</summary>
    ValveClosed,

    /// <summary>The box thermometer did not hang in the return air.</summary>
    BoxMisread,

    /// <summary>The condenser fan stood.</summary>
    CondenserFanStopped,

    /// <summary>The condenser was dirty.</summary>
    CondenserDirty,

    /// <summary>The condenser fan was cycling.</summary>
    CondenserFanCycling,

    /// <summary>The condenser's air was too cold for a charge to be judged.</summary>
    ColdAmbient,

    /// <summary>The compressor had not run long enough.</summary>
    ShortRun,

    /// <summary>Work had been done on the unit too lately.</summary>
    JustWorked,

    /// <summary>The readings had not settled.</summary>
    StillMoving,

    /// <summary>The box was far above its target.</summary>
    HotPullDown,

    /// <summary>The coil of a cooler was frosted.</summary>
    FrostedCooler,

    /// <summary>Its readings were taken too far apart in time.</summary>
    ReadingsFarApart,

    /// <summary>Nobody looked at the fans.</summary>
    FansNotRecorded,

    /// <summary>Nobody looked at the coil.</summary>
    CoilNotRecorded,

    /// <summary>Nobody looked whether the compressor runs.</summary>
    CompressorNotRecorded,

    /// <summary>Nobody noted for how long the compressor had run.</summary>
    RunTimeNotRecorded,

    /// <summary>The meter's check is out of date.</summary>
    InstrumentNotChecked,
}

/// <summary>One reason why a result does not fully count.</summary>
/// <param name="Code">Which.</param>
/// <param name="Level">How far it still counts with it.</param>
public readonly record struct ValidityReason(ReasonCode Code, ValidityLevel Level);

/// <summary>Whether a result counts: as bad as its worst reason.</summary>
public sealed record Validity(IReadOnlyList<ValidityReason> Reasons)
{
    /// <summary>The worst of its reasons; good without any.</summary>
    public ValidityLevel Level => Reasons.Count == 0 ? ValidityLevel.Good : Reasons.Max(r => r.Level);
}
