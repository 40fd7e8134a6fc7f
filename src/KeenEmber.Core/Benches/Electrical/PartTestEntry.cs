using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>One number of a part's test.</summary>
/// <param name="Name">As <see cref="TestedPart"/> lists them.</param>
/// <param name="Value">As typed; null where the meter showed an open circuit, and for a word.</param>
/// <param name="Word">What was chosen, where it is no number; else empty.</param>
public sealed record PartNumber(string Name, TypedValue? Value, string Word = "");

/// <summary>An electrical part was tested field by field.</summary>
/// <param name="Test">How it was tested.</param>
/// <param name="Numbers">What it is marked with and what was measured, in the order of the fields; at least one.</param>
public sealed record PartTestEntry(EntryHeader Header, Component Component, TestedPart Test, IReadOnlyList<PartNumber> Numbers)
    : Entry(Header)
{
    /// <summary>The same test with the same numbers.</summary>
    public bool Equals(PartTestEntry? other) => base.Equals(other) && Component == other.Component && Test == other.Test
        && Numbers.SequenceEqual(other.Numbers);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Component, Test, Numbers.Count);
}
