using System.Text.Json;
using System.Text.Json.Serialization;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Written;

/// <summary>Points and results of a unit as they are written down: by name, with the number of the coil behind it from the second
/// on.</summary>
/// <param name="naming">What becomes of the name in the code; null when it is written as it is.</param>
public sealed class CoilNames(JsonNamingPolicy? naming = null) : JsonConverterFactory
{
    /// <inheritdoc/>
    public override bool CanConvert(Type typeToConvert) => typeToConvert == typeof(PointRef) || typeToConvert == typeof(ResultRef);

    /// <inheritdoc/>
    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        typeToConvert == typeof(PointRef) ? new Converter<PointRef>(naming) : new Converter<ResultRef>(naming);

    private sealed class Converter<T>(JsonNamingPolicy? naming) : JsonConverter<T>
        where T : struct, IParsable<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            T.TryParse(reader.GetString(), null, out var found) ? found
                : throw new JsonException($"There is no {typeof(T).Name} of that name.");

        public override T ReadAsPropertyName(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            Read(ref reader, typeToConvert, options);

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(Name(value));

        public override void WriteAsPropertyName(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
            writer.WritePropertyName(Name(value));

        private string Name(T value) => naming?.ConvertName(value.ToString()!) ?? value.ToString()!;
    }
}
