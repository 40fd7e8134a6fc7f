using System.Net;
using System.Net.Sockets;
using System.Text.Json;
using KeenEmber.Core.Simulation;
using KeenEmber.Storage.Gear;
using KeenEmber.Web.Probing;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using MQTTnet;
using MQTTnet.Server;

namespace KeenEmber.Web.Demo;

/// <summary>The demo's live unit: a cold room that exists only in arithmetic, whose probes and controller speak through a broker of the
/// program's own, on this machine alone.</summary>
public sealed class DemoWire(
    ProbeStore probes, ControllerStore controllers, IOptions<JsonOptions> json, IConfiguration asked, TimeProvider clock)
    : BackgroundService
{
    private const string Case = "creamery-bubbles", GatewayName = "demo: cold room on the wire";

    private static readonly TimeSpan Every = TimeSpan.FromSeconds(2);

    /// <summary>Nobody has kept a list of what the keys mean yet: this one is for that unit.</summary>
    private const string Keys = """
        controller,key,kind,what,unit
        *,ai1,sensor,box,°C
        *,ai2,sensor,coil,°C
        *,do1,output,compressor,
        *,do2,output,fans,
        *,do3,output,defrost,
        *,p01,parameter,set point,°C
        *,p02,parameter,differential,K
        *,p03,parameter,defrost interval,h
        *,p04,parameter,defrost length,min
        *,p05,parameter,defrost end,°C
        *,p06,parameter,drip,min
        *,p07,parameter,fan delay,°C
        *,al1,alarm,high temperature,
        """;

    /// <summary>A broker's address that is free on this machine.</summary>
    public static string FreeAddress()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return $"127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}";
    }

    private readonly IPEndPoint address = IPEndPoint.Parse(asked["mqtt"]!);

    private MqttServer? server;

    /// <summary>The broker is there before anybody looks for it.</summary>
    public override async Task StartAsync(CancellationToken cancellationToken)
    {
        server = new MqttServerFactory().CreateMqttServer(new MqttServerOptionsBuilder().WithDefaultEndpoint()
            .WithDefaultEndpointBoundIPAddress(address.Address).WithDefaultEndpointBoundIPV6Address(IPAddress.None)
            .WithDefaultEndpointPort(address.Port).Build());
        await server.StartAsync();
        await base.StartAsync(cancellationToken);
    }

    /// <inheritdoc/>
    public override void Dispose()
    {
        server?.Dispose();
        base.Dispose();
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        using var client = new MqttClientFactory().CreateMqttClient();
        await client.ConnectAsync(new MqttClientOptionsBuilder().WithTcpServer($"{address.Address}", address.Port).Build(), stoppingToken);
        var secret = Secret();
        Task Publish<T>(string topic, T document) => client.PublishAsync(new MqttApplicationMessageBuilder()
            .WithTopic($"keen-ember/{secret}/{topic}")
            .WithPayload(JsonSerializer.SerializeToUtf8Bytes(document, json.Value.SerializerOptions)).Build(), stoppingToken);

        var unit = new UnitOnWire(BenchCases.Find(Case)!);
        using var ticks = new PeriodicTimer(Every);
        while (await ticks.WaitForNextTickAsync(stoppingToken))
        {
            unit.Advance((int)Every.TotalSeconds);
            var now = clock.GetUtcNow();
            foreach (var (probe, document) in unit.Probes(now))
                await Publish($"probes/{probe}/readings", document);
            if (unit.Controller(now) is { } said)
                await Publish($"controllers/{Case}/values", said);
        }
    }

    /// <summary>A secret is shown once: each start has a gateway of its own, and the last one's may send no more.</summary>
    private string Secret()
    {
        foreach (var before in probes.Gateways().Where(g => g.Name == GatewayName))
            probes.Revoke(before.Id);
        if (controllers.Map().Length == 0)
            controllers.KeepMap(Keys, DemoHall.Isolde, clock.GetUtcNow());
        return probes.Add(new(Guid.CreateVersion7(), GatewayName, DemoHall.Isolde, clock.GetUtcNow()))!;
    }
}
