using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>What only the course of time shows: a valve that hunts, and feeding that comes and goes as ice in a valve lets it.</summary>
/// <remarks>
/// Source: trade practice. A thermostatic valve that hunts swings its superheat by several kelvin every one to eight minutes, and the
/// evaporating temperature with it. Moisture freezes in the valve of a coil below 0 °C: for minutes the coil starves, suction falls,
/// until the ice lets go and it feeds as if nothing had been.
/// </remarks>
public static class SeriesPatterns
{
    /// <summary>Superheat swings up and down.</summary>
    public const string Hunting = "circuit.valve-hunts";

    /// <summary>The coil is fed, starved, and fed again.</summary>
    public const string ComesAndGoes = "circuit.feeding-comes-and-goes";

    /// <summary>A swing of superheat from one turning point to the next counts from here, K.</summary>
    public const double HuntingSwingK = 4;

    /// <summary>So many swings, up and down counted each, make it a habit.</summary>
    public const int HuntingSwings = 4;

    /// <summary>Length of a whole swing, min.</summary>
    private static readonly Band HuntingPeriodMin = new(0.5, 8);

    /// <summary>The evaporating temperature must go along by this share of the superheat's swing, or it is the thermometer that
    /// swings.</summary>
    private const double EvaporatingShare = 0.05;

    /// <summary>A starved coil stands this far over its well-fed superheat, K, and at least this high.</summary>
    private const double StarvedOverFedK = 6;
    private const double StarvedFromK = 12;
    private const double StarvedColderByK = 2;

    /// <summary>Either state must last this long, so that a hunting valve is not taken for it.</summary>
    private static readonly TimeSpan ShortestSpell = TimeSpan.FromMinutes(3);

    internal static IReadOnlyList<Finding> Find(Dictionary<ResultRef, IReadOnlyList<SeriesPoint>> derived)
    {
        if (!derived.TryGetValue(ResultKind.SuperheatCoil, out var superheat)
            && !derived.TryGetValue(ResultKind.SuperheatCompressor, out superheat))
            return [];
        if (superheat.Count < HuntingSwings)
            return [];
        var evaporating = derived[ResultKind.Evaporating];
        return [.. new[] { FindComingAndGoing(superheat, evaporating), FindHunting(superheat, evaporating) }.OfType<Finding>().Take(1)];
    }

    private static Finding? FindHunting(IReadOnlyList<SeriesPoint> superheat, IReadOnlyList<SeriesPoint> evaporating)
    {
        var turns = Turns(superheat, HuntingSwingK);
        if (turns.Count <= HuntingSwings)
            return null;
        var swingK = turns.Zip(turns.Skip(1), (a, b) => Math.Abs(b.Value - a.Value)).Average();
        var periodMin = (turns[^1].At - turns[0].At).TotalMinutes / (turns.Count - 1) * 2;
        var during = evaporating.Where(p => p.At >= turns[0].At && p.At <= turns[^1].At).Select(p => p.Value).ToList();
        if (HuntingPeriodMin.Place(periodMin) != BandPosition.Inside || during.Count < 2
            || during.Max() - during.Min() < EvaporatingShare * swingK)
            return null;
        return new(Hunting, turns.Count > HuntingSwings + 2 ? Strength.Strong : Strength.Fair, [], new Dictionary<string, double>
        {
            ["SwingK"] = swingK, ["PeriodMin"] = periodMin, ["Swings"] = turns.Count - 1,
        });
    }

    /// <summary>Turning points, each at least so far from the one before.</summary>
    private static List<SeriesPoint> Turns(IReadOnlyList<SeriesPoint> curve, double leastK)
    {
        var turns = new List<SeriesPoint>();
        var (high, low) = (curve[0], curve[0]);
        var rising = (bool?)null;
        foreach (var point in curve)
        {
            high = point.Value > high.Value ? point : high;
            low = point.Value < low.Value ? point : low;
            if (rising != false && high.Value - point.Value >= leastK)
            {
                turns.Add(high);
                (rising, low) = (false, point);
                high = point;
            }
            else if (rising != true && point.Value - low.Value >= leastK)
            {
                turns.Add(low);
                (rising, high) = (true, point);
                low = point;
            }
        }

        if (rising is { } last)
            turns.Add(last ? high : low);
        return turns;
    }

    private static Finding? FindComingAndGoing(IReadOnlyList<SeriesPoint> superheat, IReadOnlyList<SeriesPoint> evaporating)
    {
        var fedK = superheat.Select(p => p.Value).Order().ElementAt(superheat.Count / 4);
        var starvedFromK = Math.Max(StarvedFromK, fedK + StarvedOverFedK);
        var spells = Spells(superheat, p => p.Value >= starvedFromK).Where(s => s.Length >= ShortestSpell).ToList();
        if (spells.Count(s => s.Starved) < 2 && !(spells.Count >= 3 && spells.Exists(s => s.Starved)))
            return null;
        double? MeanK(bool starved) => spells.Where(s => s.Starved == starved)
            .SelectMany(s => evaporating.Where(p => p.At >= s.From && p.At <= s.To)).Select(p => (double?)p.Value).Average();
        // Water freezes only below 0 °C, and a starved coil is colder than a fed one.
        if (MeanK(true) is not { } starvedK || MeanK(false) is not { } fedEvaporatingK
            || fedEvaporatingK >= Temperature.ZeroCelsiusInKelvin || fedEvaporatingK - starvedK < StarvedColderByK)
            return null;
        return new(ComesAndGoes, spells.Count(s => s.Starved) > 1 ? Strength.Strong : Strength.Fair, [], new Dictionary<string, double>
        {
            ["StarvedSpells"] = spells.Count(s => s.Starved),
            ["StarvedSuperheatK"] = superheat.Where(p => p.Value >= starvedFromK).Average(p => p.Value),
            ["FedSuperheatK"] = superheat.Where(p => p.Value < starvedFromK).Average(p => p.Value),
        });
    }

    private sealed record Spell(bool Starved, DateTimeOffset From, DateTimeOffset To)
    {
        public TimeSpan Length => To - From;
    }

    private static List<Spell> Spells(IReadOnlyList<SeriesPoint> curve, Func<SeriesPoint, bool> starved)
    {
        var spells = new List<Spell>();
        foreach (var point in curve)
        {
            if (spells.Count > 0 && spells[^1].Starved == starved(point))
                spells[^1] = spells[^1] with { To = point.At };
            else
                spells.Add(new(starved(point), point.At, point.At));
        }

        return spells;
    }
}
