using Dapper;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Tests;

/// <summary>A record that this program cannot use is refused and left as it is.</summary>
public sealed class UnusableRecordTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("keen-ember-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private string File => Path.Combine(folder, Database.FileName);

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void No_new_record_is_begun_beside_the_photos_of_a_lost_one(bool isEmptyFile)
    {
        Directory.CreateDirectory(Path.Combine(folder, "photos"));
        System.IO.File.WriteAllText(Path.Combine(folder, "photos", "a.jpg"), "");
        if (isEmptyFile)
            System.IO.File.WriteAllText(File, "");
        Assert.Contains(
            "photos", Assert.Throws<UnusableRecordException>(() => new Database(folder).Migrate()).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void One_of_a_newer_program_is_refused()
    {
        var database = new Database(folder);
        database.Migrate();
        using (var db = database.Open())
            db.Execute(
                "INSERT INTO SchemaVersions (ScriptName, Applied) VALUES ('KeenEmber.Storage.Migrations.9999_tomorrow.sql', '2027-01-01')");
        Assert.Contains("newer", Assert.Throws<UnusableRecordException>(database.Migrate).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_damaged_one_fails_with_sqlites_own_word_for_it()
    {
        System.IO.File.WriteAllBytes(File, [.. Enumerable.Repeat((byte)'x', 5000)]);
        Assert.Equal(26, Assert.Throws<SqliteException>(new Database(folder).Migrate).SqliteErrorCode);
    }

    [Fact]
    public void Its_folder_is_for_nobody_but_its_owner()
    {
        if (OperatingSystem.IsWindows())
            return;
        var made = Path.Combine(folder, "data");
        _ = new Database(made);
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute, System.IO.File.GetUnixFileMode(made));
    }
}
