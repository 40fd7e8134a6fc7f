using System.Globalization;
using System.Text;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Drawing;

/// <summary>One point over the visits: each value with what its meter may be off by, a triangle where it moved beyond that.</summary>
public static class TrendLine
{
    private const double Width = 300;
    private const double Height = 86;
    private const double Side = 14;
    private const double Top = 14;
    private const double Bottom = 26;

    public static IHtmlContent Draw(PointRef point, IReadOnlyList<TrendPoint> trend, UnitText units, SiteClock clock) => Draw(
        [.. trend.Select(t => new TrendMark(t.Visit.StartedAt, t.Si, t.Accuracy, t.Moved))],
            $"{CircuitText.Name(point)} over {trend.Count} visits, last {units.Value(point, trend[^1].Si)}", clock);

    public static IHtmlContent Draw(IReadOnlyList<TrendMark> trend, string label, SiteClock clock)
    {
        var svg = new Svg().Open(Width, Height, "trend", label);
        var low = trend.Min(t => t.Value - t.Accuracy);
        var high = trend.Max(t => t.Value + t.Accuracy);
        var (from, to) = (trend[0].At, trend[^1].At);
        double X(TrendMark t) => Side + (to > from ? (t.At - from) / (to - from) : 0.5) * (Width - 2 * Side);
        double Y(double si) => Top + (high - si) / (high - low) * (Height - Top - Bottom);

        var path = new StringBuilder();
        foreach (var t in trend)
            path.Append(CultureInfo.InvariantCulture, $"{(path.Length == 0 ? 'M' : 'L')}{X(t):0.#} {Y(t.Value):0.#}");
        svg.Path(path.ToString(), "trend-path thin");
        foreach (var t in trend)
        {
            var off = t.Accuracy;
            svg.Line(X(t), Y(t.Value + off), X(t), Y(t.Value - off), "whisker");
            if (t.Moved)
                svg.Path(
                    string.Create(
                    CultureInfo.InvariantCulture,
                    $"M{X(t) - 6:0.#} {Y(t.Value) + 5:0.#} L{X(t):0.#} {Y(t.Value) - 6:0.#} L{X(t) + 6:0.#} {Y(t.Value) + 5:0.#} Z"),
                    "moved-mark");
            else
                svg.Circle(X(t), Y(t.Value), 3.5, "trend-mark");
        }

        svg.Text(Side, Height - 6, clock.Day(from), "axis");
        if (trend.Count > 1)
            svg.Text(Width - Side, Height - 6, clock.Day(to), "axis end");
        return svg.Close();
    }
}
