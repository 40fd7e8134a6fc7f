using KeenEmber.Core.Benches.Frost;
using KeenEmber.Web.Drawing;
using KeenEmber.Words.Benches.Frost;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Pages.Visits.Frost;

/// <summary>A coil's face as a grid of cells: clear is empty, frost hatched, ice crossed; never by colour alone.</summary>
public static class FrostFace
{
    private const double Cell = 58;
    private const double Left = 30;
    private const double Top = 26;

    /// <summary>The picture to paint on: every cell is a button for finger, pen and keys.</summary>
    public static IHtmlContent ToPaint(FrostPicture picture) => Draw(picture, "frost-face", paint: true, "paint");

    public static IHtmlContent ToShow(FrostPicture picture, string label) => Draw(picture, "frost-face small", paint: false, label);

    private static HtmlString Draw(FrostPicture picture, string cssClass, bool paint, string label)
    {
        var hatch = "frost-" + string.Concat(label.Where(char.IsLetterOrDigit));
        var svg = new Svg()
            .Open(Left + FrostPicture.Columns * Cell + 14, Top + FrostPicture.Rows * Cell + 12, cssClass, paint
            ? "Coil face, inlet at the left" : $"Coil face {label}: {FrostText.Summary(picture)}");
        svg.HatchPattern(hatch);
        svg.Text(Left, 17, "inlet side", "axis").Text(Left + FrostPicture.Columns * Cell, 17, "far side", "axis end");
        for (var row = 0; row < FrostPicture.Rows; row++)
        {
            for (var column = 0; column < FrostPicture.Columns; column++)
            {
                var (x, y) = (Left + column * Cell, Top + row * Cell);
                var state = picture.At(row, column);
                svg.OpenGroup($"cell s{(int)state}", paint
                    ? $"tabindex=\"0\" role=\"button\" data-cell=\"{row * FrostPicture.Columns + column}\" aria-label=\"pass "
                        + $"{row + 1}, section {column + 1}: {FrostText.Name(state)}\"" : "");
                svg.Rect(x, y, Cell, Cell, "cell-box");
                svg.Rect(x, y, Cell, Cell, "cell-frost", fill: $"url(#{hatch})");
                svg.Line(x + 10, y + 10, x + Cell - 10, y + Cell - 10, "cell-ice")
                    .Line(x + Cell - 10, y + 10, x + 10, y + Cell - 10, "cell-ice");
                svg.CloseGroup();
            }
        }

        return svg.Close();
    }
}
