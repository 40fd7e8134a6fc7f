using System.Globalization;

namespace KeenEmber.Web.Tests.Fuzz;

/// <summary>Whatever is accepted, every later page answers, in bounded time. A short attack in every run; ./keen-ember fuzz --minutes N
/// makes a long one.</summary>
public sealed class FuzzTests(ITestOutputHelper output)
{
    private const int StepsOfARecord = 8, InARow = 120;

    /// <summary>In a run of all tests: each step opens every page again.</summary>
    private const int StepsOfAShortAttack = 15;

    private static readonly double? Minutes =
        double.TryParse(Environment.GetEnvironmentVariable("KEEN_EMBER_FUZZ_MINUTES"), CultureInfo.InvariantCulture, out var minutes)
        ? minutes : null;

    [Fact]
    public async Task What_is_accepted_breaks_no_page()
    {
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        if (Minutes is { } minutes)
            stop.CancelAfter(TimeSpan.FromMinutes(minutes));
        var seeds = Minutes is null ? [1, 2] : Enumerable.Range(Environment.TickCount & 0xFFFFF, 1_000_000);
        var all = new Tally();
        await Parallel.ForEachAsync(
            seeds.TakeWhile(_ => !stop.IsCancellationRequested), new ParallelOptions { MaxDegreeOfParallelism = 2 }, async (seed, _) =>
        {
            using var attack = new Attack(seed);
            await (Minutes is null ? attack.Run(StepsOfAShortAttack, 0, stop.Token) : attack.Run(StepsOfARecord, InARow, stop.Token));
            lock (all)
                all.Add(attack.Tally);
        });
        output.WriteLine(all.ToString());
        Assert.True(all.Failures.Count == 0, $"{all}\n{string.Join('\n', all.Failures.Take(40))}");
    }

    [Fact]
    public void Every_form_handler_is_found() =>
        Assert.Contains(Handlers.All, h => h is { Area: "Visits", Page: "Defrost", Handler: "Mark" });
}
