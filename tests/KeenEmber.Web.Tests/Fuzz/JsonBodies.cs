using System.Collections;
using System.Text.Json;
using System.Text.Json.Nodes;
using KeenEmber.Core.Plant;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>Bodies of the shape a type describes, with whatever the generator puts in.</summary>
internal sealed class JsonBodies(Random random, Inputs inputs)
{
    private static readonly double[] Numbers =
        [0, 1, -1, 4.6, 25, 10_000, -273.15, 1e16, -1e16, 1e300, double.MaxValue, double.Epsilon, 3600, 60, 0.1];

    public string Of(Type type)
    {
        var text = Node(type, 0)?.ToJsonString() ?? "null";
        return inputs.Chance(0.05) ? text[..random.Next(text.Length)] : text;
    }

    private JsonNode? Node(Type declared, int depth)
    {
        var type = Nullable.GetUnderlyingType(declared) ?? declared;
        if (inputs.Chance(declared.IsValueType && declared == type ? 0.01 : 0.08) || depth > 6)
            return null;
        if (inputs.Chance(0.02))
            return JsonValue.Create(inputs.Text(1));
        if (type.IsEnum)
            return inputs.Chance(0.93) ? JsonValue.Create(JsonNamingPolicy.CamelCase.ConvertName(inputs.Of(Enum.GetNames(type))))
                : JsonValue.Create(99);
        if (type == typeof(string))
            return JsonValue.Create(inputs.Text(0.2));
        if (type == typeof(bool))
            return JsonValue.Create(inputs.Chance(0.5));
        if (type == typeof(DateTimeOffset))
            return JsonValue.Create(
                inputs.Of(["2026-03-10T06:00:00Z", "0001-01-01T00:00:00Z", "9999-12-31T23:59:59Z", "2026-03-09T23:00:00+05:00"]));
        if (type == typeof(TimeOnly))
            return JsonValue.Create(inputs.Of(["06:00", "23:59:59", "24:00"]));
        if (type.IsPrimitive)
            return type == typeof(int) ? JsonValue.Create(random.Next(-1, 5))
                : JsonValue.Create(inputs.Chance(0.3) ? inputs.Of(Numbers) : random.NextDouble() * 300 - 60);
        if (typeof(IDictionary).IsAssignableFrom(type))
            return Dictionary(type.GetGenericArguments(), depth);
        if (type.IsArray)
            return Array(type.GetElementType()!, depth);
        return Members(type, depth);
    }

    private JsonObject Dictionary(Type[] types, int depth)
    {
        var node = new JsonObject();
        for (var n = random.Next(8); n > 0; n--)
            node[types[0].IsEnum ? JsonNamingPolicy.CamelCase.ConvertName(inputs.Of(Enum.GetNames(types[0]))) : inputs.Of(Points)] =
                Node(types[1], depth + 1);
        return node;
    }

    private static readonly string[] Points = [.. MeasuringPoints.InWalkingOrder.Select(p => p.ToString())];

    private JsonArray Array(Type element, int depth)
    {
        var array = new JsonArray();
        var rising = element == typeof(double) && inputs.Chance(0.8);
        for (var (n, length) = (0, inputs.Chance(0.5) ? 12 : random.Next(6)); n < length; n++)
            array.Add(rising ? JsonValue.Create(n * 2.0 + (inputs.Chance(0.03) ? 1e15 : 0)) : Node(element, depth + 1));
        return array;
    }

    private JsonObject Members(Type type, int depth)
    {
        var node = new JsonObject();
        foreach (var property in type.GetProperties().Where(p => p.CanRead && p.GetIndexParameters().Length == 0 && inputs.Chance(0.75)))
            node[JsonNamingPolicy.CamelCase.ConvertName(property.Name)] = Node(property.PropertyType, depth + 1);
        return node;
    }
}
