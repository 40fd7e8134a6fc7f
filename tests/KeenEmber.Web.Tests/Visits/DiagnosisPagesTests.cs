using AngleSharp.Dom;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>The diagnosis of a visit: from the complaint to the cause by the tests that it asks for.</summary>
public sealed class DiagnosisPagesTests(EmptyWeb web) : IClassFixture<EmptyWeb>, IAsyncLifetime
{
    private readonly TestApp app = web.Begin();
    private Technician isolde = null!;
    private string unit = "";
    private string visit = "";

    public async ValueTask InitializeAsync()
    {
        isolde = new(app);
        unit = await isolde.AddUnit();
        visit = await isolde.StartVisit(unit);
    }

    public ValueTask DisposeAsync()
    {
        isolde.Dispose();
        return ValueTask.CompletedTask;
    }

    private async Task<IElement> Page() => (await isolde.Open(visit + "/diagnosis")).QuerySelector(".workplace")!;

    private async Task Answer(string code, string answer)
    {
        using var sent = await isolde.Send(visit + "/diagnosis", "handler=Answer", ("code", code), ("answer", answer));
        Assert.Equal(System.Net.HttpStatusCode.Redirect, sent.StatusCode);
    }

    /// <summary>What a fan whose winding is open answers; the rest is as it should be.</summary>
    private static readonly Dictionary<string, string> DeadFan = new()
    {
        ["fans"] = "one-stopped", ["fan-motor"] = "free", ["fan-voltage"] = "live", ["fan-windings"] = "open", ["coil"] = "frost",
        ["frost-pattern"] = "behind-one-fan", ["compressor"] = "running", ["contactor"] = "pulled-in", ["condenser-fan"] = "running",
    };

    [Fact]
    public async Task It_asks_its_way_to_a_dead_fan()
    {
        await isolde.Log(visit, "box -14");
        var asked = new List<string>();
        for (var step = 0; step < 25; step++)
        {
            var page = await Page();
            if (page.QuerySelector(".test-next")?.GetAttribute("data-test") is not { } code)
            {
                // A reading is asked for on the circuit's own form.
                if (page.QuerySelector(".next [data-open]") is null)
                    break;
                await isolde.Log(visit, "box -14");
                continue;
            }

            asked.Add(code);
            var answers = page.QuerySelectorAll(".test-next .answer").Select(b => b.GetAttribute("value")!).ToList();
            if (page.QuerySelector(".because .root")?.TextContent.Contains("evaporator fan motor dead", StringComparison.Ordinal) == true)
                break;
            await Answer(code, answers.Count == 0 ? "cannot" : DeadFan.GetValueOrDefault(code, answers[0]));
        }

        var told = await Page();
        Assert.Contains("evaporator fan motor dead", told.QuerySelector(".because")!.TextContent, StringComparison.Ordinal);
        Assert.Contains(told.QuerySelectorAll("[data-place=explained]"),
            l => l.TextContent.Contains("one stopped", StringComparison.Ordinal));
        Assert.Equal(asked.Count, asked.Distinct().Count());
        Assert.Contains("one stopped", (await isolde.Open(visit + "/record")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_else_was_seen_stands_beside_the_cause_and_the_repair_takes_further_looks_along()
    {
        await isolde.Log(visit, "box -14, comp on, fans on, coil iced");
        await Answer("clock", "stopped");
        await Answer("defrosts", "none");
        await isolde.Log(visit, "gasket torn");
        var page = await Page();
        Assert.Contains("defrost clock stopped", page.QuerySelector(".because")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("gasket", page.QuerySelector(".because")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("Also found: door gasket torn. Repair it too: the rest is explained without it.",
            page.QuerySelector(".found-as-well")!.TextContent.Trim());
        Assert.Equal("RepairTask", page.QuerySelector(".next")!.GetAttribute("data-next-task"));
        var look = page.QuerySelector(".next .beside")!.GetAttribute("data-look")!;
        Assert.NotEmpty(page.QuerySelectorAll(".beside .answers button"));
        await Answer(look, DiagnosisTable.Shipped.Observables.First(o => o.Code == look).Answers[0]);
        page = await Page();
        Assert.Equal("RepairTask", page.QuerySelector(".next")!.GetAttribute("data-next-task"));
        Assert.NotEqual(look, page.QuerySelector(".beside")?.GetAttribute("data-look"));
        Assert.Equal("door gasket torn", (await isolde.Open(visit + "/close")).QuerySelector("[name=contributing]")!.TextContent.Trim());
    }

    [Fact]
    public async Task Danger_stands_above_every_explanation_and_work_ends_what_was_seen()
    {
        await isolde.Log(visit, "breaker tripped, smell burning, fans off, mode defrost");
        var page = await Page();
        Assert.StartsWith("Something burns or has burnt", page.QuerySelector(".stands")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("DangerTask", page.QuerySelector(".next")!.GetAttribute("data-next-task"));
        Assert.Equal("heaters-earth", page.QuerySelector(".test-next")!.GetAttribute("data-test"));
        app.Clock.Advance(TimeSpan.FromMinutes(30));
        await isolde.Log(visit, "reset breaker");
        page = await Page();
        Assert.StartsWith("Something burns or has burnt", page.QuerySelector(".stands")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain(page.QuerySelectorAll(".fact-places li"), l => l.TextContent.Contains("tripped", StringComparison.Ordinal));
        await isolde.Log(visit, "breaker on, smell none");
        Assert.Empty((await Page()).QuerySelectorAll("[data-next-task=DangerTask]"));
    }

    [Fact]
    public async Task What_is_no_answer_is_refused_and_a_bad_number_is_said_at_its_field()
    {
        using var strange = await isolde.Send(visit + "/diagnosis", "handler=Answer", ("code", "coil"), ("answer", "blue"));
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, strange.StatusCode);
        using var unknown = await isolde.Send(visit + "/diagnosis", "handler=Answer", ("code", "moon"), ("answer", "full"));
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, unknown.StatusCode);
        using var number = await isolde.Send(visit + "/diagnosis", "handler=Answer", ("code", "superheat"), ("answer", "number"),
            ("number", "much"));
        Assert.Equal(System.Net.HttpStatusCode.OK, number.StatusCode);
        await Answer("coil", "cannot");
        Assert.DoesNotContain((await Page()).QuerySelectorAll(".test-next"), t => t.GetAttribute("data-test") == "coil");
    }

    [Fact]
    public async Task A_cause_one_thinks_of_shows_what_would_prove_it()
    {
        await isolde.Log(visit, "box -14, comp on, fans on");
        var page = await isolde.Open(visit + "/diagnosis?if=leak");
        var leak = page.QuerySelector(".what-if[data-cause=leak]")!;
        Assert.True(leak.HasAttribute("open"));
        Assert.Contains("superheat at the coil", leak.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain(page.QuerySelectorAll("#if option"), o => o.GetAttribute("value") == "water-valve-shut");
        Assert.EndsWith("seen so", page.QuerySelector("[data-ought=compressor]")!.TextContent.Trim(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_can_never_be_had_is_not_asked_for_on_the_next_visit_either()
    {
        await isolde.Log(visit, "box -14");
        await Answer("compressor", "never");
        await Answer("sight-glass", "cannot");
        app.Clock.Advance(TimeSpan.FromDays(3));
        var next = Guid.Parse((await isolde.StartVisit(unit)).Split('/')[^1]);
        var view = app.Get<VisitViews>().Open(next)!;
        Assert.Contains("compressor", VisitFacts.CannotNow(view));
        Assert.DoesNotContain("sight-glass", VisitFacts.CannotNow(view));
    }

    [Fact]
    public async Task The_close_page_begins_with_what_the_diagnosis_comes_to()
    {
        await isolde.Log(visit, "box -14, comp on, cond fan on, coil clear, fan 1 on, fan 2 off, fan motor locked");
        var page = await isolde.Open(visit + "/close");
        Assert.Equal("evaporator fan seized", page.QuerySelector("#rootCause")!.TextContent.Trim());
        Assert.Contains("condenser fan: running", page.QuerySelector("[data-ruled-out]")!.TextContent, StringComparison.Ordinal);
    }
}
