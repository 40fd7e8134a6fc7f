using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>One watched defrost → how it ended, when each place was clear, what went into ice and into the room, and what is to be said of
/// it.</summary>
public static class DefrostAnalysis
{
    /// <summary>The end is judged from the spot's temperature over so long before it, min.</summary>
    private const double EndStretchMin = 3;

    /// <summary>So far below its setting a spot has not ended the heat, K.</summary>
    private const double PlainlyBelowK = 6;

    /// <summary>A switch seen acting within so long of the end has ended it, min.</summary>
    private const double SwitchWithinMin = 2;

    /// <param name="run">Missing tracks and marks only cost the results that need them.</param>
    public static DefrostResult Analyse(DefrostRun run)
    {
        var phases = DefrostPhases.Of(run);
        var heatEnd = phases.HeatOff ?? run.LastMinute;
        IReadOnlyList<PlaceMelt> places = phases.HeatOn is not { } on ? []
            : [.. run.Tracks.Where(t => t.Place.IsOnCoil && !t.IsEmpty).Select(t => MeltPlateau.Find(t, on, heatEnd))];
        // The bends tell whether the coil is clear; the sensor's spot may be off the coil, and only speaks where no bend was watched.
        var bends = Bends(places);
        var clear = LastClear(bends);
        if (run.Mark(RunMarkKind.SeenClear) is { } seen && places.Count == 0)
            clear = seen;
        var last = bends.OrderByDescending(p => p.ClearMin ?? double.MaxValue).Select(p => (RunPlace?)p.Place).FirstOrDefault();
        var heaters = Heaters(run, phases);
        // Half clear and half not, the coil has no one temperature to reckon its heat with.
        var ice = heaters is null || (places.Any(p => p.ClearMin is null) && places.Any(p => p.ClearMin is not null)) ? null
            : IceBalance.Of(run, phases, LastClear(places), heaters.PowerKw, heaters.Legs.Any(l => l.MeasuredA is not null));
        var result =
            new DefrostResult(
            phases, End(run, phases), places, clear, last, heaters, ice, Sensor(run, phases, places, clear), Fans(run, phases),
            Box(run, phases), []);
        return result with { Findings = DefrostFindings.Of(run, result) };
    }

    /// <summary>The bends of the coil, or the sensor's spot where none was watched.</summary>
    internal static IReadOnlyList<PlaceMelt> Bends(IReadOnlyList<PlaceMelt> places) =>
        places.Any(p => p.Place.Kind != RunPlaceKind.AtSensor) ? [.. places.Where(p => p.Place.Kind != RunPlaceKind.AtSensor)] : places;

    private static double? LastClear(IReadOnlyList<PlaceMelt> places) =>
        places.Count > 0 && places.All(p => p.ClearMin is not null) ? places.Max(p => p.ClearMin) : null;

    private static HeaterState? Heaters(DefrostRun run, DefrostPhases phases)
    {
        if (run.SetUp.Kind != DefrostKind.Electric || phases.HeatOn is not { } on)
            return null;
        double? Median(RunTrack? track) =>
            track?.Between(on + 0.2, (phases.HeatOff ?? run.LastMinute) - 0.2) is { IsEmpty: false } heat ? MeltPlateau.Median(heat.Values)
            : null;
        var currents = Enumerable.Range(1, run.SetUp.Legs.Count)
            .Select(n => Median(run.Tracks.FirstOrDefault(t => t.Place == RunPlace.Leg(n)))).ToList();
        return HeaterCheck.Judge(run.SetUp, Median(run.Track(RunPlaceKind.HeaterVoltage)), currents);
    }

    /// <summary>What ended the heat: a person who said so, a switch seen acting, the spot at its setting, or the clock.</summary>
    private static EndedBy End(DefrostRun run, DefrostPhases phases)
    {
        if (phases.HeatOff is { } ended && run.Marks.Any(m => m.Kind == RunMarkKind.HeatOffByHand && m.Minute == ended))
            return EndedBy.Hand;
        if (phases is not { HeatOff: { } off, HeatMin: { } length })
            return EndedBy.Unknown;
        var tolerance = phases.IsInferred ? Math.Max(DefrostLimits.LimitToleranceMin, run.SampleMin ?? 0) : DefrostLimits.LimitToleranceMin;
        var isAtLimit = length >= run.SetUp.FailSafeMin - tolerance;
        switch (run.SetUp.EndedBy)
        {
            case TerminationKind.Time:
                return isAtLimit ? EndedBy.TimeLimit : EndedBy.Unknown;
            case TerminationKind.Pressure when run.SetUp.EndPressure is { } set:
                var reached = run.Track(RunPlaceKind.SuctionPressure)?.Mean(off - 2, off) >= set.Si(Pressure.StandardAtmosphere) * 0.95;
                if (reached)
                    return EndedBy.Pressure;
                return isAtLimit ? EndedBy.TimeLimit : EndedBy.Unknown;
        }

        if (run.Marks.Any(m => m.Kind is RunMarkKind.SwitchOpen or RunMarkKind.SwitchClosed && Math.Abs(m.Minute - off) <= SwitchWithinMin)
            && run.SetUp.EndedBy == TerminationKind.Switch)
            return EndedBy.Temperature;
        var shortOf = run.SetUp.EndC - SpotAt(run, off);
        if (!isAtLimit)
            return shortOf <= PlainlyBelowK || (shortOf is null && run.SetUp.FailSafeMin is not null)
                ? EndedBy.Temperature : EndedBy.Unknown;

        // As long as the fail-safe, and the spot at its setting just then: the clock has it where its minute is known and met.
        var atLatest = run.SetUp.FailSafeMin - (phases.IsInferred ? 0 : tolerance / 2);
        return shortOf is <= 1 and >= -DefrostLimits.SwitchToleranceK && length < atLatest ? EndedBy.Temperature : EndedBy.TimeLimit;
    }

    /// <summary>The end sensor's own reading, else the thermometer beside it: a straight line through its last minutes, °C.</summary>
    private static double? SpotAt(DefrostRun run, double minute)
    {
        if ((run.Track(RunPlaceKind.EndSensor) ?? run.Track(RunPlaceKind.AtSensor)) is not { } track)
            return null;
        var tail = track.Between(minute - EndStretchMin, minute);
        if (tail.Minutes.Length < 3)
            return track.At(minute) ?? (tail.IsEmpty ? null : tail.Values[^1]);
        var (intercept, slope) = MathNet.Numerics.Fit.Line(tail.Minutes, tail.Values);
        return Math.Max(intercept + slope * minute, track.At(minute) ?? tail.Values[^1]);
    }

    private static SensorSpot? Sensor(DefrostRun run, DefrostPhases phases, IReadOnlyList<PlaceMelt> places, double? clear)
    {
        var bends = places.Where(p => p.Place.Kind != RunPlaceKind.AtSensor && p.AtHeatOffC is not null).ToList();
        if (phases.HeatOff is not { } off || bends.Count == 0
            || (run.Track(RunPlaceKind.AtSensor) ?? run.Track(RunPlaceKind.EndSensor)) is not { } track
            || (track.Mean(off - 2, off) ?? track.At(off)) is not { } spot)
            return null;
        var spotClear = places.FirstOrDefault(p => p.Place.Kind == RunPlaceKind.AtSensor)?.ClearMin;
        var lastBend = bends.All(b => b.ClearMin is not null) ? bends.Max(b => b.ClearMin) : null;
        return new(
            spot, bends.Min(b => b.AtHeatOffC!.Value), bends.Max(b => b.AtHeatOffC!.Value), clear is null ? null : spotClear - lastBend)
        {
            Along = Along(track, [.. run.Tracks.Where(t => bends.Any(b => b.Place == t.Place))], phases.HeatOn!.Value, off),
        };
    }

    private static List<SpotMoment> Along(RunTrack spot, IReadOnlyList<RunTrack> bends, double on, double off)
    {
        var inHeat = spot.Between(on, off);
        var moments =
            inHeat.Minutes.Zip(
            inHeat.Values, (minute, spotC) => (minute, spotC, Bends: bends.Select(b => b.At(minute)).OfType<double>().ToList()))
            .Where(m => m.Bends.Count > 0)
            .Select(m => new SpotMoment(m.minute, m.spotC, m.Bends.Min(), m.Bends.Max())).ToList();
        var count = Math.Min(moments.Count, SensorSpot.MostMoments);
        return [.. Enumerable.Range(0, count).Select(i => moments[count == 1 ? 0 : i * (moments.Count - 1) / (count - 1)])];
    }

    private static FanReturn Fans(DefrostRun run, DefrostPhases phases)
    {
        var (on, off) = (phases.HeatOn, phases.HeatOff ?? run.LastMinute);
        var stops = run.Marks.Where(m => m.Kind == RunMarkKind.FansOff).Select(m => m.Minute).ToList();
        var starts = run.Marks.Where(m => m.Kind == RunMarkKind.FansOn).Select(m => m.Minute).ToList();
        var back = starts.Where(m => m > off - 0.01).Select(m => (double?)m).Min();
        var coil = run.Track(RunPlaceKind.EndSensor) ?? run.Track(RunPlaceKind.AtSensor) ?? run.Track(RunPlaceKind.ColdestBend)
            ?? run.Tracks.FirstOrDefault(t => t.Place.IsOnCoil);
        return new(back, back is { } minute ? coil?.At(minute) : null,
            starts.Exists(m => m >= on && m < off - 0.01) && !stops.Exists(m => m <= on + 1 && starts.TrueForAll(s => s < m)),
            back is { } first ? stops.Count(m => m > first) : 0);
    }

    private static BoxAfter? Box(DefrostRun run, DefrostPhases phases)
    {
        if (run.Track(RunPlaceKind.Box) is not { } box || phases.HeatOn is not { } on
            || (box.Mean(on - 5, on) ?? box.At(on) ?? box.Values[0]) is var before && box.Minutes[^1] <= on)
            return null;
        var after = box.Between(on, double.MaxValue);
        var smooth = MeltPlateau.Smooth(after.Values);
        var top = Array.IndexOf(smooth, smooth.Max());
        var back = Array.FindIndex(smooth, top, t => t <= Math.Max(before, run.TargetC ?? before) + DefrostLimits.RecoveredK / 2);
        var product = run.Track(RunPlaceKind.Product)?.Between(on, double.MaxValue);
        return new(before, smooth[top], back > top && phases.HeatOff is { } off ? Math.Max(0, after.Minutes[back] - off) : null,
            product is { IsEmpty: false } ? product.Values.Max() : null);
    }
}
