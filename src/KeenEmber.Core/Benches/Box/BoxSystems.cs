using KeenEmber.Core.Plant;

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

/// <summary>What beside the other systems shows why one carries less.</summary>
public enum SystemHint
{
    /// <summary>Nothing that was measured.</summary>
    None,

    /// <summary>Bubbles in its glass, or it evaporates much colder: short of liquid, or little air.</summary>
    Starved,

    /// <summary>It evaporates much warmer: it pumps too little.</summary>
    PumpsLittle,
}

/// <summary>One system beside the others.</summary>
/// <param name="Share">What it carries of what all running ones do; null where not each one's air drop is known.</param>
public sealed record SystemState(BoxSystemEntry Last, SystemRole Role, double? Share = null, SystemHint Hint = SystemHint.None);

/// <summary>The systems of a box side by side.</summary>
/// <remarks>Coils of one box are taken to be alike and to have as much air: then each carries as much as its air drop.</remarks>
public static class BoxSystems
{
    /// <summary>Below this share of the best one's air drop a system carries clearly less.</summary>
    private const double LessShare = 0.7;

    /// <summary>Evaporating temperatures of like systems on one box lie closer together than this, K; trade experience.</summary>
    private const double ApartK = 4;

    /// <param name="seen">In order; the last of each holds.</param>
    public static IReadOnlyList<SystemState> Compare(IEnumerable<BoxSystemEntry> seen)
    {
        var last = seen.GroupBy(s => s.System.ToUpperInvariant()).Select(g => g.MaxBy(s => s.At)!)
            .OrderBy(s => s.System, StringComparer.OrdinalIgnoreCase).ToList();
        var running = last.Where(s => s.Runs).ToList();
        var best = running.Max(s => s.AirDrop?.Si(default));
        var all = running.Count > 1 && running.TrueForAll(s => s.AirDrop is not null) ? running.Sum(s => s.AirDrop!.Si(default)) : 0;
        return [.. last.Select(s => new SystemState(s, Role(s, best), s.Runs && all > 0 ? s.AirDrop!.Si(default) / all : null,
            Role(s, best) == SystemRole.CarriesLess ? Hint(s, running) : SystemHint.None))];
    }

    private static SystemRole Role(BoxSystemEntry system, double? bestK) => (system.Runs, system.IsCalled) switch
    {
        (false, true) => SystemRole.CalledAndStands,
        (false, false) => SystemRole.Idles,
        _ => system.AirDrop?.Si(default) < LessShare * bestK ? SystemRole.CarriesLess : SystemRole.Carries,
    };

    private static SystemHint Hint(BoxSystemEntry system, List<BoxSystemEntry> running)
    {
        var others = running.Where(s => s != system && s.Evaporating is not null).Select(s => s.Evaporating!.Si(default)).ToList();
        var colder = others.Count > 0 ? others.Average() - system.Evaporating?.Si(default) : null;
        return (system.Glass, colder) switch
        {
            (FactState.Bubbles, _) or (_, > ApartK) => SystemHint.Starved,
            (_, < -ApartK) => SystemHint.PumpsLittle,
            _ => SystemHint.None,
        };
    }
}
