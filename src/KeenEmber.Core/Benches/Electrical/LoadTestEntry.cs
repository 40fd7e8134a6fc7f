using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>An electrical part was measured.</summary>
/// <param name="Component">The part.</param>
/// <param name="Readings">In the order in which they were taken; at least one.</param>
/// <param name="Marked">What the part is marked with, where that was read.</param>
public sealed record LoadTestEntry(
    EntryHeader Header, Component Component, LoadTest Test, IReadOnlyList<LoadReading> Readings, TypedValue? Marked = null) : Entry(Header)
{
    /// <summary>The same test with the same readings.</summary>
    public bool Equals(LoadTestEntry? other) => base.Equals(other) && Component == other.Component && Test == other.Test
        && Readings.SequenceEqual(other.Readings) && Marked == other.Marked;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Component, Test, Readings.Count);
}
