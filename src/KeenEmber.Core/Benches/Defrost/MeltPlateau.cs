namespace KeenEmber.Core.Benches.Defrost;

/// <summary>How the moment at which a place came clear of ice was told.</summary>
public enum ClearTold
{
    /// <summary>It stood at the melting point and then left it.</summary>
    Plateau,

    /// <summary>It went through 0 °C without standing there: there was next to no ice.</summary>
    Crossing,

    /// <summary>It was above freezing from the first sample on.</summary>
    NeverFrozen,

    /// <summary>It had not come clear when the heat ended.</summary>
    NotClear,
}

/// <summary>What melting did to one place of the coil.</summary>
/// <param name="LevelC">Where the plateau stood; null without one.</param>
/// <param name="FromMin">When the plateau began; null without one.</param>
/// <param name="ClearMin">When the last ice at the place was gone; null when it was not.</param>
public sealed record PlaceMelt(RunPlace Place, ClearTold Told, double? LevelC, double? FromMin, double? ClearMin)
{
    /// <summary>How long it stood at the melting point, min; 0 without a plateau.</summary>
    public double PlateauMin { get; init; }

    /// <summary>Where it is read only every few minutes: still iced at the first, clear at the second; null where the moment is
    /// known.</summary>
    public (double Still, double Clear)? ClearBetween { get; init; }

    /// <summary>The temperature when the heat ended, °C.</summary>
    public double? AtHeatOffC { get; init; }
}

/// <summary>
/// Finds the melt plateau of a surface and the moment it ends: while ice is on it a heated surface stays near 0 °C, and the first quick
/// rise after
/// that means clear. The moment is the knee of two straight lines, the level of the plateau and the rise after it, fitted by least squares.
/// </summary>
public static class MeltPlateau
{
    /// <summary>Shorter than this it is a crossing, min.</summary>
    private const double ShortestPlateauMin = 1.5;

    /// <summary>The knee is looked for within so long before the rise is plain, min.</summary>
    private const double KneeReachMin = 14;

    /// <summary>The knee is tried at every tenth of a minute, min.</summary>
    private const double KneeStepMin = 0.1;

    /// <summary>Steps are counted: a sum of tenths stands still once it is large enough.</summary>
    private const double MostKneeSteps = 2 * KneeReachMin / KneeStepMin;

    /// <summary>A straight line through fewer samples of the rise tells no slope.</summary>
    private const int FewestOfRise = 3;

    /// <summary>So long after the heat a warm surface still tells that it was clear, min.</summary>
    private const double AfterglowMin = 1.5;

    /// <summary>A sample within this of the level is still on the plateau, K: twice the noise of a thermometer held to metal.</summary>
    private const double OnPlateauK = 1;

    /// <summary>Readings so far apart leave the moment open between them, min: the middle is then as good as any line.</summary>
    internal const double CoarseMin = 2.5;

    /// <summary>The end of the heat is marked at most so late, min.</summary>
    private const double MarkedLateMin = 3;

    /// <param name="track">°C of a place on the coil.</param>
    /// <param name="heatOn">Minute the heat came on.</param>
    /// <param name="heatOff">Minute it went off, or the last minute known.</param>
    public static PlaceMelt Find(RunTrack track, double heatOn, double heatOff)
    {
        var (minutes, values) = Heated(track, heatOn, heatOff);
        if (minutes.Length == 0)
            return new(track.Place, ClearTold.NotClear, null, null, null) { AtHeatOffC = track.At(heatOff) };
        var smooth = Smooth(values);
        var atEnd = track.Mean(minutes[^1] - 1, minutes[^1]) ?? smooth[^1];
        var rise = LeavesFor(smooth, DefrostLimits.ClearC);
        var enters = Array.FindIndex(smooth, t => t > -DefrostLimits.PlateauBandK);
        if (rise < 0)
        {
            double? level = enters >= 0 ? Median(values.AsSpan(enters)) : null;
            return new(track.Place, ClearTold.NotClear, level, enters >= 0 ? minutes[enters] : null, null)
            {
                PlateauMin = enters >= 0 ? minutes[^1] - minutes[enters] : 0, AtHeatOffC = atEnd,
            };
        }

        if (rise == 0)
            return new(track.Place, ClearTold.NeverFrozen, null, null, minutes[0]) { AtHeatOffC = atEnd };
        var inBand = Enumerable.Range(enters, rise - enters).Where(i => Math.Abs(smooth[i]) <= DefrostLimits.PlateauBandK).ToList();
        var plateau = inBand.Count == 0 ? 0 : Median([.. inBand.Select(i => values[i])]);
        var (from, to) = Leaves(smooth, rise, plateau);
        var (still, gone) = (Math.Min(heatOff, minutes[from]), Math.Min(heatOff, minutes[to]));
        var isCoarse = minutes[to] - minutes[to - 1] >= CoarseMin;
        var isCrossing = inBand.Count == 0 || gone - minutes[inBand[0]] < ShortestPlateauMin;
        double clear;
        if (isCoarse)
            clear = (still + gone) / 2;
        else if (isCrossing)
            clear = Math.Clamp(Crossing(minutes, smooth, rise), still, gone);
        else
            clear = Math.Clamp(KneeOf(minutes, values, smooth, rise, plateau), still, gone);
        var melt = new PlaceMelt(track.Place, ClearTold.Crossing, null, null, clear) { AtHeatOffC = atEnd };
        if (isCoarse)
            melt = melt with { ClearBetween = (still, gone) };
        return isCrossing ? melt
            : melt with { Told = ClearTold.Plateau, LevelC = plateau, FromMin = minutes[inBand[0]],
                PlateauMin = clear - minutes[inBand[0]] };
    }

    /// <summary>The last sample on the plateau, and the first that is plainly above it.</summary>
    private static (int Still, int Gone) Leaves(double[] smooth, int rise, double plateau)
    {
        var still = Math.Max(0, Array.FindLastIndex(smooth, rise - 1, t => t <= plateau + OnPlateauK));
        return (still, Array.FindIndex(smooth, still + 1, t => t > Math.Min(plateau + 2 * OnPlateauK, DefrostLimits.ClearC)));
    }

    private static double KneeOf(double[] minutes, double[] values, double[] smooth, int rise, double plateau)
    {
        var risen = Array.FindIndex(smooth, rise, t => t > plateau + DefrostLimits.RiseK);
        var top = Math.Min(minutes.Length, Math.Max(risen < 0 ? minutes.Length : risen + 1, rise + FewestOfRise));
        var first = Array.FindIndex(smooth, t => Math.Abs(t) <= DefrostLimits.PlateauBandK);
        var from = Array.FindIndex(minutes, m => m >= Math.Max(minutes[first], minutes[rise] - KneeReachMin));
        return Knee(minutes.AsSpan(from..top), values.AsSpan(from..top), minutes[rise]);
    }

    /// <summary>The samples that tell of the heat. Round its end none after the warmest: the end may have been marked late, and
    /// refrigeration cools a bare bend within a minute.</summary>
    private static (double[] Minutes, double[] Values) Heated(RunTrack track, double heatOn, double heatOff)
    {
        var (first, end) = track.Range(heatOn, Math.Max(heatOn, heatOff + AfterglowMin));
        if (first == end)
            return ([], []);
        var step = (track.Minutes[end - 1] - track.Minutes[first]) / Math.Max(1, end - 1 - first);
        var from = first;
        while (from < end - 1 && track.Minutes[from] < heatOff - Math.Max(MarkedLateMin, 1.2 * step))
            from++;
        var tail = track.Values[from..end];
        var last = from + Array.IndexOf(tail, tail.Max()) + 1;
        return (track.Minutes[first..last], track.Values[first..last]);
    }

    /// <summary>The first index from which the values stay above a level to the end, but for a tenth of them; -1 when they do
    /// not.</summary>
    private static int LeavesFor(double[] values, double level)
    {
        var below = 0;
        var found = -1;
        for (var i = values.Length - 1; i >= 0; i--)
        {
            if (values[i] > level)
                found = i;
            else if (++below * 10 > values.Length - i)
                break;
        }

        return found;
    }

    /// <summary>Where two lines meet: a level up to the knee, a straight rise after it.</summary>
    /// <param name="latest">The knee lies at or before this minute.</param>
    private static double Knee(ReadOnlySpan<double> minutes, ReadOnlySpan<double> values, double latest)
    {
        var (best, bestError) = (latest, double.MaxValue);
        var steps = (int)Math.Min(MostKneeSteps, (latest - minutes[0]) / KneeStepMin);
        for (var step = 0; step <= steps; step++)
        {
            var knee = minutes[0] + step * KneeStepMin;
            var (error, slope) = TwoLines(minutes, values, knee);
            if (slope > 0 && error < bestError)
                (best, bestError) = (knee, error);
        }

        return best;
    }

    /// <summary>Least squares of level + slope × (time past the knee).</summary>
    private static (double Error, double Slope) TwoLines(ReadOnlySpan<double> minutes, ReadOnlySpan<double> values, double knee)
    {
        double n = minutes.Length, sx = 0, sxx = 0, sy = 0, sxy = 0, syy = 0;
        for (var i = 0; i < minutes.Length; i++)
        {
            var (x, y) = (Math.Max(0, minutes[i] - knee), values[i]);
            sx += x;
            sxx += x * x;
            sy += y;
            sxy += x * y;
            syy += y * y;
        }

        var spread = n * sxx - sx * sx;
        if (spread <= 0)
            return (double.MaxValue, 0);
        var slope = (n * sxy - sx * sy) / spread;
        var level = (sy - slope * sx) / n;
        return (syy - level * sy - slope * sxy, slope);
    }

    private static double Crossing(double[] minutes, double[] values, int rise)
    {
        for (var i = rise; i > 0; i--)
        {
            if (values[i - 1] <= 0)
                return minutes[i - 1] + (minutes[i] - minutes[i - 1]) * (0 - values[i - 1]) / (values[i] - values[i - 1]);
        }

        return minutes[0];
    }

    /// <summary>Median of five: takes out single outliers and half of the noise, and moves no step.</summary>
    internal static double[] Smooth(double[] values)
    {
        var smooth = new double[values.Length];
        for (var i = 0; i < values.Length; i++)
        {
            smooth[i] = Math.Min(i, values.Length - 1 - i) switch
            {
                0 => values[i],
                1 => MedianOf(values[i - 1], values[i], values[i + 1]),
                _ => MedianOf(values[i - 2], values[i - 1], values[i], values[i + 1], values[i + 2]),
            };
        }

        return smooth;
    }

    private static double MedianOf(double a, double b, double c) => Math.Max(Math.Min(a, b), Math.Min(Math.Max(a, b), c));

    /// <summary>Of two pairs neither the lowest nor the highest can be the median of five; it is that of what is left. A day of seconds
    /// goes through here many times.</summary>
    private static double MedianOf(double a, double b, double c, double d, double e) =>
        MedianOf(Math.Max(Math.Min(a, b), Math.Min(c, d)), Math.Min(Math.Max(a, b), Math.Max(c, d)), e);

    internal static double Median(ReadOnlySpan<double> values)
    {
        var sorted = values.ToArray();
        Array.Sort(sorted);
        return sorted.Length % 2 == 1 ? sorted[sorted.Length / 2] : (sorted[sorted.Length / 2 - 1] + sorted[sorted.Length / 2]) / 2;
    }
}
