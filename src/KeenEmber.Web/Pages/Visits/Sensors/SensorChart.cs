using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Sensors;

/// <summary>
/// A sensor's curve with what a healthy one may be off by. A circle stands where the thermometer and the meter put the sensor, a square
/// where the controller puts it:
/// how far each is from the curve, along the line of its signal, is the error of the sensor and of the controller.
/// </summary>
public static class SensorChart
{
    private const double Width = 380, Height = 300, Left = 62, Right = 10, Top = 12, Foot = 34;

    private static readonly int[] Steps = [1, 2, 5];

    /// <param name="others">Curves that explain it as well.</param>
    public static IHtmlContent Draw(
        SensorCurve curve, IReadOnlyList<SensorPoint> points, IReadOnlyList<SensorCurve> others, string name, UnitText units)
    {
        var drawn = points.Where(p => p.Signal is { } s && double.IsFinite(s) && s > 0).ToList();
        var values = drawn.SelectMany(p => new[] { p.Reference, p.Shown, curve.ValueOf(p.Signal!.Value) }).OfType<double>().ToList();
        if (values.Count == 0)
            return HtmlString.Empty;
        var isLog = curve.Signal == SignalKind.Ohm;
        var slack = Math.Max(10, (values.Max() - values.Min()) * 0.4);
        var (low, high) = (values.Min() - slack, values.Max() + slack);
        double Scale(double signal) => isLog ? Math.Log10(Math.Max(signal, 1e-3)) : signal;
        var signals = drawn.Select(p => Scale(p.Signal!.Value)).Concat([Scale(curve.SignalAt(low)), Scale(curve.SignalAt(high))]).ToList();
        var (bottom, top) = (signals.Min(), signals.Max());
        double X(double value) => Left + (value - low) / (high - low) * (Width - Left - Right);
        double Y(double signal) => Top + (top - Scale(signal)) / (top - bottom) * (Height - Top - Foot);

        var svg = new Svg().Open(Width, Height, "sensor-chart", $"{name}: its curve, and where the checks lie");
        var (first, last, step) = Axis.Round(units.OnCurve(low, curve.Measures), units.OnCurve(high, curve.Measures));
        for (var line = first + step; line < last - step / 2; line += step)
        {
            var x = X(units.FromCurve(line, curve.Measures));
            if (x < Left + 8 || x > Width - Right - 8)
                continue;
            svg.Line(x, Top, x, Height - Foot, "grid").Text(x, Height - Foot + 16, UnitText.Number(line, 0), "axis middle");
        }

        foreach (var signal in Lines(bottom, top, isLog))
            svg.Line(Left, Y(signal), Width - Right, Y(signal), "grid")
                .Text(Left - 5, Y(signal) + 4, Label(signal, curve.Signal), "axis end");
        svg.Text(
            Width - Right, Height - 4, curve.Measures == QuantityKind.Pressure ? units.Units.Pressure.Symbol
            : units.TemperatureUnit, "axis end");
        svg.Path(Band(), "tolerance");
        foreach (var other in others.Take(2))
            svg.Path(Line(other), "curve other");
        svg.Path(Line(curve), "curve");
        foreach (var p in drawn)
        {
            var y = Y(p.Signal!.Value);
            var told = curve.ValueOf(p.Signal.Value) ?? low;
            if (p.Reference is { } r)
                svg.Line(X(r), y, X(told), y, "gap").Circle(X(r), y, 6, p.InBath ? "by-thermometer bath" : "by-thermometer");
            if (p.Shown is { } s)
                svg.Line(X(s), y, X(told), y, "gap").Rect(X(s) - 5, y - 5, 10, 10, "by-controller");
        }

        return svg.Close();

        string Line(SensorCurve c) => Points(v => (v, c.SignalAt(v)), 40);

        string Band() =>
            Points(v => (v - curve.ToleranceAt(v), curve.SignalAt(v)), 40) + " L"
            + Points(v => (v + curve.ToleranceAt(v), curve.SignalAt(v)), 40, back: true)[1..] + " Z";

        string Points(Func<double, (double Value, double Signal)> at, int count, bool back = false)
        {
            var path = new StringBuilder();
            for (var i = 0; i <= count; i++)
            {
                var (value, signal) = at(low + (high - low) * (back ? count - i : i) / count);
                path.Append(
                    CultureInfo.InvariantCulture,
                    $"{(path.Length == 0 ? 'M' : 'L')}{Math.Clamp(X(value), Left, Width - Right):0.#} "
                    + $"{Math.Clamp(Y(signal), Top, Height - Foot):0.#} ");
            }

            return path.ToString();
        }
    }

    /// <summary>1, 2 and 5 of each power of ten where the signal spans decades, else even lines.</summary>
    private static IEnumerable<double> Lines(double bottom, double top, bool isLog)
    {
        if (!isLog || top - bottom < 0.9)
        {
            var (from, to) = isLog ? (Math.Pow(10, bottom), Math.Pow(10, top)) : (bottom, top);
            var step = Axis.Step(to - from);
            for (var line = Math.Ceiling(from / step) * step; line <= to; line += step)
                yield return line;
            yield break;
        }

        for (var power = Math.Floor(bottom); power <= top; power++)
        {
            foreach (var line in Steps.Select(n => n * Math.Pow(10, power)).Where(l => Math.Log10(l) >= bottom && Math.Log10(l) <= top))
                yield return line;
        }
    }

    private static string Label(double signal, SignalKind kind) => kind switch
    {
        SignalKind.Ohm =>
            signal >= 1000 ? $"{UnitText.Number(signal / 1000, signal % 1000 == 0 ? 0 : 1)} kΩ" : $"{UnitText.Number(signal, 0)} Ω",
        SignalKind.Volt => $"{UnitText.Number(signal, 1)} V",
        SignalKind.Milliampere => $"{UnitText.Number(signal, 0)} mA",
        _ => $"{UnitText.Number(signal * 100, 0)} %",
    };
}
