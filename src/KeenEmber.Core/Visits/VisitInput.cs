using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Visits;

/// <summary>What a bench is given of a visit.</summary>
/// <param name="UpToHere">The visit's timeline and those of the visits before it, the latest first.</param>
/// <param name="Unit">What the unit was then.</param>
/// <param name="Conditions">How the unit stands now, or stood at the end of a visit that is over.</param>
/// <param name="Judging">Runs what a bench works out apart.</param>
/// <param name="Evidence">A number another bench has worked out, by its code; null where it has not.</param>
public sealed record VisitInput(
    Visit Visit, Timeline Timeline, IReadOnlyList<Timeline> UpToHere, Equipment Unit, Site Site, Policies Policies,
        OperatingConditions Conditions, DateTimeOffset Now,
    IJudging Judging, Func<string, double?> Evidence)
{
    /// <summary>What benches worked out before; null where nothing is kept.</summary>
    public IBenchMemory? Memory { get; init; }
}

/// <summary>Keeps what a bench worked out of the same things before.</summary>
public interface IBenchMemory
{
    /// <param name="key">Says all that it is worked out of.</param>
    /// <param name="workOut">Works it out where it is not kept.</param>
    T Of<T>(string key, Func<T> workOut) where T : class;
}
