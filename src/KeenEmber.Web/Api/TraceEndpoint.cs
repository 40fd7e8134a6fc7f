using System.Text.Json;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Words.Benches.Electrical.Diagrams;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>A control circuit that is sent in, traced.</summary>
public static class TraceEndpoint
{
    private const int MostSources = 6, MostReadings = 60;

    /// <summary>So many parts are traced in a tenth of a second.</summary>
    private const int MostParts = 120;

    private const double MostVolts = 1000, MostOhms = 1e8;

    public static void MapTrace(this IEndpointRouteBuilder routes) => routes.MapPost("/api/electrical/trace", Find)
        .WithSummary("Which part of a control circuit explains what was measured, and the next pair of terminals to measure")
        .ProducesValidationProblem();

    private static Results<Ok<TraceAnswer>, ValidationProblem> Find(Sent<TraceQuestion> sent)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var errors = new Dictionary<string, string[]>();
        CheckCircuit(question, errors);
        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var wiring = new Wiring(
            [.. question.Sources!.Select(s => new WiredSource(s!.Id, s.Volts, s.PhaseDeg, s.Hot, s.Return, s.Ohms))],
            [.. question.Parts!.Select(p => new WiredPart(p!.Id, p.Kind, p.A, p.B, p.Closed, p.Ohms, p.ReactanceOhms, p.Microfarad,
                p.Moves, p.Where ?? "", p.C ?? "", p.D ?? "", p.Ratio))], question.Hertz);
        var readings = (question.Measurements ?? []).Select((m, i) => ReadingOf(m, $"measurements[{i}]", wiring, errors)).ToList();
        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var (meter, taken) = (question.Meter ?? new(), readings.ConvertAll(r => r!));
        return TypedResults.Ok(Say(wiring, taken,
            Tracer.Find(wiring, taken, new(meter.Ohms, meter.AccuracyShare, meter.AccuracyVolts), question.At ?? "",
                (question.Worked ?? []).ToHashSet())));
    }

    private static TraceAnswer Say(Wiring wiring, IReadOnlyList<TraceReading> readings, Trace trace) => new(
        [.. trace.Suspects.Select(s => new SuspectAnswer(s.Of.Part ?? "", s.Of.Fault, Math.Round(s.Probability, 4),
            TraceText.Say(wiring, s.Of), Named(s.Of.With ?? "")))],
        [.. trace.Sets.Select(s => new FaultSetAnswer([.. s.Faults.Select(f => new FaultAnswer(f.Part, f.Fault, Named(f.With ?? "")))],
            Math.Round(s.Probability, 4)))],
        [.. trace.Next.Select(n => new TraceStepAnswer(n.Kind, Named(n.A), Named(n.B), Named(n.Part), n.Where, n.Minutes,
            Math.Round(n.Bits, 3), Math.Round(n.Sound, 1),
            [.. n.Expect.Select(e => new ExpectAnswer(e.Of.Part ?? "", e.Of.Fault, Math.Round(e.Value, 1)))]))],
        [.. readings.Zip(trace.Expected).Where(r => r.First.Kind == TraceKind.Volts)
            .Select(r => new ExpectedVoltsAnswer(r.First.A, r.First.B, Math.Round(r.Second, 1)))],
        [.. trace.Unexplained]);

    private static string? Named(string name) => name.Length > 0 ? name : null;

    /// <summary>What is wrong with a circuit, by field.</summary>
    internal static void CheckCircuit(TraceQuestion question, Dictionary<string, string[]> errors)
    {
        if (question.Sources is not { Length: > 0 and <= MostSources } sources || sources.Any(s => s is null))
            errors["sources"] = [$"1 to {MostSources} sources."];
        if (question.Parts is not { Length: > 0 and <= MostParts } parts || parts.Any(p => p is null))
            errors["parts"] = [$"1 to {MostParts} parts."];
        if (question.Measurements is { Length: > MostReadings })
            errors["measurements"] = [$"At most {MostReadings} measurements."];
        if (question.Hertz is not (>= 10 and <= 400))
            errors["hertz"] = ["10 to 400 Hz."];
        if (question.Meter is not (null or { Ohms: >= 100 and <= 1e12, AccuracyShare: >= 0 and <= 0.5, AccuracyVolts: > 0 and <= 50 }))
            errors["meter"] = ["100 Ω to 1 TΩ, up to 0.5 as a share, above 0 and up to 50 V."];
        if (errors.Count > 0)
            return;
        foreach (var (source, i) in question.Sources!.Select((s, i) => (s!, i)))
        {
            if (!AreTerminals(source.Id, source.Hot, source.Return))
                errors[$"sources[{i}]"] = ["An id and two different terminals."];
            else if (source is not { Volts: > 0 and <= MostVolts, Ohms: > 0 and <= 1000, PhaseDeg: >= -360 and <= 360 })
                errors[$"sources[{i}]"] = [$"Above 0 and up to {MostVolts} V, up to 1000 Ω, −360 to 360°."];
        }

        foreach (var (part, i) in question.Parts!.Select((p, i) => (p!, i)))
        {
            if (Problem(part) is { } problem)
                errors[$"parts[{i}]"] = [problem];
        }

        var ids = question.Sources!.Select(s => s!.Id).Concat(question.Parts!.Select(p => p!.Id)).ToList();
        if (ids.Find(id => ids.Count(i => i == id) > 1) is { } twice)
            errors["parts"] = [$"Two of them are called {twice}."];
    }

    private static bool AreTerminals(string? id, string? a, string? b) =>
        new[] { id, a, b }.All(t => t is { Length: > 0 and <= 60 } && t != Tracer.Meter) && a != b;

    private static string? Problem(PartDocument part)
    {
        if (!AreTerminals(part.Id, part.A, part.B))
            return "An id and two different terminals of up to 60 characters.";
        if (part is not { Ohms: >= 0 and <= MostOhms, ReactanceOhms: >= -MostOhms and <= MostOhms, Microfarad: >= 0 and <= 1e6 })
            return "Resistance and capacitance are 0 or more.";
        return part.Kind switch
        {
            WiredKind.Load or WiredKind.Coil when part.Ohms <= 0 && part.ReactanceOhms == 0 => "A load has its ohms.",
            WiredKind.Capacitor when part.Microfarad <= 0 => "A capacitor has its microfarad.",
            WiredKind.Transformer when part.Ratio is not (>= 0.01 and <= 100) || !AreTerminals(part.Id, part.C, part.D) =>
                "A transformer has c, d and the ratio of its windings, 0.01 to 100.",
            _ => null,
        };
    }

    private static TraceReading? ReadingOf(
        MeasurementDocument? sent, string field, Wiring wiring, Dictionary<string, string[]> errors)
    {
        if (sent is null)
        {
            errors[field] = ["A measurement is missing."];
            return null;
        }

        var reading = new TraceReading(sent.Kind, sent.A ?? "", sent.B ?? "", sent.Part ?? "", 0);
        var isBetween = sent.Kind is TraceKind.Volts or TraceKind.Ohms;
        if (isBetween && (reading.A == reading.B || !wiring.Terminals.Contains(reading.A) || !wiring.Terminals.Contains(reading.B)))
            errors[field] = ["Two different terminals of the circuit."];
        else if (!isBetween && wiring.Part(reading.Part) is null)
            errors[$"{field}.part"] = [$"No part is called {reading.Part}."];
        else if (reading.IsSeen && !wiring.Part(reading.Part)!.IsLoad)
            errors[$"{field}.part"] = [$"{reading.Part} is no load or coil: it cannot be seen to run."];
        else if (reading.IsSeen && sent.Value.ValueKind is not (JsonValueKind.True or JsonValueKind.False))
            errors[$"{field}.value"] = ["true or false."];
        else if (!reading.IsSeen && !(sent.Value.ValueKind == JsonValueKind.Number && sent.Value.TryGetDouble(out var number)
            && Math.Abs(number) <= 1e9))
            errors[$"{field}.value"] = ["A number."];
        if (errors.Count > 0)
            return null;
        return reading.IsSeen ? reading with { Part = reading.Part, IsSo = sent.Value.GetBoolean() }
            : reading with { Value = sent.Value.GetDouble() };
    }
}
