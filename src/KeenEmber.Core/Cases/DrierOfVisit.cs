using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Cases;

/// <summary>The drier a circuit wants, by everything the visit saw: what was opened, what the vacuum showed, what was found in the
/// compressor.</summary>
/// <remarks>Trade practice and compressor makers' burn-out instructions; the maker's own come first.</remarks>
public static class DrierOfVisit
{
    private static readonly HashSet<AutopsySign> Burnt =
        [AutopsySign.OneWindingBurnt, AutopsySign.AllWindingsBurnt, AutopsySign.BlackOil];

    /// <summary>What belongs in; nothing where the circuit was not opened or the new drier is in.</summary>
    public static DrierAdvice DrierAdvice(this VisitCase visit)
    {
        var byCharge = visit.Of<ChargeJudgement>()?.Drier ?? Benches.Charge.DrierAdvice.None;
        var isBurnt = visit.Of<ChargeJudgement>()?.OpenedAt is not null && visit.Timeline.Standing.OfType<AutopsyEntry>()
            .Any(a => a.Component.Kind == ComponentKind.Compressor && a.Signs.Any(Burnt.Contains));
        return isBurnt ? Benches.Charge.DrierAdvice.BurnOut : byCharge;
    }
}
