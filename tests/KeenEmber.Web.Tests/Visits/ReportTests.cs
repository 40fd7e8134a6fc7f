using AngleSharp.Dom;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>What a report says, in the order in which it is read: cause, what was found, what was done, how it was left.</summary>
public sealed class ReportTests(EmptyWeb web) : IClassFixture<EmptyWeb>, IAsyncLifetime
{
    private readonly TestApp app = web.Begin();
    private Technician isolde = null!;
    private string visit = "";

    public async ValueTask InitializeAsync()
    {
        isolde = new(app);
        visit = await isolde.StartVisit(await isolde.AddUnit());
        await isolde.Log(visit, "box -8, comp on 40 min, head 25, cond fan off, fans on, coil clear");
        app.Clock.Advance(TimeSpan.FromMinutes(20));
        using var part = await isolde.Send(
            visit + "/changes", "handler=Part", ("component", "CondenserFanCapacitor/1"), ("failure", "5.2 of 8 µF"));
        app.Clock.Advance(TimeSpan.FromMinutes(60));
        await isolde.Log(visit, "box -19, cond fan on");
    }

    public ValueTask DisposeAsync()
    {
        isolde.Dispose();
        return ValueTask.CompletedTask;
    }

    private async Task<IElement> Report(string audience = "") => (await isolde.Open($"{visit}/report{audience}")).QuerySelector(".report")!;

    private async Task SignOff(string cause)
    {
        using var signed = await isolde.Send(visit + "/close", "handler=SignOff", ("rootCause", cause));
    }

    [Fact]
    public async Task The_cause_as_signed_leads_and_the_repair_is_not_how_it_stands()
    {
        await SignOff("capacitor of the condenser fan");
        var report = await Report();
        Assert.StartsWith(
            "Cause|What was found|What was done|How it was left|Open items|Recommended",
            string.Join('|', report.QuerySelectorAll("h2").Select(h => h.TextContent.Split(',')[0].Trim())), StringComparison.Ordinal);
        Assert.Equal("Root cause: capacitor of the condenser fan", report.QuerySelector(".lead-line")!.TextContent.Trim());
        Assert.Contains("The condenser fan is stopped with the compressor on.", report.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("Get it running", report.TextContent, StringComparison.Ordinal);
        var left = report.QuerySelector("[data-report=left]")!.TextContent;
        Assert.Contains("Box air -8.0 °C at 09:00, -19.0 °C at 10:20.", left, StringComparison.Ordinal);
        Assert.DoesNotContain("stopped", left, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("?for=customer")]
    public async Task Nothing_of_the_app_is_said_on_paper(string audience)
    {
        await SignOff("capacitor of the condenser fan");
        var report = (await Report(audience)).TextContent;
        Assert.DoesNotContain("tap to log", report, StringComparison.Ordinal);
        Assert.DoesNotContain("Not enough to judge", report, StringComparison.Ordinal);
        Assert.DoesNotContain("Measure again", report, StringComparison.Ordinal);
        Assert.DoesNotContain("needs ", report, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Before_the_sign_off_no_cause_is_made_up()
    {
        var report = (await Report()).TextContent;
        Assert.DoesNotContain("Root cause", report, StringComparison.Ordinal);
        Assert.Contains("Not signed off", report, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Each_reason_is_said_once()
    {
        await isolde.Log(visit, "comp on 5 min, suction 0.8, line -20, head 12, liquid 24, ambient 20");
        var report = await Report();
        Assert.True(report.QuerySelectorAll(".table tbody tr").Count(row => row.TextContent.Contains("provisional")) > 3);
        Assert.Equal(2, report.TextContent.Split("Under 15 min of running").Length);
    }

    [Fact]
    public async Task A_visit_that_has_ended_asks_for_nothing_any_more()
    {
        app.Clock.Advance(TimeSpan.FromMinutes(5));
        using var part = await isolde.Send(visit + "/changes", "handler=Part", ("component", "Drier/1"), ("failure", "blocked"));
        app.Clock.Advance(TimeSpan.FromDays(1));
        var panel = (await isolde.Open(visit + "/circuit")).QuerySelector(".stands")!.TextContent;
        Assert.Contains("Work was done; nothing was measured after it.", panel, StringComparison.Ordinal);
    }

    /// <summary>A table with rail and base: the side that is warm is judged, what was felt is on paper, and each side stands by itself.
    /// </summary>
    [Fact]
    public async Task Rail_and_base_are_found_and_left_each_by_itself()
    {
        using var added = await isolde.Send("/equipment/new", "", ("tag", "K-12"), ("refrigerant", "R134a"), ("target", "3"),
            ("kind", "PrepTable"), ("metering", "CapillaryTube"), ("condenser", "AirCooledSelfContained"), ("coils", "2"), ("fans", "2"),
            ("site", app.Site));
        visit = await isolde.StartVisit(added.Headers.Location!.ToString());
        await isolde.Log(visit, "rail 3, base 11, comp on, base coil iced, fans off, both fans stuck in ice");
        await isolde.Log(visit, "control scaled, drain blocked");
        var chain = (await isolde.Open(visit + "/diagnosis")).QuerySelectorAll(".because li").Select(l => l.TextContent).ToList();
        Assert.Equal("drain blocked", chain[0]);
        Assert.True(chain.IndexOf("melt water does not run off") is > 0 and var melt
            && melt < chain.IndexOf("control wetted by melt water"), string.Join(" → ", chain));
        app.Clock.Advance(TimeSpan.FromMinutes(20));
        using var change = await isolde.Send(visit + "/changes", "handler=Change", ("what", "drain"), ("before", "blocked"),
            ("after", "cleared, thawed"), ("area", "Box"));
        app.Clock.Advance(TimeSpan.FromMinutes(60));
        await isolde.Log(visit, "base 3.5, fans on");
        var report = await Report();
        Assert.Contains("locked out: locked", report.TextContent, StringComparison.Ordinal);
        Assert.Contains("base coil iced", report.TextContent, StringComparison.OrdinalIgnoreCase);
        var left = report.QuerySelector("[data-report=left]")!.TextContent;
        Assert.Contains("Air, rail 3.0 °C at 10:20.", left, StringComparison.Ordinal);
        Assert.Contains("Air, base 11.0 °C at 10:20, 3.5 °C at 11:40.", left, StringComparison.Ordinal);
    }
}
