using System.IO.Compression;
using System.Net;
using AngleSharp.Dom;
using KeenEmber.Storage;
using KeenEmber.Storage.Archives;
using Microsoft.Data.Sqlite;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>The demo's record out of one app and into another.</summary>
public sealed class ArchivePagesTests(DemoWeb demo) : IClassFixture<DemoWeb>, IDisposable
{
    private readonly DirectoryInfo root = Directory.CreateTempSubdirectory("keen-ember-archive-");
    private readonly TestApp app = demo.App;
    private readonly HttpClient http = demo.Http;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        root.Delete(recursive: true);
    }

    private async Task<MemoryStream> Taken(string from) =>
        new(await http.GetByteArrayAsync(from, TestContext.Current.CancellationToken));

    /// <summary>Read into an empty record of its own.</summary>
    private (ArchiveHead Head, long Added) Read(Stream archive, string folder)
    {
        var data = Path.Combine(root.FullName, folder);
        var database = new Database(data);
        database.Migrate();
        archive.Position = 0;
        return new Archive(database, data).Read(archive);
    }

    private TestApp On(string folder)
    {
        var other = new TestApp(demo: true) { Folder = new(Path.Combine(root.FullName, folder)) };
        other.Clock.Now = app.Clock.Now;
        return other;
    }

    [Fact]
    public async Task Everything_read_elsewhere_gives_the_same_pages_and_read_twice_changes_nothing()
    {
        using var archive = await Taken("/api/archive");
        var (head, added) = Read(archive, "all");
        Assert.Equal(head.Rows.Values.Sum(), added);
        Assert.Equal(0, Read(archive, "all").Added);
        using var other = On("all");
        Assert.InRange(await SamePages.Compare(app, other), 4, 100);
    }

    [Fact]
    public async Task On_its_page_one_is_read_in_and_any_other_file_is_refused_with_the_reason()
    {
        using var other = new TestApp();
        other.Clock.Now = app.Clock.Now;
        using var lead = new Technician(other);
        async Task<IDocument> Send(byte[] file)
        {
            var token = (await lead.Open("/archives")).QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
            using var form = new MultipartFormDataContent
            {
                { new StringContent(token), "__RequestVerificationToken" }, { new ByteArrayContent(file), "archive", "units.zip" },
            };
            using var answer = await lead.Http.PostAsync("/archives?handler=Archive", form, TestContext.Current.CancellationToken);
            Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.Redirect, string.Join('\n', other.Errors));
            return answer.StatusCode == HttpStatusCode.Redirect ? await lead.Open("/archives") : await Technician.Page(answer);
        }

        Assert.Contains("Choose an archive", (await Send([])).QuerySelector("#archive-error")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("no archive", (await Send([1, 2, 3])).QuerySelector("#archive-error")!.TextContent, StringComparison.Ordinal);
        using var archive = await Taken($"/api/sites/{app.Get<EquipmentStore>().Sites()[0].Id}/archive");
        Assert.Contains("rows were new here", (await Send(archive.ToArray())).QuerySelector("[role=status]")!.TextContent,
            StringComparison.Ordinal);
        Assert.Contains("here already", (await Send(archive.ToArray())).QuerySelector("[role=status]")!.TextContent,
            StringComparison.Ordinal);
        Assert.Equal(app.Get<EquipmentStore>().All().Count, other.Get<EquipmentStore>().All().Count);
        Assert.Contains("F-3", (await lead.Open("/")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task One_unit_goes_alone_with_its_photos_and_leaves_the_others_out()
    {
        var start = await http.GetStringAsync("/", TestContext.Current.CancellationToken);
        var unit = app.Get<EquipmentStore>().All().Single(u => u.Tag == "F-3");
        Assert.Contains(unit.Id.ToString(), start, StringComparison.Ordinal);
        using var archive = await Taken($"/api/units/{unit.Id}/archive");
        using (var zip = new ZipArchive(archive, ZipArchiveMode.Read, leaveOpen: true))
        {
            Assert.Null(zip.GetEntry("shop.jsonl"));
            Assert.Contains(zip.Entries, e => e.FullName.StartsWith("photos/", StringComparison.Ordinal));
        }

        Assert.Equal(["F-3"], Read(archive, "one").Head.Units);
        using var other = On("one");
        using var there = other.Browser();
        // What its odds are goes by the closed visits of whoever's record it is in; what is on record does not.
        foreach (var sheet in new[] { "points", "parts", "refrigerant", "open-items" })
        {
            var address = $"/api/units/{unit.Id}/{sheet}.csv";
            Assert.Equal(await http.GetStringAsync(address, TestContext.Current.CancellationToken),
                await there.GetStringAsync(address, TestContext.Current.CancellationToken));
        }
    }

    [Fact]
    public async Task Sheets_hold_what_the_pages_show_and_no_cell_is_a_formula()
    {
        using var technician = new Technician(app);
        var unit = app.Get<EquipmentStore>().All().Single(u => u.Tag == "F-3");
        async Task<string[]> Sheet(string name) => (await http.GetStringAsync($"/api/units/{unit.Id}/{name}.csv",
            TestContext.Current.CancellationToken)).Trim().Split('\n').Select(l => l.Trim()).ToArray();
        var points = await Sheet("points");
        Assert.Equal("visit,time,point,value,unit,by", points[0]);
        Assert.Contains(points, l => l.Contains(",box air,-", StringComparison.Ordinal) && l.Contains(",°C,", StringComparison.Ordinal));
        Assert.InRange((await Sheet("open-items")).Length, 3, 20);
        Assert.Contains("safety", (await Sheet("open-items"))[0], StringComparison.Ordinal);
        Assert.Single((await Sheet("refrigerant")).Take(1));

        var visit = (await http.GetStringAsync($"/equipment/{unit.Id}", TestContext.Current.CancellationToken)).Split("/visits/")[1][..36];
        using var part = await technician.Send($"/visits/{visit}/changes", "handler=Part", ("component", "EvaporatorFan/2"),
            ("failure", "=HYPERLINK(\"x\")"), ("serial", "+44"));
        var parts = (await Sheet("parts"))[^1];
        Assert.Contains("HYPERLINK", parts, StringComparison.Ordinal);
        Assert.DoesNotContain(",=HYPERLINK", parts, StringComparison.Ordinal);
        Assert.DoesNotContain(",\"=HYPERLINK", parts, StringComparison.Ordinal);
        Assert.DoesNotContain(",+44", parts, StringComparison.Ordinal);
        using var none = await http.GetAsync($"/api/units/{Guid.NewGuid()}/parts.csv", TestContext.Current.CancellationToken);
        Assert.Equal(System.Net.HttpStatusCode.NotFound, none.StatusCode);
    }
}
