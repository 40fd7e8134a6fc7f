using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Record;

/// <summary>A value measured at a point, kept in the unit it was typed in.</summary>
public sealed record ReadingEntry(EntryHeader Header, PointRef Point, TypedValue Value) : Entry(Header);

/// <summary>A fact seen on the unit.</summary>
/// <param name="Index">Which evaporator fan, counted from 1; null for facts there is only one of.</param>
/// <param name="Since">For a running or stopped part: since when, if known.</param>
public sealed record ObservationEntry(EntryHeader Header, AsFound Fact, int? Index, FactState State, DateTimeOffset? Since) : Entry(Header);

/// <summary>What a note or a photo is about.</summary>
public enum Topic
{
    /// <summary>This visit.</summary>
    Visit,

    /// <summary>Wiring and terminals: kept in sight for the unit, on every later visit.</summary>
    Wiring,
}

/// <summary>Something in words.</summary>
/// <param name="Text">As written.</param>
/// <param name="Topic">What it is about.</param>
public sealed record NoteEntry(EntryHeader Header, string Text, Topic Topic = Topic.Visit) : Entry(Header);

/// <summary>A photo; its files are kept by their content.</summary>
/// <param name="Hash">SHA-256 of the picture as kept, in hexadecimal: the name of its files.</param>
/// <param name="About">The entry it belongs to; null for the visit as a whole.</param>
public sealed record PhotoEntry(
    EntryHeader Header, string Hash, int Width, int Height, string Caption, Guid? About, Topic Topic = Topic.Visit) : Entry(Header)
{
    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) =>
        (PhotoEntry)base.WithReferences(map) with { About = About is { } named ? map(named) : null };
}

/// <summary>From here on, readings of a kind are taken with this instrument.</summary>
public sealed record InstrumentEntry(EntryHeader Header, QuantityKind Measures, NamedInstrument Instrument) : Entry(Header);
