using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Refrigerants;

/// <summary>What must hold for any mixture of the fluids that commercial blends are made of.</summary>
public class MixturePropertyTests
{
    private static readonly BlendComponent[] Parts =
        [.. new[] { "R32", "R125", "R134a", "R143a", "R1234yf", "R1234ze(E)", "R152a" }.Select(
            n => RefrigerantCatalogue.Find(n)!.Composition.Parts[0].Component)];

    private static readonly Config Few = Config.QuickThrowOnFailure.WithMaxTest(40);

    /// <summary>Two to four of them in any shares.</summary>
    private static Arbitrary<Composition> Mixtures => (
        from picked in Gen.Shuffle(Parts)
        from count in Gen.Choose(2, 4)
        from shares in Gen.Choose(2, 100).ArrayOf(count)
        select Composition.ByMass(picked.Take(count).Zip(shares, (component, share) => (component, (double)share)))).ToArbitrary();

    private static Refrigerant Of(Composition composition) =>
        Refrigerant.FromComposition("mix", SafetyClass.A1, Oil.Polyolester, composition);

    [Fact]
    public void Pressure_rises_with_temperature_and_bubble_lies_over_dew() => Check.One(Few, Prop.ForAll(Mixtures, composition =>
    {
        var fluid = Of(composition);
        double Kpa(SaturationTable line, double tempC) => line.PressureAt(Temperature.FromCelsius(tempC))!.Value.Kpa;
        return Enumerable.Range(-5, 10).All(step => Kpa(fluid.Bubble, step * 10) < Kpa(fluid.Bubble, step * 10 + 10)
            && Kpa(fluid.Dew, step * 10) < Kpa(fluid.Dew, step * 10 + 10)
            && Kpa(fluid.Bubble, step * 10) >= Kpa(fluid.Dew, step * 10) * 0.99999);
    }));

    [Fact]
    public void Temperature_and_pressure_lead_back_to_each_other() =>
        Check.One(Few, Prop.ForAll(Mixtures, Gen.Choose(-50, 50).ToArbitrary(), (composition, tempC) =>
    {
        var fluid = Of(composition);
        var at = Temperature.FromCelsius(tempC);
        return Math.Abs((fluid.BubbleTemperature(fluid.BubblePressure(at)!.Value)!.Value - at).Kelvin) < 0.01
            && Math.Abs((fluid.DewTemperature(fluid.DewPressure(at)!.Value)!.Value - at).Kelvin) < 0.01;
    }));

    [Fact]
    public void Pouring_together_is_the_same_either_way_round() =>
        Check.One(Few, Prop.ForAll(Mixtures, Mixtures, Gen.Choose(0, 100).ToArbitrary(), (a, b, percent) =>
    {
        var (one, other) = (a.MixedWith(b, percent / 100.0), b.MixedWith(a, 1 - percent / 100.0));
        return one.Parts.All(p => Math.Abs(p.Share - other.Parts.Single(o => o.Component.Name == p.Component.Name).Share) < 1e-12)
            && Math.Abs(one.Parts.Sum(p => p.Share) - 1) < 1e-12;
    }));

    /// <summary>Vapour is richer in what boils first, so what stays behind has the lower pressure.</summary>
    [Fact]
    public void What_a_vapour_leak_leaves_has_no_higher_pressure() =>
        Check.One(Few, Prop.ForAll(Mixtures, Gen.Choose(5, 60).ToArbitrary(), (composition, percent) =>
    {
        var at = Temperature.FromCelsius(20);
        var left = VapourLeak.Remaining(composition, percent / 100.0, at)!;
        return new MixtureEquilibrium(left).Bubble(at.Kelvin)!.Value.PressureKpa <= new MixtureEquilibrium(composition)
            .Bubble(at.Kelvin)!.Value.PressureKpa * (1 + 1e-9);
    }));
}
