using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Practice;

namespace KeenEmber.Core.Tests.Practice;

/// <summary>The meter of a case shows what is wrong in its diagram, and nothing else.</summary>
public sealed class PracticeMeterTests
{
    private static (PracticeMeter Meter, CircuitPlan Plan) Of(string cause, EquipmentKind kind, params string[] repaired)
    {
        var unit = kind == EquipmentKind.ReachInCooler ? new JobUnit(kind, Metering.CapillaryTube, CondenserKind.AirCooledSelfContained)
            : new JobUnit(kind, TargetC: kind == EquipmentKind.WalkInFreezer ? -20 : 3);
        var practised = new PracticeCase("x", 1, "", "", "", new("x", unit, cause.Length > 0 ? [cause] : [],
            new Dictionary<string, string> { ["complaint.warm"] = "yes", ["box"] = "9" }, new Dictionary<string, string>()));
        var equipment = PracticeUnit.Of(practised, Guid.NewGuid(), Guid.NewGuid());
        var plan = CircuitTemplates.Of(equipment, CircuitTemplates.Usual(equipment));
        var acts = repaired.Select(r => new PracticeAct(Guid.NewGuid(), PracticeStep.Repair, r)).ToList();
        return (new(new(practised, acts), plan), plan);
    }

    private static double Volts((PracticeMeter Meter, CircuitPlan Plan) of, string part)
    {
        var found = of.Plan.Part(part)!;
        return of.Meter.Between(found.A, found.B, isPowerOff: false)!.Value;
    }

    [Fact]
    public void Volts_lie_across_what_is_open_and_nowhere_else()
    {
        var open = Of("thermostat-open", EquipmentKind.WalkInCooler);
        Assert.InRange(Volts(open, "box thermostat"), 225, 231);
        Assert.InRange(Volts(open, "compressor"), 0, 1);
        var coil = Of("contactor-coil-open", EquipmentKind.WalkInCooler);
        Assert.InRange(Volts(coil, "box thermostat"), 0, 1);
        Assert.InRange(Volts(coil, "contactor coil"), 225, 231);
        Assert.InRange(Volts(coil, "contactor pole"), 225, 231);
        // With nothing lifted the meter sees the fans beside the coil: what is open reads more, not open.
        var whole = Of("", EquipmentKind.WalkInCooler).Meter.Between("C2", "L2", isPowerOff: true);
        Assert.InRange(coil.Meter.Between("C2", "L2", isPowerOff: true)!.Value, whole!.Value + 10, 200);
    }

    [Fact]
    public void What_was_repaired_is_no_longer_shown()
    {
        var burnt = Of("contactor-stuck", EquipmentKind.WalkInCooler);
        var repaired = Of("contactor-stuck", EquipmentKind.WalkInCooler, "contactor-stuck");
        var sound = Of("", EquipmentKind.WalkInCooler, "contactor-stuck");
        Assert.Equal(Volts(sound, "contactor pole"), Volts(repaired, "contactor pole"), 1);
        Assert.InRange(Volts(burnt, "contactor pole"), 0, 1);
    }

    [Fact]
    public void A_clamp_tells_a_load_that_is_open()
    {
        var open = Of("compressor-winding-open", EquipmentKind.ReachInCooler);
        Assert.Equal(0, open.Meter.Amps("compressor with start relay")!.Value, 1);
        Assert.InRange(Volts(open, "compressor with start relay"), 215, 231);
        Assert.True(open.Meter.Amps("condenser fan") > 0.3);
        Assert.Null(open.Meter.Amps("no such part"));
        Assert.Null(open.Meter.Between("L1", "nowhere", isPowerOff: false));
    }

    [Fact]
    public void Causes_of_diagrams_are_causes_of_the_table() => Assert.All(PracticeMeter.CausesInDiagrams,
        c => Assert.Contains(DiagnosisTable.Shipped.Causes, t => t.Code == c));

    /// <summary>Its valve shut, a unit that pumps down is stopped by its low-pressure control.</summary>
    [Fact]
    public void A_shut_liquid_valve_leaves_the_low_pressure_control_open()
    {
        var practised = PracticeCase.Find("creamery-solenoid")!;
        var equipment = PracticeUnit.Of(practised, Guid.NewGuid(), Guid.NewGuid());
        var plan = CircuitTemplates.Of(equipment, CircuitTemplates.Usual(equipment));
        var meter = new PracticeMeter(new(practised, []), plan);
        Assert.InRange(Volts((meter, plan), "low-pressure control"), 225, 231);
        Assert.InRange(Volts((meter, plan), "liquid solenoid"), 225, 231);
        Assert.Equal(0, meter.Amps("liquid solenoid")!.Value, 2);
        Assert.InRange(Volts((meter, plan), "compressor"), 0, 1);
    }

    /// <summary>What the meter shows in every case of the library does not contradict what is seen there of the compressor.</summary>
    [Fact]
    public void In_every_case_a_compressor_that_runs_has_its_volts()
    {
        foreach (var practised in PracticeCase.All)
        {
            var equipment = PracticeUnit.Of(practised, Guid.NewGuid(), Guid.NewGuid());
            var plan = CircuitTemplates.Of(equipment, CircuitTemplates.Usual(equipment));
            var run = new PracticeRun(practised, []);
            if (run.World.Observables.FirstOrDefault(o => o.Code == "compressor") is not { } seen
                || run.World.Answer(seen).Answer != "running"
                || plan.Parts.FirstOrDefault(p => p.Component?.Kind == ComponentKind.Compressor && p.Kind == WiredKind.Load)
                    is not { } compressor)
                continue;
            Assert.True(new PracticeMeter(run, plan).Between(compressor.A, compressor.B, isPowerOff: false) > 200, practised.Code);
        }
    }
}
