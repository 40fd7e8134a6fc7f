using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Simulation;

/// <summary>In what time a fault comes.</summary>
public enum FaultTime
{
    /// <summary>It is there.</summary>
    Steady,

    /// <summary>It grows until it is there in full.</summary>
    Grows,

    /// <summary>It is there for half of the time, and gone for the other half.</summary>
    ComesAndGoes,
}

/// <summary>A fault with its time.</summary>
/// <param name="Fault">In full.</param>
/// <param name="Hours">Until it has grown, or from one coming to the next.</param>
public sealed record FaultCourse(UnitFaults Fault, FaultTime Time = FaultTime.Steady, double Hours = 1)
{
    /// <summary>As it is after so many hours.</summary>
    public UnitFaults At(double hours) => Time switch
    {
        FaultTime.Grows => Fault.Times(Math.Clamp(hours / Hours, 0, 1)),
        FaultTime.ComesAndGoes => hours % Hours < Hours / 2 ? Fault : UnitFaults.None,
        _ => Fault,
    };
}

/// <summary>What a fault has brought on.</summary>
public enum BroughtOn
{
    /// <summary>The overload opened so often that it no longer closes.</summary>
    OverloadOpen,

    /// <summary>An evaporator fan stood in ice until its motor burnt.</summary>
    FanBurnt,

    /// <summary>It started so often that the start relay no longer makes.</summary>
    StartRelayBurnt,

    /// <summary>It started so often that the contactor no longer passes current.</summary>
    ContactorBurnt,
}

/// <summary>A unit over days: its faults come in their own time, and what they do to it long enough brings on others, which stay.</summary>
/// <remarks>Bimetal overloads are made for some thousands of operations at normal current and far fewer against a stalled motor; a shaded
/// pole motor held still lives hours to a day; a contact that makes a locked current some thousand times is worn. Round
/// numbers from motor literature.</remarks>
public sealed class UnitLife(SimulatedUnit unit, IReadOnlyList<FaultCourse> courses)
{
    /// <summary>Openings that wear an overload out, and hours locked in ice that burn a fan's motor.</summary>
    private const int MostTrips = 120;

    /// <summary>Starts that wear a start relay or a contactor out, where each came so soon after the last run, s.</summary>
    private const int MostShortStarts = 1000;

    private const double ShortS = 240;

    private const double MostLockedH = 10;

    /// <summary>Of a full coil of ice from which it reaches the fans.</summary>
    private const double ReachesFans = 0.98;

    /// <summary>Of the air that one of two fans moves.</summary>
    private const double OneFan = 0.65;

    /// <summary>Faults change slowly: they are set anew so often, s.</summary>
    private const int EveryS = 60;

    private readonly List<BroughtOn> followed = [];

    private int trips, lockedS, shortStarts;

    private double restS;

    private bool wasTripped, wasStalled;

    /// <summary>The unit.</summary>
    public SimulatedUnit Unit => unit;

    /// <summary>In the order in which it came.</summary>
    public IReadOnlyList<BroughtOn> Followed => followed;

    /// <summary>Of its charge that somebody has put in since.</summary>
    public double Charged { get; set; }

    /// <summary>Lets one second pass.</summary>
    public void Step(Weather weather)
    {
        if ((int)unit.Seconds % EveryS == 0)
            Set();
        unit.Step(weather);
        trips += unit.IsTripped && !wasTripped && !wasStalled ? 1 : 0;
        (wasTripped, wasStalled) = (unit.IsTripped, unit.IsStalled);
        var isOn = unit.CompressorRuns || unit.IsStalled;
        shortStarts += isOn && restS is > 0 and < ShortS ? 1 : 0;
        restS = isOn ? 0 : restS + 1;
        lockedS += unit.IceShare >= ReachesFans && unit.AreFansFed ? 1 : 0;
        if (trips >= MostTrips && unit.Wiring.Part(ComponentKind.Overload, WiredKind.Contact) is not null)
            Add(BroughtOn.OverloadOpen);
        if (lockedS >= MostLockedH * 3600)
            Add(BroughtOn.FanBurnt);
        if (shortStarts >= MostShortStarts)
            Add(HasContactor ? BroughtOn.ContactorBurnt : BroughtOn.StartRelayBurnt);
    }

    private bool HasContactor => unit.Wiring.Part(ComponentKind.Contactor, WiredKind.Contact) is not null;

    private void Add(BroughtOn what)
    {
        if (followed.Contains(what))
            return;
        followed.Add(what);
        Set();
    }

    private void Set()
    {
        var hours = unit.Seconds / 3600;
        var now = courses.Select(c => c.At(hours)).Concat(followed.Select(FaultOf)).Aggregate(UnitFaults.None, (all, f) => all.With(f));
        now = now with
        {
            ChargeLost = Math.Max(0, now.ChargeLost - Charged), Overcharge = now.Overcharge + Math.Max(0, Charged - now.ChargeLost),
        };
        if (now.Wired.SequenceEqual(unit.Faults.Wired))
            now = now with { Wired = unit.Faults.Wired };
        if (now != unit.Faults)
            unit.Faults = now;
    }

    private UnitFaults FaultOf(BroughtOn what) => what switch
    {
        BroughtOn.OverloadOpen => UnitFaults.None with
        {
            Wired = [new(unit.Wiring.Part(ComponentKind.Overload, WiredKind.Contact)!.Name, WiredFault.StuckOpen)],
        },
        BroughtOn.ContactorBurnt => UnitFaults.None with
        {
            Wired = [new(unit.Wiring.Part(ComponentKind.Contactor, WiredKind.Contact)!.Name, WiredFault.StuckOpen)],
        },
        BroughtOn.StartRelayBurnt => new(StartFails: 1),
        _ => new(EvaporatorAir: OneFan),
    };
}
