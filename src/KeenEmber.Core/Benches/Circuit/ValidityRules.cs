using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using static KeenEmber.Core.Benches.Circuit.ReasonCode;
using static KeenEmber.Core.Plant.ResultKind;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>When a circuit reading counts: one row per situation, judged at the moment the reading was taken.</summary>
/// <remarks>
/// Source of the rows and figures: trade practice. A coil that cannot breathe, a system that has not settled and a
/// condenser that cannot reject its heat each bend the readings of certain results and leave others alone.
/// </remarks>
public static class ValidityRules
{
    /// <summary>Run time below which pressures and superheat are still on their way, trade practice 10 to 15 min.</summary>
    public static readonly TimeSpan SettledAfter = TimeSpan.FromMinutes(15);

    /// <summary>Time after a defrost until the coil is cold and dry enough to judge, trade practice about 10 min.</summary>
    public static readonly TimeSpan SettledAfterDefrost = TimeSpan.FromMinutes(10);

    /// <summary>Condenser air below which head is held up by fan cycling or flooding and swings, °C; trade practice.</summary>
    public const double ColdAmbientC = 10;

    /// <summary>Box above target by more than this is a hot pull-down, K.</summary>
    public const double HotPullDownK = 10;

    /// <summary>Readings further apart than this do not describe one moment.</summary>
    public static readonly TimeSpan OneMoment = TimeSpan.FromMinutes(15);

    /// <summary>Above this box target (°C) a coil clears itself in every off time, so frost on it is not normal.</summary>
    public const double SelfClearingAboveC = 1;

    private static readonly ResultKind[] LowSide =
        [Evaporating, SuperheatCoil, SuperheatCompressor, LineGain, EvaporatorTd, AirDrop];
    private static readonly ResultKind[] HighSide = [Condensing, Subcooling, CondenserSplit, WaterRise];
    private static readonly ResultKind[] OfTheMachine = [CompressionRatio, DischargeTemperature, CurrentShare];
    private static readonly ResultKind[] Everything = [.. LowSide, .. HighSide, .. OfTheMachine, CondensingLow, CondensingHigh, DrierDrop];

    private sealed record Rule(
        ReasonCode Reason, Func<OperatingConditions, bool> Applies, ResultKind[] NotUsable, ResultKind[] Provisional);

    private static readonly Rule[] Rules =
    [
        new(Defrosting, c => c.Defrost == FactState.Defrosting, Everything, []),
        new(CompressorOff, c => c.Compressor == FactState.Stopped, Everything, []),
        new(ValveClosed, c => c.IsPumpedDown, Everything, []),
        new(FanStopped, c => c.AnyFanStopped, LowSide, [.. HighSide, .. OfTheMachine]),
        new(BoxMisread, c => c.IsBoxMisread, [EvaporatorTd, AirDrop], []),
        new(CoilIced, c => c.Coil == FactState.Iced, LowSide, [.. HighSide, .. OfTheMachine]),
        new(JustDefrosted, c =>
            c.Defrost == FactState.Refrigerating && c.SinceDefrost < SettledAfterDefrost, LowSide, [.. HighSide, .. OfTheMachine]),
        new(CondenserFanStopped, c => c.CondenserFan == FactState.Stopped, [.. HighSide, .. OfTheMachine], LowSide),
        new(CondenserDirty, c => c.CondenserFace is FactState.Dirty or FactState.Blocked, [Subcooling], [Condensing, .. OfTheMachine]),
        // Where a control holds head up, the split says nothing about the condenser.
        new(CondenserFanCycling, c => c.CondenserFan == FactState.Cycling, [CondenserSplit], [.. HighSide, .. OfTheMachine]),
        new(ColdAmbient, c => c.CondenserAir is { Celsius: < ColdAmbientC }, [CondenserSplit], [.. HighSide, .. OfTheMachine]),
        new(JustWorked, c => c.SinceWork < SettledAfter, [], Everything),
        new(ShortRun, c => c.RunTime < SettledAfter, [], Everything),
        new(HotPullDown, c => c.BoxAboveTarget is { Kelvin: > HotPullDownK }, [], Everything),
        new(FrostedCooler, c => c.Coil == FactState.Frosted && c.BoxTarget.Celsius > SelfClearingAboveC, [], LowSide),
        new(FansNotRecorded, c => c.AnyFanUnrecorded, [], [.. LowSide, Subcooling]),
        new(CoilNotRecorded, c => c.Coil is null, [], [.. LowSide, Subcooling]),
        new(CompressorNotRecorded, c => c is { Compressor: null, IsOnRack: false }, [], Everything),
        new(RunTimeNotRecorded, c => c.Compressor == FactState.Running && c.RunTime is null, [], Everything),
    ];

    /// <summary>Every reason why a result computed from these readings does not fully count.</summary>
    /// <param name="stillMoves">True when the points were logged repeatedly and have not settled.</param>
    /// <param name="challenged">True when one of the readings, or the result itself, cannot be right.</param>
    public static Validity Judge(ResultKind kind, IReadOnlyList<TakenReading> basis, bool challenged, bool stillMoves)
    {
        var reasons = new List<ValidityReason>();
        foreach (var rule in Rules)
        {
            if (!basis.Any(r => rule.Applies(r.Conditions)))
                continue;
            if (rule.NotUsable.Contains(kind))
                reasons.Add(new(rule.Reason, ValidityLevel.NotUsable));
            else if (rule.Provisional.Contains(kind))
                reasons.Add(new(rule.Reason, ValidityLevel.Provisional));
        }

        if (basis.Any(r => r.Instrument is { IsChecked: false }))
            reasons.Add(new(InstrumentNotChecked, ValidityLevel.Provisional));
        if (challenged)
            reasons.Add(new(Challenged, ValidityLevel.NotUsable));
        if (stillMoves && kind != AirDrop)
            reasons.Add(new(StillMoving, ValidityLevel.Provisional));
        if (basis.Count > 1 && basis.Max(r => r.At) - basis.Min(r => r.At) > OneMoment)
            reasons.Add(new(ReadingsFarApart, ValidityLevel.Provisional));
        return new(reasons);
    }
}
