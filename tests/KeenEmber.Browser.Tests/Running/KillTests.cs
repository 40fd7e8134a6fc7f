using System.Collections.Concurrent;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests.Running;

/// <summary>The process is killed at random moments while entries and photos stream in: whatever was acknowledged is there, and nothing is
/// half there.</summary>
/// <remarks>A few rounds in every run; ./keen-ember kills makes two hundred.</remarks>
public sealed class KillTests : IDisposable
{
    private static readonly int Rounds = int.TryParse(Environment.GetEnvironmentVariable("KEEN_EMBER_KILLS"), out var rounds) ? rounds : 2;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private readonly AppServer app = new();
    private readonly Random random = new(20260302);

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Whatever_was_acknowledged_is_there_after_a_kill()
    {
        var entries = new EntryStream(app);
        var visit = await entries.StartVisit();
        var acknowledged = new List<int>();
        var first = 1;
        for (var round = 0; round < Rounds; round++)
        {
            var sent = new ConcurrentQueue<int>();
            var stream = entries.Stream(visit, await entries.Token(visit + "/record"), first, sent);
            while (sent.IsEmpty)
                await Task.Delay(5, Cancel);
            await Task.Delay(random.Next(0, 400), Cancel);
            app.Kill();
            await stream;
            acknowledged.AddRange(sent);
            first = sent.Max() + 5;
            app.Start();
        }

        Assert.True(acknowledged.Count >= Rounds);
        Assert.Empty(await entries.Missing(visit, acknowledged));
        TestContext.Current.SendDiagnosticMessage($"{Rounds} kills, {acknowledged.Count} entries acknowledged, none lost");
    }
}
