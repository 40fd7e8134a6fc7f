using KeenEmber.Core.Circuit;
using static KeenEmber.Core.Circuit.MeasuringPoint;

namespace KeenEmber.Web.Drawing;

/// <summary>A tag's upper left corner and the thread from it to its place on the circuit, as path data.</summary>
public readonly record struct TagPlace(double X, double Y, string Thread);

/// <summary>Where everything of a circuit map lies. Two sheets of the same circuit: one wide, one for a phone held upright.</summary>
public sealed record MapLayout(
    string Name, double Width, double Height, double TagWidth,
    (double X, double Y, double Width, double Height) Coil,
    (double X, double Y, double Width, double Height) Condenser,
    (double X, double Y, double Radius) Compressor,
    (double X, double Y, double Width, double Height) Receiver,
    (double X, double Y) Metering,
    (double X, double Y) EvaporatorFans, (double X, double Y) CondenserFan,
    string SuctionPipe, string DischargePipe, string LiquidPipe,
    (double X, double Y) Results, double ResultStep,
    IReadOnlyDictionary<MeasuringPoint, TagPlace> Tags)
{
    public const double TagHeight = 70;

    public static readonly MapLayout Landscape = new(
        "wide", 824, 640, 152,
        Coil: (262, 108, 110, 86), Condenser: (330, 478, 150, 74), Compressor: (636, 356, 40),
        Receiver: (186, 366, 44, 84), Metering: (262, 151),
        EvaporatorFans: (278, 216), CondenserFan: (504, 480),
        SuctionPipe: "M372 151 H600 Q636 151 636 187 V316",
        DischargePipe: "M636 396 V479 Q636 515 600 515 H480",
        LiquidPipe: "M330 515 H244 Q208 515 208 479 V187 Q208 151 244 151 H262",
        Results: (262, 262), ResultStep: 66,
        new Dictionary<MeasuringPoint, TagPlace>
        {
            [BoxAir] = new(16, 16, "M168 50 H300 V108"),
            [AirLeaving] = new(16, 98, "M168 128 H262"),
            [SuctionLineCoil] = new(424, 16, "M470 86 V151"),
            [SuctionPressure] = new(660, 150, "M660 204 H636"),
            [SuctionLineCompressor] = new(660, 232, "M660 284 H636"),
            [DischargeLine] = new(660, 412, "M660 446 H636"),
            [DischargePressure] = new(556, 560, "M580 560 V515"),
            [CondenserAir] = new(372, 566, "M404 566 V552"),
            [LiquidLine] = new(188, 560, "M262 560 V515"),
        });

    public static readonly MapLayout Portrait = new(
        "tall", 366, 772, 138,
        Coil: (118, 92, 130, 72), Condenser: (118, 612, 130, 56), Compressor: (322, 452, 30),
        Receiver: (10, 330, 30, 62), Metering: (118, 128),
        EvaporatorFans: (62, 180), CondenserFan: (276, 594),
        SuctionPipe: "M248 128 H304 Q336 128 336 160 V424",
        DischargePipe: "M336 480 V612 Q336 640 308 640 H248",
        LiquidPipe: "M118 640 H57 Q25 640 25 608 V160 Q25 128 57 128 H118",
        Results: (50, 212), ResultStep: 82,
        new Dictionary<MeasuringPoint, TagPlace>
        {
            [BoxAir] = new(8, 6, "M130 76 V92"),
            [AirLeaving] = new(220, 6, "M236 76 V92"),
            [SuctionLineCoil] = new(190, 178, "M328 213 H336"),
            [SuctionPressure] = new(190, 256, "M328 291 H336"),
            [SuctionLineCompressor] = new(190, 334, "M328 369 H336"),
            [DischargeLine] = new(190, 500, "M328 535 H336"),
            [DischargePressure] = new(220, 694, "M296 694 V640"),
            [CondenserAir] = new(60, 694, "M150 694 V668"),
            [LiquidLine] = new(44, 500, "M44 535 H25"),
        });
}
