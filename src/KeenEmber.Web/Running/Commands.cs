using System.Globalization;
using KeenEmber.Storage;
using KeenEmber.Storage.Archives;
using KeenEmber.Storage.Backups;

namespace KeenEmber.Web.Running;

/// <summary>What the program does instead of serving: a backup, a restore, an archive out or in. Each says in one line what it did, or
/// why it could not.</summary>
internal static class Commands
{
    /// <returns>What to end with; null where the app is to serve.</returns>
    internal static int? Run(IConfiguration asked, string data)
    {
        if (asked["backup-now"] is { } to)
            return Say(() => Backup(data, to));
        if (asked["restore"] is { } from)
            return Say(() => Restore(from, asked["name"], data));
        if (asked["export"] is { } written)
            return Say(() => Export(data, asked["unit"], asked["site"], written));
        return asked["import"] is { } read ? Say(() => Import(read, data)) : null;
    }

    private static string Export(string data, string? tag, string? site, string to)
    {
        if (!File.Exists(Path.Combine(data, Database.FileName)))
            throw new ArchiveException($"{data} holds no record.");
        var database = new Database(data);
        database.Migrate();
        var archive = new Archive(database, data);
        var scope = new ArchiveScope(tag is null ? null : archive.UnitOf(tag), site is null ? null : archive.SiteOf(site));
        using var file = new FileStream(to, FileMode.CreateNew);
        var head = archive.Write(file, DateTimeOffset.UtcNow, scope);
        return $"{Count(head.Units.Count)} units with {Count(head.Rows["entry"])} entries are in {to}.";
    }

    private static string Import(string from, string data)
    {
        using var file = File.OpenRead(from);
        var database = new Database(data);
        using var alone = new DataLock(data);
        database.Migrate();
        var (head, added) = new Archive(database, data).Read(file);
        return added == 0 ? $"Everything of {from} was there already."
            : $"{Count(head.Units.Count)} units with {Count(head.Rows["entry"])} entries read; {Count(added)} rows were new.";
    }

    private static string Count(long count) => count.ToString("N0", CultureInfo.InvariantCulture);

    private static string Backup(string data, string to)
    {
        var backup = new BackupFolder(to).Take(data, DateTimeOffset.UtcNow);
        return $"{backup.Name}: {Count(backup.Entries)} entries and {backup.Photos.Count} photo files, copied and checked.";
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
        catch (Exception e) when (e is BackupException or ArchiveException or UnusableRecordException or IOException
            or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
        {
            Console.Error.WriteLine(Edge.Faults.Advice(e) ?? e.Message);
            return StartOptions.Refused;
        }
    }
}
