using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Tests.Refrigerants;

public class VapourLeakTests
{
    private static readonly Temperature Room = Temperature.FromCelsius(21);

    private static Composition Of(string name) => RefrigerantCatalogue.Find(name)!.Composition;

    private static double Share(Composition c, string component) => c.Parts.Single(p => p.Component.Name == component).Share;

    [Fact]
    public void The_volatile_component_leaves_first()
    {
        var left = VapourLeak.Remaining(Of("R407C"), 0.5, Room)!;
        Assert.True(Share(left, "R32") < 0.20, $"R32 {Share(left, "R32")}");
        Assert.True(Share(left, "R134a") > 0.58, $"R134a {Share(left, "R134a")}");
        Assert.Equal(1, left.Parts.Sum(p => p.Share), 1e-12);
    }

    [Fact]
    public void What_leaked_and_what_is_left_add_up_to_what_was_there()
    {
        // A first loss and then another are the same as both at once.
        var half = VapourLeak.Remaining(Of("R448A"), 0.5, Room)!;
        var threeQuarters = VapourLeak.Remaining(half, 0.5, Room)!;
        var atOnce = VapourLeak.Remaining(Of("R448A"), 0.75, Room)!;
        foreach (var (component, share) in atOnce.Parts)
            Assert.Equal(share, Share(threeQuarters, component.Name), 1e-3);
    }

    [Fact]
    public void An_azeotrope_and_a_pure_fluid_do_not_change()
    {
        Assert.Equal(0.5, Share(VapourLeak.Remaining(Of("R507A"), 0.5, Room)!, "R125"), 0.03);
        Assert.Equal(1, Share(VapourLeak.Remaining(Of("R134a"), 0.9, Room)!, "R134a"), 1e-12);
    }

    [Fact]
    public void A_leaked_blend_boils_higher_than_its_label_says()
    {
        var label = RefrigerantCatalogue.Find("R454C")!;
        var left = Refrigerant.FromComposition("left", label.Safety, label.Oil, VapourLeak.Remaining(label.Composition, 0.4, Room)!);
        var pressure = new Pressure(400);
        Assert.True(left.DewTemperature(pressure)!.Value - label.DewTemperature(pressure)!.Value is { Kelvin: > 1 });
    }

    [Theory]
    [InlineData(-0.2)]
    [InlineData(0)]
    public void Nothing_lost_changes_nothing(double share) =>
        Assert.Equal(Of("R407C").Parts, VapourLeak.Remaining(Of("R407C"), share, Room)!.Parts);

    [Fact]
    public void Above_the_critical_point_there_is_no_liquid_to_leak_from() =>
        Assert.Null(VapourLeak.Remaining(Of("R410A"), 0.5, Temperature.FromCelsius(150)));
}
