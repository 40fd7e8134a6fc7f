using System.Globalization;
using KeenEmber.Storage;
using KeenEmber.Storage.Archives;

namespace KeenEmber.Web.Api;

/// <summary>Everything of a unit, or of all, as one open file.</summary>
public static class ArchiveEndpoint
{
    public static void MapArchives(this IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/units/{id:guid}/archive", (Guid id, Archive archive, EquipmentStore equipment, TimeProvider clock) =>
            equipment.Find(id) is { } found ? Answer(archive, clock.GetUtcNow(), found.Equipment.Tag, id) : Results.NotFound())
            .WithSummary("Everything of one unit: a zip of JSON lines with its photos, see docs/archive.md")
            .Produces(200, null, "application/zip");
        routes.MapGet("/api/archive", (Archive archive, TimeProvider clock) => Answer(archive, clock.GetUtcNow(), "all"))
            .WithSummary("Everything of all units in one file, see docs/archive.md").Produces(200, null, "application/zip");
    }

    /// <summary>Made beside, so that nobody holds the record for as long as a slow line takes.</summary>
    private static IResult Answer(Archive archive, DateTimeOffset now, string what, Guid? unit = null)
    {
        var file = new FileStream(Path.GetTempFileName(), FileMode.Create, FileAccess.ReadWrite, FileShare.None, 1 << 16,
            FileOptions.DeleteOnClose);
        archive.Write(file, now, unit);
        file.Position = 0;
        var name = string.Concat(what.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-'));
        return Results.File(file, "application/zip",
            $"keen-ember-{name}-{now.UtcDateTime.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)}.zip");
    }
}
