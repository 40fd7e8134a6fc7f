namespace KeenEmber.Core.Record;

/// <summary>What every entry has, whatever it says.</summary>
/// <param name="Id">UUIDv7 made where the entry is made, so that sending it twice stores it once.</param>
/// <param name="At">When it was so; a correction keeps the time of what it corrects.</param>
/// <param name="WrittenAt">When it was put on record.</param>
/// <param name="Author">Who made it, not who began the visit.</param>
/// <param name="Corrects">The entry this one replaces, if any.</param>
public sealed record EntryHeader(Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects = null)
{
    /// <summary>The phone, tablet or laptop it was made on; empty in entries from before that was kept.</summary>
    public string Device { get; init; } = "";

    /// <summary>What the phone's own clock said when it was made, of an entry that waited there for signal; null for all others.</summary>
    public DateTimeOffset? PhoneAt { get; init; }

    /// <summary>Its place among what one line or form made together, from 0: "fans on, fan 2 off" ends with fan 2 off.</summary>
    public int Sequence { get; init; }
}

/// <summary>One thing that was seen, measured or said in a visit. Appended; put right only by a later entry that names it.</summary>
public abstract record Entry(EntryHeader Header)
{
    /// <summary>Of this entry.</summary>
    public Guid Id => Header.Id;

    /// <summary>Of the visit it belongs to.</summary>
    public Guid VisitId => Header.VisitId;

    /// <summary>When it was so.</summary>
    public DateTimeOffset At => Header.At;

    /// <summary>When the server took it in.</summary>
    public DateTimeOffset WrittenAt => Header.WrittenAt;

    /// <summary>Who wrote it.</summary>
    public string Author => Header.Author;

    /// <summary>Id of the entry it corrects; null for a new one.</summary>
    public Guid? Corrects => Header.Corrects;

    /// <summary>The same with every id of an entry that it names put through a map: for a batch whose ids had to change.</summary>
    public virtual Entry WithReferences(Func<Guid, Guid> map) =>
        Corrects is { } corrects ? this with { Header = Header with { Corrects = map(corrects) } } : this;
}

/// <summary>An entry of a kind this program does not know, or whose body it cannot read: kept as it lies in the record, and judged by
/// nothing.</summary>
/// <param name="Body">As written.</param>
public sealed record UnknownEntry(EntryHeader Header, string Kind, string Body) : Entry(Header);

/// <summary>Strikes out the entry it corrects without putting another in its place.</summary>
public sealed record WithdrawalEntry(EntryHeader Header) : Entry(Header);
