using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>What was measured of an electrical part. A member keeps its name once an entry was written with it.</summary>
public enum LoadTest
{
    /// <summary>Capacitance of a capacitor, isolated and discharged.</summary>
    Capacitance,

    /// <summary>Resistances between the terminals of a motor, one after the other.</summary>
    Windings,

    /// <summary>Voltages between supply conductors.</summary>
    Voltage,

    /// <summary>Current it draws.</summary>
    Current,
}

/// <summary>One number of a test.</summary>
/// <param name="Between">Where it was taken: "L1-L2"; empty where there is only one place.</param>
public sealed record LoadReading(string Between, TypedValue Value);
