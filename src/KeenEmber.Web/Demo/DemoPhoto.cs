using SkiaSharp;

namespace KeenEmber.Web.Demo;

/// <summary>Drawn stand-ins for photos, so that the demo shows where photos go without showing anybody's machine.</summary>
internal static class DemoPhoto
{
    private const int Width = 960;
    private const int Height = 720;

    /// <summary>A coil's face, iced behind one fan.</summary>
    public static byte[] IcedCoil() => Draw(canvas =>
    {
        canvas.Clear(new(0x5a, 0x66, 0x6c));
        using var fin = new SKPaint { Color = new(0xb9, 0xc4, 0xc8), StrokeWidth = 3 };
        for (var x = 60; x < Width - 60; x += 12)
            canvas.DrawLine(x, 80, x, Height - 80, fin);
        using var ice = new SKPaint { Color = new(0xf2, 0xf8, 0xfb, 0xe6), IsAntialias = true };
        for (var n = 0; n < 70; n++)
            canvas.DrawCircle(520 + n % 10 * 36 + n % 3 * 9, 120 + n / 10 * 78 + n % 4 * 11, 34 + n % 5 * 6, ice);
    });

    /// <summary>A terminal strip with its wires.</summary>
    public static byte[] Terminals() => Draw(canvas =>
    {
        canvas.Clear(new(0x8c, 0x93, 0x8f));
        using var block = new SKPaint { Color = new(0x24, 0x2a, 0x2e) };
        using var screw = new SKPaint { Color = new(0xd8, 0xd2, 0xb8), IsAntialias = true };
        canvas.DrawRect(80, 300, Width - 160, 150, block);
        SKColor[] colours =
            [new(0x20, 0x20, 0x20), new(0xb0, 0x30, 0x20), new(0x30, 0x60, 0xb0), new(0xe0, 0xb0, 0x30), new(0xf0, 0xf0, 0xf0),
            new(0x70, 0x40, 0x20)];
        for (var n = 0; n < colours.Length; n++)
        {
            var x = 150 + n * 130;
            using var wire = new SKPaint { Color = colours[n], StrokeWidth = 14, IsAntialias = true };
            canvas.DrawLine(x, 375, x + (n % 2 == 0 ? -40 : 30), n % 2 == 0 ? 40 : 690, wire);
            canvas.DrawCircle(x, 375, 26, screw);
        }
    });

    private static byte[] Draw(Action<SKCanvas> draw)
    {
        using var picture = new SKBitmap(Width, Height);
        using (var canvas = new SKCanvas(picture))
            draw(canvas);
        using var data = picture.Encode(SKEncodedImageFormat.Jpeg, 85);
        return data.ToArray();
    }
}
