using System.Globalization;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Plant;
using KeenEmber.Web.Drawing;
using KeenEmber.Web.Pages.Visits.Circuit;
using KeenEmber.Words;
using KeenEmber.Words.Benches.Charge;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Charge;

/// <summary>The circuit with a number at every place to search, in the order in which to look. A number is a link that chooses the place
/// in the form.</summary>
internal static class LeakMap
{
    private const double Radius = 15, Finger = 22;

    /// <summary>Free sheet above the coil and below the condenser.</summary>
    private const double Margin = 40;

    public static IHtmlContent DrawWide(VisitView view, IReadOnlyList<PlaceToSearch> places) =>
        Draw(view, places, MapLayout.Landscape(view.MakeUp, []));

    public static IHtmlContent DrawTall(VisitView view, IReadOnlyList<PlaceToSearch> places) =>
        Draw(view, places, MapLayout.Portrait(view.MakeUp, []));

    private static HtmlString Draw(VisitView view, IReadOnlyList<PlaceToSearch> places, MapLayout layout)
    {
        var hatch = $"leak-hatch-{layout.Name}";
        var (top, foot) = (layout.Coils[0].Y - Margin, layout.Condenser.Y + layout.Condenser.Height + Margin);
        var svg = new Svg().Open(layout.Width, foot - top, $"circuit-map leak-map {layout.Name}",
            $"Places to search on {view.Equipment.Tag}", top);
        svg.HatchPattern(hatch);
        new PartDrawing(svg, view, layout, hatch, labelsOnRiser: true).Draw();
        foreach (var (place, rank) in places.Select((p, i) => (p, i + 1)))
            DrawNumber(svg, place, rank, At(place.Place, layout, view.MakeUp));
        return svg.Close();
    }

    private static void DrawNumber(Svg svg, PlaceToSearch place, int rank, Spot at)
    {
        var state = place.Last is { } last ? last.Result.ToString().ToLowerInvariant() : "todo";
        var name = ChargeText.Name(place.Place);
        var words = place.Last is { } look ? ChargeText.Name(look.Result) : "not searched yet";
        svg.OpenLink($"?place={place.Place}#look", $"leak-place {state}", $"{rank}. {name}, {words}", $"data-place=\"{place.Place}\"");
        svg.Circle(at.X, at.Y, Finger, "leak-finger");
        svg.Circle(at.X, at.Y, Radius, "leak-mark");
        svg.Text(at.X, at.Y + 5, rank.ToString(CultureInfo.InvariantCulture), "leak-rank middle");
        svg.CloseLink();
    }

    /// <summary>The suction and discharge pipes of the narrow sheet stand beside the middle of the compressor.</summary>
    private const double TallPipeX = 336;

    /// <summary>Where on the drawing a place lies; beside the parts, so that these stay to be seen.</summary>
    private static Spot At(LeakPlace place, MapLayout map, CircuitMakeUp makeUp)
    {
        var (coil, condenser, compressor) = (map.Coils[0], map.Condenser, map.Compressor);
        var isRack = makeUp.Condenser == CondenserKind.Rack;
        var (pipe, low) = (map.IsWide ? compressor.X : TallPipeX, isRack ? map.Rack.Y - 60 : compressor.Y - map.CompressorRadius);
        return place switch
        {
            LeakPlace.CapOrCore => new(pipe, low - 56),
            LeakPlace.ProcessTube => new(pipe, low - 18),
            LeakPlace.ValveStem => new(pipe, low - 94),
            LeakPlace.RubOut => new(pipe, low - 132),
            LeakPlace.ControlCapillary => new(pipe - 44, low - 20),
            LeakPlace.Compressor => new(pipe, compressor.Y + map.CompressorRadius),
            LeakPlace.BrazedJoint => new(pipe, condenser.MiddleY - 50),
            LeakPlace.CondenserBend => new(condenser.X + condenser.Width, condenser.MiddleY),
            LeakPlace.EvaporatorBend => new(coil.X + coil.Width, coil.Y + 8),
            LeakPlace.FlareNut => new(coil.X - 36, coil.MiddleY),
            LeakPlace.DrierJoint => new(map.Drier.X + 26, map.Drier.Y),
            LeakPlace.SightGlass => new(map.SightGlass.X + (map.IsWide ? 28 : 62), map.SightGlass.Y),
            _ => new(map.Receiver.X + map.Receiver.Width + 18, map.Receiver.MiddleY + 10),
        };
    }
}
