using KeenEmber.Core.Plant;
using KeenEmber.Core.Practice;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>Faults that come in their own time, and what they bring on.</summary>
public sealed class UnitLifeTests
{
    private const int HourS = 3600;

    private static UnitLife Of(EquipmentKind kind, params FaultCourse[] courses)
    {
        var design = UnitDesign.Of(kind);
        return new(new(design, design.TargetC + 1), courses);
    }

    private static void Live(UnitLife life, double hours, Weather weather)
    {
        for (var s = 0; s < hours * HourS; s++)
            life.Step(weather);
    }

    [Fact]
    public void A_leak_grows_by_the_hour_until_it_is_there_in_full()
    {
        var life = Of(EquipmentKind.WalkInCooler, new FaultCourse(new(ChargeLost: 0.8), FaultTime.Grows, 24));
        Live(life, 12, new(26));
        Assert.InRange(life.Unit.Faults.ChargeLost, 0.39, 0.41);
        Assert.Equal(life.Unit.PlateKg * (1 - life.Unit.Faults.ChargeLost), life.Unit.ChargeKg, 9);
        Live(life, 20, new(26));
        Assert.Equal(0.8, life.Unit.Faults.ChargeLost);
    }

    [Fact]
    public void What_comes_and_goes_is_there_for_half_of_the_time()
    {
        var course = new FaultCourse(new(ProbeOffK: -4), FaultTime.ComesAndGoes, 6);
        Assert.Equal([-4.0, 0, -4, 0], new[] { 1.0, 4, 7, 11 }.Select(h => course.At(h).ProbeOffK));
    }

    [Fact]
    public void What_somebody_charges_takes_the_loss_back_and_then_is_too_much()
    {
        var life = Of(EquipmentKind.ReachInCooler, new FaultCourse(new(ChargeLost: 0.5)));
        Live(life, 0.1, new(26));
        life.Charged = 0.7;
        Live(life, 0.1, new(26));
        Assert.Equal((0, 0.2), (life.Unit.Faults.ChargeLost, Math.Round(life.Unit.Faults.Overcharge, 6)));
    }

    /// <summary>No air over the condenser: it goes off and comes back until the overload stays open.</summary>
    [Fact]
    public void A_condenser_fan_that_stands_wears_the_overload_out()
    {
        var life = Of(EquipmentKind.ReachInCooler, new FaultCourse(new(CondenserFanOut: 1)));
        Live(life, 6 * 24, new(30));
        Assert.Equal([BroughtOn.OverloadOpen], life.Followed);
        Assert.False(life.Unit.CompressorRuns);
        life.Unit.Faults = life.Unit.Faults with { CondenserFanOut = 0 };
        Assert.NotEmpty(life.Unit.Faults.Wired);
    }

    /// <summary>Heaters that give nothing: ice grows until it holds the fans, and one of their motors burns.</summary>
    [Fact]
    public void Ice_that_nothing_melts_burns_a_fan()
    {
        var life = Of(EquipmentKind.WalkInFreezer, new FaultCourse(new(HeaterOut: 1)));
        Live(life, 20 * 24, new(28, Humidity: 0.7));
        Assert.Contains(BroughtOn.FanBurnt, life.Followed);
    }

    [Fact]
    public void A_sound_unit_brings_nothing_on()
    {
        var life = Of(EquipmentKind.WalkInFreezer);
        Live(life, 6 * 24, new(28));
        Assert.Empty(life.Followed);
        Assert.Equal(UnitFaults.None, life.Unit.Faults);
    }

    /// <summary>Jobs left alone come with what followed, as a fault of its own that is repaired by itself.</summary>
    [Fact]
    public void A_job_left_alone_for_days_has_its_consequence_with_it()
    {
        var fan = SimulatedFaults.All.First(f => f.Name == "condenser fan");
        var place = SimulatedPlace.For(EquipmentKind.ReachInCooler, [fan])!;
        var followed = Assert.Single(SimulatedChains.Of(place, [fan], 0.5));
        Assert.Equal("overload", followed.Name);
        Assert.Contains("overload-open", SimulatedJobs.Make(place, [fan, followed], 0.5)!.Root);
    }
}
