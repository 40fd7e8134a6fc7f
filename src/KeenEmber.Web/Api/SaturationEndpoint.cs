using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Web.Pages;
using KeenEmber.Words;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>Saturation of one refrigerant. With a temperature the two pressures are set, with a pressure the two temperatures.</summary>
/// <param name="BubbleKpa">kPa absolute.</param>
/// <param name="DewKpa">kPa absolute.</param>
/// <param name="PressureKpa">The pressure asked for, kPa absolute.</param>
public sealed record SaturationAnswer(
    string Refrigerant, double? TemperatureC = null, double? BubbleKpa = null, double? DewKpa = null,
    double? PressureKpa = null, double? BubbleC = null, double? DewC = null);

public static class SaturationEndpoint
{
    public static void MapSaturation(this IEndpointRouteBuilder routes) => routes.MapGet("/api/saturation", Answer)
        .WithSummary("Bubble and dew point of a refrigerant at a temperature or at a pressure")
        .WithDescription(
            "Give either temperature (\"-20C\", \"-4 °F\"; bare: °C) or pressure (\"21psig\", \"1.4 bar\", \"330 kPa abs\"; bare: bar "
            + "gauge), "
            + "for a gauge pressure optionally elevationM (metres above sea level). Pressures in the answer are absolute.")
        .ProducesValidationProblem();

    private static Results<Ok<SaturationAnswer>,
        ValidationProblem> Answer(string? refrigerant, string? temperature, string? pressure, string? elevationM)
    {
        if (RefrigerantCatalogue.Find(refrigerant) is not { } fluid)
            return Problem("refrigerant", $"Unknown refrigerant. Known: {string.Join(", ", RefrigerantCatalogue.All)}.");
        if ((temperature is null) == (pressure is null))
            return Problem("temperature", "Give either temperature or pressure.");

        if (temperature is not null)
        {
            var typed = QuantityReader.Read(temperature, QuantityKind.Temperature, UnitPreference.Metric);
            if (typed.Value is not { } value)
                return Problem("temperature", TypingText.Problem(typed.Problem!.Value, QuantityKind.Temperature, UnitPreference.Metric));
            return fluid.BubblePressure(value.Temperature) is { } bubble && fluid.DewPressure(value.Temperature) is { } dew
                ? TypedResults.Ok(new SaturationAnswer(fluid.Name, Round(value.Temperature.Celsius), Round(bubble.Kpa), Round(dew.Kpa)))
                : Problem(
                    "temperature",
                    $"{fluid.Name} is known from {Round(fluid.Dew.Lowest.Celsius)} to {Round(fluid.Dew.Highest.Celsius)} °C.");
        }

        var (metres, wrong) = ElevationText.Read(elevationM);
        if (wrong is not null)
            return Problem("elevationM", wrong);
        var read = QuantityReader.Read(pressure, QuantityKind.Pressure, UnitPreference.Metric);
        if (read.Value is not { } reading)
            return Problem("pressure", TypingText.Problem(read.Problem!.Value, QuantityKind.Pressure, UnitPreference.Metric));
        var absolute = new Pressure(reading.Si(Atmosphere.AtElevation(metres)));
        return fluid.BubbleTemperature(absolute) is { } boiling && fluid.DewTemperature(absolute) is { } condensing
            ? TypedResults.Ok(
                new SaturationAnswer(
                fluid.Name, PressureKpa: Round(absolute.Kpa), BubbleC: Round(boiling.Celsius), DewC: Round(condensing.Celsius)))
            : Problem("pressure", $"{Round(absolute.Kpa)} kPa absolute is outside what is known of {fluid.Name}.");
    }

    private static double Round(double value) => Math.Round(value, 4);

    private static ValidationProblem Problem(string field, string message) =>
        TypedResults.ValidationProblem(new Dictionary<string, string[]> { [field] = [message] });
}
