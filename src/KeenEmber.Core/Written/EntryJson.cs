using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Written;

/// <summary>How the body of a timeline entry is written: what its own kind adds to an entry, names instead of numbers, values in the unit
/// they were typed in.</summary>
/// <remarks>
/// A member added to a kind later needs a default value in its record, so that bodies written before still read. Any other change of what a
/// body looks like
/// is a new version with a step in <see cref="EntryVersions"/>, and a renamed member of an enumeration a line in <see cref="WireNames"/>.
/// </remarks>
public static class EntryJson
{
    /// <summary>Names instead of numbers, under the names that were first written.</summary>
    public static readonly JsonSerializerOptions Options =
        new(JsonSerializerDefaults.Web)
        {
            Converters = { new WireNames(), new CoilNames() },
            TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { WireNames.OfProperties } },
        };

    private static readonly JsonSerializerOptions Body = new(Options)
    {
        Converters = { new TypedValueConverter() },
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { LeaveOutWhatEveryEntryHas, WireNames.OfProperties } },
    };

    /// <summary>The body of an entry.</summary>
    public static string Write(Entry entry) => JsonSerializer.Serialize(entry, entry.GetType(), Body);

    /// <returns>Null for a body that cannot be read as the type.</returns>
    /// <summary>An entry of a body, its header to be put in.</summary>
    public static Entry? Read(Type type, string body)
    {
        try
        {
            return (Entry?)JsonSerializer.Deserialize(body, type, Body);
        }
        catch (Exception e) when (e is JsonException or InvalidDataException or ArgumentException or FormatException)
        {
            return null;
        }
    }

    /// <summary>What every entry has stands in columns of its own; what is worked out is not written at all.</summary>
    private static void LeaveOutWhatEveryEntryHas(JsonTypeInfo type)
    {
        foreach (
            var workedOut in type.Properties.Where(
            p => p.Set is null && type.Kind == JsonTypeInfoKind.Object && type.Type.Assembly == typeof(Entry).Assembly))
            workedOut.ShouldSerialize = (_, _) => false;
        if (!type.Type.IsAssignableTo(typeof(Entry)))
            return;
        var own = type.Type.GetConstructors()[0].GetParameters().Select(p => p.Name!)
            .Except(typeof(Entry).GetProperties().Select(p => p.Name)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var property in type.Properties.Where(p => !own.Contains(p.Name)))
        {
            property.ShouldSerialize = (_, _) => false;
            property.IsRequired = false;
        }
    }

    /// <summary>The number and the symbol it was typed with.</summary>
    private sealed class TypedValueConverter : JsonConverter<TypedValue>
    {
        private sealed record Typed(double Value, string Unit);

        public override TypedValue Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var typed = JsonSerializer.Deserialize<Typed>(ref reader, Options)!;
            return new(
                double.IsFinite(typed.Value) ? typed.Value : throw new InvalidDataException("A value without end."), Unit.Find(typed.Unit)
                ?? throw new InvalidDataException($"The unit {typed.Unit} is unknown."));
        }

        public override void Write(Utf8JsonWriter writer, TypedValue value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, new Typed(value.Number, value.Unit.Symbol), Options);
    }
}
