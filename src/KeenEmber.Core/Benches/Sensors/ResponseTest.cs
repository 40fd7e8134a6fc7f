using MathNet.Numerics;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>What a sensor does when it is warmed by hand.</summary>
public enum ResponseVerdict
{
    /// <summary>Not enough samples yet.</summary>
    TooFew,

    /// <summary>It follows at once.</summary>
    Quick,

    /// <summary>It follows late.</summary>
    Slow,

    /// <summary>It does not follow.</summary>
    Dead,
}

/// <param name="TimeConstantS">Time for 63.2 % of the step, s; null when it does not move or there are too few readings.</param>
/// <param name="MovedK">How far it went of the whole step, K.</param>
public sealed record SensorResponse(ResponseVerdict Verdict, double? TimeConstantS, double MovedK);

/// <summary>A sensor moved from one temperature to another, between two baths or into the hand.</summary>
/// <remarks>First-order lag, T(t) = T₁ + (T₀ - T₁)·exp(-t/τ) (IEC 60751 annex on response times; τ is t₀.₆₃).</remarks>
public static class ResponseTest
{
    /// <summary>A sensor that has moved less than this share of the step after a minute is dead.</summary>
    private const double DeadShare = 0.05;

    /// <summary>A bare bead in stirred water needs some 5 s, a moulded or sheathed one some 20; in the hand twice that. Slower than this
    /// something is round it, s.</summary>
    public const double SlowS = 45;

    private const double LongEnoughS = 60;

    /// <param name="samples">Seconds since the move, and what the sensor told, °C.</param>
    /// <param name="fromC">Before the move.</param>
    /// <param name="toC">Of the bath (or hand, about 34 °C) it went into.</param>
    public static SensorResponse Judge(IReadOnlyList<(double Seconds, double TempC)> samples, double fromC, double toC)
    {
        var step = toC - fromC;
        if (samples.Count < 2 || Math.Abs(step) < 5)
            return new(ResponseVerdict.TooFew, null, samples.Count == 0 ? 0 : samples[^1].TempC - fromC);
        var moved = samples[^1].TempC - fromC;
        if (moved / step < DeadShare)
            return samples[^1].Seconds >= LongEnoughS ? new(ResponseVerdict.Dead, null, moved) : new(ResponseVerdict.TooFew, null, moved);
        // ln of what is left of the step falls straight with time; near the end only noise is left.
        var left = samples.Select(s => (s.Seconds, Share: (toC - s.TempC) / step)).Where(s => s.Share is > 0.05 and < 1).ToList();
        if (left.Count < 2)
            return left.Count == 1 ? Of(-left[0].Seconds / Math.Log(left[0].Share)) : new(ResponseVerdict.Quick, null, moved);
        var (_, slope) = Fit.Line([.. left.Select(l => l.Seconds)], [.. left.Select(l => Math.Log(l.Share))]);
        return slope < 0 ? Of(-1 / slope) : new(ResponseVerdict.TooFew, null, moved);

        SensorResponse Of(double tau) => new(tau > SlowS ? ResponseVerdict.Slow : ResponseVerdict.Quick, tau, moved);
    }
}
