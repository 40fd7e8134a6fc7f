using System.Text.Json;
using System.Text.Json.Serialization;

namespace KeenEmber.Web.Edge;

/// <summary>JSON has no infinity: what is without end goes out as null. Coming in, a number too large for a double is refused.</summary>
public sealed class FiniteNumbers : JsonConverter<double>
{
    public override double Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        reader.TokenType == JsonTokenType.Number && reader.TryGetDouble(out var number) && double.IsFinite(number) ? number
            : throw new JsonException("Not a number that can be worked with.");

    public override void Write(Utf8JsonWriter writer, double value, JsonSerializerOptions options)
    {
        if (double.IsFinite(value))
            writer.WriteNumberValue(value);
        else
            writer.WriteNullValue();
    }
}
