using System.Globalization;
using KeenEmber.Core.Visits;
using Microsoft.AspNetCore.Html;

namespace KeenEmber.Web.Drawing;

/// <summary>A signature as it was drawn.</summary>
public static class SignatureDrawing
{
    public static IHtmlContent Draw(SignatureEntry signature)
    {
        var strokes = SignatureEntry.Read(signature.Strokes) ?? [];
        var path =
            string.Concat(
            strokes.Where(s => s.Count > 0)
            .Select(s => "M" + string.Join('L', s.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.X} {p.Y}")))));
        return path.Length == 0 ? HtmlString.Empty
            : new HtmlString($"""
                <svg class="signature-drawn" viewBox="0 0 {SignatureEntry.Width} {SignatureEntry.Height}" role="img" aria-label="signature">
                <path class="signature-ink" d="{path}"/></svg>
                """);
    }
}
