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

    /// <summary>Name of the trend of an insulation at 40 °C, MΩ.</summary>
    public const string InsulationMegohm = "electrical.insulation-megohm";

    /// <summary>Name of the trend of what is lost across a closed pole or switch, % of the supply.</summary>
    public const string DropPercent = "electrical.drop-percent";

    /// <summary>Name of the trend of a heater's resistance, Ω.</summary>
    public const string HeaterOhm = "electrical.heater-ohm";

    /// <summary>A hand-held meter on capacitance or with a clamp is good to this share; an insulation tester to the other.</summary>
    private const double MeterShare = 0.03, TesterShare = 0.1;

    private static readonly Dictionary<TestedPart, string> Codes = new()
    {
        [TestedPart.Capacitor] = Microfarad, [TestedPart.CompressorCurrent] = CurrentA, [TestedPart.FanMotor] = CurrentA,
        [TestedPart.Insulation] = InsulationMegohm, [TestedPart.ContactorPole] = DropPercent, [TestedPart.Switch] = DropPercent,
        [TestedPart.Heater] = HeaterOhm,
    };

    private sealed record Mark(string Code, Component Component, DateTimeOffset At, double Value, PartResult? Result);

    /// <param name="visits">In any order.</param>
    /// <returns>Only what was measured twice or oftener.</returns>
    public static IReadOnlyList<Trend> Of(IReadOnlyList<Timeline> visits, Policies policies) =>
        [.. Lines(visits, policies).Select(l => new Trend(l.Key.Code, Subject.Component(l.Key.Component), Marks(l.Key.Code, l.Value)))];

    /// <summary>When a part that drifts will have left its band, if it goes on as it did since it was first measured.</summary>
    /// <returns>Null where it does not drift by more than its meter may be off, has left already, or has longer than ten
    /// years.</returns>
    public static DateTimeOffset? OutOfBandAt(IReadOnlyList<Timeline> visits, Policies policies, Component component, TestedPart test)
    {
        var line = Codes.TryGetValue(test, out var code)
            ? Lines(visits, policies).GetValueOrDefault((code, component)) : null;
        if (line is null || line[^1].Result is not { } last)
            return null;
        var (first, now) = (line[0], line[^1]);
        var off = AccuracyOf(code!, now.Value);
        var days = (now.At - first.At).TotalDays;
        if (days < LeastDays || !InstrumentAccuracy.Differ(first.Value, off, now.Value, off))
            return null;
        var perDay = (now.Value - first.Value) / days;
        var toGo = (perDay < 0 ? last.Low : last.High) - now.Value;
        return toGo / perDay is > 0 and < MostDays and double left ? now.At.AddDays(left) : null;
    }

    private const double LeastDays = 7, MostDays = 3650;

    private static Dictionary<(string Code, Component Component), List<Mark>> Lines(IReadOnlyList<Timeline> visits, Policies policies)
    {
        var all = visits.SelectMany(v => v.Standing).OrderBy(e => e.At).ToList();
        return all.Select(e => MarkOf(e, policies)).OfType<Mark>().GroupBy(m => (m.Code, m.Component))
            .Select(g => (g.Key, Marks: g.Where(m => m.At > RenewedAt(all, g.Key.Component)).ToList()))
            .Where(l => l.Marks.Count > 1).ToDictionary(l => l.Key, l => l.Marks);
    }

    private static DateTimeOffset RenewedAt(List<Entry> all, Component component) =>
        all.OfType<PartEntry>().Where(p => p.Component == component).Select(p => p.At).DefaultIfEmpty().Max();

    /// <summary>A current in a log line has no plate beside it and no verdict, and is a mark all the same; so is a capacitor without its
    /// mark.</summary>
    private static Mark? MarkOf(Entry entry, Policies policies)
    {
        if (MeasuredPart.Of(entry, policies) is { } part)
        {
            return Codes.TryGetValue(part.Test.Part, out var code) && part.Result.Value is { } value && double.IsFinite(value)
                && (part.Test.Part != TestedPart.FanMotor || part.Test.Measured.ContainsKey("amps"))
                ? new(code, part.Component, entry.At, code == CurrentA ? part.Test.Read("amps") : value, part.Result) : null;
        }

        return entry is LoadTestEntry { Test: LoadTest.Current or LoadTest.Capacitance } line
            ? new(line.Test == LoadTest.Current ? CurrentA : Microfarad, line.Component, line.At, line.Readings[0].Value.Si(default), null)
            : null;
    }

    private static double AccuracyOf(string code, double value) => (code == InsulationMegohm ? TesterShare : MeterShare) * value;

    private static List<TrendMark> Marks(string code, List<Mark> line)
    {
        var marks = new List<TrendMark>();
        foreach (var mark in line)
        {
            var off = AccuracyOf(code, mark.Value);
            marks.Add(new(mark.At, mark.Value, off, marks.Count > 0
                && InstrumentAccuracy.Differ(mark.Value, off, marks[^1].Value, marks[^1].Accuracy)));
        }

        return marks;
    }
}
