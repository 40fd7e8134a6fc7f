using System.Net;
using AngleSharp.Dom;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>Electrical parts tested on their page: numbers in, verdict, what is said when a number cannot be read.</summary>
public sealed class PartPagesTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician isolde;

    public PartPagesTests(EmptyWeb web) => isolde = new(app = web.Begin());

    public void Dispose() => isolde.Dispose();

    private async Task<IDocument> Test(string visit, string of, string test, params (string Field, string Text)[] fields)
    {
        using var answer = await isolde.Send($"{visit}/electrical?of={of}&test={test}", "Test", fields);
        return answer.StatusCode == HttpStatusCode.OK ? await Technician.Page(answer) : await isolde.Open($"{visit}/electrical");
    }

    private static string Result(IDocument page, string of) =>
        page.QuerySelector($".part-results [data-part='{of}']")!.TextContent;

    [Fact]
    public async Task A_silent_compressor_is_tested_part_by_part_to_its_relay()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await Test(visit, "Overload/1", "Overload", ("ohms", "0.3"), ("shellC", "22"));
        await Test(visit, "StartRelay/1", "CurrentRelay", ("ohmsUpright", "OL"), ("ohmsInverted", "open"));
        var page = await Test(visit, "Compressor/1", "Windings", ("ohms12", "9.8"), ("ohms23", "12.1"), ("ohms13", "2.4"));
        Assert.Contains("Closed.", Result(page, "Overload/1"), StringComparison.Ordinal);
        Assert.Contains("Replace relay, overload and capacitor together", Result(page, "StartRelay/1"), StringComparison.Ordinal);
        Assert.Contains("Common is pin 1, run is pin 3, start is pin 2.", Result(page, "Compressor/1"), StringComparison.Ordinal);
        Assert.Equal("StartRelay/1", page.QuerySelector(".part-results li")!.GetAttribute("data-part"));
        Assert.Contains("start relay is open", (await isolde.Open($"{visit}/electrical")).QuerySelector("#panel, .panel")!.TextContent,
            StringComparison.OrdinalIgnoreCase);
        page = await isolde.Open($"{visit}/record");
        Assert.Contains("start relay, current relay, both ways up: as it hangs open; upside down open", page.Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_number_that_is_none_is_said_at_its_field_and_what_was_typed_stays()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Test(visit, "RunCapacitor/1", "Capacitor", ("plate-microfarad", "35"), ("microfarad", "thirty"));
        Assert.Equal("35", page.QuerySelector("#plate-microfarad")!.GetAttribute("value"));
        Assert.Contains("not a number", page.QuerySelector("#microfarad-error")!.TextContent, StringComparison.Ordinal);
        page = await Test(visit, "Contactor/1", "Coil", ("plate-volts", "24"));
        Assert.Contains("at least one number", page.Body!.TextContent, StringComparison.Ordinal);
        page = await Test(visit, "StartCapacitor/1", "Capacitor", ("plate-microfarad", "145 µF"), ("microfarad", "150"));
        Assert.Contains("150 µF (136 to 154)", Result(page, "StartCapacitor/1"), StringComparison.Ordinal);
        Assert.Null((await isolde.Open($"{visit}/electrical?of=Drier/1&test=Coil")).QuerySelector("form[action*='handler=Test']"));
    }

    [Fact]
    public async Task A_bare_number_to_earth_is_in_megaohms_and_the_plate_is_known_the_next_time()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Test(visit, "Compressor/1", "Insulation", ("plate-volts", "230"), ("testVolts", "500"), ("megohm", "0.4"));
        Assert.Contains("Leave it off.", Result(page, "Compressor/1"), StringComparison.Ordinal);
        page = await isolde.Open($"{visit}/electrical?of=Compressor/1&test=Insulation");
        Assert.Equal("230 V", page.QuerySelector("#plate-volts")!.GetAttribute("value"));
        Assert.Equal("", page.QuerySelector("#megohm")!.GetAttribute("value"));
        Assert.Contains("Take off electronics", page.QuerySelector(".caution")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_order_of_the_phases_is_chosen_and_two_swapped_ones_say_lock_out()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = await Test(visit, "Breaker/1", "PhaseOrder", ("order", ""));
        Assert.Contains("Choose what it shows", page.QuerySelector("#order-error")!.TextContent, StringComparison.Ordinal);
        page = await Test(visit, "Breaker/1", "PhaseOrder", ("order", "L1-L3-L2"));
        Assert.Contains("Lock out, test dead; swap any two", Result(page, "Breaker/1"), StringComparison.Ordinal);
        page = await isolde.Open($"{visit}/record");
        Assert.Contains("rotation tester shows L1-L3-L2", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_compressor_is_held_against_what_suction_and_head_ask_of_it()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        await isolde.Log(visit, "compressor running");
        await isolde.Log(visit, "suction 2.6 bar");
        await isolde.Log(visit, "head 14 bar");
        var page = await isolde.Open($"{visit}/electrical?of=Compressor/1&test=CompressorCurrent");
        var evaporating = page.QuerySelector("#evaporatingC")!.GetAttribute("value")!;
        Assert.EndsWith("°C", evaporating, StringComparison.Ordinal);
        page = await Test(visit, "Compressor/1", "CompressorCurrent", ("plate-amps", "10"), ("plate-boxC", "3"), ("amps", "3"),
            ("evaporatingC", evaporating), ("condensingC", page.QuerySelector("#condensingC")!.GetAttribute("value")!));
        Assert.Contains("moves little gas", Result(page, "Compressor/1"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_note_on_a_kind_of_part_is_shown_on_every_unit_that_has_one()
    {
        var visit = await isolde.StartVisit(await isolde.AddUnit());
        var page = $"{visit}/electrical?of=Control/1";
        using (var refused = await isolde.Send(page, "Note", ("kind", ""), ("note", "x")))
            Assert.Contains("name of your own", (await Technician.Page(refused)).QuerySelector("#kind-error")!.TextContent,
                StringComparison.Ordinal);
        (await isolde.Send(page, "Note", ("kind", "four-key controller"), ("note", "Hold set and down for its menu."))).Dispose();
        var other = await isolde.StartVisit(await isolde.AddUnit("F-4"));
        Assert.Empty((await isolde.Open($"{other}/electrical")).QuerySelectorAll(".part-notes"));
        (await isolde.Send($"{other}/electrical?of=Control/1", "Note", ("kind", "Four-Key controller"), ("note", ""))).Dispose();
        Assert.Contains("Hold set and down", (await isolde.Open($"{other}/electrical")).QuerySelector(".part-notes")!.TextContent,
            StringComparison.Ordinal);
    }
}
