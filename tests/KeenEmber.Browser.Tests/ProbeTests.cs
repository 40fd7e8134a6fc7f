using System.Net.Http.Headers;
using System.Net.Http.Json;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>Probes on a phone: a gateway is let in, probes are tied with two taps, shown on the map as they measure, kept, and
/// lost.</summary>
public sealed class ProbeTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly Person person;
    private readonly HttpClient gateway;

    public ProbeTests()
    {
        person = new(app, phone: true);
        gateway = new() { BaseAddress = app.Address };
    }

    public void Dispose()
    {
        gateway.Dispose();
        person.Dispose();
        app.Dispose();
    }

    private async Task Send(string probe, double value, string unit)
    {
        var now = DateTimeOffset.UtcNow;
        using var answer = await gateway.PostAsJsonAsync($"/api/probes/{probe}/readings", new
        {
            name = probe, sentAt = now, readings = new[] { new { number = now.Ticks, at = now, value, unit } },
        }, TestContext.Current.CancellationToken);
        Assert.True(answer.IsSuccessStatusCode, $"{answer.StatusCode}");
    }

    /// <summary>A controller is read into the parameter sheet: as found, and after somebody set it otherwise as left and a change; while
    /// it says nothing there is nothing to read.</summary>
    [Fact]
    public async Task A_controller_is_read_into_the_sheet()
    {
        person.Go("/probes").Type("#name", "box in van 2").Press("Add it");
        gateway.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", person.Read("[data-secret]"));
        person.Type("#map", "controller,key,kind,what,unit\n*,ai1,sensor,box,°C\n*,p01,parameter,set point,°C").Press("Keep the list");
        await Say(-18);
        person.Go("/equipment/new").Type("#tag", "Q-9").Type("#refrigerant", "R404A").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]").Press("Add this unit");
        person.Type("#author", "Tobin Ashgrove").Type("#complaint", "too warm").Press("Start a visit").See("#line");
        person.Station("controls").Press("Parameter sheet").Press("plant 2").ReadUntil("[data-key=p01]", "-18.0 °C");
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"), "the page is wider than the phone");
        Assert.Empty(person.Violations());
        person.Press("Read it into the sheet").Wait(() => person.Value("#AsFound-SetPoint") == "-18.0 °C");
        await Say(-21);
        person.Press("Read it into the sheet").Wait(() => person.Value("#AsSet-SetPoint") == "-21.0 °C");
        person.Station("record").ReadUntil(".timeline", "set point");

        app.Later(20);
        person.Station("controls").Press("Parameter sheet");
        Assert.False(person.SeesNow(".on-wire"));
    }

    private async Task Say(double setPoint)
    {
        var now = DateTimeOffset.UtcNow;
        using var answer = await gateway.PostAsJsonAsync("/api/controllers/plant-2/values", new
        {
            name = "plant 2", sentAt = now, values = new[] { new { key = "p01", at = now, value = setPoint },
                new { key = "ai1", at = now, value = -14.2 } },
        }, TestContext.Current.CancellationToken);
        Assert.True(answer.IsSuccessStatusCode, $"{answer.StatusCode}");
    }

    private const string OnTheMap = ".circuit-map.tall [data-point=SuctionPressure] .tag-live";

    [Fact]
    public async Task Probes_are_tied_shown_kept_and_lost()
    {
        person.Go("/probes").Type("#name", "box in van 2").Press("Add it");
        gateway.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", person.Read("[data-secret]"));
        await Send("low-side", 1.92, "bar");

        person.Go("/equipment/new").Type("#tag", "Q-9").Type("#refrigerant", "R404A").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]").Press("Add this unit");
        person.Type("#author", "Tobin Ashgrove").Type("#complaint", "too warm").Press("Start a visit").See("#line");
        person.Tap("[data-probe=low-side] select option[value=SuctionPressure]");
        person.ReadUntil(OnTheMap, "1.92 bar");

        // It moves on without anybody touching the page.
        await Send("low-side", 2.44, "bar");
        person.ReadUntil(OnTheMap, "2.44 bar");
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"), "the page is wider than the phone");
        Assert.Empty(person.Violations());

        person.Press("Keep all");
        person.ReadUntil(".circuit-map.tall [data-point=SuctionPressure] .tag-value", "2.44 bar");

        // Five minutes later nothing more was heard.
        app.Later(5);
        person.ReadUntil(OnTheMap, "no signal");
        Assert.StartsWith("no signal since", person.Tap(".live summary").Read("[data-probe=low-side] .live-state"));
    }

    /// <summary>Stands in for the browser's Bluetooth and a thermometer that shows 3.27 °C, by the specification's bytes: headless browsers
    /// have neither.</summary>
    private const string Emulated = """
        const bytes = (...all) => new DataView(new Uint8Array(all).buffer);
        const read = { temperature: bytes(0x47, 0x01), battery_level: bytes(12) };
        const device = Object.assign(new EventTarget(), {
          id: 'q+w/e==', name: 'Needle 4',
          gatt: { connect: async () => ({ getPrimaryService: async () => ({
            getCharacteristic: async (name) => ({ readValue: async () => read[name] }) }) }) },
        });
        Object.defineProperty(navigator, 'bluetooth', { value: { requestDevice: async () => device } });
        window.outOfReach = () => device.dispatchEvent(new Event('gattserverdisconnected'));
        """;

    [Fact]
    public void A_thermometer_that_the_phone_hears_itself_is_tied_and_kept()
    {
        person.Beforehand(Emulated);
        person.Go("/equipment/new").Type("#tag", "Q-9").Type("#refrigerant", "R134a").Type("#target", "3")
            .Tap("#kind option[value=WalkInCooler]").Press("Add this unit");
        person.Type("#author", "Tobin Ashgrove").Type("#complaint", "too warm").Press("Start a visit").See("#line");
        person.Press("Thermometer over Bluetooth").ReadUntil(".own-probe", "Needle 4 is heard.");
        person.ReadUntil("[data-probe=own-qwe] .live-value", "3.3 °C");
        Assert.Contains("battery 12 %", person.Read("[data-probe=own-qwe] .live-state"));
        person.Tap("[data-probe=own-qwe] option[value=BoxAir]").Wait(() => person.Count(".circuit-map.tall .has-live") == 1);
        person.Press("Keep all").ReadUntil(".circuit-map.tall [data-point=BoxAir] .tag-value", "3.3 °C");
        person.Run<object>("window.outOfReach(); return 1");
        person.ReadUntil(".own-probe", "Needle 4 is out of reach.");
        Assert.Empty(person.Violations());
    }
}
