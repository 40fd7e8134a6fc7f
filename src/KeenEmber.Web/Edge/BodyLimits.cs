using KeenEmber.Web.Pages.Keeping;
using KeenEmber.Web.Pages.Visits.Defrost.Import;
using Microsoft.AspNetCore.Http.Features;

namespace KeenEmber.Web.Edge;

/// <summary>How much a request may send, by what it sends: a form or a call little, a logger's file or photos as much as they
/// are.</summary>
public sealed class BodyLimits(RequestDelegate next)
{
    /// <summary>Forms and calls, bytes.</summary>
    public const long Usual = 1_000_000;

    /// <summary>Room for the other fields of a form that carries a file, bytes.</summary>
    private const long Around = 100_000;

    public Task InvokeAsync(HttpContext context)
    {
        var most = Most(context.Request);
        if (context.Request.ContentLength > most)
        {
            context.Response.StatusCode = StatusCodes.Status413PayloadTooLarge;
            return Task.CompletedTask;
        }

        if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } feature)
            feature.MaxRequestBodySize = most;
        return next(context);
    }

    private static long Most(HttpRequest request) => request.Query["handler"].ToString() switch
    {
        "Photos" => PhotoDesk.MostUploadBytes + Around,
        "Archive" when request.Path == "/archives" => ArchivesModel.MostBytes + Around,
        "File" when request.Path.Value!.EndsWith("/defrostfile", StringComparison.OrdinalIgnoreCase) => DefrostFileModel.MostBytes + Around,
        _ => Usual,
    };
}
