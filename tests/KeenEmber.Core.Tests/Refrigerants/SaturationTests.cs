using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Refrigerants;

public class SaturationTests
{
    private static Refrigerant Fluid(string name) => RefrigerantCatalogue.Find(name)!;

    public static TheoryData<string> Everything => [.. RefrigerantCatalogue.All.Select(r => r.Name)];

    /// <summary>Published normal boiling points, K (REFPROP-based values of the fluids' equations of state).</summary>
    [Theory]
    [InlineData("R134a", 247.076)]
    [InlineData("R290", 231.036)]
    [InlineData("R600a", 261.401)]
    [InlineData("R600", 272.66)]
    [InlineData("R32", 221.499)]
    [InlineData("R125", 225.06)]
    [InlineData("R143a", 225.909)]
    [InlineData("R1234yf", 243.665)]
    [InlineData("R1234ze(E)", 254.18)]
    [InlineData("R22", 232.34)]
    [InlineData("R152a", 249.127)]
    [InlineData("R12", 243.398)]
    public void A_pure_fluid_boils_at_one_atmosphere_at_its_published_normal_boiling_point(string name, double boilingK) =>
        Assert.Equal(101.325, Fluid(name).DewPressure(new(boilingK))!.Value.Kpa, 101.325 * 0.0015);

    [Theory]
    [InlineData("R404A", -46.22, -45.47)]
    [InlineData("R410A", -51.44, -51.36)]
    [InlineData("R407C", -43.63, -36.63)]
    [InlineData("R507A", -46.74, -46.74)]
    public void A_blend_has_its_published_normal_bubble_and_dew_point(string name, double bubbleC, double dewC)
    {
        Assert.Equal(bubbleC, Fluid(name).BubbleTemperature(Pressure.StandardAtmosphere)!.Value.Celsius, 0.1);
        Assert.Equal(dewC, Fluid(name).DewTemperature(Pressure.StandardAtmosphere)!.Value.Celsius, 0.1);
    }

    /// <summary>Triple point pressure and the pressure at 0 °C of carbon dioxide, Span and Wagner 1996.</summary>
    [Theory]
    [InlineData(216.592, 517.95)]
    [InlineData(273.15, 3485.1)]
    public void Carbon_dioxide_follows_its_equation(double tempK, double kpa) =>
        Assert.Equal(kpa, Fluid("R744").DewPressure(new(tempK))!.Value.Kpa, kpa * 0.001);

    /// <summary>Published saturation pressure at 0 °C, ASHRAE Handbook - Fundamentals.</summary>
    [Fact]
    public void Dichlorodifluoromethane_has_its_published_pressure_at_freezing() =>
        Assert.Equal(308.6, Fluid("R12").DewPressure(Temperature.FromCelsius(0))!.Value.Kpa, 308.6 * 0.002);

    [Theory]
    [MemberData(nameof(Everything))]
    public void Both_ways_agree_with_the_equation_to_a_hundredth_of_a_kelvin_over_the_whole_range(string name)
    {
        foreach (var line in new[] { Fluid(name).Bubble, Fluid(name).Dew })
        {
            // Every third of a kelvin, so that most points lie between those of the table.
            for (var tempK = line.Lowest.Kelvin; tempK <= line.Highest.Kelvin; tempK += 1 / 3.0)
            {
                var exactKpa = line.Solver(tempK)!.Value;
                Assert.Equal(tempK, line.TemperatureAt(new(exactKpa))!.Value.Kelvin, 0.01);
                var tableKpa = line.PressureAt(new(tempK))!.Value.Kpa;
                Assert.Equal(tempK, line.TemperatureAt(new(tableKpa))!.Value.Kelvin, 0.01);
                Assert.Equal(exactKpa, tableKpa, 0.0005 * exactKpa);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Pressure_rises_with_temperature_and_dew_never_lies_above_bubble_pressure(string name)
    {
        var fluid = Fluid(name);
        var last = 0.0;
        for (var tempK = fluid.Dew.Lowest.Kelvin; tempK < fluid.Dew.Highest.Kelvin; tempK += 0.5)
        {
            var dew = fluid.DewPressure(new(tempK))!.Value.Kpa;
            Assert.True(dew > last, $"{name} at {tempK} K");
            Assert.True(dew <= fluid.BubblePressure(new(tempK))!.Value.Kpa * 1.001, $"{name} at {tempK} K");
            last = dew;
        }
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void Outside_the_range_there_is_no_answer(string name)
    {
        var fluid = Fluid(name);
        Assert.Null(fluid.DewPressure(new(fluid.Dew.Highest.Kelvin + 0.01)));
        Assert.Null(fluid.DewPressure(new(fluid.Dew.Lowest.Kelvin - 0.01)));
        Assert.Null(fluid.DewTemperature(new(20_000)));
        Assert.Null(fluid.DewTemperature(new(0)));
        Assert.Null(fluid.DewTemperature(new(-5)));
        Assert.Null(fluid.MidpointTemperature(new(20_000)));
    }

    [Fact]
    public void The_midpoint_lies_half_way_between_bubble_and_dew()
    {
        var pressure = new Pressure(400);
        var r407c = Fluid("R407C");
        var expected = (r407c.BubbleTemperature(pressure)!.Value.Kelvin + r407c.DewTemperature(pressure)!.Value.Kelvin) / 2;
        Assert.Equal(expected, r407c.MidpointTemperature(pressure)!.Value.Kelvin, 1e-9);
        Assert.True(r407c.DewTemperature(pressure) - r407c.BubbleTemperature(pressure) is { Kelvin: > 4 });
    }

    [Fact]
    public void For_any_pressure_in_range_the_temperature_gives_the_pressure_back() =>
        Check.QuickThrowOnFailure(Prop.ForAll(
            Gen.Choose(20, 3_000).ToArbitrary(),
            Gen.Elements(RefrigerantCatalogue.All.ToArray()).ToArbitrary(),
            (kpa, fluid) =>
                fluid.DewTemperature(new(kpa)) is not { } dew || Math.Abs(fluid.DewPressure(dew)!.Value.Kpa - kpa) < 0.001 * kpa));

    [Theory]
    [InlineData("r-404a", "R404A")]
    [InlineData("404A", "R404A")]
    [InlineData(" R 1234ze(e) ", "R1234ze(E)")]
    public void A_refrigerant_is_found_however_it_is_written(string typed, string name) => Assert.Equal(name, Fluid(typed).Name);

    [Theory]
    [InlineData("")]
    [InlineData(null)]
    [InlineData("R999")]
    [InlineData("R")]
    public void An_unknown_refrigerant_is_not_guessed(string? typed) => Assert.Null(RefrigerantCatalogue.Find(typed));

    /// <summary>People leave the letter out; which of four it is, the nameplate says.</summary>
    [Theory]
    [InlineData("134", "R134a")]
    [InlineData("r 448", "R448A")]
    [InlineData("407", "R407C R407A R407F R407H")]
    [InlineData("999", "")]
    [InlineData("4", "")]
    [InlineData("", "")]
    public void What_begins_as_typed_is_near(string typed, string near) =>
        Assert.Equal(near, string.Join(' ', RefrigerantCatalogue.Near(typed)));
}
