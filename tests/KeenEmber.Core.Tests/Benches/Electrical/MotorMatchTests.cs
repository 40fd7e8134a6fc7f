using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Electrical;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>Motors and capacitors that may stand in for others.</summary>
public sealed class MotorMatchTests
{
    private static readonly MotorPlate Old = new(230, 60, 1, 16, 1550, "ccw", 8, 60, "ring", 90, 254, 28, "sealed", 500, "two-pin");

    private static MotorFit Fit(MotorLine line, MotorPlate candidate) =>
        MotorMatch.Compare(Old, candidate).Single(l => l.Line == line).Fit;

    [Fact]
    public void The_same_motor_fits_in_every_line() =>
        Assert.All(MotorMatch.Compare(Old, Old), l => Assert.Equal(MotorFit.Passes, l.Fit));

    [Fact]
    public void What_is_not_known_of_both_is_not_compared() =>
        Assert.Equal([MotorLine.Volts], MotorMatch.Compare(Old, new(Volts: 208)).Select(l => l.Line));

    [Fact]
    public void Each_line_is_judged_by_what_it_can_do_to_motor_blade_or_box()
    {
        Assert.Equal(MotorFit.Passes, Fit(MotorLine.Volts, Old with { Volts = 208 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Volts, Old with { Volts = 120 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Hertz, Old with { Hertz = 50 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Rotation, Old with { Rotation = "CW" }));
        Assert.Equal(MotorFit.Passes, Fit(MotorLine.Rotation, Old with { Rotation = "both" }));
        Assert.Equal(MotorFit.Near, Fit(MotorLine.Shaft, Old with { ShaftMm = 6.4 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Shaft, Old with { ShaftMm = 9.5 }));
        Assert.Equal(MotorFit.Near, Fit(MotorLine.ShaftLength, Old with { ShaftLengthMm = 75 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.ShaftLength, Old with { ShaftLengthMm = 40 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Stack, Old with { StackMm = 120 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Enclosure, Old with { Enclosure = "open" }));
        Assert.Equal(MotorFit.Near, Fit(MotorLine.Watts, Old with { Watts = 50 }));
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Watts, Old with { Watts = 9 }));
    }

    /// <summary>16 W at 1550 rpm are 16 · (1700/1550)³ = 21.1 W at 1700 rpm, and a tenth more blade makes it 1.61 times as much.</summary>
    [Fact]
    public void Power_follows_the_cube_of_the_speed_and_the_fifth_power_of_the_blade()
    {
        Assert.Equal(21.1, MotorMatch.PowerAt(16, 1550, 254, 1700, 254), 0.05);
        Assert.Equal(16 * 1.61051, MotorMatch.PowerAt(16, 1550, 254, 1550, 279.4), 0.01);
        Assert.Equal(MotorFit.Fails, Fit(MotorLine.Watts, Old with { Watts = 18, Rpm = 1700 }));
        Assert.Equal(MotorFit.Passes, Fit(MotorLine.Watts, Old with { Watts = 25, Rpm = 1700 }));
    }

    [Fact]
    public void Of_the_van_the_nearest_combination_is_named()
    {
        var beside = CapacitorStandIn.Best(35, [30, 5, 10])!.Value;
        Assert.Equal((false, 35.0), (beside.InSeries, beside.Microfarad));
        Assert.Equal([30, 5], beside.Parts);
        Assert.Equal(10, CapacitorStandIn.Best(10, [20, 20])!.Value.Microfarad);
        Assert.True(CapacitorStandIn.Best(10, [20, 20])!.Value.InSeries);
        Assert.Null(CapacitorStandIn.Best(10, []));
    }

    [Fact]
    public void Nothing_in_the_van_is_ever_farther_off_than_the_best_single_one() => Prop.ForAll(
        Gen.Choose(1, 60).Select(n => (double)n).ArrayOf(4).Zip(Gen.Choose(1, 80).Select(n => (double)n)).ToArbitrary(), drawn =>
        {
            var (stock, needed) = drawn;
            return Math.Abs(CapacitorStandIn.Best(needed, stock)!.Value.Microfarad - needed)
                <= stock.Min(c => Math.Abs(c - needed)) + 1e-9;
        }).QuickCheckThrowOnFailure();
}
