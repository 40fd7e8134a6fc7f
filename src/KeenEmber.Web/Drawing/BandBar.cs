using System.Globalization;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Words;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Drawing;

/// <summary>A value on its target band: the band as a filled stretch, the value as a mark, the band's ends in figures.</summary>
public static class BandBar
{
    private const double Height = 12;

    /// <summary>A bar of its own, for lists.</summary>
    public static IHtmlContent Alone(CircuitResult result, UnitText units)
    {
        var svg = new Svg().Open(170, 34, "band", Label(result, units));
        Draw(svg, 2, 3, 166, result, units);
        return svg.Close();
    }

    /// <summary>The bar at a place of a larger drawing; nothing without a value or a band.</summary>
    public static void Draw(Svg svg, double x, double y, double width, CircuitResult result, UnitText units)
    {
        if (result.Value is not { } value || result.Band is not { } band)
            return;
        var span = band.High - band.Low;
        var from = Math.Min(Math.Max(0, band.Low - span), value - span * 0.15);
        var to = Math.Max(band.High + span, value + span * 0.15);
        double At(double v) => x + (v - from) / (to - from) * width;

        svg.Rect(x, y, width, Height, "band-track");
        svg.Rect(At(band.Low), y, At(band.High) - At(band.Low), Height, "band-target");
        var mark = result.Validity.Level switch
        {
            ValidityLevel.Good => "band-mark",
            ValidityLevel.Provisional => "band-mark dashed",
            _ => "band-mark dotted",
        };
        svg.Line(At(value), y - 3, At(value), y + Height + 3, mark);
        // A narrow band keeps its two figures apart: one ends where it begins, the other begins where it ends.
        svg.Text(At(band.Low) + 4, y + Height + 15, Figure(band.Low, result, units), "band-figure end");
        svg.Text(At(band.High) - 4, y + Height + 15, Figure(band.High, result, units), "band-figure");
    }

    private static string Figure(double value, CircuitResult result, UnitText units)
    {
        var shown = units.OnScale(result.Quantity, value);
        return shown.ToString(result.Quantity == ResultQuantity.Ratio ? "0.#" : "0", CultureInfo.InvariantCulture);
    }

    private static string Label(CircuitResult result, UnitText units) => result is { Value: not null, Band: { } band }
        ? $"{units.Result(result)}, target {units.Band(result.Quantity, band)}" : "no target band";
}
