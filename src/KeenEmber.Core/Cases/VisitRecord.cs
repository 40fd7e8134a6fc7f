using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Cases;

/// <summary>What is on record of a visit and its unit: all that a <see cref="VisitCase"/> is worked out from.</summary>
/// <param name="VisitId">The visit it is about.</param>
/// <param name="Unit">The unit through time.</param>
/// <param name="Sites">Every site the unit has ever been at.</param>
/// <param name="Visits">Every visit of the unit with its entries, the latest first. Of the readings of most only the last of each point
/// need be there.</param>
/// <param name="Now">Decides what is under way; never before the last entry.</param>
public sealed record VisitRecord(
    Guid VisitId, UnitRecord Unit, IReadOnlyDictionary<Guid, Site> Sites, Company Company,
        IReadOnlyList<(Visit Visit, IReadOnlyList<Entry> Entries)> Visits, DateTimeOffset Now)
{
    /// <summary>Every visit with its timeline, judged by what the unit was when it ended, or is now while it is under way.</summary>
    public IReadOnlyList<(Visit Visit, Timeline Timeline)> Timelines =>
        timelines ??= [.. Visits.Select(v => (v.Visit, TimelineOf(v.Visit, v.Entries)))];

    private IReadOnlyList<(Visit Visit, Timeline Timeline)>? timelines;

    /// <summary>Keeps what is worked out; null where nothing is kept.</summary>
    public ICaseMemory? Memory { get; init; }

    /// <summary>What the company's closed visits came to, for the odds of causes.</summary>
    public ClosedCases Closed { get; init; } = ClosedCases.None;

    private Timeline TimelineOf(Visit visit, IReadOnlyList<Entry> entries)
    {
        var end = visit.IsUnderWay(Now) ? Now : entries.Select(e => e.At).Where(visit.IsUnderWay).Append(visit.StartedAt).Max();
        var unit = Unit.AsOf(end);
        var (atmosphere, since) = (Sites[unit.SiteId].Atmosphere, Unit.CircuitSince(end));
        return Memory?.TimelineOf(visit, entries, unit, atmosphere, since) ?? new(entries, unit, atmosphere, since);
    }

    /// <summary>The same record, about another visit of the unit.</summary>
    public VisitRecord About(Visit visit) => this with { VisitId = visit.Id, timelines = Timelines };
}

/// <summary>What was loaded of a visit, and how far the machine's clock is behind it.</summary>
/// <param name="WrittenAt">When what is put on record now is written: not before what is there already.</param>
/// <param name="ClockIsBehind">How far the clock is behind the last entry of the visit; nothing when it is not.</param>
public sealed record LoadedVisit(VisitRecord Record, DateTimeOffset WrittenAt, TimeSpan ClockIsBehind);
