using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>What made a breaker go, worked through on its page to the close of the visit.</summary>
public sealed class TrippedPagesTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician isolde;

    public TrippedPagesTests(EmptyWeb web) => isolde = new(app = web.Begin());

    public void Dispose() => isolde.Dispose();

    private async Task<IDocument> Answer(string visit, string code, string answer)
    {
        var form = (IHtmlFormElement)(await isolde.Open($"{visit}/tripped")).QuerySelector($"[data-circuit='{code}'] form")!;
        (await isolde.Send(form, $"{visit}/tripped", ("answer", answer))).Dispose();
        return await isolde.Open($"{visit}/tripped");
    }

    private static string Step(IDocument page) => page.QuerySelector("[data-step]")!.GetAttribute("data-step")!;

    [Fact]
    public async Task A_blown_fuse_whose_cause_never_shows_says_so_to_the_end()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await isolde.Open($"{visit}/tripped");
        Assert.Contains("None is on record", page.Body!.TextContent, StringComparison.Ordinal);
        (await isolde.Send($"{visit}/tripped", "Went", [("inDefrost", "true")])).Dispose();
        page = await isolde.Open($"{visit}/tripped");
        Assert.Equal("Look", Step(page));
        Assert.Contains("Lock out", page.QuerySelector("[data-circuit='heaters-earth'] .caution")!.TextContent, StringComparison.Ordinal);
        Assert.Null(page.QuerySelector("form[action*='SwitchedOn']"));
        foreach (var circuit in page.QuerySelectorAll("[data-circuit]").Select(c => c.GetAttribute("data-circuit")!))
            page = await Answer(visit, circuit, circuit == "wiring" ? "sound" : "clear");
        Assert.Equal("SwitchOn", Step(page));
        (await isolde.Send($"{visit}/tripped", "SwitchedOn", [("holds", "true")])).Dispose();
        Assert.Equal("NotReproduced", Step(await isolde.Open($"{visit}/tripped")));
        page = await isolde.Open($"{visit}/close");
        Assert.Contains("did not show", page.QuerySelector("#notReproduced")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Every circuit tested clear and it holds", (await isolde.Open($"{visit}/report")).Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_tripped_breaker_leads_from_the_panel_to_its_circuits()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await isolde.Log(visit, "breaker tripped");
        var page = await isolde.Open($"{visit}/look");
        Assert.NotNull(page.QuerySelector($"a[href$='/tripped']"));
        await Answer(visit, "fan-earth", "grounded");
        page = await isolde.Open($"{visit}/tripped");
        Assert.Equal("Repair", Step(page));
        Assert.Contains("Leave it off", page.QuerySelector("[data-step]")!.TextContent, StringComparison.Ordinal);
    }
}
