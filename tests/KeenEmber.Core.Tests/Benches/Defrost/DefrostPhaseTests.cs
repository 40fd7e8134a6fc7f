using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>When the heat was on where nobody marked it, and ends that are not by temperature.</summary>
public class DefrostPhaseTests
{
    private static readonly double[] Minutes = [.. Enumerable.Range(0, 61).Select(m => (double)m)];

    private static RunTrack Track(RunPlaceKind place, Func<double, double> at) => new(new(place), Minutes, [.. Minutes.Select(at)]);

    private static RunTrack Leg(int number, Func<double, double> at, Func<double, bool>? there = null)
    {
        var kept = Minutes.Where(m => there?.Invoke(m) != false).ToArray();
        return new(RunPlace.Leg(number), kept, [.. kept.Select(at)]);
    }

    private static DefrostRun Run(DefrostSetUp setUp, IReadOnlyList<RunTrack> tracks, params RunMark[] marks) =>
        new(RandomDefrosts.Start, setUp, tracks, marks);

    [Fact]
    public void Currents_tell_the_heat_and_one_legs_gap_is_anothers_witness()
    {
        bool Heats(double m) => m is >= 10 and <= 35;
        var legs = new[] { Leg(1, m => Heats(m) ? 8 : 0, m => m is not (9 or 36)), Leg(2, m => Heats(m) ? 7 : 0) };
        var phases = DefrostPhases.Of(Run(new(DefrostKind.Electric), legs));
        Assert.Equal((9.5, 35.5), (phases.HeatOn!.Value, phases.HeatOff!.Value));
        Assert.True(phases.IsInferred);
        Assert.Null(DefrostPhases.Of(Run(new(DefrostKind.Electric), [Leg(1, m => m >= 10 ? 8 : 0)])).HeatOff);
        Assert.Null(DefrostPhases.Of(Run(new(DefrostKind.Electric), [Leg(1, _ => 0.01)])).HeatOn);
    }

    [Fact]
    public void Without_currents_the_coil_tells_from_its_first_warming_to_its_warmest()
    {
        var coil = Track(RunPlaceKind.ColdestBend, m => m < 12 ? -20 : m < 40 ? -20 + 1.2 * (m - 12) : 13.6 - 2 * (m - 40));
        var phases = DefrostPhases.Of(Run(new(DefrostKind.HotGas), [coil]));
        Assert.InRange(phases.HeatOn!.Value, 11, 14);
        Assert.Equal(40, phases.HeatOff!.Value, 1);
        Assert.Null(DefrostPhases.Of(Run(new(DefrostKind.HotGas), [])).HeatOn);
    }

    [Fact]
    public void Marks_come_before_what_the_curves_say()
    {
        var phases = DefrostPhases.Of(Run(new(DefrostKind.Electric), [Leg(1, m => m is >= 10 and <= 35 ? 8 : 0)],
            new(RunMarkKind.PumpDown, 5), new(RunMarkKind.HeatOn, 9.8), new(RunMarkKind.HeatOff, 35.2), new(RunMarkKind.Refrigeration, 38),
                new(RunMarkKind.FansOn, 41)));
        Assert.Equal((5, 9.8, 35.2, 38, 41), (phases.PumpDown, phases.HeatOn, phases.HeatOff, phases.Refrigeration, phases.FansOn));
        Assert.False(phases.IsInferred);
        Assert.Equal(2.8, phases.DripMin!.Value, 6);
    }

    [Theory]
    [InlineData(420, EndedBy.Pressure)]
    [InlineData(300, EndedBy.Unknown)]
    public void Hot_gas_is_ended_by_pressure_when_the_pressure_was_there(double kpa, EndedBy end)
    {
        var setUp =
            new DefrostSetUp(
            DefrostKind.HotGas, EndedBy: TerminationKind.Pressure, EndPressure: new(420, Unit.KilopascalAbsolute), FailSafeMin: 40);
        var run = Run(setUp, [Track(RunPlaceKind.SuctionPressure, m => m < 10 ? 150 : m <= 30 ? 150 + (kpa - 150) * (m - 10) / 20 : 150)],
            new(RunMarkKind.HeatOn, 10), new(RunMarkKind.HeatOff, 30));
        Assert.Equal(end, DefrostAnalysis.Analyse(run).End);
    }

    [Theory]
    [InlineData(25, EndedBy.TimeLimit)]
    [InlineData(14, EndedBy.Unknown)]
    public void A_set_time_ends_it_only_when_it_was_up(double heat, EndedBy end) =>
        Assert.Equal(
            end, DefrostAnalysis.Analyse(
            Run(new(DefrostKind.OffCycle, FailSafeMin: 25), [], new(RunMarkKind.HeatOn, 2), new(RunMarkKind.HeatOff, 2 + heat))).End);

    [Fact]
    public void A_track_is_read_between_its_samples_and_not_beyond()
    {
        var track = new RunTrack(new(RunPlaceKind.Box), [0, 10, 20], [-20, -10, -12]);
        Assert.Equal(-15, track.At(5));
        Assert.Equal(-10, track.At(10));
        Assert.Null(track.At(21));
        Assert.Equal(-11, track.Mean(9, 21));
        Assert.Equal([10, 20], track.Between(5, 30).Minutes);
        Assert.True(track.Between(11, 19).IsEmpty);
        Assert.Equal(10, Run(new(DefrostKind.Electric), [track]).SampleMin);
    }

    /// <summary>1 kW for 20 min is 1200 kJ; 20 kg of metal at 0.6 warmed by 20 K is 240; the rest, no loss known, less a fifth: (1200 - 240
    /// - 240) / 374.5.</summary>
    [Fact]
    public void Ice_is_what_the_heat_could_melt()
    {
        var coil = Track(RunPlaceKind.ColdestBend, m => m < 5 ? -20 + 4 * m : 0.001);
        var run = Run(new(DefrostKind.Electric, CoilMassKg: 20), [coil]);
        var ice = IceBalance.Of(run, new(null, 0, 20, null, null, false), null, 1, powerIsMeasured: true)!;
        Assert.Equal(720 / 374.5, ice.IceKg, 0.03);
        Assert.False(ice.LossIsMeasured);
        Assert.True(ice.UncertaintyKg > 0.3);
        Assert.Null(IceBalance.Of(run with { SetUp = new(DefrostKind.Electric) }, new(null, 0, 20, null, null, false), null, 1, true));
        Assert.Null(IceBalance.Of(run with { Tracks = [] }, new(null, 0, 20, null, null, false), null, 1, true));
    }
}
