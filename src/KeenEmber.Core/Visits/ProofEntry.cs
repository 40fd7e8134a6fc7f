using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>Something was tried after the work, and this is what was seen.</summary>
/// <param name="What">What was watched, in a few words; may be empty.</param>
public sealed record ProofEntry(EntryHeader Header, ProofKind Kind, string What) : Entry(Header);
