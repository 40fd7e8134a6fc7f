using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Frost;

/// <summary>A frost picture of the coil.</summary>
/// <param name="After">After the work; as found otherwise.</param>
public sealed record FrostEntry(EntryHeader Header, bool After, FrostPicture Picture) : Entry(Header);
