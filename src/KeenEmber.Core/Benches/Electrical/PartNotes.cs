using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What kind of part a unit has: this control, this clock, this motor.</summary>
/// <param name="Kind">In the company's own words: "four-key controller".</param>
public sealed record PartKindEntry(EntryHeader Header, Component Component, string Kind) : Entry(Header);

/// <summary>Something about a kind of part, for every unit that has one: how to open it, how to get into its menu, what its probe reads in
/// ice, where its leads rub.</summary>
/// <param name="Kind">As <see cref="PartKindEntry"/> has it; upper and lower case are the same.</param>
/// <param name="Text">As written.</param>
public sealed record PartNoteEntry(EntryHeader Header, string Kind, string Text) : Entry(Header)
{
    /// <summary>It is about parts of this kind.</summary>
    public bool IsAbout(string kind) => Kind.Equals(kind, StringComparison.OrdinalIgnoreCase);
}
