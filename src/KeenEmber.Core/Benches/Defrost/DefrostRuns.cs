using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>A run with the entry that began it.</summary>
/// <param name="IsOver">Nobody watches it any more, or it came whole.</param>
public sealed record WatchedRun(RunEntry Entry, DefrostRun Run, bool IsOver, IJudging Judging)
{
    /// <summary>What it came to; worked out when it is first asked for.</summary>
    public DefrostResult Result => field ??= Judging.Of(DefrostRuns.Bench, () => DefrostAnalysis.Analyse(Run), DefrostResult.None);

    /// <summary>What of it wants an explanation.</summary>
    public IEnumerable<Finding> Faults => Result.Findings.Where(f => DefrostCodes.IsFault(f.Code));

    /// <summary>When a minute of it was.</summary>
    public DateTimeOffset At(double minute) => Run.Start + TimeSpan.FromMinutes(minute);
}

/// <summary>The defrost runs of a unit, from its timelines.</summary>
public static class DefrostRuns
{
    /// <summary>A run nobody ended is over after this.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromHours(6);

    internal const string Bench = "defrost";

    /// <param name="timelines">Of the unit's visits.</param>
    /// <param name="logged">Fetches a logged series.</param>
    /// <param name="now">Decides what is still being watched.</param>
    /// <returns>The earliest first.</returns>
    public static IReadOnlyList<WatchedRun> Of(
        IReadOnlyList<Timeline> timelines, Equipment unit, Pressure atmosphere, Func<Guid, IReadOnlyList<RunTrack>> logged,
        DateTimeOffset now, IJudging judging)
    {
        var entries = timelines.SelectMany(t => t.Standing).ToList();
        var setUps = SetUps(timelines);
        var readings = entries.OfType<RunReadingEntry>().ToLookup(r => r.Run);
        var marks = entries.OfType<RunMarkEntry>().ToLookup(m => m.Run);
        return
        [
            .. entries.OfType<RunEntry>().OrderBy(r => r.At).Select(r => new WatchedRun(r,
                new(r.At, SetUpAt(setUps, r.At) ?? new(DefrostKinds.UsualAt(unit.Target)),
                    r.Series is { } series ? [.. logged(series).Select(t => t.WithinBounds())] : Tracks(r, readings[r.Id], atmosphere),
                    [.. marks[r.Id].Select(m => new RunMark(m.Kind, (m.At - r.At).TotalMinutes))
                        .Where(m => RunBounds.IsMinute(m.Minute))]) { TargetC = unit.Target.Celsius },
                r.Origin != RunOrigin.Watched || marks[r.Id].Any(m => m.Kind == RunMarkKind.Over) || now - r.At > Longest, judging)),
        ];
    }

    /// <summary>Every word on how the unit defrosts, the earliest first.</summary>
    public static IReadOnlyList<DefrostSetUpEntry> SetUps(IEnumerable<Timeline> timelines) =>
        [.. timelines.SelectMany(t => t.Standing).OfType<DefrostSetUpEntry>().OrderBy(s => s.At).ThenBy(s => s.Id)];

    /// <summary>The set-up that held at a moment; one first written down later is how it was found.</summary>
    public static DefrostSetUp? SetUpAt(IReadOnlyList<DefrostSetUpEntry> setUps, DateTimeOffset moment) =>
        setUps.Count == 0 ? null : (setUps.LastOrDefault(s => s.At <= moment) ?? setUps[0]).SetUp;

    private static List<RunTrack> Tracks(RunEntry run, IEnumerable<RunReadingEntry> readings, Pressure atmosphere) =>
        [.. readings.GroupBy(r => r.Place)
            .Select(place =>
            RunTrack.Of(place.Key, place.Select(r => ((r.At - run.At).TotalMinutes, InTrack(r.Place, r.Value, atmosphere)))))];

    /// <summary>°C, A, V or kPa absolute, as tracks have them.</summary>
    public static double InTrack(RunPlace place, TypedValue value, Pressure atmosphere) =>
        place.Measures == QuantityKind.Temperature ? value.Temperature.Celsius : value.Si(atmosphere);
}
