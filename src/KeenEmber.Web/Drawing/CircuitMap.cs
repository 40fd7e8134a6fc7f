using System.Globalization;
using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;
using KeenEmber.Web.Wording;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Drawing;

/// <summary>The circuit of one unit as a drawing with a tag at every measuring point. The tags are links, so the drawing is also the form.</summary>
public sealed class CircuitMap(VisitView view, MapLayout layout)
{
    private readonly Svg svg = new();
    private readonly string hatch = $"hatch-{layout.Name}";

    private bool Wide => layout == MapLayout.Landscape;

    public static IHtmlContent Draw(VisitView view, MapLayout layout) => new CircuitMap(view, layout).Draw();

    private HtmlString Draw()
    {
        svg.Open(layout.Width, layout.Height, $"circuit-map {layout.Name}", $"Circuit of {view.Equipment.Tag}");
        svg.HatchPattern(hatch);
        foreach (var place in layout.Tags.Values)
            svg.Path(place.Thread, "thread");
        svg.Path(layout.LiquidPipe, "pipe liquid").Path(layout.DischargePipe, "pipe hot").Path(layout.SuctionPipe, "pipe cold");
        DrawCoil();
        DrawCondenser();
        DrawCompressor();
        if (view.Equipment.Circuit.HasReceiver)
        {
            var r = layout.Receiver;
            svg.Rect(r.X, r.Y, r.Width, r.Height, "part", r.Width / 2);
            if (Wide)
                svg.Text(r.X - 8, r.Y + r.Height / 2 + 5, "receiver", "quiet end");
        }

        DrawMetering();
        DrawMainResults();
        foreach (var point in MeasuringPoints.InWalkingOrder)
            DrawTag(point, layout.Tags[point]);
        return svg.Close();
    }

    private void DrawCoil()
    {
        var c = layout.Coil;
        svg.Rect(c.X, c.Y, c.Width, c.Height, "part", 3);
        for (var pass = 1; pass <= 4; pass++)
            svg.Line(c.X + 14, c.Y + pass * c.Height / 5, c.X + c.Width - 14, c.Y + pass * c.Height / 5, "pass cold");
        if (view.Conditions.Coil == FactState.Iced)
            svg.Hatched($"M{c.X} {c.Y} h{c.Width} v{c.Height} h-{c.Width} Z", hatch);

        var (x, y) = layout.EvaporatorFans;
        var fans = view.Conditions.EvaporatorFans;
        var drawn = Math.Min(fans.Count, 4);
        for (var fan = 0; fan < drawn; fan++)
        {
            if (Wide)
                DrawFan(x + fan * 34, y + 8, 12, fans[fan]);
            else
                DrawFan(x + fan * 27, y, 11, fans[fan]);
        }

        if (Wide)
        {
            svg.Text(x + drawn * 34 - 12, y + 13, CircuitText.Fans(fans), "quiet");
            svg.Text(c.X + 46, c.Y - 9, view.Conditions.Coil is { } coil ? $"coil {CircuitText.Name(coil)}" : "coil not looked at", "quiet");
        }
    }

    private void DrawFan(double x, double y, double radius, FactState? state)
    {
        svg.Circle(x, y, radius, state switch { FactState.Stopped => "fan stopped", null => "fan unknown", _ => "fan" });
        if (state == FactState.Stopped)
            svg.Line(x - radius, y + radius, x + radius, y - radius, "fan stopped");
        else if (state is not null)
            svg.Line(x - radius, y, x + radius, y, "fan").Line(x, y - radius, x, y + radius, "fan");
    }

    private void DrawCondenser()
    {
        var c = layout.Condenser;
        svg.Rect(c.X, c.Y, c.Width, c.Height, "part", 3);
        for (var pass = 1; pass <= 3; pass++)
            svg.Line(c.X + 14, c.Y + pass * c.Height / 4, c.X + c.Width - 14, c.Y + pass * c.Height / 4, "pass hot");
        if (view.Conditions.CondenserFace == FactState.Dirty)
            svg.Hatched($"M{c.X} {c.Y} h{c.Width} v{c.Height} h-{c.Width} Z", hatch);
        if (view.Equipment.Circuit.Condenser is CondenserKind.AirCooledRemote or CondenserKind.AirCooledSelfContained)
            DrawFan(layout.CondenserFan.X, layout.CondenserFan.Y, 12, view.Conditions.CondenserFan);
        if (Wide)
        {
            var face = view.Conditions.CondenserFace == FactState.Dirty ? "condenser, dirty" : "condenser";
            svg.Text(c.X + c.Width / 2, c.Y - 8, face, "quiet middle");
        }
    }

    private void DrawCompressor()
    {
        var (x, y, r) = layout.Compressor;
        svg.Circle(x, y, r, "part");
        svg.Line(x - r * 0.28, y - r * 0.72, x - r * 0.58, y + r * 0.55, "stroke").Line(x + r * 0.28, y - r * 0.72, x + r * 0.58, y + r * 0.55, "stroke");
        if (Wide)
            svg.Text(x + r + 10, y - 2, "compressor", "label").Text(x + r + 10, y + 17, CircuitText.Running(view.Conditions), "quiet");
        else
            svg.Text(x - r - 8, y - 2, "compressor", "label end").Text(x - r - 8, y + 17, CircuitText.Running(view.Conditions), "quiet end");
    }

    private void DrawMetering()
    {
        var (x, y) = layout.Metering;
        if (view.Equipment.Circuit.Metering == Metering.CapillaryTube)
            svg.Path(Invariant($"M{x - 34} {y} q5 -16 10 0 q5 16 10 0 q5 -16 10 0"), "capillary");
        else
            svg.Path(Invariant($"M{x - 16} {y - 14} L{x - 16} {y + 14} L{x + 12} {y - 14} L{x + 12} {y + 14} Z"), "part");
    }

    private static readonly ResultKind[] MainResults = [ResultKind.SuperheatCoil, ResultKind.Subcooling, ResultKind.EvaporatorTd];

    private void DrawMainResults()
    {
        if (view.Analysis is not { } analysis)
            return;
        var (x, y) = layout.Results;
        for (var i = 0; i < MainResults.Length; i++)
        {
            var result = analysis[MainResults[i]];
            var top = y + i * layout.ResultStep;
            var state = ValidityClass(result.Validity.Level);
            svg.Text(x, top + 12, CircuitText.Name(result.Kind), "quiet");
            svg.Text(x, top + 44, view.Units.Result(result), $"big {state}");
            if (!Wide)
            {
                svg.Text(x, top + 62, WordsUnder(result), "quiet");
                continue;
            }

            if (result.Value is null)
            {
                svg.Text(x + 40, top + 42, $"needs {CircuitText.List(result.Missing.Select(CircuitText.Name))}", "quiet");
                continue;
            }

            BandBar.Draw(svg, x + 124, top + 22, 96, result, view.Units);
            svg.Text(x + 228, top + 30, CircuitText.Position(result), "quiet");
            svg.Text(x + 228, top + 47, result.Validity.Level == ValidityLevel.Good ? "" : CircuitText.Name(result.Validity.Level), "label");
        }
    }

    /// <summary>Under a value on the narrow map: its place in the band and whether it counts, or what it needs.</summary>
    private static string WordsUnder(CircuitResult result) =>
        result.Value is null ? ""
        : result.Validity.Level == ValidityLevel.NotUsable ? CircuitText.Name(result.Validity.Level)
        : result.Validity.Level == ValidityLevel.Provisional ? $"{CircuitText.Position(result)}, prov."
        : CircuitText.Position(result);

    /// <summary>Style class of a validity, the same on tags, results and lists.</summary>
    public static string ValidityClass(ValidityLevel level) => level switch
    {
        ValidityLevel.Good => "counts",
        ValidityLevel.Provisional => "provisional",
        _ => "unusable",
    };

    private void DrawTag(MeasuringPoint point, TagPlace place)
    {
        var reading = view.Readings.GetValueOrDefault(point);
        var earlier = view.History[point].FirstOrDefault();
        var asked = view.Asked == point;
        var level = view.LevelOf(point);
        var state = asked ? "asked" : reading is null ? "empty" : ValidityClass(level);
        var value = reading is null ? "tap to log" : view.Units.Value(point, reading.Si);
        var third = EarlierText(point, reading, earlier);
        var spoken = $"{CircuitText.Name(point)} {value} {third}".Trim() + (reading is null ? "" : $", {CircuitText.Name(level)}");

        var (x, y, w, h) = (place.X, place.Y, layout.TagWidth, MapLayout.TagHeight);
        var outline = Invariant($"M{x} {y} H{x + w - 14} L{x + w} {y + 14} V{y + h} H{x} Z");
        svg.OpenLink($"?point={point}#point-form", $"tag {state}", spoken,
            $"data-point=\"{point}\" data-label=\"{CircuitText.Name(point)}\" data-hint=\"{Svg.Encode(TypingText.Example(point.Kind(), view.Shop.Units))}\" data-entry=\"{reading?.EntryId}\"");
        svg.Path(outline, "tag-edge");
        if (state == "unusable")
            svg.Hatched(outline, hatch);
        svg.Circle(x + w - 14, y + 17, 3.5, "eyelet");
        svg.Text(x + 10, y + 19, CircuitText.Name(point), "tag-label");
        svg.Text(x + 10, y + 42, value, reading is null ? "tag-empty" : "tag-value");
        if (third.Length > 0)
            svg.Text(x + 10, y + 61, third, earlier?.Moved == true ? "tag-earlier moved" : "tag-earlier");
        svg.CloseLink();
    }

    /// <summary>The value of the last visit that has one; a triangle marks a move beyond meter accuracy.</summary>
    private string EarlierText(MeasuringPoint point, TakenReading? reading, EarlierValue? earlier)
    {
        if (earlier is null)
            return reading is null ? "" : view.Clock.Time(reading.At);
        var mark = earlier.Moved != true ? "" : reading!.Si > earlier.Si ? "▲ " : "▼ ";
        return $"{mark}was {view.Units.Value(point, earlier.Si)}";
    }

    private static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
