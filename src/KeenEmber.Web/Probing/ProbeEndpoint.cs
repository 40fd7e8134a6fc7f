using KeenEmber.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Probing;

/// <summary>Readings of probes over HTTP, brought by a gateway with a secret of its own.</summary>
public static class ProbeEndpoint
{
    public static void MapProbes(this IEndpointRouteBuilder routes) => routes.MapPost("/api/probes/{id}/readings", Take)
        .WithSummary("Takes in what a probe measured. Authorization: Bearer with the gateway's secret. Sent twice it is taken once.")
        .ProducesValidationProblem().AllowAnonymous();

    private const string Bearer = "Bearer ";

    /// <summary>Who sends, by the secret; null for nobody who may.</summary>
    internal static Guid? GatewayOf(HttpRequest request, ProbeIntake intake)
    {
        var authorization = request.Headers.Authorization.ToString();
        return authorization.StartsWith(Bearer, StringComparison.Ordinal) ? intake.GatewayOf(authorization[Bearer.Length..].Trim()) : null;
    }

    private static Results<Ok<ProbeAnswer>, UnauthorizedHttpResult, ValidationProblem> Take(
        string id, Sent<ProbeDocument> sent, HttpRequest request, ProbeIntake intake)
    {
        if (GatewayOf(request, intake) is not { } gateway)
            return TypedResults.Unauthorized();
        if (sent.Value is not { } document)
            return sent.Problem!;
        var (answer, errors) = intake.Take(id, gateway, document);
        return answer is null ? TypedResults.ValidationProblem(errors) : TypedResults.Ok(answer);
    }
}
