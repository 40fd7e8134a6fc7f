using MathNet.Numerics.Statistics;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>One input of the controller with what is plugged into it, as its label says.</summary>
/// <param name="Name">Label: the place it should tell about.</param>
/// <param name="Points">Its comparisons, in the order in which they were taken.</param>
/// <param name="OffsetParameter">As in <see cref="ThreeWayCheck.Judge"/>.</param>
public sealed record BoardChannel(string Name, SensorCurve Curve, IReadOnlyList<SensorPoint> Points, double? OffsetParameter = null);

/// <param name="Place">Index of the channel whose place this one really tells about; its own where nothing is swapped.</param>
/// <param name="ByElimination">The place was left over: the sensor there fits it no better than its own.</param>
public sealed record ChannelResult(BoardChannel Channel, int Place, SensorResult Result, bool ByElimination = false);

/// <param name="Channels">In the order of the board.</param>
/// <param name="Order">Indexes of channels with something wrong, the clearest first.</param>
/// <param name="SwapClear">By how much the least total error beats the labels; 0 when nothing is swapped.</param>
public sealed record BoardResult(IReadOnlyList<ChannelResult> Channels, IReadOnlyList<int> Order, double SwapClear)
{
    /// <summary>Two sensors hang on each other's inputs.</summary>
    public bool HasSwap => SwapClear > 0;
}

/// <summary>Several sensors at once: the assignment of channels to places with the least total error, then each by itself.</summary>
public static class SensorBoard
{
    /// <summary>All orders of more channels than this are too many to try.</summary>
    public const int MostChannels = 8;

    /// <summary>A sensor further off than this many half-widths is off, however far: one bad sensor must not outweigh the others.</summary>
    private const double Gross = 4;

    /// <summary>The best assignment must beat the labels by this much for each swapped channel (squares of half-widths).</summary>
    private const double ClearPerChannel = 4;

    /// <summary>What all sensors of a controller say together.</summary>
    public static BoardResult Judge(IReadOnlyList<BoardChannel> channels, CheckAccuracy accuracy)
    {
        var (places, clear) = Assign(channels, accuracy);
        var (read, known) = InstrumentShare(channels, accuracy) is var (off, left)
            ? (Without(channels, off), accuracy with { SignalShare = left }) : (channels, accuracy);
        var results = channels.Select((c, i) => One(read, i, places[i], known) with { Channel = c }).ToList();
        int[] order =
            [.. Enumerable.Range(0, results.Count).Where(i => results[i].Result.IsFault)
            .OrderByDescending(i => results[i].Result.Verdict == SensorVerdict.Swapped ? clear : results[i].Result.Clear)];
        return new(results, order, clear);
    }

    /// <summary>So many readings of rising sensors tell what their meter itself is off by.</summary>
    private const int FewestOfMeter = 6;

    /// <summary>Of what the meter may be off by, at least so much is left once the sensors have told it, as a share.</summary>
    private const double LeastLeft = 0.3;

    /// <summary>Two standard deviations of a bell curve by the middle of its absolute deviations.</summary>
    private const double TwoSigma = 2 * 1.4826;

    /// <summary>What the ohmmeter itself is off by, as a share: the same on every sensor it reads. On rising sensors, where a hundredth of
    /// the resistance is kelvins, it shows as the middle of what they are off by together; what is left
    /// is how far they scatter round it. Null where there are too few.</summary>
    private static (double Off, double Left)? InstrumentShare(IReadOnlyList<BoardChannel> channels, CheckAccuracy accuracy)
    {
        double[] shares =
        [
            .. channels.Where(c => c.Curve is { Signal: SignalKind.Ohm, IsFalling: false }).SelectMany(c => c.Points
                .Where(p => p.Signal is { } s && double.IsFinite(s)).SelectMany(p => new[] { p.Reference, p.Shown }.OfType<double>()
                    .Select(at => p.Signal!.Value / c.Curve.SignalAt(at) - 1))),
        ];
        if (shares.Length < FewestOfMeter)
            return null;
        var middle = Statistics.Median(shares);
        var left = (1 + 8.0 / shares.Length) * TwoSigma * Statistics.Median(shares.Select(s => Math.Abs(s - middle)));
        return Math.Abs(middle) > accuracy.SignalShare * CheckAccuracy.ClearBy ? null
            : (middle, Math.Clamp(left, LeastLeft * accuracy.SignalShare, accuracy.SignalShare));
    }

    /// <summary>The readings of rising sensors without what their meter is off by.</summary>
    private static List<BoardChannel> Without(IReadOnlyList<BoardChannel> channels, double share) =>
        [.. channels.Select(c => c.Curve is { Signal: SignalKind.Ohm, IsFalling: false }
            ? c with { Points = [.. c.Points.Select(p => p with { Signal = p.Signal / (1 + share) })] } : c)];

    /// <summary>A channel against the reference of the place it really tells about.</summary>
    private static ChannelResult One(IReadOnlyList<BoardChannel> channels, int channel, int place, CheckAccuracy accuracy)
    {
        var c = channels[channel];
        if (place == channel)
            return new(c, place, ThreeWayCheck.Judge(c.Curve, c.Points, accuracy, c.OffsetParameter));
        // In a bath the sensor itself was read at its own leads, so its baths do not belong to this input.
        // What hangs on it is the other place's sensor, with that one's curve; this input reads it by its own.
        var there = channels[place];
        SensorPoint[] moved =
            [.. InPlace(c)
            .Select(p => p with { Reference = ReferenceAt(there, p.Moment), Shown = there.Curve == c.Curve ? p.Shown : null })];
        var result = ThreeWayCheck.Judge(there.Curve, moved, accuracy, c.OffsetParameter);
        // What the unit does goes by what its input reads at the place on its label, not by how good the sensor there is.
        var last = InPlace(c).LastOrDefault(p => p is { Reference: not null } && (p.Shown ?? p.Signal) is not null);
        var reads = last?.Shown ?? (last?.Signal is { } s ? c.Curve.ValueOf(s) : null);
        return new(c, place, result with { Verdict = SensorVerdict.Swapped, Error = reads - last?.Reference },
            ByElimination: result.IsFault);
    }

    private static IEnumerable<SensorPoint> InPlace(BoardChannel channel) => channel.Points.Where(p => !p.InBath);

    /// <summary>The thermometer at a place in a round.</summary>
    private static double? ReferenceAt(BoardChannel place, int moment) => InPlace(place).LastOrDefault(p => p.Moment == moment)?.Reference;

    /// <summary>The place of each channel by least total error; the labels where nothing beats them clearly.</summary>
    private static (int[] Places, double Clear) Assign(IReadOnlyList<BoardChannel> channels, CheckAccuracy accuracy)
    {
        var labels = Enumerable.Range(0, channels.Count).ToArray();
        // An open or shorted sensor tells about no place.
        int[] free =
            [.. labels.Where(i => InPlace(channels[i]).Any() && ThreeWayCheck.Extreme(channels[i].Curve, channels[i].Points) is null)];
        if (free.Length is < 2 or > MostChannels)
            return (labels, 0);
        var cost = new double[channels.Count, channels.Count];
        foreach (var c in free)
        {
            foreach (var p in free)
                cost[c, p] = Cost(channels[c], channels[p], accuracy);
        }

        var orders = Orders(free.Length)
            .Select(o => (Order: o, Cost: free.Select((c, i) => cost[c, free[o[i]]]).Sum(), Moves: o.Where((to, i) => to != i).Count()))
            .ToList();
        var least = orders.Min(o => o.Cost);
        // A bad sensor fits nowhere, so orders that move it do as well: the one that moves the fewest is meant.
        var found = orders.Where(o => o.Cost < least + ClearPerChannel).OrderBy(o => o.Moves).ThenBy(o => o.Cost).Take(2).ToList();
        var best = found[0];
        int[] moved = [.. Enumerable.Range(0, free.Length).Where(i => best.Order[i] != i)];
        var clear = free.Sum(c => cost[c, c]) - best.Cost;
        // Each that moves must be plainly off by its label, all but one must fit where they go, and nothing else may do as well.
        if (moved.Length == 0 || clear < ClearPerChannel * moved.Length || (found.Count > 1 && found[1].Moves == best.Moves)
            || moved.Any(i => cost[free[i], free[i]] <= CheckAccuracy.ClearBy * CheckAccuracy.ClearBy)
            || moved.Count(i => cost[free[i], free[best.Order[i]]] > CheckAccuracy.ClearBy * CheckAccuracy.ClearBy) > (
                moved.Length > 2 ? 1 : 0))
            return (labels, 0);
        foreach (var i in moved)
            labels[free[i]] = free[best.Order[i]];
        return (labels, clear);
    }

    /// <summary>How badly a channel fits a place: the mean square of its error over what it may be, capped.</summary>
    private static double Cost(BoardChannel channel, BoardChannel place, CheckAccuracy accuracy)
    {
        var errors = InPlace(channel)
            .Select(p => ReferenceAt(place, p.Moment) is { } there ? Error(channel, place.Curve, p, there, accuracy) : null)
            .OfType<double>().ToList();
        // Never read together with that place: nothing speaks for it. At its own place nothing speaks against it.
        if (errors.Count == 0)
            return channel == place ? 0 : Gross * Gross;
        return errors.Average(e => Math.Min(e * e, Gross * Gross));
    }

    /// <param name="curve">Of the sensor that would hang on the channel: that of the place.</param>
    private static double? Error(BoardChannel channel, SensorCurve curve, SensorPoint point, double reference, CheckAccuracy accuracy)
    {
        // The resistance at the input, and where it was not measured what the controller makes of it.
        var shown = curve == channel.Curve ? point.Shown : null;
        var told = point.Signal is { } s ? curve.ValueOf(s) ?? double.MaxValue : shown;
        return told is null ? null : Math.Min(Gross, Math.Abs(told.Value - reference) / accuracy.OfSensor(curve, reference));
    }

    /// <summary>Every order of n things (Heap's algorithm).</summary>
    private static IEnumerable<int[]> Orders(int n)
    {
        var order = Enumerable.Range(0, n).ToArray();
        var counters = new int[n];
        yield return [.. order];
        for (var i = 0; i < n;)
        {
            if (counters[i] < i)
            {
                var other = i % 2 == 0 ? 0 : counters[i];
                (order[other], order[i]) = (order[i], order[other]);
                yield return [.. order];
                counters[i]++;
                i = 0;
            }
            else
            {
                counters[i++] = 0;
            }
        }
    }
}
