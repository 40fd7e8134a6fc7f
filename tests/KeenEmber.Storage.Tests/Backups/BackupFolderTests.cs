using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Written;
using KeenEmber.Storage.Backups;
using Microsoft.Data.Sqlite;
using SkiaSharp;

namespace KeenEmber.Storage.Tests.Backups;

/// <summary>Backups taken from a record in use, damaged, restored, and let go by age.</summary>
public sealed class BackupFolderTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 11, 27, 18, 0, 0, TimeSpan.Zero);

    private readonly DirectoryInfo root = Directory.CreateTempSubdirectory("keen-ember-backup-");
    private readonly Database database;
    private readonly Visit visit;
    private readonly VisitStore visits;

    public BackupFolderTests()
    {
        database = new(Data);
        database.Migrate();
        var site = new Site(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");
        var unit = new Equipment(Guid.CreateVersion7(), site.Id, "F-3", "Fish counter freezer", EquipmentKind.WalkInFreezer,
            Temperature.FromCelsius(-20), 2, "", "", new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve,
                CondenserKind.AirCooledRemote, CircuitParts.Receiver, ""));
        Assert.True(new EquipmentStore(database).Save(unit, site, new(Now, "Isolde Marrin", "")));
        visit = new(Guid.CreateVersion7(), unit.Id, Now.AddHours(-1), "Isolde Marrin", "Soft product");
        visits = new(database, EntryKinds.House);
        visits.Start(visit);
    }

    private string Data => Path.Combine(root.FullName, "data");

    private string Copies => Path.Combine(root.FullName, "copies");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        root.Delete(recursive: true);
    }

    private EntryHeader Header => new(Guid.CreateVersion7(), visit.Id, Now, Now, "Isolde Marrin");

    private void Note(string text) => visits.Append([new NoteEntry(Header, text)]);

    /// <summary>Keeps a photo and an entry that names it; the name of its file.</summary>
    private string Photograph()
    {
        using var picture = new SKBitmap(40, 30);
        picture.Erase(SKColors.Teal);
        using var jpeg = picture.Encode(SKEncodedImageFormat.Jpeg, 90);
        var kept = new PhotoStore(Data).Keep(jpeg.AsStream())!;
        visits.Append([new PhotoEntry(Header, kept.Hash, kept.Width, kept.Height, "coil", null)]);
        return PhotoStore.FileOf(kept.Hash, isSmall: false);
    }

    private string CopyOf(Backup backup, string ending = ".db") => Path.Combine(Copies, backup.Name + ending);

    [Fact]
    public async Task A_record_in_use_is_copied_whole_and_comes_back_in_another_folder()
    {
        Photograph();
        using var stop = new CancellationTokenSource();
        var written = 0;
        var writing = Task.Run(() =>
        {
            for (; !stop.IsCancellationRequested; Interlocked.Increment(ref written))
                Note($"round {written}");
        }, TestContext.Current.CancellationToken);
        SpinWait.SpinUntil(() => Volatile.Read(ref written) > 3, TimeSpan.FromSeconds(20));
        var before = Volatile.Read(ref written);
        var backup = new BackupFolder(Copies).Take(Data, Now);
        await stop.CancelAsync();
        await writing;
        Assert.InRange(backup.Entries, before + 1, written + 1);
        Assert.Equal(2, backup.Photos.Count);
        Assert.Null(new BackupFolder(Copies).ProblemOf(backup));

        var restored = Path.Combine(root.FullName, "restored");
        new BackupFolder(Copies).Restore(backup, restored);
        var again = new Database(restored);
        again.Migrate();
        Assert.Equal(backup.Entries, new VisitStore(again, EntryKinds.House).PlainEntries(visit.Id).Count);
        Assert.All(backup.Photos, p => Assert.True(File.Exists(Path.Combine(restored, "photos", p))));
    }

    [Fact]
    public void A_damaged_copy_is_told_and_never_restored()
    {
        var photo = Photograph();
        var folder = new BackupFolder(Copies);
        var backup = folder.Take(Data, Now);
        var pool = Path.Combine(Copies, "photos", photo);
        var bytes = File.ReadAllBytes(pool);
        File.WriteAllBytes(pool, [.. bytes.SkipLast(1), (byte)(bytes[^1] ^ 1)]);
        Assert.Contains("is damaged", folder.ProblemOf(backup), StringComparison.Ordinal);
        File.Delete(pool);
        Assert.Contains("is missing", folder.ProblemOf(backup), StringComparison.Ordinal);
        var restored = Path.Combine(root.FullName, "restored");
        var refused = Assert.Throws<BackupException>(() => folder.Restore(backup, restored));
        Assert.Contains("damaged", refused.Message, StringComparison.Ordinal);
        Assert.False(Directory.Exists(restored));

        // The next one brings the photo back; a flipped bit in the record is told by its hash.
        backup = folder.Take(Data, Now.AddHours(1));
        Assert.Null(folder.ProblemOf(backup));
        using (var file = new FileStream(CopyOf(backup), FileMode.Open, FileAccess.ReadWrite))
        {
            file.Position = file.Length - 100;
            file.WriteByte(0x5a);
        }

        Assert.Contains("not the one", folder.ProblemOf(backup), StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_broken_off_is_no_backup_and_is_cleared_away()
    {
        var folder = new BackupFolder(Copies);
        var backup = folder.Take(Data, Now);
        File.WriteAllText(Path.Combine(Copies, "record-20261127T190000Z.begun"), "half");
        File.WriteAllText(Path.Combine(Copies, "record-20261127T200000Z.json"), "{ \"name\"");
        File.Copy(CopyOf(backup), Path.Combine(Copies, "record-20261127T210000Z.db"));
        Assert.Equal([backup.Name], folder.All().Select(b => b.Name));
        folder.Take(Data, Now.AddHours(6));
        Assert.Empty(Directory.EnumerateFiles(Copies, "*.begun"));
    }

    [Fact]
    public void Only_an_empty_folder_is_restored_into_and_only_a_record_is_copied()
    {
        var folder = new BackupFolder(Copies);
        var backup = folder.Take(Data, Now);
        Assert.Contains("not empty", Assert.Throws<BackupException>(() => folder.Restore(backup, Data)).Message, StringComparison.Ordinal);
        Assert.Throws<BackupException>(() => folder.Take(Path.Combine(root.FullName, "nothing"), Now));
        using var other = new FileStream(Path.Combine(Copies, ".lock"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        Assert.Contains("under way", Assert.Throws<BackupException>(() => folder.Take(Data, Now)).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_copy_whose_photo_was_lost_before_is_thrown_away()
    {
        File.Delete(Path.Combine(Data, "photos", Photograph()));
        var folder = new BackupFolder(Copies);
        Assert.Contains("names is missing", Assert.Throws<BackupException>(() => folder.Take(Data, Now)).Message, StringComparison.Ordinal);
        Assert.Empty(folder.All());
    }

    [Fact]
    public void Old_ones_thin_out_by_day_week_and_month_and_the_newest_stays()
    {
        var hourly = Enumerable.Range(0, 24 * 500).Select(h => new Backup($"{h}", Now.AddHours(-h), "", 0, 0, [])).ToList();
        var past = BackupAges.Past(hourly, Now);
        var kept = hourly.Except(past).ToList();
        Assert.Equal(48, kept.Count(b => Now - b.TakenAt < TimeSpan.FromDays(2)));
        Assert.Equal(28, kept.Count(b => b.TakenAt.UtcDateTime.Date >= Now.UtcDateTime.Date.AddDays(-30)
            && b.TakenAt.UtcDateTime.Date < Now.UtcDateTime.Date.AddDays(-2)));
        Assert.InRange(kept.Count, 48 + 28 + 46 + 4, 48 + 36 + 52 + 18);
        Assert.Equal([hourly[^1]], hourly.TakeLast(1).Except(BackupAges.Past([hourly[^1]], Now)));
        // Thinned out day by day the same stay as thinned out at once.
        Assert.Equal(kept, kept.Except(BackupAges.Past(kept, Now)));
    }

    [Fact]
    public void A_second_program_is_kept_off_the_folder_until_the_first_lets_go()
    {
        using (new DataLock(Data))
            Assert.Contains("in use", Assert.Throws<UnusableRecordException>(() => new DataLock(Data)).Message, StringComparison.Ordinal);
        new DataLock(Data).Dispose();
    }
}
