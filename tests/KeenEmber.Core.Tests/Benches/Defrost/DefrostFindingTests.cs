using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>One worked run for each rule, and for what must not be found.</summary>
public class DefrostFindingTests
{
    private static readonly DefrostSetUp Switched =
        new(DefrostKind.Electric, EndedBy: TerminationKind.Switch, EndAt: new(13, Unit.Celsius), FailSafeMin: 40, DripMin: 3,
        FanDelayAt: new(-4, Unit.Celsius), Heaters: [new(2300, 230), new(2300, 230)]);

    /// <summary>A coil at -25 °C, heated from minute 0: up to 0 °C in ten minutes, on the plateau until it is clear, then 2 K a
    /// minute.</summary>
    private static RunTrack Bend(RunPlaceKind place, double clear, double off, double perMinute = 2)
    {
        double At(double m) =>
            m < 10 ? -25 + 2.5 * m : m < clear ? 0.2 : m <= off ? 0.2 + perMinute * (m - clear)
            : 0.2 + perMinute * (off - clear) - 4 * (m - off);
        var minutes = Enumerable.Range(0, (int)off + 20).Select(m => (double)m).ToArray();
        return new(new(place), minutes, [.. minutes.Select(At)]);
    }

    private static DefrostRun Run(double off, IReadOnlyList<RunTrack> tracks, params (RunMarkKind Kind, double Minute)[] marks) =>
        new(RandomDefrosts.Start, Switched, tracks,
            [new(RunMarkKind.HeatOn, 0), .. marks.Any(m => m.Kind == RunMarkKind.HeatOffByHand) ? []
            : new RunMark[] { new(RunMarkKind.HeatOff, off) }, .. marks.Select(m => new RunMark(m.Kind, m.Minute))]);

    private static string[] Codes(DefrostRun run) => [.. DefrostAnalysis.Analyse(run).Findings.Select(f => f.Code)];

    [Fact]
    public void A_slow_switch_on_a_warm_coil_is_over_run_and_lag()
    {
        var run =
            Run(38, [Bend(RunPlaceKind.ColdestBend, 18, 38), Bend(RunPlaceKind.WarmestBend, 14, 38), Bend(RunPlaceKind.AtSensor, 31, 38)]);
        var result = DefrostAnalysis.Analyse(run);
        Assert.Equal(EndedBy.Temperature, result.End);
        Assert.Equal(18, result.ClearMin!.Value, 0.6);
        Assert.Equal(DefrostCodes.HeatAfterClear, result.Findings[0].Code);
        Assert.Contains(DefrostCodes.SensorLags, Codes(run));
        Assert.Equal(13, result.Sensor!.BehindMin!.Value, 1);
    }

    [Fact]
    public void A_defrost_that_ends_a_little_after_clear_is_well_ended()
    {
        var codes = Codes(Run(26, [Bend(RunPlaceKind.ColdestBend, 22.5, 26), Bend(RunPlaceKind.AtSensor, 20, 26)]));
        Assert.Contains(DefrostCodes.WellEnded, codes);
        Assert.Contains(DefrostCodes.SensorFits, codes);
        Assert.DoesNotContain(DefrostCodes.HeatAfterClear, codes);
    }

    [Fact]
    public void A_spot_that_runs_ahead_ends_it_with_ice_left()
    {
        var run = Run(20, [Bend(RunPlaceKind.ColdestBend, 60, 20), Bend(RunPlaceKind.AtSensor, 12, 20)], (RunMarkKind.IceLeft, 22));
        var result = DefrostAnalysis.Analyse(run);
        Assert.True(result.IceIsLeft);
        Assert.Null(result.HeatAfterClearMin);
        Assert.Equal([DefrostCodes.EndedEarly, DefrostCodes.SensorLeads], Codes(run)[..2]);
    }

    [Fact]
    public void The_clock_ending_it_is_named_with_what_the_spot_had()
    {
        var warm = Run(40, [Bend(RunPlaceKind.ColdestBend, 20, 40), Bend(RunPlaceKind.AtSensor, 22, 40)]);
        Assert.Equal(EndedBy.TimeLimit, DefrostAnalysis.Analyse(warm).End);
        Assert.Contains(DefrostCodes.NotTerminated, Codes(warm));
        var cold = Run(40, [Bend(RunPlaceKind.ColdestBend, 60, 40), Bend(RunPlaceKind.AtSensor, 60, 40)]);
        Assert.Contains(DefrostCodes.LimitBeforeClear, Codes(cold));
        Assert.DoesNotContain(DefrostCodes.NotTerminated, Codes(cold));
    }

    [Fact]
    public void Ended_by_hand_is_said_so_and_an_end_nobody_explains_is_unknown()
    {
        var tracks = new[] { Bend(RunPlaceKind.ColdestBend, 22, 25), Bend(RunPlaceKind.AtSensor, 24, 25) };
        Assert.Equal(EndedBy.Hand, DefrostAnalysis.Analyse(Run(25, tracks, (RunMarkKind.HeatOffByHand, 25))).End);
        var unknown = DefrostAnalysis.Analyse(Run(25, tracks));
        Assert.Equal(EndedBy.Unknown, unknown.End);
        Assert.Contains("switch-voltage", unknown.Findings.Single(f => f.Code == DefrostCodes.EndUnknown).WouldConfirm);
    }

    [Fact]
    public void Fans_are_judged_by_when_they_came_and_how_cold_the_coil_was()
    {
        var tracks = new[] { Bend(RunPlaceKind.ColdestBend, 20, 24) };
        Assert.Contains(DefrostCodes.FansInHeat, Codes(Run(24, tracks, (RunMarkKind.FansOn, 0))));
        Assert.Contains(DefrostCodes.FansEarly, Codes(Run(24, tracks, (RunMarkKind.FansOff, 0), (RunMarkKind.FansOn, 24.5))));
        var good = Codes(Run(24, tracks, (RunMarkKind.FansOff, 0), (RunMarkKind.FansOn, 28)));
        Assert.DoesNotContain(good, c => c.StartsWith("defrost.fans", StringComparison.Ordinal));
        Assert.Contains(DefrostCodes.FansLate, Codes(Run(24, tracks, (RunMarkKind.FansOff, 0), (RunMarkKind.FansOn, 40))));
        Assert.Contains(DefrostCodes.FansNever, Codes(Run(24, tracks, (RunMarkKind.FansOff, 0))));
        Assert.Contains(
            DefrostCodes.FansCycling,
            Codes(Run(
            24, tracks, (RunMarkKind.FansOn, 28), (RunMarkKind.FansOff, 30), (RunMarkKind.FansOn, 32), (RunMarkKind.FansOff, 34),
            (RunMarkKind.FansOn, 36))));
    }

    [Fact]
    public void Drip_vapour_box_product_and_restart_are_each_their_own_finding()
    {
        double[] minutes = [-5, 0, 10, 20, 24, 30, 40, 60, 80];
        var tracks = new[]
        {
            Bend(RunPlaceKind.ColdestBend, 12, 24),
                new RunTrack(new(RunPlaceKind.Box), minutes, [-20, -20, -16, -12, -10, -12, -14, -16, -17]),
            new RunTrack(new(RunPlaceKind.Product), minutes, [-18, -18, -17, -16, -15, -14, -14.5, -15, -15]),
            new RunTrack(new(RunPlaceKind.SuctionPressure), minutes, [200, 200, 150, 150, 150, 520, 300, 220, 210]),
        };
        var codes = Codes(Run(24, tracks, (RunMarkKind.Refrigeration, 24.5), (RunMarkKind.CeilingFrost, 26)) with { TargetC = -20 });
        Assert.Contains(DefrostCodes.DripShort, codes);
        Assert.Contains(DefrostCodes.Vapour, codes);
        Assert.Contains(DefrostCodes.SlowRecovery, codes);
        Assert.Contains(DefrostCodes.ProductWarm, codes);
        Assert.Contains(DefrostCodes.RestartPressure, codes);
    }

    [Fact]
    public void A_probe_away_from_the_thermometer_beside_it_goes_to_the_sensor_bench()
    {
        var beside = Bend(RunPlaceKind.AtSensor, 20, 24);
        var run =
            Run(24, [Bend(RunPlaceKind.ColdestBend, 20, 24), beside,
            beside with { Place = new(RunPlaceKind.EndSensor), Values = [.. beside.Values.Select(v => v + 5)] }]);
        var finding = DefrostAnalysis.Analyse(run).Findings.Single(f => f.Code == DefrostCodes.ProbeOff);
        Assert.Equal(5, finding.Values["offK"], 3);
        Assert.Contains("three-way-check", finding.WouldConfirm);
    }

    [Fact]
    public void The_spot_is_held_against_both_bends_all_through_the_heat()
    {
        double[] minutes = [.. Enumerable.Range(0, 31).Select(m => (double)m)];
        RunTrack At(RunPlaceKind kind, double startC, double perMin) =>
            new(new(kind), minutes, [.. minutes.Select(m => startC + perMin * m)]);
        var spot =
            DefrostAnalysis.Analyse(
            Run(30, [At(RunPlaceKind.ColdestBend, -20, 1), At(RunPlaceKind.WarmestBend, -20, 1.5),
            At(RunPlaceKind.AtSensor, -22, 1.2)])).Sensor!;
        Assert.Equal((SensorSpot.MostMoments, 0.0, 30.0), (spot.Along.Count, spot.Along[0].Minute, spot.Along[^1].Minute));
        Assert.Equal((-2, -2), (spot.Along[0].OverColdestK, spot.Along[0].OverWarmestK));
        Assert.Equal((4, -11), (Math.Round(spot.Along[^1].OverColdestK, 6), Math.Round(spot.Along[^1].OverWarmestK, 6)));
        Assert.Empty(
            DefrostAnalysis.Analyse(
            Run(30, [At(RunPlaceKind.ColdestBend, -20, 1) with { Minutes = [-9, -5], Values = [-20, -20] },
            At(RunPlaceKind.AtSensor, -22, 1.2)])).Sensor?.Along ?? []);
    }

    [Fact]
    public void Next_to_no_ice_is_a_crossing_and_a_warm_coil_never_froze()
    {
        var dry = new RunTrack(new(RunPlaceKind.ColdestBend), [0, 1, 2, 3, 4, 5, 6, 7, 8], [-20, -14, -8, -4, 4, 9, 14, 19, 24]);
        var crossing = MeltPlateau.Find(dry, 0, 8);
        Assert.Equal(ClearTold.Crossing, crossing.Told);
        Assert.Equal(3.5, crossing.ClearMin!.Value, 0.2);
        Assert.Equal(ClearTold.NeverFrozen, MeltPlateau.Find(dry with { Values = [.. dry.Values.Select(v => v + 40)] }, 0, 8).Told);
        Assert.Equal(ClearTold.NotClear, MeltPlateau.Find(dry with { Minutes = [0, 1], Values = [-20, -10] }, 0, 8).Told);
    }

    [Fact]
    public void Nothing_at_all_is_no_finding_and_no_exception()
    {
        var empty = DefrostAnalysis.Analyse(new(RandomDefrosts.Start, new(DefrostKind.OffCycle), [], []));
        Assert.Empty(empty.Findings);
        Assert.Equal(EndedBy.Unknown, empty.End);
        Assert.Null(empty.HeatAfterClearMin);
    }

    [Fact]
    public void A_day_of_logging_is_parted_into_its_defrosts()
    {
        var minutes = Enumerable.Range(0, 24 * 60).Select(m => (double)m).ToArray();
        bool Heats(double m) => m % 360 is >= 100 and < 125;
        var log =
            new DefrostRun(
            RandomDefrosts.Start, Switched, [new(RunPlace.Leg(1), minutes, [.. minutes.Select(m => Heats(m) ? 10.0 : 0)])], []);
        var parts = DefrostSplit.Of(log);
        Assert.Equal(4, parts.Count);
        Assert.All(parts, p => Assert.Equal(25, DefrostAnalysis.Analyse(p).Phases.HeatMin!.Value, 1.1));
        Assert.Equal(log.Start.AddMinutes(85), parts[0].Start);
    }
}
