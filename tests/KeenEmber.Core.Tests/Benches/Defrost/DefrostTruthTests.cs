using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>The bench against three hundred simulated defrosts of known truth, with half a kelvin of noise and a tenth of the samples
/// missing.</summary>
public sealed class DefrostTruthTests(ITestOutputHelper output)
{
    private const int Runs = 300;

    private static readonly Lazy<IReadOnlyList<(DefrostTruth Truth, int? Dead, DefrostResult Result)>> Judged = new(() =>
        [.. Enumerable.Range(1, Runs).Select(seed => RandomDefrosts.Make(seed))
            .Select(r => (r.Truth, r.DeadElement, DefrostAnalysis.Analyse(r.Run)))]);

    [Fact]
    public void The_clear_moment_is_found_within_a_minute_and_a_half()
    {
        var cleared = Judged.Value.Where(j => j.Truth.ClearMin is not null && j.Truth.HeatAfterClearMin > 2).ToList();
        var off = cleared.Select(j => j.Result.ClearMin is { } found ? Math.Abs(found - j.Truth.ClearMin!.Value) : double.PositiveInfinity)
            .Order().ToList();
        output.WriteLine(
            $"clear: {cleared.Count} runs, median {off[off.Count / 2]:F2}, p95 {off[(int)(off.Count * 0.95)]:F2}, worst {off[^1]:F2}");
        Assert.True(cleared.Count > 100);
        Assert.All(off, o => Assert.True(o <= 1.5));
    }

    [Fact]
    public void The_over_run_is_found_within_two_minutes()
    {
        var cleared = Judged.Value.Where(j => j.Truth.HeatAfterClearMin > 2).ToList();
        var off =
            cleared.Select(j => j.Result.HeatAfterClearMin is { } found ? Math.Abs(found - j.Truth.HeatAfterClearMin!.Value)
                : double.PositiveInfinity)
            .Order().ToList();
        output.WriteLine($"over-run: {cleared.Count} runs, median {off[off.Count / 2]:F2}, worst {off[^1]:F2}");
        Assert.All(off, o => Assert.True(o <= 2));
    }

    [Fact]
    public void What_ended_the_heat_is_right_in_every_run()
    {
        var wrong = Judged.Value.Select((j, i) => (j.Truth.End, Found: j.Result.End, Seed: i + 1)).Where(j => j.End != j.Found).ToList();
        output.WriteLine(string.Join(", ", Judged.Value.CountBy(j => j.Truth.End)) + "; wrong: " + string.Join(", ", wrong));
        Assert.Empty(wrong);
        Assert.Equal(3, Judged.Value.Select(j => j.Truth.End).Distinct().Count());
    }

    [Fact]
    public void Ice_left_behind_is_not_called_clear()
    {
        var left = Judged.Value.Where(j => j.Truth.LeftKg > 0.15).ToList();
        output.WriteLine($"ice left: {left.Count} runs, called clear {left.Count(j => !j.Result.IceIsLeft)}");
        Assert.True(left.Count > 10);
        Assert.All(left, j => Assert.True(j.Result.IceIsLeft));
    }

    [Fact]
    public void The_melted_ice_is_weighed_within_a_quarter()
    {
        var weighed = Judged.Value.Where(j => j.Truth.ClearMin is not null && j.Truth.HeatAfterClearMin > 2).ToList();
        var off = weighed.Where(j => j.Result.Ice is not null).Select(j => Math.Abs(j.Result.Ice!.IceKg / j.Truth.MeltedKg - 1)).Order()
            .ToList();
        Assert.True(off.Count > 0.95 * weighed.Count);
        output.WriteLine(
            $"ice: {off.Count} of {weighed.Count} runs, median {off[off.Count / 2]:P0}, p95 {off[(int)(off.Count * 0.95)]:P0}, worst "
            + $"{off[^1]:P0}");
        Assert.All(off, o => Assert.True(o <= 0.25));
    }

    [Theory]
    [InlineData(3)]
    [InlineData(6)]
    public void Where_far_more_heat_is_lost_than_usual_the_uncertainty_said_covers_it(int losses)
    {
        var runs = Enumerable.Range(1, 300).Select(seed => RandomDefrosts.Make(10_000 + seed, null, losses))
            .Select(r => (Result: DefrostAnalysis.Analyse(r.Run), r.Truth))
            .Where(r => r.Truth.ClearMin is not null && r.Result.Ice is not null)
            .Select(r => (Off: Math.Abs(r.Result.Ice!.IceKg - r.Truth.MeltedKg) / r.Result.Ice.UncertaintyKg, r.Result.Ice.LossIsMeasured))
            .ToList();
        var covered = runs.Count(r => r.Off <= 2) / (double)runs.Count;
        output.WriteLine($"losses × {losses}: {runs.Count} runs, {covered:P0} within twice the uncertainty said, "
            + $"{runs.Count(r => r.Off <= 1) / (double)runs.Count:P0} within it, {runs.Count(r => r.LossIsMeasured)} measured");
        Assert.True(runs.Count > 60);
        Assert.InRange(covered, 0.9, 1);
    }

    [Fact]
    public void A_dead_element_is_named_and_no_good_one_is()
    {
        var dead = Judged.Value.Where(j => j.Dead is not null).ToList();
        var named = dead.Count(j => j.Result.Heaters!.ElementsOut.SequenceEqual([j.Dead!.Value]));
        output.WriteLine($"dead element named in {named} of {dead.Count}");
        Assert.True(named >= 0.95 * dead.Count && dead.Count > 50);
        Assert.All(Judged.Value.Where(j => j.Dead is null), j => Assert.Empty(j.Result.Heaters!.ElementsOut));
    }
}
