using System.Security.Cryptography;
using KeenEmber.Storage.Backups;
using SkiaSharp;

namespace KeenEmber.Storage;

/// <summary>A photo as kept.</summary>
public sealed record KeptPhoto(string Hash, int Width, int Height);

/// <summary>Photos as files beside the database, each named by its content, with a small one for lists.</summary>
/// <remarks>
/// A photo is painted anew before it is kept: the right way up, no larger than is of use, and without anything but the picture.
/// Where it was taken, with which telephone and when was in the file that came in, and is not in the one that stays.
/// A small file can hold a picture that fills the memory, so its header is read first, it is decoded no larger than it is kept where its
/// format can do that,
/// and no more than two are decoded at a time, a very large one alone.
/// </remarks>
public sealed class PhotoStore
{
    /// <summary>The largest file taken, bytes.</summary>
    public const int MostBytes = 20 * 1024 * 1024;

    /// <summary>The largest picture taken, pixels: beyond the cameras of phones.</summary>
    public const int MostPixels = 50_000_000;

    /// <summary>A picture that takes more than this to decode is decoded alone, pixels.</summary>
    private const int AlonePixels = 12_000_000;

    /// <summary>Longest edge kept, pixels: a nameplate can still be read on it.</summary>
    private const int LongestEdge = 2400;
    private const int SmallEdge = 320;
    private const int Quality = 85;

    /// <summary>Rows drawn at a time.</summary>
    private const int BandRows = 512;
    private const int AtATime = 2;

    /// <summary>A picture that takes longer than this is refused.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(15);

    private readonly Lock turns = new();
    private readonly Queue<(int Weight, TaskCompletionSource Turn)> waiting = new();
    private int taken;

    private readonly string folder;

    private readonly DirectoryInfo data;
    private readonly long? quota;

    /// <param name="dataFolder">Photos lie in a folder of their own below it, which is made where it is missing.</param>
    /// <param name="quota">How much the data folder may hold, bytes; null for as much as the disk does.</param>
    public PhotoStore(string dataFolder, long? quota = null)
    {
        (data, this.quota) = (new(dataFolder), quota);
        folder = Path.Combine(dataFolder, FolderName);
        Directory.CreateDirectory(folder);
    }

    /// <summary>The data folder holds as much as it may: photos are no longer to be taken in. Words still are.</summary>
    public bool IsFull => quota is { } most && data.EnumerateFiles("*", SearchOption.AllDirectories).Sum(f => f.Length) >= most;

    /// <summary>Keeps a photo; on return its files are on the disk. The same photo sent twice is kept once.</summary>
    /// <param name="file">Only its header is read before it is the picture's turn.</param>
    /// <returns>Null when it is no picture, a broken one, or too large.</returns>
    public KeptPhoto? Keep(Stream file)
    {
        using var codec = SKCodec.Create(file);
        if (codec is null || (long)codec.Info.Width * codec.Info.Height > MostPixels)
            return null;
        var size = SizeToDecode(codec);
        var weight = size.Width * size.Height > AlonePixels ? AtATime : 1;
        TakeTurn(weight).Wait();
        // A picture this large stands beside the heap: what that holds and does not need is given back first.
        if (weight == AtATime)
            GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
        var painting = Task.Run(() =>
        {
            try
            {
                return Paint(codec, size);
            }
            finally
            {
                GiveBack(weight);
            }
        });
        return painting.Wait(Longest) ? painting.GetAwaiter().GetResult() : null;
    }

    /// <summary>Turns are given in the order in which they were asked for.</summary>
    private Task TakeTurn(int weight)
    {
        lock (turns)
        {
            if (waiting.Count == 0 && taken + weight <= AtATime)
            {
                taken += weight;
                return Task.CompletedTask;
            }

            var turn = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
            waiting.Enqueue((weight, turn));
            return turn.Task;
        }
    }

    private void GiveBack(int weight)
    {
        lock (turns)
        {
            taken -= weight;
            while (waiting.TryPeek(out var next) && taken + next.Weight <= AtATime)
            {
                taken += next.Weight;
                waiting.Dequeue().Turn.SetResult();
            }
        }
    }

    private KeptPhoto? Paint(SKCodec codec, SKSizeI size)
    {
        using var large = Upright(codec, size);
        if (large is null)
            return null;
        using var small = Fit(large, SmallEdge);
        var bytes = Jpeg(large);
        var hash = Convert.ToHexStringLower(SHA256.HashData(bytes));
        Write(PathOf(hash, isSmall: true), Jpeg(small));
        Write(PathOf(hash, isSmall: false), bytes);
        return new(hash, large.Width, large.Height);
    }

    /// <summary>Where a photo's file is; null when there is none of that name.</summary>
    public string? Find(string hash, bool isSmall) =>
        hash.Length == 64 && hash.All(char.IsAsciiHexDigitLower) && PathOf(hash, isSmall) is var path && File.Exists(path) ? path : null;

    private string PathOf(string hash, bool isSmall) => Path.Combine(folder, FileOf(hash, isSmall));

    /// <summary>Below the data folder.</summary>
    internal const string FolderName = "photos";

    private const string Ending = ".jpg", SmallEnding = "-small.jpg";

    /// <summary>Name of the file of a photo.</summary>
    internal static string FileOf(string hash, bool isSmall) => hash + (isSmall ? SmallEnding : Ending);

    /// <summary>The name of a small one.</summary>
    internal static bool IsSmall(string file) => file.EndsWith(SmallEnding, StringComparison.Ordinal);

    /// <summary>The name of a whole photo, not of one that is being written.</summary>
    internal static bool IsPhoto(string file) => file.EndsWith(Ending, StringComparison.Ordinal);

    /// <summary>The smallest size the format can decode to that is not smaller than what is kept.</summary>
    private static SKSizeI SizeToDecode(SKCodec codec) =>
        codec.GetScaledDimensions(Math.Min(1, LongestEdge / (float)Math.Max(codec.Info.Width, codec.Info.Height))) is var scaled
            && Math.Max(scaled.Width, scaled.Height) >= Math.Min(LongestEdge, Math.Max(codec.Info.Width, codec.Info.Height)) ? scaled
                : Next(codec);

    /// <summary>JPEG decodes to eighths; the next one up where the nearest would be too small.</summary>
    private static SKSizeI Next(SKCodec codec)
    {
        for (var eighths = 1; eighths < 8; eighths++)
        {
            var scaled = codec.GetScaledDimensions(eighths / 8f);
            if (Math.Max(scaled.Width, scaled.Height) >= LongestEdge)
                return scaled;
        }

        return codec.Info.Size;
    }

    /// <summary>The picture the right way up, no larger than it is kept; null when the file does not hold the picture that its header
    /// names.</summary>
    private static SKBitmap? Upright(SKCodec codec, SKSizeI size)
    {
        using var decoded = new SKBitmap(new SKImageInfo(size.Width, size.Height, SKColorType.Rgba8888, SKAlphaType.Premul));
        if (codec.GetPixels(decoded.Info, decoded.GetPixels()) != SKCodecResult.Success)
            return null;
        var turned = codec.EncodedOrigin >= SKEncodedOrigin.LeftTop;
        var scale = Math.Min(1, LongestEdge / (float)Math.Max(size.Width, size.Height));
        var (width, height) = (Math.Max(1, (int)Math.Round(size.Width * scale)), Math.Max(1, (int)Math.Round(size.Height * scale)));
        var upright = new SKBitmap(turned ? height : width, turned ? width : height);
        using var canvas = new SKCanvas(upright);
        canvas.Clear(SKColors.White);
        canvas.SetMatrix(
            SKMatrix.Concat(
            Turn(codec.EncodedOrigin, width, height), SKMatrix.CreateScale(width / (float)size.Width, height / (float)size.Height)));
        // In bands, each with smaller copies of its own to draw from: those of the whole would take a third of its memory again.
        for (var top = 0; top < size.Height; top += BandRows)
        {
            var band = decoded.Info.WithSize(size.Width, Math.Min(BandRows, size.Height - top));
            using var image = SKImage.FromPixels(band, decoded.GetPixels() + top * decoded.RowBytes, decoded.RowBytes);
            canvas.DrawImage(image, 0, top, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        }

        return upright;
    }

    /// <summary>From the picture as stored to the picture as seen, for each of the eight orientations of EXIF (JEITA CP-3451, tag
    /// 274).</summary>
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
    internal static void Write(string path, byte[] bytes)
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
        Disk.SyncFolder(Path.GetDirectoryName(path)!);
    }
}
