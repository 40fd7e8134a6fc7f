using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What parts were measured with over their life: a new part begins anew.</summary>
public static class ElectricalTrends
{
    /// <summary>Name of the trend of a capacitor, µF.</summary>
    public const string Microfarad = "electrical.microfarad";

    /// <summary>Name of the trend of a current, A.</summary>
    public const string CurrentA = "electrical.current-a";

    /// <summary>A hand-held meter on capacitance or with a clamp is good to this share.</summary>
    private const double MeterShare = 0.03;

    private static readonly Dictionary<LoadTest, string> Codes = new()
    {
        [LoadTest.Capacitance] = Microfarad, [LoadTest.Current] = CurrentA,
    };

    /// <param name="visits">The earliest first.</param>
    /// <returns>Only what was measured twice or oftener.</returns>
    public static IReadOnlyList<Trend> Of(IReadOnlyList<Timeline> visits)
    {
        var all = visits.SelectMany(v => v.Standing).OrderBy(e => e.At).ToList();
        return
        [
            .. all.OfType<LoadTestEntry>().Where(t => Codes.ContainsKey(t.Test)).GroupBy(t => (t.Component, t.Test))
                .Select(g => new Trend(Codes[g.Key.Test], Subject.Component(g.Key.Component), Marks(g, all, g.Key.Component)))
                .Where(t => t.Marks.Count > 1),
        ];
    }

    private static List<TrendMark> Marks(IEnumerable<LoadTestEntry> tests, List<Entry> all, Component component)
    {
        var renewed = all.OfType<PartEntry>().Where(p => p.Component == component).Select(p => p.At).DefaultIfEmpty().Max();
        var marks = new List<TrendMark>();
        foreach (var test in tests.Where(t => t.At > renewed))
        {
            var value = test.Readings[0].Value.Si(default);
            var off = MeterShare * value;
            marks.Add(new(test.At, value, off, marks.Count > 0
                && InstrumentAccuracy.Differ(value, off, marks[^1].Value, marks[^1].Accuracy)));
        }

        return marks;
    }
}
