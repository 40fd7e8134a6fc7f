using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Sensors;

/// <summary>A sensor of the unit as its label says; the last word on a name holds, across visits.</summary>
/// <param name="Name">What the technician calls it; unique on the unit.</param>
/// <param name="Place">Where it sits.</param>
/// <param name="Channel">Input of the controller, as marked there.</param>
/// <param name="Offset">What the controller adds to it; null when not looked up.</param>
/// <param name="Gone">It is no longer on the unit.</param>
/// <param name="Coil">The coil or side it belongs to, counted from 1.</param>
/// <param name="FormerName">What it was called until now, where it is renamed; its checks and repairs go with it.</param>
public sealed record SensorEntry(
    EntryHeader Header, string Name, SensorRole Role, CurveSpec Curve, string Place, string Channel, TypedValue? Offset, bool Gone = false,
    string FormerName = "", int Coil = 1) : Entry(Header)
{
    /// <summary>Which part of the unit it is.</summary>
    public Component Component => Role switch
    {
        SensorRole.Box => new(ComponentKind.BoxSensor, Coil),
        SensorRole.DefrostEnd => new(ComponentKind.EndSensor, Coil),
        _ => new(ComponentKind.OtherSensor),
    };
}

/// <summary>A sensor compared: reference, signal at its leads, what the controller shows; whichever were taken.</summary>
/// <param name="Round">Checks of one round were read together, on several sensors.</param>
/// <param name="IsOpen">The meter read nothing at the leads.</param>
/// <param name="LeadOhm">Of the meter's own leads, already in the signal.</param>
public sealed record SensorCheckEntry(
    EntryHeader Header, string Sensor, Guid Round, TypedValue? Reference, TypedValue? Signal, bool IsOpen, TypedValue? Shown, bool InBath,
    TypedValue? LeadOhm = null) : Entry(Header);

/// <summary>A sensor was warmed by hand at its place, and this is the channel that moved.</summary>
public sealed record WarmedEntry(EntryHeader Header, string Warmed, string Moved) : Entry(Header);

/// <summary>What was done about a sensor.</summary>
public enum SensorRepair
{
    /// <summary>The sensor was replaced.</summary>
    Replaced,

    /// <summary>It was put back on its own input.</summary>
    SwappedBack,

    /// <summary>It was put back in its place.</summary>
    Reseated,

    /// <summary>Its wire was repaired.</summary>
    WireRepaired,

    /// <summary>The controller was set to its curve.</summary>
    CurveSet,

    /// <summary>The controller's offset was set.</summary>
    OffsetSet,
}

/// <summary>What puts which fault right.</summary>
public static class SensorRepairs
{
    /// <summary>What is most often done about a verdict.</summary>
    public static SensorRepair Likely(SensorVerdict verdict) => verdict switch
    {
        SensorVerdict.Swapped => SensorRepair.SwappedBack,
        SensorVerdict.Misplaced or SensorVerdict.SensorOrPlace => SensorRepair.Reseated,
        SensorVerdict.SeriesResistance or SensorVerdict.Leakage or SensorVerdict.ControllerSide => SensorRepair.WireRepaired,
        SensorVerdict.WrongCurve => SensorRepair.CurveSet,
        SensorVerdict.OffsetParameter => SensorRepair.OffsetSet,
        _ => SensorRepair.Replaced,
    };
}

/// <summary>A sensor was put right: checks from before no longer speak for it.</summary>
public sealed record SensorRepairEntry(EntryHeader Header, string Sensor, SensorRepair Repair) : Entry(Header), IChangesUnit;

/// <summary>What a sensor told at one moment of the test.</summary>
/// <param name="Seconds">Since the test began, s.</param>
/// <param name="Told">A temperature, or its signal.</param>
public readonly record struct ResponseSample(double Seconds, TypedValue Told);

/// <summary>A sensor moved from one temperature to another, and what it told on the way.</summary>
public sealed record ResponseEntry(
    EntryHeader Header, string Sensor, TypedValue From, TypedValue To, IReadOnlyList<ResponseSample> Samples) : Entry(Header)
{
    /// <summary>What the samples say.</summary>
    public SensorResponse Judge() =>
        ResponseTest.Judge(
        [.. Samples.Select(s => (s.Seconds, s.Told.Temperature.Celsius))], From.Temperature.Celsius, To.Temperature.Celsius);
}
