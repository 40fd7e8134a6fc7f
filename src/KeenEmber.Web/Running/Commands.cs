using System.Globalization;
using KeenEmber.Storage.Backups;

namespace KeenEmber.Web.Running;

/// <summary>What the program does instead of serving: a backup, a restore. Each says in one line what it did, or why it could
/// not.</summary>
internal static class Commands
{
    /// <returns>What to end with; null where the app is to serve.</returns>
    internal static int? Run(IConfiguration asked, StartOptions options)
    {
        if (asked["backup-now"] is { } to)
            return Say(() => Backup(options.Data, to));
        return asked["restore"] is { } from ? Say(() => Restore(from, asked["name"], options.Data)) : null;
    }

    private static string Backup(string data, string to)
    {
        var backup = new BackupFolder(to).Take(data, DateTimeOffset.UtcNow);
        var entries = backup.Entries.ToString("N0", CultureInfo.InvariantCulture);
        return $"{backup.Name}: {entries} entries and {backup.Photos.Count} photo files, copied and checked.";
    }

    private static string Restore(string from, string? name, string data)
    {
        if (!Directory.Exists(from))
            throw new BackupException($"There is no folder {from}.");
        var folder = new BackupFolder(from);
        var all = folder.All();
        if (all.FirstOrDefault(b => name is null || b.Name == name) is not { } backup)
            throw new BackupException(all.Count == 0 ? $"{from} holds no backup."
                : $"{from} holds no {name}. There are: {string.Join(", ", all.Select(b => b.Name))}.");
        folder.Restore(backup, data);
        return $"{backup.Name} is in {data}. Start it with: ./keen-ember serve --data {data}";
    }

    private static int Say(Func<string> act)
    {
        try
        {
            Console.WriteLine(act());
            return 0;
        }
        catch (Exception e) when (e is BackupException or IOException or UnauthorizedAccessException
            or Microsoft.Data.Sqlite.SqliteException)
        {
            Console.Error.WriteLine(Edge.Faults.Advice(e) ?? e.Message);
            return StartOptions.Refused;
        }
    }
}
