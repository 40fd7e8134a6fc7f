namespace KeenEmber.Core.Benches.Defrost;

/// <summary>When what happened, in minutes of the run.</summary>
/// <param name="IsInferred">Beginning or end of the heat was not marked but read from currents or temperatures.</param>
public sealed record DefrostPhases(
    double? PumpDown, double? HeatOn, double? HeatOff, double? Refrigeration, double? FansOn, bool IsInferred)
{
    /// <summary>Less is the meter's noise, A.</summary>
    private const double LeastA = 0.2;

    /// <summary>A coil this much warmer than it began is being heated, K.</summary>
    private const double WarmedK = 2;

    /// <summary>A run of which nothing is known.</summary>
    public static readonly DefrostPhases None = new(null, null, null, null, null, false);

    /// <summary>How long the heat was on, min; null where begin or end is not known.</summary>
    public double? HeatMin => HeatOff - HeatOn;

    /// <summary>Drip time as it was, min.</summary>
    public double? DripMin => Refrigeration - HeatOff;

    /// <summary>
    /// As marked; where a mark is missing, as the currents say, else as the coil's temperatures say. An end that was marked before the heat
    /// came on
    /// ended nothing: it is left out, so that any order of marks is a sensible run.
    /// </summary>
    public static DefrostPhases Of(DefrostRun run)
    {
        var (on, seen) = (run.Mark(RunMarkKind.HeatOn), ((double? On, double? Off)?)null);
        var off = MarkedOff(run, on);
        var inferred = on is null || off is null;
        if (inferred)
            seen = ByCurrent(run) ?? ByTemperature(run, on);
        on ??= seen?.On < off || off is null ? seen?.On : null;
        off ??= seen?.Off > on ? seen?.Off : null;
        return new(
            run.Mark(RunMarkKind.PumpDown), on, off, After(run, RunMarkKind.Refrigeration, off), After(run, RunMarkKind.FansOn, on),
            inferred && (on is not null || off is not null));
    }

    /// <summary>The first end that was marked after the heat came on; one made by hand goes before one that was seen.</summary>
    private static double? MarkedOff(DefrostRun run, double? on) =>
        First(run, RunMarkKind.HeatOffByHand, on) ?? First(run, RunMarkKind.HeatOff, on);

    private static double? First(DefrostRun run, RunMarkKind kind, double? after) =>
        run.Marks.Where(m => m.Kind == kind && (after is null || m.Minute > after)).Select(m => (double?)m.Minute).Min();

    /// <summary>The first mark of a kind that is not before a minute.</summary>
    private static double? After(DefrostRun run, RunMarkKind kind, double? minute) =>
        run.Marks.Where(m => m.Kind == kind && m.Minute >= (minute ?? 0)).Select(m => (double?)m.Minute).Min();

    private static (double? On, double? Off)? ByCurrent(DefrostRun run)
    {
        // All legs together: one's missing sample is another's witness.
        var legs = run.Tracks.Where(t => t.Place.Kind == RunPlaceKind.HeaterCurrent && t.Minutes.Length > 2)
            .Select(t => (Track: t, Limit: DefrostLimits.HeatOnShare * t.Values.Max()))
            .Where(l => l.Limit > DefrostLimits.HeatOnShare * LeastA).ToList();
        if (legs.Count == 0)
            return null;
        var first = legs.Min(l => l.Track.Minutes[Array.FindIndex(l.Track.Values, v => v > l.Limit)]);
        var last = legs.Max(l => l.Track.Minutes[Array.FindLastIndex(l.Track.Values, v => v > l.Limit)]);
        var before = legs.Select(l => l.Track.Range(first, first).First - 1)
            .Select((i, n) => i < 0 ? null : (double?)legs[n].Track.Minutes[i]).Max();
        var after = legs.Select(l => l.Track.Minutes.Cast<double?>().FirstOrDefault(m => m > last)).Min();
        return (((before ?? first) + first) / 2, (last + after) / 2);
    }

    /// <summary>From the last minute before the coil warms to the minute its warmest place is warmest.</summary>
    private static (double? On, double? Off) ByTemperature(DefrostRun run, double? on)
    {
        var onCoil = run.Tracks.Where(t => t.Place.IsOnCoil && t.Minutes.Length > 3).ToList();
        if (onCoil.Count == 0)
            return (null, null);
        double? warms = onCoil.Min(t =>
        {
            var start = on ?? t.Minutes[0];
            var smooth = MeltPlateau.Smooth(t.Values);
            var coldest = t.At(start) ?? smooth[0];
            var i = Array.FindIndex(smooth, v => v > coldest + WarmedK);
            return i <= 0 ? t.Minutes[0] : t.Minutes[i - 1];
        });
        var peaks = onCoil.Select(t => (Track: t, Peak: Array.IndexOf(t.Values, t.Values.Max())))
            .Where(p => p.Peak < p.Track.Values.Length - 1).ToList();
        return (warms, WarmestAt(peaks));
    }

    /// <summary>When the warmest of the peaks was reached.</summary>
    private static double? WarmestAt(List<(RunTrack Track, int Peak)> peaks)
    {
        if (peaks.Count == 0)
            return null;
        var (track, peak) = peaks.MaxBy(p => p.Track.Values[p.Peak]);
        return track.Minutes[peak];
    }
}
