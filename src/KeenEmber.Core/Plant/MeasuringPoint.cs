using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>Where on a circuit a value is taken, in the order a technician walks: box, coil, condensing unit.</summary>
public enum MeasuringPoint
{
    /// <summary>Air of the box as it enters the coil; the bath of a glycol chiller.</summary>
    BoxAir,

    /// <summary>Air off the coil.</summary>
    AirLeaving,

    /// <summary>Suction line at the coil's outlet.</summary>
    SuctionLineCoil,

    /// <summary>Suction pressure.</summary>
    SuctionPressure,

    /// <summary>Suction line at the compressor.</summary>
    SuctionLineCompressor,

    /// <summary>Compressor current.</summary>
    CompressorCurrent,

    /// <summary>Discharge line.</summary>
    DischargeLine,

    /// <summary>Head pressure; for a case on a rack the pressure of its liquid.</summary>
    DischargePressure,

    /// <summary>Lowest and highest head over one whole cycle of the condenser fan.</summary>
    HeadCycleLow,

    /// <summary>Highest head in a cycle of the condenser fan.</summary>
    HeadCycleHigh,

    /// <summary>Air entering the condenser; the water leaving a water-cooled one.</summary>
    CondenserAir,

    /// <summary>Water entering a water-cooled condenser.</summary>
    WaterIn,

    /// <summary>Liquid line at the condenser's outlet.</summary>
    LiquidLine,

    /// <summary>Liquid line behind the drier.</summary>
    LiquidAfterDrier,

    /// <summary>In the box but not on the circuit: what the unit's own display shows, and the warmest product found.</summary>
    BoxDisplay,

    /// <summary>Product.</summary>
    Product,
}

/// <summary>What is measured at a point.</summary>
public static class MeasuringPoints
{
    /// <summary>Every point there can be, of one coil and of two.</summary>
    public static IReadOnlyList<PointRef> InWalkingOrder { get; } =
        [.. Enum.GetValues<MeasuringPoint>().SelectMany(p => p.IsAtCoil() ? new[] { p.At(1), p.At(2) } : [p.At(1)]).Order()];

    /// <summary>Whether every coil of a unit has this point.</summary>
    public static bool IsAtCoil(this MeasuringPoint point) =>
        point is MeasuringPoint.BoxAir or MeasuringPoint.AirLeaving or MeasuringPoint.SuctionLineCoil or MeasuringPoint.BoxDisplay;

    /// <summary>The point at a coil; the same for every coil where the unit has it once.</summary>
    public static PointRef At(this MeasuringPoint point, int coil) => new(point, point.IsAtCoil() ? coil : 1);

    /// <summary>Read in the box on the walk-round.</summary>
    /// <param name="coils">1, or 2 for a unit with two sides, of which each has its air and its display.</param>
    public static IReadOnlyList<PointRef> InTheBox(int coils) =>
        [.. Enumerable.Range(1, coils).SelectMany(c => new[] { MeasuringPoint.BoxAir.At(c), MeasuringPoint.BoxDisplay.At(c) }),
            MeasuringPoint.Product];

    /// <summary>Taken when something asks for them, not in the usual round.</summary>
    private static readonly MeasuringPoint[] OnDemand =
        [MeasuringPoint.HeadCycleLow, MeasuringPoint.HeadCycleHigh, MeasuringPoint.LiquidAfterDrier,
            MeasuringPoint.WaterIn];

    /// <summary>The kind of quantity measured at a point.</summary>
    public static QuantityKind Kind(this PointRef point) => point.Point.Kind();

    /// <summary>The kind of quantity measured at a point.</summary>
    public static QuantityKind Kind(this MeasuringPoint point) => point switch
    {
        MeasuringPoint.SuctionPressure or MeasuringPoint.DischargePressure or MeasuringPoint.HeadCycleLow
            or MeasuringPoint.HeadCycleHigh => QuantityKind.Pressure,
        MeasuringPoint.CompressorCurrent => QuantityKind.Current,
        _ => QuantityKind.Temperature,
    };

    /// <summary>The point a technician takes after this one: the next of the usual round that has no value yet.</summary>
    /// <param name="points">The points of the unit.</param>
    public static PointRef? NextAfter(this PointRef point, IReadOnlyList<PointRef> points, IReadOnlySet<PointRef> taken) =>
        points.OrderBy(p => p <= point).ThenBy(p => p)
            .Where(p => p != point && !OnDemand.Contains(p.Point) && !taken.Contains(p)).Select(p => (PointRef?)p).FirstOrDefault();
}
