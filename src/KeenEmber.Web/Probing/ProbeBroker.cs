using System.Buffers;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using MQTTnet;

namespace KeenEmber.Web.Probing;

/// <summary>What probes and controllers say, from an MQTT broker. Topics <c>keen-ember/SECRET/probes/PROBE/readings</c> and
/// <c>keen-ember/SECRET/controllers/CONTROLLER/values</c>, with the gateway’s secret in them, so that one broker can serve several; the
/// payload is what the HTTP interface takes. Nothing is published.</summary>
/// <remarks>What reads a broker's topics reads the secrets of its gateways: a broker that others use wants rights by topic.</remarks>
public sealed class ProbeBroker(
    ProbeIntake intake, ControllerIntake controllers, IOptions<JsonOptions> json, IConfiguration asked, ILogger<ProbeBroker> logger)
    : BackgroundService
{
    private const string OfProbes = "probes", OfControllers = "controllers";

    private static readonly string[] Topics = [$"keen-ember/+/{OfProbes}/+/readings", $"keen-ember/+/{OfControllers}/+/values"];

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
                    foreach (var topic in Topics)
                        await client.SubscribeAsync(topic, cancellationToken: stoppingToken);
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
        if (topic.Split('/') is not [_, var secret, var kind, var sender, _] || payload.Length > MostBytes)
            return;
        if (intake.GatewayOf(secret) is not { } gateway)
        {
            logger.LogWarning("A gateway that is not known sent something of {Sender}.", sender);
            return;
        }

        var errors = kind == OfControllers
            ? Read<ControllerDocument>(payload) is { } said ? controllers.Take(sender, gateway, said).Errors : null
            : Read<ProbeDocument>(payload) is { } measured ? intake.Take(sender, gateway, measured).Errors : null;
        if (errors is { Count: > 0 })
            logger.LogWarning("What {Sender} sent was refused: {Fields}", sender, string.Join(", ", errors.Keys));
    }

    private T? Read<T>(ReadOnlySequence<byte> payload) => JsonSerializer.Deserialize<T>(payload.ToArray(), json.Value.SerializerOptions);
}
