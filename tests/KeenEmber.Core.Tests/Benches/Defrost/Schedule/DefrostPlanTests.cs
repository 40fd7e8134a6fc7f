using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Defrost.Schedule;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Defrost.Schedule;

public class DefrostPlanTests
{
    private static readonly PlanBasis Basis = new(IcePerDayKg: 12, PowerKw: 3, WarmUpMin: 8, MinPerKg: 4, LimitKg: 5, RisePerMin: 0.1);

    private static TimeOnly[] Times(string text) =>
        [.. text.Split(' ').Select(t => TimeOnly.Parse(t, System.Globalization.CultureInfo.InvariantCulture))];

    private static DayPart Part(string text) => new(Times(text.Split('-')[0])[0], Times(text.Split('-')[1])[0]);

    [Theory]
    [InlineData(30, true, true, true)]
    [InlineData(30, false, true, false)]
    [InlineData(30, false, false, true)]
    [InlineData(-15, false, true, true)]
    [InlineData(-15, true, true, false)]
    [InlineData(5, true, true, false)]
    public void One_state_that_no_sound_switch_has_is_enough(double tempC, bool isClosed, bool opensWarm, bool contradicts)
    {
        Assert.Equal(contradicts, SwitchTest.Contradicts(new(tempC, isClosed), 13, -4, opensWarm));
        Assert.Equal(contradicts && tempC > 13, SwitchTest.Contradicts(new(tempC, isClosed), 13, null, opensWarm));
    }

    [Theory]
    [InlineData("08:00-09:00", "08:30-10:00", 30)]
    [InlineData("08:00-09:00", "09:00-10:00", 0)]
    [InlineData("23:30-00:30", "00:00-02:00", 30)]
    [InlineData("22:00-06:00", "05:00-23:00", 120)]
    [InlineData("08:00-12:00", "09:00-10:00", 60)]
    public void Parts_of_the_day_overlap_over_midnight_too(string one, string other, double minutes)
    {
        Assert.Equal(minutes, Part(one).Overlap(Part(other)), 6);
        Assert.Equal(minutes, Part(other).Overlap(Part(one)), 6);
    }

    [Fact]
    public void Without_constraints_they_stand_evenly()
    {
        var starts = DefrostPlan.Spread(4, 30, [], [])!;
        Assert.Equal([6, 6, 6, 6], starts.Select((s, i) => (starts[(i + 1) % 4] - s).TotalHours));
    }

    [Fact]
    public void Busy_hours_are_kept_free()
    {
        DayPart[] busy = [Part("05:00-09:00"), Part("16:00-19:00")];
        var starts = DefrostPlan.Spread(4, 40, busy, [])!;
        Assert.All(starts, s => Assert.All(busy, b => Assert.Equal(0, b.Overlap(new(s, s.AddMinutes(40))))));
    }

    [Fact]
    public void Neighbours_are_never_met_and_a_full_day_has_no_room()
    {
        Neighbour[] neighbours = [new("F-3", [Part("00:00-02:00"), Part("06:00-08:00"), Part("12:00-14:00"), Part("18:00-20:00")])];
        Assert.Empty(DefrostPlan.Clashes(DefrostPlan.Spread(4, 45, [], neighbours)!, 45, neighbours));
        Assert.Null(DefrostPlan.Spread(1, 45, [], [new("F-3", [Part("00:00-12:00"), Part("12:00-00:00")])]));
        Assert.Equal((Times("06:30")[0], "F-3"), Assert.Single(DefrostPlan.Clashes(Times("06:30 10:00"), 30, neighbours)));
    }

    [Fact]
    public void Any_plan_that_is_found_meets_no_neighbour_and_not_itself()
    {
        var gen = from count in Gen.Choose(1, 8)
                  from length in Gen.Choose(10, 60)
                  from at in Gen.ArrayOf(Gen.Choose(0, 95))
                  select (count, length, at.Take(6).ToArray());
        Prop.ForAll(gen.ToArbitrary(), c =>
        {
            var midnight = TimeOnly.MinValue;
            Neighbour[] others =
                [new("N", [.. c.Item3.Select(q => new DayPart(midnight.AddMinutes(q * 15), midnight.AddMinutes(q * 15 + 30)))])];
            if (DefrostPlan.Spread(c.count, c.length, [], others) is not { } starts)
                return true;
            var own = starts.Select(s => new DayPart(s, s.AddMinutes(c.length))).ToList();
            return starts.Count == c.count && !DefrostPlan.Clashes(starts, c.length, others).Any()
                && own.Select((p, i) => own.Skip(i + 1).All(o => o.Overlap(p) == 0)).All(apart => apart);
        }).QuickCheckThrowOnFailure();
    }

    [Fact]
    public void The_forecast_reckons_with_the_longest_wait()
    {
        // 6 h: 3 kg, 8 + 12 + 2.5 min; 12 h: 6 kg, 34.5 min.
        var even = DefrostPlan.Forecast(Basis, Times("00:00 06:00 12:00 18:00"), 30, endsByTemperature: false);
        Assert.Equal(22.5, even.NeededMin, 6);
        Assert.Equal(4 * 30 * 3 / 60.0, even.EnergyKwh, 6);
        Assert.Equal(4 * 7.5 * 3 / 60, even.RoomKwh, 6);
        Assert.Equal(3, even.BoxRiseK!.Value, 6);
        Assert.False(even.UnderDefrosts);
        var uneven = DefrostPlan.Forecast(Basis, Times("00:00 06:00 18:00"), 30, endsByTemperature: false);
        Assert.Equal(34.5, uneven.NeededMin, 6);
        Assert.True(uneven.UnderDefrosts);
        Assert.True(uneven.LoadsTheCoil(Basis));
        var byTemperature = DefrostPlan.Forecast(Basis, Times("00:00 06:00 12:00 18:00"), 45, endsByTemperature: true);
        Assert.Equal(4 * 22.5 * 3 / 60, byTemperature.EnergyKwh, 6);
        Assert.Equal(0, byTemperature.RoomKwh);
        Assert.True(DefrostPlan.Forecast(Basis, Times("00:00 12:00"), 60, false).OverDefrosts(false));
        Assert.False(DefrostPlan.Forecast(Basis, Times("00:00 12:00"), 60, true).OverDefrosts(true));
    }

    [Fact]
    public void The_basis_comes_from_watched_runs_that_came_clear()
    {
        var runs = Enumerable.Range(1, 12).Select(seed => DefrostAnalysis.Analyse(RandomDefrosts.Make(seed).Run)).ToList();
        var basis = DefrostPlan.BasisOf(runs, 10)!;
        Assert.InRange(basis.WarmUpMin, 0.5, 12);
        Assert.InRange(basis.MinPerKg, 0.4, 12);
        Assert.True(basis.LimitKg > runs.Max(r => r.Ice?.IceKg ?? 0));
        Assert.Null(DefrostPlan.BasisOf([], 10));
    }

    /// <summary>ASHRAE psychrometric tables: 25 °C, 60 %: 0.01194 kg/kg; -20 °C saturated over ice: 0.000637; density of 25 °C, 60 %:
    /// 1.176.</summary>
    [Fact]
    public void Moist_air_is_that_of_the_tables_and_frost_follows_the_door()
    {
        Assert.Equal(0.01194, new MoistAir(25, 0.6).HumidityRatio(101.325), 4);
        Assert.InRange(new MoistAir(-20, 1).HumidityRatio(101.325) / 0.000637, 0.994, 1.006);
        Assert.Equal(1.176, new MoistAir(25, 0.6).Density(101.325), 2);
        var (box, dock) = (new MoistAir(-20, 0.85), new MoistAir(18, 0.7));
        var door = new BoxDoor(1.2, 2.2, 60, 20);
        var open = FrostLoad.KgPerDay(box, dock, door, 0, 101.325);
        Assert.InRange(open, 5, 25);
        // ASHRAE: 0.221 A √(gH) √(1 - 1.204/1.393) Fm^1.5 × 0.8 × 1200 s × 1.393 kg/m³ × (9.0 - 0.5) g/kg, worked by hand.
        var mixing = Math.Pow(2 / (1 + Math.Cbrt(1.3934 / 1.2083)), 1.5);
        Assert.Equal(
            0.221 * 1.2 * 2.2 * Math.Sqrt(9.81 * 2.2) * Math.Sqrt(1 - 1.2083 / 1.3934) * mixing
            * 0.8 * 1200 * 1.3934 * (0.00898 - 0.00053), open, open * 0.02);
        Assert.Equal((0.8, 1.1), (FrostLoad.DoorwayFlowFactor(11), FrostLoad.DoorwayFlowFactor(10.9)));
        Assert.Equal(0.15 * open, FrostLoad.KgPerDay(box, dock, door with { Curtain = 0.85 }, 0, 101.325), 6);
        Assert.Equal(0, FrostLoad.KgPerDay(box, new(-30, 0.5), door, 10, 101.325));
        Assert.Equal(0, FrostLoad.KgPerDay(new(20, 0.4), new(4, 1), door, 0, 101.325));
    }

    [Theory]
    [InlineData(60, 60, ClockVerdict.RunsTrue)]
    [InlineData(60, 45, ClockVerdict.Slow)]
    [InlineData(60, 0, ClockVerdict.Stopped)]
    [InlineData(90, 110, ClockVerdict.Fast)]
    [InlineData(20, 15, ClockVerdict.TooSoon)]
    public void A_clock_is_judged_by_what_its_dial_moved(double waited, double dial, ClockVerdict verdict) =>
        Assert.Equal(verdict, ClockTest.Judge(waited, dial).Verdict);

    [Theory]
    [InlineData("0c 8c 12c 15o", SwitchVerdict.InTolerance)]
    [InlineData("0c 4c 7o", SwitchVerdict.Early)]
    [InlineData("0c 18c 24o", SwitchVerdict.Late)]
    [InlineData("0c 10c 30c", SwitchVerdict.NeverActs)]
    [InlineData("0c 10c", SwitchVerdict.NotBracketed)]
    [InlineData("20o 5c", SwitchVerdict.NotBracketed)]
    public void A_switch_is_judged_by_where_its_contact_changed(string states, SwitchVerdict verdict)
    {
        var seen = states.Split(' ')
            .Select(s => new SwitchState(double.Parse(s[..^1], System.Globalization.CultureInfo.InvariantCulture), s[^1] == 'c')).ToList();
        Assert.Equal(verdict, SwitchTest.Judge(seen, 13, rising: true).Verdict);
    }

    [Fact]
    public void Remedies_stand_in_the_order_of_the_school_and_what_is_broken_first()
    {
        var findings = new[] { DefrostCodes.HeatAfterClear, DefrostCodes.LegOut }.Select(Finding.Of).ToList();
        Assert.Equal(
            [Remedy.RepairHeaters, Remedy.MoveSensor, Remedy.CoilProbe, Remedy.FixInfiltration, Remedy.ShortenAndRepeat],
            DefrostRemedies.For(findings, fewLong: true, Switched).Select(s => s.Remedy));
        Assert.Equal(
            [Remedy.RepairHeaters, Remedy.ShortenAndRepeat, Remedy.FixInfiltration, Remedy.MoveSensor, Remedy.CoilProbe],
            DefrostRemedies.For(findings, fewLong: false, Switched).Select(s => s.Remedy));
        Assert.Empty(DefrostRemedies.For([], true, Switched));
    }

    private static readonly DefrostSetUp Switched =
        new(DefrostKind.Electric, EndedBy: TerminationKind.Switch, EndAt: new(13, Unit.Celsius));

    [Fact]
    public void A_probe_that_lies_is_checked_before_it_is_moved_and_is_not_fitted_again()
    {
        var findings = new[] { DefrostCodes.HeatAfterClear, DefrostCodes.NotTerminated, DefrostCodes.ProbeOff }.Select(Finding.Of).ToList();
        Assert.Equal(
            [Remedy.CheckSensor, Remedy.FixInfiltration, Remedy.ShortenAndRepeat],
            DefrostRemedies.For(findings, fewLong: true, Switched with { EndedBy = TerminationKind.Probe }).Select(s => s.Remedy));
        Assert.Equal(
            [Remedy.MoveSensor, Remedy.FixInfiltration, Remedy.ShortenAndRepeat],
            DefrostRemedies.For(findings[..1], fewLong: true, Switched with { EndedBy = TerminationKind.Probe }).Select(s => s.Remedy));
        Assert.Equal(Remedy.ReplaceSwitches, DefrostRemedies.For(findings[..2], fewLong: true, Switched)[0].Remedy);
    }

    [Theory]
    [InlineData(true, new[] { Remedy.LowerEnd, Remedy.FixInfiltration, Remedy.ShortenAndRepeat })]
    [InlineData(false, new[] { Remedy.FixInfiltration, Remedy.ShortenAndRepeat })]
    public void A_sensor_that_follows_the_coil_is_not_moved_but_its_setting_lowered_where_there_is_one(bool hasEndSetting, Remedy[] wanted)
    {
        var findings = new[] { DefrostCodes.HeatAfterClear, DefrostCodes.SensorFits }.Select(Finding.Of).ToList();
        Assert.Equal(
            wanted, DefrostRemedies.For(
            findings, fewLong: true, hasEndSetting ? Switched : Switched with { EndedBy = TerminationKind.Time }).Select(s => s.Remedy));
    }
}
