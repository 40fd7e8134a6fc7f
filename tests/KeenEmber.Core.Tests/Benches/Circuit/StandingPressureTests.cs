using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Benches.Circuit;

public class StandingPressureTests
{
    private static Refrigerant Fluid(string name) => RefrigerantCatalogue.Find(name)!;

    private static StandingReading Saturated(string name, double tempC, double airKpa = 0) =>
        new(new(Fluid(name).BubblePressure(Temperature.FromCelsius(tempC))!.Value.Kpa + airKpa), Temperature.FromCelsius(tempC));

    [Theory]
    [InlineData("R404A", 21)]
    [InlineData("R448A", -5)]
    [InlineData("R290", 35)]
    public void On_its_own_line_a_system_is_normal_and_its_refrigerant_ranks_first(string name, double tempC)
    {
        var result = StandingPressureTest.Judge(Fluid(name), Saturated(name, tempC));
        Assert.Equal(StandingVerdict.Normal, result.Verdict);
        Assert.Equal(0, result.OffK!.Value, 0.01);
        Assert.Equal(name, result.Candidates[0].Refrigerant.Name);
        Assert.True(result.Candidates[0].MisfitK < 0.01);
        Assert.Null(result.SecondAt);
    }

    [Fact]
    public void Between_dew_and_bubble_a_blend_is_normal()
    {
        var t = Temperature.FromCelsius(20);
        var between = (Fluid("R407C").DewPressure(t)!.Value.Kpa + Fluid("R407C").BubblePressure(t)!.Value.Kpa) / 2;
        Assert.Equal(StandingVerdict.Normal, StandingPressureTest.Judge(Fluid("R407C"), new(new(between), t)).Verdict);
    }

    [Fact]
    public void Far_under_saturation_there_is_no_liquid()
    {
        var result = StandingPressureTest.Judge(Fluid("R404A"), new(new(250), Temperature.FromCelsius(21)));
        Assert.Equal(StandingVerdict.ShortOfLiquid, result.Verdict);
        Assert.True(result.OffK < -40);
        Assert.NotNull(result.SecondAt);
    }

    [Fact]
    public void One_reading_above_saturation_asks_for_a_second_temperature()
    {
        var result = StandingPressureTest.Judge(Fluid("R134a"), Saturated("R134a", 20, airKpa: 80));
        Assert.Equal(StandingVerdict.TooHigh, result.Verdict);
        Assert.Equal(80, result.ExcessKpa!.Value, 0.1);
        Assert.Equal(StandingPressureTest.ApartK, result.SecondAt!.Value.Kelvin);
        // A second reading too near to the first tells nothing more.
        Assert.Equal(
            StandingVerdict.TooHigh,
            StandingPressureTest.Judge(Fluid("R134a"), Saturated("R134a", 20, 80), Saturated("R134a", 24, 81)).Verdict);
    }

    [Fact]
    public void An_excess_that_stays_the_same_is_air()
    {
        var result =
            StandingPressureTest.Judge(
            Fluid("R134a"), Saturated("R134a", 5, airKpa: 120), Saturated("R134a", 30, airKpa: 120 * 303.15 / 278.15));
        Assert.Equal(StandingVerdict.NonCondensables, result.Verdict);
    }

    [Theory]
    [InlineData("R134a", "R404A")]
    [InlineData("R404A", "R134a")]
    [InlineData("R22", "R290")]
    public void Another_refrigerants_line_is_found_by_two_temperatures(string label, string really)
    {
        var result = StandingPressureTest.Judge(Fluid(label), Saturated(really, 5), Saturated(really, 30));
        Assert.Equal(StandingVerdict.OtherRefrigerant, result.Verdict);
        Assert.Equal(really, result.Candidates[0].Refrigerant.Name);
    }

    [Fact]
    public void Pressure_that_falls_while_it_gets_warmer_is_not_settled() =>
        Assert.Equal(
            StandingVerdict.NotSettled,
            StandingPressureTest.Judge(Fluid("R134a"), Saturated("R134a", 25), new(new(400), Temperature.FromCelsius(35))).Verdict);

    [Fact]
    public void Outside_what_is_known_nothing_is_said() =>
        Assert.Equal(
            StandingVerdict.OutsideRange, StandingPressureTest.Judge(Fluid("R744"), new(new(8000), Temperature.FromCelsius(40))).Verdict);

    [Fact]
    public void Candidates_come_best_first_and_only_those_worth_naming()
    {
        var candidates = StandingPressureTest.Judge(Fluid("R507A"), Saturated("R507A", 20)).Candidates;
        Assert.Equal(candidates.OrderBy(c => Math.Round(c.MisfitK, 1)), candidates);
        Assert.InRange(candidates.Count, 1, 5);
        Assert.All(candidates, c => Assert.True(c.MisfitK <= 3));
    }
}
