using System.Globalization;
using KeenEmber.Storage;
using KeenEmber.Storage.Archives;

namespace KeenEmber.Web.Api;

/// <summary>Everything of a unit, of a site, or of all, as one open file.</summary>
public static class ArchiveEndpoint
{
    public static void MapArchives(this IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/units/{id:guid}/archive", (Guid id, Archive archive, EquipmentStore equipment, TimeProvider clock) =>
            equipment.Find(id) is { } found ? Answer(archive, clock.GetUtcNow(), found.Equipment.Tag, new(Unit: id)) : Results.NotFound())
            .WithSummary("Everything of one unit: a zip of JSON lines with its photos, see docs/archive.md")
            .Produces(200, null, "application/zip");
        routes.MapGet("/api/sites/{id:guid}/archive", (Guid id, Archive archive, EquipmentStore equipment, TimeProvider clock) =>
            equipment.Sites().FirstOrDefault(s => s.Id == id) is { } site
                ? Answer(archive, clock.GetUtcNow(), site.Name, new(Site: id)) : Results.NotFound())
            .WithSummary("Everything of all units of a site, see docs/archive.md").Produces(200, null, "application/zip");
        routes.MapGet("/api/archive", (Archive archive, TimeProvider clock) => Answer(archive, clock.GetUtcNow(), "all", new()))
            .WithSummary("Everything of all units in one file, see docs/archive.md").Produces(200, null, "application/zip");
    }

    /// <summary>Made beside, so that nobody holds the record for as long as a slow line takes.</summary>
    private static IResult Answer(Archive archive, DateTimeOffset now, string what, ArchiveScope scope)
    {
        var file = new FileStream(Path.GetTempFileName(), FileMode.Create, FileAccess.ReadWrite, FileShare.None, 1 << 16,
            FileOptions.DeleteOnClose);
        archive.Write(file, now, scope);
        file.Position = 0;
        var name = string.Concat(what.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-'));
        return Results.File(file, "application/zip",
            $"keen-ember-{name}-{now.UtcDateTime.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)}.zip");
    }
}
