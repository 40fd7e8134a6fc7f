using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Storage;
using KeenEmber.Storage.Gear;

namespace KeenEmber.Web.Tests.Probing;

/// <summary>Probes that send: who may, what is taken, and what becomes of it on a visit.</summary>
public sealed class ProbeTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Technician tobin;
    private readonly HttpClient gateway;
    private readonly string secret;
    private long number = 1000;

    public ProbeTests()
    {
        tobin = new(app);
        gateway = app.Browser();
        secret = app.Get<ProbeStore>().Add(new(Guid.CreateVersion7(), "box in van 2", "Isolde Marrin", app.Clock.Now))!;
        gateway.DefaultRequestHeaders.Authorization = new("Bearer", secret);
    }

    public void Dispose()
    {
        gateway.Dispose();
        tobin.Dispose();
        app.Dispose();
    }

    private Task<HttpResponseMessage> Send(string probe, string unit, params double[] values) => Send(probe, TimeSpan.Zero, unit, values);

    private Task<HttpResponseMessage> Send(string probe, TimeSpan clockOff, string unit, params double[] values)
    {
        var now = app.Clock.Now - clockOff;
        return gateway.PostAsJsonAsync($"/api/probes/{probe}/readings", new
        {
            name = probe.Replace('-', ' '), battery = 0.9, sentAt = now,
            readings = values.Select((v, i) => new { number = number++, at = now.AddSeconds(i + 1 - values.Length), value = v, unit }),
        });
    }

    private static async Task<JsonElement> Json(HttpResponseMessage answer)
    {
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await answer.Content.ReadFromJsonAsync<JsonElement>();
    }

    private async Task Post(string address, string handler, params (string, string)[] fields)
    {
        using var answer = await tobin.Send(address, $"handler={handler}", fields);
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }

    [Fact]
    public async Task Only_a_gateway_with_its_secret_may_send_and_no_longer_than_it_is_let()
    {
        using (var known = await Send("red-clamp", "°C", 3))
            Assert.Equal(HttpStatusCode.OK, known.StatusCode);
        gateway.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", secret + "x");
        using (var unknown = await Send("red-clamp", "°C", 3))
            Assert.Equal(HttpStatusCode.Unauthorized, unknown.StatusCode);
        gateway.DefaultRequestHeaders.Authorization = new("Bearer", secret);
        app.Get<ProbeStore>().Revoke(app.Get<ProbeStore>().Gateways().Single().Id);
        using var revoked = await Send("red-clamp", "°C", 3);
        Assert.Equal(HttpStatusCode.Unauthorized, revoked.StatusCode);
    }

    [Fact]
    public async Task What_is_sent_twice_is_taken_once_and_a_wrong_clock_is_put_right()
    {
        var before = number;
        using (var first = await Send("red-clamp", TimeSpan.FromHours(1), "°C", 3, 3.1))
            Assert.Equal((2, 3600.0), (await Json(first)) is var said
                ? (said.GetProperty("taken").GetInt32(), said.GetProperty("clockOffSeconds").GetDouble()) : default);
        number = before;
        using (var again = await Send("red-clamp", TimeSpan.FromHours(1), "°C", 3, 3.1, 3.2))
            Assert.Equal((1, 2), (await Json(again)) is var said
                ? (said.GetProperty("taken").GetInt32(), said.GetProperty("knownBefore").GetInt32()) : default);
        var heard = Assert.Single(app.Get<ProbeStore>().Heard(app.Clock.Now.AddMinutes(-1), ["red-clamp"]));
        Assert.Equal([3, 3.1, 3.2], heard.Samples.Select(s => s.Value.Number).Order());
        Assert.All(heard.Samples, s => Assert.InRange(s.At, app.Clock.Now.AddSeconds(-5), app.Clock.Now));
    }

    [Theory]
    [InlineData("red clamp", "°C", 3)]
    [InlineData("red-clamp", "furlong", 3)]
    [InlineData("red-clamp", "°C", 9999)]
    public async Task What_cannot_be_is_refused(string probe, string unit, double value)
    {
        using var answer = await Send(Uri.EscapeDataString(probe), unit, value);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Empty(app.Get<ProbeStore>().Heard(app.Clock.Now.AddDays(-1), []));
    }

    [Fact]
    public async Task A_probe_is_tied_in_two_taps_shows_itself_and_is_kept_as_it_was_shown()
    {
        var visit = await tobin.StartVisit(await tobin.AddUnit());
        using (await Send("blue-clamp", "°C", -8.1))
            await Post($"{visit}/circuit", "Tie", ("probe", "blue-clamp"), ("at", "SuctionLineCoil"));
        var shown = (await tobin.Open($"{visit}/circuit?handler=Live")).QuerySelector("[data-probe=blue-clamp]")!;
        Assert.Equal(("SuctionLineCoil", "-8.1 °C"), (shown.GetAttribute("data-live-point"), shown.GetAttribute("data-shows")));
        var kept = shown.QuerySelector("input[name=kept]")!.GetAttribute("value")!;

        // It moved on before the button was tapped: what was on the screen is kept.
        using (await Send("blue-clamp", "°C", -2))
            await Post($"{visit}/circuit", "Keep", ("kept", kept));
        Assert.Equal("-8.1 °C", (await tobin.Open($"{visit}/circuit"))
            .QuerySelector(".circuit-map.wide [data-point=SuctionLineCoil] .tag-value")!.TextContent);

        await Post($"{visit}/circuit", "Tie", ("probe", "blue-clamp"), ("at", ""));
        Assert.Null((await tobin.Open($"{visit}/circuit?handler=Live")).QuerySelector("input[name=kept]"));
    }

    [Fact]
    public async Task The_rounds_of_a_defrost_are_kept_and_recorded_from_probes_at_its_places()
    {
        var visit = await tobin.StartVisit(await tobin.AddUnit());
        var run = Guid.CreateVersion7(app.Clock.Now);
        using (await Send("needle-2", "°C", -18.5))
        {
            Assert.Null((await tobin.Open($"{visit}/defrost")).QuerySelector("[data-probe]"));
            await Post($"{visit}/defrost", "Start", ("entryId", $"{run}"), ("heat", "true"));
        }

        await Post($"{visit}/defrost", "Tie", ("probe", "needle-2"), ("at", "ColdestBend"));
        var shown = (await tobin.Open($"{visit}/defrost?handler=Live")).QuerySelector("[data-probe=needle-2]")!;
        Assert.Contains("coldest return bend", shown.TextContent);
        Assert.DoesNotContain("HeaterVoltage", shown.InnerHtml);
        await Post($"{visit}/defrost", "Keep", ("kept", shown.QuerySelector("input[name=kept]")!.GetAttribute("value")!));

        using var refused = await tobin.Send($"{visit}/defrost", "handler=Tie", ("probe", "needle-2"), ("at", "HeaterVoltage"));
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);

        app.Clock.Advance(TimeSpan.FromMinutes(10));
        await Post($"{visit}/defrost", "Record", ("begins", "true"));
        foreach (var value in new[] { -2.0, -0.2, 0.1, 3 })
        {
            app.Clock.Advance(TimeSpan.FromMinutes(1));
            using var sent = await Send("needle-2", "°C", value);
        }

        // Watched to its end is recorded to its end.
        await Post($"{visit}/defrost", "Mark", ("run", $"{run}"), ("kind", "Over"));
        Assert.Null((await tobin.Open($"{visit}/defrost")).QuerySelector("[data-probe]"));
        var store = app.Get<VisitStore>();
        var id = Guid.Parse(visit.Split('/')[2]);
        var readings = store.EntriesOfEquipment(store.Find(id)!.EquipmentId, id)[id].OfType<RunReadingEntry>().ToList();
        Assert.Equal([-18.5, -2, -0.2, 0.1, 3], readings.OrderBy(r => r.At).Select(r => r.Value.Number));
        Assert.All(readings, r => Assert.Equal((run, new RunPlace(RunPlaceKind.ColdestBend)), (r.Run, r.Place)));
    }

    [Fact]
    public async Task What_is_recorded_becomes_the_course_of_its_point()
    {
        var visit = await tobin.StartVisit(await tobin.AddUnit());
        using (await Send("blue-clamp", "°C", -8))
            await Post($"{visit}/circuit", "Tie", ("probe", "blue-clamp"), ("at", "SuctionLineCoil"));
        await Post($"{visit}/circuit", "Record", ("begins", "true"));
        for (var minute = 1; minute <= 3; minute++)
        {
            app.Clock.Advance(TimeSpan.FromMinutes(1));
            (await Send("blue-clamp", "°C", [.. Enumerable.Range(0, 50).Select(i => -8.0 - minute)])).Dispose();
        }

        await Post($"{visit}/circuit", "Record", ("begins", "false"));
        var record = (await tobin.Open($"{visit}/record")).Body!.TextContent;
        Assert.Contains("-11.0 °C", record);
        Assert.InRange(record.Split("suction line, coil -").Length - 1, 9, 13);
    }

    [Fact]
    public async Task The_scale_counts_down_and_the_gauge_writes_its_vacuum()
    {
        var visit = await tobin.StartVisit(await tobin.AddUnit());
        await Post($"{visit}/charge", "Start", ("cylinder", "R-4"), ("refrigerant", "R404A"), ("recovers", "false"), ("port", "LiquidLine"),
            ("phase", "Liquid"), ("hoses", "Empty"), ("weight", "12.6 kg"), ("target", "500 g"));
        using (await Send("scale", "kg", 12.4))
            await Post($"{visit}/charge", "Tie", ("probe", "scale"));
        var live = await tobin.Open($"{visit}/charge?handler=Live");
        Assert.Equal("0.300 kg to go", live.QuerySelector(".live-says")?.TextContent);
        await Post($"{visit}/charge", "Keep", ("kept", live.QuerySelector("input[name=kept]")!.GetAttribute("value")!));
        Assert.Equal("0.300 kg", (await tobin.Open($"{visit}/charge")).QuerySelector("[data-to-go]")?.TextContent.Trim());

        using (await Send("gauge", "micron", 480))
            await Post($"{visit}/vacuum", "Tie", ("probe", "gauge"));
        var gauge = await tobin.Open($"{visit}/vacuum?handler=Live");
        await Post($"{visit}/vacuum", "Keep", ("kept", gauge.QuerySelector("input[name=kept]")!.GetAttribute("value")!));
        Assert.Contains("64 Pa", (await tobin.Open($"{visit}/record")).Body!.TextContent);
    }
}
