using System.Net;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>October stays October: what is done to a unit in November leaves the visits before as they were.</summary>
public sealed class UnitAsOfTests : IClassFixture<EmptyWeb>, IDisposable
{
    private readonly TestApp app;
    private readonly Technician technician;

    public UnitAsOfTests(EmptyWeb web) => technician = new(app = web.Begin());

    public void Dispose() => technician.Dispose();

    private async Task<(string Unit, string October, string November)> TwoVisits()
    {
        var unit = await technician.AddUnit();
        app.Clock.Now = new(2026, 10, 5, 9, 0, 0, TimeSpan.Zero);
        var october = await technician.StartVisit(unit);
        await technician.Log(october, "suc 1.4, line -20, comp on 30 min, fans on, coil clear, box -20");
        app.Clock.Now = new(2026, 11, 9, 9, 0, 0, TimeSpan.Zero);
        return (unit, october, await technician.StartVisit(unit));
    }

    private async Task<string> Superheat(string visit) =>
        (await technician.Open(visit + "/circuit")).QuerySelector("[data-result=SuperheatCoil]")!.TextContent;

    [Fact]
    public async Task A_conversion_leaves_the_superheat_of_the_visit_before_as_it_was()
    {
        var (unit, october, november) = await TwoVisits();
        var before = await Superheat(october);
        await technician.Log(november, "suc 1.4, line -20");
        app.Clock.Advance(TimeSpan.FromMinutes(5));
        using (var asked = await technician.Send(november + "/controls?to=R448A", "handler=Settings", ("AsFound-LowCutOut", "0.4")))
            Assert.Equal(HttpStatusCode.Redirect, asked.StatusCode);
        app.Clock.Advance(TimeSpan.FromMinutes(5));
        using (var wrong =
            await technician.Send(november + "/controls?to=R448A", "handler=Convert", ("recovered", "lots"), ("charged", "2.4")))
            Assert.Equal("lots", (await Technician.Page(wrong)).QuerySelector("#recovered")!.GetAttribute("value"));
        using (var converted =
            await technician.Send(november + "/controls?to=R448A", "handler=Convert", ("recovered", "2.2"), ("charged", "2.4"),
            ("done", "Drier"), ("oil", "polyolester")))
            Assert.Equal(HttpStatusCode.Redirect, converted.StatusCode);
        var changes = (await technician.Open(november + "/changes")).Body!.TextContent;
        Assert.Contains("conversion: label on the unit", changes, StringComparison.Ordinal);
        Assert.DoesNotContain("conversion: new drier", changes, StringComparison.Ordinal);
        Assert.Equal(before, await Superheat(october));
        Assert.Equal("R448A", app.Get<EquipmentStore>().Find(Guid.Parse(unit.Split('/')[^1]))!.Value.Equipment.Circuit.RefrigerantName);
        Assert.Contains(
            "R404A → R448A", (await technician.Open(unit)).QuerySelector(".nameplate-changes")!.TextContent, StringComparison.Ordinal);

        // What was read before the conversion says nothing of the new refrigerant.
        Assert.Contains(
            "tap to log", (await technician.Open(november + "/circuit")).QuerySelector("[data-point=SuctionPressure]")!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task Another_refrigerant_on_the_nameplate_asks_whether_it_was_wrong_or_was_changed()
    {
        var (unit, october, _) = await TwoVisits();
        var before = await Superheat(october);
        using (var asked = await technician.Send(unit + "/edit", "", ("refrigerant", "R134a")))
            Assert.Contains("converted", (await Technician.Page(asked)).QuerySelector(".holds")!.TextContent, StringComparison.Ordinal);
        using (var changed = await technician.Send(unit + "/edit", "", ("refrigerant", "R134a"), ("holds", "now")))
            Assert.Equal(HttpStatusCode.Redirect, changed.StatusCode);
        Assert.Equal(before, await Superheat(october));
        using (var corrected =
            await technician.Send(unit + "/edit", "", ("refrigerant", "R507A"), ("holds", "then"), ("sinceDay", "2026-10-01")))
            Assert.Equal(HttpStatusCode.Redirect, corrected.StatusCode);
        Assert.NotEqual(before, await Superheat(october));
    }

    [Fact]
    public async Task What_is_left_open_and_set_up_later_does_not_show_on_the_visit_before()
    {
        var (_, october, november) = await TwoVisits();
        using (await technician.Send(
            november + "/changes", "handler=Change", ("what", "fan delay"), ("after", "bridged"), ("opens", nameof(OpenItemKind.Jumper))))
        using (await technician.Send(november + "/defrost", "handler=SetUp", ("kind", "Electric"), ("failSafe", "47")))
        {
        }

        Assert.Contains("fan delay", (await technician.Open(november + "/report")).Body!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("fan delay", (await technician.Open(october + "/report")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("47 min", (await technician.Open(november + "/defrost")).Body!.TextContent, StringComparison.Ordinal);
        Assert.DoesNotContain("47 min", (await technician.Open(october + "/defrost")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_note_written_today_on_an_old_visit_leaves_the_newer_one_the_newer()
    {
        var (_, october, november) = await TwoVisits();
        app.Clock.Advance(TimeSpan.FromDays(1));
        await technician.Log(october, "note: the customer called about October");
        var page = await technician.Open(november + "/circuit");
        Assert.Contains(
            "The last visit, 5 Oct", page.QuerySelector(".briefing")!.TextContent.ReplaceLineEndings(" "),
            StringComparison.OrdinalIgnoreCase);
        Assert.Contains("-20", page.QuerySelector(".earlier, [data-point=BoxAir], .sheet")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_signed_off_reads_as_it_was_signed()
    {
        var (unit, october, _) = await TwoVisits();
        using (await technician.Send(october + "/close", "handler=SignOff", ("rootCause", "drain heater open")))
        {
        }

        var report = october + "/report";
        var signed = (await technician.Open(report)).QuerySelector("main header")!.TextContent;
        using (await technician.Send(unit + "/edit", "", ("name", "Fillet freezer")))
        {
        }

        await technician.Log(october, "box -3");
        var kept = await technician.Open(report);
        Assert.Equal(signed, kept.QuerySelector("main header")!.TextContent);
        Assert.Contains("As signed on", kept.QuerySelector(".as-signed")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("drain heater open", kept.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(
            "Fillet freezer", (await technician.Open(report + "?today=true")).QuerySelector("main header")!.TextContent,
            StringComparison.Ordinal);
        Assert.Contains("drain heater open", (await technician.Open(report + "?for=customer")).Body!.TextContent, StringComparison.Ordinal);
    }
}
