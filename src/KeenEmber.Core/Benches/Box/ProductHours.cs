using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Box;

/// <summary>How long and how far product was over its limit, as far as readings say.</summary>
/// <param name="Limit">Over which hours are counted.</param>
/// <param name="Hours">From the first reading over it to the first one that no longer is, or to the last reading.</param>
/// <param name="IsOver">It is over it still.</param>
public sealed record ProductWarm(Temperature Limit, double Hours, Temperature Warmest, bool IsOver);

/// <summary>What air over the limit did to product that nobody measured.</summary>
/// <param name="AirHours">How long the air was over it, h: for product that lies in the draught.</param>
/// <param name="BehindHours">The same for product that follows the air slowly and was at the limit or colder before, h.</param>
public sealed record ProductBehind(double AirHours, double BehindHours);

/// <summary>Counts the hours of product over its limit.</summary>
/// <remarks>5 °C (41 °F) for chilled food and -15 °C for frozen are common limits of food codes; the local code and the product's own label
/// decide.</remarks>
public static class ProductHours
{
    /// <summary>Chilled and frozen, °C.</summary>
    public const double ChilledC = 5, FrozenC = -15;

    /// <summary>A box meant to be colder than this holds frozen food.</summary>
    private static readonly Temperature Frozen = Temperature.FromCelsius(-10);

    /// <summary>The limit of a box.</summary>
    public static Temperature LimitOf(Equipment unit) => Temperature.FromCelsius(unit.Target < Frozen ? FrozenC : ChilledC);

    /// <param name="readings">Of the product, in order of time.</param>
    /// <returns>Null where none is over the limit.</returns>
    public static ProductWarm? Of(IReadOnlyList<(DateTimeOffset At, Temperature Value)> readings, Temperature limit)
    {
        var over = readings.Where(r => r.Value > limit).ToList();
        if (over.Count == 0)
            return null;
        var hours = readings.Zip(readings.Skip(1)).Sum(p => Over(p.First, p.Second, limit));
        return new(limit, hours, over.MaxBy(r => r.Value.Kelvin).Value, readings[^1].Value > limit);
    }

    /// <summary>Stacked cases follow the air with a time constant of about so long, h; single packs in a quarter of it (trade
    /// experience).</summary>
    private const double LagH = 2;

    /// <summary>From the air of the box alone, cycle after cycle: the air itself, and product that lags behind it (first order).</summary>
    /// <param name="air">In order of time.</param>
    /// <returns>Null where the air was never over the limit.</returns>
    public static ProductBehind? Behind(IReadOnlyList<(DateTimeOffset At, Temperature Value)> air, Temperature limit)
    {
        if (Of(air, limit) is not { } over)
            return null;
        var product = air[0].Value < limit ? air[0].Value : limit;
        var slow = new List<(DateTimeOffset At, Temperature Value)> { (air[0].At, product) };
        foreach (var (before, next) in air.Zip(air.Skip(1)))
        {
            var (mean, left) = ((before.Value.Kelvin + next.Value.Kelvin) / 2, Math.Exp(-(next.At - before.At).TotalHours / LagH));
            product = new(mean + (product.Kelvin - mean) * left);
            slow.Add((next.At, product));
        }

        return new(over.Hours, Of(slow, limit)?.Hours ?? 0);
    }

    /// <summary>Between two readings, along the straight line.</summary>
    private static double Over((DateTimeOffset At, Temperature Value) a, (DateTimeOffset At, Temperature Value) b, Temperature limit)
    {
        var (hours, above, next) = ((b.At - a.At).TotalHours, (a.Value - limit).Kelvin, (b.Value - limit).Kelvin);
        return (above > 0, next > 0) switch
        {
            (true, true) => hours,
            (false, false) => 0,
            _ => hours * Math.Max(above, next) / Math.Abs(above - next),
        };
    }
}
