using System.Globalization;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Circuit;

/// <summary>The circuit of one unit as a drawing with a tag at every measuring point. The tags are links, so the drawing is also the
/// form.</summary>
public sealed class CircuitMap
{
    private readonly VisitView view;
    private readonly MapLayout layout;
    private readonly List<PointRef> shown;
    private readonly Svg svg = new();
    private readonly string hatch;

    private readonly bool isOnPaper;

    private CircuitMap(VisitView view, bool wide, bool isOnPaper = false)
    {
        (this.view, this.isOnPaper) = (view, isOnPaper);
        shown = [.. Shown(view)];
        layout = wide ? MapLayout.Landscape(view.MakeUp, shown) : MapLayout.Portrait(view.MakeUp, shown);
        hatch = $"hatch-{layout.Name}";
    }

    public static IHtmlContent DrawWide(VisitView view) => new CircuitMap(view, wide: true).Draw();

    /// <summary>For a report: nothing is asked for, and what was not measured has no tag.</summary>
    public static IHtmlContent DrawOnPaper(VisitView view) => new CircuitMap(view, wide: true, isOnPaper: true).Draw();

    public static IHtmlContent DrawTall(VisitView view) => new CircuitMap(view, wide: false).Draw();

    /// <summary>The usual round, and the points taken on demand once they have a value or are asked for.</summary>
    private static IEnumerable<PointRef> Shown(VisitView view) => view.MakeUp.Points.Where(point => point.Point switch
    {
        MeasuringPoint.LiquidAfterDrier or MeasuringPoint.WaterIn => view.Readings.ContainsKey(point) || view.Asked == point,
        MeasuringPoint.HeadCycleLow or MeasuringPoint.HeadCycleHigh =>
            view.Readings.ContainsKey(point) || view.Conditions.CondenserFan == FactState.Cycling,
        _ => true,
    });

    private HtmlString Draw()
    {
        svg.Open(layout.Width, layout.Height, $"circuit-map {layout.Name}", $"Circuit of {view.Equipment.Tag}");
        svg.HatchPattern(hatch);
        foreach (var point in shown.Where(p => layout.Tags[p].Thread.Length > 0 && (!isOnPaper || view.Readings.ContainsKey(p))))
            svg.Path(layout.Tags[point].Thread, "thread");
        new PartDrawing(svg, view, layout, hatch, labelsOnRiser: !shown.Contains(MeasuringPoint.LiquidAfterDrier)).Draw();
        DrawMainResults();
        foreach (var point in shown.Where(p => !isOnPaper || view.Readings.ContainsKey(p)))
            DrawTag(point, layout.Tags[point]);
        return svg.Close();
    }

    private ResultRef[] MainResults => view.MakeUp.Coils > 1
        ? [.. Enumerable.Range(1, view.MakeUp.Coils).Select(coil => ResultKind.SuperheatCoil.At(coil)), ResultKind.Subcooling]
        : [ResultKind.SuperheatCoil, ResultKind.Subcooling, ResultKind.EvaporatorTd];

    private void DrawMainResults()
    {
        if (view.Analysis is not { } analysis)
            return;
        var (x, y) = layout.Results;
        foreach (var (kind, i) in MainResults.Where(k => !isOnPaper || analysis[k].Value is not null).Select((k, i) => (k, i)))
        {
            var result = analysis[kind];
            var top = y + i * layout.ResultStep;
            var state = CircuitText.Class(result.Validity.Level);
            svg.Text(x, top + 12, view.Name(result.Ref), "quiet");
            svg.Text(x, top + 44, view.Units.Result(result), $"big {state}");
            if (!layout.IsWide)
            {
                svg.Text(x, top + 62, WordsUnder(result), "quiet");
                continue;
            }

            if (result.Value is null)
            {
                svg.Text(x + 40, top + 42, $"needs {CircuitText.List(result.Missing.Select(view.Name))}", "quiet");
                continue;
            }

            BandBar.Draw(svg, x + 124, top + 22, 96, result, view.Units);
            svg.Text(x + 228, top + 30, CircuitText.Position(result), "quiet");
            svg.Text(
                x + 228, top + 47, result.Validity.Level == ValidityLevel.Good ? "" : CircuitText.Name(result.Validity.Level), "label");
        }
    }

    /// <summary>Under a value on the narrow map: its place in the band and whether it counts, or what it needs.</summary>
    private static string WordsUnder(CircuitResult result) => (result.Value, result.Validity.Level) switch
    {
        (null, _) => "",
        (_, ValidityLevel.NotUsable) => CircuitText.Name(ValidityLevel.NotUsable),
        (_, ValidityLevel.Provisional) => $"{CircuitText.Position(result)}, prov.",
        _ => CircuitText.Position(result),
    };

    private void DrawTag(PointRef point, TagPlace place)
    {
        var reading = view.Readings.GetValueOrDefault(point);
        var earlier = view.History[point].FirstOrDefault();
        var asked = view.Asked == point && !isOnPaper;
        var level = view.LevelOf(point);
        var isBefore = reading is not null && view.IsBeforeWork(reading);
        var state = StateOf(asked, reading is null, isBefore, level);
        var value = reading is null ? "tap to log" : view.Units.Value(point, reading.Si);
        var third = isBefore ? $"as found {view.Clock.Time(reading!.At)}" : EarlierText(point, reading, earlier);
        var spoken = $"{view.Name(point)} {value} {third}".Trim() + (reading is null ? "" : $", {CircuitText.Name(level)}");

        var (x, y, w, h) = (place.X, place.Y, layout.TagWidth, MapLayout.TagHeight);
        var outline = string.Create(CultureInfo.InvariantCulture, $"M{x} {y} H{x + w - 14} L{x + w} {y + 14} V{y + h} H{x} Z");
        svg.OpenLink($"?point={point}#point-form", $"tag {state}", spoken,
            $"data-point=\"{point}\" data-label=\"{view.Name(point)}\" "
                + $"data-hint=\"{Svg.Encode(TypingText.Example(point.Kind(), view.Company.Units))}\" data-entry=\"{reading?.EntryId}\"");
        svg.Path(outline, "tag-edge");
        if (state.StartsWith("unusable", StringComparison.Ordinal))
            svg.Hatched(outline, hatch);
        svg.Circle(x + w - 14, y + 17, 3.5, "eyelet");
        svg.Text(x + 10, y + 19, view.Name(point), "tag-label");
        svg.Text(x + 10, y + 42, value, reading is null ? "tag-empty" : "tag-value");
        if (third.Length > 0)
            svg.Text(x + 10, y + 61, third, earlier?.Moved == true && !isBefore ? "tag-earlier moved" : "tag-earlier");
        if (!isOnPaper)
            svg.Text(x + w - 8, y + 61, "", "tag-live end");
        svg.CloseLink();
    }

    private static string StateOf(bool isAsked, bool isEmpty, bool isBefore, ValidityLevel level) => (isAsked, isEmpty, isBefore) switch
    {
        (true, _, _) => "asked",
        (_, true, _) => "empty",
        (_, _, true) => "unusable before-work",
        _ => CircuitText.Class(level),
    };

    /// <summary>The value of the last visit that has one; a triangle marks a move beyond meter accuracy.</summary>
    private string EarlierText(PointRef point, TakenReading? reading, EarlierValue? earlier)
    {
        if (earlier is null)
            return reading is null ? "" : view.Clock.Time(reading.At);
        var mark = (earlier.Moved, reading?.Si > earlier.Si) switch { (true, true) => "▲ ", (true, false) => "▼ ", _ => "" };
        return $"{mark}was {view.Units.Value(point, earlier.Si)}";
    }
}
