using System.Collections.Frozen;
using System.Text.Json;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Probes;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Written;

/// <summary>The kinds of entries by their wire names: those of the work round the measuring, and those that the benches bring.</summary>
/// <remarks>A name is never used for anything else once an entry was written with it.</remarks>
public sealed class EntryKinds
{
    /// <summary>The kind that strikes out.</summary>
    public const string Withdrawal = "withdrawal";

    private static readonly (string Name, Type Type)[] OfTheVisit =
    [
        ("reading", typeof(ReadingEntry)),
        ("observation", typeof(ObservationEntry)),
        ("note", typeof(NoteEntry)),
        ("change", typeof(ChangeEntry)),
        ("part", typeof(PartEntry)),
        ("earlier-part", typeof(EarlierPartEntry)),
        ("refrigerant", typeof(RefrigerantEntry)),
        ("closure", typeof(ClosureEntry)),
        ("handover", typeof(HandoverEntry)),
        ("sign-off", typeof(SignOffEntry)),
        ("photo", typeof(PhotoEntry)),
        ("meter", typeof(InstrumentEntry)),
        ("hazards", typeof(HazardsEntry)),
        ("proof", typeof(ProofEntry)),
        ("recommendation", typeof(RecommendationEntry)),
        ("signature", typeof(SignatureEntry)),
        ("probe-tie", typeof(ProbeTieEntry)),
        ("probe-recording", typeof(ProbeRecordingEntry)),
        ("diagnosis-fact", typeof(DiagnosisFactEntry)),
        (Withdrawal, typeof(WithdrawalEntry)),
    ];

    private readonly FrozenDictionary<string, Type> kinds;
    private readonly FrozenDictionary<Type, string> names;

    /// <param name="benches">All of them; a kind of one that is not here is read as an unknown one.</param>
    public EntryKinds(IEnumerable<IBench> benches)
    {
        kinds = OfTheVisit.Select(k => KeyValuePair.Create(k.Name, k.Type)).Concat(benches.SelectMany(b => b.Entries)).ToFrozenDictionary();
        names = kinds.ToFrozenDictionary(k => k.Value, k => k.Key);
    }

    /// <summary>Those of the house's own benches.</summary>
    public static EntryKinds House { get; } = new(BenchList.Of(_ => []));

    /// <summary>Every kind by its wire name.</summary>
    public IReadOnlyDictionary<string, Type> ByName => kinds;

    /// <summary>An entry as it is written down.</summary>
    /// <exception cref="ArgumentException">No bench that is here brings its kind.</exception>
    public (string Kind, int Version, string Body) Write(Entry entry) => names.TryGetValue(entry.GetType(), out var kind)
        ? (kind, EntryVersions.Of(kind), EntryJson.Write(entry))
        : throw new ArgumentException($"{entry.GetType().Name} has no name among the kinds.", nameof(entry));

    /// <returns>An unknown entry for a kind or a version that is not known, or a body that cannot be read as it.</returns>
    /// <summary>An entry as it was written down.</summary>
    public Entry Read(EntryHeader header, string kind, int version, string body) => Known(kind, version, body) is { } entry
        ? entry with { Header = header } : new UnknownEntry(header, kind, body);

    private Entry? Known(string kind, int version, string body)
    {
        try
        {
            return kinds.TryGetValue(kind, out var type) && EntryVersions.BroughtUp(kind, version, body) is { } newest
                ? EntryJson.Read(type, newest) : null;
        }
        catch (Exception e) when (e is JsonException or InvalidDataException or ArgumentException or FormatException)
        {
            return null;
        }
    }
}
