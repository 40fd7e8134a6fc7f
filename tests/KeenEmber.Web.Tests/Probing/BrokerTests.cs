using System.Diagnostics;
using System.Text.Json;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.Probing;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Options;
using MQTTnet;
using MQTTnet.Exceptions;
using MQTTnet.Server;

namespace KeenEmber.Web.Tests.Probing;

/// <summary>Probes through a broker: the same document, taken once, from a gateway that may send.</summary>
public sealed class BrokerTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly int port = Free();

    public void Dispose() => app.Dispose();

    private static int Free()
    {
        using var listener = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        return ((System.Net.IPEndPoint)listener.LocalEndpoint).Port;
    }

    /// <summary>Debian's broker, as its own process.</summary>
    private Process Mosquitto() =>
        Process.Start(new ProcessStartInfo("/usr/sbin/mosquitto", ["-p", $"{port}"]) { RedirectStandardError = true })!;

    private static async Task Until(Func<Task<bool>> isSo)
    {
        for (var until = DateTime.UtcNow.AddSeconds(20); !await isSo(); await Task.Delay(50))
            Assert.True(DateTime.UtcNow < until, "It did not come.");
    }

    [Fact]
    public async Task A_broker_of_our_own_brings_what_a_gateway_publishes()
    {
        using var server = new MqttServerFactory().CreateMqttServer(
            new MqttServerOptionsBuilder().WithDefaultEndpoint().WithDefaultEndpointPort(port).Build());
        await server.StartAsync();
        await WhatIsPublishedIsHeard();
        await server.StopAsync();
    }

    [Fact]
    public async Task So_does_Debians()
    {
        using var broker = Mosquitto();
        try
        {
            await WhatIsPublishedIsHeard();
        }
        finally
        {
            broker.Kill();
            await broker.WaitForExitAsync(TestContext.Current.CancellationToken);
        }
    }

    private async Task WhatIsPublishedIsHeard()
    {
        var cancel = TestContext.Current.CancellationToken;
        var asked = new ConfigurationBuilder().AddInMemoryCollection([new("mqtt", $"127.0.0.1:{port}")]).Build();
        var secret = app.Get<ProbeStore>().Add(new(Guid.CreateVersion7(), "broker", "Isolde Marrin", app.Clock.Now))!;
        using var client = new MqttClientFactory().CreateMqttClient();
        var address = new MqttClientOptionsBuilder().WithTcpServer("127.0.0.1", port).Build();
        await Until(async () =>
        {
            try
            {
                return (await client.ConnectAsync(address, cancel)).ResultCode == MqttClientConnectResultCode.Success;
            }
            catch (MqttCommunicationException)
            {
                return false;
            }
        });
        using var listening = new ProbeBroker(
            app.Get<ProbeIntake>(), app.Get<ControllerIntake>(), app.Get<IOptions<JsonOptions>>(), asked, NullLogger<ProbeBroker>.Instance);
        await listening.StartAsync(cancel);
        Task Publish(string probe, string with, double value) => client.PublishAsync(new MqttApplicationMessageBuilder()
            .WithTopic($"keen-ember/{with}/probes/{probe}/readings").WithPayload(JsonSerializer.SerializeToUtf8Bytes(new
            {
                name = probe, readings = new[] { new { number = 7, at = app.Clock.Now, value, unit = "bar" } },
            })).Build(), cancel);

        // What is published before the listener has subscribed is not heard: again until it is. Of a stranger and of nonsense nothing is.
        await Until(async () =>
        {
            await Publish("strange", "no-secret", 2);
            await Publish("broken", secret, 1e9);
            await Publish("low-side", secret, 1.9);
            return app.Get<ProbeStore>().Heard(app.Clock.Now.AddMinutes(-1), []).Count > 0;
        });
        var heard = Assert.Single(app.Get<ProbeStore>().Heard(app.Clock.Now.AddMinutes(-1), []));
        Assert.Equal(("low-side", 1.9), (heard.Probe.Id, Assert.Single(heard.Samples).Value.Number));

        // A controller's values come the same way.
        var said = JsonSerializer.SerializeToUtf8Bytes(new { values = new[] { new { key = "p01", at = app.Clock.Now, value = -21 } } });
        await client.PublishAsync(new MqttApplicationMessageBuilder().WithTopic($"keen-ember/{secret}/controllers/plant-2/values")
            .WithPayload(said).Build(), cancel);
        await Until(() => Task.FromResult(app.Get<ControllerStore>().Heard(app.Clock.Now.AddMinutes(-1)).Count > 0));
        Assert.Equal(-21, Assert.Single(app.Get<ControllerStore>().Heard(app.Clock.Now.AddMinutes(-1))[0].Values).Value);
        await listening.StopAsync(cancel);
    }
}
