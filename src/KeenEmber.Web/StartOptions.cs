using KeenEmber.Storage;
using KeenEmber.Web.Edge;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Web;

/// <summary>What the program was started with. What cannot be started is said in one line, not in a stack trace.</summary>
public sealed record StartOptions(string Data, int Port)
{
    /// <summary>What the program ends with when it could not start.</summary>
    public const int Refused = 2;

    /// <returns>Null, with the reason on the error output, when they cannot be used.</returns>
    public static StartOptions? Read(IConfiguration configuration)
    {
        var typed = configuration["port"];
        if (typed is null)
            return new(Path.GetFullPath(configuration["data"] ?? "data"), 5080);
        return int.TryParse(typed, out var port) && port is > 0 and < 65_536 ? new(Path.GetFullPath(configuration["data"] ?? "data"), port)
            : Refuse<StartOptions>($"“{typed}” is no port. Give one from 1 to 65535: --port 5080.");
    }

    /// <summary>The record's folder, made if missing.</summary>
    public static Database? Open(string folder)
    {
        try
        {
            return new(folder);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return Refuse<Database>($"The data folder {folder} cannot be used: {e.Message}");
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
