using System.Buffers;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using MQTTnet;

namespace KeenEmber.Web.Probing;

/// <summary>Readings of probes from an MQTT broker. Topic <c>keen-ember/SECRET/probes/PROBE/readings</c>, with the gateway’s secret in it,
/// so that one broker can serve several; the payload is what the HTTP interface takes.</summary>
/// <remarks>What reads a broker's topics reads the secrets of its gateways: a broker that others use wants rights by topic.</remarks>
public sealed class ProbeBroker(ProbeIntake intake, IOptions<JsonOptions> json, IConfiguration asked, ILogger<ProbeBroker> logger)
    : BackgroundService
{
    private const string Topics = "keen-ember/+/probes/+/readings";

    private const int UsualPort = 1883, MostBytes = 1_000_000;

    /// <summary>After the broker went away it is looked for this often.</summary>
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(5);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (asked["mqtt"] is not { Length: > 0 } broker)
            return;
        await Task.Yield();
        var (host, port) = broker.Split(':') is [var named, var digits] && int.TryParse(digits, out var given) ? (named, given)
            : (broker, UsualPort);
        using var client = new MqttClientFactory().CreateMqttClient();
        client.ApplicationMessageReceivedAsync += Received;
        var options = new MqttClientOptionsBuilder().WithTcpServer(host, port).WithClientId($"keen-ember-{Environment.ProcessId}")
            .WithCleanSession().Build();
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                if (!client.IsConnected)
                {
                    await client.ConnectAsync(options, stoppingToken);
                    await client.SubscribeAsync(Topics, cancellationToken: stoppingToken);
                    logger.LogInformation("Listening to the broker at {Host}:{Port}.", host, port);
                }
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                logger.LogWarning("The broker at {Host}:{Port} cannot be reached: {Why}", host, port, e.Message);
            }

            await Task.Delay(Again, stoppingToken);
        }
    }

    private Task Received(MqttApplicationMessageReceivedEventArgs message)
    {
        try
        {
            Take(message.ApplicationMessage.Topic, message.ApplicationMessage.Payload);
        }
        catch (Exception e)
        {
            // One message that cannot be taken does not stop the others.
            logger.LogWarning(e, "A message of a probe could not be taken.");
        }

        return Task.CompletedTask;
    }

    private void Take(string topic, ReadOnlySequence<byte> payload)
    {
        if (topic.Split('/') is not [_, var secret, _, var probe, _] || payload.Length > MostBytes)
            return;
        if (intake.GatewayOf(secret) is not { } gateway)
        {
            logger.LogWarning("A gateway that is not known sent readings of {Probe}.", probe);
            return;
        }

        if (JsonSerializer.Deserialize<ProbeDocument>(payload.ToArray(), json.Value.SerializerOptions) is { } document
            && intake.Take(probe, gateway, document) is { Errors.Count: > 0 } refused)
            logger.LogWarning("Readings of {Probe} were refused: {Fields}", probe, string.Join(", ", refused.Errors.Keys));
    }
}
