using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Refrigerants;

/// <summary>Bubble and dew line over temperature, pressure on a log scale, with the glide at one pressure drawn as a thick
/// stretch.</summary>
public static class GlideChart
{
    private const double Width = 380;
    private const double Height = 340;
    private const double Left = 46;
    private const double Right = 18;
    private const double Top = 30;
    private const double Bottom = 44;

    private static readonly (double Low, double High) RangeC = (-50, 70);
    private static readonly (double Low, double High) RangeKpa = (20, 8000);

    /// <param name="at">Absolute pressure to mark; null draws the lines alone.</param>
    public static IHtmlContent Draw(Refrigerant fluid, Pressure? at, UnitText units)
    {
        var svg = new Svg().Open(Width, Height, "chart", $"Bubble and dew line of {fluid.Name}");
        Grid(svg, units);
        svg.Path(Line(fluid.Bubble), "curve bubble");
        if (fluid.Dew != fluid.Bubble)
            svg.Path(Line(fluid.Dew), "curve dew");
        if (at is { } pressure && fluid.BubbleTemperature(pressure) is { } bubble && fluid.DewTemperature(pressure) is { } dew
            && IsInside(bubble) && IsInside(dew))
        {
            var y = Y(pressure.Kpa);
            svg.Line(Left, y, X(bubble.Celsius), y, "thread");
            svg.Line(X(bubble.Celsius), y, X(dew.Celsius), y, "glide");
            svg.Circle(X(bubble.Celsius), y, 5, "glide-end").Circle(X(dew.Celsius), y, 5, "glide-end");
        }

        return svg.Close();
    }

    private static bool IsInside(Temperature t) => t.Celsius >= RangeC.Low && t.Celsius <= RangeC.High;

    private static void Grid(Svg svg, UnitText units)
    {
        for (var tempC = RangeC.Low; tempC <= RangeC.High; tempC += 20)
        {
            svg.Line(X(tempC), Top, X(tempC), Height - Bottom, "grid");
            svg.Text(
                X(tempC), Height - Bottom + 20,
                UnitText.Number(units.OnScale(ResultQuantity.Temperature, Temperature.FromCelsius(tempC).Kelvin), 0), "axis middle");
        }

        svg.Text(Width - Right, Height - 6, units.TemperatureUnit, "axis end");
        svg.Text(6, 18, units.AbsoluteUnit.Symbol, "axis");
        foreach (var kpa in new double[] { 50, 100, 200, 500, 1000, 2000, 5000 })
        {
            svg.Line(Left, Y(kpa), Width - Right, Y(kpa), "grid");
            svg.Text(
                Left - 6, Y(kpa) + 5,
                UnitText.Number(kpa / units.AbsoluteUnit.Scale, units.Units == UnitPreference.Us || kpa >= 100 ? 0 : 1), "axis end");
        }
    }

    private static string Line(SaturationTable line)
    {
        var path = new StringBuilder();
        for (var tempC = RangeC.Low; tempC <= RangeC.High; tempC += 2)
        {
            if (line.PressureAt(Temperature.FromCelsius(tempC)) is { } p && p.Kpa >= RangeKpa.Low && p.Kpa <= RangeKpa.High)
                path.Append(CultureInfo.InvariantCulture, $"{(path.Length == 0 ? 'M' : 'L')}{X(tempC):0.#} {Y(p.Kpa):0.#}");
        }

        return path.ToString();
    }

    private static double X(double tempC) => Left + (tempC - RangeC.Low) / (RangeC.High - RangeC.Low) * (Width - Left - Right);

    private static double Y(double kpa) =>
        Top + (Math.Log(RangeKpa.High) - Math.Log(kpa)) / (Math.Log(RangeKpa.High) - Math.Log(RangeKpa.Low)) * (Height - Top - Bottom);
}
