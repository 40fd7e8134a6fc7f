using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Refrigerants;

/// <summary>Against published saturation tables (ASHRAE Handbook - Fundamentals, chapter on thermophysical properties of
/// refrigerants).</summary>
public class DensitiesTests
{
    [Theory]
    [InlineData("R134a", 25, 1206.7)]
    [InlineData("R134a", -20, 1358.3)]
    [InlineData("R134a", 40, 1146.7)]
    [InlineData("R290", 25, 492.4)]
    [InlineData("R290", -20, 554.7)]
    [InlineData("R404A", 25, 1044.0)]
    [InlineData("R404A", -30, 1241.0)]
    [InlineData("R407C", 25, 1137.6)]
    [InlineData("R600a", 25, 550.7)]
    public void A_liquid_weighs_what_tables_say(string name, double celsius, double kgPerM3)
    {
        var density = Densities.Liquid(RefrigerantCatalogue.Find(name)!, Temperature.FromCelsius(celsius))!.Value * 1000;
        Assert.InRange(density, kgPerM3 * 0.96, kgPerM3 * 1.04);
    }

    [Theory]
    [InlineData("R134a", 0, 14.43)]
    [InlineData("R134a", -20, 6.78)]
    [InlineData("R404A", 0, 30.5)]
    [InlineData("R290", -20, 5.51)]
    public void And_so_does_its_vapour(string name, double celsius, double kgPerM3)
    {
        var fluid = RefrigerantCatalogue.Find(name)!;
        var at = Temperature.FromCelsius(celsius);
        Assert.InRange(Densities.Vapour(fluid, at, fluid.DewPressure(at)!.Value) * 1000, kgPerM3 * 0.95, kgPerM3 * 1.05);
    }

    [Fact]
    public void Near_its_critical_point_a_liquid_has_no_weight_of_its_own() =>
        Assert.Null(Densities.Liquid(RefrigerantCatalogue.Find("R134a")!, Temperature.FromCelsius(99)));
}
