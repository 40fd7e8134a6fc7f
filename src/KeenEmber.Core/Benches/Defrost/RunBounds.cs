using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Defrost;

/// <summary>What a run can hold. Whatever lies beyond is refused where it comes in, and left out where it is on record already.</summary>
public static class RunBounds
{
    /// <summary>No run, and no log of several, goes on for longer: 60 days, min.</summary>
    public const double LongestMin = 60 * 24 * 60;

    /// <summary>Places that are read in one run.</summary>
    public const int MostTracks = 60;

    /// <summary>Samples of one place.</summary>
    public const int MostSamples = 200_000;

    /// <summary>More marks than this no run has.</summary>
    public const int MostMarks = 500;

    /// <summary>Minutes count from the start of the run; something may have been read before it.</summary>
    public static bool IsMinute(double minute) => Math.Abs(minute) <= LongestMin;

    /// <summary>Whether an instrument at a place can show this.</summary>
    /// <param name="value">°C, A, V or kPa absolute.</param>
    public static bool CanBe(RunPlace place, double value) => place.Measures switch
    {
        QuantityKind.Temperature => QuantityReader.IsWithinPhysics(new(value, Unit.Celsius)),
        QuantityKind.Current => QuantityReader.IsWithinPhysics(new(value, Unit.Ampere)),
        QuantityKind.Voltage => QuantityReader.IsWithinPhysics(new(value, Unit.Volt)),
        _ => QuantityReader.IsWithinPhysics(new(value, Unit.KilopascalAbsolute)),
    };
}
