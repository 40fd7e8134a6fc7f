using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>A unit whose thermostat shuts the liquid line, and a compressor that has its voltage and does not turn.</summary>
public sealed class PumpDownTests
{
    private const int HourS = 3600;

    private static readonly Weather Day = new(28, 3);

    private static readonly UnitDesign Cooler = UnitDesign.Of(EquipmentKind.WalkInCooler).WithPumpDown();

    private static SimulatedUnit Unit(UnitDesign design, UnitFaults? faults = null) =>
        new(design, design.TargetC + 1) { Faults = faults ?? UnitFaults.None };

    private static int Starts(SimulatedUnit unit, double hours)
    {
        var starts = 0;
        for (var s = 0; s < hours * HourS; s++)
        {
            var ran = unit.CompressorRuns;
            unit.Step(Day);
            starts += unit.CompressorRuns && !ran ? 1 : 0;
        }

        return starts;
    }

    private static int Until(SimulatedUnit unit, Func<bool> isSo)
    {
        var seconds = 0;
        for (; !isSo(); seconds++)
        {
            Assert.True(seconds < 12 * HourS, $"{unit.Mode} for hours");
            unit.Step(Day);
        }

        return seconds;
    }

    /// <summary>Satisfied, it goes on until the low side is empty, rests with it empty, and starts with the next call.</summary>
    [Fact]
    public void A_sound_one_empties_its_coil_and_rests_until_the_next_call()
    {
        var unit = Unit(Cooler);
        Until(unit, () => unit is { Mode: UnitMode.Cooling, CompressorRuns: true, HeldS: > 120 });
        Until(unit, () => unit.Mode == UnitMode.Satisfied);
        Assert.False(unit.Wiring.IsLive(unit.Wiring.Part(ComponentKind.LiquidSolenoid, WiredKind.Load)!));
        Assert.InRange(Until(unit, () => !unit.CompressorRuns), 5, 300);
        Assert.True(unit.IsHeldByLowPressure);
        Assert.True(unit.SuctionC < Cooler.TargetC - Cooler.TdK - 14, $"{unit.SuctionC:0.0} °C");
        Assert.InRange(Until(unit, () => unit.CompressorRuns), 300, 3 * HourS);
        Assert.Equal(UnitMode.Cooling, unit.Mode);
        Until(unit, () => unit.HeldS > 60);
        Assert.Equal(unit.EvaporatingC, unit.SuctionC);
    }

    [Fact]
    public void It_holds_its_box_as_one_that_stops_by_its_thermostat_does()
    {
        var (with, without) = (Unit(Cooler), Unit(Cooler with { PumpsDown = false }));
        var usual = Starts(without, 24);
        Assert.InRange(Starts(with, 24), usual / 2, usual * 2);
        Assert.InRange(with.BoxC, Cooler.TargetC - 3, Cooler.TargetC + 3);
        Assert.InRange(with.CoilLiquidKg, 0, with.ChargeKg);
    }

    [Fact]
    public void A_liquid_valve_that_leaks_starts_it_again_and_again_and_wears_its_contactor_out()
    {
        var sound = Starts(Unit(Cooler), 24);
        var leaks = Starts(Unit(Cooler, new(LiquidLeak: 0.02)), 24);
        Assert.True(leaks > 4 * sound, $"{leaks} against {sound}");
        var life = new UnitLife(Unit(Cooler), [new(new(LiquidLeak: 0.02))]);
        for (var s = 0; s < 14 * 24 * HourS; s++)
            life.Step(Day);
        Assert.Contains(BroughtOn.ContactorBurnt, life.Followed);
        Assert.False(life.Unit.CompressorRuns);
    }

    /// <summary>Its coil or its seat: the call is there, the low side stays empty and the control open.</summary>
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_liquid_valve_that_does_not_open_leaves_the_box_to_itself(bool isCoil)
    {
        var unit = Unit(Cooler);
        Starts(unit, 6);
        unit.Faults = isCoil
            ? UnitFaults.None with { Wired = [new(unit.Wiring.Part(ComponentKind.LiquidSolenoid, WiredKind.Load)!.Name, WiredFault.Open)] }
            : new(LiquidShut: 1);
        Starts(unit, 6);
        Until(unit, () => unit.Mode == UnitMode.Cooling);
        Assert.Equal((false, true), (unit.CompressorRuns, unit.IsHeldByLowPressure));
        Assert.True(unit.BoxC > Cooler.TargetC + 3);
        Assert.True(unit.Wiring.IsLive(unit.Wiring.Part(ComponentKind.LiquidSolenoid, WiredKind.Load)!));
        Assert.False(unit.Wiring.IsLive(unit.Wiring.Part(ComponentKind.Contactor, WiredKind.Coil)!));
    }

    [Fact]
    public void A_unit_short_of_gas_goes_off_by_its_low_pressure_control_and_comes_back()
    {
        var unit = Unit(Cooler, new(ChargeLost: 0.85));
        Assert.True(Starts(unit, 6) > 30);
    }

    /// <summary>It hums on five times its current until the overload opens, cools, and tries again.</summary>
    [Fact]
    public void A_compressor_that_cannot_start_hums_until_its_overload_opens()
    {
        var design = UnitDesign.Of(EquipmentKind.ReachInCooler);
        var unit = Unit(design);
        var running = 0.0;
        for (var s = 0; s < 4 * HourS; s++)
        {
            unit.Step(Day);
            running = unit is { CompressorRuns: true, HeldS: > 300 } ? unit.Amperes : running;
        }

        while (unit.CompressorRuns)
            unit.Step(Day);
        unit.Faults = new(StartFails: 1);
        var (hummed, trips, locked) = (0, 0, 0.0);
        for (var s = 0; s < 4 * HourS; s++)
        {
            var was = unit.IsTripped;
            unit.Step(Day);
            (hummed, trips) = (hummed + (unit.IsStalled ? 1 : 0), trips + (unit.IsTripped && !was ? 1 : 0));
            locked = Math.Max(locked, unit.Amperes);
            Assert.False(unit.CompressorRuns);
        }

        Assert.InRange(hummed / (double)trips, 5, 20);
        Assert.InRange(trips, 20, 200);
        Assert.InRange(locked / running, 3, 8);
        Assert.True(unit.ShellC > unit.OutsideC + 15);
    }

    [Fact]
    public void What_turns_goes_on_turning_and_a_start_takes_a_locked_current_for_a_moment()
    {
        var unit = Unit(UnitDesign.Of(EquipmentKind.ReachInCooler));
        while (!unit.CompressorRuns)
            unit.Step(Day);
        var start = unit.Amperes;
        unit.Step(Day);
        Assert.True(start > 2 * unit.Amperes);
        unit.Faults = new(StartFails: 1);
        unit.Step(Day);
        Assert.True(unit.CompressorRuns);
    }

    [Fact]
    public void Only_a_unit_with_a_receiver_pumps_down() =>
        Assert.Throws<InvalidOperationException>(UnitDesign.Of(EquipmentKind.ReachInCooler).WithPumpDown);
}
