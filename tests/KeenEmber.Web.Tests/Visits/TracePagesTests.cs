using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>The control circuit traced on its page.</summary>
public sealed class TracePagesTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician isolde;

    public TracePagesTests(EmptyWeb web) => isolde = new(app = web.Begin());

    public void Dispose() => isolde.Dispose();

    private Task<IDocument> Measure(string visit, string a, string b, string volts, string mode = "Calling") =>
        Sent($"{visit}/trace?mode={mode}", "Volts", ("a", a), ("b", b), ("volts", volts));

    private Task<IDocument> Sees(string visit, string part, bool runs) =>
        Sent($"{visit}/trace", "Seen", ("part", part), ("runs", runs ? "true" : "false"));

    private async Task<IDocument> Amps(string visit, string amps)
    {
        var button = (await isolde.Open($"{visit}/trace")).QuerySelector("button[formaction*='Amps']")!;
        var form = (IHtmlFormElement)button.Closest("form")!;
        form.SetAttribute("action", button.GetAttribute("formaction"));
        using var answer = await isolde.Send(form, $"{visit}/trace", ("part", "compressor"), ("amps", amps));
        return await Technician.Page(answer);
    }

    private async Task<IDocument> Sent(string address, string action, params (string Field, string Text)[] fields)
    {
        using var answer = await isolde.Send(address, action, fields);
        return answer.StatusCode == HttpStatusCode.OK ? await Technician.Page(answer) : await isolde.Open(address);
    }

    [Fact]
    public async Task A_walk_in_with_no_call_is_traced_through_terminals_in_two_places_to_its_thermostat()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await isolde.Open($"{visit}/trace");
        Assert.NotNull(page.QuerySelector("[data-terminal='C1']"));
        Assert.Null(page.QuerySelector(".traced"));
        await Sees(visit, "compressor", false);
        await Measure(visit, "L1", "L2", "208");
        page = await Measure(visit, "4", "L2", "207");
        Assert.DoesNotContain("clock, cooling side", page.QuerySelector(".suspects")!.TextContent, StringComparison.Ordinal);
        page = await Measure(visit, "C1", "L2", "0.3 V");
        Assert.Equal("box thermostat", page.QuerySelector(".suspects li")!.GetAttribute("data-suspect"));
        Assert.Contains("207 V", page.QuerySelector(".measured")!.TextContent, StringComparison.Ordinal);
        page = await isolde.Open($"{visit}/record");
        Assert.Contains("C1 to L2: 0.3 V, calling for cold", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Ohms_with_the_power_off_a_current_and_a_coil_that_pulls_count_too()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await Measure(visit, "L1", "L2", "208");
        var page = await Measure(visit, "C2", "L2", "open");
        Assert.Contains("C2 to L2: open, power off (sound: ", page.QuerySelector(".measured")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("contactor coil", page.QuerySelector(".suspects li")!.GetAttribute("data-suspect"));
        (await isolde.Send($"{visit}/trace", "Seen", ("part", "contactor coil"), ("runs", "false"), ("seen", "Clicks"))).Dispose();
        await Amps(visit, "0");
        page = await isolde.Open($"{visit}/trace");
        Assert.Contains("contactor coil does not pull", page.QuerySelector(".measured")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("compressor: 0 A", page.QuerySelector(".measured")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("contactor coil", page.QuerySelector(".suspects li")!.GetAttribute("data-suspect"));
        page = await Amps(visit, "many");
        Assert.Contains("not a number", page.QuerySelector("#amps-error")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_the_walk_round_saw_is_not_asked_again()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await isolde.Log(visit, "fans on, cond fan on, comp off");
        var page = await Measure(visit, "L1", "L2", "230");
        var first = page.QuerySelector(".suspects li")!.GetAttribute("data-suspect");
        Assert.Contains(first, new[] { "compressor", "nothing" });
        Assert.DoesNotContain("contactor coil", page.QuerySelectorAll(".suspects li").Select(l => l.GetAttribute("data-suspect")));
    }

    [Fact]
    public async Task A_safety_that_is_open_is_never_to_be_bridged()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await Sees(visit, "compressor", false);
        await Measure(visit, "1", "L2", "230");
        await Measure(visit, "C1", "L2", "230");
        var page = await Measure(visit, "C2", "L2", "0");
        Assert.Contains("never bridge it", page.QuerySelector(".suspects li")!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("before it is replaced", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("4", "4", "230", "Two different terminals")]
    [InlineData("4", "nowhere", "230", "Two different terminals")]
    [InlineData("4", "L2", "", "volt")]
    [InlineData("4", "L2", "two", "volt")]
    [InlineData("4", "L2", "4000", "0 to 1000 V")]
    public async Task What_cannot_be_a_reading_is_said_at_its_field_and_kept(string a, string b, string volts, string said)
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Measure(visit, a, b, volts);
        Assert.Contains(page.QuerySelectorAll(".trace-form .field-error"), e =>
            e.TextContent.Contains(said, StringComparison.OrdinalIgnoreCase));
        Assert.Equal(volts, page.QuerySelector("#volts")!.GetAttribute("value"));
        Assert.Null(page.QuerySelector(".measured"));
    }

    [Fact]
    public async Task What_is_measured_in_defrost_is_held_against_the_circuit_in_defrost()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await Measure(visit, "3", "L2", "230", "Defrost");
        var page = await Measure(visit, "H", "L2", "0", "Defrost");
        Assert.StartsWith("heater safety", page.QuerySelector(".suspects li")!.GetAttribute("data-suspect"), StringComparison.Ordinal);
        Assert.Equal("in defrost", page.QuerySelector(".chip.on")!.TextContent.Trim());
    }
}
