using System.Text.Json;
using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Web.Api;

/// <summary>A source of alternating voltage; three of them make three phases.</summary>
/// <param name="Ohms">Of the supply and its wires, Ω; 0.2 where nothing is said.</param>
public sealed record SourceDocument(string Id, double Volts, string Hot, string Return, double PhaseDeg = 0, double Ohms = 0.2);

/// <summary>A part between two terminals; a transformer has four.</summary>
/// <param name="Closed">Of a contact: as it should be in this mode.</param>
/// <param name="Moves">Of a coil: ids of the contacts it moves.</param>
/// <param name="Where">The place where its terminals are got at.</param>
/// <param name="C">Of a transformer: terminal of the other winding.</param>
/// <param name="D">Of a transformer: the other terminal of it.</param>
/// <param name="Ratio">Of a transformer: volts of a–b over volts of c–d.</param>
public sealed record PartDocument(
    string Id, WiredKind Kind, string A, string B, bool Closed = true, double Ohms = 0, double ReactanceOhms = 0, double Microfarad = 0,
    string[]? Moves = null, string? Where = null, string? C = null, string? D = null, double Ratio = 0);

/// <summary>Something that was measured or seen.</summary>
/// <param name="A">Terminal, of volts and ohms.</param>
/// <param name="B">The other one.</param>
/// <param name="Part">Of amps, runs, clicks, hums and warm.</param>
/// <param name="Value">A number in V, Ω or A, or true and false of what is seen.</param>
public sealed record MeasurementDocument(TraceKind Kind, JsonElement Value, string? A = null, string? B = null, string? Part = null);

/// <summary>The meter.</summary>
/// <param name="Ohms">Input resistance on volts.</param>
public sealed record MeterDocument(double Ohms = 10e6, double AccuracyShare = 0.01, double AccuracyVolts = 0.5);

/// <summary>A control circuit in one mode, and what was measured on it.</summary>
/// <param name="Hertz">Frequency; 60 where nothing is said.</param>
/// <param name="At">Where the technician stands.</param>
/// <param name="Worked">Ids of parts that were worked on lately.</param>
public sealed record TraceQuestion(
    SourceDocument?[]? Sources, PartDocument?[]? Parts, MeasurementDocument?[]? Measurements = null, MeterDocument? Meter = null,
    double Hertz = 60, string? At = null, string[]? Worked = null);

/// <param name="Part">Empty where nothing is wrong; "meter" for the meter or the drawing.</param>
/// <param name="Words">As a technician would say it.</param>
/// <param name="With">Of swapped wires: the other part.</param>
public sealed record SuspectAnswer(string Part, WiredFault Fault, double Probability, string Words, string? With = null);

/// <param name="With">Of swapped wires: the other part.</param>
public sealed record FaultAnswer(string Part, WiredFault Fault, string? With = null);

public sealed record FaultSetAnswer(FaultAnswer[] Faults, double Probability);

public sealed record ExpectAnswer(string Part, WiredFault Fault, double Value);

/// <param name="Sound">What it shows where nothing is wrong: V or A; 1 and 0 for running and standing.</param>
public sealed record TraceStepAnswer(
    TraceKind Kind, string? A, string? B, string? Part, string Where, double Minutes, double Bits, double Sound, ExpectAnswer[] Expect);

/// <param name="Volts">Between them where nothing is wrong.</param>
public sealed record ExpectedVoltsAnswer(string A, string B, double Volts);

/// <param name="Unexplained">Numbers of the measurements, from 0, that the leading set leaves odd.</param>
public sealed record TraceAnswer(
    SuspectAnswer[] Suspects, FaultSetAnswer[] Sets, TraceStepAnswer[] Next, ExpectedVoltsAnswer[] Expected, int[] Unexplained);
