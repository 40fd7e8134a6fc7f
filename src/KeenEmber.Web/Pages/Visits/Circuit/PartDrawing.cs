using System.Globalization;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Web.Drawing;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Web.Pages.Visits.Circuit;

/// <summary>The pipes and parts of a circuit, each in the state it was seen in. A stopped or shut part is crossed in ember, ice and dirt
/// are hatched.</summary>
/// <param name="labelsOnRiser">False when a tag stands where the words beside the liquid line would.</param>
internal sealed class PartDrawing(Svg svg, VisitView view, MapLayout layout, string hatch, bool labelsOnRiser)
{
    private CircuitMakeUp MakeUp => view.MakeUp;

    private bool IsRack => MakeUp.Condenser == CondenserKind.Rack;

    private OperatingConditions Now => view.Conditions;

    public void Draw()
    {
        DrawPipes();
        for (var coil = 0; coil < layout.Coils.Count; coil++)
            DrawCoil(layout.Coils[coil], coil);
        DrawEvaporatorFans();
        DrawSuctionValves();
        DrawRiser();
        if (IsRack)
        {
            DrawRack();
            return;
        }

        DrawCondenser();
        DrawCompressor();
    }

    private void DrawPipes()
    {
        // Side branches first, so that the main run closes over their ends.
        foreach (var branch in layout.LiquidPipes.Skip(1))
            svg.Path(branch, "pipe liquid");
        foreach (var branch in layout.SuctionPipes.Skip(1))
            svg.Path(branch, "pipe cold");
        svg.Path(IsRack ? layout.LiquidFromRack : layout.LiquidPipes[0], "pipe liquid");
        if (!IsRack)
            svg.Path(layout.DischargePipe, "pipe hot");
        svg.Path(IsRack ? layout.SuctionToRack : layout.SuctionPipes[0], "pipe cold");
        if (MakeUp.Has(CircuitParts.HeadPressureValve) && !IsRack)
        {
            svg.Path(layout.HeadValveBypass, "pipe bypass");
            DrawValve(layout.HeadValve, upright: false, shut: false);
            if (layout.IsWide)
                svg.Text(layout.HeadValve.X + 6, layout.HeadValve.Y + 30, "head valve", "quiet end");
        }
    }

    private void DrawCoil(Box c, int index)
    {
        if (MakeUp.Kind == EquipmentKind.GlycolChiller)
            DrawBath(c);
        svg.Rect(c.X, c.Y, c.Width, c.Height, "part", 3);
        for (var pass = 1; pass <= 4; pass++)
            svg.Line(c.X + 14, c.Y + pass * c.Height / 5, c.X + c.Width - 14, c.Y + pass * c.Height / 5, "pass cold");
        var state = StateAt(AsFound.Coil, index);
        if (state == FactState.Iced)
            svg.Hatched(Outline(c), hatch);
        if (layout.IsWide)
        {
            var name = layout.Coils.Count == 1 ? "coil" : EquipmentText.Coil(MakeUp.Kind, index + 1);
            svg.Text(c.X + (layout.Coils.Count == 1 ? 46 : 50), c.Y - 9,
                (Now.Defrost, state) switch
                {
                    (FactState.Defrosting, _) => $"{name} in defrost",
                    (_, { } seen) => $"{name} {FactText.Name(seen)}",
                    _ => $"{name} not looked at",
                }, "quiet");
        }

        DrawMetering(new(c.X, c.MiddleY), StateAt(AsFound.ValveBody, index));
    }

    /// <summary>A fact that each of several coils has of its own.</summary>
    private FactState? StateAt(AsFound fact, int coil) =>
        layout.Coils.Count == 1 ? Now.StateOf(fact) : view.Timeline.FactAt(fact, coil + 1, view.Now)?.State;

    /// <summary>The tank round a chiller's coil, with its level and pump.</summary>
    private void DrawBath(Box c)
    {
        svg.Rect(c.X - 12, c.Y - 4, c.Width + 24, c.Height + 16, "part bath", 2);
        svg.Line(c.X - 12, c.Y + 6, c.X + c.Width + 12, c.Y + 6, "pass cold");
        svg.Circle(c.X + c.Width + 4, c.Y + c.Height + 18, 9, "part");
        if (layout.IsWide)
            svg.Text(c.X + c.Width + 18, c.Y + c.Height + 24, "pump", "quiet");
    }

    private void DrawMetering(Spot at, FactState? seen)
    {
        var (x, y) = at;
        if (MakeUp.Metering == Metering.CapillaryTube)
        {
            svg.Path(Path($"M{x - 34} {y} q5 -16 10 0 q5 16 10 0 q5 -16 10 0"), "capillary");
        }
        else
        {
            DrawValve(new(x - 2, y), upright: false, shut: false);
            if (MakeUp.Metering == Metering.ElectronicValve)
                svg.Rect(x - 9, y - 26, 14, 10, "part").Line(x - 2, y - 16, x - 2, y, "stroke");
            else
                svg.Path(Path($"M{x - 2} {y} V{y - 16} q0 -5 5 -5"), "capillary");
        }

        if (seen == FactState.IceBall)
            svg.Circle(x - 2, y, 20, "stroke bubble").Hatched(Outline(new(x - 18, y - 16, 32, 32)), hatch);
    }

    private void DrawEvaporatorFans()
    {
        var first = layout.Coils[^1];
        var fans = Now.EvaporatorFans;
        var drawn = Math.Min(fans.Count, layout.Coils.Count == 1 ? 4 : 3);
        for (var fan = 0; fan < drawn; fan++)
        {
            if (layout.IsWide)
                DrawFan(new(first.X + 16 + fan * 34, first.Y + first.Height + (layout.Coils.Count == 1 ? 30 : 18)), layout.Coils.Count == 1
                    ? 12 : 10, fans[fan]);
            else
                DrawFan(new(first.X - 56 + fan * 27, first.Y + first.Height + 16), 11, fans[fan]);
        }

        if (layout.IsWide && MakeUp.Kind != EquipmentKind.GlycolChiller)
            svg.Text(
                first.X + 4 + drawn * 34, first.Y + first.Height + (layout.Coils.Count == 1 ? 35 : 23), CircuitText.Fans(fans), "quiet");
    }

    private void DrawFan(Spot at, double radius, FactState? state)
    {
        var (x, y) = at;
        svg.Circle(x, y, radius, state switch { FactState.Stopped => "fan stopped", null => "fan unknown", _ => "fan" });
        if (state == FactState.Stopped)
            svg.Line(x - radius, y + radius, x + radius, y - radius, "fan stopped");
        else if (state is not null)
            svg.Line(x - radius, y, x + radius, y, "fan").Line(x, y - radius, x, y + radius, "fan");
    }

    private void DrawSuctionValves()
    {
        if (MakeUp.Has(CircuitParts.EvaporatorPressureRegulator))
        {
            DrawValve(layout.Regulator, upright: false, shut: false);
            svg.Path(Path($"M{layout.Regulator.X} {layout.Regulator.Y} v-10 l5 -3 l-10 -4 l10 -4"), "capillary");
            if (layout.IsWide)
                svg.Text(layout.Regulator.X, layout.Regulator.Y + 30, "regulator", "quiet middle");
        }

        if (MakeUp.Has(CircuitParts.SuctionStop))
        {
            var shut = Now.StateOf(AsFound.SuctionStop) == FactState.Closed;
            DrawValve(layout.SuctionStop, upright: false, shut);
            if (layout.IsWide)
                svg.Text(layout.SuctionStop.X, layout.SuctionStop.Y - 16, shut ? "stop shut" : "stop", "quiet middle");
        }
    }

    /// <summary>What stands in the liquid line on its way up to the coil.</summary>
    private void DrawRiser()
    {
        if (MakeUp.Has(CircuitParts.Receiver) && !IsRack)
        {
            var r = layout.Receiver;
            svg.Rect(r.X, r.Y, r.Width, r.Height, "part", r.Width / 2);
            Label(r.MiddleY, "receiver");
        }

        var drier = layout.Drier;
        svg.Rect(drier.X - 9, drier.Y - 13, 18, 26, "part", 2).Line(drier.X - 9, drier.Y + 13, drier.X + 9, drier.Y - 13, "stroke");
        Label(drier.Y, "drier");
        if (MakeUp.Has(CircuitParts.Receiver))
        {
            var glass = layout.SightGlass;
            var seen = Now.StateOf(AsFound.SightGlass);
            svg.Circle(glass.X, glass.Y, 10, "part");
            if (seen == FactState.Bubbles)
                svg.Circle(glass.X - 3, glass.Y + 3, 2.5, "stroke bubble").Circle(glass.X + 4, glass.Y, 2.5, "stroke bubble")
                    .Circle(glass.X - 2, glass.Y - 4, 2, "stroke bubble");
            Label(glass.Y, seen is { } state ? $"glass {FactText.Name(state)}" : "sight glass");
        }

        if (MakeUp.Has(CircuitParts.LiquidSolenoid))
        {
            var seen = Now.StateOf(AsFound.LiquidSolenoid);
            DrawValve(layout.LiquidSolenoid, upright: true, seen == FactState.Closed);
            Label(layout.LiquidSolenoid.Y, seen == FactState.Closed ? "solenoid shut" : "solenoid");
        }
    }

    private void Label(double y, string words)
    {
        if (layout.IsWide && labelsOnRiser)
            svg.Text(layout.RiserX - 30, y + 5, words, "quiet end");
    }

    /// <summary>Two triangles point to point; crossed when it is shut.</summary>
    private void DrawValve(Spot at, bool upright, bool shut)
    {
        var (x, y) = at;
        svg.Path(upright
            ? Path($"M{x - 11} {y - 13} H{x + 11} L{x - 11} {y + 13} H{x + 11} Z")
            : Path($"M{x - 13} {y - 11} V{y + 11} L{x + 13} {y - 11} V{y + 11} Z"), "part");
        if (shut)
            svg.Line(x - 15, y + 15, x + 15, y - 15, "fan stopped");
    }

    private void DrawCondenser()
    {
        var c = layout.Condenser;
        svg.Rect(c.X, c.Y, c.Width, c.Height, "part", 3);
        for (var pass = 1; pass <= 3; pass++)
            svg.Line(c.X + 14, c.Y + pass * c.Height / 4, c.X + c.Width - 14, c.Y + pass * c.Height / 4, "pass hot");
        if (Now.CondenserFace is FactState.Dirty or FactState.Blocked)
            svg.Hatched(Outline(c), hatch);
        if (MakeUp.Condenser == CondenserKind.WaterCooled)
            DrawWater(c);
        else
            DrawCondenserFan();
        if (layout.IsWide && MakeUp.Condenser != CondenserKind.WaterCooled)
        {
            var face = Now.CondenserFace is { } state and not FactState.Clean ? $"condenser, {FactText.Name(state)}" : "condenser";
            if (MakeUp.Has(CircuitParts.HeadPressureValve) || layout.Coils.Count > 1)
                svg.Text(c.X + c.Width + 8, c.Y + c.Height - 4, face, "quiet");
            else
                svg.Text(c.MiddleX, c.Y - 8, face, "quiet middle");
        }
    }

    private void DrawCondenserFan()
    {
        var fan = layout.CondenserFan;
        if (MakeUp.Has(CircuitParts.FanCyclingControl))
        {
            svg.Line(fan.X, fan.Y, fan.X + 34, fan.Y, "thread").Rect(fan.X + 34, fan.Y - 9, 18, 18, "part");
            svg.Text(fan.X + 43, fan.Y + 5, "P", "label middle");
            if (layout.IsWide)
                svg.Text(fan.X + 14, fan.Y - 16, "fan control", "quiet");
        }

        DrawFan(fan, 12, Now.CondenserFan);
    }

    /// <summary>Water through the condenser, with the valve that head pressure opens.</summary>
    private void DrawWater(Box c)
    {
        var (inX, outX, top) = (c.X + c.Width * 0.25, c.X + c.Width * 0.75, c.Y - (layout.IsWide ? 34 : 14));
        svg.Path(Path($"M{inX} {top} V{c.Y}"), "pipe cold").Path(Path($"M{outX} {c.Y} V{top}"), "pipe cold");
        DrawValve(new(inX, top + 14), upright: true, shut: false);
        if (layout.IsWide)
            svg.Text(inX - 18, top + 18, "water valve", "quiet end").Text(outX + 12, top + 18, "water off", "quiet");
    }

    private void DrawCompressor()
    {
        var (x, y) = layout.Compressor;
        var r = layout.CompressorRadius;
        svg.Circle(x, y, r, Now.Compressor == FactState.Stopped ? "fan stopped" : "part");
        svg.Line(x - r * 0.28, y - r * 0.72, x - r * 0.58, y + r * 0.55, "stroke")
            .Line(x + r * 0.28, y - r * 0.72, x + r * 0.58, y + r * 0.55, "stroke");
        var shell = Now.StateOf(AsFound.CompressorShell) is { } seen ? $", {FactText.Name(seen)}" : "";
        var side = layout.IsWide ? "" : " end";
        svg.Text(layout.CompressorLabel.X, layout.CompressorLabel.Y, $"compressor{shell}", $"label{side}");
        svg.Text(layout.CompressorLabel.X, layout.CompressorLabel.Y + 19, CircuitText.Running(Now), $"quiet{side}");
    }

    private void DrawRack()
    {
        var r = layout.Rack;
        svg.Rect(r.X, r.Y, r.Width, r.Height, "part dashed", 3);
        svg.Text(r.MiddleX, r.MiddleY - 6, "central rack", "label middle");
        svg.Text(r.MiddleX, r.MiddleY + 14, "in its own room", "quiet middle");
    }

    private static string Outline(Box b) => Path($"M{b.X} {b.Y} h{b.Width} v{b.Height} h-{b.Width} Z");

    private static string Path(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
