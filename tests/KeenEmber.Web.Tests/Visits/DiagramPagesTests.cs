using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>The unit's own diagram, and a part whose wires are swapped.</summary>
public sealed class DiagramPagesTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician isolde;

    public DiagramPagesTests(EmptyWeb web) => isolde = new(app = web.Begin());

    public void Dispose() => isolde.Dispose();

    private async Task<IDocument> Edit(string visit, string action, params (string Field, string Text)[] fields)
    {
        using var answer = await isolde.Send($"{visit}/diagram", $"handler={action}", fields);
        return answer.StatusCode == HttpStatusCode.OK ? await Technician.Page(answer) : await isolde.Open($"{visit}/diagram");
    }

    [Fact]
    public async Task What_is_in_the_panel_is_kept_for_whoever_comes_next()
    {
        var unit = await isolde.AddUnit();
        var visit = await isolde.StartVisit(unit);
        await Edit(visit, "Terminal", ("of", "C1"), ("terminal", "14"), ("wire", "brown, tag 6"), ("place", "roof box"));
        var page = await Edit(visit, "Add", ("name", "door switch"), ("kind", "Contact"), ("before", "contactor coil"), ("where", "box"));
        Assert.Contains("door switch is new", page.QuerySelector("[data-changed]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("brown, tag 6", page.QuerySelector("[data-row='14']")!.TextContent, StringComparison.Ordinal);
        Assert.NotNull(page.QuerySelector("[data-part='door switch']"));
        Assert.Equal("terminal 14", page.QuerySelector("[data-row='14'] input[name=caption]")!.GetAttribute("value"));
        Assert.NotNull((await isolde.Open($"{visit}/trace")).QuerySelector("[data-part='door switch']"));
        app.Clock.Advance(TimeSpan.FromDays(1));
        var next = await isolde.StartVisit(unit);
        page = await isolde.Open($"{next}/diagram");
        Assert.NotNull(page.QuerySelector("[data-row='14']"));
        Assert.Null(page.QuerySelector("[data-changed]"));
    }

    [Fact]
    public async Task A_name_that_is_taken_or_makes_no_label_is_refused_at_its_field()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Edit(visit, "Part", ("of", "compressor"), ("part", "condenser fan"));
        Assert.Contains("taken", page.QuerySelector("#part-error")!.TextContent, StringComparison.Ordinal);
        page = await Edit(visit, "Terminal", ("of", "C1"), ("terminal", "<b>\""), ("wire", "brown"));
        Assert.Contains("letters, digits", page.QuerySelector("#terminal-error")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("brown", page.QuerySelector("#wire")!.GetAttribute("value"));
    }

    [Fact]
    public async Task A_jumper_past_a_safety_keeps_the_visit_open_until_it_is_out()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Edit(visit, "Bridge", ("from", "C1"), ("to", "C2"), ("why", ""));
        Assert.Contains("what for", page.QuerySelector("#why-error")!.TextContent, StringComparison.Ordinal);
        page = await Edit(visit, "Bridge", ("from", "C1"), ("to", "C2"), ("why", "does the control open"));
        Assert.NotNull(page.QuerySelector("[data-part='jumper C1 to C2']"));
        Assert.Contains("past the high-pressure control", (await isolde.Open($"{visit}/changes")).Body!.TextContent,
            StringComparison.Ordinal);
        using var refused = await isolde.Send($"{visit}/close", "SignOff", ("rootCause", "x"));
        Assert.Contains("safety-related", (await Technician.Page(refused)).QuerySelector("#sign-off-error")!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_diagram_goes_out_and_comes_in_and_is_copied_from_a_sister()
    {
        var first = await isolde.AddUnit();
        var visit = await isolde.StartVisit(first);
        await Edit(visit, "Template", ("template", "RackCaseStage"));
        var id = first.Split('/')[^1];
        var json = await isolde.Http.GetStringAsync($"/api/units/{id}/diagram?mode=defrost", TestContext.Current.CancellationToken);
        using var document = JsonDocument.Parse(json);
        Assert.Contains(document.RootElement.GetProperty("parts").EnumerateArray(),
            p => p.GetProperty("kind").GetString() == "transformer");
        using var traced = await isolde.Http.PostAsJsonAsync("/api/electrical/trace", document.RootElement,
            TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.OK, traced.StatusCode);
        var other = await isolde.StartVisit(await isolde.AddUnit("F-4"));
        var page = await Edit(other, "Sister", ("sister", id));
        Assert.NotNull(page.QuerySelector("[data-part='change-over relay']"));
        var third = await isolde.StartVisit(await isolde.AddUnit("F-5"));
        page = await Edit(third, "Import", ("json", "{ \"parts\": 3"));
        Assert.Contains("no such JSON", page.QuerySelector("#json-error")!.TextContent, StringComparison.Ordinal);
        Assert.True(json.Length > 1500);
        page = await Edit(third, "Import", ("json", json + new string(' ', 4000)));
        Assert.NotNull(page.QuerySelector("[data-part='change-over relay']"));
        using var unknown = await isolde.Http.GetAsync($"/api/units/{id}/diagram?mode=sideways", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, unknown.StatusCode);
    }

    [Fact]
    public async Task A_wire_left_over_from_a_swap_is_an_open_item()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = $"{visit}/wires?of=box%20thermostat";
        using (var refused = await isolde.Send(page, "List", ("wire-0", "brown")))
            Assert.Contains("locked", (await Technician.Page(refused)).QuerySelector("#locked-error")!.TextContent,
                StringComparison.Ordinal);
        (await isolde.Send(page, "List", ("wire-0", "brown"), ("wire-1", "black"), ("terminal-2", "3"), ("wire-2", "grey"),
            ("locked", "breaker 4, passage panel"))).Dispose();
        var list = await isolde.Open($"{visit}/wires");
        Assert.Equal("3", list.QuerySelector("[data-swap-of]")!.GetAttribute("data-left"));
        foreach (var terminal in new[] { "4", "C1" })
        {
            var form = (IHtmlFormElement)(await isolde.Open($"{visit}/wires")).QuerySelector($"[data-wire='{terminal}'] form")!;
            (await isolde.Send(form, $"{visit}/wires")).Dispose();
        }

        list = await isolde.Open($"{visit}/wires");
        Assert.Equal("1", list.QuerySelector("[data-swap-of]")!.GetAttribute("data-left"));
        (await isolde.Send($"{visit}/wires", "Left")).Dispose();
        Assert.Contains("What is left over is an open item", (await isolde.Open($"{visit}/wires")).Body!.TextContent,
            StringComparison.Ordinal);
        Assert.Contains("grey", (await isolde.Open($"{visit}/changes")).Body!.TextContent, StringComparison.Ordinal);
    }
}
