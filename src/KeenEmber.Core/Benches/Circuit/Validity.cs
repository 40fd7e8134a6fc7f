namespace KeenEmber.Core.Benches.Circuit;

public enum ValidityLevel { Good, Provisional, NotUsable }

/// <summary>Why a result does not fully count.</summary>
public enum ReasonCode
{
    Defrosting, FanStopped, CoilIced, CompressorOff, JustDefrosted, OutsideRefrigerantRange, Challenged,
    ValveClosed, BoxMisread, CondenserFanStopped, CondenserDirty, CondenserFanCycling, ColdAmbient,
    ShortRun, StillMoving, HotPullDown, FrostedCooler, ReadingsFarApart,
    FansNotRecorded, CoilNotRecorded, CompressorNotRecorded, RunTimeNotRecorded, MeterNotChecked,
}

public readonly record struct ValidityReason(ReasonCode Code, ValidityLevel Level);

/// <summary>Whether a result counts: as bad as its worst reason.</summary>
public sealed record Validity(IReadOnlyList<ValidityReason> Reasons)
{
    public ValidityLevel Level => Reasons.Count == 0 ? ValidityLevel.Good : Reasons.Max(r => r.Level);
}
