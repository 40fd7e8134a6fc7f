namespace KeenEmber.Core.Plant;

/// <summary>What the bench computes, in the order it is read.</summary>
public enum ResultKind
{
    /// <summary>Superheat at the coil's outlet.</summary>
    SuperheatCoil,

    /// <summary>Subcooling at the condenser's outlet.</summary>
    Subcooling,

    /// <summary>Air on the coil less evaporating.</summary>
    EvaporatorTd,

    /// <summary>Evaporating temperature.</summary>
    Evaporating,

    /// <summary>Superheat at the compressor.</summary>
    SuperheatCompressor,

    /// <summary>Warming of the suction line from coil to compressor.</summary>
    LineGain,

    /// <summary>Air on the coil less air off.</summary>
    AirDrop,

    /// <summary>Condensing temperature.</summary>
    Condensing,

    /// <summary>Condensing at the lowest head of a fan cycle.</summary>
    CondensingLow,

    /// <summary>Condensing at the highest head of a fan cycle.</summary>
    CondensingHigh,

    /// <summary>Condensing less air or water on the condenser.</summary>
    CondenserSplit,

    /// <summary>Head over suction, both absolute.</summary>
    CompressionRatio,

    /// <summary>Temperature of the discharge line.</summary>
    DischargeTemperature,

    /// <summary>Compressor current over that of its plate.</summary>
    CurrentShare,

    /// <summary>Liquid line before the drier less behind it.</summary>
    DrierDrop,

    /// <summary>Water off the condenser less water into it.</summary>
    WaterRise,
}

/// <summary>The order of results.</summary>
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
