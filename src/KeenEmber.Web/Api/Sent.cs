using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Text.Json;
using KeenEmber.Web.Edge;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.Extensions.Options;

namespace KeenEmber.Web.Api;

/// <summary>The JSON body of a call: what was sent or, where it cannot be read, the answer that names the field.</summary>
/// <remarks>Its type is looked into when the first call comes. A body bound by the framework is described at the start of the server, which
/// the first page would wait for.</remarks>
[SuppressMessage("Design", "CA1000", Justification = "The framework binds by static members.")]
public sealed record Sent<T>(T? Value, ValidationProblem? Problem) : IEndpointParameterMetadataProvider
    where T : class
{
    public static async ValueTask<Sent<T>?> BindAsync(HttpContext context)
    {
        if (!context.Request.HasJsonContentType())
            return Wrong("body", "Send it as application/json.");
        var options = context.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        try
        {
            return await JsonSerializer.DeserializeAsync<T>(context.Request.Body, options, context.RequestAborted) is { } value
                ? new(value, null) : Wrong("body", "Nothing was sent.");
        }
        catch (BadHttpRequestException e) when (e.StatusCode == StatusCodes.Status413PayloadTooLarge)
        {
            return Wrong("body", $"At most {BodyLimits.Usual / 1_000_000} MB.");
        }
        catch (JsonException e)
        {
            return Wrong(
                e.Path is { } path && path.StartsWith("$.", StringComparison.Ordinal) ? path[2..]
                : "body", "This is not JSON of the kind that is described at /openapi/v1.json.");
        }
    }

    public static void PopulateMetadata(ParameterInfo parameter, EndpointBuilder builder) =>
        builder.Metadata.Add(new AcceptsMetadata(["application/json"], typeof(T)));

    private static Sent<T> Wrong(string field, string message) =>
        new(null, TypedResults.ValidationProblem(new Dictionary<string, string[]> { [field] = [message] }));
}
