using System.Net;
using KeenEmber.Storage;
using KeenEmber.Web.Demo;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>A report for a warranty desk: by address, without an account, until it is over or taken back, and nothing beside it.</summary>
public sealed class ReaderLinkTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Technician technician;
    private readonly Technician reader;
    private readonly string visit;

    public ReaderLinkTests()
    {
        // A browser goes by its own clock when it lets a cookie go.
        app.Clock.Now = DateTimeOffset.UtcNow;
        (technician, reader) = (new(app), new(app));
        app.Get<DemoHall>().FillIfEmpty();
        var visits = app.Get<EquipmentStore>().All().SelectMany(u => app.Get<VisitStore>().OfEquipment(u.Id)).ToList();
        visit = $"/visits/{visits.First(v => app.Get<VisitStore>().PlainEntries(v.Id).Any(e => e.Kind == "photo")).Id}";
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose()
    {
        technician.Dispose();
        reader.Dispose();
        app.Dispose();
    }

    private async Task<string> Share()
    {
        var first = app.Get<PeopleStore>().InviteFirst(app.Clock.Now, app.Clock.Now.AddDays(1));
        using (var joined = await technician.Send($"/welcome/{first}", "", ("name", "Maren Oakhurst"), ("signIn", "maren"),
            ("password", "harbour lantern seven"), ("again", "harbour lantern seven")))
            Assert.Equal(HttpStatusCode.Redirect, joined.StatusCode);
        using var made = await technician.Send(visit + "/report", "handler=Share");
        return new Uri((await Technician.Page(made)).QuerySelector("[data-reader]")!.TextContent).AbsolutePath;
    }

    [Fact]
    public async Task As_one_file_it_needs_neither_the_app_nor_a_network()
    {
        var address = await Share();
        using var answer = await reader.Http.GetAsync(address + "?file", Cancel);
        Assert.Equal("attachment", answer.Content.Headers.ContentDisposition!.DispositionType);
        Assert.EndsWith(".html", answer.Content.Headers.ContentDisposition.FileName!.Trim('"'), StringComparison.Ordinal);
        var page = await Technician.Page(answer);
        Assert.Empty(page.QuerySelectorAll("script, link, form, [src^='/'], [href]"));
        Assert.Contains(page.QuerySelectorAll("img"),
            i => i.GetAttribute("src")!.StartsWith("data:image/jpeg;base64,", StringComparison.Ordinal));
        var styles = string.Concat(page.QuerySelectorAll("style").Select(s => s.TextContent));
        Assert.Contains("data:font/woff2;base64,", styles, StringComparison.Ordinal);
        Assert.DoesNotContain("../lib", styles, StringComparison.Ordinal);
        var shown = await reader.Open(address);
        Assert.Equal(shown.QuerySelector("h1")!.TextContent, page.QuerySelector("h1")!.TextContent);
        Assert.Equal(shown.QuerySelectorAll("main table tr").Length, page.QuerySelectorAll("main table tr").Length);
    }

    private async Task<HttpStatusCode> Read(string address)
    {
        using var answer = await reader.Http.GetAsync(address, Cancel);
        return answer.StatusCode;
    }

    [Fact]
    public async Task A_reader_sees_the_one_report_with_its_photos_and_nothing_else()
    {
        var address = await Share();
        Assert.Equal(HttpStatusCode.Redirect, await Read(visit + "/report"));
        var page = await reader.Open(address);
        var photos = page.QuerySelectorAll("img[src^='/photos/']").Select(i => i.GetAttribute("src")!).ToList();
        Assert.NotEmpty(photos);
        Assert.Empty(page.QuerySelectorAll("form[method=post], a[href^='/visits/']"));
        foreach (var photo in photos)
            Assert.Equal(HttpStatusCode.OK, await Read(photo));

        var others = Directory.GetFiles(Path.Combine(app.Folder.FullName, "photos")).Select(Path.GetFileNameWithoutExtension)
            .Select(f => f!.Split('.', '-')[0]).Distinct()
            .Where(h => !photos.Exists(p => p.Contains(h, StringComparison.Ordinal))).ToList();
        Assert.NotEmpty(others);
        Assert.Equal(HttpStatusCode.Redirect, await Read($"/photos/{others[0]}"));
        foreach (var closed in new[] { "/", visit + "/circuit", visit + "/report" })
            Assert.Equal(HttpStatusCode.Redirect, await Read(closed));
        using var forged = await reader.Http.PostAsync($"{address}?handler=Share", new FormUrlEncodedContent([]), Cancel);
        Assert.NotEqual(HttpStatusCode.OK, forged.StatusCode);
    }

    [Fact]
    public async Task Taken_back_or_over_it_shows_nothing_any_more()
    {
        var address = await Share();
        Assert.Equal(HttpStatusCode.NotFound, await Read(address + "x"));
        app.Clock.Advance(TimeSpan.FromDays(29));
        Assert.Equal(HttpStatusCode.OK, await Read(address));
        app.Clock.Advance(TimeSpan.FromDays(2));
        Assert.Equal(HttpStatusCode.NotFound, await Read(address));

        app.Clock.Advance(TimeSpan.FromDays(-31));
        Assert.Equal(HttpStatusCode.OK, await Read(address));
        using (var ended = await technician.Send(visit + "/report", "handler=End"))
            Assert.Equal(HttpStatusCode.Redirect, ended.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, await Read(address));
    }
}
