using System.Net;
using AngleSharp.Dom;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>Damage that was seen, parts that were opened, and a motor that may stand in for another.</summary>
public sealed class DamagePagesTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician isolde;

    public DamagePagesTests(EmptyWeb web) => isolde = new(app = web.Begin());

    public void Dispose() => isolde.Dispose();

    private async Task<IDocument> Sent(string address, string action, params (string Field, string Text)[] fields)
    {
        using var answer = await isolde.Send(address, action, fields);
        return answer.StatusCode == HttpStatusCode.OK ? await Technician.Page(answer) : await isolde.Open(address);
    }

    [Fact]
    public async Task A_rubbed_lead_is_a_danger_until_it_is_repaired()
    {
        var unit = await isolde.AddUnit();
        var visit = await isolde.StartVisit(unit);
        var page = await Sent($"{visit}/damage", "Damage", ("of", "HeaterElement/2"), ("condition", "Rubbed"));
        Assert.Contains("Say where", page.QuerySelector("#place-error")!.TextContent, StringComparison.Ordinal);
        page = await Sent($"{visit}/damage", "Damage", ("of", "HeaterElement/2"), ("condition", "Rubbed"), ("place", "at the bracket"));
        Assert.Contains("Reroute it", page.QuerySelector("[data-damage='Rubbed']")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("chafed", page.QuerySelector(".stands, [data-stands]")!.TextContent, StringComparison.OrdinalIgnoreCase);
        app.Clock.Advance(TimeSpan.FromDays(2));
        visit = await isolde.StartVisit(unit);
        page = await isolde.Open($"{visit}/damage");
        var field = page.QuerySelector("[data-damage] input[name^='how-']")!.GetAttribute("name")!;
        page = await Sent($"{visit}/damage", "Repaired", (field, "rerouted and clipped"));
        Assert.Null(page.QuerySelector("[data-damage]"));
        Assert.DoesNotContain("chafed", page.QuerySelector(".stands, [data-stands]")!.TextContent, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("repaired: rerouted and clipped", (await isolde.Open($"{visit}/record")).Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_burnt_part_is_left_off()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Sent($"{visit}/damage", "Damage", ("of", "Contactor/1"), ("condition", "Burnt"), ("place", "pole 2"));
        Assert.Contains("Leave it off until it is found", page.QuerySelector(".stands, [data-stands]")!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_found_inside_says_what_it_can_and_stays_with_the_unit()
    {
        var unit = await isolde.AddUnit();
        var visit = await isolde.StartVisit(unit);
        var page = await Sent($"{visit}/damage", "Autopsy", ("opened", "Compressor/1"));
        Assert.Contains("Tick what was found", page.QuerySelector("#signs-error")!.TextContent, StringComparison.Ordinal);
        await Sent($"{visit}/damage", "Autopsy", ("opened", "Compressor/1"), ("signs", "BrokenDischargeLine"), ("note", "hummed"));
        app.Clock.Advance(TimeSpan.FromDays(2));
        page = await isolde.Open($"{await isolde.StartVisit(unit)}/damage");
        Assert.Contains("turned and did not pump", page.QuerySelector("[data-autopsy='Compressor/1']")!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_motors_are_compared_line_by_line_and_the_result_is_kept()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Sent($"{visit}/motor", "Compare", ("old-volts", "many"));
        Assert.Contains("Type a number", page.QuerySelector("#old-volts-error")!.TextContent, StringComparison.Ordinal);
        (string, string)[] plates = [("old-volts", "230"), ("new-volts", "230"), ("old-watts", "16"), ("new-watts", "9"),
            ("old-rotation", "ccw"), ("new-rotation", "both")];
        page = await Sent($"{visit}/motor", "Compare", plates);
        Assert.Contains("must not go in", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal("Fails", page.QuerySelector("[data-line='Watts']")!.GetAttribute("data-fit"));
        Assert.Equal("Passes", page.QuerySelector("[data-line='Rotation']")!.GetAttribute("data-fit"));
        Assert.Equal("9", page.QuerySelector("#new-watts")!.GetAttribute("value"));
    }

    [Fact]
    public async Task The_van_may_stand_in_for_a_weak_capacitor()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await Sent($"{visit}/electrical?of=RunCapacitor/1", "Test", ("plate-microfarad", "35"), ("microfarad", "28"));
        var page = await isolde.Open($"{visit}/electrical?stock=30 5 2");
        Assert.Contains("30.0 µF beside 5.0 µF make 35.0 µF, within the band", page.QuerySelector("[data-stand-in]")!.TextContent,
            StringComparison.Ordinal);
    }
}
