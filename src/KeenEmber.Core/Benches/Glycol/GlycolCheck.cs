using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Glycol;

/// <param name="Percent">By mass.</param>
/// <param name="SetPoint">What the bath is to be kept at.</param>
/// <param name="ColdestSurface">The coldest surface the glycol was seen to touch; null when nobody measured it.</param>
/// <param name="CoilTd">How far the coil of such a chiller lies below its bath.</param>
public sealed record GlycolInput(GlycolKind Kind, double Percent, Temperature SetPoint, Temperature? ColdestSurface, Band CoilTd)
{
    /// <summary>The upper end of what a strip shows; null where it shows one strength.</summary>
    public double? UpToPercent { get; init; }

    /// <summary>Ice or slush was seen in it.</summary>
    public bool Froze { get; init; }
}

/// <param name="Freezing">Null outside the known range, as is <paramref name="Burst"/>.</param>
/// <param name="MarginAtSetPoint">Set point less freezing point.</param>
/// <param name="MarginAtSurface">Coldest surface less freezing point; negative where it must freeze.</param>
/// <param name="NeededPercent">What the set point asks for, with its coil and the margin; null when no mixture known here gives it.</param>
public sealed record GlycolResult(
    Temperature? Freezing, Temperature? Burst, TemperatureDifference? MarginAtSetPoint, TemperatureDifference? MarginAtSurface,
    double? NeededPercent, IReadOnlyList<Finding> Findings)
{
    /// <summary>Its findings that are faults.</summary>
    public IEnumerable<Finding> Faults => Findings.Where(f => f.Code != GlycolCheck.Fits);
}

/// <summary>Is the mixture strong enough, and if it froze, was it the mixture or the control?</summary>
public static class GlycolCheck
{
    /// <summary>It freezes at the coil's temperature.</summary>
    public const string TooWeak = "glycol.too-weak-for-its-set-point";

    /// <summary>Strong enough, and the control let it get colder than that.</summary>
    public const string ControlTooCold = "glycol.control-let-it-freeze";

    /// <summary>It holds, with less than the usual margin.</summary>
    public const string ThinMargin = "glycol.thin-margin";

    /// <summary>Ice was seen in a mixture that is strong enough: something made it colder than its set point asks for.</summary>
    public const string FrozeThoughStrong = "glycol.froze-though-strong";

    /// <summary>Stronger than it need be, which costs flow and heat.</summary>
    public const string TooStrong = "glycol.stronger-than-needed";

    /// <summary>Strong enough for its set point.</summary>
    public const string Fits = "glycol.fits";

    /// <summary>A strength outside what is known of the mixture.</summary>
    public const string OutOfRange = "glycol.outside-range";

    /// <summary>Freezing should lie this far under the coldest surface at the right set point, K; trade practice 10 °F.</summary>
    public const double MarginK = 5.5;

    /// <summary>With this much between the coil and the freezing point, strength alone does not explain ice, K.</summary>
    private const double FrozeMarginK = 3;

    /// <summary>More than this over what is needed makes the pump work and the coil poor, mass %.</summary>
    public const double TooMuchPercent = 15;

    /// <summary>What a strength means at a set point.</summary>
    public static GlycolResult Judge(GlycolInput input)
    {
        if (GlycolMixture.FreezingPoint(input.Kind, input.Percent) is not { } freezing)
            return new(null, null, null, null, null, [Finding.Of(OutOfRange)]);
        var coil = input.SetPoint - new TemperatureDifference(input.CoilTd.High);
        var needed = GlycolMixture.PercentFor(input.Kind, coil - new TemperatureDifference(MarginK));
        var atSurface = input.ColdestSurface - freezing;
        var values = new Dictionary<string, double> { ["Freezing"] = freezing.Kelvin, ["CoilAtSetPoint"] = coil.Kelvin };
        if (input.ColdestSurface is { } surface)
            values["ColdestSurface"] = surface.Kelvin;

        // A mixture that would freeze on a coil at the right set point is at fault, however cold it was run; only one that would not clears
        // itself.
        var code = (coil - freezing).Kelvin switch
        {
            <= 0 => TooWeak,
            _ when atSurface is { Kelvin: <= 0 } => ControlTooCold,
            _ when input.Froze && (coil - freezing).Kelvin >= FrozeMarginK => FrozeThoughStrong,
            < MarginK => ThinMargin,
            _ when input.Percent > needed + TooMuchPercent => TooStrong,
            _ => Fits,
        };
        return new(freezing, GlycolMixture.BurstPoint(input.Kind, input.Percent), input.SetPoint - freezing, atSurface, needed,
            [new(code, code == ThinMargin || IsBetween(input, code) ? Strength.Fair : Strength.Strong, [], values)
            {
                WouldConfirm = input.ColdestSurface is null && code is ThinMargin or Fits or FrozeThoughStrong ? ["ColdestSurface"] : [],
            }]);
    }

    /// <summary>The upper end of the range would say something else.</summary>
    private static bool IsBetween(GlycolInput input, string code) => input.UpToPercent is { } upper && upper > input.Percent
        && Judge(input with { Percent = upper, UpToPercent = null }).Findings[0].Code != code;
}
