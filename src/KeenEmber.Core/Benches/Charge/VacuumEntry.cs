using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What was done to a circuit under vacuum, or only read.</summary>
public enum VacuumStep
{
    /// <summary>The pressure was read.</summary>
    Reading,

    /// <summary>The pump is on and open to the circuit.</summary>
    PumpOn,

    /// <summary>The circuit was shut off from the pump.</summary>
    Isolated,

    /// <summary>Dry nitrogen was let in to break the vacuum.</summary>
    NitrogenIn,

    /// <summary>The pump's oil was changed.</summary>
    OilChanged,
}

/// <summary>One line of an evacuation.</summary>
/// <param name="Pressure">Absolute; null where only a step was taken.</param>
/// <param name="Volume">Of what is evacuated; null where it was not said.</param>
/// <param name="Coldest">The coldest wet place inside; null where it was not said.</param>
public sealed record VacuumEntry(
    EntryHeader Header, VacuumStep Step, TypedValue? Pressure, TypedValue? Volume = null, TypedValue? Coldest = null) : Entry(Header)
{
    /// <summary>Pa absolute.</summary>
    public double? Pa => Pressure?.Si(default);
}
