using KeenEmber.Core.Probes;
using KeenEmber.Core.Record;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Probing;

/// <param name="Key">As the controller calls it; what it means stands in the company's list.</param>
/// <param name="At">By the gateway's clock.</param>
/// <param name="Value">Of an output or an alarm 0 or 1.</param>
public sealed record ControllerValueDocument(string? Key, DateTimeOffset At, double Value);

/// <param name="Name">As its owner calls it; its id where it has none.</param>
/// <param name="SentAt">The gateway's clock as it sends, from which its error is known.</param>
public sealed record ControllerDocument(string? Name, DateTimeOffset? SentAt, ControllerValueDocument?[]? Values);

/// <param name="Taken">How many were newer than what was known.</param>
public sealed record ControllerAnswer(int Taken, double ClockOffSeconds);

/// <summary>Takes in what controllers say, whichever way a gateway brings it. Nothing is ever sent to one.</summary>
public sealed class ControllerIntake(ControllerStore controllers, TimeProvider clock)
{
    private const int MostValues = 500, LongestName = 40, LongestKey = 60;

    /// <param name="controller">Its id on the wire.</param>
    /// <returns>The answer, or what is wrong by field.</returns>
    public (ControllerAnswer? Answer, IReadOnlyDictionary<string, string[]> Errors) Take(
        string controller, Guid gateway, ControllerDocument document)
    {
        var now = clock.GetUtcNow();
        var errors = new Dictionary<string, string[]>();
        if (!ProbeIntake.IsId(controller))
            errors["id"] = [ProbeIntake.IdRule];
        var off = ProbeIntake.ClockOff(document.SentAt, now);
        var values = new List<WireValue>();
        foreach (var (value, i) in (document.Values ?? []).Select((v, i) => (v, i)))
        {
            if (value is { Key: { Length: > 0 and <= LongestKey } key } && double.IsFinite(value.Value)
                && value.At >= EntryBounds.Earliest && value.At <= now.AddDays(1))
                values.Add(new(key, value.At + off > now ? now : value.At + off, value.Value));
            else
                errors.TryAdd($"values[{i}]", [$"A key of 1 to {LongestKey} characters, a moment from the year 2000 on and a number."]);
        }

        if (values.Count is 0 or > MostValues)
            errors.TryAdd("values", [$"1 to {MostValues} values."]);
        if (errors.Count > 0)
            return (null, errors);
        var name = document.Name is { Length: > 0 } given ? given[..Math.Min(LongestName, given.Length)] : controller;
        return (new(controllers.Take(gateway, controller, name, values), Math.Round(off.TotalSeconds, 1)), errors);
    }
}

/// <summary>What controllers say over HTTP, brought by a gateway with a secret of its own.</summary>
public static class ControllerEndpoint
{
    public static void MapControllersOnWire(this IEndpointRouteBuilder routes) => routes.MapPost("/api/controllers/{id}/values", Take)
        .WithSummary("Takes in what a controller says: sensors, outputs, parameters, alarms. Authorization: Bearer with the gateway's "
            + "secret. Of two values with one key the later holds.")
        .ProducesValidationProblem().AllowAnonymous();

    private static Results<Ok<ControllerAnswer>, UnauthorizedHttpResult, ValidationProblem> Take(
        string id, Sent<ControllerDocument> sent, HttpRequest request, ProbeIntake gateways, ControllerIntake intake)
    {
        if (ProbeEndpoint.GatewayOf(request, gateways) is not { } gateway)
            return TypedResults.Unauthorized();
        if (sent.Value is not { } document)
            return sent.Problem!;
        var (answer, errors) = intake.Take(id, gateway, document);
        return answer is null ? TypedResults.ValidationProblem(errors) : TypedResults.Ok(answer);
    }
}
