using System.Globalization;
using KeenEmber.Core.Plant;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Web.Pages.Visits.Circuit;

/// <summary>A tag's upper left corner and the thread from it to its place on the circuit, as path data; no thread where the tag's words say
/// the place.</summary>
public readonly record struct TagPlace(double X, double Y, string Thread = "");

public readonly record struct Box(double X, double Y, double Width, double Height)
{
    public double MiddleX => X + Width / 2;

    public double MiddleY => Y + Height / 2;
}

public readonly record struct Spot(double X, double Y);

/// <summary>Where everything of a circuit map lies. Two sheets of the same circuit: one wide, one for a phone held upright; each with one
/// coil or two.</summary>
public sealed record MapLayout(
    string Name, bool IsWide, double Width, double Height, double TagWidth,
    IReadOnlyList<Box> Coils, Box Condenser, Spot Compressor, double CompressorRadius, Spot CompressorLabel, Box Rack,
    double RiserX, Box Receiver, Spot Drier, Spot SightGlass, Spot LiquidSolenoid, Spot Regulator, Spot SuctionStop,
    Spot CondenserFan, IReadOnlyList<string> SuctionPipes, string SuctionToRack, string DischargePipe, IReadOnlyList<string> LiquidPipes,
        string LiquidFromRack, string HeadValveBypass, Spot HeadValve,
    Spot Results, double ResultStep,
    IReadOnlyDictionary<PointRef, TagPlace> Tags)
{
    public const double TagHeight = 70;

    /// <summary>Between rows of tags that have no place of their own on a narrow sheet.</summary>
    private const double RowStep = TagHeight + 8;

    /// <summary>The wide sheet.</summary>
    /// <param name="shown">Points that get a tag; both ends of a fan cycle make the bottom row closer.</param>
    public static MapLayout Landscape(CircuitMakeUp makeUp, IReadOnlyCollection<PointRef> shown)
    {
        var two = makeUp.Coils > 1;
        var topY = two ? 127 : 151;
        var tags = new Dictionary<PointRef, TagPlace>
        {
            [BoxAir] = new(16, 16, two ? "M168 50 H290 V96" : "M168 50 H300 V108"),
            [AirLeaving] = new(16, 94, two ? "M168 110 H250" : "M168 128 H262"),
            [SuctionLineCoil] = new(424, 16, P($"M470 86 V{topY}")),
            [BoxAir.At(2)] = new(16, 176, "M168 206 H250"),
            [AirLeaving.At(2)] = new(16, 254, "M168 284 H240 V240 H250"),
            [SuctionLineCoil.At(2)] = new(430, 168, "M430 206 H372 V227"),
            [SuctionPressure] = new(660, 116, "M660 178 H636"),
            [SuctionLineCompressor] = new(660, 192, "M660 246 H636"),
            [CompressorCurrent] = new(660, 268, "M664 338 V346"),
            [DischargeLine] = new(660, 412, "M660 446 H636"),
            [DischargePressure] = new(556, 560, "M580 560 V515"),
            [CondenserAir] = new(372, 566, "M404 566 V552"),
            [LiquidLine] = new(188, 560, "M262 560 V515"),
            [LiquidAfterDrier] = new(16, 330, "M168 356 H208"),
            [WaterIn] = new(16, 560, "M168 595 H178 V556 H348 V552"),
        };
        if (shown.Contains(HeadCycleLow) || shown.Contains(HeadCycleHigh))
        {
            tags[LiquidLine] = new(12, 564, "M88 564 V540 H262 V515");
            tags[CondenserAir] = new(174, 564, "M310 564 V552 H340");
            tags[DischargePressure] = new(336, 564, "M470 564 V558 H510 V515");
            tags[HeadCycleLow] = new(498, 564, "M560 564 V515");
            tags[HeadCycleHigh] = new(660, 564, "M700 564 V540 H606 V515");
        }

        return new("wide", true, 824, 640, 152,
            Coils: two ? [new(250, 96, 100, 62), new(250, 196, 100, 62)] : [new(262, 108, 110, 86)],
            Condenser: new(330, 478, 150, 74), Compressor: new(636, 368), CompressorRadius: 36, CompressorLabel: new(684, 376),
                Rack: new(548, 400, 176, 135),
            RiserX: 208, Receiver: new(186, 404, 44, 76), Drier: new(208, 380), SightGlass: new(208, 344), LiquidSolenoid: new(208, 312),
            Regulator: new(520, topY), SuctionStop: new(582, topY), CondenserFan: new(504, 480),
            SuctionPipes: two ? ["M350 127 H600 Q636 127 636 163 V332", "M350 227 H392 V127"] : ["M372 151 H600 Q636 151 636 187 V332"],
            SuctionToRack: P($"M{(two ? 350 : 372)} {topY} H600 Q636 {topY} 636 {topY + 36} V400"),
            DischargePipe: "M636 404 V479 Q636 515 600 515 H480",
            LiquidPipes: two
                ? ["M330 515 H244 Q208 515 208 479 V163 Q208 127 244 127 H250", "M208 227 H250"]
                : ["M330 515 H244 Q208 515 208 479 V187 Q208 151 244 151 H262"],
            LiquidFromRack: P($"M548 515 H244 Q208 515 208 479 V{topY + 36} Q208 {topY} 244 {topY} H{(two ? 250 : 262)}"),
            HeadValveBypass: "M560 515 V464 H290 V501", HeadValve: new(290, 515),
            Results: new(262, two ? 300 : 262), ResultStep: two ? 56 : 66, tags);
    }

    /// <summary>The upright sheet. With two coils everything below the second one moves down; tags without a place of their own stand in
    /// rows at the foot.</summary>
    public static MapLayout Portrait(CircuitMakeUp makeUp, IReadOnlyCollection<PointRef> shown)
    {
        var two = makeUp.Coils > 1;
        var d = two ? 220 : 0;
        var tags = new Dictionary<PointRef, TagPlace>
        {
            [BoxAir] = new(8, 6, "M130 76 V92"),
            [AirLeaving] = new(220, 6, "M236 76 V92"),
            [SuctionLineCoil] = new(190, two ? 160 : 178, P($"M328 {(two ? 195 : 213)} H336")),
            [BoxAir.At(2)] = new(44, 246, "M130 316 V330"),
            [AirLeaving.At(2)] = new(190, 246, "M236 316 V330"),
            [SuctionLineCoil.At(2)] = new(190, 398, "M328 433 H336"),
            [SuctionPressure] = new(190, 256 + d, P($"M328 {291 + d} H336")),
            [SuctionLineCompressor] = new(190, 334 + d, P($"M328 {369 + d} H336")),
            [DischargeLine] = new(190, 500 + d, P($"M328 {535 + d} H336")),
            [DischargePressure] = new(220, 694 + d, P($"M296 {694 + d} V{640 + d}")),
            [CondenserAir] = new(60, 694 + d, P($"M150 {694 + d} V{668 + d}")),
            [LiquidLine] = new(44, 500 + d, P($"M44 {535 + d} H25")),
        };
        double height = 772 + d;
        foreach (var (point, place) in shown.Where(p => !tags.ContainsKey(p)).Select((p, i) => (p, i)))
            tags[point] = new(place % 2 == 0 ? 60 : 220, height + RowStep * (place / 2));
        height += RowStep * Math.Ceiling(shown.Count(p => tags[p].Y >= 772 + d) / 2.0);

        return new("tall", false, 366, height, 138,
            Coils: two ? [new(118, 92, 130, 56), new(118, 330, 130, 56)] : [new(118, 92, 130, 72)],
            Condenser: new(118, 612 + d, 130, 56), Compressor: new(322, 452 + d), CompressorRadius: 30, CompressorLabel: new(284, 450 + d),
                Rack: new(230, 420 + d, 128, 240),
            RiserX: 25, Receiver: new(10, 346 + d, 30, 62), Drier: new(25, 322 + d), SightGlass: new(25, 290 + d),
                LiquidSolenoid: new(25, 260 + d),
            Regulator: new(282, two ? 120 : 128), SuctionStop: new(312, two ? 120 : 128), CondenserFan: new(276, 594 + d),
            SuctionPipes: two
                ? [P($"M248 120 H304 Q336 120 336 152 V{424 + d}"), "M248 358 H336"]
                : ["M248 128 H304 Q336 128 336 160 V424"],
            SuctionToRack: P($"M248 {(two ? 120 : 128)} H304 Q336 {(two ? 120 : 128)} 336 160 V{420 + d}"),
            DischargePipe: P($"M336 {480 + d} V{612 + d} Q336 {640 + d} 308 {640 + d} H248"),
            LiquidPipes: two
                ? [P($"M118 {640 + d} H57 Q25 {640 + d} 25 {608 + d} V152 Q25 120 57 120 H118"), "M25 358 H118"]
                : ["M118 640 H57 Q25 640 25 608 V160 Q25 128 57 128 H118"],
            LiquidFromRack: P($"M230 {640 + d} H57 Q25 {640 + d} 25 {608 + d} V160 Q25 {(two ? 120 : 128)} 57 {(two ? 120 : 128)} H118"),
            HeadValveBypass: P($"M290 {640 + d} V{600 + d} H84 V{628 + d}"), HeadValve: new(84, 640 + d),
            Results: new(50, 212 + d), ResultStep: 82, tags);
    }

    private static string P(FormattableString path) => path.ToString(CultureInfo.InvariantCulture);
}
