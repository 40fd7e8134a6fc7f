using System.Text;
using SkiaSharp;

namespace KeenEmber.Storage.Tests;

/// <summary>Photos: the right way up, nothing in them but the picture, and nothing kept that is none.</summary>
public sealed class PhotoTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;
    private readonly PhotoStore store;

    public PhotoTests() => store = new(folder);

    public void Dispose() => Directory.Delete(folder, recursive: true);

    /// <summary>A picture with a red upper left quarter on white.</summary>
    private static byte[] Picture(int width = 800, int height = 400, SKEncodedImageFormat format = SKEncodedImageFormat.Jpeg)
    {
        using var bitmap = new SKBitmap(width, height);
        using (var canvas = new SKCanvas(bitmap))
        {
            canvas.Clear(SKColors.White);
            using var red = new SKPaint { Color = SKColors.Red };
            canvas.DrawRect(0, 0, width / 2f, height / 2f, red);
        }

        using var data = bitmap.Encode(format, 95);
        return data.ToArray();
    }

    /// <summary>The same JPEG with an EXIF segment: an orientation, and a place it was taken at.</summary>
    private static byte[] WithExif(byte[] jpeg, byte orientation)
    {
        var tiff = new List<byte>(Encoding.ASCII.GetBytes("II")) { 42, 0, 8, 0, 0, 0, 1, 0, 0x12, 1, 3, 0, 1, 0, 0, 0, orientation, 0, 0, 0, 0, 0, 0, 0 };
        tiff.AddRange(Encoding.ASCII.GetBytes("GPS 54.1N 2.3W"));
        byte[] body = [.. Encoding.ASCII.GetBytes("Exif\0\0"), .. tiff];
        return [0xff, 0xd8, 0xff, 0xe1, (byte)((body.Length + 2) >> 8), (byte)(body.Length + 2), .. body, .. jpeg.AsSpan(2)];
    }

    private SKBitmap Kept(string hash, bool isSmall = false) => SKBitmap.Decode(store.Find(hash, isSmall)!);

    private static bool IsRed(SKBitmap picture, double x, double y) =>
        picture.GetPixel((int)(x * picture.Width), (int)(y * picture.Height)) is { Red: > 200, Green: < 80, Blue: < 80 };

    [Theory]
    [InlineData(1, 800, 400, 0.2, 0.2)]
    [InlineData(2, 800, 400, 0.8, 0.2)]
    [InlineData(3, 800, 400, 0.8, 0.8)]
    [InlineData(4, 800, 400, 0.2, 0.8)]
    [InlineData(5, 400, 800, 0.2, 0.2)]
    [InlineData(6, 400, 800, 0.8, 0.2)]
    [InlineData(7, 400, 800, 0.8, 0.8)]
    [InlineData(8, 400, 800, 0.2, 0.8)]
    public void It_is_turned_the_right_way_up_and_forgets_where_it_was_taken(byte orientation, int width, int height, double redX, double redY)
    {
        var file = WithExif(Picture(), orientation);
        Assert.Contains("GPS", Encoding.Latin1.GetString(file), StringComparison.Ordinal);
        var kept = store.Keep(file)!;
        Assert.Equal((width, height), (kept.Width, kept.Height));
        using var picture = Kept(kept.Hash);
        foreach (var (x, y) in new[] { (0.2, 0.2), (0.8, 0.2), (0.2, 0.8), (0.8, 0.8) })
            Assert.Equal((x, y) == (redX, redY), IsRed(picture, x, y));
        foreach (var path in Directory.GetFiles(Path.Combine(folder, "photos")))
        {
            var text = Encoding.Latin1.GetString(File.ReadAllBytes(path));
            Assert.DoesNotContain("GPS", text, StringComparison.Ordinal);
            Assert.DoesNotContain("Exif", text, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void The_same_photo_is_kept_once_with_a_small_one_beside_it()
    {
        var (first, second) = (store.Keep(Picture())!, store.Keep(Picture())!);
        Assert.Equal(first, second);
        Assert.Equal(2, Directory.GetFiles(Path.Combine(folder, "photos")).Length);
        using var small = Kept(first.Hash, isSmall: true);
        Assert.Equal((320, 160), (small.Width, small.Height));
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Webp)]
    public void Other_kinds_of_picture_become_the_same_kind(SKEncodedImageFormat format)
    {
        using var picture = Kept(store.Keep(Picture(format: format))!.Hash);
        Assert.True(IsRed(picture, 0.2, 0.2));
    }

    [Fact]
    public void A_huge_one_is_made_no_larger_than_is_of_use() => Assert.Equal((2400, 1200), store.Keep(Picture(5000, 2500)) is { } p ? (p.Width, p.Height) : default);

    [Fact]
    public void What_is_no_picture_or_a_broken_one_is_refused()
    {
        var whole = Picture();
        Assert.Null(store.Keep([]));
        Assert.Null(store.Keep(Encoding.UTF8.GetBytes("<svg onload='alert(1)'/>")));
        Assert.Null(store.Keep(whole[..(whole.Length / 3)]));
        Assert.Empty(Directory.GetFiles(Path.Combine(folder, "photos")));
    }

    [Theory]
    [InlineData("../keen-ember.db")]
    [InlineData("ffff")]
    [InlineData("0000000000000000000000000000000000000000000000000000000000000000")]
    public void Only_what_was_kept_is_found(string name) => Assert.Null(store.Find(name, isSmall: false));
}
