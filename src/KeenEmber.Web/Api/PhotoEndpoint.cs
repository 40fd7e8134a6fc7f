using KeenEmber.Storage;

namespace KeenEmber.Web.Api;

/// <summary>Photos by their content: what is at an address never changes.</summary>
public static class PhotoEndpoint
{
    public static void MapPhotos(this WebApplication app)
    {
        app.MapGet(
            "/photos/{hash}", (string hash, PhotoStore photos, HttpContext context) => Answer(photos.Find(hash, isSmall: false), context))
            .ExcludeFromDescription();
        app.MapGet(
            "/photos/{hash}/small", (string hash, PhotoStore photos, HttpContext context) =>
            Answer(photos.Find(hash, isSmall: true), context)).ExcludeFromDescription();
    }

    private static IResult Answer(string? path, HttpContext context)
    {
        if (path is null)
            return Results.NotFound();
        context.Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return Results.File(path, "image/jpeg");
    }
}
