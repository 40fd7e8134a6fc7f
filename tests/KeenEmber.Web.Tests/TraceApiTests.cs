using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace KeenEmber.Web.Tests;

/// <summary>The tracer on the wire.</summary>
public sealed class TraceApiTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private async Task<(HttpStatusCode Status, JsonElement Body)> Ask(object question)
    {
        var answer = await demo.Http.PostAsJsonAsync("/api/electrical/trace", question, TestContext.Current.CancellationToken);
        return (answer.StatusCode,
            JsonDocument.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).RootElement);
    }

    private static object Freezer(params object[] measurements) => new
    {
        sources = new[] { new { id = "supply", volts = 208, phaseDeg = 0, hot = "L1", @return = "L2", ohms = 0.2 } },
        parts = new object[]
        {
            new { id = "clock-cool", kind = "contact", a = "L1", b = "4", closed = true, where = "clock" },
            new { id = "thermostat", kind = "contact", a = "4", b = "T2", closed = true, where = "box" },
            new { id = "solenoid", kind = "load", a = "T2", b = "L2", ohms = 300, where = "evaporator" },
            new { id = "wire-7", kind = "wire", a = "T2", b = "T3" },
        },
        measurements, meter = new { ohms = 10_000_000, accuracyShare = 0.01, accuracyVolts = 0.5 },
    };

    [Fact]
    public async Task Voltage_up_to_the_thermostat_and_none_behind_it_condemns_the_thermostat()
    {
        var (status, body) = await Ask(Freezer(
            new { kind = "volts", a = "4", b = "L2", value = 208 }, new { kind = "volts", a = "T2", b = "L2", value = 0.3 },
            new { kind = "runs", part = "solenoid", value = false }));
        Assert.Equal(HttpStatusCode.OK, status);
        var lead = body.GetProperty("suspects")[0];
        Assert.Equal(("thermostat", "stuckOpen"), (lead.GetProperty("part").GetString(), lead.GetProperty("fault").GetString()));
        Assert.InRange(lead.GetProperty("probability").GetDouble(), 0.8, 1);
        Assert.Equal("thermostat: open, should be closed", lead.GetProperty("words").GetString());
        Assert.Equal(208, body.GetProperty("expected")[0].GetProperty("volts").GetDouble(), 0.5);
        Assert.Empty(body.GetProperty("unexplained").EnumerateArray());
        var next = body.GetProperty("next")[0];
        Assert.Equal("volts", next.GetProperty("kind").GetString());
        Assert.True(next.GetProperty("bits").GetDouble() > 0);
    }

    [Fact]
    public async Task Before_anything_is_measured_it_says_where_to_put_the_meter()
    {
        var (_, body) = await Ask(Freezer(new { kind = "runs", part = "solenoid", value = false }));
        var next = body.GetProperty("next")[0];
        Assert.Contains("T2", new[] { next.GetProperty("a").GetString(), next.GetProperty("b").GetString() });
        Assert.NotEmpty(next.GetProperty("expect").EnumerateArray());
    }

    [Theory]
    [InlineData("""{"parts":[]}""", "sources")]
    [InlineData("""{"sources":[{"id":"s","volts":208,"hot":"L1","return":"L1"}],"parts":[{"id":"p","kind":"wire","a":"x","b":"L1"}]}""",
        "sources[0]")]
    [InlineData("""{"sources":[{"id":"s","volts":208,"hot":"L1","return":"L2"}],"parts":[{"id":"p","kind":"load","a":"L1","b":"L2"}]}""",
        "parts[0]")]
    [InlineData("""
        {"sources":[{"id":"s","volts":208,"hot":"L1","return":"L2"}],"parts":[{"id":"p","kind":"load","a":"L1","b":"L2","ohms":9}],
         "measurements":[{"kind":"volts","a":"L1","b":"nowhere","value":3}]}
        """, "measurements[0]")]
    [InlineData("""
        {"sources":[{"id":"s","volts":208,"hot":"L1","return":"L2"}],"parts":[{"id":"p","kind":"load","a":"L1","b":"L2","ohms":9}],
         "measurements":[{"kind":"runs","part":"p","value":3}]}
        """, "measurements[0].value")]
    public async Task What_cannot_be_traced_is_named(string sent, string field)
    {
        using var content = new StringContent(sent, System.Text.Encoding.UTF8, "application/json");
        using var answer = await demo.Http.PostAsync("/api/electrical/trace", content, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        using var body = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        Assert.True(body.RootElement.GetProperty("errors").TryGetProperty(field, out _), body.RootElement.ToString());
    }

    [Fact]
    public async Task A_part_is_judged_with_its_meaning_and_what_to_do_next()
    {
        using var answer = await demo.Http.PostAsJsonAsync("/api/electrical/component", new
        {
            kind = "windings", measured = new { ohms12 = 7.6, ohms23 = 2.1, ohms13 = 9.7 },
        }, TestContext.Current.CancellationToken);
        using var body = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        Assert.Equal("sound", body.RootElement.GetProperty("verdict").GetString());
        Assert.Equal(2, body.RootElement.GetProperty("pins").GetProperty("common").GetInt32());
        using var open = await demo.Http.PostAsJsonAsync("/api/electrical/component", new
        {
            kind = "fuse", plate = new { volts = 208 }, measured = new { voltsAcross = 206 },
        }, TestContext.Current.CancellationToken);
        Assert.Contains("a result, not a cause", await open.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        using var wrong = await demo.Http.PostAsJsonAsync("/api/electrical/component", new
        {
            kind = "fuse", measured = new { voltsAcross = "much" },
        }, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
    }
}
