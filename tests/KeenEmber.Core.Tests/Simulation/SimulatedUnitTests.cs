using System.Diagnostics;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>The unit that exists only in arithmetic: plausible to the trade, balanced, quick.</summary>
public sealed class SimulatedUnitTests(ITestOutputHelper output)
{
    public static TheoryData<EquipmentKind> Kinds { get; } = [.. Enum.GetValues<EquipmentKind>()];

    private sealed record Steady(double Superheat, double Subcooling, double Td, double Split, double AirDrop, double RunShare, double Box,
        double Starts, double Frost);

    /// <summary>A day to settle, another to look: means over the second half of each run that is long enough.</summary>
    private static Steady Watch(SimulatedUnit unit, UnitDesign design, Weather weather, int days = 1)
    {
        for (var s = 0; s < 86_400 * days; s++)
            unit.Step(weather);
        var (n, sh, sc, td, split, drop, on, box, starts, frost) = (0, 0.0, 0.0, 0.0, 0.0, 0.0, 0, 0.0, 0, 0.0);
        var before = unit.CompressorRuns;
        for (var s = 0; s < 86_400; s++)
        {
            unit.Step(weather);
            box += unit.BoxC;
            frost = Math.Max(frost, unit.FrostKg);
            on += unit.CompressorRuns ? 1 : 0;
            starts += unit.CompressorRuns && !before ? 1 : 0;
            before = unit.CompressorRuns;
            if (!unit.CompressorRuns || unit.HeldS < 240)
                continue;
            n++;
            (sh, sc, td) = (sh + unit.SuperheatK, sc + unit.SubcoolingK, td + unit.BoxC - unit.EvaporatingC);
            (split, drop) = (split + unit.CondensingC - unit.OutsideC, drop + unit.BoxC - unit.CoilOutC);
        }

        return new(sh / n, sc / n, td / n, split / n, drop / n, on / 86_400.0, box / 86_400, starts, frost);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_sound_unit_lies_where_the_trade_expects_it(EquipmentKind kind)
    {
        var design = UnitDesign.Of(kind);
        var unit = new SimulatedUnit(design, design.TargetC + 2);
        var steady = Watch(unit, design, new(design.DesignAirC - 2, 2));
        output.WriteLine($"{kind}: {steady}");
        var makeUp = new CircuitMakeUp(kind, design.Metering, CondenserKind.AirCooledRemote,
            design.HasReceiver ? CircuitParts.Receiver : CircuitParts.None, 1, null);
        var targets = CircuitTargets.Of(makeUp, Load.Settled, KeenEmber.Core.Quantities.Temperature.FromCelsius(design.TargetC), null);
        void In(ResultKind result, double value)
        {
            var band = targets.For(result)!.Value;
            Assert.True(value >= band.Low && value <= band.High, $"{result} {value:0.0} not in {band.Low:0.0} to {band.High:0.0}");
        }

        In(ResultKind.SuperheatCoil, steady.Superheat);
        In(ResultKind.Subcooling, steady.Subcooling);
        In(ResultKind.EvaporatorTd, steady.Td);
        In(ResultKind.CondenserSplit, steady.Split);
        In(ResultKind.AirDrop, steady.AirDrop);
        Assert.InRange(steady.Box, design.TargetC - 1.5, design.TargetC + 2.5);
        Assert.InRange(steady.RunShare, 0.3, 0.9);
    }

    [Fact]
    public void A_week_takes_less_than_six_seconds()
    {
        var design = UnitDesign.Of(EquipmentKind.WalkInFreezer);
        var unit = new SimulatedUnit(design, -18);
        var watch = Stopwatch.StartNew();
        for (var s = 0; s < 7 * 86_400; s++)
            unit.Step(new(24, 6));
        output.WriteLine($"a week in {watch.Elapsed.TotalSeconds:0.00} s");
        Assert.True(watch.Elapsed < TimeSpan.FromSeconds(6));
    }

    /// <summary>Heat that the coil takes and work that is done leave by the condenser, the shell and the subcooler; what the box loses
    /// comes in by walls and doors. Over a day without frost the stores are where they were, but for a little.</summary>
    [Theory]
    [InlineData(EquipmentKind.WalkInCooler)]
    [InlineData(EquipmentKind.GlassDoorCase)]
    [InlineData(EquipmentKind.PrepTable)]
    [InlineData(EquipmentKind.GlycolChiller)]
    public void Heat_balances(EquipmentKind kind)
    {
        var design = UnitDesign.Of(kind);
        var unit = new SimulatedUnit(design, design.TargetC);
        Weather weather = new(design.DesignAirC, 0, Humidity: 0.05);
        for (var s = 0; s < 2 * 86_400; s++)
            unit.Step(weather);
        var (taken, work, rejected, sub) = (0.0, 0.0, 0.0, 0.0);
        for (var s = 0; s < 86_400; s++)
        {
            unit.Step(weather);
            (taken, work, rejected) = (taken + unit.CoilKw, work + unit.WorkKw * 0.88, rejected + unit.RejectedKw);
            sub += unit.FedKgPerS * 1.35 * unit.SubcoolingK;
        }

        var off = (taken + work - rejected - sub) / taken;
        output.WriteLine($"{kind}: coil {taken:0} kJ, work {work:0}, condenser {rejected:0}, subcooling {sub:0}: off by {off:P2}");
        Assert.InRange(off, -0.02, 0.02);
    }

    [Fact]
    public void Refrigerant_is_neither_made_nor_lost()
    {
        var unit = new SimulatedUnit(UnitDesign.Of(EquipmentKind.WalkInFreezer), -10);
        for (var s = 0; s < 86_400; s++)
        {
            unit.Step(new(24, 6));
            Assert.InRange(unit.CoilLiquidKg, 0, unit.ChargeKg);
        }

        Assert.Equal(unit.PlateKg, unit.ChargeKg, 9);
    }

    private static (SimulatedUnit Unit, Steady Steady) With(EquipmentKind kind, UnitFaults faults)
    {
        var design = UnitDesign.Of(kind);
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = faults };
        return (unit, Watch(unit, design, new(design.DesignAirC - 2)));
    }

    /// <summary>Which way each fault moves what is measured, as any textbook of refrigeration has it.</summary>
    [Theory]
    [InlineData(EquipmentKind.WalkInCooler)]
    [InlineData(EquipmentKind.ReachInFreezer)]
    public void Faults_move_readings_the_way_of_the_textbooks(EquipmentKind kind)
    {
        var sound = With(kind, UnitFaults.None).Steady;
        Steady Of(UnitFaults faults)
        {
            var steady = With(kind, faults).Steady;
            output.WriteLine($"{faults}: {steady}");
            return steady;
        }

        var low = Of(new(ChargeLost: kind == EquipmentKind.WalkInCooler ? 0.65 : 0.45));
        Assert.True(low.Superheat > sound.Superheat + 2 && low.Subcooling < sound.Subcooling - 1 && low.RunShare > sound.RunShare);
        var dirty = Of(new(CondenserDirt: 0.6));
        Assert.True(dirty.Split > sound.Split + 4 && dirty.RunShare > sound.RunShare);
        var starved = Of(new(ValveShut: 0.55));
        Assert.True(starved.Superheat > sound.Superheat + 2 && starved.Td > sound.Td && starved.Subcooling > low.Subcooling);
        var air = Of(new(EvaporatorAir: 0.6));
        Assert.True(air.Td > sound.Td + 1 && air.Superheat < sound.Superheat + 1);
        var worn = Of(new(CompressorWear: 0.45));
        Assert.True(worn.Td < sound.Td - 0.5 && worn.RunShare > sound.RunShare + 0.1);
        var door = Of(new(DoorOpen: 0.5));
        Assert.True(door.RunShare > sound.RunShare + 0.08);
    }

    private static SimulatedUnit After(UnitDesign design, UnitFaults faults, Weather weather, int days = 1)
    {
        var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = faults };
        for (var s = 0; s < days * 86_400 || (s < (days + 1) * 86_400 && !(unit.CompressorRuns && unit.HeldS > 200)); s++)
            unit.Step(weather);
        return unit;
    }

    /// <summary>Its valve holds the head where the design has it; short of water the water comes out hot and close to condensing, and with
    /// scale condensing is far above the water that leaves.</summary>
    [Fact]
    public void A_condenser_in_water_goes_by_its_valve()
    {
        var design = UnitDesign.Of(EquipmentKind.WalkInCooler).InWater();
        Weather weather = new(26);
        var sound = After(design, UnitFaults.None, weather);
        Assert.InRange(sound.CondensingC, 31, 38);
        Assert.InRange(sound.CoolantOutC - sound.CoolantC, 6, 13);
        Assert.InRange(sound.CondensingC - sound.CoolantOutC, 3, 8);
        var few = After(design, new(WaterShort: 0.8), weather);
        Assert.True(few.CoolantOutC - few.CoolantC > 1.6 * (sound.CoolantOutC - sound.CoolantC));
        Assert.True(few.CondensingC - few.CoolantOutC < sound.CondensingC - sound.CoolantOutC);
        var shut = After(design, new(WaterValveOffK: 14), weather);
        Assert.InRange(shut.CondensingC, sound.CondensingC + 9, sound.CondensingC + 16);
        var scaled = After(design, new(Scale: 0.7), weather);
        Assert.True(scaled.CondensingC - scaled.CoolantOutC > 1.8 * (sound.CondensingC - sound.CoolantOutC));
        Assert.Equal(scaled.CoolantOutC,
            scaled.Shows(MeasuringPoint.CondenserAir, KeenEmber.Core.Quantities.Pressure.StandardAtmosphere).Number, 6);
    }

    /// <summary>In frost a valve floods the condenser and holds the head; stuck it lets it fall; without its winter charge the receiver
    /// runs out of liquid.</summary>
    [Fact]
    public void A_head_pressure_valve_floods_the_condenser_in_the_cold()
    {
        var design = UnitDesign.Of(EquipmentKind.WalkInFreezer) with { HasHeadValve = true };
        Weather frost = new(-6, RoomC: 24);
        var sound = After(design, UnitFaults.None, frost);
        Assert.InRange(sound.CondensingC, 22, 34);
        Assert.True(sound.SubcoolingK > 3);
        Assert.True(After(design, new(HeadValveOut: 1), frost).CondensingC < 15);
        var small = After(design, new(ChargeLost: 0.5), frost);
        Assert.True(small.SuperheatK > sound.SuperheatK + 3 && small.SubcoolingK < 1);
        Assert.True(After(design, new(ChargeLost: 0.5), new(26)).SubcoolingK > 2);
    }

    /// <summary>Cools, then not, then again, as ice shuts the tube and melts.</summary>
    [Fact]
    public void Moisture_freezes_and_melts_again()
    {
        var design = UnitDesign.Of(EquipmentKind.BottleCooler);
        var unit = new SimulatedUnit(design, 8) { Faults = new(Moisture: 0.9) };
        var (shut, times) = (false, 0);
        for (var s = 0; s < 86_400; s++)
        {
            unit.Step(new(26));
            var isShut = unit.IceShut > 0.85 || (shut && unit.IceShut > 0.2);
            times += isShut && !shut ? 1 : 0;
            shut = isShut;
        }

        Assert.InRange(times, 3, 24);
    }

    /// <summary>Warm and cold spells take turns, round the same mean.</summary>
    [Fact]
    public void Weather_goes_by_hour_and_by_spell()
    {
        Weather weather = new(15, 5, DriftK: 6);
        var days = Enumerable.Range(0, 9).Select(d => Enumerable.Range(0, 24).Average(h => weather.AirC(d * 24 + h))).ToList();
        Assert.InRange(days.Average(), 14.9, 15.1);
        Assert.InRange(days.Max() - days.Min(), 10, 12);
        Assert.True(weather.AirC(15) > weather.AirC(3) + 8);
        Assert.Equal([false, true, true, false], new[] { 6.0, 7, 18, 19 }.Select(weather.IsOpen));
    }

    [Fact]
    public void Every_case_to_try_things_on_runs_for_days_and_shows_something_at_every_point()
    {
        Assert.Distinct(BenchCases.All.Select(c => c.Name));
        foreach (var made in BenchCases.All)
        {
            var design = made.Design;
            var unit = new SimulatedUnit(design, design.TargetC + 1) { Faults = BenchCases.Find(made.Name)!.Faults };
            for (var s = 0; s < 2 * 86_400; s++)
                unit.Step(new(design.DesignAirC - 3, 3));
            foreach (var point in SimulatedUnit.Points)
            {
                var shown = unit.Shows(point, KeenEmber.Core.Quantities.Pressure.StandardAtmosphere);
                Assert.True(KeenEmber.Core.Quantities.QuantityReader.IsWithinPhysics(shown), $"{made.Name} {point} {shown.Number}");
            }
        }

        Assert.Null(BenchCases.Find("nowhere"));
    }
}
