using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Box;

/// <summary>What the box does: whether it makes it, whether it can hold, what lets warm air in.</summary>
public sealed class BoxBench : IBench
{
    /// <summary>It levels off above its target.</summary>
    public const string WillNotReach = "box.will-not-reach";

    /// <summary>It read otherwise than was said before leaving.</summary>
    public const string ForecastMissed = "box.forecast-missed";

    /// <summary>More heat comes in than the circuit moves.</summary>
    public const string BalanceShort = "box.balance-short";

    /// <summary>A system on a box with several is called and stands.</summary>
    public const string SystemStands = "box.system-stands";

    /// <summary>A system carries clearly less than its neighbour.</summary>
    public const string SystemWeak = "box.system-weak";

    /// <summary>Product is or was over its limit.</summary>
    public const string ProductOver = "box.product-over-limit";

    /// <summary>Water froze in a cooler that must not freeze.</summary>
    public const string BottleFroze = "box.bottle-froze";

    /// <summary>A gasket, a closer, a curtain lets warm air in or cold air astray.</summary>
    public const string LetsAirIn = "box.lets-air-in";

    /// <summary>One place of the box is much warmer than another.</summary>
    public const string AirUneven = "box.air-uneven";

    /// <summary>One end of the coil blows much warmer than the other.</summary>
    public const string SupplyUneven = "box.supply-uneven";

    /// <summary>Supply air goes straight back to the coil.</summary>
    public const string AirStraightBack = "box.air-straight-back";

    /// <inheritdoc/>
    public string Name => "box";

    /// <inheritdoc/>
    public IReadOnlyList<string> Speaks { get; } = ["box"];

    /// <inheritdoc/>
    public IReadOnlyDictionary<string, Type> Entries { get; } = new Dictionary<string, Type>
    {
        ["box-forecast"] = typeof(BoxForecastEntry), ["box-check"] = typeof(BoxCheckEntry), ["box-system"] = typeof(BoxSystemEntry),
        ["bottle"] = typeof(BottleEntry), ["box-air-at"] = typeof(AirAtEntry), ["heat-balance"] = typeof(HeatBalanceEntry),
    };

    /// <inheritdoc/>
    public BenchJudgement Judge(VisitInput visit)
    {
        var standing = visit.Timeline.Standing;
        var air = Of(standing, MeasuringPoint.BoxAir);
        var product = Of(standing, MeasuringPoint.Product);
        var work = WorkDone.LastAt(visit.Timeline);
        var course = PullDownCourse.Of(air, product, visit.Unit.Target, work);
        var drop = Drop(air, Of(standing, MeasuringPoint.AirLeaving));
        return new BoxJudgement
        {
            LastWork = work,
            PullDown = course,
            Forecasts = [.. standing.OfType<BoxForecastEntry>().Select(f => ForecastCheck.Of(f, air, work))],
            Balance = standing.OfType<HeatBalanceEntry>().LastOrDefault() is { } entry
                ? (entry, HeatBalance.Of(entry, visit.Unit.Target, visit.Site.Atmosphere, drop)) : null,
            Troubles = standing.OfType<HeatBalanceEntry>().LastOrDefault() is { } sheet
                ? HeatBalance.With(sheet, visit.Unit.Target, visit.Site.Atmosphere, drop, visit.Unit.EvaporatorFans) : [],
            Systems = BoxSystems.Compare(standing.OfType<BoxSystemEntry>()),
            Air = AirByPlace.Of(standing.OfType<AirAtEntry>().Where(a => work is null || a.At > work)),
            AirOver = ProductHours.Behind([.. air.Select(a => (a.At, a.Value))], ProductHours.LimitOf(visit.Unit)),
            Product = ProductHours.Of([.. product.Select(p => (p.At, p.Value))], ProductHours.LimitOf(visit.Unit)),
            Bottle = standing.OfType<BottleEntry>().LastOrDefault(),
            MustNotFreeze = visit.Unit.Target.Celsius > 0,
            Checks = [.. standing.OfType<BoxCheckEntry>().OrderBy(c => c.At)],
        };
    }

    private static List<BoxReading> Of(IReadOnlyList<Entry> standing, MeasuringPoint point) =>
        [.. standing.OfType<ReadingEntry>().Where(r => r.Point == point.At(1)).OrderBy(r => r.At)
            .Select(r => new BoxReading(r.Id, r.At, r.Value.Temperature))];

    /// <summary>The last two of one moment.</summary>
    private static double? Drop(List<BoxReading> air, List<BoxReading> leaving) =>
        leaving is [.., var off] && air.FindLast(a => (a.At - off.At).Duration() <= OneMoment) is { } on
            ? (on.Value - off.Value).Kelvin : null;

    private static readonly TimeSpan OneMoment = TimeSpan.FromMinutes(15);
}

/// <summary>A temperature of the box or in it.</summary>
public sealed record BoxReading(Guid Entry, DateTimeOffset At, Temperature Value);
