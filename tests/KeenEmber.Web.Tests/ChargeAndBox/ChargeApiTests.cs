using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace KeenEmber.Web.Tests.ChargeAndBox;

/// <summary>Vacuum and pull-down on the wire.</summary>
public sealed class ChargeApiTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private async Task<(HttpStatusCode Status, JsonElement Body)> Ask(string address, object question)
    {
        using var answer = await demo.Http.PostAsJsonAsync(address, question, TestContext.Current.CancellationToken);
        using var body = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        return (answer.StatusCode, body.RootElement.Clone());
    }

    private static object[] Course(Func<double, double> pascal) =>
        [.. Enumerable.Range(0, 40).Select(i => new { minute = i, pa = pascal(i) })];

    [Theory]
    [InlineData("dry", 0, 0)]
    [InlineData("moisture", 2800, 0)]
    [InlineData("leak", 0, 20)]
    [InlineData("moistureAndLeak", 2500, 40)]
    public async Task A_decay_test_is_told(string verdict, double waterPa, double perMin)
    {
        var (status, told) = await Ask("/api/charge/decay", new
        {
            samples = Course(t => 40 + waterPa * (1 - Math.Exp(-t / 7)) + perMin * t), volumeL = 12, systemC = 25,
        });
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(verdict, told.GetProperty("verdict").GetString());
        // Pa a minute into 12 l.
        Assert.Equal(perMin * 12 / 60, told.GetProperty("leakPaLPerS").GetDouble(), 0.1 * (perMin + 0.1));
    }

    [Fact]
    public async Task What_cannot_be_fitted_is_named_at_its_field()
    {
        var (status, told) = await Ask("/api/charge/decay", new
        {
            samples = new object?[] { new { minute = 0, pa = -4 }, null }, volumeL = 0, systemC = 900,
        });
        Assert.Equal(HttpStatusCode.BadRequest, status);
        foreach (var field in new[] { "samples", "volumeL", "systemC" })
            Assert.True(told.GetProperty("errors").TryGetProperty(field, out _), field);
        (status, told) = await Ask("/api/box/pulldown", new
        {
            targetC = 3, samples = new[] { new { minute = 5, boxC = 12.0 }, new { minute = 1, boxC = 13.0 } },
        });
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.Contains("later than", told.GetProperty("errors").GetProperty("samples")[0].GetString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(-4, 120, "willReach")]
    [InlineData(7, 240, "willNotReach")]
    public async Task A_pull_down_is_carried_on_to_its_end(double plateauC, int minutes, string verdict)
    {
        var (status, told) = await Ask("/api/box/pulldown", new
        {
            targetC = 3,
            samples = Enumerable.Range(0, minutes / 2)
                .Select(i => new { minute = 2 * i, boxC = plateauC + (16 - plateauC) * Math.Exp(-2 * i / 45.0) }),
        });
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(verdict, told.GetProperty("verdict").GetString());
        Assert.InRange(told.GetProperty("plateauC").GetDouble(), plateauC - 3, plateauC + 3);
        Assert.InRange(plateauC, told.GetProperty("plateauLowC").GetDouble(), told.GetProperty("plateauHighC").GetDouble());
        var isReached = told.TryGetProperty("toTargetMin", out var time);
        Assert.Equal(verdict == "willReach", isReached);
        if (isReached)
            Assert.InRange(time.GetDouble(), 0.85 * 47.2, 1.15 * 47.2);
    }
}
