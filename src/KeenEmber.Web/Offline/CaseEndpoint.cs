using KeenEmber.Application;
using KeenEmber.Core.Written;
using KeenEmber.Storage;

namespace KeenEmber.Web.Offline;

/// <summary>What a phone takes along to judge a visit where there is no signal.</summary>
public static class CaseEndpoint
{
    /// <summary>At /api/visits/{id}/case; with a unit's id, of a visit to it that nobody has begun.</summary>
    public static void MapCase(this IEndpointRouteBuilder routes) =>
        routes.MapGet("/api/visits/{id:guid}/case", (Guid id, VisitDesk desk, RunSeriesStore series) =>
            (desk.Load(id) ?? desk.Ahead(id)) is { } loaded
                ? Results.Text(WrittenCase.Of(loaded.Record, EntryKinds.House, series.Find), "application/json") : Results.NotFound())
            .ExcludeFromDescription();
}
