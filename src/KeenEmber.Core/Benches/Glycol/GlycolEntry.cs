using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Glycol;

/// <summary>A glycol circuit as tested: its mixture, its pump, its bath. What was not looked at is null.</summary>
/// <param name="Strength">Mass % from a strip, or the freezing point from a refractometer.</param>
/// <param name="ColdestSurface">The coldest surface it was seen to touch.</param>
/// <param name="UpToPercent">The upper end of what a strip shows between two fields, mass %.</param>
/// <param name="PumpRuns">The pump moves the mixture.</param>
/// <param name="BathFull">The bath covers coil and intake.</param>
/// <param name="Froze">Ice or slush was seen in it.</param>
/// <param name="AlkalinityHolds">The strip's field for reserve alkalinity is in its range: the inhibitors still hold.</param>
public sealed record GlycolEntry(
    EntryHeader Header, GlycolKind Kind, TypedValue? Strength, TypedValue? ColdestSurface, double? UpToPercent = null,
    bool? PumpRuns = null, bool? BathFull = null, bool? Froze = null, bool? AlkalinityHolds = null) : Entry(Header)
{
    /// <summary>Mass %, of a range its lower end; null without a strength, and when a freezing point was typed that no mixture
    /// has.</summary>
    public double? Percent => Strength switch
    {
        null => null,
        { Unit.Kind: QuantityKind.Concentration } percent => percent.Number,
        { } freezing => GlycolMixture.PercentFor(Kind, freezing.Temperature),
    };
}
