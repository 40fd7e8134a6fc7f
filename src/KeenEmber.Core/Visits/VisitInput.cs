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
    IJudging Judging, Func<string, double?> Evidence);
