using KeenEmber.Core.Benches.Circuit;

namespace KeenEmber.Words.Benches.Circuit;

/// <summary>What a standing pressure says, and what would tell more.</summary>
public static class StandingText
{
    public static string Verdict(StandingResult result, string label) => result.Verdict switch
    {
        StandingVerdict.Normal => $"On the line of {label}: there is liquid, and no sign of air.",
        StandingVerdict.ShortOfLiquid => $"Far under the line of {label}: hardly any liquid is left.",
        StandingVerdict.TooHigh => $"Above the line of {label}: air or another non-condensable gas, or another refrigerant.",
        StandingVerdict.NonCondensables =>
            $"Above the line of {label} by nearly the same pressure at both temperatures: a gas that does not condense.",
        StandingVerdict.OtherRefrigerant => $"Not the line of {label}, but another's: see what fits.",
        StandingVerdict.NotSettled => "Pressure fell while it got warmer: the two readings are not of one settled system.",
        _ => $"This is outside what is known of {label}.",
    };

    public static string Next(StandingResult result, UnitText units) => result.Verdict switch
    {
        StandingVerdict.Normal => "A blend stands between its dew and its bubble pressure. This does not say how much liquid there is.",
        StandingVerdict.ShortOfLiquid =>
            "Look for the leak before adding anything. A second reading at another temperature shows whether it is another "
            + "refrigerant instead: without liquid the pressure hardly moves.",
        StandingVerdict.TooHigh when result.SecondAt is { } apart =>
            $"Take a second settled reading at least {units.Difference(apart.Kelvin)} away, for instance with the condenser in water "
            + "or before sunrise.",
        StandingVerdict.TooHigh =>
            "Neither air nor one refrigerant fits both readings: a mixture is likely. Compare with what is really in there.",
        StandingVerdict.NonCondensables => "Recover, evacuate to a deep vacuum with a rise test, weigh in new. Never vent.",
        StandingVerdict.OtherRefrigerant =>
            "Read nameplate and labels again before using any pressure chart. Recover as unknown if in doubt.",
        StandingVerdict.NotSettled =>
            "Wait until coil, condenser and receiver are at one temperature. Compressor and fans off, valves open.",
        _ => "Check the unit of what was typed.",
    };
}
