using System.Globalization;
using System.Text;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Quantities;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Defrost;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Defrost;

/// <summary>
/// A defrost in one picture: phases as bands, temperatures by place with 0 °C and the setting, the clear moment and the over-run, heater
/// currents below.
/// A second run, aligned at heat-on, lies under it with thin lines.
/// </summary>
public sealed class DefrostChart
{
    private const double Bands = 24;
    private const double Top = 62;
    private const double Gap = 40;
    private const double Foot = 30;

    /// <summary>More samples than this in a curve are thinned to lowest and highest of each column.</summary>
    private const int MostSamples = 700;

    /// <summary>Width of a letter of a mark's word, and height of a row of them.</summary>
    private const double MarkLetter = 7.6, MarkRow = 17;

    /// <summary>Samples farther apart than this many usual intervals are not joined.</summary>
    private const double JoinIntervals = 8;

    private static readonly RunPlaceKind[] Drawn =
        [RunPlaceKind.ColdestBend, RunPlaceKind.WarmestBend, RunPlaceKind.Bend, RunPlaceKind.AtSensor, RunPlaceKind.EndSensor,
            RunPlaceKind.AirInFront, RunPlaceKind.AirBehind, RunPlaceKind.Box, RunPlaceKind.Product, RunPlaceKind.Other];

    private readonly Svg svg = new();
    private readonly WatchedRun run;
    private readonly WatchedRun? other;
    private readonly UnitText units;
    private readonly SiteClock clock;
    private readonly bool wide;
    private readonly double width, height, left, right, from, to;
    private readonly string hatch;

    private DefrostChart(WatchedRun run, WatchedRun? other, UnitText units, SiteClock clock, bool wide)
    {
        (this.run, this.other, this.units, this.clock, this.wide) = (run, other, units, clock, wide);
        (width, height, left, right) = wide ? (860.0, 290.0, 50.0, 118.0) : (380.0, 300.0, 44.0, 12.0);
        hatch = wide ? "over-run-wide" : "over-run-tall";
        var minutes = run.Run.Tracks.Where(t => !t.IsEmpty).SelectMany(t => new[] { t.Minutes[0], t.Minutes[^1] })
            .Concat(run.Run.Marks.Select(m => m.Minute)).ToList();
        from = Math.Min(minutes.DefaultIfEmpty(0).Min(), (run.Result.Phases.HeatOn ?? 0) - 1);
        to = Math.Max(minutes.DefaultIfEmpty(0).Max(), from + 10);
    }

    public static IHtmlContent DrawWide(WatchedRun run, WatchedRun? other, UnitText units, SiteClock clock) =>
        new DefrostChart(run, other, units, clock, wide: true).Draw();

    public static IHtmlContent DrawTall(WatchedRun run, WatchedRun? other, UnitText units, SiteClock clock) =>
        new DefrostChart(run, other, units, clock, wide: false).Draw();

    private double OtherShift => (run.Result.Phases.HeatOn ?? 0) - (other?.Result.Phases.HeatOn ?? 0);

    private HtmlString Draw()
    {
        var temperatures = Curves(run.Run, t => t.Place.Measures == QuantityKind.Temperature).ToList();
        var currents = Curves(run.Run, t => t.Place.Kind == RunPlaceKind.HeaterCurrent).ToList();
        var lower = currents.Count > 0 ? 84.0 : 0;
        var marks = Marks();
        var strip = marks.Count > 0 ? 12 + MarkRow * (marks.Max(m => m.Row) + 1) : 0;
        svg.Open(
            width, Top + height + strip + (lower > 0 ? Gap + lower : 0) + Foot, $"trend-chart defrost-chart {(wide ? "wide" : "tall")}",
            DefrostText.Verdict(run, clock)).HatchPattern(hatch);
        DrawPhases(Top + height);
        DrawTemperatures(temperatures);
        if (lower > 0)
            DrawCurrents(currents, Top + height + strip + Gap, lower);
        foreach (var mark in marks)
        {
            svg.Line(mark.X, Top + height, mark.X, Top + height + 10, "mark-tick");
            svg.Text(mark.X, Top + height + 8 + MarkRow * (mark.Row + 1), mark.Name, mark.IsAtEnd ? "axis end strong" : "axis strong");
        }

        DrawTimes(Top + height + strip + (lower > 0 ? Gap + lower : 0));
        return svg.Close();
    }

    private static IEnumerable<RunTrack> Curves(DefrostRun run, Func<RunTrack, bool> wanted) =>
        run.Tracks.Where(t => !t.IsEmpty && wanted(t)).OrderBy(t => Array.IndexOf(Drawn, t.Place.Kind))
        .ThenBy(t => t.Place.Name, StringComparer.Ordinal);

    /// <summary>The same places in the other run.</summary>
    private List<RunTrack> Others(List<RunTrack> tracks) =>
        other is null ? [] : [.. Curves(other.Run, t => tracks.Exists(own => own.Place == t.Place))];

    /// <summary>Bands along the top, each with its name; the over-run is hatched down through the picture.</summary>
    private void DrawPhases(double bottom)
    {
        var p = run.Result.Phases;
        var y = Top - Bands - 4;
        void Band(double? begin, double? end, string name, string style)
        {
            if (begin is not { } a || end is not { } b || b <= a)
                return;
            svg.Rect(X(a), y, X(b) - X(a), Bands, $"phase {style}");
            if (X(b) - X(a) > name.Length * 7.2)
                svg.Text((X(a) + X(b)) / 2, y + 17, name, "axis middle phase-name");
        }

        var heatEnd = p.HeatOff ?? (p.HeatOn is null ? null : to);
        Band(p.PumpDown, p.HeatOn, "pump-down", "pump");
        Band(p.HeatOn, heatEnd, p.HeatMin is { } min ? $"heat {UnitText.Number(min, 0)} min" : "heat", "heat");
        Band(p.HeatOff, p.Refrigeration ?? p.FansOn, "drip", "drip");
        Band(p.Refrigeration ?? p.FansOn, p.HeatOff is null ? null : to, "cooling", "cooling");
        if (run.Result is { ClearMin: { } clear, HeatAfterClearMin: { } over } && over > 0.5 && p.HeatOff is { } off)
        {
            svg.Rect(X(clear), Top, X(off) - X(clear), bottom - Top, "over-run", 0, $"url(#{hatch})");
            svg.Line(X(clear), Top - 4, X(clear), bottom, "clear-line");
            svg.Text(X(clear) - 8, 15, $"clear {clock.Time(run.At(clear))}", "axis end strong");
            svg.Text(X(clear) + 8, 15, $"{UnitText.Number(over, 0)} min after clear", "axis strong");
        }
    }

    private void DrawTemperatures(List<RunTrack> tracks)
    {
        var values = tracks.SelectMany(t => new[] { Shown(t.Values.Min()), Shown(t.Values.Max()) }).Append(Shown(0)).ToList();
        var others = Others(tracks);
        values.AddRange(others.SelectMany(t => new[] { Shown(t.Values.Min()), Shown(t.Values.Max()) }));
        if (run.Run.SetUp.EndC is { } end)
            values.Add(Shown(end));
        var (low, high, step) = Axis.Round(values.Min(), values.Max());
        double Y(double c) => Top + height - (Shown(c) - low) / (high - low) * height;
        for (var v = low; v <= high + step / 2; v += step)
        {
            var y = Top + height - (v - low) / (high - low) * height;
            svg.Line(left, y, width - right, y, "grid");
            svg.Text(left - 6, y + 5, UnitText.Number(v, step < 1 ? 1 : 0), "axis end");
        }

        svg.Text(6, Top - 10, units.TemperatureUnit, "axis");
        svg.Line(left, Y(0), width - right, Y(0), "zero-line");
        if (run.Run.SetUp.EndC is { } set)
            svg.Line(left, Y(set), width - right, Y(set), "set-line");

        if (run.Result.Places.FirstOrDefault(p => p.Place == run.Result.LastClear) is { LevelC: { } level, FromMin: { } begins } melt)
        {
            var end2 = melt.ClearMin ?? run.Result.Phases.HeatOff ?? to;
            svg.Rect(
                X(begins), Y(level + DefrostLimits.PlateauBandK), X(end2) - X(begins),
                Y(level - DefrostLimits.PlateauBandK) - Y(level + DefrostLimits.PlateauBandK), "plateau");
        }

        foreach (var track in others)
            svg.Path(Line(track, Y, OtherShift), $"trend-path {Style(track.Place)} other");

        foreach (var track in tracks)
        {
            svg.Path(Line(track, Y, 0), $"trend-path {Style(track.Place)}");
            if (track.Minutes.Length <= 40)
            {
                for (var i = 0; i < track.Minutes.Length; i++)
                    svg.Circle(X(track.Minutes[i]), Y(track.Values[i]), 2.5, $"sample {Style(track.Place)}");
            }
        }

        // Words last, over the curves: each keeps a gap round itself.
        if (run.Run.SetUp.EndC is { } ends)
            svg.Text(left + 4, Y(ends) - 6, $"ends at {units.Temperature(Temperature.ZeroCelsiusInKelvin + ends)}", "axis");
        DrawNames(tracks, t => Y(t.Values[^1]), Top + height);
    }

    /// <summary>Beside the curves at the level that tells them apart, moved clear of each other; on a narrow sheet they stand in the legend
    /// under the picture.</summary>
    private void DrawNames(List<RunTrack> tracks, Func<RunTrack, double> y, double bottom)
    {
        if (!wide)
            return;
        var ends = tracks.Select(t => (Track: t, Y: y(t) + 4)).OrderBy(e => e.Y).ToList();
        var lowest = bottom + 4 - (ends.Count - 1) * 16;
        var last = double.MinValue;
        foreach (var (track, at) in ends)
        {
            last = Math.Max(Math.Min(at, lowest), last + 16);
            lowest += 16;
            svg.Text(width - right + 6, last, DefrostText.OnCurve(track.Place), $"curve-name {Style(track.Place)}");
        }
    }

    private void DrawCurrents(List<RunTrack> legs, double top, double tall)
    {
        var others = Others(legs);
        var (_, high, step) = Axis.Round(0, legs.Concat(others).Max(l => l.Values.Max()));
        double Y(double a) => top + tall - a / high * tall;
        for (var v = 0.0; v <= high + step / 2; v += step)
        {
            svg.Line(left, Y(v), width - right, Y(v), "grid");
            svg.Text(left - 6, Y(v) + 5, UnitText.Number(v, step < 1 ? 1 : 0), "axis end");
        }

        svg.Text(6, top - 10, "A", "axis");
        foreach (var leg in others)
            svg.Path(Line(leg, Y, OtherShift), $"trend-path leg leg-{leg.Place.Name} other");
        foreach (var leg in legs)
            svg.Path(Line(leg, Y, 0), $"trend-path leg leg-{leg.Place.Name}");
        DrawNames(legs, l => Y(l.Values.Max()), top + tall);
    }

    /// <summary>What was seen and done, each with the row of the strip in which its word has room.</summary>
    private List<(double X, int Row, string Name, bool IsAtEnd)> Marks()
    {
        var ends = new List<double>();
        var marks = new List<(double X, int Row, string Name, bool IsAtEnd)>();
        foreach (
            var mark in run.Run.Marks.Where(
            m => m.Kind is not (
            RunMarkKind.HeatOn or RunMarkKind.HeatOff or RunMarkKind.PumpDown or RunMarkKind.Refrigeration or RunMarkKind.Over))
            .OrderBy(m => m.Minute))
        {
            var (x, name) = (X(mark.Minute), DefrostText.Name(mark.Kind));
            var isAtEnd = x + name.Length * MarkLetter > width - 4;
            var (begin, end) = isAtEnd ? (x - name.Length * MarkLetter, x) : (x, x + name.Length * MarkLetter);
            var row = ends.FindIndex(e => e < begin - 6);
            if (row < 0)
            {
                row = ends.Count;
                ends.Add(0);
            }

            ends[row] = end;
            marks.Add((x, row, name, isAtEnd));
        }

        return marks;
    }

    private void DrawTimes(double bottom)
    {
        var count = wide ? 6 : 3;
        for (var i = 0; i <= count; i++)
        {
            var minute = from + (to - from) * i / count;
            svg.Line(X(minute), bottom, X(minute), bottom + 6, "tick");
            svg.Text(X(minute), bottom + 22, clock.Time(run.At(minute)),
                i switch { 0 => "axis", _ when i == count => "axis end", _ => "axis middle" });
        }
    }

    /// <summary>Each kind of place has its own weight and dashes, so that it is told apart without colour.</summary>
    private static string Style(RunPlace place) => place.Kind switch
    {
        RunPlaceKind.ColdestBend => "line-cold heavy",
        RunPlaceKind.WarmestBend => "line-hot",
        RunPlaceKind.AtSensor => "line-sensor",
        RunPlaceKind.EndSensor => "line-sensor dashed",
        RunPlaceKind.Bend => "line-cold dotted",
        RunPlaceKind.Box or RunPlaceKind.AirBehind => "line-air",
        _ => "line-air thin",
    };

    private string Line(RunTrack track, Func<double, double> y, double shift)
    {
        var path = new StringBuilder();
        var gap = track.Minutes.Length < 2 ? 0 : (track.Minutes[^1] - track.Minutes[0]) / (track.Minutes.Length - 1) * JoinIntervals;
        double? before = null;
        foreach (var i in Thinned(track))
        {
            var minute = track.Minutes[i] + shift;
            if (minute < from || minute > to)
                continue;
            path.Append(
                CultureInfo.InvariantCulture,
                $"{(before is not { } b || minute - b > Math.Max(gap, 12) ? 'M' : 'L')}{X(minute):0.#} {y(track.Values[i]):0.#}");
            before = minute;
        }

        return path.ToString();
    }

    private IEnumerable<int> Thinned(RunTrack track)
    {
        if (track.Minutes.Length <= MostSamples)
            return Enumerable.Range(0, track.Minutes.Length);
        return Enumerable.Range(0, track.Minutes.Length).GroupBy(i => (int)X(track.Minutes[i]))
            .SelectMany(g => new[] { g.MinBy(i => track.Values[i]), g.MaxBy(i => track.Values[i]) }.Order().Distinct());
    }

    private double Shown(double tempC) =>
        units.Units.Temperature == Unit.Fahrenheit ? new Temperature(tempC + Temperature.ZeroCelsiusInKelvin).Fahrenheit : tempC;

    private double X(double minute) => left + (minute - from) / (to - from) * (width - left - right);
}
