using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>The diagram decides what runs: each fault of it acts as in life.</summary>
public sealed class UnitWiringTests
{
    private static readonly Weather Day = new(26, 2);

    private static SimulatedUnit Unit(EquipmentKind kind, ComponentKind part, WiredKind wired, WiredFault fault, string name = "")
    {
        var design = UnitDesign.Of(kind);
        var unit = new SimulatedUnit(design, design.TargetC);
        Pass(unit, 12);
        var found = name.Length > 0 ? unit.Wiring.Plan.Part(name)! : unit.Wiring.Part(part, wired)!;
        unit.Faults = UnitFaults.None with { Wired = [new(found.Name, fault)] };
        return unit;
    }

    private static int Pass(SimulatedUnit unit, double hours)
    {
        var on = 0;
        for (var s = 0; s < hours * 3600; s++)
        {
            unit.Step(Day);
            on += unit.CompressorRuns ? 1 : 0;
        }

        return on;
    }

    private static double Volts(SimulatedUnit unit, PlannedPart part) => unit.Wiring.VoltsBetween(part.A, part.B)!.Value;

    [Theory]
    [InlineData(EquipmentKind.WalkInCooler)]
    [InlineData(EquipmentKind.ReachInFreezer)]
    [InlineData(EquipmentKind.GlycolChiller)]
    public void A_thermostat_that_does_not_close_leaves_the_supply_across_it(EquipmentKind kind)
    {
        var unit = Unit(kind, ComponentKind.Control, WiredKind.Contact, WiredFault.StuckOpen);
        Assert.Equal(0, Pass(unit, 4));
        Assert.Equal(UnitMode.Cooling, unit.Mode);
        Assert.True(unit.BoxC > UnitDesign.Of(kind).TargetC + 2);
        var thermostat = unit.Wiring.Part(ComponentKind.Control, WiredKind.Contact)!;
        Assert.InRange(Volts(unit, thermostat), 220, 231);
        Assert.False(unit.Wiring.IsLive(thermostat.B));
        Assert.Equal(0, unit.Wiring.AmpsThrough(unit.Wiring.Part(ComponentKind.Compressor, WiredKind.Load)!.Name)!.Value, 2);
    }

    [Fact]
    public void A_welded_pole_runs_past_the_call_until_the_coil_is_ice()
    {
        var unit = Unit(EquipmentKind.WalkInCooler, ComponentKind.Contactor, WiredKind.Contact, WiredFault.StuckClosed);
        Assert.Equal(20 * 3600, Pass(unit, 20));
        Assert.Equal(UnitMode.Satisfied, unit.Mode);
        Assert.True(unit.BoxC < UnitDesign.Of(EquipmentKind.WalkInCooler).TargetC - 2);
        Assert.False(unit.Wiring.IsLive(unit.Wiring.Part(ComponentKind.Contactor, WiredKind.Coil)!));
        Assert.True(unit.Wiring.IsLive(unit.Wiring.Part(ComponentKind.Compressor, WiredKind.Load)!));
    }

    [Fact]
    public void A_coil_that_is_open_has_its_voltage_and_does_not_pull()
    {
        var unit = Unit(EquipmentKind.WalkInFreezer, ComponentKind.Contactor, WiredKind.Coil, WiredFault.Open);
        Assert.Equal(0, Pass(unit, 3));
        var coil = unit.Wiring.Part(ComponentKind.Contactor, WiredKind.Coil)!;
        Assert.True(unit.Wiring.IsLive(coil));
        Assert.False(unit.Wiring.IsLive(unit.Wiring.Part(ComponentKind.Contactor, WiredKind.Contact)!.B));
        // With nothing lifted a meter sees the fans beside it, through the thermostat that calls.
        Assert.InRange(unit.Wiring.OhmsBetween(coil.A, coil.B)!.Value, 140, 155);
    }

    [Fact]
    public void A_clock_that_stands_begins_no_defrost_and_the_coil_ices()
    {
        var sound = new SimulatedUnit(UnitDesign.Of(EquipmentKind.WalkInFreezer), -20);
        Pass(sound, 60);
        var unit = Unit(EquipmentKind.WalkInFreezer, ComponentKind.DefrostClock, WiredKind.Load, WiredFault.Open);
        var begun = unit.DefrostsBegun;
        Pass(unit, 48);
        Assert.False(unit.IsClockFed);
        Assert.Equal(begun, unit.DefrostsBegun);
        Assert.True(sound.DefrostsBegun >= 9);
        Assert.True(unit.FrostKg > 3 * sound.FrostKg);
    }

    [Fact]
    public void A_termination_switch_that_never_closes_heats_to_the_time_limit()
    {
        static int Heated(SimulatedUnit unit)
        {
            var longest = 0;
            for (var (s, now) = (0, 0); s < 86_400; s++)
            {
                unit.Step(Day);
                now = unit.Mode == UnitMode.Defrost ? now + 1 : 0;
                longest = Math.Max(longest, now);
            }

            return longest;
        }

        var sound = Heated(new SimulatedUnit(UnitDesign.Of(EquipmentKind.WalkInFreezer), -20));
        var stuck = Heated(Unit(EquipmentKind.WalkInFreezer, ComponentKind.TerminationSwitch, WiredKind.Contact, WiredFault.StuckOpen));
        Assert.InRange(stuck, 2390, 2410);
        Assert.True(sound < stuck - 300, $"{sound} s against {stuck} s");
    }

    [Fact]
    public void A_fan_delay_that_stays_open_starves_the_fans()
    {
        var unit = Unit(EquipmentKind.WalkInFreezer, ComponentKind.FanDelaySwitch, WiredKind.Contact, WiredFault.StuckOpen);
        Pass(unit, 3);
        Assert.False(unit.AreFansFed);
        Assert.False(unit.Wiring.IsLive(unit.Wiring.Part(ComponentKind.EvaporatorFan, WiredKind.Load)!));
    }

    /// <summary>A sound unit: fans stand in its defrost and until the coil is cold again.</summary>
    [Fact]
    public void Fans_wait_for_a_cold_coil_after_each_defrost()
    {
        var unit = new SimulatedUnit(UnitDesign.Of(EquipmentKind.WalkInFreezer), -20);
        var (inDefrost, warm) = (0, 0);
        for (var s = 0; s < 2 * 86_400; s++)
        {
            unit.Step(Day);
            inDefrost += unit is { Mode: UnitMode.Defrost, AreFansFed: true } ? 1 : 0;
            warm += unit is { AreFansFed: true, EvaporatingC: > 4.5 } ? 1 : 0;
        }

        Assert.Equal((0, 0), (inDefrost, warm));
    }

    [Fact]
    public void A_breaker_that_is_open_stops_all_of_it()
    {
        var unit = Unit(EquipmentKind.WalkInFreezer, ComponentKind.Breaker, WiredKind.Contact, WiredFault.StuckOpen);
        Assert.Equal(0, Pass(unit, 2));
        Assert.False(unit.AreFansFed || unit.IsCondenserFanFed || unit.IsClockFed);
        Assert.InRange(unit.Wiring.VoltsBetween(ControlDiagram.Line, ControlDiagram.Return)!.Value, 229, 231);
    }

    [Fact]
    public void What_the_diagram_does_not_have_is_passed_over_and_asked_for_in_vain()
    {
        var unit = new SimulatedUnit(UnitDesign.Of(EquipmentKind.WalkInCooler), 3)
        {
            Faults = UnitFaults.None with { Wired = [new("no such part", WiredFault.Open)] },
        };
        Assert.True(Pass(unit, 3) > 0);
        Assert.Null(unit.Wiring.VoltsBetween("L1", "nowhere"));
        Assert.Null(unit.Wiring.AmpsThrough("no such part"));
        Assert.Null(unit.Wiring.Part(ComponentKind.HeaterElement, WiredKind.Load));
    }

    [Fact]
    public void A_week_with_a_fault_takes_less_than_six_seconds()
    {
        var unit = Unit(EquipmentKind.WalkInFreezer, ComponentKind.HeaterElement, WiredKind.Load, WiredFault.Open);
        var watch = System.Diagnostics.Stopwatch.StartNew();
        Pass(unit, 7 * 24);
        Assert.True(watch.Elapsed < TimeSpan.FromSeconds(6));
    }
}
