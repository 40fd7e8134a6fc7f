using System.Text.Json;
using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Web.Api;

/// <summary>A unit's control circuit in one mode, in the form the tracer takes.</summary>
public sealed record DiagramDocument(SourceDocument[] Sources, PartDocument[] Parts);

/// <summary>Diagrams written in and out.</summary>
public static class DiagramDocuments
{
    private const int LongestText = 60_000;

    /// <summary>A diagram as it is sent to the tracer.</summary>
    public static DiagramDocument Of(ControlDiagram diagram) => new(
        [.. diagram.Sources.Select(s => new SourceDocument(s.Id, Math.Round(s.Volts, 1), s.Hot, s.Return, s.PhaseDeg, s.Ohms))],
        [.. diagram.Wiring.Parts.Select(p => new PartDocument(p.Id, p.Kind, p.A, p.B, p.Closed, p.Ohms, p.ReactanceOhms, p.Microfarad,
            p.Moves is null ? null : [.. p.Moves], p.Where, Named(p.C), Named(p.D), Math.Round(p.Ratio, 3)))]);

    private static string? Named(string terminal) => terminal.Length > 0 ? terminal : null;

    /// <summary>A diagram from its JSON: parts that follow each other become a rung; what is closed there is closed in
    /// every mode.</summary>
    /// <returns>The diagram, or what is wrong with the text.</returns>
    public static (CircuitPlan? Plan, string? Problem) Read(string text)
    {
        if (text.Length is 0 or > LongestText)
            return (null, "Paste the JSON of a diagram, up to 60,000 characters.");
        TraceQuestion? question;
        try
        {
            question = JsonSerializer.Deserialize<TraceQuestion>(text, Options);
        }
        catch (JsonException wrong)
        {
            return (null, $"This is no such JSON: line {wrong.LineNumber + 1}, position {wrong.BytePositionInLine}.");
        }

        if (question is null)
            return (null, "This is empty.");
        var errors = new Dictionary<string, string[]>();
        TraceEndpoint.CheckCircuit(question, errors);
        if (errors.Count > 0)
            return (null, string.Join(" ", errors.Select(e => $"{e.Key}: {string.Join(' ', e.Value)}")));
        if (question.Parts!.Length > PlanEdits.MostParts)
            return (null, $"At most {PlanEdits.MostParts} parts.");
        return (new(question.Sources!.Length == 3 ? PlanSupply.ThreePhase : PlanSupply.SinglePhase,
            Rungs([.. question.Parts!.Select(p => Planned(p!, question.Sources![0]!.Volts))]), []), null);
    }

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    private static PlannedPart Planned(PartDocument p, double volts) => new(p.Id, p.Kind, p.A, p.B,
        p.Closed ? ClosedIn.Always : ClosedIn.None, p.Ohms, p.Where ?? "", null, p.Moves, p.C ?? "", p.D ?? "",
        p.Ratio > 0 ? volts / p.Ratio : 0);

    private static List<IReadOnlyList<PlannedPart>> Rungs(List<PlannedPart> parts)
    {
        var rungs = new List<IReadOnlyList<PlannedPart>>();
        while (parts.Count > 0)
        {
            var rung = new List<PlannedPart> { parts[0] };
            parts.RemoveAt(0);
            while (rung[^1].B != ControlDiagram.Fed && parts.Find(p => p.A == rung[^1].B) is { } next
                && rung.TrueForAll(p => p.A != next.B))
            {
                rung.Add(next);
                parts.Remove(next);
            }

            rungs.Add(rung);
        }

        return rungs;
    }
}
