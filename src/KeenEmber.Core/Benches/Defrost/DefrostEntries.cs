using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>How the unit defrosts, as found or as set: the last one holds, across visits.</summary>
public sealed record DefrostSetUpEntry(EntryHeader Header, DefrostSetUp SetUp) : Entry(Header);

/// <summary>Where the samples of a run come from.</summary>
public enum RunOrigin
{
    /// <summary>Watched and logged in the app as it ran.</summary>
    Watched,

    /// <summary>Typed in afterwards from paper.</summary>
    TypedIn,

    /// <summary>Read from a logger's file.</summary>
    Logged,
}

/// <summary>A defrost run begins; its id is the run's.</summary>
/// <param name="Series">Id of its logged series; null for one made of entries.</param>
/// <param name="Source">The file or the logger it came from; empty otherwise.</param>
public sealed record RunEntry(EntryHeader Header, RunOrigin Origin, Guid? Series = null, string Source = "") : Entry(Header);

/// <summary>A value read at a place of a run.</summary>
public sealed record RunReadingEntry(EntryHeader Header, Guid Run, RunPlace Place, TypedValue Value) : Entry(Header)
{
    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) => (RunReadingEntry)base.WithReferences(map) with { Run = map(Run) };
}

/// <summary>Something seen, heard or done at its minute of a run.</summary>
public sealed record RunMarkEntry(EntryHeader Header, Guid Run, RunMarkKind Kind) : Entry(Header)
{
    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) => (RunMarkEntry)base.WithReferences(map) with { Run = map(Run) };
}

/// <summary>The defrost clock, marked and looked at again, and tried through its cycle.</summary>
/// <param name="WaitedMin">By a watch; null when only the cycle was tried.</param>
/// <param name="DialMin">What the dial moved meanwhile.</param>
/// <param name="ContactsChange">Turned by hand, its contacts changed over; null when not tried.</param>
/// <param name="SolenoidReleases">Its terminate solenoid let go; null when not tried.</param>
/// <param name="TimeOfDayOffMin">What its time of day is ahead; null when not compared.</param>
public sealed record ClockTestEntry(
    EntryHeader Header, double? WaitedMin, double? DialMin, bool? ContactsChange, bool? SolenoidReleases, double? TimeOfDayOffMin)
    : Entry(Header);

/// <summary>Current of each leg of the heaters, taken with the heat on and no run watched.</summary>
/// <param name="Volts">Between the lines, or across the leg of separate circuits; null when not measured.</param>
/// <param name="Amps">A by leg, as the set-up numbers them; null where it was not clamped.</param>
public sealed record HeaterAmpsEntry(EntryHeader Header, TypedValue? Volts, IReadOnlyList<double?> Amps) : Entry(Header)
{
    /// <summary>The same currents at the same voltage.</summary>
    public bool Equals(HeaterAmpsEntry? other) => base.Equals(other) && Volts == other.Volts && Amps.SequenceEqual(other.Amps);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Volts, Amps.Count);

    /// <summary>No leg carries current.</summary>
    public bool IsDead => Amps.Any(a => a is not null) && Amps.All(a => a is null or 0);

    /// <summary>Which elements are out; null where the set-up does not name them.</summary>
    public HeaterState? Judge(DefrostSetUp? setUp) => setUp is null ? null : HeaterCheck.Judge(setUp, Volts?.Si(default), Amps);
}

/// <summary>Which of the two switches of the harness.</summary>
public enum DefrostSwitch
{
    /// <summary>The one that ends the heat.</summary>
    EndOfHeat,

    /// <summary>The one that holds the fans back.</summary>
    FanDelay,
}

/// <summary>One state of a switch at a known temperature; the states of a visit are its test.</summary>
public sealed record SwitchStateEntry(EntryHeader Header, DefrostSwitch Switch, TypedValue Temperature, bool IsClosed) : Entry(Header);
