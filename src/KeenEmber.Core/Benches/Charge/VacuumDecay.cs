namespace KeenEmber.Core.Benches.Charge;

/// <summary>A reading of absolute pressure after the pump was shut off.</summary>
/// <param name="Minute">Since it was, min.</param>
/// <param name="Pa">Pa absolute, above 0.</param>
public sealed record VacuumSample(double Minute, double Pa);

/// <summary>What a decay test says of a circuit.</summary>
public enum DecayVerdict
{
    /// <summary>Not isolated long enough to tell.</summary>
    TooEarly,

    /// <summary>Dry and tight.</summary>
    Dry,

    /// <summary>It rose and levels off: water boils away inside.</summary>
    Moisture,

    /// <summary>It keeps on rising: air comes in.</summary>
    Leak,

    /// <summary>Both.</summary>
    MoistureAndLeak,
}

/// <summary>A fitted decay test.</summary>
/// <param name="PlateauPa">Where the pressure levels off, or would without the leak, Pa absolute.</param>
/// <param name="LeakPaLPerS">What comes in, Pa·l/s; 0 where none shows.</param>
/// <param name="LeakLow">In 90 of 100 tests it is more than this, Pa·l/s.</param>
/// <param name="LeakHigh">… and less than this, Pa·l/s; also where none shows: a smaller one would not have been seen.</param>
/// <param name="GramsPerYear">As refrigerant, g a year.</param>
/// <param name="WaitMin">How much longer to wait before it can be told, min; 0 where it can.</param>
public sealed record DecayResult(
    DecayVerdict Verdict, double PlateauPa, double LeakPaLPerS, double LeakLow, double LeakHigh, double GramsPerYear, double WaitMin);
