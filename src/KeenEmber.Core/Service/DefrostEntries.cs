using KeenEmber.Core.Defrost;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Service;

/// <summary>How the unit defrosts, as found or as set: the last one holds, across visits.</summary>
public sealed record DefrostSetUpEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    DefrostSetUp SetUp) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

public enum RunOrigin { Watched, TypedIn, Logged }

/// <summary>A defrost run begins; its id is the run's.</summary>
/// <param name="Series">Id of its logged series; null for one made of entries.</param>
/// <param name="Source">The file or the logger it came from; empty otherwise.</param>
public sealed record RunEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    RunOrigin Origin, Guid? Series = null, string Source = "") : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>A value read at a place of a run.</summary>
public sealed record RunReadingEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    Guid Run, RunPlace Place, TypedValue Value) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>Something seen, heard or done at its minute of a run.</summary>
public sealed record RunMarkEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    Guid Run, RunMarkKind Kind) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);
