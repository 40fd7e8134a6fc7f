using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What a circuit needs beyond a clear glass on a mild day.</summary>
/// <param name="FloodedNow">Share of the condenser that stands full of liquid at today's air.</param>
/// <param name="FloodedInCold">The same on the coldest day.</param>
/// <param name="AddKg">To add now, kg.</param>
/// <param name="LowKg">At least, kg; <paramref name="HighKg"/> at most, in nineteen circuits of twenty.</param>
public sealed record WinterResult(double FloodedNow, double FloodedInCold, double AddKg, double LowKg, double HighKg)
{
    /// <summary>What the receiver takes in summer at 80 % of its volume, kg; null without a receiver.</summary>
    public double? ReceiverHoldsKg { get; init; }

    /// <summary>The winter's extra liquid goes back into the receiver in summer, and does not fit.</summary>
    public bool OverfillsReceiver { get; init; }
}

/// <summary>The extra charge of a circuit whose head is held up by flooding its condenser, or by stopping its fan.</summary>
/// <remarks>
/// A condenser that must reject the same heat at a larger difference to the air needs less of its surface: the share that works is the
/// design's difference over the present one, and the rest stands full of liquid (flooded-condenser charge as in ASHRAE Handbook -
/// Refrigeration, chapter on refrigerant-control devices). In the cold a box takes in less heat too: its load is taken to fall by a fifth
/// over the 30 K below a design day. A fan that stops floods less: on average over a fan cycle about half as much.
/// </remarks>
public static class WinterCharge
{
    /// <summary>Share of its volume a receiver may be full of liquid.</summary>
    public const double ReceiverShare = 0.8;

    /// <summary>Air a receiver stands in on a summer's day.</summary>
    private static readonly Temperature Summer = Temperature.FromCelsius(43);

    /// <summary>Of the design's heat that is left on a day 30 K colder.</summary>
    private const double LoadPer30K = 0.8;

    private const double DesignAirC = 35;

    /// <summary>A fan cycle floods so much of what a valve floods.</summary>
    private const double FanCycleShare = 0.5;

    /// <summary>How far the share of a flooded condenser is off, of itself, in nineteen of twenty.</summary>
    private const double OffBy = 0.3;

    /// <param name="condenserL">Inside of the condenser, l.</param>
    /// <param name="receiverL">0 without.</param>
    /// <param name="held">Condensing that the valve or the fan control holds.</param>
    /// <param name="designSplitK">Condensing less air at full load, K.</param>
    /// <param name="now">Air at the condenser when the glass was cleared.</param>
    /// <param name="coldest">Air on the coldest day.</param>
    /// <param name="byFan">A fan is stopped; else the condenser is flooded by a valve.</param>
    /// <returns>Null where the refrigerant's liquid has no weight at such temperatures.</returns>
    public static WinterResult? Of(
        Refrigerant fluid, double condenserL, double receiverL, Temperature held, double designSplitK, Temperature now, Temperature coldest,
        bool byFan)
    {
        if (Densities.Liquid(fluid, held) is not { } liquid || fluid.DewPressure(held) is not { } head)
            return null;
        double Flooded(Temperature air)
        {
            var load = 1 - (1 - LoadPer30K) * Math.Clamp((DesignAirC - air.Celsius) / 30, 0, 2);
            var difference = Math.Max((held - air).Kelvin, 1);
            return Math.Clamp(1 - load * designSplitK / difference, 0, 1) * (byFan ? FanCycleShare : 1);
        }

        var (today, cold) = (Flooded(now), Flooded(coldest));
        var perShare = condenserL * (liquid - Densities.Vapour(fluid, held, head));
        var add = Math.Max(0, cold - today) * perShare;
        var most = receiverL > 0 && Densities.Liquid(fluid, Summer) is { } warm ? ReceiverShare * receiverL * warm : (double?)null;
        // In summer nothing floods: what the condenser held at a clear glass today, and what is added, is in the receiver then.
        return new(today, cold, add, add * (1 - OffBy), add * (1 + OffBy))
        {
            ReceiverHoldsKg = most, OverfillsReceiver = most is { } holds && cold * perShare + InUse * holds > holds,
        };
    }

    /// <summary>A receiver is so full while the unit runs on a mild day, of what it may hold.</summary>
    private const double InUse = 0.3;
}
