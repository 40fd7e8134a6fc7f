using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Controls;

/// <summary>Cut-ins and cut-outs over time against the band that is set: running is a bar below.</summary>
public static class CycleChart
{
    private const double Width = 380, Height = 200, Left = 52, Right = 10, Top = 12, Foot = 44;

    public static IHtmlContent Draw(IReadOnlyList<ControlEvent> events, ControlSetting? setting, UnitText units, SiteClock clock)
    {
        var read = events.Where(e => e.TempC is not null).OrderBy(e => e.At).ToList();
        if (read.Count < 2)
            return HtmlString.Empty;
        var band = new[] { setting?.CutOutC, setting?.CutInC }.OfType<double>().ToList();
        var all = read.Select(e => e.TempC!.Value).Concat(band).Select(c => units.OnCurve(c, QuantityKind.Temperature)).ToList();
        var (low, high, step) = Axis.Round(all.Min() - 0.5, all.Max() + 0.5);
        var (from, to) = (read[0].At, read[^1].At);
        double X(DateTimeOffset at) => Left + (to > from ? (at - from) / (to - from) : 0) * (Width - Left - Right);
        double Y(double shown) => Top + (high - shown) / (high - low) * (Height - Top - Foot);
        double At(double celsius) => Y(units.OnCurve(celsius, QuantityKind.Temperature));
        var svg = new Svg().Open(Width, Height, "sensor-chart cycle-chart", "Cut-ins and cut-outs against the setting");
        for (var line = low; line <= high + step / 2; line += step)
            svg.Line(Left, Y(line), Width - Right, Y(line), "grid")
                .Text(Left - 5, Y(line) + 4, UnitText.Number(line, step < 1 ? 1 : 0), "axis end");
        if (band.Count == 2)
            svg.Rect(Left, At(band.Max()), Width - Left - Right, At(band.Min()) - At(band.Max()), "tolerance");
        var path = new StringBuilder();
        foreach (var e in read)
            path.Append(CultureInfo.InvariantCulture, $"{(path.Length == 0 ? 'M' : 'L')}{X(e.At):0.#} {At(e.TempC!.Value):0.#} ");
        svg.Path(path.ToString(), "curve");
        foreach (var e in read)
            svg.Circle(X(e.At), At(e.TempC!.Value), 4.5, e.CutsIn ? "by-thermometer" : "trend-mark");
        foreach (var (on, off) in read.Zip(read.Skip(1)).Where(p => p.First.CutsIn && !p.Second.CutsIn))
            svg.Rect(X(on.At), Height - Foot + 6, X(off.At) - X(on.At), 8, "run-bar");
        svg.Text(Left, Height - 6, clock.Time(from), "axis").Text(Width - Right, Height - 6, clock.Time(to), "axis end");
        return svg.Close();
    }
}
