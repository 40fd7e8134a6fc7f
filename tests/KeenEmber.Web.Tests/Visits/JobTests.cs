using System.Globalization;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>Beginnings of whole jobs, typed into the log line: what is said first, and what must never be said.</summary>
public sealed class JobTests(EmptyWeb web) : IClassFixture<EmptyWeb>, IAsyncLifetime
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

    private async Task<IElement> Panel() => (await isolde.Open(visit + "/circuit")).QuerySelector(".panel")!;

    private static string Stands(IElement panel) => panel.QuerySelector(".stands")!.FirstChild!.TextContent.Trim();

    private static string Next(IElement panel) => panel.QuerySelector(".next .step")!.TextContent;

    [Theory]
    [InlineData("defrost on, fans off, comp off")]
    [InlineData("fans off, comp off, mode defrost")]
    [InlineData("comp off, fans off", "defrost on")]
    public async Task Everything_stands_and_it_is_in_its_defrost(params string[] lines)
    {
        foreach (var line in lines)
            await isolde.Log(visit, line);
        var panel = await Panel();
        Assert.Equal("It is in its defrost. Nothing is wrong so far. Look again when it has ended.", Stands(panel));
        Assert.Equal("Let the defrost end", Next(panel));
        Assert.DoesNotContain("Get every evaporator fan running", panel.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("The compressor is off", panel.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Twenty_minutes_later_all_of_it_runs_and_nothing_was_wrong()
    {
        await isolde.Log(visit, "defrost on, fans off, comp off");
        app.Clock.Advance(TimeSpan.FromMinutes(20));
        await isolde.Log(visit, "defrost off, fans on, comp on 15 min, coil clear");
        app.Clock.Advance(TimeSpan.FromMinutes(15));
        var panel = await Panel();
        Assert.Equal("No readings yet.", Stands(panel));
        Assert.Equal("Log box air", Next(panel));
        Assert.Empty(panel.QuerySelectorAll("[data-code^='danger'], [data-code^='circuit']"));
        await isolde.Log(visit, "box -19");
        panel = await Panel();
        Assert.Equal("The box is at its target and the compressor runs. No gauges needed.", Stands(panel));
        Assert.DoesNotContain("pressure", panel.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Overload of the compressor", "cond fan on, fans on, comp not running, box -8", "shell cold")]
    [InlineData("Start relay", "comp hums", "box -8, fans on, comp off, cond fan running")]
    public async Task Called_and_silent_it_is_the_compressor_or_its_start_components(string first, params string[] lines)
    {
        foreach (var line in lines)
            await isolde.Log(visit, line);
        var panel = await Panel();
        Assert.StartsWith("The call arrives, but the compressor does not start", Stands(panel), StringComparison.Ordinal);
        // Quick looks at the unit may come first, never the call.
        foreach (var (code, answer) in new[] { ("contactor", "pulled-in"), ("shell", "hot"), ("starts", "cannot"), ("noise", "hum") })
        {
            if (Next(panel) == first)
                break;
            Assert.Equal("Test next", panel.QuerySelector(".test-next h2")!.TextContent);
            using var answered = await isolde.Send(visit + "/look", "handler=Answer", ("code", code), ("answer", answer));
            panel = await Panel();
        }

        Assert.Equal(first, Next(panel));
        Assert.Contains("then discharge the capacitor through a resistor before touching", panel.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("is calling", panel.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("superheat", panel.TextContent, StringComparison.Ordinal);
    }

    /// <summary>What hums was looked at: it is not asked for again.</summary>
    [Fact]
    public async Task A_compressor_that_hums_is_taken_as_one_that_does_not_turn()
    {
        await isolde.Log(visit, "box -8");
        await isolde.Log(visit, "comp hums");
        var panel = await Panel();
        Assert.NotEqual("Compressor", Next(panel));
        Assert.Contains("start", panel.TextContent, StringComparison.Ordinal);
    }

    /// <summary>The sign-off begins with what a sure diagnosis was made from ticked: it is not handed on as unexplained.</summary>
    [Fact]
    public async Task What_a_sure_diagnosis_was_made_from_is_explained_by_it()
    {
        await isolde.Log(visit, "cond fan on, fans on, comp not running, box -8");
        Assert.DoesNotContain(await Ticks(), t => t.IsChecked);
        await isolde.Log(visit, "shell cold");
        await isolde.Log(visit, "overload open");
        Assert.Contains("overload open", Stands(await Panel()), StringComparison.Ordinal);
        Assert.All(await Ticks(), t => Assert.True(t.IsChecked));
    }

    private async Task<List<IHtmlInputElement>> Ticks() =>
        [.. (await isolde.Open(visit + "/close")).QuerySelectorAll("input[name=explained]").OfType<IHtmlInputElement>()];

    [Fact]
    public async Task Off_with_the_box_cold_enough_is_as_it_should_be()
    {
        await isolde.Log(visit, "box -20.5, fans on, comp off, cond fan off, coil clear, defrost off");
        var panel = await Panel();
        Assert.Equal("The compressor is off and the box is at its target: that is as it should be.", Stands(panel));
        Assert.Equal("Make it call, and see it start", Next(panel));
        Assert.DoesNotContain("is calling", panel.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Nobody_said_defrost_yet_so_that_is_asked_first()
    {
        await isolde.Log(visit, "no fans running, comp not running");
        var panel = await Panel();
        Assert.Equal("Nothing runs. First see whether it is in its defrost: then that is as it should be.", Stands(panel));
        Assert.Equal("What the control shows", Next(panel));
        Assert.DoesNotContain("Get every evaporator fan running", panel.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("airflow", panel.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_breaker_nobody_explained_opens_the_next_visit_until_it_is_seen_to_be_on()
    {
        await isolde.Log(visit, "defrost on, breaker tripped");
        app.Clock.Advance(TimeSpan.FromDays(2));
        visit = await isolde.StartVisit(unit);
        var panel = await Panel();
        Assert.Equal("A breaker or fuse went 2 days ago; why is not recorded. Leave it off until it is known.", Stands(panel));
        Assert.Equal("Leave it off. Lock out and tag", Next(panel));
        Assert.Contains("It went in defrost: test heaters and fan leads first", panel.TextContent, StringComparison.Ordinal);
        await isolde.Log(visit, "breaker on");
        Assert.DoesNotContain("Leave it off", (await Panel()).TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("breaker tripped, fans off, defrost on")]
    [InlineData("defrost on, smell burning", "breaker tripped")]
    public async Task A_breaker_that_went_in_defrost_is_left_off_and_the_heaters_are_looked_at_first(params string[] lines)
    {
        foreach (var line in lines)
            await isolde.Log(visit, line);
        var panel = await Panel();
        Assert.Contains("Leave it off until it is", Stands(panel), StringComparison.Ordinal);
        Assert.Equal("Leave it off. Lock out and tag", Next(panel));
        Assert.Contains(
            "It went in defrost: test heaters and fan leads first, each to earth.", panel.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("Get every evaporator fan running", panel.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("airflow", panel.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Made_safe_again_the_report_says_what_was_found_and_orders_nothing_any_more()
    {
        await isolde.Log(visit, "mode defrost, fans off, breaker tripped");
        app.Clock.Advance(TimeSpan.FromMinutes(40));
        await isolde.Log(visit, "breaker on, mode normal, fans on, comp on");
        Assert.DoesNotContain("Leave it off", (await Panel()).TextContent, StringComparison.Ordinal);
        var report = (await isolde.Open(visit + "/report")).Body!.TextContent;
        Assert.Contains("A breaker or fuse went in the defrost.", report, StringComparison.Ordinal);
        Assert.DoesNotContain("Leave it off", report, StringComparison.Ordinal);
        Assert.Contains(
            "A breaker or fuse went in the defrost.", (await isolde.Open(visit + "/close")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_condenser_fan_that_stands_behind_a_running_compressor_is_the_finding()
    {
        await isolde.Log(visit, "cond fan off, comp on 10 min, fans on, coil clear, head 28, amb 24");
        var panel = await Panel();
        Assert.Equal("The condenser fan is stopped and the compressor runs. Switch it off before it overheats.", Stands(panel));
        Assert.StartsWith("Switch the compressor off", Next(panel), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_iced_coil_is_looked_at_before_it_is_thawed()
    {
        await isolde.Log(visit, "coil iced, fans on");
        Assert.Contains("Find out why before thawing it", Stands(await Panel()), StringComparison.Ordinal);
        Assert.DoesNotContain("Thaw", Next(await Panel()), StringComparison.Ordinal);
        await isolde.Log(visit, "clock stopped, drain clear, door shut");
        Assert.Equal("Likely cause: defrost clock stopped.", Stands(await Panel()));
        Assert.DoesNotContain("Thaw", Next(await Panel()), StringComparison.Ordinal);
    }

    [Fact]
    public async Task After_the_capacitor_the_hot_liquid_line_of_before_is_held_against_nothing()
    {
        await isolde.Log(visit, "box -8, comp on 40 min, liquid 58, cond fan off, fans on, coil clear");
        Assert.StartsWith(
            "The condenser fan is stopped and the compressor runs. Switch it off", Stands(await Panel()), StringComparison.Ordinal);
        app.Clock.Advance(TimeSpan.FromMinutes(20));
        using var part = await isolde.Send(
            visit + "/changes", "handler=Part", ("component", "CondenserFanCapacitor/1"), ("failure", "5.2 of 8 µF"));
        app.Clock.Advance(TimeSpan.FromMinutes(5));
        await isolde.Log(visit, "cond fan on, comp on 5 min");
        Assert.Equal("Work was done since the last reading. Measure again to see what it changed.", Stands(await Panel()));
        app.Clock.Advance(TimeSpan.FromMinutes(20));
        await isolde.Log(visit, "head 12, ambient 20");
        var panel = await Panel();
        Assert.DoesNotContain("not possible", panel.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("another refrigerant", panel.TextContent, StringComparison.Ordinal);
        var map = (await isolde.Open(visit + "/circuit")).QuerySelector(".circuit-map.wide")!;
        Assert.Contains("as found 09:00", map.QuerySelector("[data-point='LiquidLine']")!.TextContent, StringComparison.Ordinal);
        Assert.NotNull(map.QuerySelector(".before-work[data-point='BoxAir']"));
        Assert.Equal("Log liquid line", Next(panel));
        Assert.Null(map.QuerySelector(".before-work[data-point='DischargePressure']"));
    }

    [Fact]
    public async Task What_was_before_the_visit_is_a_note_and_what_was_in_it_stands_at_its_time()
    {
        app.Clock.Advance(TimeSpan.FromMinutes(30));
        var before = app.Clock.Now.AddHours(-2).ToString("HH:mm", CultureInfo.InvariantCulture);
        var within = app.Clock.Now.AddMinutes(-10).ToString("HH:mm", CultureInfo.InvariantCulture);
        await isolde.Log(visit, $"box 9 at {before}");
        await isolde.Log(visit, $"box -8 at {within}");
        var record = (await isolde.Open(visit + "/record")).QuerySelector(".timeline")!.TextContent;
        Assert.Contains($"box 9 at {before}", record, StringComparison.Ordinal);
        var map = (await isolde.Open(visit + "/circuit")).QuerySelector(".circuit-map.wide [data-point='BoxAir']")!.TextContent;
        Assert.Contains("-8.0", map, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_part_that_was_replaced_a_while_ago_takes_its_time_and_none_before_the_visit()
    {
        app.Clock.Advance(TimeSpan.FromMinutes(40));
        var then = app.Clock.Now.AddMinutes(-25).ToString("HH:mm", CultureInfo.InvariantCulture);
        using var early = await isolde.Send(visit + "/changes", "handler=Part", ("component", "Drier/1"), ("time", "03:00"));
        Assert.Contains("before this visit", await early.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        using var part = await isolde.Send(visit + "/changes", "handler=Part", ("component", "Drier/1"), ("time", then));
        Assert.Equal(System.Net.HttpStatusCode.Redirect, part.StatusCode);
        Assert.Contains($"{then} ", (await isolde.Open(visit + "/report")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_setting_an_output_and_a_watched_heat_go_from_the_line_to_their_benches()
    {
        await isolde.Log(visit, "set point -18 to -22");
        await isolde.Log(visit, "comp output called, live, not running");
        await isolde.Log(visit, "heat on");
        app.Clock.Advance(TimeSpan.FromMinutes(5));
        await isolde.Log(visit, "heater amps 6.1 6.0 2.9");
        Assert.Contains("set point", (await isolde.Open(visit + "/report")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("load does not run", (await isolde.Open(visit + "/controloutputs")).Body!.TextContent, StringComparison.Ordinal);
        var defrost = (await isolde.Open(visit + "/defrost")).QuerySelector(".run-live")!;
        Assert.Equal("2.9 A", defrost.QuerySelector("#v-HeaterCurrent-3")!.GetAttribute("placeholder"));
        app.Clock.Advance(TimeSpan.FromMinutes(20));
        await isolde.Log(visit, "heat off");
        Assert.NotNull((await isolde.Open(visit + "/defrost")).QuerySelector("[data-mark='HeatOff']"));
    }
}
