using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>Where something is read while a defrost runs.</summary>
public enum RunPlaceKind
{
    /// <summary>Return bend that clears last.</summary>
    ColdestBend,

    /// <summary>Return bend that clears first.</summary>
    WarmestBend,

    /// <summary>A further bend, by name.</summary>
    Bend,

    /// <summary>The metal beside the end sensor.</summary>
    AtSensor,

    /// <summary>What the end sensor itself reads.</summary>
    EndSensor,

    /// <summary>Air that leaves the coil.</summary>
    AirInFront,

    /// <summary>Air that enters the coil.</summary>
    AirBehind,

    /// <summary>Box air.</summary>
    Box,

    /// <summary>Product.</summary>
    Product,

    /// <summary>Current of a heater leg, by number.</summary>
    HeaterCurrent,

    /// <summary>Voltage at the heaters.</summary>
    HeaterVoltage,

    /// <summary>Suction pressure.</summary>
    SuctionPressure,

    /// <summary>Head pressure.</summary>
    HeadPressure,

    /// <summary>Another place, by name.</summary>
    Other,
}

/// <summary>A place by its kind, and by its name where there may be several.</summary>
/// <param name="Name">A free name for a further bend or another place, the number of a heater leg; empty elsewhere.</param>
public readonly record struct RunPlace(RunPlaceKind Kind, string Name = "")
{
    /// <summary>The current of a heater leg, counted from 1.</summary>
    public static RunPlace Leg(int number) =>
        new(RunPlaceKind.HeaterCurrent, number.ToString(System.Globalization.CultureInfo.InvariantCulture));

    /// <summary>The place in one word: its kind, and its name after a dash.</summary>
    public string Key => Name.Length > 0 ? $"{Kind}-{Name}" : $"{Kind}";

    /// <summary>The place of a key; null where it is none.</summary>
    public static RunPlace? Find(string? key) => key?.Split('-', 2) is [var kind, .. var name]
        && Enum.TryParse<RunPlaceKind>(kind, out var found) && Enum.IsDefined(found) && found.ToString() == kind
        ? new(found, name is [var told] ? told : "") : null;

    /// <summary>The kind of quantity read there.</summary>
    public QuantityKind Measures => Kind switch
    {
        RunPlaceKind.HeaterCurrent => QuantityKind.Current,
        RunPlaceKind.HeaterVoltage => QuantityKind.Voltage,
        RunPlaceKind.SuctionPressure or RunPlaceKind.HeadPressure => QuantityKind.Pressure,
        _ => QuantityKind.Temperature,
    };

    /// <summary>On the metal of the coil, where ice holds it at 0 °C.</summary>
    public bool IsOnCoil => Kind is RunPlaceKind.ColdestBend or RunPlaceKind.WarmestBend or RunPlaceKind.Bend or RunPlaceKind.AtSensor;

    /// <summary>There may be several, told by their names.</summary>
    public bool HasName => Kind is RunPlaceKind.Bend or RunPlaceKind.Other or RunPlaceKind.HeaterCurrent;
}

/// <summary>What was seen or done at a minute of a run.</summary>
public enum RunMarkKind
{
    /// <summary>The liquid was shut off before the heat.</summary>
    PumpDown,

    /// <summary>Heat came on.</summary>
    HeatOn,

    /// <summary>Heat went off by itself.</summary>
    HeatOff,

    /// <summary>Somebody switched the heat off.</summary>
    HeatOffByHand,

    /// <summary>Refrigeration began again.</summary>
    Refrigeration,

    /// <summary>Fans came on.</summary>
    FansOn,

    /// <summary>Fans went off.</summary>
    FansOff,

    /// <summary>The end switch opened.</summary>
    SwitchOpen,

    /// <summary>The end switch closed.</summary>
    SwitchClosed,

    /// <summary>The coil was seen to be clear.</summary>
    SeenClear,

    /// <summary>Ice was seen to be left.</summary>
    IceLeft,

    /// <summary>Vapour was seen.</summary>
    Vapour,

    /// <summary>Frost was seen on the ceiling.</summary>
    CeilingFrost,

    /// <summary>Water was heard to hiss on the heaters.</summary>
    Hiss,

    /// <summary>Melt water was heard to drip.</summary>
    Dripping,

    /// <summary>No more dripping was heard.</summary>
    Silent,

    /// <summary>Nobody watches any more.</summary>
    Over,
}

/// <param name="Minute">Minutes since the run began.</param>
public readonly record struct RunMark(RunMarkKind Kind, double Minute);

/// <summary>One place over time.</summary>
/// <param name="Minutes">Since the run began, rising.</param>
/// <param name="Values">°C, A, V or kPa absolute, one for each minute.</param>
public sealed record RunTrack(RunPlace Place, double[] Minutes, double[] Values)
{
    /// <summary>A track of samples in any order. Of two at one minute the later in the list holds; what no run can hold is left out (<see
    /// cref="RunBounds"/>).</summary>
    public static RunTrack Of(RunPlace place, IEnumerable<(double Minute, double Value)> samples)
    {
        var byMinute = new SortedDictionary<double, double>();
        foreach (var (minute, value) in samples)
        {
            if (RunBounds.IsMinute(minute) && RunBounds.CanBe(place, value))
                byMinute[minute] = value;
        }

        return new(place, [.. byMinute.Keys], [.. byMinute.Values]);
    }

    /// <summary>The track itself where it keeps to what a run can hold and its minutes rise, else what is left of it.</summary>
    public RunTrack WithinBounds()
    {
        for (var i = 0; i < Minutes.Length; i++)
        {
            if (!RunBounds.IsMinute(Minutes[i]) || !RunBounds.CanBe(Place, Values[i]) || (i > 0 && Minutes[i] <= Minutes[i - 1]))
                return Of(Place, Minutes.Zip(Values));
        }

        return this;
    }

    /// <summary>It has no sample.</summary>
    public bool IsEmpty => Minutes.Length == 0;

    /// <summary>The value at a minute between two samples; null outside them.</summary>
    public double? At(double minute)
    {
        if (IsEmpty || minute < Minutes[0] || minute > Minutes[^1])
            return null;
        var i = Array.BinarySearch(Minutes, minute);
        if (i >= 0)
            return Values[i];
        i = ~i;
        var part = (minute - Minutes[i - 1]) / (Minutes[i] - Minutes[i - 1]);
        return Values[i - 1] + part * (Values[i] - Values[i - 1]);
    }

    /// <summary>Mean of the samples between two minutes; the value in between where none falls there.</summary>
    public double? Mean(double from, double to)
    {
        var (first, end) = Range(from, to);
        return end > first ? Values.AsSpan(first, end - first).ToArray().Average() : At((from + to) / 2);
    }

    /// <summary>Indices of the samples from one minute to another, the last one not included; none where the second minute lies before the
    /// first.</summary>
    public (int First, int End) Range(double from, double to)
    {
        var first = Array.BinarySearch(Minutes, from);
        var end = Array.BinarySearch(Minutes, to);
        first = first < 0 ? ~first : first;
        return (first, Math.Max(first, end < 0 ? ~end : end + 1));
    }

    /// <summary>Its samples from one minute to another, both included.</summary>
    public RunTrack Between(double from, double to)
    {
        var (first, end) = Range(from, to);
        return end > first ? this with { Minutes = Minutes[first..end], Values = Values[first..end] }
            : this with { Minutes = [], Values = [] };
    }
}

/// <summary>One defrost as it was watched, typed in or read from a logger.</summary>
/// <param name="Start">The moment that minutes count from.</param>
public sealed record DefrostRun(DateTimeOffset Start, DefrostSetUp SetUp, IReadOnlyList<RunTrack> Tracks, IReadOnlyList<RunMark> Marks)
{
    /// <summary>Box temperature it is meant to hold, °C; null when not known.</summary>
    public double? TargetC { get; init; }

    /// <summary>The first track of a kind; null without one.</summary>
    public RunTrack? Track(RunPlaceKind kind) => Tracks.FirstOrDefault(t => t.Place.Kind == kind && !t.IsEmpty);

    /// <summary>The minute of the first mark of a kind; null without one.</summary>
    public double? Mark(RunMarkKind kind) => Marks.Where(m => m.Kind == kind).Select(m => (double?)m.Minute).Min();

    /// <summary>The last minute anything is known of.</summary>
    public double LastMinute =>
        Tracks.Where(t => !t.IsEmpty).Select(t => t.Minutes[^1]).Concat(Marks.Select(m => m.Minute)).DefaultIfEmpty(0).Max();

    /// <summary>The usual time between samples, min; null with fewer than two in every track.</summary>
    public double? SampleMin =>
        Tracks.Where(t => t.Minutes.Length > 1).Select(t => (double?)((t.Minutes[^1] - t.Minutes[0]) / (t.Minutes.Length - 1))).Min();
}
