using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using MathNet.Numerics;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>An evacuation as it stands.</summary>
/// <param name="Readings">All of them, in their order.</param>
/// <param name="Stage">The last step that was no reading; null where none was noted.</param>
/// <param name="StageAt">When it was.</param>
/// <param name="Decay">Of the last time it was shut off, whatever was done since; null with too few readings.</param>
/// <param name="Target">When the pump has it at <see cref="VacuumCourse.TargetPa"/>; null where it is not pumped, or not falling.</param>
/// <param name="HasStalled">It is pumped and no longer falls, above the target.</param>
/// <param name="MayFreeze">Water in it is ice, or freezes while it is pumped.</param>
/// <param name="BrokenTimes">How often nitrogen was let in after a vacuum.</param>
public sealed record Evacuation(
    IReadOnlyList<VacuumEntry> Readings, VacuumStep? Stage, DateTimeOffset? StageAt, DecayResult? Decay, DateTimeOffset? Target,
    bool HasStalled, bool MayFreeze, int BrokenTimes)
{
    /// <summary>What is evacuated, l.</summary>
    public double VolumeL { get; init; }

    /// <summary>Its coldest wet place.</summary>
    public Temperature Coldest { get; init; }

    /// <summary>Readings of the last time it was shut off, min from then; empty where it never was.</summary>
    public IReadOnlyList<VacuumSample> SinceIsolated { get; init; } = [];
}

/// <summary>The steps and readings of an evacuation → how it stands.</summary>
public static class VacuumCourse
{
    /// <summary>Deep enough to shut off and watch, Pa absolute: 500 micrometres of mercury, trade practice.</summary>
    public const double TargetPa = 66.7;

    /// <summary>What a circuit holds where nobody has said, l: a walk-in's.</summary>
    public const double UsualVolumeL = 12;

    /// <summary>Where nobody has measured it, the room's.</summary>
    public static readonly Temperature UsualTemperature = Temperature.FromCelsius(20);

    /// <summary>Below its triple point water freezes as it boils, Pa.</summary>
    private const double TriplePointPa = 611.7;

    /// <summary>The pressure at which a circuit at this temperature begins to cool its own water to ice is the triple point's; colder than
    /// this the water is near ice before it starts.</summary>
    private static readonly Temperature NearFreezing = Temperature.FromCelsius(5);

    /// <summary>A course is carried on from so many readings.</summary>
    private const int ForForecast = 6;

    /// <summary>Falling less than by a factor of e in so long is no falling, min.</summary>
    private const double StalledMin = 120;

    /// <param name="standing">Of a visit, in order.</param>
    public static Evacuation? Of(IEnumerable<Entry> standing)
    {
        var all = standing.OfType<VacuumEntry>().OrderBy(e => e.At).ThenBy(e => e.Header.Sequence).ToList();
        if (all.Count == 0)
            return null;
        var step = all.FindLast(e => e.Step is not (VacuumStep.Reading or VacuumStep.OilChanged));
        var volume = all.FindLast(e => e.Volume is not null)?.Volume!.Si(default) ?? UsualVolumeL;
        var coldest = all.FindLast(e => e.Coldest is not null)?.Coldest!.Temperature ?? UsualTemperature;
        List<VacuumEntry> since = [.. all.Where(e => e.Pa > 0 && (step is null || e.At > step.At || e == step))];
        var isPumped = step is null or { Step: VacuumStep.PumpOn };
        var samples = Rise(all);
        var pumped = since.TakeLast(ForForecast).Select(e => (Min: (e.At - since[0].At).TotalMinutes, Log: Math.Log(e.Pa!.Value))).ToList();
        var slope = isPumped && pumped.Count >= 3 && pumped[^1].Min > pumped[0].Min
            ? Fit.Line([.. pumped.Select(p => p.Min)], [.. pumped.Select(p => p.Log)]).B : (double?)null;
        var isAbove = since.Count > 0 && since[^1].Pa > TargetPa;
        return new(
            [.. all.Where(e => e.Pa is not null)], step?.Step, step?.At,
            samples.Count >= DecayFit.Fewest && samples[^1].Minute > samples[0].Minute ? DecayFit.Fit(samples, volume, coldest) : null,
            slope < -1 / StalledMin && isAbove
                ? since[^1].At + TimeSpan.FromMinutes((Math.Log(TargetPa) - pumped[^1].Log) / slope!.Value) : null,
            slope >= -1 / StalledMin && isAbove,
            isPumped && since.Count > 0 && coldest <= NearFreezing && since[^1].Pa < 2 * TriplePointPa,
            all.Count(e => e.Step == VacuumStep.NitrogenIn))
        {
            VolumeL = volume, Coldest = coldest, SinceIsolated = samples,
        };
    }

    /// <summary>From the last time it was shut off to the next thing that was done.</summary>
    private static List<VacuumSample> Rise(List<VacuumEntry> all)
    {
        var shut = all.FindLastIndex(e => e.Step == VacuumStep.Isolated);
        return shut < 0 ? [] : [.. all.Skip(shut).TakeWhile((e, i) => i == 0 || e.Step is VacuumStep.Reading or VacuumStep.OilChanged)
            .Where(e => e.Pa > 0).Select(e => new VacuumSample((e.At - all[shut].At).TotalMinutes, e.Pa!.Value))];
    }
}
