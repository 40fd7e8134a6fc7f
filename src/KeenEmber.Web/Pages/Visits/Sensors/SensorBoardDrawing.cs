using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Sensors;

/// <summary>Places on the left with what the thermometer reads there, inputs on the right with what they show, and the leads between as the
/// readings have them.</summary>
public static class SensorBoardDrawing
{
    private const double Width = 380, Row = 46, Top = 26, Box = 132, Height = 36;

    public static IHtmlContent Draw(BoardResult board, UnitSensors sensors, UnitText units)
    {
        var channels = board.Channels;
        var svg = new Svg().Open(Width, Top + channels.Count * Row, "sensor-board", "Which place each input really shows");
        svg.Text(0, 15, "place, by thermometer", "axis").Text(Width, 15, "input, as it shows", "axis end");
        for (var i = 0; i < channels.Count; i++)
        {
            var (c, y) = (channels[i], Top + i * Row);
            var last = c.Channel.Points.LastOrDefault(p => !p.InBath);
            var state = c.Result switch
            {
                { IsFault: false } => "",
                { Verdict: SensorVerdict.Swapped } => " crossed",
                _ => " off",
            };
            var toY = Top + c.Place * Row + Height / 2;
            svg.Line(
                Box, toY, Width - Box, y + Height / 2,
                $"lead{state}{(c.Result.Verdict == SensorVerdict.Unsettled || c.Channel.Points.Count == 0 ? " unsettled" : "")}");
            if (c.Result.Verdict is SensorVerdict.Open)
                svg.Line(Width / 2 - 8, y + 10, Width / 2 + 8, y + 26, "lead-cut");
            svg.Rect(0, y, Box, Height, "board-box").Text(8, y + 15, c.Channel.Name, "board-name")
                .Text(8, y + 31, Value(last?.Reference, c.Channel.Curve), "board-value");
            svg.Rect(Width - Box, y, Box, Height, $"board-box{state}").Text(Width - Box + 8, y + 15, Input(c.Channel.Name), "board-name")
                .Text(Width - Box + 8, y + 31, last switch
                {
                    { Shown: not null } => Value(last.Shown, c.Channel.Curve),
                    { Signal: { } s } => Told(c.Channel.Curve, s),
                    _ => "–",
                }, "board-value");
        }

        return svg.Close();

        string Input(string name) =>
            sensors.Sensors.First(s => s.Name == name).Sensor is { Channel.Length: > 0 } entry ? $"{entry.Channel} ({name})" : name;
        string Value(double? value, SensorCurve curve) => value is { } v ? units.Curve(v, curve.Measures) : "–";
        string Told(SensorCurve curve, double signal) => double.IsInfinity(signal) ? "open" : Value(curve.ValueOf(signal), curve);
    }
}
