using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Probes;

/// <summary>Whether a probe can be heard.</summary>
public enum ProbeSignal
{
    /// <summary>It was heard just now.</summary>
    Live,

    /// <summary>It is late: what it showed last may be old.</summary>
    Late,

    /// <summary>It is not heard any more.</summary>
    Lost,
}

/// <summary>A probe as it stands now.</summary>
/// <param name="Samples">Lately, in order of time; at least one.</param>
/// <param name="Use">What it is used for on this visit.</param>
/// <param name="Point">Where it hangs; null unless at a point.</param>
public sealed record LiveProbe(Probe Probe, IReadOnlyList<ProbeSample> Samples, ProbeUse Use, PointRef? Point, DateTimeOffset Now)
{
    /// <summary>Heard within this it is live, and within that only late; probes send every second to every ten.</summary>
    private static readonly TimeSpan LiveFor = TimeSpan.FromSeconds(20), LateFor = TimeSpan.FromMinutes(2);

    /// <summary>Key of the place of a defrost where it hangs; empty unless at one.</summary>
    public string Place { get; init; } = "";

    /// <summary>What it showed last.</summary>
    public ProbeSample Last => Samples[^1];

    /// <summary>How long ago that was.</summary>
    public TimeSpan Age => Now > Last.At ? Now - Last.At : TimeSpan.Zero;

    /// <summary>Whether it can be heard.</summary>
    public ProbeSignal Signal => Age <= LiveFor ? ProbeSignal.Live : Age <= LateFor ? ProbeSignal.Late : ProbeSignal.Lost;

    /// <summary>A stretch shorter than this proves nothing, min.</summary>
    private const double LeastMin = 5;

    /// <summary>Since when it has not moved by more than reading to reading: within 1 K, or 3 % of what it shows. Null while it
    /// moves.</summary>
    public DateTimeOffset? SettledSince
    {
        get
        {
            if (Signal != ProbeSignal.Live)
                return null;
            var (low, high, since) = (Last.Value.Si(default), Last.Value.Si(default), Last.At);
            for (var i = Samples.Count - 1; i >= 0; i--)
            {
                var si = Samples[i].Value.Si(default);
                (low, high) = (Math.Min(low, si), Math.Max(high, si));
                if (high - low > Within(si))
                    break;
                since = Samples[i].At;
            }

            return (Last.At - since).TotalMinutes >= LeastMin ? since : null;
        }
    }

    private double Within(double si) => Probe.Measures switch
    {
        QuantityKind.Temperature => 1,
        QuantityKind.Pressure => Math.Max(5, 0.03 * Math.Abs(si)),
        _ => 0.03 * Math.Abs(si),
    };

    /// <summary>Every so often a sample of a recording is kept, and no more than so many of each probe.</summary>
    private static readonly TimeSpan KeptEvery = TimeSpan.FromSeconds(15);

    private const int MostKept = 240;

    /// <summary>Samples to keep of a recording: one in fifteen seconds, or fewer of a long one.</summary>
    public static IEnumerable<ProbeSample> Thinned(IEnumerable<ProbeSample> samples, DateTimeOffset from, DateTimeOffset to)
    {
        var every = TimeSpan.FromTicks(Math.Max(KeptEvery.Ticks, (to - from).Ticks / MostKept));
        var next = from;
        foreach (var sample in samples.Where(s => s.At >= from && s.At <= to).OrderBy(s => s.At))
        {
            if (sample.At < next)
                continue;
            yield return sample;
            next = sample.At + every;
        }
    }
}
