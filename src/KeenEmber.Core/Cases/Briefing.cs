using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>A part that was replaced more than once at the same place.</summary>
/// <param name="Last">The last time.</param>
public sealed record RepeatOffender(PartEntry Last, int Times);

/// <summary>What the visit before left for the one that comes back.</summary>
/// <param name="Last">The visit before.</param>
/// <param name="Findings">What it found.</param>
/// <param name="Changed">What it changed, parts and refrigerant included.</param>
/// <param name="Open">What is still open, of that visit or an older one.</param>
/// <param name="NotExplained">Findings that its sign-off does not say are explained.</param>
/// <param name="Parts">Parts replaced more than once over all visits.</param>
/// <param name="WorthRepeating">Points whose results were outside their band then: the ones to take again first.</param>
public sealed record Briefing(
    Visit Last, SignOffEntry? SignOff, IReadOnlyList<Finding> Findings, IReadOnlyList<Entry> Changed, IReadOnlyList<OpenItem> Open,
    IReadOnlyList<Finding> NotExplained, IReadOnlyList<RepeatOffender> Parts, IReadOnlyList<PointRef> WorthRepeating)
{
    /// <summary>What it took to be likely and neither worked on nor signed off.</summary>
    public IReadOnlyList<WeighedCause> Suspects { get; init; } = [];

    /// <summary>What a visit left, worked out.</summary>
    public static Briefing Of(VisitCase last) => Of(last.Visit, last.Timeline, last.Found, last.WorthRepeating, last.UpToHere) with
    {
        Suspects = IsUnsolved(last.Timeline) ? CaseDiagnosis.Suspects(last) : [],
    };

    /// <summary>Nobody signed off what made it fail.</summary>
    internal static bool IsUnsolved(Timeline visit) =>
        visit.Standing.OfType<SignOffEntry>().LastOrDefault() is not { RootCause.Length: > 0 };

    /// <param name="last">The visit before, with its timeline, what it found and what is worth taking again.</param>
    /// <param name="upToIt">Its timeline and those before it.</param>
    public static Briefing Of(
        Visit last, Timeline timeline, IReadOnlyList<Finding> found, IReadOnlyList<PointRef> worthRepeating,
            IReadOnlyList<Timeline> upToIt)
    {
        var changed = timeline.Standing.Where(e => e is IChangesUnit { ChangesUnit: true } and not ClosureEntry).ToList();
        var signOff = timeline.Standing.OfType<SignOffEntry>().LastOrDefault();
        return new(last, signOff, found, changed, OpenItem.Of(upToIt), StillUnexplained(found, signOff), Repeated(upToIt), worthRepeating);
    }

    /// <summary>Findings that a sign-off does not say are explained by its causes; all of them where nobody signed off.</summary>
    public static IReadOnlyList<Finding> StillUnexplained(IEnumerable<Finding> findings, SignOffEntry? signOff) =>
        [.. findings.Where(f => signOff?.Explains(f) != true)];

    /// <summary>Parts that were replaced more than once at one place, the most often first.</summary>
    /// <remarks>A component is known by its place, whatever it was called; a part that is only named, by its name and place in
    /// words.</remarks>
    public static IReadOnlyList<RepeatOffender> Repeated(IEnumerable<Timeline> timelines) =>
        [.. timelines.SelectMany(t => t.Standing).OfType<PartEntry>().OrderBy(p => p.At).GroupBy(KeyOf)
            .Where(g => g.Count() > 1).Select(g => new RepeatOffender(g.Last(), g.Count())).OrderByDescending(r => r.Times)];

    private static string KeyOf(PartEntry part) =>
        part.Component is { } component ? component.Id : $"{part.Part.Trim()}, {part.Place.Trim()}".ToLowerInvariant();
}
