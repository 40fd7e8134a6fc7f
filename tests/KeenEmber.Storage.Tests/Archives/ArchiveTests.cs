using System.IO.Compression;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Storage.Archives;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Storage.Tests.Archives;

/// <summary>Archives that are not what they should be are refused, and nothing of them is taken.</summary>
public sealed class ArchiveTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 11, 27, 18, 0, 0, TimeSpan.Zero);

    private readonly DirectoryInfo root = Directory.CreateTempSubdirectory("keen-ember-archive-");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        root.Delete(recursive: true);
    }

    private static readonly Site Hall = new(Guid.CreateVersion7(), "Quillmere Market Hall", 6, "Europe/London");

    private (Database Database, Archive Archive) Record(string name, params string[] tags)
    {
        var folder = Path.Combine(root.FullName, name);
        var database = new Database(folder);
        database.Migrate();
        foreach (var tag in tags)
        {
            var unit = new Equipment(Guid.CreateVersion7(), Hall.Id, tag, "cold room", EquipmentKind.WalkInCooler,
                Temperature.FromCelsius(3), 2, "", "", new(Guid.CreateVersion7(), "R448A", null, Metering.ThermostaticValve,
                    CondenserKind.AirCooledRemote, CircuitParts.Receiver, ""));
            Assert.True(new EquipmentStore(database).Save(unit, Hall, new(Now, "Isolde Marrin", "")));
        }

        return (database, new(database, folder));
    }

    private static MemoryStream Written(Archive archive)
    {
        var stream = new MemoryStream();
        archive.Write(stream, Now, new());
        stream.Position = 0;
        return stream;
    }

    /// <summary>The same archive with one file of it changed.</summary>
    private static MemoryStream Changed(MemoryStream archive, string file, Func<string, string> change)
    {
        using (var zip = new ZipArchive(archive, ZipArchiveMode.Update, leaveOpen: true))
        {
            var text = "";
            if (zip.GetEntry(file) is { } entry)
            {
                using (var reader = new StreamReader(entry.Open()))
                    text = reader.ReadToEnd();
                entry.Delete();
            }

            using var writer = new StreamWriter(zip.CreateEntry(file).Open());
            writer.Write(change(text));
        }

        archive.Position = 0;
        return archive;
    }

    private static int UnitsOf(Database database) => new EquipmentStore(database).All().Count;

    [Theory]
    [InlineData("archive.json", "\"version\":1", "\"version\":2", "newer version")]
    [InlineData("archive.json", "keen-ember-archive", "something-else", "no archive")]
    [InlineData("equipment.jsonl", "\"evaporator_fans\"", "\"evaporator_blowers\"", "newer version")]
    [InlineData("equipment.jsonl", "{", "[", "damaged")]
    [InlineData("photos/aa.jpg", "", "no picture", "damaged")]
    [InlineData("photos/../up.jpg", "", "no picture", "damaged")]
    public void What_is_not_as_it_should_be_is_refused(string file, string was, string becomes, string why)
    {
        using var archive = Changed(Written(Record("from", "F-3", "F-4").Archive), file,
            text => was.Length > 0 ? text.Replace(was, becomes, StringComparison.Ordinal) : becomes);
        var (database, into) = Record("into");
        Assert.Contains(why, Assert.Throws<ArchiveException>(() => into.Read(archive)).Message, StringComparison.Ordinal);
        Assert.Equal(0, UnitsOf(database));
        Assert.Empty(Directory.EnumerateFiles(root.FullName, "*.jpg", SearchOption.AllDirectories));
    }

    [Fact]
    public void One_with_a_line_cut_off_is_refused_and_so_is_any_other_file()
    {
        using var archive = Changed(Written(Record("from", "F-3", "F-4").Archive), "equipment.jsonl",
            text => text.Split('\n')[0] + "\n");
        var (database, into) = Record("into");
        Assert.Contains("not whole", Assert.Throws<ArchiveException>(() => into.Read(archive)).Message, StringComparison.Ordinal);
        using var other = new MemoryStream([1, 2, 3]);
        Assert.Throws<ArchiveException>(() => into.Read(other));
        Assert.Equal(0, UnitsOf(database));
    }

    [Fact]
    public void A_tag_that_stands_for_another_unit_at_the_same_site_is_said()
    {
        using var archive = Written(Record("from", "F-3").Archive);
        var (database, into) = Record("into", "F-3");
        Assert.Contains("tag", Assert.Throws<ArchiveException>(() => into.Read(archive)).Message, StringComparison.Ordinal);
        Assert.Equal(1, UnitsOf(database));
    }

    [Fact]
    public void Of_a_site_come_its_units_and_no_others()
    {
        var (database, archive) = Record("from", "F-3", "F-4");
        var quay = new Site(Guid.CreateVersion7(), "Quillmere quay", 6, "Europe/London");
        var units = new EquipmentStore(database);
        var one = units.All()[0];
        Assert.True(units.Save(one with { Id = Guid.CreateVersion7(), SiteId = quay.Id, Tag = "Q-1", Circuit = one.Circuit with
            { Id = Guid.CreateVersion7() } }, quay, new(Now, "Isolde Marrin", "")));
        using var stream = new MemoryStream();
        Assert.Equal(["Q-1"], archive.Write(stream, Now, new(Site: archive.SiteOf("quillmere quay"))).Units);
        stream.Position = 0;
        var (empty, into) = Record("into");
        into.Read(stream);
        Assert.Equal("Q-1", Assert.Single(new EquipmentStore(empty).All()).Tag);
        Assert.Throws<ArchiveException>(() => archive.SiteOf("nowhere"));
    }

    [Fact]
    public void Records_of_two_shops_come_together_in_one()
    {
        var (database, into) = Record("into", "F-3");
        using var one = Written(Record("one", "K-1", "K-2").Archive);
        using var two = Written(Record("two", "B-8").Archive);
        into.Read(one);
        into.Read(two);
        Assert.Equal(["B-8", "F-3", "K-1", "K-2"], new EquipmentStore(database).All().Select(u => u.Tag).Order());
        Assert.Equal("No unit has the tag X-1.", Assert.Throws<ArchiveException>(() => into.UnitOf("X-1")).Message);
        Assert.NotEqual(Guid.Empty, into.UnitOf("b-8"));
    }
}
