using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>One point's value on one visit.</summary>
/// <param name="Moved">True when it differs from the visit before by more than meter accuracy; false on the first.</param>
/// <param name="Accuracy">What its meter may be off by: K, kPa or A.</param>
public sealed record TrendPoint(Visit Visit, TypedValue Value, double Si, double Accuracy, bool Moved);

/// <summary>What a setting was from one visit on, until the next line of it.</summary>
public sealed record SettingSince(PressureSetting Setting, Visit Visit, TypedValue Value, string By);

/// <summary>What a unit's visits tell together: every point over time, its parts, its settings, its refrigerant.</summary>
/// <param name="Points">By point, the earliest visit first; points measured once only have one line.</param>
/// <param name="Parts">The latest first.</param>
/// <param name="Settings">Each time a setting was found or made different from before, the latest first.</param>
/// <param name="Ledger">Refrigerant in and out, the latest first.</param>
/// <param name="NetAddedKg">Added less recovered over all visits, kg.</param>
/// <param name="Wiring">Notes and photos about wiring and terminals, the latest first.</param>
public sealed record UnitHistory(
    IReadOnlyDictionary<PointRef, IReadOnlyList<TrendPoint>> Points, IReadOnlyList<(Visit Visit, PartEntry Part)> Parts,
    IReadOnlyList<RepeatOffender> Repeated, IReadOnlyList<SettingSince> Settings,
        IReadOnlyList<(Visit Visit, RefrigerantEntry Row)> Ledger, double NetAddedKg,
    IReadOnlyList<(Visit Visit, Entry Entry)> Wiring)
{
    /// <param name="visits">Every visit of the unit with its timeline, in any order.</param>
    /// <param name="atmosphere">Of the site.</param>
    public static UnitHistory Of(IEnumerable<(Visit Visit, Timeline Timeline)> visits, Pressure atmosphere)
    {
        var inOrder = visits.OrderBy(v => v.Visit.StartedAt).ToList();
        IEnumerable<(Visit, T)> All<T>() where T : Entry =>
            inOrder.SelectMany(v => v.Timeline.Standing.OfType<T>(), (v, e) => (v.Visit, e)).Reverse();
        var ledger = All<RefrigerantEntry>().ToList();
        return new(
            Trends(inOrder), [.. All<PartEntry>()], Briefing.Repeated(inOrder.Select(v => v.Timeline)), SettingsSince(inOrder, atmosphere),
            ledger, ledger.Sum(r => r.Item2.MassKg),
            [.. All<Entry>().Where(e => e.Item2 is NoteEntry { Topic: Topic.Wiring } or PhotoEntry { Topic: Topic.Wiring })]);
    }

    private static Dictionary<PointRef, IReadOnlyList<TrendPoint>> Trends(List<(Visit Visit, Timeline Timeline)> inOrder)
    {
        var trends = new Dictionary<PointRef, List<TrendPoint>>();
        foreach (var (visit, timeline) in inOrder)
        {
            foreach (var reading in timeline.LatestReadingEntries())
            {
                var (point, si) = (reading.Point, timeline.Si(reading));
                if (!trends.TryGetValue(point, out var line))
                    trends[point] = line = [];
                var accuracy = InstrumentAccuracy.Of(point.Kind(), si, timeline.InstrumentOf(reading)?.Accuracy);
                line.Add(
                    new(visit, reading.Value, si, accuracy, line.Count > 0
                    && InstrumentAccuracy.Differ(si, accuracy, line[^1].Si, line[^1].Accuracy)));
            }
        }

        return trends.ToDictionary(t => t.Key, t => (IReadOnlyList<TrendPoint>)t.Value);
    }

    private static List<SettingSince> SettingsSince(List<(Visit Visit, Timeline Timeline)> inOrder, Pressure atmosphere)
    {
        var lines = new List<SettingSince>();
        foreach (var (visit, timeline) in inOrder)
        {
            foreach (var entry in timeline.SettingsAsLeft().Values)
            {
                var before = lines.LastOrDefault(l => l.Setting == entry.Setting);
                if (before is null || Math.Abs(before.Value.Si(atmosphere) - entry.Value.Si(atmosphere)) > SameSettingKpa)
                    lines.Add(new(entry.Setting, visit, entry.Value, entry.Author));
            }
        }

        lines.Reverse();
        return lines;
    }

    /// <summary>A dial cannot be read finer than this, kPa.</summary>
    private const double SameSettingKpa = 2;
}
