using System.Globalization;
using KeenEmber.Core.Benches.Defrost.Schedule;
using KeenEmber.Web.Drawing;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Defrost.Schedule;

/// <summary>A day as a ring, midnight at the top: planned defrosts outside, today's inside them, neighbours' inside those; busy hours
/// hatched.</summary>
public static class DefrostRing
{
    private const double Size = 360, Centre = Size / 2, Planned = 140, Today = 118, Asked = 102, Others = 86;

    /// <param name="asked">What somebody else asked for; empty where nobody did.</param>
    public static IHtmlContent Draw(
        IReadOnlyList<DayPart> planned, IReadOnlyList<DayPart> today, IReadOnlyList<DayPart> asked, IReadOnlyList<DayPart> busy,
        IReadOnlyList<Neighbour> neighbours, string label)
    {
        var svg = new Svg().Open(Size, Size, "defrost-ring", label).HatchPattern("busy-hours");
        foreach (var part in busy)
            svg.Path(Sector(part, 76, 156), "busy").Hatched(Sector(part, 76, 156), "busy-hours");
        svg.Circle(Centre, Centre, Planned, "ring").Circle(Centre, Centre, Today, "ring thin");
        var rings =
            new[] { ("planned", "planned", true, Planned), ("as it is", "today", true, Today),
            ("asked for", "asked", asked.Count > 0, Asked), ("neighbours", "neighbour", neighbours.Count > 0, Others) }.Where(r => r.Item3)
            .ToList();
        foreach (var (_, _, _, radius) in rings.Skip(2))
            svg.Circle(Centre, Centre, radius, "ring thin");
        for (var hour = 0; hour < 24; hour++)
        {
            var (x1, y1) = At(hour / 24.0, 156);
            var (x2, y2) = At(hour / 24.0, hour % 6 == 0 ? 148 : 152);
            svg.Line(x1, y1, x2, y2, "tick");
            var (x, y) = At(hour / 24.0, 169);
            if (hour % 3 == 0)
                svg.Text(x, y + 5, hour.ToString("00", CultureInfo.InvariantCulture), "axis middle");
        }

        foreach (var part in neighbours.SelectMany(n => n.Defrosts))
            svg.Path(Arc(part, Others), "arc neighbour");
        foreach (var part in asked)
            svg.Path(Arc(part, Asked), "arc asked");
        foreach (var part in today)
            svg.Path(Arc(part, Today), "arc today");
        foreach (var part in planned)
            svg.Path(Arc(part, Planned), "arc planned");
        foreach (var ((name, style, _, _), i) in rings.Select((r, i) => (r, i)))
        {
            var y = Centre + (i - (rings.Count - 1) / 2.0) * 25;
            svg.Line(118, y, 142, y, $"arc {style}").Text(150, y + 5, name, "axis");
        }

        return svg.Close();
    }

    private static double Turn(TimeOnly time) => time.ToTimeSpan().TotalMinutes / 1440;

    private static (double X, double Y) At(double turn, double radius) =>
        (Centre + radius * Math.Sin(turn * Math.Tau), Centre - radius * Math.Cos(turn * Math.Tau));

    private static string Arc(DayPart part, double radius)
    {
        var (x1, y1) = At(Turn(part.From), radius);
        var (x2, y2) = At(Turn(part.From) + part.Minutes / 1440, radius);
        return string.Create(
            CultureInfo.InvariantCulture, $"M{x1:0.#} {y1:0.#}A{radius} {radius} 0 {(part.Minutes > 720 ? 1 : 0)} 1 {x2:0.#} {y2:0.#}");
    }

    private static string Sector(DayPart part, double inner, double outer)
    {
        var large = part.Minutes > 720 ? 1 : 0;
        var (a, b) = (Turn(part.From), Turn(part.From) + part.Minutes / 1440);
        var ((x1, y1), (x2, y2), (x3, y3), (x4, y4)) = (At(a, outer), At(b, outer), At(b, inner), At(a, inner));
        return string.Create(
            CultureInfo.InvariantCulture,
            $"M{x1:0.#} {y1:0.#}A{outer} {outer} 0 {large} 1 {x2:0.#} {y2:0.#}L{x3:0.#} {y3:0.#}A{inner} {inner} 0 {large} 0 {x4:0.#} "
            + $"{y4:0.#}Z");
    }
}
