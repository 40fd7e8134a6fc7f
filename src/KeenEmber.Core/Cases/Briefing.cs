using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>A part that was replaced more than once at the same place.</summary>
public sealed record RepeatOffender(string Part, string Place, int Times);

/// <summary>What the visit before left for the one that comes back.</summary>
/// <param name="Last">The visit before.</param>
/// <param name="Findings">What it found.</param>
/// <param name="Changed">What it changed, parts and refrigerant included.</param>
/// <param name="Open">What is still open, of that visit or an older one.</param>
/// <param name="NotExplained">Findings that its sign-off does not say are explained.</param>
/// <param name="Parts">Parts replaced more than once over all visits.</param>
/// <param name="WorthRepeating">Points whose results were outside their band then, or that had moved: the ones to take again first.</param>
public sealed record Briefing(
    Visit Last, SignOffEntry? SignOff, IReadOnlyList<Finding> Findings, IReadOnlyList<Entry> Changed, IReadOnlyList<OpenLoop> Open,
    IReadOnlyList<Finding> NotExplained, IReadOnlyList<RepeatOffender> Parts, IReadOnlyList<MeasuringPoint> WorthRepeating)
{
    /// <param name="last">The visit before, with its timeline, what the bench made of it, and what it found.</param>
    /// <param name="all">Timelines of every earlier visit of the unit.</param>
    public static Briefing Of(Visit last, Timeline timeline, CircuitAnalysis? analysis, IReadOnlyList<Finding> findings, IReadOnlyList<Timeline> all)
    {
        var changed = timeline.Standing.Where(e => e is ChangeEntry { FoundSo: false } or PartEntry or SensorMendEntry or RefrigerantEntry or SettingEntry { Stage: SettingStage.AsSet }).ToList();
        var signOff = timeline.Standing.OfType<SignOffEntry>().LastOrDefault();
        var outside = analysis?.Results.Where(r => r is { IsUsable: true, Position: BandPosition.Above or BandPosition.Below }).SelectMany(r => r.Basis) ?? [];
        return new(last, signOff, findings, changed, OpenLoops.Of(all), StillUnexplained(findings, signOff), Repeated(all), [.. outside.Select(b => b.Point).Distinct().Order()]);
    }

    /// <summary>Findings that a sign-off does not say are explained by its causes; all of them where nobody signed off.</summary>
    public static IReadOnlyList<Finding> StillUnexplained(IEnumerable<Finding> findings, SignOffEntry? signOff) => [.. findings.Where(f => signOff?.Explains(f) != true)];

    /// <summary>Parts that were replaced more than once at one place, the most often first.</summary>
    public static IReadOnlyList<RepeatOffender> Repeated(IEnumerable<Timeline> timelines) =>
        [.. timelines.SelectMany(t => t.Standing).OfType<PartEntry>()
            .GroupBy(p => (Part: p.Part.Trim().ToLowerInvariant(), Place: p.Place.Trim().ToLowerInvariant()))
            .Where(g => g.Count() > 1).Select(g => new RepeatOffender(g.Last().Part, g.Last().Place, g.Count())).OrderByDescending(r => r.Times)];
}
