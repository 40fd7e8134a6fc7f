using KeenEmber.Core.Circuit;
using KeenEmber.Core.Controls;
using KeenEmber.Core.Frost;
using KeenEmber.Core.Glycol;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Service;

/// <summary>One thing that was seen, measured or said in a visit. Appended; put right only by a later entry that names it.</summary>
/// <param name="Id">UUIDv7 made where the entry is made, so that sending it twice stores it once.</param>
/// <param name="At">When it was so; a correction keeps the time of what it corrects.</param>
/// <param name="WrittenAt">When it was put on record.</param>
/// <param name="Corrects">The entry this one replaces, if any.</param>
public abstract record TimelineEntry(Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects);

/// <summary>A value measured at a point, kept in the unit it was typed in.</summary>
public sealed record ReadingEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    MeasuringPoint Point, TypedValue Value) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>A fact seen on the unit.</summary>
/// <param name="Index">Which evaporator fan, counted from 1; null for facts there is only one of.</param>
/// <param name="Since">For a running or stopped part: since when, if known.</param>
public sealed record ObservationEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    AsFound Fact, int? Index, FactState State, DateTimeOffset? Since) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>What a note or a photo is about.</summary>
public enum Topic
{
    /// <summary>This visit.</summary>
    Visit,

    /// <summary>Wiring and terminals: kept in sight for the unit, on every later visit.</summary>
    Wiring,
}

public sealed record NoteEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    string Text, Topic Topic = Topic.Visit) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>A photo; its files are kept by their content.</summary>
/// <param name="Hash">SHA-256 of the picture as kept, in hexadecimal: the name of its files.</param>
/// <param name="About">The entry it belongs to; null for the visit as a whole.</param>
public sealed record PhotoEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    string Hash, int Width, int Height, string Caption, Guid? About, Topic Topic = Topic.Visit) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>From here on, readings of a kind are taken with this instrument.</summary>
public sealed record MeterEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    QuantityKind Measures, Meter Meter) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>The hazards of the unit were seen and dealt with before any tool came out.</summary>
public sealed record HazardsEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    Hazards Seen) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>Something was tried after the work, and this is what was seen.</summary>
/// <param name="What">What was watched, in a few words; may be empty.</param>
public sealed record ProofEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    ProofKind Kind, string What) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>Whether a setting is how it was found or how it was left.</summary>
public enum SettingStage { AsFound, AsSet }

/// <summary>A pressure setting, found or made.</summary>
public sealed record SettingEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    PressureSetting Setting, SettingStage Stage, TypedValue Value) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>A glycol mixture as tested.</summary>
/// <param name="Strength">Mass % from a strip, or the freezing point from a refractometer.</param>
/// <param name="ColdestSurface">The coldest surface it was seen to touch, if measured.</param>
public sealed record GlycolEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    GlycolKind Kind, TypedValue Strength, TypedValue? ColdestSurface) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects)
{
    /// <summary>Mass %; null when a freezing point was typed that no mixture has.</summary>
    public double? Percent => Strength.Unit.Kind == QuantityKind.Concentration ? Strength.Number : GlycolMixture.PercentFor(Kind, Strength.Temperature);
}

/// <summary>Pressure and temperature of the system standing still, at one or two temperatures.</summary>
public sealed record StandingEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    TypedValue Pressure, TypedValue Temperature, TypedValue? SecondPressure, TypedValue? SecondTemperature)
    : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>A frost picture of the coil.</summary>
/// <param name="After">After the work; as found otherwise.</param>
public sealed record FrostEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    bool After, FrostPicture Picture) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>An entry of a kind this program does not know, or whose body it cannot read: kept as it lies in the record, and judged by nothing.</summary>
/// <param name="Body">As written.</param>
public sealed record UnknownEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    string Kind, string Body) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>Strikes out the entry it corrects without putting another in its place.</summary>
public sealed record WithdrawalEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects)
    : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>Ids for entries.</summary>
public static class EntryId
{
    /// <summary>The id of the n-th entry of one line, made from the line's own id, so that the same line always gives the same ids.</summary>
    /// <param name="lineId">UUIDv7 of the line.</param>
    /// <param name="index">0 to 65535.</param>
    public static Guid OfLine(Guid lineId, int index)
    {
        ArgumentOutOfRangeException.ThrowIfGreaterThan(index, ushort.MaxValue);
        Span<byte> bytes = stackalloc byte[16];
        lineId.TryWriteBytes(bytes, bigEndian: true, out _);
        bytes[14] ^= (byte)(index >> 8);
        bytes[15] ^= (byte)index;
        return new Guid(bytes, bigEndian: true);
    }
}
