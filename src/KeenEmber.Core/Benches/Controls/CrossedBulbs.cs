namespace KeenEmber.Core.Benches.Controls;

/// <summary>A control was turned colder and warmer, and this side was seen to follow.</summary>
/// <param name="Control">The side its label names.</param>
/// <param name="Followed">The side whose valve, air or frost followed; empty for none.</param>
public sealed record BulbTurn(string Control, string Followed);

/// <summary>What the turning test of two controls says.</summary>
public enum BulbVerdict
{
    /// <summary>Not enough turns seen yet.</summary>
    TooFew,

    /// <summary>Each side follows its own control, as far as it was tried.</summary>
    Own,

    /// <summary>One control moves the neighbour; the other way round was not tried.</summary>
    OneCrossed,

    /// <summary>Both controls move the neighbour: the bulbs (or probes) sit in each other's case.</summary>
    Crossed,

    /// <summary>A control moves nothing: bulb empty, or its contact does not act.</summary>
    Dead,
}

/// <summary>Neighbouring cases with a control each: which side follows which.</summary>
/// <remarks>Trade practice: the side that never satisfies, or never calls, while its neighbour does, may have its bulb next door.</remarks>
public static class CrossedBulbs
{
    /// <summary>What the turns seen so far say.</summary>
    public static BulbVerdict Judge(IReadOnlyList<BulbTurn> turns)
    {
        var last = turns.GroupBy(t => t.Control).Select(g => g.Last()).ToList();
        if (last.Count == 0)
            return BulbVerdict.TooFew;
        var crossed = last.Where(t => t.Followed.Length > 0 && t.Followed != t.Control).ToList();
        if (crossed.Exists(t => crossed.Exists(o => o.Control == t.Followed && o.Followed == t.Control)))
            return BulbVerdict.Crossed;
        if (crossed.Count > 0)
            return BulbVerdict.OneCrossed;
        return last.Exists(t => t.Followed.Length == 0) ? BulbVerdict.Dead : BulbVerdict.Own;
    }
}
