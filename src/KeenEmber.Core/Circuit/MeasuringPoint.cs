using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Circuit;

/// <summary>Where on a circuit a value is taken, in the order a technician walks: box, coil, condensing unit.</summary>
public enum MeasuringPoint
{
    /// <summary>Air of the box as it enters the coil.</summary>
    BoxAir,
    AirLeaving,
    SuctionLineCoil,
    SuctionPressure,
    SuctionLineCompressor,
    DischargeLine,
    DischargePressure,
    CondenserAir,
    LiquidLine,
}

public static class MeasuringPoints
{
    public static IReadOnlyList<MeasuringPoint> InWalkingOrder { get; } = Enum.GetValues<MeasuringPoint>();

    public static QuantityKind Kind(this MeasuringPoint point) =>
        point is MeasuringPoint.SuctionPressure or MeasuringPoint.DischargePressure ? QuantityKind.Pressure : QuantityKind.Temperature;

    /// <summary>The point a technician takes after this one: the next in walking order that has no value yet, or simply the next.</summary>
    public static MeasuringPoint? NextAfter(this MeasuringPoint point, IReadOnlySet<MeasuringPoint> taken) =>
        InWalkingOrder.Concat(InWalkingOrder).Skip((int)point + 1).Take(InWalkingOrder.Count - 1)
            .Where(p => !taken.Contains(p)).Select(p => (MeasuringPoint?)p).FirstOrDefault();
}
