using System.Text.Json;
using System.Text.Json.Nodes;
using KeenEmber.Core.Plant;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace KeenEmber.Web.Api;

/// <summary>What the description of the interface cannot see by itself.</summary>
public static class OpenApiNames
{
    private static readonly Dictionary<Type, IEnumerable<string>> Names = new()
    {
        [typeof(PointRef)] = MeasuringPoints.InWalkingOrder.Select(p => p.ToString()),
        [typeof(ResultRef)] = ResultKinds.InReadingOrder(coils: 2).Select(r => r.ToString()),
    };

    /// <summary>Points and results go as names: these are the ones there are.</summary>
    public static Task OfPointsAndResults(OpenApiSchema schema, OpenApiSchemaTransformerContext context, CancellationToken cancel)
    {
        var type = context.JsonTypeInfo.Type;
        if (!Names.TryGetValue(Nullable.GetUnderlyingType(type) ?? type, out var names))
            return Task.CompletedTask;
        schema.Type = JsonSchemaType.String;
        schema.Enum = [.. names.Select(n => (JsonNode)JsonNamingPolicy.CamelCase.ConvertName(n))];
        return Task.CompletedTask;
    }
}
