using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Drawing;

/// <summary>Writes SVG marks. Colours and line weights come from the style sheet through class names; only places are written
/// here.</summary>
public sealed class Svg
{
    private readonly StringBuilder text = new();

    /// <param name="top">Where the part of the sheet that is shown begins.</param>
    public Svg Open(double width, double height, string cssClass, string label, double top = 0)
    {
        text.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"{cssClass}\" viewBox=\"0 {top} {width} {height}\" role=\"group\" aria-label=\"{Encode(label)}\">");
        return this;
    }

    public HtmlString Close() => new(text.Append("</svg>").ToString());

    public Svg Path(string d, string cssClass) => Raw($"<path d=\"{d}\" class=\"{cssClass}\"/>");

    public Svg Line(double x1, double y1, double x2, double y2, string cssClass) =>
        Raw(string.Create(
            CultureInfo.InvariantCulture,
            $"<line x1=\"{x1:0.##}\" y1=\"{y1:0.##}\" x2=\"{x2:0.##}\" y2=\"{y2:0.##}\" class=\"{cssClass}\"/>"));

    /// <param name="fill">A pattern to fill with; otherwise the style sheet decides.</param>
    public Svg Rect(double x, double y, double width, double height, string cssClass, double radius = 0, string? fill = null) =>
        Raw(string.Create(
            CultureInfo.InvariantCulture,
            $"<rect x=\"{x:0.##}\" y=\"{y:0.##}\" width=\"{width:0.##}\" height=\"{height:0.##}\" rx=\"{radius}\" "
            + $"class=\"{cssClass}\"{(fill is null ? "" : $" fill=\"{fill}\"")}/>"));

    public Svg OpenGroup(string cssClass, string data) => Raw($"<g class=\"{cssClass}\" {data}>");

    public Svg CloseGroup() => Raw("</g>");

    public Svg Circle(double x, double y, double radius, string cssClass) =>
        Raw(string.Create(
            CultureInfo.InvariantCulture, $"<circle cx=\"{x:0.##}\" cy=\"{y:0.##}\" r=\"{radius:0.##}\" class=\"{cssClass}\"/>"));

    public Svg Text(double x, double y, string content, string cssClass) =>
        Raw(string.Create(
            CultureInfo.InvariantCulture, $"<text x=\"{x:0.##}\" y=\"{y:0.##}\" class=\"{cssClass}\">{Encode(content)}</text>\n"));

    /// <summary>A link round marks; its label is what a screen reader says instead of them.</summary>
    public Svg OpenLink(string href, string cssClass, string label, string data = "") =>
        Raw($"<a href=\"{Encode(href)}\" class=\"{cssClass}\" aria-label=\"{Encode(label)}\" {data}>");

    public Svg CloseLink() => Raw("</a>");

    /// <summary>The hatching for what does not count; its id must be unique on the page.</summary>
    public Svg HatchPattern(string id) => Raw(
        $"<defs><pattern id=\"{id}\" width=\"7\" height=\"7\" patternUnits=\"userSpaceOnUse\" patternTransform=\"rotate(45)\"><line "
            + "x1=\"0\" y1=\"0\" x2=\"0\" y2=\"7\" class=\"hatch-line\"/></pattern></defs>");

    /// <summary>A box filled with a hatch pattern over its sheet.</summary>
    public Svg Hatched(string d, string patternId) => Raw($"<path d=\"{d}\" fill=\"url(#{patternId})\"/>");

    public static string Encode(string content) => HtmlEncoder.Default.Encode(content);

    private Svg Raw(string mark)
    {
        text.Append(mark);
        return this;
    }
}
