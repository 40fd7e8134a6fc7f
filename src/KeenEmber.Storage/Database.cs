using System.Globalization;
using DbUp;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage;

/// <summary>The record on the disk cannot be used by this program. The message says why and what to do.</summary>
public sealed class UnusableRecordException(string message) : Exception(message);

/// <summary>One data folder: a SQLite file and, beside it, whatever else belongs to the record.</summary>
public sealed class Database
{
    /// <summary>For another program to let go of the record; the technician waits no longer for an answer.</summary>
    private const int SecondsToWait = 3;

    /// <summary>Name of the record in the data folder.</summary>
    public const string FileName = "keen-ember.db";

    private readonly string connectionString;
    private readonly string folder;

    private readonly string synchronous;

    /// <param name="folder">Made if missing, for nobody but its owner to read.</param>
    /// <param name="isSynced">False only to show what a pulled plug takes away then.</param>
    public Database(string folder, bool isSynced = true)
    {
        this.folder = folder;
        synchronous = isSynced ? "FULL" : "OFF";
        MakePrivate(folder);
        connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = Path.Combine(folder, FileName),
            ForeignKeys = true,
            DefaultTimeout = SecondsToWait,
        }.ToString();
    }

    /// <summary>A folder for nobody but its owner to read, made if missing.</summary>
    internal static void MakePrivate(string folder)
    {
        if (OperatingSystem.IsWindows())
            Directory.CreateDirectory(folder);
        else
            Directory.CreateDirectory(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
    }

    /// <summary>Brings the file to the newest version. Forward only; throws with the failing script's error.</summary>
    /// <exception cref="UnusableRecordException">The record is missing beside its photos, or was written by a newer program.</exception>
    public void Migrate()
    {
        CheckIsThere();
        CheckIsNoNewer();
        var result = DeployChanges.To.SqliteDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly, IsScript)
            .WithTransactionPerScript()
            .LogToNowhere()
            .Build().PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed.", result.Error);
    }

    private static bool IsScript(string name) => name.EndsWith(".sql", StringComparison.Ordinal);

    /// <summary>Photos without a record are a record that was lost or not copied: a new one in its place would hide that.</summary>
    private void CheckIsThere()
    {
        var photos = new DirectoryInfo(Path.Combine(folder, PhotoStore.FolderName));
        if (new FileInfo(Path.Combine(folder, FileName)) is not { Exists: true, Length: > 0 } && photos.Exists
            && photos.EnumerateFiles().Any())
            throw new UnusableRecordException(
                $"The folder {folder} has photos, but its record {FileName} is missing or empty. Put the record back from a copy, or "
                + "start with an empty folder.");
    }

    private void CheckIsNoNewer()
    {
        using var db = Open();
        using var query = db.CreateCommand();
        query.CommandText = "SELECT count(*) FROM sqlite_master WHERE name = 'SchemaVersions'";
        if (Convert.ToInt64(query.ExecuteScalar(), CultureInfo.InvariantCulture) == 0)
            return;
        query.CommandText = "SELECT ScriptName FROM SchemaVersions";
        var known = typeof(Database).Assembly.GetManifestResourceNames().Where(IsScript).ToHashSet();
        using var applied = query.ExecuteReader();
        while (applied.Read())
        {
            if (!known.Contains(applied.GetString(0)))
                throw new UnusableRecordException(
                    "This record was written by a newer version of Keen Ember. Start that version, or an even newer one; nothing was "
                    + "changed.");
        }
    }

    /// <summary>An open connection. WAL with synchronous=FULL: once a commit returns, the entry survives a pulled plug.</summary>
    public SqliteConnection Open()
    {
        var connection = new SqliteConnection(connectionString);
        connection.Open();
        using var pragmas = connection.CreateCommand();
        pragmas.CommandText = $"PRAGMA journal_mode = WAL; PRAGMA synchronous = {synchronous};";
        pragmas.ExecuteNonQuery();
        return connection;
    }

    /// <summary>What several stores write together: all of it or nothing.</summary>
    /// <param name="write">Writes on the connection it is given; false takes everything back.</param>
    public bool Together(Func<SqliteConnection, bool> write)
    {
        using var db = Open();
        using var transaction = db.BeginTransaction();
        if (!write(db))
            return false;
        transaction.Commit();
        return true;
    }

    internal static string Utc(DateTimeOffset time) =>
        time.UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ss.fffffffZ", CultureInfo.InvariantCulture);

    internal static DateTimeOffset Utc(string text) =>
        DateTimeOffset.Parse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal);

    internal static string Day(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    internal static DateOnly Day(string text) => DateOnly.ParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>SQLite's code for a broken UNIQUE constraint.</summary>
    internal const int UniqueViolated = 2067;
}
