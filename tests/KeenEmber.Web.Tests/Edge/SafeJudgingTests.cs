using System.Diagnostics;
using KeenEmber.Application;
using Microsoft.Extensions.Logging.Abstractions;

namespace KeenEmber.Web.Tests.Edge;

/// <summary>A bench that fails or runs on costs its own verdict and nothing else.</summary>
public sealed class SafeJudgingTests
{
    private readonly SafeJudging judging = new(NullLogger.Instance, Guid.NewGuid(), CancellationToken.None);

    [Fact]
    public void One_that_throws_is_named_and_the_others_judge()
    {
        Assert.Equal(7, judging.Of("sensors", () => throw new InvalidOperationException(), 7));
        Assert.Equal(3, judging.Of("glycol", () => 3, 0));
        Assert.Equal(["sensors"], judging.NotJudged);
    }

    [Fact]
    public void One_that_runs_over_its_time_is_given_up_and_not_asked_again()
    {
        var watch = Stopwatch.StartNew();
        using var end = new ManualResetEventSlim();
        Assert.Equal(0, judging.Of("defrost", () => end.Wait(TimeSpan.FromMinutes(1)) ? 1 : 2, 0));
        Assert.Equal(0, judging.Of("defrost", () => 1, 0));
        end.Set();
        Assert.InRange(watch.Elapsed, SafeJudging.Budget * 0.9, SafeJudging.Budget + TimeSpan.FromSeconds(5));
        Assert.Equal(["defrost"], judging.NotJudged);
    }

    [Fact]
    public void A_bench_that_needs_another_that_fails_keeps_its_own_verdict()
    {
        Assert.Equal(1, judging.Of("cycle", () => 1 + judging.Of("sensors", () => throw new InvalidOperationException(), 0), -1));
        Assert.Equal(["sensors"], judging.NotJudged);
    }

    [Fact]
    public void Nothing_is_judged_for_a_client_that_has_left()
    {
        var left = new SafeJudging(NullLogger.Instance, Guid.NewGuid(), new CancellationToken(canceled: true));
        Assert.Throws<OperationCanceledException>(() => left.Of("circuit", () => 1, 0));
        Assert.Empty(left.NotJudged);
    }
}
