using KeenEmber.Core.Record;

namespace KeenEmber.Core.Diagnosis;

/// <summary>An observable was looked at, asked or measured for the diagnosis, where no other entry has a place for it.</summary>
/// <param name="Observable">Its code.</param>
/// <param name="Answer">One of its answers; empty for a number, and where it cannot be had.</param>
/// <param name="Number">In the unit of the observable; null for an answer.</param>
/// <param name="Cannot">It cannot be had now.</param>
public sealed record DiagnosisFactEntry(EntryHeader Header, string Observable, string Answer, double? Number = null, bool Cannot = false)
    : Entry(Header)
{
    /// <summary>Answer of what can never be had on the unit: it is not asked for on later visits either.</summary>
    public const string Never = "never";
}
