using KeenEmber.Core.Service;

namespace KeenEmber.Core.Circuit;

/// <summary>A target range, in the unit of its result (K or a plain ratio), ends included.</summary>
public readonly record struct Band(double Low, double High)
{
    public BandPosition Place(double value) =>
        value < Low ? BandPosition.Below : value > High ? BandPosition.Above : BandPosition.Inside;
}

public enum BandPosition { Below, Inside, Above }

/// <summary>Where the results of a healthy, settled circuit lie, by class of unit. Starting values; a maker's figure comes first.</summary>
/// <remarks>
/// Source: trade practice for the differences. Coil TD follows the humidity a box is to keep: small in walk-ins, larger in
/// reach-ins. Compression ratio: usual single-stage limit of about 10 to 12 to 1 for low temperature, lower for medium.
/// </remarks>
public sealed record CircuitTargets(Band EvaporatorTd, Band SuperheatCoil, Band SuperheatCompressor, Band Subcooling, Band CondenserSplit, Band CompressionRatio)
{
    private static readonly Band CoilSuperheat = new(3, 6);
    private static readonly Band CompressorSuperheat = new(11, 17);
    private static readonly Band ReceiverSubcooling = new(3, 8);
    private static readonly Band AirCooledSplit = new(8, 17);
    private static readonly Band MediumRatio = new(1.8, 8);
    private static readonly Band LowRatio = new(3, 11);

    private static readonly CircuitTargets Cooler = new(new(5, 7), CoilSuperheat, CompressorSuperheat, ReceiverSubcooling, AirCooledSplit, MediumRatio);
    private static readonly CircuitTargets Freezer = Cooler with { EvaporatorTd = new(4, 6), CompressionRatio = LowRatio };
    private static readonly CircuitTargets ReachInCooler = Cooler with { EvaporatorTd = new(8, 15) };
    private static readonly CircuitTargets ReachInFreezer = Freezer with { EvaporatorTd = new(8, 15) };

    /// <summary>Air drop has no row: it depends on the fan as much as on the circuit, so it is compared with earlier visits instead.</summary>
    public Band? For(ResultKind kind) => kind switch
    {
        ResultKind.EvaporatorTd => EvaporatorTd,
        ResultKind.SuperheatCoil => SuperheatCoil,
        ResultKind.SuperheatCompressor => SuperheatCompressor,
        ResultKind.Subcooling => Subcooling,
        ResultKind.CondenserSplit => CondenserSplit,
        ResultKind.CompressionRatio => CompressionRatio,
        _ => null,
    };

    public static CircuitTargets Of(EquipmentKind kind) => kind switch
    {
        EquipmentKind.WalkInFreezer or EquipmentKind.DriveInFreezer => Freezer,
        EquipmentKind.ReachInFreezer or EquipmentKind.IceMerchandiser => ReachInFreezer,
        EquipmentKind.WalkInCooler => Cooler,
        _ => ReachInCooler,
    };
}
