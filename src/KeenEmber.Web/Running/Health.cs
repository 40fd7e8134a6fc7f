using Dapper;
using KeenEmber.Storage;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Web.Running;

/// <summary>Whether the service can do its work, and how much room it has.</summary>
public sealed class Health(Database database, StartOptions options, BackupKeeper backups)
{
    /// <summary>Below this nothing more should be taken in, bytes.</summary>
    private const long LeastFree = 200L << 20;

    /// <summary>From this part of the quota on somebody is told, before nothing more is taken in.</summary>
    private const double NearQuota = 0.9;

    /// <summary>How much the data folder may hold, bytes; null for as much as the disk does.</summary>
    public long? Quota => options.Quota;

    /// <summary>Free on the disk of the record, bytes.</summary>
    public long Free => new DriveInfo(options.Data).AvailableFreeSpace;

    /// <summary>Of the record, with what is still to be written into it, bytes.</summary>
    public long RecordBytes =>
        new DirectoryInfo(options.Data).EnumerateFiles($"{Database.FileName}*").Sum(f => f.Length);

    /// <summary>Photo files and their bytes.</summary>
    public (int Files, long Bytes) Photos
    {
        get
        {
            var files = new DirectoryInfo(Path.Combine(options.Data, "photos")).EnumerateFiles().ToList();
            return (files.Count, files.Sum(f => f.Length));
        }
    }

    /// <summary>What is wrong, without a path or a name in it; empty when it is ready.</summary>
    public IReadOnlyList<string> Problems()
    {
        var problems = new List<string>();
        try
        {
            using var db = database.Open();
            // The write lock, taken and given back: reading alone says nothing of a folder that became read-only.
            db.Execute("BEGIN IMMEDIATE; ROLLBACK");
        }
        catch (SqliteException e)
        {
            problems.Add(Edge.Faults.Advice(e) ?? "The record cannot be used.");
        }

        if (Free < LeastFree)
            problems.Add("The disk is nearly full.");
        if (Quota is { } quota && RecordBytes + Photos.Bytes > NearQuota * quota)
            problems.Add("The record has nearly reached what it may hold. Beyond it no photo is taken in.");
        if (backups.IsOverdue)
            problems.Add("The backup is overdue.");
        return problems;
    }
}

/// <summary>Says to a proxy or a watcher whether the service is ready.</summary>
public static class HealthEndpoint
{
    /// <param name="Status">ready, or not-ready.</param>
    public sealed record Answer(string Status, IReadOnlyList<string> Problems);

    /// <summary>Open to whoever watches the service, over plain HTTP too.</summary>
    public const string Path = "/healthz";

    /// <summary>200 when ready, 503 with what is wrong.</summary>
    public static void MapHealth(this IEndpointRouteBuilder routes) => routes.MapGet(Path, (Health health) =>
        health.Problems() is { Count: > 0 } problems
            ? Results.Json(new Answer("not-ready", problems), statusCode: StatusCodes.Status503ServiceUnavailable)
            : Results.Json(new Answer("ready", []))).AllowAnonymous().ExcludeFromDescription();
}
