using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace KeenEmber.Web.Tests;

/// <summary>The circuit bench on the wire.</summary>
public sealed class CircuitApiTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private async Task<(HttpStatusCode Status, JsonElement Body)> Ask(object question)
    {
        var answer = await demo.Http.PostAsJsonAsync("/api/circuit/analysis", question, TestContext.Current.CancellationToken);
        var text = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        return (answer.StatusCode, text.Length == 0 ? default : JsonDocument.Parse(text).RootElement);
    }

    private static JsonElement Result(JsonElement body, string kind) =>
        body.GetProperty("results").EnumerateArray().Single(r => r.GetProperty("kind").GetString() == kind);

    [Fact]
    public async Task Readings_in_any_unit_give_results_with_validity_and_what_is_missing()
    {
        var (status, body) = await Ask(new
        {
            refrigerant = "R404A", kind = "walkInFreezer", target = "-20", evaporatorFans = new[] { "running", "stopped" }, coil = "clear",
                compressor = "running", runMinutes = 30,
            readings = new { suctionPressure = "21 psig", suctionLineCoil = "-21.2 C", boxAir = "-4 F" },
        });
        Assert.Equal(HttpStatusCode.OK, status);
        var superheat = Result(body, "superheatCoil");
        Assert.Equal(3.94, superheat.GetProperty("value").GetDouble(), 0.02);
        Assert.Equal(("K", "notUsable"), (superheat.GetProperty("unit").GetString(), superheat.GetProperty("validity").GetString()));
        Assert.Equal("fanStopped", superheat.GetProperty("reasons")[0].GetString());
        Assert.Equal(
            ["dischargePressure", "liquidLine"],
            Result(body, "subcooling").GetProperty("missing").EnumerateArray().Select(m => m.GetString()!));
        Assert.Equal("dischargePressure", body.GetProperty("nextReading").GetString());
        Assert.Equal("circuit.air-first", body.GetProperty("findings")[0].GetProperty("code").GetString());
    }

    [Fact]
    public async Task The_make_up_the_parts_and_what_was_seen_are_part_of_the_question()
    {
        var (status, body) = await Ask(new
        {
            refrigerant = "R290", kind = "prepTable", target = "4", metering = "capillaryTube", condenser = "airCooledSelfContained",
                parts = Array.Empty<string>(), coils = 2, ratedCurrentA = 4,
            seen = new { suctionLineFrost = "frostedBack" }, coil = "clear", compressor = "running", runMinutes = 40,
            readings =
                new { suctionPressure = "0.3 bar", suctionLineCoil = "-4.5", suctionLineCoil2 = "-3", boxAir = "5", boxAir2 = "4",
                compressorCurrent = "3 A", dischargeLine = "112 C" },
        });
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(
            (0.75, "1"),
            (Result(body, "currentShare").GetProperty("value").GetDouble(), Result(body, "currentShare").GetProperty("unit").GetString()));
        Assert.Equal(
            (107.0, 112.0),
            (Result(body, "dischargeTemperature").GetProperty("high").GetDouble(),
            Result(body, "dischargeTemperature").GetProperty("value").GetDouble()));
        Assert.Equal(
            1.5, Result(body, "superheatCoil2").GetProperty("value").GetDouble() - Result(body, "superheatCoil").GetProperty("value")
            .GetDouble(), 1e-6);
        Assert.Contains(
            "circuit.discharge-too-hot", body.GetProperty("findings").EnumerateArray().Select(f => f.GetProperty("code").GetString()));
    }

    [Fact]
    public async Task A_slip_is_challenged()
    {
        var (_, body) = await Ask(new
        {
            refrigerant = "R404A", kind = "walkInFreezer", target = "-20 C",
                readings = new { suctionPressure = "13.2 bar", dischargePressure = "1.4 bar" },
        });
        Assert.Equal("pressuresSwapped", body.GetProperty("challenges")[0].GetProperty("slip").GetString());
    }

    [Fact]
    public async Task Every_bad_field_is_named()
    {
        var (status, body) =
            await Ask(
            new { refrigerant = "R999", target = "cold", elevationM = 99999, readings = new { suctionPressure = "21 C", nose = "3" } });
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Equal(["elevationM", "readings.nose", "readings.suctionPressure", "refrigerant", "target"],
            body.GetProperty("errors").EnumerateObject().Select(e => e.Name).Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData("{", "body")]
    [InlineData("null", "body")]
    [InlineData("", "body")]
    [InlineData("{\"kind\":\"spaceship\"}", "kind")]
    [InlineData("{\"evaporatorFans\":[\"running\",\"asleep\"]}", "evaporatorFans[1]")]
    public async Task What_is_not_the_described_json_is_refused_by_its_field(string text, string field)
    {
        var answer =
            await demo.Http.PostAsync(
            "/api/circuit/analysis", new StringContent(text, null, "application/json"), TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        var problem = await answer.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.Equal([field], problem.GetProperty("errors").EnumerateObject().Select(e => e.Name));
    }

    [Fact]
    public async Task It_is_described() =>
        Assert.Contains(
            "/api/circuit/analysis", await demo.Http.GetStringAsync("/openapi/v1.json", TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
}
