using System.Collections.Frozen;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;

namespace KeenEmber.Storage;

/// <summary>How the body of a timeline entry is written: what its own kind adds to an entry, names instead of numbers, values in the unit they were typed in.</summary>
/// <remarks>A member added to a kind later needs a default value in its record, so that bodies written before still read.</remarks>
internal static class EntryJson
{
    internal static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };

    private static readonly JsonSerializerOptions Body = new(Options)
    {
        Converters = { new TypedValueConverter() },
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { LeaveOutWhatEveryEntryHas } },
    };

    private static readonly FrozenDictionary<string, Type> Kinds = new Dictionary<string, Type>
    {
        ["reading"] = typeof(ReadingEntry),
        ["observation"] = typeof(ObservationEntry),
        ["note"] = typeof(NoteEntry),
        ["setting"] = typeof(SettingEntry),
        ["glycol"] = typeof(GlycolEntry),
        ["standing"] = typeof(StandingEntry),
        ["change"] = typeof(ChangeEntry),
        ["part"] = typeof(PartEntry),
        ["refrigerant"] = typeof(RefrigerantEntry),
        ["closure"] = typeof(ClosureEntry),
        ["handover"] = typeof(HandoverEntry),
        ["sign-off"] = typeof(SignOffEntry),
        ["frost"] = typeof(FrostEntry),
        ["photo"] = typeof(PhotoEntry),
        ["meter"] = typeof(MeterEntry),
        ["hazards"] = typeof(HazardsEntry),
        ["proof"] = typeof(ProofEntry),
        ["recommendation"] = typeof(RecommendationEntry),
        ["signature"] = typeof(SignatureEntry),
        ["defrost-set-up"] = typeof(DefrostSetUpEntry),
        ["run"] = typeof(RunEntry),
        ["run-reading"] = typeof(RunReadingEntry),
        ["run-mark"] = typeof(RunMarkEntry),
        ["clock-test"] = typeof(ClockTestEntry),
        ["switch-state"] = typeof(SwitchStateEntry),
        ["sensor"] = typeof(SensorEntry),
        ["sensor-check"] = typeof(SensorCheckEntry),
        ["sensor-mend"] = typeof(SensorMendEntry),
        ["warmed"] = typeof(WarmedEntry),
        ["response"] = typeof(ResponseEntry),
        ["control-setting"] = typeof(ControlSettingEntry),
        ["control-event"] = typeof(ControlEventEntry),
        ["output-state"] = typeof(OutputStateEntry),
        ["parameter"] = typeof(ParameterEntry),
        ["dial"] = typeof(DialEntry),
        ["damage"] = typeof(DamageEntry),
        ["bulb-turn"] = typeof(BulbTurnEntry),
        ["withdrawal"] = typeof(WithdrawalEntry),
    }.ToFrozenDictionary();

    private static readonly FrozenDictionary<Type, string> Names = Kinds.ToFrozenDictionary(k => k.Value, k => k.Key);

    internal static (string Kind, string Body) Write(TimelineEntry entry) => Names.TryGetValue(entry.GetType(), out var kind)
        ? (kind, JsonSerializer.Serialize(entry, entry.GetType(), Body))
        : throw new ArgumentException($"{entry.GetType().Name} has no name among the kinds.", nameof(entry));

    internal static TimelineEntry Read(Guid id, Guid visit, DateTimeOffset at, DateTimeOffset writtenAt, string author, Guid? corrects, string kind, string body)
    {
        var entry = Read(kind, body) ?? new UnknownEntry(id, visit, at, writtenAt, author, corrects, kind, body);
        return entry with { Id = id, VisitId = visit, At = at, WrittenAt = writtenAt, Author = author, Corrects = corrects };
    }

    /// <returns>Null for a kind that is not known, or a body that cannot be read as it.</returns>
    private static TimelineEntry? Read(string kind, string body)
    {
        try
        {
            return Kinds.TryGetValue(kind, out var type) ? (TimelineEntry?)JsonSerializer.Deserialize(body, type, Body) : null;
        }
        catch (Exception e) when (e is JsonException or InvalidDataException or ArgumentException or FormatException)
        {
            return null;
        }
    }

    /// <summary>What every entry has stands in columns of its own; what is worked out is not written at all.</summary>
    private static void LeaveOutWhatEveryEntryHas(JsonTypeInfo type)
    {
        foreach (var workedOut in type.Properties.Where(p => p.Set is null && type.Kind == JsonTypeInfoKind.Object && type.Type.Assembly == typeof(TimelineEntry).Assembly))
            workedOut.ShouldSerialize = (_, _) => false;
        if (!type.Type.IsAssignableTo(typeof(TimelineEntry)))
            return;
        var own = type.Type.GetConstructors()[0].GetParameters().Select(p => p.Name!)
            .Except(typeof(TimelineEntry).GetProperties().Select(p => p.Name)).ToHashSet(StringComparer.OrdinalIgnoreCase);
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
            return new(double.IsFinite(typed.Value) ? typed.Value : throw new InvalidDataException("A value without end."), Unit.Find(typed.Unit) ?? throw new InvalidDataException($"The unit {typed.Unit} is unknown."));
        }

        public override void Write(Utf8JsonWriter writer, TypedValue value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, new Typed(value.Number, value.Unit.Symbol), Options);
    }
}
