using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Simulation;

/// <content>What instruments on it show.</content>
public sealed partial class SimulatedUnit
{
    /// <summary>Points at which it can be measured.</summary>
    public static IReadOnlyList<MeasuringPoint> Points { get; } =
    [
        MeasuringPoint.BoxAir, MeasuringPoint.AirLeaving, MeasuringPoint.SuctionLineCoil, MeasuringPoint.SuctionPressure,
        MeasuringPoint.SuctionLineCompressor, MeasuringPoint.CompressorCurrent, MeasuringPoint.DischargeLine,
        MeasuringPoint.DischargePressure, MeasuringPoint.CondenserAir, MeasuringPoint.LiquidLine,
    ];

    /// <summary>What a true instrument shows at a point. A blend leaves the coil above its dew point and the condenser below its bubble
    /// point.</summary>
    /// <param name="atmosphere">Local: gauges show what is above it.</param>
    /// <exception cref="ArgumentOutOfRangeException">No point of <see cref="Points"/>.</exception>
    public TypedValue Shows(MeasuringPoint point, Pressure atmosphere) => point switch
    {
        MeasuringPoint.BoxAir => C(BoxC),
        MeasuringPoint.AirLeaving => C(CoilOutC),
        MeasuringPoint.SuctionLineCoil => C(CompressorRuns ? DewC + SuperheatK : BoxC),
        MeasuringPoint.SuctionLineCompressor => C(CompressorRuns ? Math.Min(OutsideC, DewC + SuperheatK + LineGainK) : OutsideC),
        MeasuringPoint.SuctionPressure => new(SuctionKpa - atmosphere.Kpa, Unit.Kilopascal),
        MeasuringPoint.DischargePressure => new(HeadKpa - atmosphere.Kpa, Unit.Kilopascal),
        MeasuringPoint.CompressorCurrent => new(Amperes, Unit.Ampere),
        MeasuringPoint.DischargeLine => C(DischargeC),
        MeasuringPoint.CondenserAir => C(CoolantOutC),
        MeasuringPoint.LiquidLine => C((fluid.Fluid.BubbleTemperature(new(HeadKpa))?.Celsius ?? CondensingC) - SubcoolingK),
        _ => throw new ArgumentOutOfRangeException(nameof(point), point, "It has no such point."),
    };

    private double DewC => fluid.Fluid.DewTemperature(new(SuctionKpa))?.Celsius ?? EvaporatingC;

    private static TypedValue C(double celsius) => new(celsius, Unit.Celsius);
}
