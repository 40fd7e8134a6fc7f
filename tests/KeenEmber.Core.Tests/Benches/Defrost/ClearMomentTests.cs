using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>The moment a coil comes clear, in runs read by hand every few minutes, with refrigeration that comes back at once and a mark of
/// the heat's end typed late.</summary>
public sealed class ClearMomentTests(ITestOutputHelper output)
{
    private const int Runs = 250;

    /// <param name="everyMin">Between readings.</param>
    /// <param name="lateMin">So long after the heat its end is marked.</param>
    [Theory]
    [InlineData(0.5, 0)]
    [InlineData(1, 0.5)]
    [InlineData(2, 1)]
    [InlineData(3, 0.5)]
    [InlineData(5, 0)]
    [InlineData(5, 1)]
    public void It_is_found_within_a_minute_and_a_half_or_six_tenths_of_the_step(double everyMin, double lateMin)
    {
        var judged = Enumerable.Range(1000, Runs).Select(seed => RandomDefrosts.Make(seed, new(everyMin * 60, 0.5)))
            .Where(r => r.Truth.HeatAfterClearMin > Math.Max(2, everyMin))
            .Select(r => (r.Truth, Result: DefrostAnalysis.Analyse(PulledDown(r.Run, r.Truth, lateMin)))).ToList();
        var allowed = Math.Max(1.5, 0.6 * everyMin);
        var off = judged.ConvertAll(j => Math.Abs(j.Result.ClearMin - j.Truth.ClearMin!.Value ?? double.PositiveInfinity));
        output.WriteLine($"{judged.Count} runs, not found {off.Count(double.IsInfinity)}, off by more {off.Count(o => o > allowed)}");
        Assert.True(judged.Count > 30);
        Assert.True(off.Count(o => o <= allowed) >= 0.95 * off.Count);
    }

    [Fact]
    public void Between_two_readings_by_hand_it_is_said_to_lie_between_them()
    {
        var said = Enumerable.Range(1000, Runs).Select(seed => RandomDefrosts.Make(seed, new(300, 0.5)))
            .Where(r => r.Truth.HeatAfterClearMin > 5).Select(r => (r.Truth, Result: DefrostAnalysis.Analyse(r.Run))).ToList();
        Assert.True(said.Count > 30);
        Assert.All(said, s => Assert.NotNull(s.Result.ClearBetween));
        var right = said.Count(s => s.Result.ClearBetween is var (still, clear)
            && s.Truth.ClearMin >= still - 0.5 && s.Truth.ClearMin <= clear + 0.5);
        Assert.True(right >= 0.95 * said.Count);
        Assert.All(said, s => Assert.True(s.Result.HeatAfterClearRange is var (least, most) && most - least >= 2.5));
    }

    /// <summary>Refrigeration at once, with a time constant of 36 s, and the mark typed late.</summary>
    private static DefrostRun PulledDown(DefrostRun run, DefrostTruth truth, double lateMin)
    {
        double After(RunTrack track, double minute, double value) => !track.Place.IsOnCoil || minute <= truth.HeatOff ? value
            : -25 + ((track.At(truth.HeatOff) ?? value) + 25) * Math.Exp(-(minute - truth.HeatOff) / 0.6);
        return run with
        {
            Tracks = [.. run.Tracks.Select(t => t with { Values = [.. t.Minutes.Zip(t.Values, (m, v) => After(t, m, v))] })],
            Marks = [.. run.Marks.Select(m =>
                m.Kind is RunMarkKind.HeatOff or RunMarkKind.HeatOffByHand ? m with { Minute = m.Minute + lateMin } : m)],
        };
    }
}
