using KeenEmber.Core.Simulation;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.Demo;
using KeenEmber.Web.Probing;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Options;

namespace KeenEmber.Web.Tests.Probing;

/// <summary>Units that exist only in arithmetic, by what their probes send.</summary>
public sealed class UnitOnWireTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);

    private readonly TestApp app = new();

    public void Dispose() => app.Dispose();

    private static Dictionary<string, double> Shown(UnitOnWire unit) =>
        unit.Probes(Now).ToDictionary(p => p.Probe, p => Assert.Single(p.Document.Readings!)!.Value);

    private static UnitOnWire Of(string name) => new(BenchCases.Find(name)!);

    [Fact]
    public void A_cylinder_gets_lighter_as_it_flows_and_stops_at_what_was_to_go_in()
    {
        var unit = Of("bakery-charging");
        var before = Shown(unit)["scale"];
        unit.Advance(60);
        Assert.InRange(before - Shown(unit)["scale"], 0.03, 0.04);
        unit.Advance(600);
        Assert.Equal(0.12, before - Shown(unit)["scale"], 2);
    }

    [Fact]
    public void A_wet_circuit_comes_down_slowly_and_rises_once_the_pump_is_shut_off()
    {
        var (dry, wet) = (Of("creamery-dry"), Of("creamery-wet"));
        dry.Advance(590);
        wet.Advance(590);
        Assert.True(Shown(wet)["vacuum"] > 10 * Shown(dry)["vacuum"]);
        wet.Advance(500);
        Assert.True(Shown(wet)["vacuum"] > 1000);
        Assert.Null(wet.Controller(Now));
        Assert.Single(wet.Probes(Now));
    }

    [Fact]
    public void What_grows_begins_when_somebody_looks()
    {
        var unit = Of("creamery-slowly");
        unit.Advance(3600);
        var early = Shown(unit)["box-air"];
        unit.Advance(47 * 3600);
        Assert.True(Shown(unit)["box-air"] > early + 2);
    }

    [Fact]
    public void A_condenser_in_water_has_its_probe_in_the_water() =>
        Assert.Contains("water-out", Shown(Of("oyster-water")).Keys);

    /// <summary>The demo's own: through its own broker into the app, with a list of what its controller's values mean; a second start
    /// leaves one gateway.</summary>
    [Fact]
    public async Task The_demos_unit_is_heard_through_its_own_broker()
    {
        var cancel = TestContext.Current.CancellationToken;
        for (var start = 0; start < 2; start++)
        {
            var asked = new ConfigurationBuilder().AddInMemoryCollection([new("mqtt", DemoWire.FreeAddress())]).Build();
            using var wire = new DemoWire(app.Get<ProbeStore>(), app.Get<ControllerStore>(), app.Get<IOptions<JsonOptions>>(), asked,
                app.Clock);
            using var broker = new ProbeBroker(app.Get<ProbeIntake>(), app.Get<ControllerIntake>(), app.Get<IOptions<JsonOptions>>(), asked,
                NullLogger<ProbeBroker>.Instance);
            await wire.StartAsync(cancel);
            await broker.StartAsync(cancel);
            for (var until = DateTime.UtcNow.AddSeconds(20); app.Get<ProbeStore>().Heard(app.Clock.Now.AddMinutes(-1), []).Count < 10;)
            {
                Assert.True(DateTime.UtcNow < until, "Its probes were not heard.");
                await Task.Delay(100, cancel);
            }

            await broker.StopAsync(cancel);
            await wire.StopAsync(cancel);
        }

        Assert.Single(app.Get<ProbeStore>().Gateways());
        Assert.Contains("p01", app.Get<ControllerStore>().Map(), StringComparison.Ordinal);
    }
}
