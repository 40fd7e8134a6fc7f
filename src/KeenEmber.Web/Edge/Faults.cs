using Microsoft.Data.Sqlite;

namespace KeenEmber.Web.Edge;

/// <summary>Faults of the machine under the app, told from faults of the app itself.</summary>
public static class Faults
{
    /// <summary>"No space left on device" of Linux.</summary>
    private const int NoSpace = 28;

    /// <summary>SQLite's result codes (sqlite.org/rescode.html).</summary>
    private const int Busy = 5, Locked = 6, ReadOnly = 8, IoError = 10, Corrupt = 11, Full = 13, CannotOpen = 14, NotADatabase = 26;

    /// <summary>What a technician can do about it; null when the fault is the app's own.</summary>
    public static string? Advice(Exception? fault) => fault switch
    {
        SqliteException { SqliteErrorCode: Full } => DiskFull,
        IOException io when (io.HResult & 0xFFFF) == NoSpace => DiskFull,
        SqliteException { SqliteErrorCode: ReadOnly or CannotOpen } or UnauthorizedAccessException =>
            "The data folder cannot be written to. Check who may write there, then send it again.",
        SqliteException { SqliteErrorCode: Busy or Locked } => "Another program is holding the record. Close it, then send this again.",
        SqliteException { SqliteErrorCode: Corrupt or NotADatabase } =>
            "The record on this machine is damaged. Stop the app, keep the data folder as it is, and restore a copy.",
        SqliteException { SqliteErrorCode: IoError } or IOException { InnerException: null } and not BadHttpRequestException
            and not FileNotFoundException =>
            "The disk of this machine did not take or give its data. Check the disk, then send this again.",
        _ => null,
    };

    private const string DiskFull = "The disk is full. Make room on it, then send this again.";

    /// <summary>The status an exception is answered with.</summary>
    public static int Status(Exception fault) => fault switch
    {
        BadHttpRequestException bad => bad.StatusCode,
        InvalidDataException => StatusCodes.Status400BadRequest,
        OperationCanceledException => 499,
        _ when Advice(fault) is not null => StatusCodes.Status503ServiceUnavailable,
        _ => StatusCodes.Status500InternalServerError,
    };
}
