using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>A reading of a circuit under dry nitrogen.</summary>
/// <param name="Begins">The nitrogen was shut off with it.</param>
/// <param name="Gas">What the gas inside is at: that of the metal, in the shade.</param>
/// <param name="Volume">Of what is under pressure; null where it was not said.</param>
public sealed record PressureTestEntry(
    EntryHeader Header, bool Begins, TypedValue Pressure, TypedValue Gas, TypedValue? Volume = null) : Entry(Header);

/// <summary>What a pressure test says.</summary>
public enum TightVerdict
{
    /// <summary>One reading, or two too soon after each other.</summary>
    TooEarly,

    /// <summary>No loss that these readings can show.</summary>
    Holds,

    /// <summary>It loses pressure that its temperature does not explain.</summary>
    Loses,

    /// <summary>It gained: a temperature is not that of the gas.</summary>
    Gains,
}

/// <summary>A pressure test as it stands.</summary>
/// <param name="Hours">Between the two readings.</param>
/// <param name="ExpectedKpa">What a tight circuit would show now, kPa absolute.</param>
/// <param name="LostKpa">What is missing, kPa; negative for more than expected.</param>
/// <param name="VisibleKpa">Less than this cannot be told from the errors of gauge and thermometer, kPa.</param>
/// <param name="LeakPaLPerS">Nitrogen that left, Pa·l/s; 0 where none shows.</param>
/// <param name="SmallestPaLPerS">The smallest leak that would have shown by now, Pa·l/s.</param>
public sealed record TightResult(
    TightVerdict Verdict, double Hours, double ExpectedKpa, double LostKpa, double VisibleKpa, double LeakPaLPerS, double SmallestPaLPerS)
{
    /// <summary>Hours from the start after which a leak of this size would show.</summary>
    /// <param name="leak">Pa·l/s, above 0.</param>
    /// <param name="volumeL">Of what is under pressure, l.</param>
    public double HoursFor(double leak, double volumeL) => VisibleKpa * 1000 * volumeL / leak / 3600;
}

/// <summary>Compares two readings of a circuit under dry nitrogen, both temperatures taken into account.</summary>
/// <remarks>Nitrogen as an ideal gas of constant volume: p/T stays the same while nothing leaves. From 0 to 45 bar and -10 to 50 °C its
/// compressibility moves by less than a thousandth between two such readings.</remarks>
public static class PressureTest
{
    /// <summary>A gauge's reading is good to this share of itself, a digital one of class 0.5.</summary>
    public const double GaugeShare = 0.005;

    /// <summary>A clamped thermometer is off the gas by so much, K.</summary>
    public const double GasK = 0.7;

    /// <summary>Gas that was let in warms or cools for so long; nothing is said before, h.</summary>
    public const double SettlesAfterHours = 0.25;

    /// <summary>Twice the error of a difference of two readings by one gauge: its own error is the same in both and is taken at a
    /// third.</summary>
    private const double TwoErrors = 2, SameGauge = 1.0 / 3;

    /// <param name="begin">When the nitrogen was shut off.</param>
    /// <param name="now">The last reading.</param>
    /// <param name="volumeL">Of what is under pressure, l, above 0.</param>
    /// <param name="atmosphere">Local.</param>
    public static TightResult Judge(PressureTestEntry begin, PressureTestEntry now, double volumeL, Pressure atmosphere)
    {
        var (first, second) = (begin.Pressure.Si(atmosphere), now.Pressure.Si(atmosphere));
        var expected = first * now.Gas.Temperature.Kelvin / begin.Gas.Temperature.Kelvin;
        var lost = expected - second;
        var gauge = GaugeShare * SameGauge * first * Math.Sqrt(2);
        var gas = expected * GasK / begin.Gas.Temperature.Kelvin;
        var visible = TwoErrors * Math.Sqrt(gauge * gauge + gas * gas);
        var hours = (now.At - begin.At).TotalHours;
        double Rate(double kpa) => hours > 0 ? kpa * 1000 * volumeL / (hours * 3600) : 0;
        var verdict = (lost / visible) switch
        {
            > 1 => TightVerdict.Loses,
            _ when hours < SettlesAfterHours => TightVerdict.TooEarly,
            < -1 => TightVerdict.Gains,
            _ => TightVerdict.Holds,
        };
        return new(verdict, hours, expected, lost, visible, verdict == TightVerdict.Loses ? Rate(lost) : 0, Rate(visible));
    }

    /// <summary>The last test of a visit; null without one.</summary>
    public static (PressureTestEntry Begin, PressureTestEntry Last, double VolumeL)? Of(IEnumerable<Entry> standing)
    {
        var all = standing.OfType<PressureTestEntry>().OrderBy(e => e.At).ToList();
        if (all.FindLast(e => e.Begins) is not { } begin)
            return null;
        var volume = all.FindLast(e => e.Volume is not null)?.Volume!.Si(default) ?? VacuumCourse.UsualVolumeL;
        return (begin, all[^1], volume);
    }
}
