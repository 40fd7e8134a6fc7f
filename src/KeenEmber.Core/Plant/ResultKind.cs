namespace KeenEmber.Core.Plant;

/// <summary>What the bench computes, in the order it is read.</summary>
public enum ResultKind
{
    SuperheatCoil, Subcooling, EvaporatorTd, Evaporating, SuperheatCompressor, LineGain,
    AirDrop, Condensing, CondensingLow, CondensingHigh, CondenserSplit, CompressionRatio, DischargeTemperature, CurrentShare,
    DrierDrop,
}

public static class ResultKinds
{
    /// <summary>Whether there is one for every coil of a unit.</summary>
    public static bool IsOfCoil(this ResultKind kind) => kind is ResultKind.SuperheatCoil or ResultKind.EvaporatorTd or ResultKind.AirDrop;

    /// <summary>Every result of a unit with so many coils, in the order in which they are read.</summary>
    public static IEnumerable<ResultRef> InReadingOrder(int coils) =>
        Enum.GetValues<ResultKind>().SelectMany(kind => Enumerable.Range(1, kind.IsOfCoil() ? coils : 1).Select(coil => kind.At(coil)));

    /// <summary>The result of a coil; the same for every coil where the unit has it once.</summary>
    public static ResultRef At(this ResultKind kind, int coil) => new(kind, kind.IsOfCoil() ? coil : 1);
}
