using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>What melts the frost.</summary>
public enum DefrostKind
{
    /// <summary>The air of the box, while the compressor stands and the fans run.</summary>
    OffCycle,

    /// <summary>Heaters; the fans stand.</summary>
    Electric,

    /// <summary>Discharge gas; the fans stand.</summary>
    HotGas,
}

/// <summary>What is taken for granted of a defrost that nobody has set up.</summary>
public static class DefrostKinds
{
    /// <summary>Box air warmer than this melts frost by itself, °C. Source: trade practice.</summary>
    private const double OffCycleAboveC = 2;

    /// <summary>The usual kind for a box that is meant to hold this.</summary>
    public static DefrostKind UsualAt(Temperature target) =>
        target.Celsius > OffCycleAboveC ? DefrostKind.OffCycle : DefrostKind.Electric;
}
