using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>Two defrosts of one coil, and what was done to the unit between them.</summary>
/// <param name="Changes">Settings moved, parts replaced and the like, in the order of time.</param>
public sealed record RunComparison(WatchedRun Earlier, WatchedRun Later, IReadOnlyList<Entry> Changes)
{
    /// <summary>Heat-on times nearer than this are the same, min: a tripper's width and a look at the watch.</summary>
    private const double SameMin = 2;

    /// <summary>Compares two runs, with what was changed between them.</summary>
    public static RunComparison Of(WatchedRun one, WatchedRun another, IReadOnlyList<Timeline> timelines)
    {
        var (earlier, later) = one.Run.Start <= another.Run.Start ? (one, another) : (another, one);
        return new(earlier, later,
        [
            .. timelines.SelectMany(t => t.Standing)
                .Where(e => e is IChangesUnit { ChangesUnit: true } && e.At >= earlier.Run.Start && e.At <= later.Run.Start)
                .OrderBy(e => e.At),
        ]);
    }

    /// <summary>The heat's length in both, min.</summary>
    public double? HeatMin => Later.Result.Phases.HeatMin - Earlier.Result.Phases.HeatMin;

    /// <summary>The over-run in both, min.</summary>
    public double? HeatAfterClearMin => Later.Result.HeatAfterClearMin - Earlier.Result.HeatAfterClearMin;

    /// <summary>The ice melted in both, kg.</summary>
    public double? IceKg => Later.Result.Ice?.IceKg - Earlier.Result.Ice?.IceKg;

    /// <summary>The heaters' power in both, kW.</summary>
    public double? PowerKw => Later.Result.Heaters?.PowerKw - Earlier.Result.Heaters?.PowerKw;

    /// <summary>Length, end and over-run are what they were: nothing that was done between was the cause. Null while a length is not
    /// known.</summary>
    public bool? IsUnchanged => HeatMin is not { } heat ? null
        : Math.Abs(heat) <= SameMin && Later.Result.End == Earlier.Result.End
            && Math.Abs(HeatAfterClearMin ?? 0) <= SameMin + Open(Earlier) + Open(Later);

    /// <summary>How far off the moment of clear may be where the coil was read only every few minutes, min.</summary>
    private static double Open(WatchedRun run) => run.Result.ClearBetween is var (still, clear) ? (clear - still) / 2 : 0;
}
