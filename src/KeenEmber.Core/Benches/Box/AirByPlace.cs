namespace KeenEmber.Core.Benches.Box;

/// <summary>What air temperatures at several places of a box say of its air.</summary>
/// <param name="Return">The last of each place, the warmest first.</param>
/// <param name="Supply">The last of each place, the warmest first.</param>
public sealed record AirByPlace(IReadOnlyList<AirAtEntry> Return, IReadOnlyList<AirAtEntry> Supply)
{
    /// <summary>Places of one side of a box with sound air are closer together than this, K; trade experience.</summary>
    private const double UnevenK = 3;

    /// <summary>Air that comes back this near to what was blown out has not been among the product, K.</summary>
    private const double StraightBackK = 1.5;

    /// <param name="seen">Since the last work.</param>
    public static AirByPlace Of(IEnumerable<AirAtEntry> seen)
    {
        var last = seen.GroupBy(a => (a.Side, a.Where.ToUpperInvariant())).Select(g => g.MaxBy(a => a.At)!)
            .OrderByDescending(a => a.Temperature.Si(default)).ToLookup(a => a.Side);
        return new([.. last[AirSide.Return]], [.. last[AirSide.Supply]]);
    }

    /// <summary>How far the places of a side lie apart, K; null with fewer than two.</summary>
    private static double? SpreadK(IReadOnlyList<AirAtEntry> side) =>
        side.Count < 2 ? null : side[0].Temperature.Si(default) - side[^1].Temperature.Si(default);

    /// <summary>The warm place, where air of the box does not reach all of it or warm air gets in; null where it is even.</summary>
    public AirAtEntry? WarmPlace => SpreadK(Return) > UnevenK ? Return[0] : null;

    /// <summary>The warm end of the coil: iced, starved or without its fan there; null where it is even.</summary>
    public AirAtEntry? WarmSupply => SpreadK(Supply) > UnevenK ? Supply[0] : null;

    /// <summary>Where supply air goes straight back to the coil; null where it does not.</summary>
    public AirAtEntry? StraightBack =>
        Return.Count > 1 && Supply.Count > 0 && Return[^1].Temperature.Si(default) - Supply[^1].Temperature.Si(default) < StraightBackK
            ? Return[^1] : null;
}
