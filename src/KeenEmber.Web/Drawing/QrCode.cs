using Microsoft.AspNetCore.Html;
using QRCoder;

namespace KeenEmber.Web.Drawing;

/// <summary>An address to be opened with a phone's camera.</summary>
public static class QrCode
{
    /// <summary>Side of one module of the code in the drawing, units of it.</summary>
    private const int ModuleSize = 4;

    /// <summary>Black on white, in the dark too: cameras want it so.</summary>
    public static IHtmlContent Draw(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return new HtmlString(
            code.GetGraphic(ModuleSize, "#000000", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute));
    }
}
