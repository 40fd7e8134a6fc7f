using System.Net;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>How the units stand on the start page: nothing stays out of date, and nothing is judged anew without need.</summary>
public sealed class BoardTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Technician technician;

    public BoardTests() => technician = new(app);

    public void Dispose()
    {
        technician.Dispose();
        app.Dispose();
    }

    private async Task Current()
    {
        var standings = app.Get<StandingStore>();
        for (var until = DateTime.UtcNow.AddSeconds(30); standings.ToMake(1).Count > 0; await Task.Delay(50,
            TestContext.Current.CancellationToken))
            Assert.True(DateTime.UtcNow < until, "Units stayed out of date.");
    }

    [Fact]
    public async Task More_units_than_a_page_waits_for_are_judged_beside_it()
    {
        await technician.AddUnit();
        var (unit, site) = app.Get<EquipmentStore>().Find(app.Get<EquipmentStore>().All()[0].Id)!.Value;
        for (var n = 0; n < 60; n++)
            app.Get<EquipmentStore>()
                .Save(unit with { Id = Guid.CreateVersion7(), Tag = $"X-{n}", Circuit = unit.Circuit with { Id = Guid.CreateVersion7() } },
                site, new(app.Clock.Now, "", ""));
        await technician.Open("/");
        await Current();
    }

    [Fact]
    public async Task Settings_saved_as_they_are_or_in_other_units_judge_nothing_anew_and_a_policy_does()
    {
        await technician.StartVisit(await technician.AddUnit());
        using (await technician.Send("/settings", "", ("name", "Harbour Cooling")))
            await Current();
        using (await technician.Send("/settings", "", ("units", "us")))
            Assert.Empty(app.Get<StandingStore>().ToMake(1));
        using (await technician.Send("/settings", ""))
            Assert.Empty(app.Get<StandingStore>().ToMake(1));
        var before = app.Get<StandingStore>().Find(app.Get<EquipmentStore>().All()[0].Id)!.Value.Changes;
        using (await technician.Send("/settings", "", ("callbackDays", "10")))
            Assert.True(app.Get<StandingStore>().Find(app.Get<EquipmentStore>().All()[0].Id)!.Value.Changes > before);
    }

    [Fact]
    public async Task A_late_entry_on_an_old_visit_judges_the_later_ones_anew()
    {
        var unit = await technician.AddUnit();
        var old = await technician.StartVisit(unit);
        app.Clock.Advance(TimeSpan.FromDays(3));
        await technician.StartVisit(unit);
        await technician.Open(unit);
        var id = Guid.Parse(old.Split('/')[^1]);
        app.Get<VisitStore>()
            .Append([new ChangeEntry(
            new(Guid.CreateVersion7(), id, app.Clock.Now.AddDays(-3), app.Clock.Now, "Isolde"), "fan delay", "", "bridged", "",
            OpenItemKind.Jumper, false)]);
        Assert.Contains(
            "fan delay", (await technician.Open(unit)).QuerySelector(".open-list")!.TextContent, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task A_callback_that_is_signed_off_takes_no_place_on_the_list()
    {
        for (var n = 0; n < 14; n++)
        {
            var unit = await technician.AddUnit($"C-{n:00}");
            await technician.StartVisit(unit);
            app.Clock.Advance(TimeSpan.FromDays(1));
            var again = await technician.StartVisit(unit);
            if (n > 0)
            {
                using var signed = await technician.Send(again + "/close", "handler=SignOff", ("rootCause", "gasket"));
                Assert.Equal(HttpStatusCode.Redirect, signed.StatusCode);
            }

            app.Clock.Advance(-TimeSpan.FromHours(20));
        }

        await Current();
        Assert.Equal(
            ["C-00"], app.Get<StandingStore>().List(Listing.Callbacks, 0, 12, since: app.Clock.Now.AddDays(-30)).Select(u => u.Tag));
    }

    [Fact]
    public async Task The_zone_of_a_site_is_chosen_and_its_days_are_its_own()
    {
        var unit = await technician.AddUnit();
        using (var wrong = await technician.Send(unit + "/edit", "", ("zone", "Mars/Olympus")))
            Assert.Contains(
                "time zone", (await Technician.Page(wrong)).QuerySelector("#zone-error")!.TextContent, StringComparison.Ordinal);
        using (await technician.Send(unit + "/edit", "", ("zone", "America/Chicago")))
            app.Clock.Now = new(2026, 3, 2, 14, 5, 0, TimeSpan.Zero);
        var visit = await technician.StartVisit(unit);
        Assert.Contains(
            "08:05", (await technician.Open(visit + "/circuit")).QuerySelector(".clock")!.TextContent, StringComparison.Ordinal);
    }
}
