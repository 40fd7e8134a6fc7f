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

/// <summary>The defrost clock, marked and looked at again, and tried through its cycle.</summary>
/// <param name="WaitedMin">By a watch; null when only the cycle was tried.</param>
/// <param name="DialMin">What the dial moved meanwhile.</param>
/// <param name="ContactsChange">Turned by hand, its contacts changed over; null when not tried.</param>
/// <param name="SolenoidReleases">Its terminate solenoid let go; null when not tried.</param>
/// <param name="TimeOfDayOffMin">What its time of day is ahead; null when not compared.</param>
public sealed record ClockTestEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    double? WaitedMin, double? DialMin, bool? ContactsChange, bool? SolenoidReleases, double? TimeOfDayOffMin) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);

/// <summary>Which of the two switches of the harness.</summary>
public enum DefrostSwitch { EndOfHeat, FanDelay }

/// <summary>One state of a switch at a known temperature; the states of a visit are its test.</summary>
public sealed record SwitchStateEntry(
    Guid Id, Guid VisitId, DateTimeOffset At, DateTimeOffset WrittenAt, string Author, Guid? Corrects,
    DefrostSwitch Switch, TypedValue Temperature, bool IsClosed) : TimelineEntry(Id, VisitId, At, WrittenAt, Author, Corrects);
