using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Something was measured or seen along the control circuit.</summary>
/// <param name="Mode">What the unit should have been doing.</param>
/// <param name="A">Terminal of a voltage; empty for what is seen.</param>
/// <param name="B">The other one.</param>
/// <param name="Value">The voltage; null for what is seen.</param>
/// <param name="Part">Of what is seen: a load by its name in the diagram.</param>
/// <param name="Runs">Of what is seen.</param>
public sealed record TraceEntry(
    EntryHeader Header, CircuitMode Mode, string A, string B, TypedValue? Value, string Part, bool? Runs) : Entry(Header)
{
    /// <summary>As the tracer takes it.</summary>
    public TraceReading Reading => Value is { } volts ? TraceReading.Volts(A, B, volts.Si(default)) : TraceReading.Runs(Part, Runs == true);
}
