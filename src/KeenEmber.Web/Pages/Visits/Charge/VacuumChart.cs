using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>The course of an evacuation on a logarithmic scale, with the target and where the pump was shut off.</summary>
public static class VacuumChart
{
    private const double Width = 380, Height = 210, Left = 80, Right = 12, Top = 12, Foot = 26;

    public static IHtmlContent Draw(Evacuation evacuation, UnitText units, SiteClock clock)
    {
        var read = evacuation.Readings.Where(r => r.Pa > 0).ToList();
        if (read.Count < 2)
            return HtmlString.Empty;
        var (low, high) = (Math.Floor(Math.Log10(Math.Min(read.Min(r => r.Pa!.Value), VacuumCourse.TargetPa))),
            Math.Ceiling(Math.Log10(Math.Max(read.Max(r => r.Pa!.Value), VacuumCourse.TargetPa * 2))));
        var (from, to) = (read[0].At, read[^1].At);
        double X(DateTimeOffset at) => Left + (to > from ? (at - from) / (to - from) : 0) * (Width - Left - Right);
        double Y(double pa) => Top + (high - Math.Log10(pa)) / (high - low) * (Height - Top - Foot);
        var svg = new Svg().Open(Width, Height, "sensor-chart vacuum-chart", "Course of the vacuum");
        for (var line = low; line <= high; line++)
            svg.Line(Left, Y(Math.Pow(10, line)), Width - Right, Y(Math.Pow(10, line)), "grid")
                .Text(Left - 5, Y(Math.Pow(10, line)) + 4, units.Vacuum(Math.Pow(10, line)), "axis end");
        svg.Line(Left, Y(VacuumCourse.TargetPa), Width - Right, Y(VacuumCourse.TargetPa), "target-line");
        if (evacuation is { Stage: VacuumStep.Isolated, StageAt: { } shut } && shut >= from && shut <= to)
            svg.Line(X(shut), Top, X(shut), Height - Foot, "moment");
        var path = new StringBuilder();
        foreach (var r in read)
            path.Append(CultureInfo.InvariantCulture, $"{(path.Length == 0 ? 'M' : 'L')}{X(r.At):0.#} {Y(r.Pa!.Value):0.#} ");
        svg.Path(path.ToString(), "curve");
        foreach (var r in read)
            svg.Circle(X(r.At), Y(r.Pa!.Value), 3.5, "trend-mark");
        svg.Text(Left, Height - 6, clock.Time(from), "axis").Text(Width - Right, Height - 6, clock.Time(to), "axis end");
        return svg.Close();
    }
}
