using System.Collections.Frozen;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Written;

/// <summary>
/// Members of enumerations as they are written down. A member keeps the name it was first written with: one that is renamed in the code
/// gets a line in <see cref="Renamed"/>, a property one in <see cref="RenamedProperties"/>. The names that have ever been written stand
/// in the corpus of the tests, which fail when one of them is no longer read.
/// </summary>
public sealed class WireNames : JsonConverterFactory
{
    /// <summary>Members whose name in the code is no longer the one that is written.</summary>
    private static readonly Dictionary<Enum, string> Renamed = new() { [SensorRepair.WireRepaired] = "WireMended" };

    /// <summary>Properties of bodies whose name in the code is no longer the one that is written.</summary>
    private static readonly Dictionary<(Type, string), string> RenamedProperties = new()
    {
        [(typeof(ClosureEntry), nameof(ClosureEntry.Item))] = "loop",
        [(typeof(HandoverEntry), nameof(HandoverEntry.Item))] = "loop",
        [(typeof(SensorRepairEntry), nameof(SensorRepairEntry.Repair))] = "mend",
        [(typeof(InstrumentEntry), nameof(InstrumentEntry.Instrument))] = "meter",
        [(typeof(Policies), nameof(Policies.InstrumentCheckDays))] = "meterCheckDays",
    };

    /// <inheritdoc/>
    public override bool CanConvert(Type typeToConvert) => typeToConvert.IsEnum;

    /// <inheritdoc/>
    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        (JsonConverter)Activator.CreateInstance(typeof(Converter<>).MakeGenericType(typeToConvert))!;

    /// <summary>Gives the properties of a type the names they are written with.</summary>
    internal static void OfProperties(JsonTypeInfo type)
    {
        foreach (var property in type.Properties)
        {
            if (property.AttributeProvider is MemberInfo member && RenamedProperties.TryGetValue((type.Type, member.Name), out var name))
                property.Name = name;
        }
    }

    /// <summary>The names of an enumeration, several of a set of flags parted by commas as the framework writes them.</summary>
    internal static string Of<T>(T value)
        where T : struct, Enum
    {
        if (Names<T>.Written.TryGetValue(value, out var name))
            return name;
        return typeof(T).IsDefined(typeof(FlagsAttribute), inherit: false) ? value.ToString()
            : throw new JsonException($"{typeof(T).Name} has no member {value}.");
    }

    internal static T Find<T>(string? name)
        where T : struct, Enum
    {
        if (name is not null && Names<T>.Read.TryGetValue(name, out var value))
            return value;
        return typeof(T).IsDefined(typeof(FlagsAttribute), inherit: false) && Enum.TryParse<T>(name, out var flags) ? flags
            : throw new JsonException($"{typeof(T).Name} has no member {name}.");
    }

    private static class Names<T>
        where T : struct, Enum
    {
        public static readonly FrozenDictionary<T,
            string> Written = Enum.GetValues<T>().Distinct()
            .ToFrozenDictionary(v => v, v => Renamed.TryGetValue(v, out var name) ? name : v.ToString());

        public static readonly FrozenDictionary<string,
            T> Read = Written.ToFrozenDictionary(w => w.Value, w => w.Key, StringComparer.OrdinalIgnoreCase);
    }

    private sealed class Converter<T> : JsonConverter<T>
        where T : struct, Enum
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => Find<T>(reader.GetString());

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(Of(value));

        public override T ReadAsPropertyName(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            Find<T>(reader.GetString());

        public override void WriteAsPropertyName(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
            writer.WritePropertyName(Of(value));
    }
}
