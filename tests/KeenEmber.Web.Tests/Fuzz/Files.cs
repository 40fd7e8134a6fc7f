using System.Globalization;
using System.Text;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>Files as loggers and cameras make them, and as they do not.</summary>
internal sealed class Files(Random random, Inputs inputs)
{
    /// <summary>Rows of a logger in one of many ways of writing them.</summary>
    public string Table()
    {
        var separator = inputs.Of([",", ";", "\t"]);
        var (columns, rows) = (random.Next(1, 5), random.Next(0, 40));
        var text =
            new StringBuilder(
            string.Join(
            separator,
            Enumerable.Range(0, columns)
            .Select(i =>
            i == 0 ? inputs.Of(["time", "date", "min", "=time", "timestamp"])
            : inputs.Of(["coldest bend", "leg 1 (A)", "box °F", "volts", inputs.Text(0.5)]))));
        var start = inputs.Of<DateTime>([new(2026, 3, 9, 22, 0, 0), new(2026, 10, 25, 2, 30, 0), new(1999, 12, 31), new(2026, 12, 11)]);
        var format =
            inputs.Of(
            ["yyyy-MM-dd HH:mm:ss", "yyyy-MM-ddTHH:mm:ssZ", "yyyy-MM-ddTHH:mm:sszzz", "MM/dd/yyyy h:mm tt", "dd.MM.yyyy HH:mm", "HH:mm"]);
        for (var i = 0; i < rows; i++)
        {
            text.Append('\n')
                .Append(inputs.Chance(0.03) ? inputs.Text(1) : start.AddMinutes(i * 2).ToString(format, CultureInfo.InvariantCulture));
            for (var c = 1; c < columns; c++)
                text.Append(separator).Append(inputs.Text(0.05));
        }

        return text.ToString();
    }

    /// <summary>A small picture, sometimes cut off.</summary>
    public byte[] Picture()
    {
        using var bitmap = new SkiaSharp.SKBitmap(random.Next(1, 300), random.Next(1, 300));
        bitmap.Erase(SkiaSharp.SKColors.SeaGreen);
        using var data = bitmap.Encode(SkiaSharp.SKEncodedImageFormat.Png, 100);
        var bytes = data.ToArray();
        return inputs.Chance(0.3) ? bytes[..random.Next(bytes.Length)] : bytes;
    }
}
