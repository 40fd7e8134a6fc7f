using System.Net;
using AngleSharp.Dom;
using KeenEmber.Core.Benches.Charge;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;

namespace KeenEmber.Web.Tests.ChargeAndBox;

/// <summary>Scale, leak search, pressure test, vacuum and trimming, as their pages take them.</summary>
public sealed class ChargePagesTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Technician tobin;

    public ChargePagesTests() => tobin = new(app);

    public void Dispose()
    {
        tobin.Dispose();
        app.Dispose();
    }

    private async Task<string> Visit() => await tobin.StartVisit(await tobin.AddUnit());

    private static string Text(IElement? element) => string.Join(' ', (element?.TextContent ?? "").Split((char[]?)null,
        StringSplitOptions.RemoveEmptyEntries));

    private async Task<string> Says(string address, string css) => Text((await tobin.Open(address)).QuerySelector(css));

    private static async Task<IDocument> Refused(Task<HttpResponseMessage> sent)
    {
        using var answer = await sent;
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await Technician.Page(answer);
    }

    private async Task Sends(string address, string action, params (string Field, string Text)[] fields)
    {
        using var answer = await tobin.Send(address, action, fields);
        Assert.True(answer.StatusCode == HttpStatusCode.Redirect, $"{action}: {answer.StatusCode} {string.Join('\n', app.Errors)}");
    }

    [Fact]
    public async Task A_place_tapped_on_the_map_is_chosen_in_the_form_and_shows_what_was_found()
    {
        var visit = await Visit();
        var page = await tobin.Open($"{visit}/leaks");
        var place = page.QuerySelector(".leak-map.tall a[data-place=FlareNut]")!;
        Assert.Contains("not searched yet", place.GetAttribute("aria-label"));
        var chosen = await tobin.Open($"{visit}/leaks?place=FlareNut");
        Assert.Equal("FlareNut", chosen.QuerySelector("#place option[selected]")?.GetAttribute("value"));
        await Sends($"{visit}/leaks", "Look", ("place", "FlareNut"), ("method", "Bubbles"), ("result", "Leaks"));
        Assert.NotNull((await tobin.Open($"{visit}/leaks")).QuerySelector(".leak-map.wide a.leaks[data-place=FlareNut]"));
    }

    [Fact]
    public async Task A_cylinder_is_weighed_down_to_its_target_and_booked()
    {
        var visit = await Visit();
        await Sends("/cylinders", "", ("label", "N-1"), ("kind", "Supply"), ("refrigerant", "R404A"), ("tare", "6"), ("water", "12"),
            ("content", "8"));
        await Sends($"{visit}/charge", "Start", ("cylinder", "n-1"), ("refrigerant", "R404A"), ("weight", "14.000"), ("target", "2.9"),
            ("hoses", "FullOfLiquid"));
        var session = (await tobin.Open($"{visit}/charge")).QuerySelector("input[name=session]")!.GetAttribute("value")!;
        await Sends($"{visit}/charge", "Weight", ("now", "12"));
        Assert.Equal("0.930 kg", await Says($"{visit}/charge", "[data-to-go]"));
        await Sends($"{visit}/charge", "Weight", ("now", "11069 g"));
        await Sends($"{visit}/charge", "Book");
        var row = Assert.Single(app.Get<VisitStore>().Ledger()).Row;
        Assert.Equal(("N-1", "R404A", Guid.Parse(session)), (row.Cylinder, row.Refrigerant, row.Session!.Value));
        Assert.Equal(2.931, row.MassKg + row.HosesKg, 6);
        Assert.InRange(row.HosesKg, 0.02, 0.04);
        Assert.Contains("5.07 kg", await Says("/cylinders", "[data-cylinder=N-1]"));
        Assert.Null((await tobin.Open($"{visit}/charge")).QuerySelector("[data-scale]"));
    }

    [Fact]
    public async Task What_would_mix_or_burst_or_separate_is_refused_at_its_field()
    {
        var visit = await Visit();
        var cylinders = app.Get<CylinderStore>();
        cylinders.Add(new(Guid.CreateVersion7(), "N-1", CylinderKind.Supply, "R404A", 6, 12, 8));
        cylinders.Add(new(Guid.CreateVersion7(), "W-1", CylinderKind.Recovery, "R134a", 11, 12, 0));
        async Task<string> Error(string field, params (string Field, string Text)[] fields) => Text(
            (await Refused(tobin.Send($"{visit}/charge", "Start", [("weight", "14"), .. fields]))).QuerySelector($"#{field}-error"));
        Assert.Contains("recovery cylinder", await Error("cylinder", ("cylinder", "N-1"), ("recovers", "true")));
        Assert.Contains("Never mix", await Error("cylinder", ("cylinder", "W-1"), ("recovers", "true")));
        Assert.Contains("liquid", await Error("phase", ("cylinder", "N-1"), ("phase", "Vapour")));
        Assert.NotEmpty(await Error("weight", ("cylinder", "N-1"), ("weight", "heavy")));
        Assert.Empty(app.Get<VisitStore>().Ledger());
    }

    [Fact]
    public async Task A_recovery_cylinder_over_four_fifths_stops_everything_else()
    {
        var visit = await Visit();
        app.Get<CylinderStore>().Add(new(Guid.CreateVersion7(), "W-1", CylinderKind.Recovery, "R404A", 11, 6, 3));
        await Sends($"{visit}/charge", "Start", ("cylinder", "W-1"), ("recovers", "true"), ("weight", "14"), ("target", ""));
        await Sends($"{visit}/charge", "Weight", ("now", "16.5"));
        Assert.Contains("Stop recovering", await Says($"{visit}/charge", $"[data-code='{ChargeBench.CylinderOverfull}']"));
        Assert.Contains("Stop recovering", Text((await tobin.Open($"{visit}/circuit")).Body));
    }

    [Fact]
    public async Task A_leak_is_found_repaired_and_proved_under_nitrogen()
    {
        var visit = await Visit();
        Assert.Equal("CapOrCore", (await tobin.Open($"{visit}/leaks")).QuerySelector("[data-place]")!.GetAttribute("data-place"));
        await Sends($"{visit}/leaks", "Look", ("place", "CapOrCore"), ("where", "suction port"), ("method", "Bubbles"),
            ("result", "Leaks"));
        var leak = (await tobin.Open($"{visit}/leaks")).QuerySelector("input[name=of]")!.GetAttribute("value");
        var page = await Refused(tobin.Send($"{visit}/leaks", "Repaired"));
        Assert.Contains("Say how", Text(page.QuerySelector($"#how-{leak}-error")));
        await Sends($"{visit}/leaks", "Repaired", ($"how-{leak}", "core and cap replaced"));
        Assert.Contains("Prove it tight", Text((await tobin.Open($"{visit}/leaks")).Body));
        Assert.Contains("nameplate", Text((await Refused(tobin.Send($"{visit}/nitrogen", "Read", ("pressure", "20"), ("gas", "22"))))
            .QuerySelector("#limit-error")));
        Assert.Contains("over the nameplate", Text((await Refused(tobin.Send($"{visit}/nitrogen", "Read", ("pressure", "30"), ("gas", "22"),
            ("limit", "25")))).QuerySelector("#pressure-error")));
        await Sends($"{visit}/nitrogen", "Read", ("pressure", "20"), ("gas", "22"), ("limit", "25"), ("volume", "12"));
        app.Clock.Now += TimeSpan.FromHours(1);
        await Sends($"{visit}/nitrogen", "Read", ("pressure", "19.95"), ("gas", "21.5"));
        Assert.StartsWith("No loss in", await Says($"{visit}/nitrogen", "[data-tight=Holds]"));
        Assert.Contains("Pressure test or isolated vacuum held", Text((await tobin.Open($"{visit}/prove")).Body));
        Assert.Contains("No loss in", Text((await tobin.Open($"{visit}/report")).Body));
    }

    [Fact]
    public async Task A_wet_vacuum_is_told_from_pasted_readings_and_stays_found()
    {
        var visit = await Visit();
        app.Clock.Now += TimeSpan.FromHours(3);
        var refused = await Refused(tobin.Send($"{visit}/vacuum", "Paste", ("lines", "0; 90\nnonsense")));
        Assert.Contains("One reading a line", Text(refused.QuerySelector("#lines-error")));
        Assert.Contains("nonsense", refused.QuerySelector("#lines")!.TextContent);
        await Sends($"{visit}/vacuum", "Paste", ("coldest", "16"), ("volume", "14"), ("lines", string.Join('\n', Enumerable.Range(0, 13)
            .Select(i => FormattableString.Invariant($"{i * 5}; {1200 + 610 * (1 - Math.Exp(-i * 5 / 12.0)):0}")))));
        Assert.Contains("water boils", await Says($"{visit}/vacuum", "[data-vacuum=Moisture]"));
        await Sends($"{visit}/vacuum", "Step", ("step", "NitrogenIn"));
        Assert.Contains("Nitrogen is in", await Says($"{visit}/vacuum", "[data-vacuum]"));
        Assert.Contains("water is boiling inside", Text((await tobin.Open($"{visit}/circuit")).Body));
        var unit = (await tobin.Open($"{visit}/vacuum")).QuerySelector("a[href$='vacuum.csv']")!.GetAttribute("href")!;
        Assert.Contains("shut off from the pump", await tobin.Http.GetStringAsync(unit, TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task Trimming_takes_small_steps_and_each_is_in_the_ledger()
    {
        var visit = await Visit();
        await Sends($"{visit}/trim", "Response", ("drop", "5"));
        Assert.Contains("Up to", Text((await Refused(tobin.Send($"{visit}/trim", "Step", ("step", "3 kg")))).QuerySelector("#step-error")));
        await Sends($"{visit}/trim", "Step", ("step", "20 g"), ("recovered", "true"));
        Assert.Contains("Wait", await Says($"{visit}/trim", "[data-trim=Wait]"));
        app.Clock.Now += TimeSpan.FromMinutes(12);
        await Sends($"{visit}/trim", "Response", ("drop", "6.1"));
        Assert.Contains("overcharged", await Says($"{visit}/trim", "[data-trim=GoOnOut]"));
        Assert.Equal(-0.02, Assert.Single(app.Get<VisitStore>().Ledger()).Row.MassKg, 6);
    }

    [Fact]
    public async Task Volumes_give_an_estimate_and_bad_ones_stay_as_typed()
    {
        var visit = await Visit();
        var page = await Refused(tobin.Send($"{visit}/howmuch", "Geometry", ("evaporator", "four"), ("condenser", "5")));
        Assert.Equal("four", page.QuerySelector("#evaporator")!.GetAttribute("value"));
        await Sends($"{visit}/howmuch", "Geometry", ("evaporator", "4"), ("condenser", "5"), ("receiver", "6"), ("liquid", "12"),
            ("liquidBore", "10"), ("suction", "12"), ("suctionBore", "22"));
        Assert.StartsWith("By its volumes:", await Says($"{visit}/howmuch", "[data-estimate]"));
    }
}
