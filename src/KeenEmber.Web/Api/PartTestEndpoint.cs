using System.Text.Json;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Visits;
using KeenEmber.Words.Benches.Electrical;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>A part with its plate and what was measured of it.</summary>
/// <param name="Kind">capacitor, windings, insulation, threePhaseSupply, singlePhaseSupply, splitPhaseSupply, phaseOrder, fuse,
/// contactorPole, switch, coil, heater, fanMotor, transformer, currentRelay, potentialRelay, solidStateRelay, overload,
/// compressorCurrent.</param>
/// <param name="Plate">Numbers by name: microfarad, tolerancePercent, volts, amps, ohms, watts, rpm, and so on.</param>
/// <param name="Measured">Numbers by name; "open" for an open circuit.</param>
public sealed record PartTestQuestion(
    TestedPart Kind, IReadOnlyDictionary<string, double>? Plate = null, IReadOnlyDictionary<string, JsonElement>? Measured = null);

/// <param name="Value">The number it rests on: µF, Ω, MΩ at 40 °C, %, V.</param>
/// <param name="MarginPercent">To the nearer end of the band; below 0 beyond it.</param>
/// <param name="Pins">Of windings: the number of the pin that is common, run, start.</param>
/// <param name="Slip">What to look at before the part is blamed: thousandfold, phaseToNeutral, noTestVoltage,
/// noWindingTemperature.</param>
public sealed record PartTestAnswer(
    PartVerdict Verdict, double? Value, double? Low, double? High, double? MarginPercent, string Meaning, string Next,
    IReadOnlyDictionary<string, int>? Pins, PartSlip? Slip);

/// <summary>An electrical part that is sent in, judged.</summary>
public static class PartTestEndpoint
{
    private const string Open = "open";

    public static void MapPartTest(this IEndpointRouteBuilder routes) => routes.MapPost("/api/electrical/component", Judge)
        .WithSummary("What a measured electrical part is worth: verdict, margin, meaning, next").ProducesValidationProblem();

    private static Results<Ok<PartTestAnswer>, ValidationProblem> Judge(Sent<PartTestQuestion> sent)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var errors = new Dictionary<string, string[]>();
        var measured = new Dictionary<string, double>();
        foreach (var (name, value) in question.Measured ?? new Dictionary<string, JsonElement>())
        {
            if (value.ValueKind == JsonValueKind.String && value.GetString() == Open)
                measured[name] = double.PositiveInfinity;
            else if (value.ValueKind == JsonValueKind.Number && value.TryGetDouble(out var number) && Math.Abs(number) <= 1e9)
                measured[name] = number;
            else
                errors[$"measured.{name}"] = ["A number, or \"open\" for an open circuit."];
        }

        if (measured.Count == 0)
            errors.TryAdd("measured", ["At least one number."]);
        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var result = PartTests.Judge(new(question.Kind, question.Plate ?? new Dictionary<string, double>(), measured));
        return TypedResults.Ok(new PartTestAnswer(result.Verdict, Round(result.Value), Round(result.Low), Round(result.High),
            Round(result.Margin * 100), PartVerdictText.Meaning(question.Kind, result),
            PartVerdictText.Next(question.Kind, result, Policies.Default), result.Roles, result.Slip));
    }

    private static double? Round(double? value) => value is { } v && double.IsFinite(v) ? Math.Round(v, 3) : null;
}
