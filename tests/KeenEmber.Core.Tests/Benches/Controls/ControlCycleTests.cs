using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Record;

namespace KeenEmber.Core.Tests.Benches.Controls;

public sealed class ControlCycleTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 6, 0, 0, TimeSpan.Zero);
    private static readonly ControlSetting Freezer = new(ControlKind.SetIsCutOut, -20, 2);

    private static ControlEvent On(double minute, double? tempC) => new(Start.AddMinutes(minute), true, tempC);

    private static ControlEvent Off(double minute, double? tempC) => new(Start.AddMinutes(minute), false, tempC);

    /// <summary>20 minutes on, 10 off, three times.</summary>
    private static List<ControlEvent> Cycles(double cutIn, double cutOut, double creepK = 0) =>
        [.. Enumerable.Range(0, 3).SelectMany(i => new[] { On(i * 30, cutIn + i * creepK), Off(i * 30 + 20, cutOut + i * creepK) }),
            On(90, cutIn)];

    [Fact]
    public void Whole_cycles_give_band_starts_and_run_fraction()
    {
        var r = ControlCycle.Judge(Cycles(-18.1, -20.2), Freezer);
        Assert.Equal((CycleVerdict.AsSet, 3), (r.Verdict, r.Cycles));
        Assert.Equal(2.1, r.DifferentialK!.Value, 1e-9);
        Assert.Equal(2, r.StartsPerHour!.Value, 1e-9);
        Assert.Equal(2.0 / 3, r.RunFraction!.Value, 1e-9);
        Assert.Equal((-0.2, -0.1), (Math.Round(r.CutOutOffK!.Value, 6), Math.Round(r.CutInOffK!.Value, 6)));
        Assert.Equal((20, 10), (r.ShortestOnMin, r.ShortestOffMin));
        Assert.False(r.IsShortCycling);
        Assert.False(r.IsDrifting);
    }

    /// <summary>A visit on which the control was seen to act: on for so long of every half hour.</summary>
    private static Timeline Seen(int daysAgo, double onMin) => new([.. Enumerable.Range(0, 3).SelectMany(i => new Entry[]
    {
        Acts(daysAgo, i * 30, true, -18), Acts(daysAgo, i * 30 + onMin, false, -20),
    }), Acts(daysAgo, 90, true, -18)], Entries.Freezer, Pressure.StandardAtmosphere);

    private static ControlEventEntry Acts(int daysAgo, double minute, bool cutsIn, double celsius)
    {
        var at = Start.AddDays(-daysAgo).AddMinutes(minute);
        return new(new(Guid.CreateVersion7(at), Guid.Empty, at, at, "Isolde"), cutsIn, new(celsius, Unit.Celsius));
    }

    [Fact]
    public void A_box_that_runs_longer_from_visit_to_visit_is_a_trend()
    {
        var trends = HoldingTrends.Of([Seen(0, 28), Seen(40, 15), new([], Entries.Freezer, Pressure.StandardAtmosphere)])
            .ToDictionary(t => t.Code);
        Assert.Equal([50, 93.3], trends[HoldingTrends.RunPercent].Marks.Select(m => Math.Round(m.Value, 1)));
        Assert.True(trends[HoldingTrends.RunPercent].Marks[1].Moved);
        Assert.All(trends[HoldingTrends.StartsPerHour].Marks, m => Assert.False(m.Moved));
        Assert.Empty(HoldingTrends.Of([Seen(0, 20)]));
    }

    [Fact]
    public void A_band_that_is_off_is_the_sensors_where_its_error_says_so()
    {
        var cold = Cycles(-21.5, -23.5);
        Assert.Equal(CycleVerdict.Shifted, ControlCycle.Judge(cold, Freezer).Verdict);
        // It reads 3.4 K warm and so runs on until the box is that much colder.
        var explained = ControlCycle.Judge(cold, Freezer, 3.4);
        Assert.Equal(CycleVerdict.SensorExplains, explained.Verdict);
        Assert.Equal(-0.1, explained.UnexplainedK!.Value, 1e-9);
    }

    [Fact]
    public void A_wide_band_is_its_own_fault() =>
        Assert.Equal(CycleVerdict.DifferentialOff, ControlCycle.Judge(Cycles(-15, -20), Freezer).Verdict);

    [Theory]
    [InlineData(ControlKind.SetIsCutOut, -20, -18)]
    [InlineData(ControlKind.SetIsCutIn, -22, -20)]
    [InlineData(ControlKind.SetIsMiddle, -21, -19)]
    [InlineData(ControlKind.ConstantCutIn, -20, 4)]
    public void Each_kind_of_control_has_its_own_ends(ControlKind kind, double cutOut, double cutIn)
    {
        var setting = new ControlSetting(kind, -20, 2, 4);
        Assert.Equal((cutOut, cutIn), (setting.CutOutC, setting.CutInC));
        Assert.Equal(CycleVerdict.AsSet, ControlCycle.Judge(Cycles(cutIn, cutOut), setting).Verdict);
    }

    [Fact]
    public void Short_stops_many_starts_and_creep_are_seen()
    {
        Assert.True(ControlCycle.Judge([On(0, 3), Off(4, 1), On(5, 3), Off(9, 1), On(10, 3)], null).IsShortCycling);
        Assert.True(ControlCycle.Judge(Cycles(-18, -20, 0.6), Freezer).IsDrifting);
    }

    [Fact]
    public void One_end_is_too_few_and_no_setting_is_only_a_measurement()
    {
        Assert.Equal(CycleVerdict.TooFew, ControlCycle.Judge([On(0, 3)], Freezer).Verdict);
        Assert.Equal(CycleVerdict.TooFew, ControlCycle.Judge([On(0, null), Off(9, 1)], Freezer).Verdict);
        Assert.Equal(CycleVerdict.Measured, ControlCycle.Judge(Cycles(-18, -20), null).Verdict);
    }

    [Fact]
    public void A_series_gives_its_events_by_current_or_by_the_turns_of_the_temperature()
    {
        var temps = Enumerable.Range(0, 120).Select(m => (At: Start.AddMinutes(m), TempC: -19 + Math.Abs(m % 40 - 20) / 10.0 - 1)).ToList();
        var amps = temps.ConvertAll(t => (t.At, Amps: (t.At - Start).TotalMinutes % 40 < 20 ? 5.2 : 0.0));
        var byCurrent = ControlCycle.Of(temps, amps);
        Assert.Equal(5, byCurrent.Count);
        Assert.False(byCurrent[0].CutsIn);
        Assert.Equal(-20, byCurrent[0].TempC!.Value, 0.15);
        var byTurn = ControlCycle.Of(temps, []);
        Assert.Equal([false, true, false, true, false], byTurn.Select(e => e.CutsIn));
        Assert.Equal(-20, byTurn[0].TempC!.Value, 0.05);
        Assert.Equal(-18, byTurn[1].TempC!.Value, 0.05);
        Assert.Empty(ControlCycle.Of([.. temps.Select(t => (t.At, -20 + (t.At.Minute % 2) * 0.3))], []));
    }

    [Theory]
    [InlineData(false, true, true, OutputVerdict.StuckClosed)]
    [InlineData(false, true, null, OutputVerdict.StuckClosed)]
    [InlineData(true, false, false, OutputVerdict.NotClosing)]
    [InlineData(true, true, false, OutputVerdict.LoadDead)]
    [InlineData(false, false, true, OutputVerdict.WiredPast)]
    [InlineData(true, false, true, OutputVerdict.WiredPast)]
    [InlineData(true, true, true, OutputVerdict.WorksSoFar)]
    [InlineData(false, false, false, OutputVerdict.WorksSoFar)]
    public void One_look_at_a_relay(bool called, bool? live, bool? runs, OutputVerdict verdict) =>
        Assert.Equal(verdict, OutputCheck.Judge([new(called, live, runs)]).Verdict);

    [Theory]
    [InlineData(false, true)]
    [InlineData(true, false)]
    public void Without_the_voltage_two_faults_are_one(bool called, bool runs)
    {
        var result = OutputCheck.Judge([new(called, null, runs)]);
        Assert.Equal((OutputVerdict.Unsettled, "voltage"), (result.Verdict, Assert.Single(result.WouldSettle)));
    }

    [Fact]
    public void Both_states_seen_are_a_proof_and_a_fault_outweighs_them()
    {
        Assert.Equal(OutputVerdict.Works, OutputCheck.Judge([new(true, true, true), new(false, false, false)]).Verdict);
        Assert.Equal(["not-called"], OutputCheck.Judge([new(true, true, true)]).WouldSettle);
        Assert.Equal(OutputVerdict.StuckClosed, OutputCheck.Judge([new(false, true, true), new(true, true, true)]).Verdict);
    }

    [Fact]
    public void Each_side_follows_its_own_control_or_the_neighbours()
    {
        static BulbVerdict Of(params BulbTurn[] turns) => CrossedBulbs.Judge(turns);
        Assert.Equal(BulbVerdict.Crossed, Of(new("left", "right"), new("right", "left")));
        Assert.Equal(BulbVerdict.OneCrossed, Of(new BulbTurn("left", "right")));
        Assert.Equal(BulbVerdict.Own, Of(new("left", "left"), new("right", "right")));
        Assert.Equal(BulbVerdict.Own, Of(new("left", "right"), new("left", "left")));
        Assert.Equal(BulbVerdict.Dead, Of(new("left", "left"), new("right", "")));
        Assert.Equal(BulbVerdict.TooFew, Of());
    }

    [Fact]
    public void A_dial_is_true_shifted_uneven_or_made_with_a_constant_cut_in()
    {
        static DialVerdict Of(params DialPoint[] points) => DialTest.Judge(points).Verdict;
        Assert.Equal(DialVerdict.True, Of(new(4, 7, 4.5), new(0, 3, 0.5)));
        Assert.Equal(DialVerdict.Shifted, Of(new(-5, 6, 3), new(-10, 1, -2.5)));
        Assert.Equal(DialVerdict.Uneven, Of(new(4, 8, 4), new(-8, 2, -2)));
        Assert.Equal(DialVerdict.ConstantCutIn, Of(new(0, 4, 0.2), new(-6, 4.2, -6.4)));
        Assert.Equal(DialVerdict.TooFew, Of(new DialPoint(0, 4, null)));
    }
}
