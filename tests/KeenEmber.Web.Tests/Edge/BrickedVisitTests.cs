using System.Net;
using AngleSharp.Html.Dom;
using Dapper;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Storage;
using KeenEmber.Web.Tests.Fuzz;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>What once made a visit, its unit and the start page unusable for good.</summary>
public sealed class BrickedVisitTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician technician;

    public BrickedVisitTests(EmptyWeb web) => technician = new(app = web.Begin());

    public void Dispose() => technician.Dispose();

    private async Task EverythingOpens(string unit, string visit)
    {
        foreach (var page in Handlers.VisitPages(app))
            await technician.Open($"{visit}/{page}");
        await technician.Open(unit);
        await technician.Open("/");
        Assert.Empty(app.Errors);
    }

    private async Task Mark(string visit, RunMarkKind kind)
    {
        var page = await technician.Open(visit + "/defrost");
        var form = page.Forms.OfType<IHtmlFormElement>()
            .First(f => (f.GetAttribute("action") ?? "").Contains("Mark", StringComparison.Ordinal));
        using var answer = await technician.Send(form, visit + "/defrost", ("kind", kind.ToString()));
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }

    [Theory]
    [InlineData(RunMarkKind.HeatOff)]
    [InlineData(RunMarkKind.HeatOffByHand)]
    public async Task An_end_of_heat_before_its_begin_leaves_every_page_open(RunMarkKind end)
    {
        var unit = await technician.AddUnit();
        var visit = await technician.StartVisit(unit);
        using (await technician.Send(visit + "/defrost", "handler=Start", ("heat", "false")))
            app.Clock.Advance(TimeSpan.FromMinutes(1));
        await Mark(visit, end);
        app.Clock.Advance(TimeSpan.FromSeconds(90));
        using (var answer = await technician.Send(visit + "/defrost", "handler=Readings", ("v-ColdestBend", "-12")))
            Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        app.Clock.Advance(TimeSpan.FromMinutes(1));
        await Mark(visit, RunMarkKind.HeatOn);
        await EverythingOpens(unit, visit);
    }

    [Fact]
    public async Task A_series_with_endless_minutes_that_is_on_record_already_is_shown_without_them()
    {
        var unit = await technician.AddUnit();
        var visit = await technician.StartVisit(unit);
        var (id, run) = (Guid.Parse(visit.Split('/')[^1]), Guid.CreateVersion7());
        app.Get<RunSeriesStore>()
            .Save(run,
            [new(new(RunPlaceKind.ColdestBend), [0, 5, 10, 15, 20, 1e16, 2e16], [-20, -3, 0, 0.1, 5, 9, double.PositiveInfinity])]);
        app.Get<VisitStore>().Append([
            new RunEntry(new(run, id, app.Clock.Now, app.Clock.Now, "Isolde"), RunOrigin.Logged, run),
            new RunMarkEntry(new(Guid.CreateVersion7(), id, app.Clock.Now, app.Clock.Now, "Isolde"), run, RunMarkKind.HeatOn)]);
        await EverythingOpens(unit, visit);
    }

    [Theory]
    [InlineData("reading", """{"point":"NoSuchPoint"}""")]
    [InlineData("reading", """{"point":"BoxAir"}""")]
    [InlineData("reading", """{"point":"BoxAir","value":{"value":1,"unit":"furlong"}}""")]
    [InlineData("kind of tomorrow", """{"anything":1}""")]
    public async Task An_entry_that_cannot_be_read_is_shown_and_can_be_struck_out(string kind, string body)
    {
        var unit = await technician.AddUnit();
        var visit = await technician.StartVisit(unit);
        using (var db = app.Get<Database>().Open())
        {
            db.Execute("""
                INSERT INTO entry (id, visit_id, at, written_at, author, corrects, kind, body)
                VALUES (@entry, @id, '2026-03-10T09:00:00.0000000Z', '2026-03-10T09:00:00.0000000Z', 'Isolde', NULL, @kind, @body)
                """, new { entry = Guid.CreateVersion7().ToString(), id = visit.Split('/')[^1], kind, body });
        }

        await EverythingOpens(unit, visit);
        Assert.Contains(
            "cannot be read by this version", (await technician.Open(visit + "/record")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(body, (await technician.Open(visit + "/entries")).Body!.TextContent, StringComparison.Ordinal);
        using (var struck = await technician.Send(visit + "/entries", "handler=Strike"))
            Assert.Equal(HttpStatusCode.Redirect, struck.StatusCode);
        Assert.Null((await technician.Open(visit + "/entries")).QuerySelector("form[action*=Strike]"));
        await EverythingOpens(unit, visit);
    }

    /// <summary>Whatever stops a page: the visit's record is one tap away, and its unit and the start page say what is the
    /// matter.</summary>
    [Fact]
    public async Task A_visit_that_cannot_be_opened_leads_to_its_plain_record()
    {
        var unit = await technician.AddUnit();
        var other = await technician.AddUnit("F-4");
        var visit = await technician.StartVisit(unit);
        await technician.StartVisit(other);
        using (var db = app.Get<Database>().Open())
        {
            db.Execute("""
                INSERT INTO entry (id, visit_id, at, written_at, author, corrects, kind, body) VALUES (@entry, @id, 'not a moment',
                    '2026-03-10T09:00:00.0000000Z', 'Isolde', NULL, 'note', '{}')
                """, new { entry = Guid.CreateVersion7().ToString(), id = visit.Split('/')[^1] });
        }

        using var broken = await technician.Http.GetAsync(visit + "/circuit", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.InternalServerError, broken.StatusCode);
        Assert.NotNull((await Technician.Page(broken)).QuerySelector($"a[href='{visit}/entries']"));
        Assert.Contains("Could not be judged", (await technician.Open(unit)).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Could not be judged", (await technician.Open("/")).Body!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("Could not be judged", (await technician.Open(other)).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Any_mark_and_reading_in_any_order_leaves_every_page_open()
    {
        var random = new Random(20260310);
        var unit = await technician.AddUnit();
        var visit = await technician.StartVisit(unit);
        var id = Guid.Parse(visit.Split('/')[^1]);
        for (var round = 0; round < 12; round++)
        {
            var run = Guid.CreateVersion7();
            var start = app.Clock.Now;
            DateTimeOffset Some() => start.AddMinutes(random.Next(-60, 60));
            app.Get<VisitStore>().Append([
                new RunEntry(new(run, id, start, start, "Isolde"), RunOrigin.Watched),
                .. Enumerable.Range(0, random.Next(1, 9))
                    .Select(_ =>
                    new RunMarkEntry(
                    new(Guid.CreateVersion7(), id, Some(), start, "Isolde"), run, random.GetItems(Enum.GetValues<RunMarkKind>(), 1)[0])),
                .. Enumerable.Range(0, random.Next(8))
                    .Select(_ =>
                    new RunReadingEntry(
                    new(Guid.CreateVersion7(), id, Some(), start, "Isolde"), run, new(RunPlaceKind.ColdestBend),
                    new(random.Next(-25, 30), Core.Quantities.Unit.Celsius)))]);
            app.Clock.Advance(TimeSpan.FromHours(2));
            await EverythingOpens(unit, visit);
        }
    }
}
