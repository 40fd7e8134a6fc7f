using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Quantities;
using KeenEmber.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeenEmber.Web.Api;

/// <summary>A unit's control circuit, in the form the tracer takes.</summary>
public static class DiagramEndpoint
{
    private const double UsualVolts = 230, MostVolts = 1000;

    public static void MapDiagram(this IEndpointRouteBuilder routes) => routes.MapGet("/api/units/{id:guid}/diagram", Of)
        .WithSummary("The control circuit of a unit in one mode: sources and parts for /api/electrical/trace").ProducesValidationProblem();

    /// <param name="id">Of the unit.</param>
    /// <param name="mode">calling, satisfied or defrost; calling where nothing is said.</param>
    /// <param name="volts">Between L1 and L2; 230 where nothing is said.</param>
    private static Results<Ok<DiagramDocument>, NotFound, ValidationProblem> Of(
        Guid id, VisitViews views, EquipmentStore units, VisitStore visits, string? mode = null, double volts = UsualVolts)
    {
        if (units.All().FirstOrDefault(u => u.Id == id) is not { } unit)
            return TypedResults.NotFound();
        var asked = EnumName.Find<CircuitMode>(mode);
        if (mode is not null && asked is null)
            return Problem("mode", "calling, satisfied or defrost.");
        if (volts is not (> 0 and <= MostVolts))
            return Problem("volts", $"Above 0 and up to {MostVolts} V.");
        var latest = visits.OfEquipment(id).MaxBy(v => v.StartedAt);
        var plan = latest is not null ? views.Open(latest.Id)?.Of<ElectricalJudgement>()?.Diagram.Now : null;
        plan ??= CircuitTemplates.Of(unit, CircuitTemplates.Usual(unit));
        return TypedResults.Ok(DiagramDocuments.Of(plan.In(asked ?? CircuitMode.Calling, volts)));
    }

    private static ValidationProblem Problem(string field, string problem) =>
        TypedResults.ValidationProblem(new Dictionary<string, string[]> { [field] = [problem] });
}
