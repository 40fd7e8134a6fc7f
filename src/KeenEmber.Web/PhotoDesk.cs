using KeenEmber.Storage;

namespace KeenEmber.Web;

/// <summary>Takes photos in from a form.</summary>
public static class PhotoDesk
{
    /// <summary>Photos in one go.</summary>
    public const int MostAtOnce = 8;

    /// <summary>All of them of the largest size, bytes.</summary>
    public const long MostUploadBytes = (long)MostAtOnce * PhotoStore.MostBytes;

    /// <summary>Keeps what can be kept, and says of the rest, by file name, why not.</summary>
    public static (IReadOnlyList<KeptPhoto> Kept, IReadOnlyList<string> Errors) Keep(IReadOnlyList<IFormFile> files, PhotoStore store)
    {
        var kept = new List<KeptPhoto>();
        var errors = new List<string>();
        if (store.IsFull)
            return (kept, ["The record holds as much as it may: no photo is taken in until a lead has made room. Keep this one."]);
        foreach (var file in files)
        {
            if (file.Length > PhotoStore.MostBytes)
            {
                errors.Add($"“{file.FileName}” is larger than {PhotoStore.MostBytes / 1024 / 1024} MB.");
                continue;
            }

            using var stream = file.OpenReadStream();
            if (store.Keep(stream) is { } photo)
                kept.Add(photo);
            else
                errors.Add(
                    $"“{file.FileName}” is not a whole picture, or has more than {PhotoStore.MostPixels / 1_000_000} million pixels.");
        }

        if (files.Count == 0)
            errors.Add("Choose a photo first.");
        return (kept, errors);
    }
}
