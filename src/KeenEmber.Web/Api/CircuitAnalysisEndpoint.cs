using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Web.Pages;
using KeenEmber.Words;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>A unit's make-up, how it stands, and its readings as typed with their units.</summary>
/// <param name="Target">Box target as typed, such as "-20 C"; bare: °C.</param>
/// <param name="Readings">By point, such as "suctionPressure": "21 psig". Bare numbers are °C and bar gauge.</param>
/// <param name="Parts">What the circuit has beside the usual; a receiver when nothing is said.</param>
/// <param name="Coils">1, or 2 for two sides or rail and base.</param>
/// <param name="Seen">Further facts, such as "sightGlass": "bubbles".</param>
/// <param name="EvaporatorFans">One state per fan: running or stopped.</param>
/// <param name="RunMinutes">How long the compressor has been running.</param>
/// <param name="SinceDefrostMinutes">How long ago the last defrost ended, with defrost "refrigerating".</param>
public sealed record CircuitQuestion(
    string? Refrigerant, EquipmentKind Kind, string? Target, Dictionary<string, string>? Readings,
    double ElevationM = 0, Metering Metering = Metering.ThermostaticValve, CondenserKind Condenser = CondenserKind.AirCooledRemote,
    CircuitParts[]? Parts = null, int Coils = 1, double? RatedCurrentA = null, Dictionary<AsFound, FactState>? Seen = null,
        FactState[]? EvaporatorFans = null, FactState? Coil = null, FactState? Compressor = null,
    double? RunMinutes = null, FactState? Defrost = null, double? SinceDefrostMinutes = null, FactState? CondenserFan = null,
        FactState? CondenserFace = null);

/// <param name="Value">°C, K or a plain ratio, by <paramref name="Unit"/>.</param>
/// <param name="Low">Lower end of the target band.</param>
/// <param name="High">Upper end of the target band.</param>
public sealed record ResultAnswer(
    ResultRef Kind, double? Value, string Unit, double? Low, double? High, ValidityLevel Validity, ReasonCode[] Reasons,
        PointRef[] Missing);

public sealed record ChallengeAnswer(PointRef[] Points, Impossibility Why, Slip Slip, string? MeantUnit, string? MeantRefrigerant);

public sealed record FindingAnswer(
    string Code, Core.Findings.Strength Strength, IReadOnlyDictionary<string, double> For, IReadOnlyList<string> SeenFor,
    IReadOnlyDictionary<string, double> Against, IReadOnlyList<string> SeenAgainst, IReadOnlyList<string> WouldConfirm);

/// <param name="NextReading">The one reading that would unlock the most results.</param>
public sealed record CircuitAnswer(
    ResultAnswer[] Results, ChallengeAnswer[] Challenges, FindingAnswer[] Findings, PointRef? NextReading);

public static class CircuitAnalysisEndpoint
{
    public static void MapCircuitAnalysis(this IEndpointRouteBuilder routes) => routes.MapPost("/api/circuit/analysis", Answer)
        .WithSummary("Results, validity, challenges and findings of one set of circuit readings")
        .ProducesValidationProblem();

    private const double MostMinutes = 100_000;

    private static Results<Ok<CircuitAnswer>, ValidationProblem> Answer(Sent<CircuitQuestion> sent)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var errors = new Dictionary<string, string[]>();
        var fluid = RefrigerantCatalogue.Find(question.Refrigerant);
        if (fluid is null)
            errors["refrigerant"] = [$"Unknown refrigerant. Known: {string.Join(", ", RefrigerantCatalogue.All)}."];
        if (!ElevationText.IsInRange(question.ElevationM))
            errors["elevationM"] = [ElevationText.Problem];
        foreach (
            var (field, minutes) in new[] { ("runMinutes", question.RunMinutes), ("sinceDefrostMinutes", question.SinceDefrostMinutes) })
        {
            if (minutes is not (null or (>= 0 and <= MostMinutes)))
                errors[field] = [$"Minutes, 0 to {MostMinutes}."];
        }

        var target = Read("target", question.Target, QuantityKind.Temperature, errors);
        var values = new Dictionary<PointRef, TypedValue>();
        foreach (var (name, text) in question.Readings ?? [])
        {
            if (PointRef.Find(name) is not { } point)
                errors[$"readings.{name}"] = [$"Unknown point. Known: {string.Join(", ", MeasuringPoints.InWalkingOrder)}."];
            else if (Read($"readings.{name}", text, point.Kind(), errors) is { } value)
                values[point] = value;
        }

        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        return TypedResults.Ok(Say(Analyse(question, fluid!, target!.Temperature, values)));
    }

    private static CircuitAnalysis Analyse(
        CircuitQuestion q, Refrigerant fluid, Temperature target, Dictionary<PointRef, TypedValue> values)
    {
        var conditions = new OperatingConditions(
            [.. (q.EvaporatorFans ?? []).Select(f => (FactState?)f)], q.Coil, q.Compressor,
            q.RunMinutes is { } minutes ? TimeSpan.FromMinutes(minutes) : null, q.CondenserFan, q.CondenserFace,
            values.TryGetValue(MeasuringPoint.BoxAir, out var box) ? box.Temperature - target : null, target)
        {
            Defrost = q.Defrost,
            Seen = q.Seen ?? [],
            SinceDefrost = q.SinceDefrostMinutes is { } since ? TimeSpan.FromMinutes(since) : null,
            CondenserAir = values.TryGetValue(MeasuringPoint.CondenserAir, out var ambient) ? ambient.Temperature : null,
        };
        var atmosphere = Atmosphere.AtElevation(q.ElevationM);
        var readings =
            values.ToDictionary(
            v => v.Key, v => new TakenReading(Guid.Empty, v.Key, DateTimeOffset.UnixEpoch, v.Value, atmosphere, conditions));
        return CircuitCalculation.Analyse(new(fluid, MakeUp(q), readings), conditions);
    }

    /// <summary>Without parts named: a receiver, as most valves have, and none with a capillary tube.</summary>
    private static CircuitMakeUp MakeUp(CircuitQuestion q) => new(q.Kind, q.Metering, q.Condenser,
        q.Parts?.Aggregate(CircuitParts.None, (all, part) => all | part)
            ?? (q.Metering == Metering.CapillaryTube ? CircuitParts.None : CircuitParts.Receiver),
        q.Coils == 2 ? 2 : 1, q.RatedCurrentA);

    private static CircuitAnswer Say(CircuitAnalysis analysis) => new(
        [.. analysis.Results.Select(r => new ResultAnswer(
            r.Ref, OnScale(r, r.Value),
            r.Quantity switch { ResultQuantity.Temperature => "°C", ResultQuantity.Difference => "K", _ => "1" },
            OnScale(r, r.Band?.Low), OnScale(r, r.Band?.High), r.Validity.Level, [.. r.Validity.Reasons.Select(x => x.Code)],
                [.. r.Missing]))],
        [.. analysis.Challenges.Select(c => new ChallengeAnswer([.. c.Points], c.Why, c.Slip, c.MeantUnit?.Symbol, c.MeantRefrigerant))],
        [.. analysis.Findings.Select(
            f => new FindingAnswer(f.Code, f.Strength, f.Values, f.Seen, f.Against, f.SeenAgainst, f.WouldConfirm))],
        NextStep.AskedReading(analysis.Results)?.Point);

    private static TypedValue? Read(string field, string? text, QuantityKind kind, Dictionary<string, string[]> errors)
    {
        var read = QuantityReader.Read(text, kind, UnitPreference.Metric);
        if (read.Problem is { } problem)
            errors[field] = [TypingText.Problem(problem, kind, UnitPreference.Metric)];
        return read.Value;
    }

    private static double? OnScale(CircuitResult result, double? value) =>
        Round(result.Quantity == ResultQuantity.Temperature && value is { } k ? new Temperature(k).Celsius : value);

    private static double? Round(double? value) => value is { } v ? Math.Round(v, 4) : null;
}
