namespace KeenEmber.Core.Plant;

/// <summary>What the bench computes, in the order it is read.</summary>
public enum ResultKind
{
    SuperheatCoil, Subcooling, EvaporatorTd, SuperheatCoil2, EvaporatorTd2, Evaporating, SuperheatCompressor, LineGain,
    AirDrop, AirDrop2, Condensing, CondensingLow, CondensingHigh, CondenserSplit, CompressionRatio, DischargeTemperature, CurrentShare,
        DrierDrop,
}
