using System.Text.Json;
using Dapper;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Written;

namespace KeenEmber.Storage;

/// <summary>What a column of a logger's file is.</summary>
/// <param name="Place">Null for one that is left out.</param>
/// <param name="Unit">The unit it is written in.</param>
public sealed record LoggerColumn(RunPlace? Place, Unit? Unit);

/// <summary>What the columns of a logger mean: named once, remembered by the file's headings.</summary>
/// <param name="TimeColumn">Index of the time; the date may stand in the column before.</param>
/// <param name="Columns">One for each column of the file.</param>
public sealed record LoggerColumns(int TimeColumn, IReadOnlyList<LoggerColumn> Columns);

/// <summary>Files that wait for their columns to be named, and what the columns of each logger were named last.</summary>
public sealed class LoggerStore(Database database)
{
    private sealed record Written(int Time, List<WrittenColumn> Columns);

    private sealed record WrittenColumn(RunPlaceKind? Kind, string Name, string Unit);

    /// <summary>So much of a file tells its headings and first rows.</summary>
    private const int HeadBytes = 300_000;

    /// <summary>Keeps a file until its columns are named; the same id again changes nothing.</summary>
    public void Save(Guid id, Guid visitId, string name, byte[] file)
    {
        using var db = database.Open();
        db.Execute("INSERT INTO logger_file (id, visit_id, name, body) VALUES (@id, @visit, @name, @file) ON CONFLICT (id) DO NOTHING",
            new { id = id.ToString(), visit = visitId.ToString(), name, file });
    }

    /// <param name="whole">With every row; else only so much of it as shows what its columns are.</param>
    /// <returns>Null when it is no file of this visit, or has been taken in.</returns>
    public (string Name, byte[] File)? Find(Guid id, Guid visitId, bool whole)
    {
        using var db = database.Open();
        var row =
            db.QuerySingleOrDefault<(string Name, byte[] Body)?>(
            $"SELECT name, {(whole ? "body" : $"substr(body, 1, {HeadBytes})")} FROM logger_file WHERE id = @id AND visit_id = @visit",
            new { id = id.ToString(), visit = visitId.ToString() });
        return row is { } found ? (found.Name, whole ? found.Body : UpToALine(found.Body)) : null;
    }

    /// <summary>A head that was cut is cut back to the end of a line, so that no letter is left in half.</summary>
    private static byte[] UpToALine(byte[] head) =>
        head.Length < HeadBytes || Array.LastIndexOf(head, (byte)'\n') is not (> 0 and var end) ? head : head[..(end + 1)];

    /// <summary>Forgets a file, once it was taken in.</summary>
    public void Remove(Guid id)
    {
        using var db = database.Open();
        db.Execute("DELETE FROM logger_file WHERE id = @id", new { id = id.ToString() });
    }

    /// <summary>What the columns of a file with these headings were named last; null when none like it was seen.</summary>
    public LoggerColumns? ColumnsOf(string headings)
    {
        using var db = database.Open();
        if (db.QuerySingleOrDefault<string>(
            "SELECT columns FROM logger_columns WHERE headings = @headings", new { headings }) is not { } json)
            return null;
        var written = JsonSerializer.Deserialize<Written>(json, EntryJson.Options)!;
        return new(
            written.Time,
            [.. written.Columns.Select(c => new LoggerColumn(c.Kind is { } kind ? new RunPlace(kind, c.Name) : null, Unit.Find(c.Unit)))]);
    }

    /// <summary>Keeps what the columns of a file with these headings are.</summary>
    public void Remember(string headings, LoggerColumns columns)
    {
        var written =
            new Written(
            columns.TimeColumn,
            [.. columns.Columns.Select(c => new WrittenColumn(c.Place?.Kind, c.Place?.Name ?? "", c.Unit?.Symbol ?? ""))]);
        using var db = database.Open();
        db.Execute(
            "INSERT INTO logger_columns (headings, columns) VALUES (@headings, @columns) ON CONFLICT (headings) DO UPDATE SET columns "
            + "= excluded.columns",
            new { headings, columns = JsonSerializer.Serialize(written, EntryJson.Options) });
    }
}
