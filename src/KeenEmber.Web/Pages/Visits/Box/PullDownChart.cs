using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Box;

/// <summary>A pull-down: what was read, where it goes and how surely, and the target.</summary>
public static class PullDownChart
{
    private const double Width = 380, Height = 210, Left = 52, Right = 12, Top = 12, Foot = 26;
    private const int Steps = 24;

    /// <summary>At least this much of the future is drawn, min.</summary>
    private const double AheadMin = 60;

    public static IHtmlContent Draw(PullDownCourse course, Temperature target, UnitText units, SiteClock clock)
    {
        if (course.Readings.Count < 2)
            return HtmlString.Empty;
        var from = course.Readings[0].At;
        var read = course.Readings.Select(r => (Min: (r.At - from).TotalMinutes, C: r.Value.Celsius)).ToList();
        var end = course.Result?.BoxAt is null ? read[^1].Min
            : Math.Max(read[^1].Min + AheadMin, Math.Min(course.Result.ToTarget?.High ?? read[^1].Min * 2, read[^1].Min * 4));
        var ahead = course.Result?.BoxAt is not { } at ? []
            : Enumerable.Range(0, Steps + 1).Select(i => read[^1].Min + (end - read[^1].Min) * i / Steps)
                .Select(m => (Min: m, At: at(m))).ToList();
        double Shown(double celsius) => units.OnCurve(celsius, QuantityKind.Temperature);
        List<double> all = [.. read.Select(r => Shown(r.C)), Shown(target.Celsius), .. ahead.Select(a => Shown(a.At.Low))];
        var (low, high, step) = Axis.Round(all.Min() - 0.5, all.Max() + 0.5);
        double X(double minute) => Left + minute / Math.Max(end, 1) * (Width - Left - Right);
        double Y(double celsius) => Top + (high - Math.Clamp(Shown(celsius), low, high)) / (high - low) * (Height - Top - Foot);
        var svg = new Svg().Open(Width, Height, "sensor-chart pulldown-chart", "Pull-down of the box and where it goes");
        for (var line = low; line <= high + step / 2; line += step)
        {
            var y = Top + (high - line) / (high - low) * (Height - Top - Foot);
            svg.Line(Left, y, Width - Right, y, "grid").Text(Left - 5, y + 4, UnitText.Number(line, step < 1 ? 1 : 0), "axis end");
        }

        svg.Line(Left, Y(target.Celsius), Width - Right, Y(target.Celsius), "target-line");
        if (ahead.Count > 0)
        {
            svg.Path(Line(ahead.Select(a => (X(a.Min), Y(a.At.High)))) + Line(ahead.AsEnumerable().Reverse()
                .Select(a => (X(a.Min), Y(a.At.Low))), 'L') + "Z", "tolerance");
            svg.Path(Line(ahead.Select(a => (X(a.Min), Y(a.At.Value)))), "curve forecast");
        }

        svg.Path(Line(read.Select(r => (X(r.Min), Y(r.C)))), "curve");
        foreach (var (minute, celsius) in read)
            svg.Circle(X(minute), Y(celsius), 3.5, "trend-mark");
        svg.Text(Left, Height - 6, clock.Time(from), "axis").Text(Width - Right, Height - 6, clock.Time(from.AddMinutes(end)), "axis end");
        return svg.Close();
    }

    private static string Line(IEnumerable<(double X, double Y)> points, char first = 'M')
    {
        var path = new StringBuilder();
        foreach (var (x, y) in points)
            path.Append(CultureInfo.InvariantCulture, $"{(path.Length == 0 ? first : 'L')}{x:0.#} {y:0.#} ");
        return path.ToString();
    }
}
