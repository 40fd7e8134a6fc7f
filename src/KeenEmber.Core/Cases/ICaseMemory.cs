using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>Keeps what was worked out of visits, as long as nothing it rests on has changed.</summary>
public interface ICaseMemory : IBenchMemory
{
    /// <summary>The timeline of a visit: the same one as last time where all of this is as it was.</summary>
    /// <param name="entries">The same list as long as the visit has no more of them.</param>
    /// <param name="unitSince">Since when the unit is so.</param>
    Timeline TimelineOf(Visit visit, IReadOnlyList<Entry> entries, Equipment unit, Pressure atmosphere, DateTimeOffset unitSince);

    /// <summary>What explains facts, weighed anew only where they were not weighed lately.</summary>
    DiagnosisResult DiagnosisOf(DiagnosisInput facts, Func<DiagnosisResult> workOut);

    /// <summary>What a visit that is over left, worked out anew only where a timeline up to it or the company's choices have
    /// changed.</summary>
    Briefing BriefingOf(Visit last, IReadOnlyList<Timeline> upToIt, Company company, Func<Briefing> workOut);
}
