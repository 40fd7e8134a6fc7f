using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Plant;

/// <summary>Which parts a unit has by its make-up, and how they are told apart.</summary>
public class ComponentTests
{
    private static int Count(Equipment unit, ComponentKind kind) => Components.Of(unit).Count(c => c.Kind == kind);

    private static Equipment With(
        Func<RefrigerationCircuit, RefrigerationCircuit> change, EquipmentKind kind = EquipmentKind.WalkInFreezer) =>
        Freezer with { Kind = kind, Circuit = change(Freezer.Circuit) };

    [Fact]
    public void Each_fan_and_each_coil_is_a_part_of_its_own()
    {
        Assert.Equal(2, Count(Freezer, ComponentKind.EvaporatorFan));
        Assert.Equal(2, Count(With(c => c with { Coils = 2 }), ComponentKind.ExpansionValve));
        Assert.Equal(Components.Of(Freezer).Count, Components.Of(Freezer).Select(c => c.Id).Distinct().Count());
    }

    [Fact]
    public void A_unit_has_no_part_that_its_make_up_leaves_out()
    {
        var capillary = With(c => c with { Metering = Metering.CapillaryTube, Parts = CircuitParts.None });
        Assert.Equal(
            (0, 1, 0, 0),
            (Count(capillary, ComponentKind.ExpansionValve), Count(capillary, ComponentKind.CapillaryTube),
            Count(capillary, ComponentKind.SightGlass), Count(capillary, ComponentKind.LowPressureControl)));
        var rack = With(c => c with { Condenser = CondenserKind.Rack });
        Assert.Equal(
            (0, 0, 0),
            (Count(rack, ComponentKind.Compressor), Count(rack, ComponentKind.CondenserFan), Count(rack, ComponentKind.StartRelay)));
        var chiller = Freezer with { Kind = EquipmentKind.GlycolChiller, EvaporatorFans = 0 };
        Assert.Equal(
            (1, 0, 0, 0),
            (Count(chiller, ComponentKind.GlycolPump), Count(chiller, ComponentKind.EvaporatorFan),
            Count(chiller, ComponentKind.HeaterElement), Count(chiller, ComponentKind.Door)));
    }

    [Fact]
    public void An_id_leads_back_to_its_component_and_no_other_text_does()
    {
        Assert.All(Components.Of(Freezer), c => Assert.Equal(c, Component.Find(c.Id)));
        Assert.All(
            new[] { null, "", "fan", "EvaporatorFan/0", "EvaporatorFan/25", "EvaporatorFan/x", "99/1", "NoSuchPart/1" }, id =>
            Assert.Null(Component.Find(id)));
    }

    [Theory]
    [InlineData(ComponentKind.EvaporatorFan, WorkArea.Fans)]
    [InlineData(ComponentKind.HeaterElement, WorkArea.Defrost)]
    [InlineData(ComponentKind.StartRelay, WorkArea.StartParts)]
    [InlineData(ComponentKind.Fuse, WorkArea.Power)]
    [InlineData(ComponentKind.CondenserFanCapacitor, WorkArea.CondenserFan)]
    [InlineData(ComponentKind.BoxSensor, WorkArea.Sensor)]
    [InlineData(ComponentKind.EndSensor, WorkArea.Defrost)]
    [InlineData(ComponentKind.Drier, WorkArea.Circuit)]
    public void A_part_brings_the_area_that_decides_its_proof(ComponentKind kind, WorkArea area) => Assert.Equal(area, WorkAreas.Of(kind));

    [Fact]
    public void A_fact_seen_is_about_its_part()
    {
        Assert.Equal(new(ComponentKind.EvaporatorFan, 2), Components.Of(AsFound.EvaporatorFan, 2));
        Assert.Equal(new(ComponentKind.Compressor), Components.Of(AsFound.Compressor, null));
        Assert.Null(Components.Of(AsFound.Smell, null));
    }
}
