using KeenEmber.Core.Quantities;
using MathNet.Numerics.Interpolation;

namespace KeenEmber.Core.Benches.Glycol;

/// <summary>What the water is mixed with.</summary>
public enum GlycolKind
{
    /// <summary>Propylene glycol.</summary>
    Propylene,

    /// <summary>Ethylene glycol, which is poisonous.</summary>
    Ethylene,
}

/// <summary>Where a mixture of water and glycol freezes, and where it would burst what holds it.</summary>
/// <remarks>
/// Freezing points: ASHRAE Handbook - Fundamentals, chapter on secondary coolants, aqueous solutions of propylene and ethylene
/// glycol by mass, 0 to 60 %; between the table's points by a monotone curve. Range of use 0 to 60 % by mass. Below its freezing
/// point a mixture is slush; it bursts a pipe only further down: the concentration that protects from bursting is about two thirds
/// of the one that protects from freezing, same source. Strips and refractometers often say volume %, which reads up to 2 % lower
/// than mass % and is then on the safe side.
/// </remarks>
public static class GlycolMixture
{
    /// <summary>Beyond this the table ends, % by mass.</summary>
    public const double HighestPercent = 60;

    private const double BurstShare = 2.0 / 3;

    private static readonly double[] Percent = [0, 5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60];

    private static readonly Dictionary<GlycolKind, double[]> FreezingC = new()
    {
        [GlycolKind.Propylene] = [0, -1.6, -3.3, -5.1, -7.1, -9.6, -12.7, -16.4, -21.1, -26.7, -33.5, -41.6, -51.1],
        [GlycolKind.Ethylene] = [0, -1.4, -3.2, -5.4, -7.8, -10.7, -14.1, -17.9, -22.3, -27.5, -33.8, -41.1, -48.3],
    };

    private static readonly Dictionary<GlycolKind, IInterpolation> Curves =
        FreezingC.ToDictionary(f => f.Key, f => (IInterpolation)CubicSpline.InterpolatePchipSorted(Percent, f.Value));

    private static readonly Dictionary<GlycolKind, IInterpolation> Inverses = FreezingC.ToDictionary(
        f => f.Key, f => (IInterpolation)CubicSpline.InterpolatePchipSorted([.. f.Value.Select(c => -c)], Percent));

    /// <param name="percent">Glycol by mass, 0 to 60 %.</param>
    /// <returns>Null outside the range.</returns>
    public static Temperature? FreezingPoint(GlycolKind kind, double percent) =>
        percent is >= 0 and <= HighestPercent ? Temperature.FromCelsius(Curves[kind].Interpolate(percent)) : null;

    /// <summary>The concentration that freezes at this temperature, mass %.</summary>
    /// <returns>Null above 0 °C and below what 60 % gives.</returns>
    public static double? PercentFor(GlycolKind kind, Temperature freezing) =>
        freezing.Celsius <= 0 && freezing.Celsius >= FreezingC[kind][^1] ? Inverses[kind].Interpolate(-freezing.Celsius) : null;

    /// <summary>Down to here the slush does not yet burst pipes; for strong mixtures held at what 60 % gives.</summary>
    /// <returns>Null outside the range.</returns>
    public static Temperature? BurstPoint(GlycolKind kind, double percent) =>
        FreezingPoint(kind, percent < 0 ? percent : Math.Min(percent / BurstShare, HighestPercent));
}
