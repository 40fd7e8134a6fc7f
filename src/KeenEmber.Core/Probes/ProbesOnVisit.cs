using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Probes;

/// <summary>The probes of a visit: where each hangs, whether they are recorded, and which of them cannot hang where they are said
/// to.</summary>
public static class ProbesOnVisit
{
    /// <summary>Where each probe hangs, by its id; a point or a place has one probe, the last that was tied to it.</summary>
    public static IReadOnlyDictionary<string, ProbeTieEntry> Ties(Timeline visit) =>
        visit.Standing.OfType<ProbeTieEntry>().GroupBy(t => t.Probe).Select(g => g.Last()).Where(t => t.Use != ProbeUse.None)
            .GroupBy(t => (t.Use, t.Point, t.Place)).Select(g => g.MaxBy(t => t.At)!).ToDictionary(t => t.Probe);

    /// <summary>Since when it is recorded; null while it is not.</summary>
    public static DateTimeOffset? RecordingSince(Timeline visit) =>
        visit.Standing.OfType<ProbeRecordingEntry>().LastOrDefault() is { Begins: true } begun ? begun.At : null;

    /// <summary>While it runs, one cannot be above the other by more than this, K or kPa.</summary>
    private const double ApartK = 3, ApartKpa = 20;

    /// <summary>In a circuit that runs the first of each pair is colder, or lower, than the second.</summary>
    private static readonly (MeasuringPoint Low, MeasuringPoint High)[] InOrder =
    [
        (MeasuringPoint.SuctionPressure, MeasuringPoint.DischargePressure), (MeasuringPoint.SuctionLineCoil, MeasuringPoint.LiquidLine),
        (MeasuringPoint.SuctionLineCoil, MeasuringPoint.DischargeLine), (MeasuringPoint.LiquidLine, MeasuringPoint.DischargeLine),
        (MeasuringPoint.AirLeaving, MeasuringPoint.BoxAir),
    ];

    /// <summary>Two probes that hang the wrong way round by what they show, the compressor running; null where none do.</summary>
    public static (LiveProbe One, LiveProbe Other)? Swapped(IReadOnlyList<LiveProbe> probes)
    {
        var at = probes.Where(p => p.Point is not null && p.Signal == ProbeSignal.Live).ToDictionary(p => p.Point!.Value);
        foreach (var (low, high) in InOrder)
        {
            if (at.TryGetValue(low, out var one) && at.TryGetValue(high, out var other) && one.Probe.Measures == other.Probe.Measures
                && one.Last.Value.Si(default) - other.Last.Value.Si(default) > Apart(one.Probe.Measures))
                return (one, other);
        }

        return null;
    }

    private static double Apart(QuantityKind kind) => kind == QuantityKind.Pressure ? ApartKpa : ApartK;
}
