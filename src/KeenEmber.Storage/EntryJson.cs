using System.Text.Json;
using System.Text.Json.Serialization;
using KeenEmber.Core.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Service;

namespace KeenEmber.Storage;

/// <summary>How the body of a timeline entry is written: names, not numbers, and values in the unit they were typed in.</summary>
internal static class EntryJson
{
    internal static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };

    private sealed record ReadingBody(MeasuringPoint Point, double Value, string Unit);

    private sealed record ObservationBody(AsFound Fact, int? Index, FactState State, DateTimeOffset? Since);

    private sealed record NoteBody(string Text);

    internal static (string Kind, string Body) Write(TimelineEntry entry) => entry switch
    {
        ReadingEntry r => ("reading", Json(new ReadingBody(r.Point, r.Value.Number, r.Value.Unit.Symbol))),
        ObservationEntry o => ("observation", Json(new ObservationBody(o.Fact, o.Index, o.State, o.Since))),
        NoteEntry n => ("note", Json(new NoteBody(n.Text))),
        WithdrawalEntry => ("withdrawal", "{}"),
        _ => throw new ArgumentException($"No body is defined for {entry.GetType().Name}.", nameof(entry)),
    };

    internal static TimelineEntry Read(Guid id, Guid visit, DateTimeOffset at, DateTimeOffset writtenAt, string author, Guid? corrects, string kind, string body)
    {
        switch (kind)
        {
            case "reading":
                var r = Of<ReadingBody>(body);
                var unit = Unit.Find(r.Unit) ?? throw new InvalidDataException($"Entry {id} has the unknown unit {r.Unit}.");
                return new ReadingEntry(id, visit, at, writtenAt, author, corrects, r.Point, new(r.Value, unit));
            case "observation":
                var o = Of<ObservationBody>(body);
                return new ObservationEntry(id, visit, at, writtenAt, author, corrects, o.Fact, o.Index, o.State, o.Since);
            case "note":
                return new NoteEntry(id, visit, at, writtenAt, author, corrects, Of<NoteBody>(body).Text);
            case "withdrawal":
                return new WithdrawalEntry(id, visit, at, writtenAt, author, corrects);
            default:
                throw new InvalidDataException($"Entry {id} is of the unknown kind {kind}.");
        }
    }

    private static string Json<T>(T body) => JsonSerializer.Serialize(body, Options);

    private static T Of<T>(string body) => JsonSerializer.Deserialize<T>(body, Options)!;
}
