namespace KeenEmber.Core.Benches.Box;

/// <summary>What a system of several on one box does.</summary>
public enum SystemRole
{
    /// <summary>It carries its part.</summary>
    Carries,

    /// <summary>It runs and carries clearly less than its neighbour.</summary>
    CarriesLess,

    /// <summary>It stands, and is not called: that may be meant so.</summary>
    Idles,

    /// <summary>It is called and stands.</summary>
    CalledAndStands,
}

/// <summary>One system beside the others.</summary>
public sealed record SystemState(BoxSystemEntry Last, SystemRole Role);

/// <summary>The systems of a box side by side.</summary>
public static class BoxSystems
{
    /// <summary>Below this share of the best one's air drop a system carries clearly less.</summary>
    private const double LessShare = 0.7;

    /// <param name="seen">In order; the last of each holds.</param>
    public static IReadOnlyList<SystemState> Compare(IEnumerable<BoxSystemEntry> seen)
    {
        var last = seen.GroupBy(s => s.System.ToUpperInvariant()).Select(g => g.MaxBy(s => s.At)!)
            .OrderBy(s => s.System, StringComparer.OrdinalIgnoreCase).ToList();
        var best = last.Where(s => s.Runs).Select(s => s.AirDrop?.Si(default)).Max();
        return [.. last.Select(s => new SystemState(s, Role(s, best)))];
    }

    private static SystemRole Role(BoxSystemEntry system, double? bestK) => (system.Runs, system.IsCalled) switch
    {
        (false, true) => SystemRole.CalledAndStands,
        (false, false) => SystemRole.Idles,
        _ => system.AirDrop?.Si(default) < LessShare * bestK ? SystemRole.CarriesLess : SystemRole.Carries,
    };
}
