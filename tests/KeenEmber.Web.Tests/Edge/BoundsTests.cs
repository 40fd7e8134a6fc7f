using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>What cannot be meant is refused where it comes in, and the refusal names its field.</summary>
public sealed class BoundsTests(BoundsTests.App fixture) : IClassFixture<BoundsTests.App>
{
    public sealed class App : IDisposable
    {
        public TestApp Web { get; } = new();

        public void Dispose() => Web.Dispose();
    }

    private const string Run =
        """{"setUp":{"kind":"electric"},"tracks":[{"place":"coldestBend","minutes":[0,1,2],"values":[-20,-10,0]}]}""";

    private async Task<HttpResponseMessage> Post(string address, string body)
    {
        using var http = fixture.Web.Browser();
        return await http.PostAsync(address, new StringContent(body, Encoding.UTF8, "application/json"));
    }

    [Fact]
    public async Task A_sound_run_is_judged()
    {
        using var answer = await Post("/api/defrost/analysis", Run);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Theory]
    [InlineData("/api/defrost/analysis", "\"electric\"", "99", "setUp.kind")]
    [InlineData("/api/defrost/analysis", "[0,1,2]", "[0,1,1e16]", "tracks[0]")]
    [InlineData("/api/defrost/analysis", "[0,1,2]", "[0,1,1e400]", "tracks[0].minutes[2]")]
    [InlineData("/api/defrost/analysis", "[-20,-10,0]", "[-20,-10,900]", "tracks[0]")]
    [InlineData("/api/defrost/analysis", "[-20,-10,0]", "[-20,-10]", "tracks[0]")]
    [InlineData("/api/defrost/analysis", "[-20,-10,0]", "null", "tracks[0]")]
    [InlineData("/api/defrost/analysis", "\"tracks\":[", "\"tracks\":[null,", "tracks[0]")]
    [InlineData("/api/defrost/analysis", "\"tracks\":[", "\"marks\":[null],\"tracks\":[", "marks")]
    [InlineData("/api/defrost/analysis", "\"tracks\":[", "\"marks\":[{\"kind\":\"heatOn\",\"minute\":1e9}],\"tracks\":[", "marks")]
    [InlineData("/api/defrost/analysis", "\"tracks\":[", "\"start\":\"1999-12-31T00:00:00Z\",\"tracks\":[", "start")]
    [InlineData("/api/defrost/analysis", "\"tracks\":[", "\"start\":\"2300-01-01T00:00:00Z\",\"tracks\":[", "start")]
    [InlineData("/api/defrost/analysis", "\"electric\"", "\"electric\",\"heaters\":[null]", "setUp.heaters")]
    [InlineData("/api/defrost/analysis", "\"electric\"", "\"electric\",\"failSafeMin\":1e300", "setUp.failSafeMin")]
    public async Task What_no_run_can_hold_is_refused(string address, string from, string to, string field)
    {
        Assert.Contains(from, Run, StringComparison.Ordinal);
        await Refused(address, Run.Replace(from, to, StringComparison.Ordinal), field);
    }

    [Theory]
    [InlineData("/api/sensors/analysis", """{"sensors":[null]}""", "sensors[0]")]
    [InlineData("/api/sensors/analysis", """{"sensors":[{"name":"box","r25":1e308,"beta":3435,"points":[]}]}""", "sensors[0].family")]
    [InlineData("/api/sensors/analysis", """{"sensors":[{"name":"box","family":"ntc-10k-3435","points":[{"reference":1e300}]}]}""",
        "sensors[0].points")]
    [InlineData("/api/sensors/analysis", """{"sensors":[{"name":"box","family":"ntc-10k-3435","role":3,"points":[]}]}""",
        "sensors[0].role")]
    [InlineData("/api/circuit/analysis", """{"refrigerant":"R404A","kind":99,"target":"-20"}""", "kind")]
    [InlineData("/api/circuit/analysis", """{"refrigerant":"R404A","kind":"walkInFreezer","target":"-20","seen":{"99":"running"}}""",
        "seen")]
    [InlineData("/api/circuit/analysis", """{"refrigerant":"R404A","kind":"walkInFreezer","target":"-20","readings":{"3":"20"}}""",
        "readings.3")]
    public async Task What_cannot_be_meant_is_refused(string address, string body, string field) => await Refused(address, body, field);

    private async Task Refused(string address, string body, string field)
    {
        using var answer = await Post(address, body);
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.True(answer.StatusCode == HttpStatusCode.BadRequest, $"{answer.StatusCode}: {text}");
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        Assert.Contains(
            JsonDocument.Parse(text).RootElement.GetProperty("errors").EnumerateObject(), e =>
            e.Name.StartsWith(field, StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public async Task More_tracks_and_samples_than_a_run_has_are_refused()
    {
        var minutes = string.Join(',', Enumerable.Range(0, 200_001).Select(i => (i / 100.0).ToString(CultureInfo.InvariantCulture)));
        var tracks = string.Join(',', Enumerable.Repeat("""{"place":"box","minutes":[],"values":[]}""", 61));
        await Refused("/api/defrost/analysis", $$"""{"setUp":{"kind":"electric"},"tracks":[{{tracks}}]}""", "tracks");
        using var answer = await Post("/api/defrost/analysis",
            $$"""{"setUp":{"kind":"electric"},"tracks":[{"place":"box","minutes":[{{minutes}}],"values":[]}]}""");
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task What_a_page_cannot_have_sent_is_refused_by_its_field()
    {
        using var technician = new Technician(fixture.Web);
        var unit = await technician.AddUnit($"B-{Random.Shared.Next(10_000)}");
        var visit = await technician.StartVisit(unit);
        using var numbered = await technician.Send(visit + "/prove", "", ("kind", "2"), ("handler", "Proof"));
        using var start = await technician.Send(visit + "/defrost", "handler=Start");
        using var mark = await technician.Send(visit + "/defrost", "handler=Mark", ("kind", "1"));
        Assert.Equal(HttpStatusCode.BadRequest, mark.StatusCode);
        Assert.Contains("kind", (await Technician.Page(mark)).QuerySelector("[data-fault]")!.TextContent, StringComparison.Ordinal);
    }
}
