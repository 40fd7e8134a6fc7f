using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Circuit;

/// <summary>The readings of a visit over time: temperatures above, superheat and subcooling with their targets below, on one time
/// axis.</summary>
public sealed class TrendChart
{
    private const double Top = 34;
    private const double Bottom = 34;

    /// <summary>More points than this are thinned to the lowest and highest of each column of the drawing.</summary>
    private const int MostPoints = 900;

    private sealed record Curve(string Name, string Style, IReadOnlyList<SeriesPoint> Points, Func<double, double> OnScale);

    private readonly Svg svg = new();
    private readonly VisitView view;
    private readonly SeriesAnalysis series;
    private readonly bool wide;
    private readonly double width;
    private readonly double left = 46;
    private readonly double gap;
    private readonly double right;
    private readonly double upper;
    private readonly double lower;
    private readonly DateTimeOffset from;
    private readonly DateTimeOffset to;

    private TrendChart(VisitView view, SeriesAnalysis series, bool wide)
    {
        (this.view, this.series, this.wide) = (view, series, wide);
        (width, upper, lower, right, gap) = wide ? (820.0, 250.0, 130.0, 132.0, 44.0) : (360.0, 260.0, 140.0, 14.0, 64.0);
        from = series.Measured.Values.Min(c => c[0].At);
        to = series.Measured.Values.Max(c => c[^1].At);
    }

    public static IHtmlContent DrawWide(VisitView view, SeriesAnalysis series) => new TrendChart(view, series, wide: true).Draw();

    public static IHtmlContent DrawTall(VisitView view, SeriesAnalysis series) => new TrendChart(view, series, wide: false).Draw();

    private HtmlString Draw()
    {
        List<Curve> temperatures = [.. Measured(), .. Saturations()];
        List<Curve> differences = [.. Differences()];
        svg.Open(
            width, Top + upper + (differences.Count > 0 ? gap + lower : 0) + Bottom, $"trend-chart {(wide ? "wide" : "tall")}",
            "Readings over time");
        DrawPanel(temperatures, Top, upper, view.Units.TemperatureUnit, null);
        if (differences.Count > 0)
            DrawPanel(differences, Top + upper + gap, lower, view.Units.DifferenceUnit, BandOf(ResultKind.SuperheatCoil));
        DrawTimes(Top + upper + (differences.Count > 0 ? gap + lower : 0));
        if (series.Settled is { } stretch)
            DrawSettled(stretch);
        return svg.Close();
    }

    private Band? BandOf(ResultRef result) => view.Analysis?.Results.FirstOrDefault(r => r.Ref == result)?.Band;

    private IEnumerable<Curve> Measured() => series.Measured
        .Where(c => c.Key.Kind() == QuantityKind.Temperature && c.Value.Count > 1)
        .Select(c => new Curve(view.Name(c.Key), c.Key.Point switch
        {
            MeasuringPoint.BoxAir or MeasuringPoint.CondenserAir or MeasuringPoint.WaterIn => "line-air",
            MeasuringPoint.AirLeaving => "line-air thin",
            MeasuringPoint.DischargeLine or MeasuringPoint.LiquidLine or MeasuringPoint.LiquidAfterDrier => "line-hot",
            _ => "line-cold",
        }, c.Value, Temperature));

    private IEnumerable<Curve> Saturations() =>
        new (ResultRef, string)[] { (ResultKind.Evaporating, "line-cold dashed"), (ResultKind.Condensing, "line-hot dashed") }
        .Where(k => series.Derived.TryGetValue(k.Item1, out var c) && c.Count > 1)
        .Select(k =>
            new Curve(k.Item1 == ResultKind.Evaporating ? "evaporating" : "condensing", k.Item2, series.Derived[k.Item1], Temperature));

    private IEnumerable<Curve> Differences() =>
        new (ResultRef, string)[] { (ResultKind.SuperheatCoil, "line-cold"), (ResultKind.SuperheatCompressor, "line-cold dashed"),
        (ResultKind.Subcooling, "line-hot") }
        .Where(k => series.Derived.TryGetValue(k.Item1, out var c) && c.Count > 1)
        .Select(k =>
            new Curve(
            k.Item1.Kind switch { ResultKind.SuperheatCoil => "superheat", ResultKind.Subcooling => "subcooling", _ => "at compressor" },
            k.Item2,
            series.Derived[k.Item1], v => view.Units.OnScale(ResultQuantity.Difference, v)));

    private double Temperature(double tempK) => view.Units.OnScale(ResultQuantity.Temperature, tempK);

    private void DrawPanel(List<Curve> curves, double top, double height, string unit, Band? target)
    {
        if (curves.Count == 0)
            return;
        var values = curves.SelectMany(c => c.Points.Select(p => c.OnScale(p.Value))).ToList();
        if (target is { } band)
            values.AddRange(
                [view.Units.OnScale(ResultQuantity.Difference, band.Low), view.Units.OnScale(ResultQuantity.Difference, band.High), 0]);
        var (low, high, step) = Axis.Round(values.Min(), values.Max());
        double Y(double v) => top + height - (v - low) / (high - low) * height;

        if (target is { } t)
        {
            var (bandLow, bandHigh) =
                (view.Units.OnScale(ResultQuantity.Difference, t.Low), view.Units.OnScale(ResultQuantity.Difference, t.High));
            svg.Rect(left, Y(bandHigh), width - left - right, Y(bandLow) - Y(bandHigh), "band-target");
        }

        for (var v = low; v <= high + step / 2; v += step)
        {
            svg.Line(left, Y(v), width - right, Y(v), "grid");
            svg.Text(left - 6, Y(v) + 5, UnitText.Number(v, step < 1 ? 1 : 0), "axis end");
        }

        svg.Text(6, top - 12, unit, "axis");
        foreach (var curve in curves)
            svg.Path(Line(curve, Y), $"trend-path {curve.Style}");
        DrawNames(curves, Y, top, height);
    }

    /// <summary>Names at the ends of their curves, moved apart where they would touch; on a narrow sheet in one line above.</summary>
    private void DrawNames(List<Curve> curves, Func<double, double> y, double top, double height)
    {
        if (!wide)
        {
            var x = left + 26;
            foreach (var curve in curves.Take(4))
            {
                svg.Text(x, top - 12, curve.Name, $"curve-name {curve.Style}");
                x += curve.Name.Length * 7.4 + 14;
            }

            return;
        }

        var last = top - 16;
        foreach (var (curve, at) in curves.Select(c => (c, y(c.OnScale(c.Points[^1].Value)) + 4)).OrderBy(c => c.Item2))
        {
            last = Math.Min(Math.Max(at, last + 16), top + height + 8);
            svg.Text(width - right + 6, last, curve.Name, $"curve-name {curve.Style}");
        }
    }

    private string Line(Curve curve, Func<double, double> y)
    {
        var path = new StringBuilder();
        DateTimeOffset? before = null;
        foreach (var point in Thinned(curve.Points))
        {
            var move = before is not { } b || point.At - b > CircuitSeries.LongestGap ? 'M' : 'L';
            path.Append(CultureInfo.InvariantCulture, $"{move}{X(point.At):0.#} {y(curve.OnScale(point.Value)):0.#}");
            before = point.At;
        }

        return path.ToString();
    }

    private IEnumerable<SeriesPoint> Thinned(IReadOnlyList<SeriesPoint> points) => points.Count <= MostPoints ? points
        : points.GroupBy(p => (int)X(p.At))
            .SelectMany(g => new[] { g.MinBy(p => p.Value), g.MaxBy(p => p.Value) }.OrderBy(p => p.At).Distinct());

    private void DrawTimes(double bottom)
    {
        var count = wide ? 6 : 3;
        for (var i = 0; i <= count; i++)
        {
            var at = from + (to - from) * i / count;
            svg.Line(X(at), bottom, X(at), bottom + 6, "tick");
            svg.Text(X(at), bottom + 22, view.Clock.Time(at),
                i switch { 0 => "axis", _ when i == count => "axis end", _ => "axis middle" });
        }
    }

    private void DrawSettled(Stretch stretch)
    {
        var (a, b) = (X(stretch.From), X(stretch.To));
        svg.Path(string.Create(CultureInfo.InvariantCulture, $"M{a:0.#} {Top + upper + 18} v-8 H{b:0.#} v8"), "bracket");
        svg.Text((a + b) / 2, Top + upper + 26, "settled", "axis middle settled");
    }

    private double X(DateTimeOffset at) => left + (to > from ? (at - from) / (to - from) : 0) * (width - left - right);
}
