using KeenEmber.Core.Benches.Box;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <param name="BoxC">Of the air, °C.</param>
/// <param name="ProductC">Of the product, °C; taken in, and not used by the fit yet.</param>
public sealed record PullDownSampleDocument(double Minute, double BoxC, double? ProductC = null);

/// <param name="TargetC">°C.</param>
public sealed record PullDownQuestion(double TargetC, PullDownSampleDocument?[]? Samples);

/// <summary>Intervals hold in 90 of 100; minutes from the first sample. No time where it will not reach its target.</summary>
public sealed record PullDownAnswer(
    PullDownVerdict Verdict, double PlateauC, double PlateauLowC, double PlateauHighC, double? ToTargetMin, double? ToTargetLowMin,
    double? ToTargetHighMin);

/// <summary>A pull-down that is sent in, carried on to its end.</summary>
public static class PullDownEndpoint
{
    private const int MostSamples = 20_000;

    private const double MostMinutes = 30 * 24 * 60;

    public static void MapPullDown(this IEndpointRouteBuilder routes) => routes.MapPost("/api/box/pulldown", Fit)
        .WithSummary("A box being pulled down: when it reaches its target, or where above it it will stay")
        .ProducesValidationProblem();

    private static Results<Ok<PullDownAnswer>, ValidationProblem> Fit(Sent<PullDownQuestion> sent)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var errors = Problems(question);
        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var r = PullDownFit.Fit([.. question.Samples!.Select(s => new PullDownSample(s!.Minute, s.BoxC, s.ProductC))], question.TargetC);
        return TypedResults.Ok(new PullDownAnswer(
            r.Verdict, r.Plateau.Value, r.Plateau.Low, r.Plateau.High, r.ToTarget?.Value, r.ToTarget?.Low, r.ToTarget?.High));
    }

    private static Dictionary<string, string[]> Problems(PullDownQuestion question)
    {
        var errors = new Dictionary<string, string[]>();
        var samples = question.Samples ?? [];
        if (samples.Length is 0 or > MostSamples || samples.Any(s =>
            s is not { BoxC: >= -80 and <= 80, ProductC: null or (>= -80 and <= 80), Minute: >= 0 and <= MostMinutes }))
            errors["samples"] = [$"1 to {MostSamples} samples, each with its minute and temperatures from -80 to 80 °C."];
        else if (samples.Zip(samples.Skip(1)).Any(p => p.Second!.Minute <= p.First!.Minute))
            errors["samples"] = ["Each sample later than the one before."];
        if (question.TargetC is not (>= -80 and <= 40))
            errors["targetC"] = ["A target from -80 to 40 °C."];
        return errors;
    }
}
