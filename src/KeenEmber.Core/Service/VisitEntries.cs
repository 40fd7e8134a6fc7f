using KeenEmber.Core.Circuit;
using KeenEmber.Core.Controls;
using KeenEmber.Core.Frost;
using KeenEmber.Core.Glycol;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Service;

/// <summary>A value measured at a point, kept in the unit it was typed in.</summary>
public sealed record ReadingEntry(EntryHeader Header, MeasuringPoint Point, TypedValue Value) : Entry(Header);

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

public sealed record NoteEntry(EntryHeader Header, string Text, Topic Topic = Topic.Visit) : Entry(Header);

/// <summary>A photo; its files are kept by their content.</summary>
/// <param name="Hash">SHA-256 of the picture as kept, in hexadecimal: the name of its files.</param>
/// <param name="About">The entry it belongs to; null for the visit as a whole.</param>
public sealed record PhotoEntry(EntryHeader Header, string Hash, int Width, int Height, string Caption, Guid? About, Topic Topic = Topic.Visit) : Entry(Header)
{
    public override Entry WithReferences(Func<Guid, Guid> map) => (PhotoEntry)base.WithReferences(map) with { About = About is { } named ? map(named) : null };
}

/// <summary>From here on, readings of a kind are taken with this instrument.</summary>
public sealed record MeterEntry(EntryHeader Header, QuantityKind Measures, Meter Meter) : Entry(Header);

/// <summary>The hazards of the unit were seen and dealt with before any tool came out.</summary>
public sealed record HazardsEntry(EntryHeader Header, Hazards Seen) : Entry(Header);

/// <summary>Something was tried after the work, and this is what was seen.</summary>
/// <param name="What">What was watched, in a few words; may be empty.</param>
public sealed record ProofEntry(EntryHeader Header, ProofKind Kind, string What) : Entry(Header);

/// <summary>Whether a setting is how it was found or how it was left.</summary>
public enum SettingStage { AsFound, AsSet }

/// <summary>A pressure setting, found or made.</summary>
public sealed record SettingEntry(EntryHeader Header, PressureSetting Setting, SettingStage Stage, TypedValue Value) : Entry(Header);

/// <summary>A glycol mixture as tested.</summary>
/// <param name="Strength">Mass % from a strip, or the freezing point from a refractometer.</param>
/// <param name="ColdestSurface">The coldest surface it was seen to touch, if measured.</param>
public sealed record GlycolEntry(EntryHeader Header, GlycolKind Kind, TypedValue Strength, TypedValue? ColdestSurface) : Entry(Header)
{
    /// <summary>Mass %; null when a freezing point was typed that no mixture has.</summary>
    public double? Percent => Strength.Unit.Kind == QuantityKind.Concentration ? Strength.Number : GlycolMixture.PercentFor(Kind, Strength.Temperature);
}

/// <summary>Pressure and temperature of the system standing still, at one or two temperatures.</summary>
public sealed record StandingEntry(EntryHeader Header, TypedValue Pressure, TypedValue Temperature, TypedValue? SecondPressure, TypedValue? SecondTemperature) : Entry(Header);

/// <summary>A frost picture of the coil.</summary>
/// <param name="After">After the work; as found otherwise.</param>
public sealed record FrostEntry(EntryHeader Header, bool After, FrostPicture Picture) : Entry(Header);
