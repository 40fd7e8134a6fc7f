using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>The hazards of the unit were seen and dealt with before any tool came out.</summary>
public sealed record HazardsEntry(EntryHeader Header, Hazards Seen) : Entry(Header);
