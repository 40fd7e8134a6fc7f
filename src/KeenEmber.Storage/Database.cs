using System.Globalization;
using DbUp;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage;

/// <summary>One data folder: a SQLite file and, beside it, whatever else belongs to the record.</summary>
public sealed class Database
{
    public const string FileName = "keen-ember.db";

    private readonly string connectionString;

    public Database(string folder)
    {
        Directory.CreateDirectory(folder);
        connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = Path.Combine(folder, FileName),
            ForeignKeys = true,
            DefaultTimeout = 10,
        }.ToString();
    }

    /// <summary>Brings the file to the newest version. Forward only; throws with the failing script's error.</summary>
    public void Migrate()
    {
        var result = DeployChanges.To.SqliteDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly, name => name.EndsWith(".sql", StringComparison.Ordinal))
            .WithTransactionPerScript()
            .LogToNowhere()
            .Build().PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed.", result.Error);
    }

    /// <summary>An open connection. WAL with synchronous=FULL: once a commit returns, the entry survives a pulled plug.</summary>
    public SqliteConnection Open()
    {
        var connection = new SqliteConnection(connectionString);
        connection.Open();
        using var pragmas = connection.CreateCommand();
        pragmas.CommandText = "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL;";
        pragmas.ExecuteNonQuery();
        return connection;
    }

    internal static string Utc(DateTimeOffset time) => time.UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ss.fffffffZ", CultureInfo.InvariantCulture);

    internal static DateTimeOffset Utc(string text) =>
        DateTimeOffset.Parse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal);

    internal static string Day(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    internal static DateOnly Day(string text) => DateOnly.ParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>SQLite's code for a broken UNIQUE constraint.</summary>
    internal const int UniqueViolated = 2067;
}
