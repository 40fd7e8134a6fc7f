using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <param name="Signal">Ω, V, mA or share of the supply, as the curve has it; leave out with <paramref name="IsOpen"/>.</param>
/// <param name="Reference">°C, or kPa gauge.</param>
/// <param name="Moment">Points of several sensors with the same number were read together.</param>
public sealed record SensorPointDocument(
    double? Reference = null, double? Signal = null, double? Shown = null, bool InBath = false, bool IsOpen = false, int Moment = 0)
{
    public SensorPoint ToPoint() => new(Reference, IsOpen ? double.PositiveInfinity : Signal, Shown, InBath, Moment);
}

/// <param name="Family">Code of a family, such as "ntc-10k-3435"; else R25 and beta, or points.</param>
/// <param name="OffsetParameter">What the controller adds, K; null when unknown.</param>
public sealed record SensorDocument(
    string Name, SensorPointDocument[] Points, string? Family = null, double? R25 = null, double? Beta = null, CurvePoint[]? Table = null,
        SignalKind Signal = SignalKind.Ohm,
    bool MeasuresPressure = false, SensorRole Role = SensorRole.Other, double? OffsetParameter = null)
{
    public CurveSpec Curve =>
        new(Family ?? "", R25, Beta, Table, Signal, MeasuresPressure ? QuantityKind.Pressure : QuantityKind.Temperature);
}

/// <param name="Reference">Accuracy of the thermometer, K.</param>
/// <param name="SignalShare">Of the meter, as a share of its reading.</param>
/// <param name="Shown">Of the controller, K.</param>
public sealed record SensorQuestion(SensorDocument?[]? Sensors, double? Reference = null, double? SignalShare = null, double? Shown = null);

/// <param name="Place">The sensor whose place this input really shows.</param>
/// <param name="ErrorK">What the controller works with less the reference; null when unknown or without end.</param>
/// <param name="Clear">Difference over what it may be.</param>
public sealed record SensorAnswer(
    string Name, SensorVerdict Verdict, string Place, double? ErrorK, double? Clear, string? Family, SensorConsequence? Consequence,
    SensorSlip? LikelySlip, IReadOnlyList<string> WouldSettle, SensorStep[] Steps);

public sealed record SensorAnswers(SensorAnswer[] Sensors, FindingAnswer[] Findings);

/// <summary>A board of sensors that is sent in, judged.</summary>
public static class SensorEndpoint
{
    private const int MostPoints = 50;

    public static void MapSensors(this IEndpointRouteBuilder routes) => routes.MapPost("/api/sensors/analysis", Analyse)
        .WithSummary("Who is lying: each sensor by reference, signal and controller, and which are in each other's socket")
            .ProducesValidationProblem();

    private static Results<Ok<SensorAnswers>, ValidationProblem> Analyse(Sent<SensorQuestion> sent)
    {
        if (sent.Value is not { } question)
            return sent.Problem!;
        var errors = Problems(question);
        if (errors.Count > 0)
            return TypedResults.ValidationProblem(errors);
        var usual = new CheckAccuracy();
        var accuracy =
            new CheckAccuracy(
            question.Reference ?? usual.Reference, question.SignalShare ?? usual.SignalShare, question.Shown ?? usual.Shown);
        var board =
            SensorBoard.Judge(
            [.. question.Sensors!.Select(s => s!)
            .Select(s => new BoardChannel(s.Name, s.Curve.Curve!, [.. s.Points.Select(p => p.ToPoint())], s.OffsetParameter))], accuracy);
        return TypedResults.Ok(new SensorAnswers([.. board.Channels.Zip(question.Sensors!, (c, s) => Answer(board, c, s!))],
            [.. SensorFindings.Of(board, _ => [])
                .Select(f => new FindingAnswer(f.Code, f.Strength, f.Values, f.Seen, f.Against, f.SeenAgainst, f.WouldConfirm))]));
    }

    private static SensorAnswer Answer(BoardResult board, ChannelResult c, SensorDocument sensor)
    {
        var r = c.Result;
        return new(c.Channel.Name, r.Verdict, board.Channels[c.Place].Channel.Name, Finite(r.Error), Finite(r.Clear), r.Other?.Code,
            r is { IsFault: true, Error: { } error } ? SensorConsequences.Of(sensor.Role, error) : null,
            c.Channel.Points.Count > 0 ? SensorSlips.Find(c.Channel.Curve, c.Channel.Points[^1])
                : null, r.WouldSettle, [.. SensorSteps.For(r, c.ByElimination, isWet: false, wholeSet: true)]);
    }

    private static bool CanBe(SensorDocument sensor, SensorPointDocument point) =>
        new[] { point.Reference, point.Shown }.All(
            v => v is not { } value || QuantityReader.IsWithinPhysics(new(value, sensor.MeasuresPressure ? Unit.Kilopascal : Unit.Celsius)))
        && point.Signal is null or (>= 0 and <= 1e9);

    private static double? Finite(double? value) => value is { } v && double.IsFinite(v) ? v : null;

    private static Dictionary<string, string[]> Problems(SensorQuestion question)
    {
        var errors = new Dictionary<string, string[]>();
        if (question.Sensors is not { Length: > 0 and <= SensorBoard.MostChannels })
            errors["sensors"] = [$"1 to {SensorBoard.MostChannels} sensors."];
        if (question.Reference is <= 0 or > 100 || question.SignalShare is <= 0 or > 1 || question.Shown is <= 0 or > 100)
            errors["reference"] = ["Accuracies are above 0 and up to 100 K, or up to 1 as a share."];
        foreach (var (sensor, i) in (question.Sensors ?? []).Take(SensorBoard.MostChannels).Select((s, i) => (s, i)))
        {
            if (sensor is null)
            {
                errors[$"sensors[{i}]"] = ["A sensor is missing."];
                continue;
            }

            if (string.IsNullOrWhiteSpace(sensor.Name) || sensor.Name.Length > 60)
                errors[$"sensors[{i}].name"] = ["A name of up to 60 characters."];
            if (sensor.Curve.Curve is null)
                errors[$"sensors[{i}].family"] = ["A family that is known, R25 and beta, or two or three points that run one way."];
            if (sensor.Points is not { Length: <= MostPoints } || sensor.Points.Any(p => p is null || !CanBe(sensor, p)))
                errors[$"sensors[{i}].points"] =
                    [$"Up to {MostPoints} points, each with a reference, a signal and a shown value that instruments can have."];
            if (sensor.OffsetParameter is { } offset && !QuantityReader.IsWithinPhysics(new(offset, Unit.KelvinDifference)))
                errors[$"sensors[{i}].offsetParameter"] = ["An offset within 100 K."];
        }

        return errors;
    }
}
