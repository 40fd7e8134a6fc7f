using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;

namespace KeenEmber.Words.Benches.Circuit;

/// <summary>What a series says about itself.</summary>
public static class SeriesText
{
    /// <summary>Whether it has settled, and if not, what still moves and how fast.</summary>
    public static string State(SeriesAnalysis series, UnitText units, SiteClock clock)
    {
        if (!series.IsSeries)
        {
            return $"No series yet: suction pressure at least {CircuitSeries.FewestSamples} times over "
                + $"{CircuitSeries.ShortestStretch.TotalMinutes:F0} min or more show whether it has settled.";
        }

        if (series.Settled is { } stretch)
            return $"Settled since {clock.Time(stretch.From)}, {SiteClock.Span(stretch.Length)} long. The verdict uses the means of "
                + "this stretch.";
        var fastest = series.SlopesKPerMin.MaxBy(s => Math.Abs(s.Value));
        if (Math.Abs(fastest.Value) < CircuitSeries.SlowestDriftKPerMin)
            return "Not settled: it swings too widely round its mean.";
        return $"Not settled: {CircuitText.Name(fastest.Key)} moves by {units.Difference(fastest.Value)} a minute. Keep logging.";
    }

    /// <summary>The numbers behind a finding that rests on the course of time; null for any other finding.</summary>
    public static string? Evidence(Finding finding, UnitText units) => finding.Code switch
    {
        SeriesPatterns.Hunting =>
            $"Superheat swings by {units.Difference(finding.Values["SwingK"])} every "
            + $"{UnitText.Number(finding.Values["PeriodMin"], 1)} min, {finding.Values["Swings"]:F0} half-swings seen.",
        SeriesPatterns.ComesAndGoes =>
            $"Starved {finding.Values["StarvedSpells"]:F0} times with {units.Difference(finding.Values["StarvedSuperheatK"])} of "
            + $"superheat, fed in between with {units.Difference(finding.Values["FedSuperheatK"])}.",
        _ => null,
    };
}
