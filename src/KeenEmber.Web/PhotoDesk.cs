using KeenEmber.Storage;

namespace KeenEmber.Web;

/// <summary>Takes photos in from a form.</summary>
public static class PhotoDesk
{
    /// <summary>Eight photos of the largest size in one go.</summary>
    public const long MostUploadBytes = 8L * PhotoStore.MostBytes;

    /// <summary>Keeps what can be kept, and says of the rest, by file name, why not.</summary>
    public static (IReadOnlyList<KeptPhoto> Kept, IReadOnlyList<string> Errors) Keep(IReadOnlyList<IFormFile> files, PhotoStore store)
    {
        var kept = new List<KeptPhoto>();
        var errors = new List<string>();
        foreach (var file in files)
        {
            if (file.Length > PhotoStore.MostBytes)
            {
                errors.Add($"“{file.FileName}” is larger than {PhotoStore.MostBytes / 1024 / 1024} MB.");
                continue;
            }

            using var bytes = new MemoryStream();
            file.CopyTo(bytes);
            if (store.Keep(bytes.ToArray()) is { } photo)
                kept.Add(photo);
            else
                errors.Add($"“{file.FileName}” is no picture, or is broken.");
        }

        if (files.Count == 0)
            errors.Add("Choose a photo first.");
        return (kept, errors);
    }
}
