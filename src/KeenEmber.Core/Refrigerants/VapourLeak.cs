using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Refrigerants;

/// <summary>What is left of a blend after vapour has leaked from a system at rest.</summary>
public static class VapourLeak
{
    /// <summary>Share of the remaining charge that leaves in one step.</summary>
    private const double Step = 0.005;

    /// <summary>The most that can be asked for: beyond it hardly any liquid is left and the result says little.</summary>
    public const double LargestShare = 0.95;

    /// <summary>
    /// Liquid at rest boils off slowly and what leaves has the composition of the vapour above it (Lord Rayleigh, Phil. Mag. 4
    /// (1902) 521), taken in steps of half a per cent. The vapour space itself is neglected against the liquid.
    /// </summary>
    /// <param name="before">The composition before the leak.</param>
    /// <param name="share">Share of the charge lost, by mass, 0 to 0.95; values outside are held at the nearer end.</param>
    /// <param name="at">Temperature at which it stood.</param>
    /// <returns>The remaining composition; null when the blend has no liquid at this temperature.</returns>
    public static Composition? Remaining(Composition before, double share, Temperature at)
    {
        var left = before;
        var toLose = -Math.Log(1 - Math.Clamp(share, 0, LargestShare));
        while (toLose > 0)
        {
            var step = Math.Min(Step, toLose);
            if (new MixtureEquilibrium(left).Bubble(at.Kelvin) is not { } bubble)
                return null;
            var vapour = Composition.ByMoles(left.Parts.Select((p, i) => (p.Component, bubble.Incipient[i])));
            var lost = 1 - Math.Exp(-step);
            left = Composition.ByMass(left.Parts.Select((p, i) => (p.Component, p.Share - lost * vapour.Parts[i].Share)));
            toLose -= step;
        }

        return left;
    }
}
