using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using Microsoft.Extensions.Caching.Memory;

namespace KeenEmber.Application;

/// <summary>Keeps the timelines of visits and what the last of them left, in memory: a page works out the visit it shows and of its unit
/// only what has changed.</summary>
/// <remarks>Entries are only added and their list is the same object until one is, so a timeline is out of date exactly when its list,
/// or what the unit was, is another one; what follows from timelines when one of them is another one.</remarks>
public sealed class CaseMemory : ICaseMemory, IDisposable
{
    /// <summary>Entries in the timelines that are kept, and briefings counted as so many.</summary>
    private const int Most = 100_000, BriefingCountsAs = 20;

    private readonly MemoryCache kept = new(new MemoryCacheOptions { SizeLimit = Most });

    private sealed record Laid(
        IReadOnlyList<Entry> Entries, Equipment Unit, Pressure Atmosphere, DateTimeOffset UnitSince, Timeline Timeline);

    private sealed record Briefed(IReadOnlyList<Timeline> UpToIt, Company Company, Briefing Briefing);

    /// <remarks>A visit that is read in brief for a later one has fewer entries, and so a place of its own.</remarks>
    public Timeline TimelineOf(Visit visit, IReadOnlyList<Entry> entries, Equipment unit, Pressure atmosphere, DateTimeOffset unitSince)
    {
        if (kept.Get<Laid>((visit.Id, entries.Count)) is { } laid && ReferenceEquals(laid.Entries, entries) && laid.Unit == unit
            && laid.Atmosphere == atmosphere && laid.UnitSince == unitSince)
            return laid.Timeline;
        var timeline = new Timeline(entries, unit, atmosphere, unitSince);
        Keep((visit.Id, entries.Count), new Laid(entries, unit, atmosphere, unitSince, timeline), Math.Max(1, entries.Count));
        return timeline;
    }

    /// <inheritdoc/>
    public Briefing BriefingOf(Visit last, IReadOnlyList<Timeline> upToIt, Company company, Func<Briefing> workOut)
    {
        if (kept.Get<Briefed>((last.Id, nameof(Briefed))) is { } before && before.UpToIt.SequenceEqual(upToIt)
            && ReferenceEquals(before.Company, company))
            return before.Briefing;
        var briefing = workOut();
        Keep((last.Id, nameof(Briefed)), new Briefed(upToIt, company, briefing), BriefingCountsAs);
        return briefing;
    }

    /// <inheritdoc/>
    public DiagnosisResult DiagnosisOf(DiagnosisInput facts, Func<DiagnosisResult> workOut)
    {
        var key = (nameof(DiagnosisResult), facts.Key);
        if (kept.Get<DiagnosisResult>(key) is { } before)
            return before;
        var result = workOut();
        Keep(key, result, BriefingCountsAs);
        return result;
    }

    /// <inheritdoc/>
    public T Of<T>(string key, Func<T> workOut) where T : class
    {
        if (kept.Get<T>((typeof(T), key)) is { } before)
            return before;
        var result = workOut();
        Keep((typeof(T), key), result, BriefingCountsAs);
        return result;
    }

    private void Keep(object key, object what, int size) => kept.Set(key, what, new MemoryCacheEntryOptions { Size = size });

    /// <inheritdoc/>
    public void Dispose() => kept.Dispose();
}
