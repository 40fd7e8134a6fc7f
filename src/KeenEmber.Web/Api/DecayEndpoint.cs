using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <param name="Minute">Since the pump was shut off.</param>
/// <param name="Pa">Absolute.</param>
public sealed record VacuumSampleDocument(double Minute, double Pa);

/// <param name="VolumeL">Of what is shut off, l.</param>
/// <param name="SystemC">Of its coldest place, °C.</param>
public sealed record DecayQuestion(VacuumSampleDocument?[]? Samples, double VolumeL, double SystemC);

/// <param name="PlateauPa">Where it levels off, or would without the leak.</param>
/// <param name="LeakLow">Of the leak, in 90 of 100, Pa·l/s.</param>
/// <param name="GramsPerYear">Of a refrigerant of 100 g/mol.</param>
/// <param name="WaitMin">How much longer before it can be told; 0 where it can.</param>
public sealed record DecayAnswer(
    DecayVerdict Verdict, double PlateauPa, double LeakPaLPerS, double LeakLow, double LeakHigh, double GramsPerYear, double WaitMin);

/// <summary>A vacuum decay test that is sent in, fitted.</summary>
public static class DecayEndpoint
{
    private const int MostSamples = 20_000;

    private const double MostPa = 200_000, MostMinutes = 14 * 24 * 60, MostVolumeL = 100_000;

    public static void MapDecay(this IEndpointRouteBuilder routes) => routes.MapPost("/api/charge/decay", Fit)
        .WithSummary("A vacuum decay test: dry and tight, moisture, a leak and how large, both, or not isolated long enough to tell")
        .ProducesValidationProblem();

    private static Results<Ok<DecayAnswer>, ValidationProblem> Fit(Sent<DecayQuestion> sent)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var errors = Problems(question);
        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var r = DecayFit.Fit([.. question.Samples!.Select(s => new VacuumSample(s!.Minute, s.Pa))], question.VolumeL,
            Temperature.FromCelsius(question.SystemC));
        return TypedResults.Ok(new DecayAnswer(
            r.Verdict, r.PlateauPa, r.LeakPaLPerS, r.LeakLow, r.LeakHigh, r.GramsPerYear, r.WaitMin));
    }

    private static Dictionary<string, string[]> Problems(DecayQuestion question)
    {
        var errors = new Dictionary<string, string[]>();
        var samples = question.Samples ?? [];
        if (samples.Length is 0 or > MostSamples || samples.Any(s => s is not { Pa: > 0 and <= MostPa, Minute: >= 0 and <= MostMinutes }))
            errors["samples"] =
                [$"1 to {MostSamples} samples, each with its minute and an absolute pressure above 0 and up to {MostPa} Pa."];
        else if (samples.Zip(samples.Skip(1)).Any(p => p.Second!.Minute <= p.First!.Minute))
            errors["samples"] = ["Each sample later than the one before."];
        if (question.VolumeL is not (> 0 and <= MostVolumeL))
            errors["volumeL"] = [$"A volume above 0 and up to {MostVolumeL} l."];
        if (question.SystemC is not (>= -60 and <= 90))
            errors["systemC"] = ["A temperature from -60 to 90 °C."];
        return errors;
    }
}
