using System.Security.Cryptography;
using SkiaSharp;

namespace KeenEmber.Storage;

/// <summary>A photo as kept.</summary>
public sealed record KeptPhoto(string Hash, int Width, int Height);

/// <summary>Photos as files beside the database, each named by its content, with a small one for lists.</summary>
/// <remarks>
/// A photo is painted anew before it is kept: the right way up, no larger than is of use, and without anything but the picture.
/// Where it was taken, with which telephone and when was in the file that came in, and is not in the one that stays.
/// </remarks>
public sealed class PhotoStore
{
    /// <summary>The largest file taken, bytes.</summary>
    public const int MostBytes = 15 * 1024 * 1024;

    /// <summary>Longest edge kept, pixels: a nameplate can still be read on it.</summary>
    private const int LongestEdge = 2400;
    private const int SmallEdge = 320;
    private const int MostPixels = 120_000_000;
    private const int Quality = 85;

    private readonly string folder;

    public PhotoStore(string dataFolder)
    {
        folder = Path.Combine(dataFolder, "photos");
        Directory.CreateDirectory(folder);
    }

    /// <summary>Keeps a photo; on return its files are on the disk. The same photo sent twice is kept once.</summary>
    /// <returns>Null when the bytes are no picture, or a broken one.</returns>
    public KeptPhoto? Keep(byte[] file)
    {
        using var upright = Upright(file);
        if (upright is null)
            return null;
        using var large = Fit(upright, LongestEdge);
        using var small = Fit(upright, SmallEdge);
        var bytes = Jpeg(large);
        var hash = Convert.ToHexStringLower(SHA256.HashData(bytes));
        Write(PathOf(hash, isSmall: true), Jpeg(small));
        Write(PathOf(hash, isSmall: false), bytes);
        return new(hash, large.Width, large.Height);
    }

    /// <summary>Where a photo's file is; null when there is none of that name.</summary>
    public string? Find(string hash, bool isSmall) =>
        hash.Length == 64 && hash.All(char.IsAsciiHexDigitLower) && PathOf(hash, isSmall) is var path && File.Exists(path) ? path : null;

    private string PathOf(string hash, bool isSmall) => Path.Combine(folder, hash + (isSmall ? "-small.jpg" : ".jpg"));

    private static SKBitmap? Upright(byte[] file)
    {
        using var codec = SKCodec.Create(new SKMemoryStream(file));
        if (codec is null || (long)codec.Info.Width * codec.Info.Height > MostPixels)
            return null;
        using var decoded = new SKBitmap(new SKImageInfo(codec.Info.Width, codec.Info.Height, SKColorType.Rgba8888, SKAlphaType.Premul));
        if (codec.GetPixels(decoded.Info, decoded.GetPixels()) != SKCodecResult.Success)
            return null;
        var turned = codec.EncodedOrigin >= SKEncodedOrigin.LeftTop;
        var upright = new SKBitmap(turned ? decoded.Height : decoded.Width, turned ? decoded.Width : decoded.Height);
        using var canvas = new SKCanvas(upright);
        canvas.Clear(SKColors.White);
        canvas.SetMatrix(Turn(codec.EncodedOrigin, decoded.Width, decoded.Height));
        canvas.DrawBitmap(decoded, 0, 0, SKSamplingOptions.Default);
        return upright;
    }

    /// <summary>From the picture as stored to the picture as seen, for each of the eight orientations of EXIF (JEITA CP-3451, tag 274).</summary>
    private static SKMatrix Turn(SKEncodedOrigin origin, int width, int height) => origin switch
    {
        SKEncodedOrigin.TopRight => new(-1, 0, width, 0, 1, 0, 0, 0, 1),
        SKEncodedOrigin.BottomRight => new(-1, 0, width, 0, -1, height, 0, 0, 1),
        SKEncodedOrigin.BottomLeft => new(1, 0, 0, 0, -1, height, 0, 0, 1),
        SKEncodedOrigin.LeftTop => new(0, 1, 0, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightTop => new(0, -1, height, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightBottom => new(0, -1, height, -1, 0, width, 0, 0, 1),
        SKEncodedOrigin.LeftBottom => new(0, 1, 0, -1, 0, width, 0, 0, 1),
        _ => SKMatrix.Identity,
    };

    private static SKBitmap Fit(SKBitmap picture, int longestEdge)
    {
        var scale = Math.Min(1, longestEdge / (double)Math.Max(picture.Width, picture.Height));
        var size = new SKSizeI(Math.Max(1, (int)Math.Round(picture.Width * scale)), Math.Max(1, (int)Math.Round(picture.Height * scale)));
        return picture.Resize(size, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
    }

    private static byte[] Jpeg(SKBitmap picture)
    {
        using var data = picture.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return data.ToArray();
    }

    /// <summary>All of a file or none of it: written beside, forced to the disk, then named.</summary>
    private static void Write(string path, byte[] bytes)
    {
        if (File.Exists(path))
            return;
        var beside = $"{path}.{Guid.NewGuid():N}";
        using (var stream = new FileStream(beside, FileMode.CreateNew, FileAccess.Write))
        {
            stream.Write(bytes);
            stream.Flush(flushToDisk: true);
        }

        File.Move(beside, path, overwrite: true);
    }
}
