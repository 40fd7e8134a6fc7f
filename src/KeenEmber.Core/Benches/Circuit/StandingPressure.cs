using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>Pressure and temperature of a system that is off and has settled to one temperature throughout.</summary>
/// <param name="Pressure">Absolute.</param>
/// <param name="Temperature">Of the coldest place with liquid, where it is all the same by now.</param>
public readonly record struct StandingReading(Pressure Pressure, Temperature Temperature);

/// <summary>What a standing pressure says.</summary>
public enum StandingVerdict
{
    /// <summary>On saturation: liquid of the right refrigerant is there, and no air.</summary>
    Normal,

    /// <summary>Under the dew line: all of it is vapour, the system is empty or nearly.</summary>
    ShortOfLiquid,

    /// <summary>Over the bubble line, and one reading cannot tell why.</summary>
    TooHigh,

    /// <summary>The excess stays nearly the same while it gets warmer, as a gas that does not condense does.</summary>
    NonCondensables,

    /// <summary>Another refrigerant's line fits and the label's does not.</summary>
    OtherRefrigerant,

    /// <summary>The two readings do not belong to one settled system.</summary>
    NotSettled,

    /// <summary>The temperature is outside what is known of the refrigerant.</summary>
    OutsideRange,
}

/// <param name="MisfitK">Root mean square distance of the readings from the refrigerant's saturation, K; 0 between bubble and dew.</param>
public readonly record struct StandingCandidate(Refrigerant Refrigerant, double MisfitK);

/// <param name="OffK">How far the first reading lies above (+) or below (-) the label's saturation, K.</param>
/// <param name="ExcessKpa">What the first reading has over the label's bubble pressure, kPa; negative below it, null outside the
/// range.</param>
/// <param name="Candidates">The catalogue by fit, the best first, as far as it is worth naming.</param>
/// <param name="SecondAt">Where two readings would tell: a second temperature this far from the first; null when nothing more is
/// needed.</param>
public sealed record StandingResult(
    StandingVerdict Verdict, double? OffK, double? ExcessKpa, IReadOnlyList<StandingCandidate> Candidates, TemperatureDifference? SecondAt);

/// <summary>Reads the standing pressure: is it the refrigerant on the label, is there liquid, is there air?</summary>
/// <remarks>
/// At rest a system with liquid in it stands at its refrigerant's saturation pressure, a blend between its dew and bubble pressure.
/// A non-condensable gas adds its own pressure (Dalton), which grows only with absolute temperature (ideal gas).
/// </remarks>
public static class StandingPressureTest
{
    /// <summary>Thermometer ±0.5 K and a class 1 gauge, together about this much, K.</summary>
    public const double ToleranceK = 1.5;

    /// <summary>Further below saturation than this there is no liquid, K: beyond any doubt of the meters.</summary>
    public const double ShortBelowK = 3;

    /// <summary>Two readings must be this far apart in temperature to tell air from another refrigerant, K.</summary>
    public const double ApartK = 10;

    private const int MostCandidates = 5;
    private const double WorthNamingK = 3;

    /// <summary>One explanation must fit better than the other by this factor to be preferred.</summary>
    private const double ClearlyBetter = 2;

    /// <param name="label">What the label says is in it.</param>
    /// <param name="first">A settled reading.</param>
    /// <param name="second">Another one at a different temperature, if taken.</param>
    public static StandingResult Judge(Refrigerant label, StandingReading first, StandingReading? second = null)
    {
        StandingReading[] readings = second is { } other ? [first, other] : [first];
        var candidates = Rank(readings);
        if (OffK(label, first) is not { } offK || label.BubblePressure(first.Temperature) is not { } bubble)
            return new(StandingVerdict.OutsideRange, null, null, candidates, null);
        var excessKpa = first.Pressure.Kpa - bubble.Kpa;
        StandingResult Say(StandingVerdict verdict, bool wantsSecond = false) =>
            new(verdict, offK, excessKpa, candidates, wantsSecond ? new(ApartK) : null);

        if (second is { } two && (two.Temperature - first.Temperature).Kelvin * (two.Pressure.Kpa - first.Pressure.Kpa) < 0)
            return Say(StandingVerdict.NotSettled);
        if (Misfit(label, readings) <= ToleranceK)
            return Say(StandingVerdict.Normal);
        if (offK < -ShortBelowK)
        {
            // Below the label's line it may also be a refrigerant of lower pressure, which two temperatures show.
            var fitsAnother = second is not null && candidates.Count > 0 && candidates[0].MisfitK <= ToleranceK;
            return Say(fitsAnother ? StandingVerdict.OtherRefrigerant : StandingVerdict.ShortOfLiquid, wantsSecond: second is null);
        }

        if (second is not { } warm || Math.Abs((warm.Temperature - first.Temperature).Kelvin) < ApartK)
            return Say(StandingVerdict.TooHigh, wantsSecond: true);
        return Say(TellApart(label, first, warm, candidates));
    }

    private static StandingVerdict TellApart(
        Refrigerant label, StandingReading first, StandingReading second, IReadOnlyList<StandingCandidate> candidates)
    {
        var gasMisfit = NonCondensableMisfitK(label, first, second);
        var otherMisfit = candidates.Where(c => c.Refrigerant.Name != label.Name).Select(c => (double?)c.MisfitK).FirstOrDefault()
            ?? double.MaxValue;
        if (gasMisfit <= ToleranceK && gasMisfit * ClearlyBetter < otherMisfit)
            return StandingVerdict.NonCondensables;
        return otherMisfit <= ToleranceK && otherMisfit * ClearlyBetter < gasMisfit ? StandingVerdict.OtherRefrigerant
            : StandingVerdict.TooHigh;
    }

    /// <summary>Takes the first reading's excess for a gas, carries it to the second temperature, and says by how many kelvin the second
    /// then misses.</summary>
    private static double NonCondensableMisfitK(Refrigerant label, StandingReading first, StandingReading second)
    {
        if (label.BubblePressure(first.Temperature) is not { } bubble)
            return double.MaxValue;
        var gasKpa = (first.Pressure.Kpa - bubble.Kpa) * second.Temperature.Kelvin / first.Temperature.Kelvin;
        var without = new StandingReading(new(second.Pressure.Kpa - gasKpa), second.Temperature);
        return gasKpa > 0 && OffK(label, without) is { } off ? Math.Abs(off) : double.MaxValue;
    }

    /// <summary>
    /// By misfit to a tenth of a kelvin; among equals first the one whose bubble line is nearest, since a charge at rest is mostly liquid.
    /// Otherwise every blend with a wide glide would come before the one that fits exactly.
    /// </summary>
    private static List<StandingCandidate> Rank(StandingReading[] readings) =>
        [.. RefrigerantCatalogue.All.Select(r => new StandingCandidate(r, Misfit(r, readings)))
            .Where(c => c.MisfitK <= WorthNamingK)
            .OrderBy(c => Math.Round(c.MisfitK, 1))
                .ThenBy(c => readings.Sum(r => Math.Abs((c.Refrigerant.BubbleTemperature(r.Pressure)!.Value - r.Temperature).Kelvin)))
            .Take(MostCandidates)];

    private static double Misfit(Refrigerant refrigerant, StandingReading[] readings)
    {
        var sum = 0.0;
        foreach (var reading in readings)
        {
            if (OffK(refrigerant, reading) is not { } off)
                return double.MaxValue;
            sum += off * off;
        }

        return Math.Sqrt(sum / readings.Length);
    }

    /// <summary>Distance from saturation in kelvin: above the bubble line positive, below the dew line negative, 0 between.</summary>
    private static double? OffK(Refrigerant refrigerant, StandingReading reading)
    {
        if (refrigerant.BubbleTemperature(reading.Pressure) is not { } bubble
            || refrigerant.DewTemperature(reading.Pressure) is not { } dew)
            return null;
        if (reading.Temperature < bubble)
            return (bubble - reading.Temperature).Kelvin;
        return reading.Temperature > dew ? (dew - reading.Temperature).Kelvin : 0;
    }
}
