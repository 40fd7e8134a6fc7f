using Microsoft.AspNetCore.Antiforgery;

namespace KeenEmber.Web.Offline;

/// <summary>A fresh anti-forgery token for forms that waited on a phone: the one they were filled in with may be from another
/// day.</summary>
public static class TokenEndpoint
{
    /// <summary>At /token, as text.</summary>
    public static void MapToken(this IEndpointRouteBuilder routes) => routes.MapGet("/token", (HttpContext http, IAntiforgery forgery) =>
        Results.Text(forgery.GetAndStoreTokens(http).RequestToken)).ExcludeFromDescription();
}
