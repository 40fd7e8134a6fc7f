using System.Collections.Frozen;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Benches.Glycol;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Storage;

/// <summary>How the body of a timeline entry is written: what its own kind adds to an entry, names instead of numbers, values in the unit they were typed in.</summary>
/// <remarks>
/// A member added to a kind later needs a default value in its record, so that bodies written before still read. Any other change of what a body looks like
/// is a new version with a step in <see cref="EntryVersions"/>, and a renamed member of an enumeration a line in <see cref="WireNames"/>.
/// </remarks>
internal static class EntryJson
{
    internal static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { Converters = { new WireNames() } };

    private static readonly JsonSerializerOptions Body = new(Options)
    {
        Converters = { new TypedValueConverter() },
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { LeaveOutWhatEveryEntryHas } },
    };

    /// <summary>The kind that strikes out.</summary>
    internal const string Withdrawal = "withdrawal";

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
        [Withdrawal] = typeof(WithdrawalEntry),
    }.ToFrozenDictionary();

    private static readonly FrozenDictionary<Type, string> Names = Kinds.ToFrozenDictionary(k => k.Value, k => k.Key);

    /// <summary>Every kind by its wire name.</summary>
    internal static IReadOnlyDictionary<string, Type> KindsByName => Kinds;

    internal static (string Kind, int Version, string Body) Write(Entry entry) => Names.TryGetValue(entry.GetType(), out var kind)
        ? (kind, EntryVersions.Of(kind), JsonSerializer.Serialize(entry, entry.GetType(), Body))
        : throw new ArgumentException($"{entry.GetType().Name} has no name among the kinds.", nameof(entry));

    internal static Entry Read(EntryHeader header, string kind, int version, string body) =>
        Read(kind, version, body) is { } entry ? entry with { Header = header } : new UnknownEntry(header, kind, body);

    /// <returns>Null for a kind or a version that is not known, or a body that cannot be read as it.</returns>
    private static Entry? Read(string kind, int version, string body)
    {
        try
        {
            return Kinds.TryGetValue(kind, out var type) && EntryVersions.BroughtUp(kind, version, body) is { } newest ? (Entry?)JsonSerializer.Deserialize(newest, type, Body) : null;
        }
        catch (Exception e) when (e is JsonException or InvalidDataException or ArgumentException or FormatException)
        {
            return null;
        }
    }

    /// <summary>What every entry has stands in columns of its own; what is worked out is not written at all.</summary>
    private static void LeaveOutWhatEveryEntryHas(JsonTypeInfo type)
    {
        foreach (var workedOut in type.Properties.Where(p => p.Set is null && type.Kind == JsonTypeInfoKind.Object && type.Type.Assembly == typeof(Entry).Assembly))
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
            return new(double.IsFinite(typed.Value) ? typed.Value : throw new InvalidDataException("A value without end."), Unit.Find(typed.Unit) ?? throw new InvalidDataException($"The unit {typed.Unit} is unknown."));
        }

        public override void Write(Utf8JsonWriter writer, TypedValue value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, new Typed(value.Number, value.Unit.Symbol), Options);
    }
}
