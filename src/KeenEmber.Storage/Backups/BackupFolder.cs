using System.Globalization;
using System.Security.Cryptography;
using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Backups;

/// <summary>A folder, best on another disk, with copies of one record.</summary>
/// <remarks>
/// The record is copied by SQLite's online backup while the app goes on writing. A copy counts once it was opened and checked: its pages,
/// its references, its entries, and every photo that it names, by content. Photos are there once for all copies. Each copy has a list
/// beside it, written last: what has none was broken off.
/// </remarks>
public sealed class BackupFolder
{
    private const string RecordEnding = ".db", ListEnding = ".json", Begun = ".begun";

    private static readonly JsonSerializerOptions Written = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    private readonly string folder;
    private readonly string photos;

    /// <param name="folder">Made if missing, for nobody but its owner to read.</param>
    public BackupFolder(string folder)
    {
        this.folder = folder;
        photos = Path.Combine(folder, PhotoStore.FolderName);
        Database.MakePrivate(photos);
    }

    /// <summary>Copies a record that may be in use, checks the copy, and lets those go that are past their age.</summary>
    /// <param name="dataFolder">Of the record.</param>
    /// <exception cref="BackupException">There is no record, another backup is under way, or the copy is not good.</exception>
    public Backup Take(string dataFolder, DateTimeOffset now)
    {
        var record = Path.Combine(dataFolder, Database.FileName);
        if (!File.Exists(record))
            throw new BackupException($"{dataFolder} holds no record.");
        using var alone = Alone();
        foreach (var left in Directory.EnumerateFiles(folder, $"*{Begun}"))
            File.Delete(left);
        var name = now.UtcDateTime.ToString("'record-'yyyyMMdd'T'HHmmss'Z'", CultureInfo.InvariantCulture);
        var begun = Path.Combine(folder, name + Begun);
        Copy(record, begun);
        var taken = CopyPhotos(Path.Combine(dataFolder, PhotoStore.FolderName));
        var backup = new Backup(name, now, HashOf(begun), new FileInfo(begun).Length, CountEntries(begun), taken);
        if (ProblemOf(begun, backup) is { } problem)
        {
            File.Delete(begun);
            throw new BackupException($"The copy was not good and was thrown away: {problem}");
        }

        File.Move(begun, Path.Combine(folder, name + RecordEnding), overwrite: true);
        WriteList(backup);
        Disk.SyncFolder(folder);
        foreach (var past in BackupAges.Past(All(), now))
            Remove(past);
        return backup;
    }

    /// <summary>Every whole backup, the newest first.</summary>
    public IReadOnlyList<Backup> All() => [.. Directory.EnumerateFiles(folder, $"*{ListEnding}").Select(Read).OfType<Backup>()
        .Where(b => File.Exists(Path.Combine(folder, b.Name + RecordEnding))).OrderByDescending(b => b.TakenAt)];

    /// <summary>Why a backup cannot be restored; null when it can.</summary>
    public string? ProblemOf(Backup backup) => ProblemOf(Path.Combine(folder, backup.Name + RecordEnding), backup);

    /// <summary>Makes a data folder of a backup.</summary>
    /// <param name="dataFolder">Empty, or not there yet.</param>
    /// <exception cref="BackupException">The folder holds something, or the backup is damaged.</exception>
    public void Restore(Backup backup, string dataFolder)
    {
        if (Directory.Exists(dataFolder) && Directory.EnumerateFileSystemEntries(dataFolder).Any())
            throw new BackupException($"{dataFolder} is not empty. Restore into an empty folder; nothing was changed.");
        if (ProblemOf(backup) is { } problem)
            throw new BackupException($"This backup is damaged: {problem} Take an earlier one.");
        var into = Path.Combine(dataFolder, PhotoStore.FolderName);
        Database.MakePrivate(dataFolder);
        Database.MakePrivate(into);
        foreach (var photo in backup.Photos)
            CopyWhole(Path.Combine(photos, photo), Path.Combine(into, photo));
        Disk.SyncFolder(into);
        CopyWhole(Path.Combine(folder, backup.Name + RecordEnding), Path.Combine(dataFolder, Database.FileName));
        Disk.SyncFolder(dataFolder);
    }

    /// <summary>Only one backup is taken at a time, by whichever program.</summary>
    private FileStream Alone()
    {
        try
        {
            return new(Path.Combine(folder, ".lock"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException e)
        {
            throw new BackupException($"Another backup into {folder} is under way. Wait until it is done.", e);
        }
    }

    private static void Copy(string record, string to)
    {
        using (var from = Open(record, SqliteOpenMode.ReadWrite))
        using (var copy = Open(to, SqliteOpenMode.ReadWriteCreate))
        {
            from.BackupDatabase(copy);
            // One file that stands by itself.
            copy.Execute("PRAGMA journal_mode = DELETE");
        }

        Disk.SyncFile(to);
    }

    private static SqliteConnection Open(string file, SqliteOpenMode mode)
    {
        var connection =
            new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Mode = mode, Pooling = false }.ToString());
        connection.Open();
        return connection;
    }

    /// <summary>Photos are on the disk before an entry names them, so those copied after the record are all of its.</summary>
    private List<string> CopyPhotos(string from)
    {
        if (!Directory.Exists(from))
            return [];
        var names = Directory.EnumerateFiles(from).Select(f => Path.GetFileName(f)).Where(PhotoStore.IsPhoto).Order(StringComparer.Ordinal)
            .ToList();
        foreach (var name in names.Where(n => !File.Exists(Path.Combine(photos, n))))
            CopyWhole(Path.Combine(from, name), Path.Combine(photos, name));
        Disk.SyncFolder(photos);
        return names;
    }

    /// <summary>All of a file or none of it.</summary>
    private static void CopyWhole(string from, string to)
    {
        var begun = to + Begun;
        File.Copy(from, begun, overwrite: true);
        Disk.SyncFile(begun);
        File.Move(begun, to, overwrite: true);
    }

    private static string HashOf(string file)
    {
        using var stream = File.OpenRead(file);
        return Convert.ToHexStringLower(SHA256.HashData(stream));
    }

    private static long CountEntries(string file)
    {
        using var db = Open(file, SqliteOpenMode.ReadOnly);
        return db.ExecuteScalar<long>("SELECT count(*) FROM entry");
    }

    private string? ProblemOf(string file, Backup backup)
    {
        try
        {
            if (HashOf(file) != backup.Sha256)
                return "its record is not the one that was copied.";
            if (RecordProblem(file, backup) is { } problem)
                return problem;
            return backup.Photos.Select(PhotoProblem).FirstOrDefault(p => p is not null);
        }
        catch (Exception e) when (e is SqliteException or IOException or UnauthorizedAccessException)
        {
            return e.Message;
        }
    }

    private static string? RecordProblem(string file, Backup backup)
    {
        using var db = Open(file, SqliteOpenMode.ReadOnly);
        if (db.ExecuteScalar<string>("PRAGMA integrity_check") is var said && said != "ok")
            return $"its record is damaged ({said}).";
        if (db.Query("PRAGMA foreign_key_check").Any())
            return "its record refers to something it does not hold.";
        var held = backup.Photos.ToHashSet();
        return db.Query<string>("SELECT json_extract(body, '$.hash') FROM entry WHERE kind = 'photo'")
            .FirstOrDefault(h => !held.Contains(PhotoStore.FileOf(h, isSmall: false))) is { } missing
            ? $"the photo {missing[..8]} that its record names is missing." : null;
    }

    /// <summary>A photo is named by its content; the small one beside it is made of it.</summary>
    private string? PhotoProblem(string name)
    {
        var path = Path.Combine(photos, name);
        if (!File.Exists(path))
            return $"its photo {name[..8]} is missing.";
        return !PhotoStore.IsSmall(name) && PhotoStore.FileOf(HashOf(path), isSmall: false) != name ? $"its photo {name[..8]} is damaged."
            : null;
    }

    private void WriteList(Backup backup)
    {
        var path = Path.Combine(folder, backup.Name + ListEnding);
        File.WriteAllText(path + Begun, JsonSerializer.Serialize(backup, Written));
        Disk.SyncFile(path + Begun);
        File.Move(path + Begun, path, overwrite: true);
    }

    private static Backup? Read(string list)
    {
        try
        {
            return JsonSerializer.Deserialize<Backup>(File.ReadAllText(list), Written);
        }
        catch (Exception e) when (e is JsonException or IOException)
        {
            return null;
        }
    }

    /// <summary>Its list first: what has none is no backup. Photos stay, because later ones have them too.</summary>
    private void Remove(Backup backup)
    {
        File.Delete(Path.Combine(folder, backup.Name + ListEnding));
        File.Delete(Path.Combine(folder, backup.Name + RecordEnding));
    }
}
