using Microsoft.AspNetCore.StaticAssets;

namespace KeenEmber.Web.Edge;

/// <summary>A strict policy for every answer: only our own files, no inline script or style, no frame, no guessing of types, nothing
/// private in a cache.</summary>
public sealed class SecurityHeaders(RequestDelegate next)
{
    // The rules run in the browser as WebAssembly where there is no signal; that is what 'wasm-unsafe-eval' lets through, and no more.
    // Bootstrap's style sheet draws its form marks from data: images; nothing else may use them.
    private const string Policy =
        "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; worker-src 'self'; manifest-src 'self'; "
        + "style-src 'self'; font-src 'self'; img-src 'self' data:; connect-src 'self'; "
        + "form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    public Task InvokeAsync(HttpContext context)
    {
        // An empty host passes the framework's list of allowed ones.
        if (!context.Request.Host.HasValue)
        {
            context.Response.StatusCode = StatusCodes.Status400BadRequest;
            return Task.CompletedTask;
        }

        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        context.Response.OnStarting(KeepOutOfCaches, context);
        return next(context);
    }

    /// <summary>Of a file of the app whose name does not change with its content: a dozen scripts are not fetched anew with every page, and
    /// none is older than the last update for long.</summary>
    private const string FileOfTheApp = "max-age=30";

    /// <summary>Files of the app and photos, which are named by their content, say themselves how long they hold.</summary>
    private static Task KeepOutOfCaches(object state)
    {
        var context = (HttpContext)state;
        var isFile = context.GetEndpoint()?.Metadata.GetMetadata<StaticAssetDescriptor>() is not null;
        if (isFile && context.Response.Headers.CacheControl.ToString() == "no-cache")
            context.Response.Headers.CacheControl = FileOfTheApp;
        else if (context.Response.Headers.CacheControl.Count == 0
            || context.Response.Headers.CacheControl.ToString().Contains("no-cache", StringComparison.Ordinal))
            context.Response.Headers.CacheControl = "no-store";
        return Task.CompletedTask;
    }
}
