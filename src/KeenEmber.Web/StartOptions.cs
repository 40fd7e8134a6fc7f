using System.Globalization;
using System.Security.Cryptography;
using KeenEmber.Storage;
using KeenEmber.Web.Edge;
using KeenEmber.Web.Running;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Web;

/// <summary>What the program was started with. What cannot be started is said in one line, not in a stack trace.</summary>
/// <param name="Listening">Where it listens.</param>
/// <param name="Backup">Folder that backups go to; null for none.</param>
/// <param name="BackupHours">How old the last backup may get, h.</param>
/// <param name="Quota">How much the data folder may hold before no photo is taken in any more, bytes; null for as much as the disk
/// does.</param>
public sealed record StartOptions(
    string Data, Listening Listening, string? Backup = null, double BackupHours = StartOptions.UsualBackupHours, long? Quota = null)
{
    private const double LeastQuotaGb = 0.001, MostQuotaGb = 100_000;

    private const double UsualBackupHours = 24, LeastBackupHours = 0.1, MostBackupHours = 720;

    private const int UsualPort = 5080;

    /// <summary>Ready from the start on: requests of fifty people, and a thread each for the benches they wait for.</summary>
    public const int Threads = 128;

    /// <summary>What the program ends with when it could not start.</summary>
    public const int Refused = 2;

    /// <returns>Null, with the reason on the error output, when they cannot be used.</returns>
    public static StartOptions? Read(IConfiguration configuration)
    {
        var port = UsualPort;
        if (configuration["port"] is { } typed && !(int.TryParse(typed, out port) && port is > 0 and < 65_536))
            return Refuse<StartOptions>($"“{typed}” is no port. Give one from 1 to 65535: --port 5080.");
        var hours = UsualBackupHours;
        if (configuration["backup-hours"] is { } often && !(double.TryParse(often, CultureInfo.InvariantCulture, out hours)
            && hours is >= LeastBackupHours and <= MostBackupHours))
            return Refuse<StartOptions>(
                $"“{often}” is no number of hours from {LeastBackupHours} to {MostBackupHours}: --backup-hours 24.");
        double? quota = null;
        if (configuration["quota"] is { } typedQuota)
        {
            if (!(double.TryParse(typedQuota, CultureInfo.InvariantCulture, out var gb) && gb is >= LeastQuotaGb and <= MostQuotaGb))
                return Refuse<StartOptions>($"“{typedQuota}” is no size in GB: --quota 200.");
            quota = gb * (1 << 30);
        }

        var (listening, why) = Listening.Read(configuration, port);
        if (listening is null)
            return Refuse<StartOptions>(why);
        if (listening.IsOpen && configuration.GetValue("demo", false))
            return Refuse<StartOptions>("The demo signs everybody in, so it stays on this machine.");
        return new(Path.GetFullPath(configuration["data"] ?? "data"), listening,
            configuration["backup"] is { Length: > 0 } folder ? Path.GetFullPath(folder) : null, hours, (long?)quota);
    }

    /// <summary>The record's folder, made if missing.</summary>
    /// <param name="isSynced">False only to show what a pulled plug takes away then.</param>
    public static Database? Open(string folder, bool isSynced)
    {
        try
        {
            return new(folder, isSynced);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return Refuse<Database>($"The data folder {folder} cannot be used: {e.Message}");
        }
    }

    /// <summary>The data folder for this program alone.</summary>
    public static DataLock? Lock(string folder)
    {
        try
        {
            return new(folder);
        }
        catch (Exception e) when (e is UnusableRecordException or UnauthorizedAccessException)
        {
            return Refuse<DataLock>(e.Message);
        }
    }

    /// <summary>Has the server listen where it was asked to, with its certificate.</summary>
    /// <returns>False, with the reason on the error output, when there is no usable certificate.</returns>
    public static bool Listen(StartOptions options, WebApplicationBuilder builder)
    {
        try
        {
            options.Listening.Apply(builder, options.Data);
            return true;
        }
        catch (Exception e) when (e is CryptographicException or IOException or UnauthorizedAccessException)
        {
            Refuse<object>($"{options.Listening.Certificate} holds no certificate with its key: {e.Message}");
            return false;
        }
    }

    /// <summary>Brings the record to this program's version.</summary>
    /// <returns>False, with the reason on the error output, when it cannot be.</returns>
    public static bool Migrate(Database database)
    {
        try
        {
            database.Migrate();
            return true;
        }
        catch (Exception e) when (
            e is UnusableRecordException or SqliteException or IOException or UnauthorizedAccessException
            || e.InnerException is SqliteException)
        {
            Refuse<object>(Faults.Advice(e) ?? Faults.Advice(e.InnerException) ?? e.Message);
            return false;
        }
    }

    private static T? Refuse<T>(string why)
        where T : class
    {
        Console.Error.WriteLine(why);
        return null;
    }
}
