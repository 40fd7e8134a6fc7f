namespace KeenEmber.Core.Benches.Defrost;

/// <summary>Parts a long log into its defrosts.</summary>
public static class DefrostSplit
{
    /// <summary>So much of the time before and after the heat belongs to a defrost, min.</summary>
    private const double BeforeMin = 15, AfterMin = 75;

    /// <summary>Heat that is off for less than this has not ended: a gap in the log or a cycling safety, min.</summary>
    private const double ShortestPauseMin = 20;

    /// <returns>One run for each time the heaters drew current, its minutes counted from its own start; the log itself where no current was
    /// logged or none flowed.</returns>
    public static IReadOnlyList<DefrostRun> Of(DefrostRun log)
    {
        var starts = new List<double>();
        foreach (var track in log.Tracks.Where(t => t.Place.Kind == RunPlaceKind.HeaterCurrent && !t.IsEmpty))
            starts.AddRange(Starts(track));
        starts.Sort();
        var apart = new List<double>();
        foreach (var start in starts)
        {
            if (apart.Count == 0 || start - apart[^1] > ShortestPauseMin)
                apart.Add(start);
        }

        return apart.Count <= 1 ? [log]
            : [.. apart.Select(
            (start, i) =>
            Part(log, start - BeforeMin, Math.Min(start + AfterMin * 2, i + 1 < apart.Count ? apart[i + 1] - 1 : double.MaxValue)))];
    }

    /// <summary>One defrost out of a log.</summary>
    public static DefrostRun Part(DefrostRun log, double from, double to)
    {
        var zero = Math.Max(0, from);
        return log with
        {
            Start = log.Start + TimeSpan.FromMinutes(zero),
            Tracks =
                [.. log.Tracks.Select(t => t.Between(zero, to)).Where(t => !t.IsEmpty)
                .Select(t => t with { Minutes = [.. t.Minutes.Select(m => m - zero)] })],
            Marks = [.. log.Marks.Where(m => m.Minute >= zero && m.Minute <= to).Select(m => m with { Minute = m.Minute - zero })],
        };
    }

    /// <summary>Minutes at which a current came on after a pause.</summary>
    private static IEnumerable<double> Starts(RunTrack track)
    {
        var limit = DefrostLimits.HeatOnShare * track.Values.Max();
        if (limit <= 0)
            yield break;
        var lastOn = double.NegativeInfinity;
        for (var i = 0; i < track.Values.Length; i++)
        {
            if (track.Values[i] <= limit)
                continue;
            if (track.Minutes[i] - lastOn > ShortestPauseMin)
                yield return track.Minutes[i];
            lastOn = track.Minutes[i];
        }
    }
}
