using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Glycol;

/// <summary>A glycol mixture as tested.</summary>
/// <param name="Strength">Mass % from a strip, or the freezing point from a refractometer.</param>
/// <param name="ColdestSurface">The coldest surface it was seen to touch, if measured.</param>
public sealed record GlycolEntry(EntryHeader Header, GlycolKind Kind, TypedValue Strength, TypedValue? ColdestSurface) : Entry(Header)
{
    /// <summary>Mass %; null when a freezing point was typed that no mixture has.</summary>
    public double? Percent =>
        Strength.Unit.Kind == QuantityKind.Concentration ? Strength.Number : GlycolMixture.PercentFor(Kind, Strength.Temperature);
}
