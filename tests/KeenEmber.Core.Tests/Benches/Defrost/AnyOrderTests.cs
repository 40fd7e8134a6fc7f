using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>Somebody in a hurry marks and reads in any order, twice, too late and on the day before: it is a sensible run all the
/// same.</summary>
public sealed class AnyOrderTests
{
    private static readonly RunPlace[] Places =
    [
        new(RunPlaceKind.ColdestBend), new(RunPlaceKind.WarmestBend), new(RunPlaceKind.AtSensor), new(RunPlaceKind.EndSensor),
            new(RunPlaceKind.Box), new(RunPlaceKind.Product),
        new(RunPlaceKind.HeaterVoltage), new(RunPlaceKind.SuctionPressure), RunPlace.Leg(1), RunPlace.Leg(2),
    ];

    private static DefrostRun Random(int seed)
    {
        var random = new Random(seed);
        double Minute() =>
            random.Next(4) switch { 0 => random.Next(-90, 90), 1 => random.Next(30), 2 => 1.5, _ => random.NextDouble() * 60 };
        double Value() =>
            random.Next(12) switch { 0 => 1e16, 1 => double.NaN, 2 => double.NegativeInfinity, 3 => 0, _ => random.NextDouble() * 60 - 25 };
        var tracks = Places.Where(_ => random.Next(3) > 0)
            .Select(p => RunTrack.Of(p, Enumerable.Range(0, random.Next(25)).Select(_ => (Minute(), Value())))).ToList();
        var marks = Enumerable.Range(0, random.Next(12))
            .Select(_ => new RunMark(random.GetItems(Enum.GetValues<RunMarkKind>(), 1)[0], Minute())).ToList();
        var kind = random.GetItems(Enum.GetValues<DefrostKind>(), 1)[0];
        var setUp =
            new DefrostSetUp(
            kind, EndedBy: random.GetItems(Enum.GetValues<TerminationKind>(), 1)[0], FailSafeMin: random.Next(2) == 0 ? 30
            : null, EndAt: new(13, Unit.Celsius),
            Heaters: [new(1500, 230), new(1500, 230)]);
        return new(DateTimeOffset.UnixEpoch, setUp, tracks, marks) { TargetC = -20 };
    }

    private static bool IsSound(double? number) => number is not { } n || double.IsFinite(n);

    [Fact]
    public void Any_order_of_marks_and_readings_is_judged()
    {
        for (var seed = 1; seed <= 3000; seed++)
        {
            var run = Random(seed);
            var result = DefrostAnalysis.Analyse(run);
            var phases = result.Phases;
            Assert.True(phases is not { HeatOn: { } on, HeatOff: { } off } || off > on, $"seed {seed}: {phases}");
            Assert.True(
                IsSound(result.ClearMin) && IsSound(result.HeatAfterClearMin) && IsSound(result.HeatAfterClearShare)
                    && IsSound(result.Ice?.IceKg)
                && IsSound(result.Heaters?.PowerKw), $"seed {seed}: {result}");
            Assert.All(
                result.Findings, f => Assert.All(f.Values, v => Assert.True(double.IsFinite(v.Value), $"seed {seed}: {f.Code} {v.Key}")));
            _ = DefrostRemedies.For(result.Findings, fewLong: true, run.SetUp);
            _ = DefrostSplit.Of(run).Select(DefrostAnalysis.Analyse).ToList();
        }
    }

    [Theory]
    [InlineData(RunMarkKind.HeatOff)]
    [InlineData(RunMarkKind.HeatOffByHand)]
    public void An_end_marked_before_the_heat_came_on_ended_nothing(RunMarkKind end)
    {
        var bend = RunTrack.Of(new(RunPlaceKind.ColdestBend), [(3, -12)]);
        var run = new DefrostRun(DateTimeOffset.UnixEpoch, new(DefrostKind.Electric), [bend], [new(end, 1.5), new(RunMarkKind.HeatOn, 4)]);
        var result = DefrostAnalysis.Analyse(run);
        Assert.Equal((4, null), (result.Phases.HeatOn, result.Phases.HeatOff));
        Assert.Equal(EndedBy.Unknown, result.End);
        Assert.Equal(9, DefrostAnalysis.Analyse(run with { Marks = [.. run.Marks, new(end, 9)] }).Phases.HeatOff);
    }

    /// <summary>A tenth of a minute added to ten to the sixteenth changes nothing: the search for the knee went on for ever.</summary>
    [Fact]
    public void Minutes_beyond_any_run_are_left_out_and_end_the_search()
    {
        double[] minutes = [0, 5, 10, 15, 20, 25, 1e16, 2e16, 3e16];
        var track = new RunTrack(new(RunPlaceKind.ColdestBend), minutes, [-20, -5, 0, 0, 0.2, 6, 12, 18, 20]);
        Assert.Equal(25, track.WithinBounds().Minutes[^1]);
        _ = DefrostAnalysis.Analyse(
            new(DateTimeOffset.UnixEpoch, new(DefrostKind.Electric), [track],
            [new(RunMarkKind.HeatOn, 0), new(RunMarkKind.HeatOff, 3e16)]));
    }

    [Fact]
    public void Of_two_readings_at_one_minute_the_later_holds() =>
        Assert.Equal([1, 3], RunTrack.Of(new(RunPlaceKind.Box), [(5, 3), (2, 2), (2, 1)]).Values);
}
