using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Something was measured or seen along the control circuit.</summary>
/// <param name="Mode">What the unit should have been doing.</param>
/// <param name="A">Terminal of a voltage or a resistance; empty otherwise.</param>
/// <param name="B">The other one.</param>
/// <param name="Value">A voltage, a resistance with the power off, or the current of a part; null for what is seen.</param>
/// <param name="Part">Of a current and of what is seen: a load by its name in the diagram.</param>
/// <param name="Runs">Of what is seen: it is so.</param>
/// <param name="Seen">Of what is seen: what.</param>
public sealed record TraceEntry(
    EntryHeader Header, CircuitMode Mode, string A, string B, TypedValue? Value, string Part, bool? Runs, TraceKind Seen = TraceKind.Runs)
    : Entry(Header)
{
    /// <summary>What is kept of a meter that shows an open circuit, Ω.</summary>
    public const double OpenOhm = 1e9;

    /// <summary>What it is.</summary>
    public TraceKind Kind => Value?.Unit.Kind switch
    {
        QuantityKind.Voltage => TraceKind.Volts,
        QuantityKind.Resistance => TraceKind.Ohms,
        QuantityKind.Current => TraceKind.Amps,
        _ => Seen,
    };

    /// <summary>As the tracer takes it.</summary>
    public TraceReading Reading => new(Kind, A, B, Part, Value?.Si(default) ?? 0, Runs == true);
}
