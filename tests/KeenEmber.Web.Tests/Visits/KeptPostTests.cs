using System.Net;
using KeenEmber.Core.Record;
using KeenEmber.Storage;
using KeenEmber.Web.Offline;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>Forms that waited on a phone: when they were made, whatever the phone's clock says, and once however often they are
/// sent.</summary>
public sealed class KeptPostTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician phone;

    public KeptPostTests(EmptyWeb web) => phone = new(app = web.Begin());

    public void Dispose() => phone.Dispose();

    private async Task<Guid> Begin() => Guid.Parse((await phone.StartVisit(await phone.AddUnit("F-9"))).Split('/')[2]);

    private IReadOnlyList<Entry> Entries(Guid visit) =>
        app.Get<VisitStore>().EntriesOfEquipment(app.Get<VisitStore>().Find(visit)!.EquipmentId, visit)[visit];

    private async Task Send(Guid visit, Guid line, string text, DateTimeOffset made, DateTimeOffset sent)
    {
        phone.Http.DefaultRequestHeaders.Remove(KeptPost.Made);
        phone.Http.DefaultRequestHeaders.Remove(KeptPost.Sent);
        phone.Http.DefaultRequestHeaders.Add(KeptPost.Made, made.ToString("O"));
        phone.Http.DefaultRequestHeaders.Add(KeptPost.Sent, sent.ToString("O"));
        using var answer = await phone.Send($"/visits/{visit}/circuit", "handler=Log", ("lineId", line.ToString()), ("line", text));
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(62)]
    [InlineData(-62)]
    public async Task What_was_made_earlier_bears_that_moment_by_the_servers_clock_and_by_the_phones(int phoneIsAheadMinutes)
    {
        var visit = await Begin();
        app.Clock.Advance(TimeSpan.FromMinutes(90));
        var ahead = TimeSpan.FromMinutes(phoneIsAheadMinutes);
        var made = app.Clock.Now.AddMinutes(-40);
        await Send(visit, Guid.CreateVersion7(), "suc 1.4", made + ahead, app.Clock.Now + ahead);
        var entry = Assert.Single(Entries(visit));
        Assert.Equal(made, entry.At);
        Assert.Equal(made + ahead, entry.Header.PhoneAt);
        Assert.InRange(entry.WrittenAt - app.Clock.Now, TimeSpan.Zero, TimeSpan.FromSeconds(1));
    }

    [Fact]
    public async Task Sent_twice_it_is_there_once_and_sent_after_a_later_reading_it_does_not_hide_it()
    {
        var visit = await Begin();
        app.Clock.Advance(TimeSpan.FromMinutes(30));
        await phone.Log($"/visits/{visit}", "suc 1.9");
        app.Clock.Advance(TimeSpan.FromDays(7));
        var (line, made) = (Guid.CreateVersion7(), app.Clock.Now.AddDays(-7).AddMinutes(-20));
        for (var times = 0; times < 2; times++)
        {
            await Send(visit, line, "suc 1.4", made, app.Clock.Now);
            app.Clock.Advance(TimeSpan.FromMinutes(1));
        }

        Assert.Equal(2, Entries(visit).Count);
        var page = await phone.Open($"/visits/{visit}/circuit");
        Assert.Contains("1.90 bar", page.QuerySelector("[data-point=SuctionPressure] .tag-value")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_clock_that_went_backwards_on_the_phone_makes_nothing_later_than_now()
    {
        var visit = await Begin();
        await Send(visit, Guid.CreateVersion7(), "suc 1.4", app.Clock.Now.AddDays(1), app.Clock.Now);
        Assert.True(Entries(visit)[0].At <= Entries(visit)[0].WrittenAt);
    }

    [Fact]
    public async Task A_visit_that_nobody_has_begun_can_be_looked_at_by_its_unit_and_takes_nothing()
    {
        var unit = Guid.Parse((await phone.AddUnit("F-9")).Split('/')[^1]);
        var page = await phone.Open($"/visits/{unit}/circuit");
        Assert.NotNull(page.QuerySelector($".station[href='/visits/{unit}/look']"));
        using var answer = await phone.Send(
            $"/visits/{unit}/circuit", "handler=Log", ("lineId", Guid.CreateVersion7().ToString()), ("line", "suc 1.4"));
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.Empty(app.Get<VisitStore>().OfEquipment(unit));
    }
}
