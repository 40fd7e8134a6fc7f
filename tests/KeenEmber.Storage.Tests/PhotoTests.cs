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

        if (format != SKEncodedImageFormat.Png)
        {
            using var data = bitmap.Encode(format, 95);
            return data.ToArray();
        }

        using var quick = bitmap.PeekPixels().Encode(new SKPngEncoderOptions(SKPngEncoderFilterFlags.None, 1))!;
        return quick.ToArray();
    }

    /// <summary>The same JPEG with an EXIF segment: an orientation, and a place it was taken at.</summary>
    private static byte[] WithExif(byte[] jpeg, byte orientation)
    {
        var tiff =
            new List<byte>(
            Encoding.ASCII.GetBytes("II")) { 42, 0, 8, 0, 0, 0, 1, 0, 0x12, 1, 3, 0, 1, 0, 0, 0, orientation, 0, 0, 0, 0, 0, 0, 0 };
        tiff.AddRange(Encoding.ASCII.GetBytes("GPS 54.1N 2.3W"));
        byte[] body = [.. Encoding.ASCII.GetBytes("Exif\0\0"), .. tiff];
        return [0xff, 0xd8, 0xff, 0xe1, (byte)((body.Length + 2) >> 8), (byte)(body.Length + 2), .. body, .. jpeg.AsSpan(2)];
    }

    private KeptPhoto? Keep(byte[] file) => store.Keep(new MemoryStream(file));

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
    public void It_is_turned_the_right_way_up_and_forgets_where_it_was_taken(
        byte orientation, int width, int height, double redX, double redY)
    {
        var file = WithExif(Picture(), orientation);
        Assert.Contains("GPS", Encoding.Latin1.GetString(file), StringComparison.Ordinal);
        var kept = Keep(file)!;
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
        var (first, second) = (Keep(Picture())!, Keep(Picture())!);
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
        using var picture = Kept(Keep(Picture(format: format))!.Hash);
        Assert.True(IsRed(picture, 0.2, 0.2));
    }

    [Fact]
    public void A_huge_one_is_made_no_larger_than_is_of_use() =>
        Assert.Equal((2400, 1200), Keep(Picture(5000, 2500)) is { } p ? (p.Width, p.Height) : default);

    [Fact]
    public void What_is_no_picture_or_a_broken_one_is_refused()
    {
        var whole = Picture();
        Assert.Null(Keep([]));
        Assert.Null(Keep(Encoding.UTF8.GetBytes("<svg onload='alert(1)'/>")));
        Assert.Null(Keep(whole[..(whole.Length / 3)]));
        Assert.Empty(Directory.GetFiles(Path.Combine(folder, "photos")));
    }

    [Theory]
    [InlineData("../keen-ember.db")]
    [InlineData("ffff")]
    [InlineData("0000000000000000000000000000000000000000000000000000000000000000")]
    public void Only_what_was_kept_is_found(string name) => Assert.Null(store.Find(name, isSmall: false));

    /// <summary>A single colour packs into next to nothing: the header says what it would take to paint.</summary>
    [Fact]
    public void One_with_more_pixels_than_any_camera_is_refused_by_its_header() =>
        Assert.Null(Keep(Picture(7100, 7100, SKEncodedImageFormat.Png)));

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    [InlineData(SKEncodedImageFormat.Png)]
    public void A_large_one_is_kept_as_large_as_is_of_use(SKEncodedImageFormat format)
    {
        var kept = Keep(Picture(8000, 6000, format))!;
        Assert.Equal((2400, 1800), (kept.Width, kept.Height));
        using var picture = Kept(kept.Hash);
        Assert.True(IsRed(picture, 0.25, 0.25) && !IsRed(picture, 0.75, 0.75));
    }

    [Fact]
    public async Task Large_ones_at_once_wait_for_each_other_and_are_all_kept()
    {
        var files =
            new[] { Picture(4000, 3500, SKEncodedImageFormat.Png), Picture(3500, 4000, SKEncodedImageFormat.Png), Picture(300, 200),
            Picture(4000, 3900, SKEncodedImageFormat.Png) };
        var kept = await Task.WhenAll(files.Select(f => Task.Run(() => Keep(f))));
        Assert.All(kept, Assert.NotNull);
        Assert.Equal(4, kept.DistinctBy(k => k!.Hash).Count());
    }
}
