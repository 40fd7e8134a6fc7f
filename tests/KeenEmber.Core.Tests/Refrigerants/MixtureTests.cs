using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Refrigerants;

public class MixtureTests(ITestOutputHelper output)
{
    /// <summary>Published normal bubble and dew points, °C.</summary>
    public static TheoryData<string, double, double> NormalPoints => new()
    {
        { "R407A", -45.2, -38.7 }, { "R407F", -46.1, -39.7 }, { "R407H", -44.6, -37.6 }, { "R448A", -45.9, -39.8 },
            { "R449A", -46.0, -39.9 },
        { "R450A", -23.4, -22.8 }, { "R513A", -29.2, -29.1 }, { "R452A", -47.0, -43.2 }, { "R454A", -48.4, -41.6 },
            { "R454B", -50.9, -50.0 },
            { "R454C", -46.0, -37.8 },
        { "R455A", -51.6, -39.1 }, { "R422D", -43.2, -38.4 }, { "R422A", -46.5, -44.1 }, { "R417A", -38.0, -32.9 },
            { "R427A", -43.0, -36.3 },
        { "R434A", -45.0, -42.3 }, { "R442A", -46.5, -39.9 },
    };

    private static (double Bubble, double Dew) NormalPoint(string name) => RefrigerantCatalogue.Find(name)! is var r
        ? (r.BubbleTemperature(Pressure.StandardAtmosphere)!.Value.Celsius, r.DewTemperature(Pressure.StandardAtmosphere)!.Value.Celsius)
            : default;

    [Theory]
    [MemberData(nameof(NormalPoints))]
    public void A_blend_from_its_composition_has_its_published_normal_points(string name, double bubbleC, double dewC)
    {
        var (bubble, dew) = NormalPoint(name);
        Assert.Equal(bubbleC, bubble, 0.5);
        Assert.Equal(dewC, dew, 0.5);
    }

    /// <summary>The figures of the fit: rms 0.09 K over all its points, worst 0.46 K.</summary>
    [Fact]
    public void Over_all_blends_the_error_is_that_of_the_fit()
    {
        var errors = NormalPoints.Select(row => (ITheoryDataRow)row).SelectMany(row =>
        {
            var data = row.GetData();
            var (bubble, dew) = NormalPoint((string)data[0]!);
            output.WriteLine($"{data[0]}: bubble {bubble - (double)data[1]!:+0.00;-0.00}, dew {dew - (double)data[2]!:+0.00;-0.00}");
            return new[] { bubble - (double)data[1]!, dew - (double)data[2]! };
        }).ToList();
        var rms = Math.Sqrt(errors.Average(e => e * e));
        output.WriteLine($"rms {rms:F3} K, worst {errors.Max(Math.Abs):F3} K");
        Assert.True(rms < 0.2, $"rms {rms}");
        Assert.True(errors.Max(Math.Abs) < 0.5);
    }

    public static TheoryData<string> FromComposition =>
        [.. RefrigerantCatalogue.All.Where(r => r.Source == Refrigerant.MixtureMethod).Select(r => r.Name)];

    /// <summary>Every third of a kelvin, so that most points lie between those of the table.</summary>
    [Theory]
    [MemberData(nameof(FromComposition))]
    public void The_table_agrees_with_the_solver_to_a_hundredth_of_a_kelvin(string name)
    {
        var fluid = RefrigerantCatalogue.Find(name)!;
        var equilibrium = new MixtureEquilibrium(fluid.Composition);
        var worst = 0.0;
        for (var tempK = fluid.Bubble.Lowest.Kelvin + 0.1; tempK < fluid.Bubble.Highest.Kelvin; tempK += 1 / 3.0)
        {
            worst = Math.Max(
                worst, Math.Abs(fluid.BubbleTemperature(new(equilibrium.Bubble(tempK)!.Value.PressureKpa))!.Value.Kelvin - tempK));
            if (tempK < fluid.Dew.Highest.Kelvin)
                worst = Math.Max(
                    worst, Math.Abs(fluid.DewTemperature(new(equilibrium.Dew(tempK)!.Value.PressureKpa))!.Value.Kelvin - tempK));
        }

        output.WriteLine(
            $"{name}: worst {worst:E1} K, bubble up to {fluid.Bubble.Highest.Celsius:F1} °C, dew up to {fluid.Dew.Highest.Celsius:F1} °C");
        Assert.True(worst < 0.01, $"{worst} K");
        Assert.True(fluid.Bubble.Highest.Celsius > 60, "condensing temperatures must be covered");
        Assert.True(fluid.Dew.Highest.Celsius > 60, "condensing temperatures must be covered");
    }

    [Fact]
    public void The_equilibrium_holds_phase_by_phase()
    {
        // The vapour over a boiling blend condenses back at the same pressure into the liquid it came from.
        var r448a = RefrigerantCatalogue.Find("R448A")!.Composition;
        var bubble = new MixtureEquilibrium(r448a).Bubble(263.15)!.Value;
        var vapour = Composition.ByMoles(r448a.Parts.Select((p, i) => (p.Component, bubble.Incipient[i])));
        var dew = new MixtureEquilibrium(vapour).Dew(263.15)!.Value;
        Assert.Equal(bubble.PressureKpa, dew.PressureKpa, 1e-6 * bubble.PressureKpa);
        var liquid = r448a.MoleFractions();
        for (var i = 0; i < liquid.Length; i++)
            Assert.Equal(liquid[i], dew.Incipient[i], 1e-7);
    }

    [Fact]
    public void A_component_alone_saturates_at_its_own_equation()
    {
        foreach (var part in RefrigerantCatalogue.All.Where(r => r.Composition.Parts.Count == 1).Select(r => r.Composition))
        {
            var line = part.Parts[0].Component.Line;
            foreach (var share in new[] { 0.65, 0.8, 0.95 })
            {
                var tempK = share * line.Highest.Kelvin;
                var expected = line.ExtrapolatedKpa(tempK);
                Assert.Equal(expected, new MixtureEquilibrium(part).Bubble(tempK)!.Value.PressureKpa, 1e-6 * expected);
            }
        }
    }

    /// <summary>The method against the pseudo-pure equations it was fitted to.</summary>
    [Theory]
    [InlineData("R404A")]
    [InlineData("R410A")]
    [InlineData("R407C")]
    [InlineData("R507A")]
    public void The_method_agrees_with_the_pseudo_pure_equations(string name)
    {
        var exact = RefrigerantCatalogue.Find(name)!;
        var solved = Refrigerant.FromComposition(name, exact.Safety, exact.Oil, exact.Composition);
        for (var tempC = -50; tempC <= 50; tempC += 10)
        {
            var t = Temperature.FromCelsius(tempC);
            Assert.Equal(tempC, solved.BubbleTemperature(exact.BubblePressure(t)!.Value)!.Value.Celsius, 0.3);
            Assert.Equal(tempC, solved.DewTemperature(exact.DewPressure(t)!.Value)!.Value.Celsius, 0.3);
        }
    }

    [Theory]
    [InlineData("R448A", 1387)]
    [InlineData("R454C", 148)]
    [InlineData("R404A", 3922)]
    [InlineData("R407C", 1774)]
    [InlineData("R452A", 2140)]
    public void The_warming_potential_of_a_blend_is_its_components_by_mass(string name, double published) =>
        Assert.Equal(published, RefrigerantCatalogue.Find(name)!.Composition.Gwp, 2.0);

    [Fact]
    public void At_least_thirty_refrigerants_each_with_shares_that_make_a_whole()
    {
        Assert.True(RefrigerantCatalogue.All.Count >= 30);
        Assert.All(RefrigerantCatalogue.All, r => Assert.Equal(1, r.Composition.Parts.Sum(p => p.Share), 1e-12));
    }

    [Fact]
    public void Mixing_is_by_mass_and_the_same_component_is_added_up()
    {
        var r404a = RefrigerantCatalogue.Find("R404A")!.Composition;
        var r134a = RefrigerantCatalogue.Find("R134a")!.Composition;
        var mixed = r404a.MixedWith(r134a, 0.25);
        Assert.Equal(0.25 + 0.75 * 0.04, mixed.Parts.Single(p => p.Component.Name == "R134a").Share, 1e-12);
        Assert.Equal(3, mixed.Parts.Count);
        Assert.Equal(r134a.Parts, r404a.MixedWith(r134a, 7).Parts);
    }
}
