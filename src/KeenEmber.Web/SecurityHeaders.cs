namespace KeenEmber.Web;

/// <summary>A strict policy for every answer: only our own files, no inline script or style, no frame, no guessing of types.</summary>
public sealed class SecurityHeaders(RequestDelegate next)
{
    // Bootstrap's style sheet draws its form marks from data: images; nothing else may use them.
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data:; connect-src 'self'; "
        + "form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    public Task InvokeAsync(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        return next(context);
    }
}
