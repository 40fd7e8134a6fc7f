namespace KeenEmber.Core.Benches.Controls;

/// <summary>Which end of its band a control's setting names.</summary>
public enum ControlKind
{
    /// <summary>The setting is the cut-out; it cuts in a differential above.</summary>
    SetIsCutOut,

    /// <summary>The setting is the cut-in; it cuts out a differential below.</summary>
    SetIsCutIn,

    /// <summary>The setting is the middle.</summary>
    SetIsMiddle,

    /// <summary>The cut-in is fixed (it must clear the coil); the dial moves only the cut-out.</summary>
    ConstantCutIn,
}

/// <param name="SetC">What the dial or the parameter says, °C.</param>
/// <param name="DifferentialK">For <see cref="ControlKind.ConstantCutIn"/> unused.</param>
/// <param name="FixedCutInC">Of a constant cut-in, °C.</param>
public sealed record ControlSetting(ControlKind Kind, double SetC, double? DifferentialK, double? FixedCutInC = null)
{
    /// <summary>Where it should cut out, °C.</summary>
    public double? CutOutC => Kind switch
    {
        ControlKind.SetIsCutOut or ControlKind.ConstantCutIn => SetC,
        ControlKind.SetIsCutIn => SetC - DifferentialK,
        _ => SetC - DifferentialK / 2,
    };

    /// <summary>Where it should cut in, °C.</summary>
    public double? CutInC => Kind switch
    {
        ControlKind.SetIsCutOut => SetC + DifferentialK,
        ControlKind.SetIsCutIn => SetC,
        ControlKind.ConstantCutIn => FixedCutInC,
        _ => SetC + DifferentialK / 2,
    };
}

/// <summary>The control acted.</summary>
/// <param name="TempC">Of the box (or where the reference hung) at that moment; null when nobody read it.</param>
public sealed record ControlEvent(DateTimeOffset At, bool CutsIn, double? TempC, Guid? Entry = null);

/// <summary>What is to be said of a control's cycles.</summary>
public enum CycleVerdict
{
    /// <summary>Not one cut-out and one cut-in with their temperatures yet.</summary>
    TooFew,

    /// <summary>It cycles where it is set.</summary>
    AsSet,

    /// <summary>Off, and the sensor's error accounts for it.</summary>
    SensorExplains,

    /// <summary>Both ends off by the same.</summary>
    Shifted,

    /// <summary>The band is wider or narrower than set.</summary>
    DifferentialOff,

    /// <summary>No setting is known to hold it against.</summary>
    Measured,
}

/// <param name="CutOutC">Mean over the cycles, °C.</param>
/// <param name="OffK">Middle of the measured band less that of the set one, K.</param>
/// <param name="UnexplainedK">The same with the sensor's error taken out, K.</param>
/// <param name="DriftKPerH">How the cut-outs move from cycle to cycle, K/h; null with fewer than three.</param>
public sealed record CycleResult(
    CycleVerdict Verdict, int Cycles, double? CutOutC, double? CutInC, double? DifferentialK, double? OffK, double? UnexplainedK,
        double? StartsPerHour, double? RunFraction,
    double? ShortestOnMin, double? ShortestOffMin, double? DriftKPerH)
{
    /// <summary>Nothing is known of it.</summary>
    public static readonly CycleResult None = new(CycleVerdict.TooFew, 0, null, null, null, null, null, null, null, null, null, null);

    /// <summary>Each end less where it should be, K; unequal ones mean that the band sits askew on its setting.</summary>
    public double? CutOutOffK { get; init; }

    /// <summary>How far it cuts in above (+) or below (-) its setting, K; null where either is not known.</summary>
    public double? CutInOffK { get; init; }

    /// <summary>The control works on suction pressure: temperatures are those of its dew point.</summary>
    public bool IsOnPressure { get; init; }

    /// <summary>It starts more often than a compressor bears.</summary>
    public bool IsShortCycling =>
        StartsPerHour > CycleLimits.MostStartsPerHour || ShortestOnMin < CycleLimits.ShortestMin
        || ShortestOffMin < CycleLimits.ShortestMin;

    /// <summary>The mean of the box creeps.</summary>
    public bool IsDrifting => Math.Abs(DriftKPerH ?? 0) > CycleLimits.DriftKPerH;
}

/// <summary>What cycles are held against. Trade practice.</summary>
public static class CycleLimits
{
    /// <summary>Compressors are usually allowed 6 to 10 starts an hour.</summary>
    public const double MostStartsPerHour = 8;

    /// <summary>A stop or run shorter than this does not equalise or return its oil, min.</summary>
    public const double ShortestMin = 2;

    /// <summary>A control acts within this of its setting, K: its own tolerance and what box air lags behind its sensor.</summary>
    public const double ToleranceK = 1.2;

    /// <summary>Cut-outs that creep faster than this, K/h.</summary>
    public const double DriftKPerH = 0.5;
}

/// <summary>Cut-ins and cut-outs as they were seen → what the control really does.</summary>
public static class ControlCycle
{
    /// <param name="events">In any order; two of one kind in a row count as one, the later.</param>
    /// <param name="setting">Null when it is not known.</param>
    /// <param name="sensorErrorK">What the control reads less the truth, from the sensor bench; it acts so much too early or late.</param>
    public static CycleResult Judge(IEnumerable<ControlEvent> events, ControlSetting? setting, double sensorErrorK = 0)
    {
        var list = Alternating(events);
        double? Mean(bool cutsIn) => list.Where(e => e.CutsIn == cutsIn && e.TempC is not null).Select(e => e.TempC).Average();
        var (cutOut, cutIn) = (Mean(false), Mean(true));
        var stretches = list.Zip(list.Skip(1)).Select(p => (IsOn: p.First.CutsIn, Min: (p.Second.At - p.First.At).TotalMinutes)).ToList();
        double? Shortest(bool on) => stretches.Where(s => s.IsOn == on).Select(s => (double?)s.Min).Min();
        // Whole cycles only: as many stretches on as off.
        var whole = stretches.Count - stretches.Count % 2;
        var (onMin, allMin) = (stretches.Take(whole).Where(s => s.IsOn).Sum(s => s.Min), stretches.Take(whole).Sum(s => s.Min));
        var off = (cutOut + cutIn) / 2 - (setting?.CutOutC + setting?.CutInC) / 2;
        var unexplained = off + sensorErrorK;
        var cutOuts = list.Where(e => e is { CutsIn: false, TempC: not null }).ToList();
        double? drift = cutOuts.Count >= 3
            ? MathNet.Numerics.Fit.Line(
                [.. cutOuts.Select(e => (e.At - cutOuts[0].At).TotalHours)], [.. cutOuts.Select(e => e.TempC!.Value)]).B : null;
        return new(
            Verdict(), whole / 2, cutOut, cutIn, cutIn - cutOut, off, unexplained, allMin > 0 ? whole / 2 / (allMin / 60)
            : null, allMin > 0 ? onMin / allMin : null, Shortest(true), Shortest(false), drift)
        {
            CutOutOffK = cutOut - setting?.CutOutC, CutInOffK = cutIn - setting?.CutInC,
        };

        CycleVerdict Verdict()
        {
            if (cutOut is null || cutIn is null)
                return CycleVerdict.TooFew;
            if (setting is not { CutOutC: { } setOut, CutInC: { } setIn })
                return CycleVerdict.Measured;
            if (Math.Abs(cutIn.Value - cutOut.Value - (setIn - setOut)) > 2 * CycleLimits.ToleranceK)
                return CycleVerdict.DifferentialOff;
            if (Math.Abs(off!.Value) <= CycleLimits.ToleranceK)
                return CycleVerdict.AsSet;
            return Math.Abs(unexplained!.Value) <= CycleLimits.ToleranceK ? CycleVerdict.SensorExplains : CycleVerdict.Shifted;
        }
    }

    /// <summary>Reads the events out of a series: where a current says it, by the current; else at the turning points of the
    /// temperature.</summary>
    /// <param name="temps">Box air in the order of time, °C.</param>
    /// <param name="currents">Of the compressor, A; empty when not logged.</param>
    public static IReadOnlyList<ControlEvent> Of(
        IReadOnlyList<(DateTimeOffset At, double TempC)> temps, IReadOnlyList<(DateTimeOffset At, double Amps)> currents)
    {
        var events = new List<ControlEvent>();
        if (currents.Count > 3 && currents.Max(c => c.Amps) is var most && currents.Min(c => c.Amps) < most * RunningShare)
        {
            foreach (
                var (before, after) in currents.Zip(currents.Skip(1))
                .Where(p => p.First.Amps > most * RunningShare != p.Second.Amps > most * RunningShare))
                events.Add(
                    new(after.At, after.Amps > most * RunningShare, temps.Count == 0 ? null
                    : temps.MinBy(t => (t.At - after.At).Duration()).TempC));
            return events;
        }

        // A turning point is one that the temperature has left again by more than noise and door.
        var (extreme, rising) = (0, (bool?)null);
        for (var i = 1; i < temps.Count; i++)
        {
            var away = temps[i].TempC - temps[extreme].TempC;
            if (rising switch { null => Math.Abs(away) >= TurnK, true => away <= -TurnK, false => away >= TurnK })
            {
                if (rising is not null)
                    events.Add(new(temps[extreme].At, rising.Value, temps[extreme].TempC));
                (rising, extreme) = (away > 0, i);
            }
            else if (rising is { } up && (up ? away > 0 : away < 0))
            {
                extreme = i;
            }
        }

        return events;
    }

    /// <summary>A compressor that draws more than this share of its highest current runs.</summary>
    private const double RunningShare = 0.3;

    /// <summary>A turn smaller than this is noise or a door, K.</summary>
    private const double TurnK = 0.8;

    private static List<ControlEvent> Alternating(IEnumerable<ControlEvent> events)
    {
        var list = new List<ControlEvent>();
        foreach (var e in events.OrderBy(e => e.At))
        {
            if (list.Count > 0 && list[^1].CutsIn == e.CutsIn)
                list[^1] = e;
            else
                list.Add(e);
        }

        return list;
    }
}
