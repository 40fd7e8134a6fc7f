using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>Pressure and temperature of the system standing still, at one or two temperatures.</summary>
public sealed record StandingEntry(
    EntryHeader Header, TypedValue Pressure, TypedValue Temperature, TypedValue? SecondPressure, TypedValue? SecondTemperature)
    : Entry(Header);
