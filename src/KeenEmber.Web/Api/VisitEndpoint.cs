using KeenEmber.Core.Findings;
using KeenEmber.Core.Record;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>A finding as an answer: its code and numbers in SI units, and the sentence that the pages show.</summary>
public sealed record SaidFinding(
    string Code, string Sentence, Strength Strength, IReadOnlyList<Subject> About, IReadOnlyDictionary<string, double> Values,
        IReadOnlyList<Guid> Entries);

/// <summary>What one bench makes of a visit.</summary>
/// <param name="Found">What a cause should account for, put right since or not.</param>
/// <param name="Now">What is wrong still.</param>
public sealed record JudgedBench(
    string Bench, IReadOnlyList<SaidFinding> Found, IReadOnlyList<SaidFinding> Now, IReadOnlyList<Trend> Trends);

/// <summary>What is asked for next.</summary>
public sealed record AskedTask(string Bench, string Task, string Why);

/// <summary>How a visit stands by all benches.</summary>
/// <param name="Stands">One sentence without figures.</param>
/// <param name="NotJudged">Benches that could not judge it.</param>
public sealed record VisitAnswer(
    Visit Visit, string Unit, string Stands, string StandsCode, bool IsUnderWay, AskedTask? Next, IReadOnlyList<JudgedBench> Benches,
        IReadOnlyCollection<string> NotJudged);

/// <summary>A visit worked out, for programs.</summary>
public static class VisitEndpoint
{
    public static void MapVisits(this IEndpointRouteBuilder routes) =>
        routes.MapGet("/api/visits/{id:guid}", Of)
            .WithSummary("How a visit stands: what each bench found, what is wrong still, what is asked for next.");

    private static Results<Ok<VisitAnswer>, NotFound> Of(Guid id, VisitViews views)
    {
        if (views.Open(id) is not { } view)
            return TypedResults.NotFound();
        var stands = view.StandsInWords;
        var next = view.Next is { } task && view.Say(task) is var said
            ? new AskedTask(task.Bench, said.Task, said.Why) : null;
        SaidFinding Said(Finding f) => new(f.Code, view.Say(f), f.Strength, f.About, f.Values, f.Basis);
        var benches =
            view.Judgements.Select(
            j => new JudgedBench(j.Bench.Name, [.. j.Judgement.Found.Select(Said)], [.. j.Judgement.Now.Select(Said)], j.Judgement.Trends))
            .ToList();
        return TypedResults.Ok(
            new VisitAnswer(view.Visit, view.Equipment.Tag, stands, view.Stands.Code, view.IsUnderWay, next, benches, view.NotJudged));
    }
}
