using KeenEmber.Core.Plant;
using System.Globalization;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Archives;

/// <summary>What stands first in an archive.</summary>
/// <param name="Format">Always <see cref="Archive.Format"/>.</param>
/// <param name="Version">Of the form of the archive; rows have the version of their own entries.</param>
/// <param name="TakenAt">When.</param>
/// <param name="Units">Tags of the units in it.</param>
/// <param name="Rows">How many of each table.</param>
public sealed record ArchiveHead(
    string Format, int Version, DateTimeOffset TakenAt, IReadOnlyList<string> Units, IReadOnlyDictionary<string, long> Rows);

/// <summary>Of what an archive is: of everything unless it says a unit or a site.</summary>
public sealed record ArchiveScope(Guid? Unit = null, Guid? Site = null)
{
    /// <summary>What the company has decided goes with everything, and with nothing less.</summary>
    internal bool IsAll => Unit is null && Site is null;
}

/// <summary>An archive that cannot be read. The message says why; nothing of it was taken.</summary>
public sealed class ArchiveException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>Everything of some units, or of all, in one open file: a zip of JSON lines, one row a line, with the photos.</summary>
/// <remarks>The form is described in docs/archive.md. Read back, the same pages come out of it; read twice, nothing changes.</remarks>
public sealed class Archive(Database database, string dataFolder)
{
    /// <summary>Tells the file from any other zip.</summary>
    public const string Format = "keen-ember-archive";

    /// <summary>Of the form that this program writes.</summary>
    public const int Version = 1;

    private const string HeadName = "archive.json", PhotosName = PhotoStore.FolderName + "/", Ending = ".jsonl", BinaryKey = "base64";

    /// <summary>Of a zip with nothing in it, bytes.</summary>
    private const int SmallestZip = 22;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    private string Photos => Path.Combine(dataFolder, PhotoStore.FolderName);

    /// <summary>The unit with a tag.</summary>
    /// <exception cref="ArchiveException">There is none, or several.</exception>
    public Guid UnitOf(string tag)
    {
        using var db = database.Open();
        var units = db.Query<string>("SELECT id FROM equipment WHERE tag = @tag COLLATE NOCASE AND site_id <> @practice",
            new { tag, practice = Site.PracticeId.ToString() }).ToList();
        return units switch
        {
            [var one] => Guid.Parse(one),
            [] => throw new ArchiveException($"No unit has the tag {tag}."),
            _ => throw new ArchiveException($"Several units have the tag {tag}. Take the archive from the page of the one you mean."),
        };
    }

    /// <summary>The site of a name.</summary>
    /// <exception cref="ArchiveException">There is none, or several.</exception>
    public Guid SiteOf(string name)
    {
        using var db = database.Open();
        return db.Query<string>("SELECT id FROM site WHERE name = @name COLLATE NOCASE", new { name }).ToList() is [var one]
            ? Guid.Parse(one) : throw new ArchiveException($"No site is called {name}, or several are.");
    }

    /// <summary>Writes an archive.</summary>
    /// <param name="to">Written once from front to end.</param>
    public ArchiveHead Write(Stream to, DateTimeOffset now, ArchiveScope scope)
    {
        using var db = database.Open();
        // One moment of the record, whatever is written meanwhile.
        using var moment = db.BeginTransaction(deferred: true);
        db.Execute("CREATE TEMP TABLE archived (id TEXT PRIMARY KEY)", transaction: moment);
        db.Execute(
            "INSERT INTO archived SELECT id FROM equipment WHERE (@Unit IS NULL OR id = @Unit) AND (@Site IS NULL OR site_id = @Site) "
            + "AND site_id <> @practice",
            new { practice = Site.PracticeId.ToString(), Unit = scope.Unit?.ToString(), Site = scope.Site?.ToString() }, moment);
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        var rows = new Dictionary<string, long>();
        foreach (var table in ArchiveTables.All.Where(t => scope.IsAll || t.Name != "shop"))
            rows[table.Name] = WriteTable(zip, db, moment, table);
        foreach (var hash in db.Query<string>("SELECT DISTINCT body ->> '$.hash' FROM entry WHERE kind = 'photo' AND visit_id IN "
            + "(SELECT id FROM visit WHERE equipment_id IN (SELECT id FROM archived))", transaction: moment))
            WritePhoto(zip, hash);
        var head = new ArchiveHead(Format, Version, now, [.. db.Query<string>(
            "SELECT tag FROM equipment WHERE id IN (SELECT id FROM archived) ORDER BY tag", transaction: moment)], rows);
        using (var stream = zip.CreateEntry(HeadName).Open())
            JsonSerializer.Serialize(stream, head, Json);
        db.Execute("DROP TABLE archived", transaction: moment);
        return head;
    }

    private static long WriteTable(ZipArchive zip, SqliteConnection db, SqliteTransaction moment, ArchiveTable table)
    {
        var columns = ColumnsOf(db, table.Name);
        var of = table.OfUnits.Length > 0 ? $" WHERE {table.OfUnits}" : "";
        // As they were written: an entry comes after the one it corrects.
        var order = table.Name == "entry" ? " ORDER BY rowid" : "";
        using var lines = new StreamWriter(zip.CreateEntry(table.Name + Ending).Open());
        var count = 0L;
        using var read = db.ExecuteReader($"SELECT {string.Join(", ", columns)} FROM {table.Name}{of}{order}", transaction: moment);
        for (; read.Read(); count++)
        {
            var row = new JsonObject();
            for (var i = 0; i < columns.Count; i++)
                row[columns[i]] = Value(read.GetValue(i));
            lines.WriteLine(row.ToJsonString());
        }

        return count;
    }

    private static JsonNode? Value(object value) => value switch
    {
        DBNull => null,
        long number => number,
        double number => number,
        byte[] bytes => new JsonObject { [BinaryKey] = Convert.ToBase64String(bytes) },
        _ => (string)value,
    };

    /// <summary>Those that hold something: what is worked out from others is not written.</summary>
    private static IReadOnlyList<string> ColumnsOf(SqliteConnection db, string table) =>
        [.. db.Query<string>("SELECT name FROM pragma_table_info(@table)", new { table })];

    private void WritePhoto(ZipArchive zip, string hash)
    {
        foreach (var name in new[] { PhotoStore.FileOf(hash, isSmall: false), PhotoStore.FileOf(hash, isSmall: true) })
        {
            if (File.Exists(Path.Combine(Photos, name)))
                zip.CreateEntryFromFile(Path.Combine(Photos, name), PhotosName + name, CompressionLevel.NoCompression);
        }
    }

    /// <summary>Reads an archive into the record: all of it or nothing. What is there already stays as it is.</summary>
    /// <returns>Its head, and how many rows were new.</returns>
    /// <exception cref="ArchiveException">It is none, of a newer form, damaged, or at odds with what is there.</exception>
    public (ArchiveHead Head, long Added) Read(Stream from)
    {
        try
        {
            if (from.Length < SmallestZip)
                throw new InvalidDataException();
            using var zip = new ZipArchive(from, ZipArchiveMode.Read, leaveOpen: true);
            var head = HeadOf(zip);
            foreach (var photo in zip.Entries.Where(e => e.FullName.StartsWith(PhotosName, StringComparison.Ordinal)))
                ReadPhoto(photo);
            var added = 0L;
            database.Together(db =>
            {
                db.Execute("PRAGMA defer_foreign_keys = ON");
                added = ArchiveTables.All.Sum(table => ReadTable(zip, db, table, head));
                return true;
            });
            return (head, added);
        }
        catch (Exception e) when (e is InvalidDataException or JsonException or FormatException)
        {
            throw new ArchiveException("This file is damaged, or is no archive of Keen Ember. Nothing of it was taken.", e);
        }
        catch (SqliteException e) when (e.SqliteErrorCode == ConstraintViolated)
        {
            throw new ArchiveException(e.SqliteExtendedErrorCode == Database.UniqueViolated
                ? "Another unit with a tag of this archive stands at its site already. Change that tag first; nothing was taken."
                : "Rows of this archive refer to others that are not in it. Nothing of it was taken.", e);
        }
    }

    /// <summary>SQLite's code for a broken constraint of any kind.</summary>
    private const int ConstraintViolated = 19;

    private static ArchiveHead HeadOf(ZipArchive zip)
    {
        if (zip.GetEntry(HeadName) is not { } entry)
            throw new ArchiveException("This file is no archive of Keen Ember.");
        using var stream = entry.Open();
        var head = JsonSerializer.Deserialize<ArchiveHead>(stream, Json);
        if (head?.Format != Format)
            throw new ArchiveException("This file is no archive of Keen Ember.");
        return head.Version <= Version ? head
            : throw new ArchiveException("This archive was written by a newer version of Keen Ember. Read it with that one.");
    }

    private static long ReadTable(ZipArchive zip, SqliteConnection db, ArchiveTable table, ArchiveHead head)
    {
        if (zip.GetEntry(table.Name + Ending) is not { } entry)
            return 0;
        var known = ColumnsOf(db, table.Name).ToHashSet();
        using var lines = new StreamReader(entry.Open());
        var (read, added) = (0L, 0L);
        for (; lines.ReadLine() is { } line; read++)
        {
            var row = JsonNode.Parse(line)!.AsObject();
            if (row.FirstOrDefault(c => !known.Contains(c.Key)).Key is { } unknown)
                throw new ArchiveException("This archive was written by a newer version of Keen Ember: "
                    + $"{table.Name}.{unknown} is not known here. Read it with that one.");
            added += Insert(db, table, row);
        }

        return head.Rows.GetValueOrDefault(table.Name) is var all && all == read ? added
            : throw new ArchiveException($"This archive is not whole: {table.Name} has {Count(read)} rows of {Count(all)}. Nothing "
                + "of it was taken.");
    }

    private static string Count(long rows) => rows.ToString(CultureInfo.InvariantCulture);

    private static int Insert(SqliteConnection db, ArchiveTable table, JsonObject row)
    {
        using var insert = db.CreateCommand();
        insert.CommandText = $"INSERT INTO {table.Name} ({string.Join(", ", row.Select(c => c.Key))}) VALUES "
            + $"({string.Join(", ", row.Select(c => "$" + c.Key))}) ON CONFLICT ({table.Key}) DO NOTHING";
        foreach (var (name, value) in row)
            insert.Parameters.AddWithValue("$" + name, Stored(value));
        return insert.ExecuteNonQuery();
    }

    private static object Stored(JsonNode? value) => value switch
    {
        null => DBNull.Value,
        JsonObject binary => Convert.FromBase64String((string?)binary[BinaryKey] ?? throw new FormatException("No bytes.")),
        JsonValue text when text.TryGetValue<string>(out var said) => said,
        JsonValue whole when whole.TryGetValue<long>(out var number) => number,
        _ => (double)value,
    };

    /// <summary>A photo is named by its content: one that is not is none of ours.</summary>
    private void ReadPhoto(ZipArchiveEntry photo)
    {
        var name = photo.FullName[PhotosName.Length..];
        if (!PhotoStore.IsPhoto(name) || name.Contains('/', StringComparison.Ordinal) || name.Contains('\\', StringComparison.Ordinal)
            || photo.Length > PhotoStore.MostBytes)
            throw new InvalidDataException(name);
        using var stream = photo.Open();
        using var held = new MemoryStream();
        stream.CopyTo(held);
        var bytes = held.ToArray();
        if (!PhotoStore.IsSmall(name) && PhotoStore.FileOf(Convert.ToHexStringLower(SHA256.HashData(bytes)), isSmall: false) != name)
            throw new InvalidDataException(name);
        Database.MakePrivate(Photos);
        PhotoStore.Write(Path.Combine(Photos, name), bytes);
    }
}
