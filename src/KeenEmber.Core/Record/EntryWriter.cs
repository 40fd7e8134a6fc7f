namespace KeenEmber.Core.Record;

/// <summary>Makes the headers of what one line or form puts on record: ids that follow from the form's own, so that it can be sent twice,
/// and the order in which it was said.</summary>
/// <param name="key">UUIDv7 the form carries.</param>
/// <param name="now">When it is written, and when it was so unless something else is said.</param>
/// <param name="author">Who is at the form.</param>
/// <param name="device">What it was filled in on.</param>
public sealed class EntryWriter(Guid visitId, Guid key, DateTimeOffset now, string author, string device)
{
    private int made;

    /// <summary>When it was so unless something else is said, where the form waited on a phone, with what the phone's clock said then; null
    /// where it did not.</summary>
    public (DateTimeOffset At, DateTimeOffset PhoneAt)? Kept { get; init; }

    /// <param name="at">When it was so.</param>
    /// <param name="corrects">The entry that this one puts right.</param>
    public EntryHeader Next(DateTimeOffset? at = null, Guid? corrects = null) =>
        new(EntryId.OfLine(key, made), visitId, at ?? Kept?.At ?? now, now, author, corrects)
        {
            Device = device, PhoneAt = Kept?.PhoneAt, Sequence = made++,
        };
}
