using System.Net;
using AngleSharp.Dom;

namespace KeenEmber.Web.Tests.ChargeAndBox;

/// <summary>Pull-down, balance, doors, product and systems, as their pages take them.</summary>
public sealed class BoxPagesTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician tobin;

    public BoxPagesTests(EmptyWeb web) => tobin = new(app = web.Begin());

    public void Dispose() => tobin.Dispose();

    private async Task<string> Visit() => await tobin.StartVisit(await tobin.AddUnit());

    private static string Text(IElement? element) => string.Join(' ', (element?.TextContent ?? "").Split((char[]?)null,
        StringSplitOptions.RemoveEmptyEntries));

    private async Task<string> Says(string address, string css) => Text((await tobin.Open(address)).QuerySelector(css));

    private async Task Sends(string address, string action, params (string Field, string Text)[] fields)
    {
        using var answer = await tobin.Send(address, action, fields);
        Assert.True(answer.StatusCode == HttpStatusCode.Redirect, $"{action}: {answer.StatusCode} {string.Join('\n', app.Errors)}");
    }

    [Fact]
    public async Task A_box_is_left_with_a_forecast_and_proved_on_coming_back()
    {
        var visit = await Visit();
        string Box(double minutes) => FormattableString.Invariant($"{-24 + 22 * Math.Exp(-minutes / 60):0.0}");
        for (var i = 0; i < 6; i++)
        {
            if (i > 0)
                app.Clock.Now += TimeSpan.FromMinutes(8);
            await Sends($"{visit}/box", "Read", ("air", Box(8 * i)), ("product", i < 3 ? "-3" : ""));
        }

        Assert.StartsWith("Reaches its target at about", await Says($"{visit}/box", "[data-pulldown=WillReach]"));
        await Sends($"{visit}/box", "Leave", ("minutes", "60"));
        Assert.StartsWith("Come back at", await Says($"{visit}/box", "[data-forecast=open]"));
        app.Clock.Now += TimeSpan.FromMinutes(61);
        await Sends($"{visit}/box", "Read", ("air", Box(101)));
        Assert.StartsWith("As forecast.", await Says($"{visit}/box", "[data-forecast=held]"));
        Assert.Contains("as forecast", Text((await tobin.Open($"{visit}/report")).Body));
    }

    [Fact]
    public async Task Uneven_air_names_its_place_until_it_is_measured_again()
    {
        var visit = await Visit();
        await Sends($"{visit}/doors", "Air", ("side", "Return"), ("place", "left"), ("temperature", "-18"));
        await Sends($"{visit}/doors", "Air", ("side", "Return"), ("place", "door"), ("temperature", "-12"));
        Assert.Contains("“door”", await Says($"{visit}/doors", "[data-finding='box.air-uneven']"));
        await Sends($"{visit}/doors", "Air", ("side", "Return"), ("place", "door"), ("temperature", "-17"));
        Assert.Empty(await Says($"{visit}/doors", "[data-finding='box.air-uneven']"));
        using var answer = await tobin.Send($"{visit}/doors", "Air", ("side", "Return"), ("place", "door"), ("temperature", "cold"));
        Assert.NotEmpty(Text((await Technician.Page(answer)).QuerySelector("#temperature-error")));
    }

    [Fact]
    public async Task The_weak_system_says_what_it_is_short_of()
    {
        var visit = await Visit();
        await Sends($"{visit}/systems", "System", ("system", "A"), ("runs", "true"), ("called", "true"), ("drop", "6"), ("glass", "Full"));
        await Sends($"{visit}/systems", "System", ("system", "B"), ("runs", "true"), ("called", "true"), ("drop", "2"),
            ("evaporating", "-34"), ("glass", "Bubbles"));
        Assert.Contains("short of liquid or of air", await Says($"{visit}/systems", "[data-hint=Starved]"));
        Assert.Contains("25 %", await Says($"{visit}/systems", "[data-system=B]"));
    }

    [Fact]
    public async Task Product_that_nobody_measured_is_followed_behind_the_air()
    {
        var visit = await Visit();
        await Sends($"{visit}/box", "Read", ("air", "-8"));
        app.Clock.Now += TimeSpan.FromHours(2);
        await Sends($"{visit}/box", "Read", ("air", "-8"));
        Assert.Contains("2.0 h", await Says($"{visit}/product", "[data-air-over]"));
        await Sends($"{visit}/product", "Product", ("product", "-16"));
        Assert.Empty(await Says($"{visit}/product", "[data-air-over]"));
    }

    [Fact]
    public async Task Readings_are_pasted_and_a_time_before_the_visit_is_refused()
    {
        var visit = await Visit();
        app.Clock.Now += TimeSpan.FromMinutes(50);
        using var answer = await tobin.Send($"{visit}/box", "Paste", ("lines", "03:00; -2"));
        Assert.Contains("Within this visit", Text((await Technician.Page(answer)).QuerySelector("#lines-error")));
        var zone = TimeZoneInfo.FindSystemTimeZoneById("Europe/London");
        var now = TimeZoneInfo.ConvertTime(app.Clock.Now, zone);
        await Sends($"{visit}/box", "Paste", ("lines", string.Join('\n', new[] { 45, 35, 25, 15, 5 }.Select(m =>
            FormattableString.Invariant($"{now.AddMinutes(-m):HH:mm}; {-2 - (45 - m) / 5.0:0.0}")))));
        Assert.NotEmpty(await Says($"{visit}/box", "[data-pulldown]"));
    }

    [Fact]
    public async Task A_box_that_lets_in_more_than_its_circuit_moves_is_told_where_to_look()
    {
        var visit = await Visit();
        (string, string)[] box = [("length", "4"), ("width", "3"), ("height", "2.4"), ("wall", "100"), ("air", "24"), ("door", "2"),
            ("open", "60"), ("fans", "180"), ("productIn", "5"), ("product", "900"), ("capacity", "1500")];
        using var refused = await tobin.Send($"{visit}/balance", "Balance", [.. box.Where(f => f.Item1 != "length")]);
        Assert.NotEmpty(Text((await Technician.Page(refused)).QuerySelector("#length-error")));
        await Sends($"{visit}/balance", "Balance", box);
        Assert.StartsWith("Short by", await Says($"{visit}/balance", "[data-balance=TooLittle]"));
        await Sends($"{visit}/balance", "Balance", ("capacity", "20 kW"));
        Assert.Contains("% of the time", await Says($"{visit}/balance", "[data-balance=Holds]"));
    }

    [Fact]
    public async Task A_gasket_that_lets_the_paper_go_is_open_until_it_is_repaired()
    {
        var visit = await Visit();
        await Sends($"{visit}/doors", "Check", ("part", "GasketPaper"), ("where", "lower hinge"), ("sound", "false"));
        var of = (await tobin.Open($"{visit}/doors")).QuerySelector("input[name=of]")!.GetAttribute("value");
        Assert.Contains("paper slips out", Text((await tobin.Open($"{visit}/circuit")).Body));
        await Sends($"{visit}/doors", "Repaired", ($"how-{of}", "new gasket"));
        Assert.Null((await tobin.Open($"{visit}/doors")).QuerySelector("[data-check]"));
        Assert.Contains("repaired, new gasket", Text((await tobin.Open($"{visit}/doors")).Body));
    }

    [Fact]
    public async Task How_the_box_is_held_stands_beside_its_pull_down()
    {
        var visit = await Visit();
        Assert.Contains("No whole cycle seen", Text((await tobin.Open($"{visit}/box")).Body));
        foreach (var (cutsIn, at) in new[] { ("true", "-18"), ("false", "-21"), ("true", "-18") })
        {
            await Sends($"{visit}/controlcycle", "Event", ("cutsIn", cutsIn), ("at", at));
            app.Clock.Now += TimeSpan.FromMinutes(15);
        }

        Assert.Contains("-21.0", await Says($"{visit}/box", "[data-holding]"));
    }

    [Fact]
    public async Task Product_over_its_limit_is_counted_in_hours_and_systems_stand_side_by_side()
    {
        var visit = await Visit();
        await Sends($"{visit}/product", "Product", ("product", "-8"));
        app.Clock.Now += TimeSpan.FromHours(2);
        await Sends($"{visit}/product", "Product", ("product", "-9"));
        Assert.Contains("2.0 h", await Says($"{visit}/product", "[data-product=over]"));
        await Sends($"{visit}/systems", "System", ("system", "A"), ("runs", "true"), ("called", "true"), ("drop", "6"));
        await Sends($"{visit}/systems", "System", ("system", "B"), ("called", "true"));
        Assert.Contains("called, not running", await Says($"{visit}/systems", "[data-system=B]"));
    }
}
