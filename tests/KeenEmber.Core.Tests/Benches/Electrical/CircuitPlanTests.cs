using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>Usual diagrams, changes to them, and what becomes of a jumper.</summary>
public sealed class CircuitPlanTests
{
    private static readonly CircuitPlan Plan = CircuitTemplates.Of(Freezer, CircuitTemplate.Remote);

    private static PlannedPart Contact(string name, string a = "", string b = "") => new(name, WiredKind.Contact, a, b);

    public static TheoryData<CircuitTemplate> Templates => [.. Enum.GetValues<CircuitTemplate>()];

    [Theory]
    [MemberData(nameof(Templates))]
    public void Every_template_runs_what_it_calls_for_and_stops_what_it_does_not(CircuitTemplate template)
    {
        var plan = CircuitTemplates.Of(Freezer, template);
        Assert.Equal(plan.Parts.Count(), plan.Parts.Select(p => p.Name).Distinct().Count());
        Assert.All(plan.Parts.SelectMany(p => p.Moves ?? []), m => Assert.NotNull(plan.Part(m)));
        bool Runs(string part, CircuitMode mode)
        {
            var wiring = plan.In(mode, 208).Wiring;
            var volts = Tracer.Expected(wiring, wiring.Part(part)!.B)[wiring.Part(part)!.A];
            return volts > 80;
        }

        foreach (var load in plan.Parts.Where(p => p.Kind == WiredKind.Load))
        {
            if (load.Name.StartsWith("heater", StringComparison.Ordinal))
                Assert.Equal((false, true), (Runs(load.Name, CircuitMode.Calling), Runs(load.Name, CircuitMode.Defrost)));
            if (load.Name.Contains("compressor", StringComparison.Ordinal) || load.Name.StartsWith("winding", StringComparison.Ordinal))
                Assert.Equal((true, false, false), (Runs(load.Name, CircuitMode.Calling), Runs(load.Name, CircuitMode.Satisfied),
                    Runs(load.Name, CircuitMode.Defrost)));
        }
    }

    /// <summary>A change-over relay on 24 V is followed from its stage to what it moves.</summary>
    [Fact]
    public void Fans_that_run_in_a_defrost_are_traced_to_the_relay_that_drives_them()
    {
        var wiring = CircuitTemplates.Of(Freezer, CircuitTemplate.RackCaseStage).In(CircuitMode.Defrost, 208).Wiring;
        TraceReading[] seen =
            [TraceReading.Runs("evaporator fans", true), TraceReading.Runs("heaters", false), TraceReading.Volts("D1", "M", 24)];
        Assert.Equal("change-over relay", Tracer.Find(wiring, seen).Suspects[0].Of.Part);
        Assert.Contains(Tracer.Find(wiring, [.. seen[..2], TraceReading.Volts("D1", "M", 0.1), TraceReading.Volts("R", "M", 24)])
            .Suspects.Take(1), s => s.Of.Part == "defrost stage");
    }

    [Fact]
    public void A_unit_pumps_down_drips_and_can_be_switched_off()
    {
        var freezer = Freezer with { Circuit = Freezer.Circuit with { Parts = CircuitParts.Receiver | CircuitParts.LiquidSolenoid } };
        var plan = CircuitTemplates.Of(freezer, CircuitTemplate.Remote);
        bool Runs(string part, CircuitMode mode)
        {
            var wiring = plan.In(mode, 208).Wiring;
            return Tracer.Expected(wiring, "L2")[wiring.Part(part)!.A] > 150;
        }

        Assert.Equal((false, true), (Runs("liquid solenoid", CircuitMode.PumpingDown), Runs("compressor", CircuitMode.PumpingDown)));
        Assert.Equal((true, false, false),
            (Runs("compressor", CircuitMode.Drip), Runs("evaporator fans", CircuitMode.Drip), Runs("heaters", CircuitMode.Drip)));
        Assert.All(plan.Parts.Where(p => p.Kind == WiredKind.Load), p => Assert.False(Runs(p.Name, CircuitMode.Off)));
        Assert.DoesNotContain(CircuitMode.PumpingDown, CircuitTemplates.ModesOf(Freezer));
        Assert.Contains(CircuitMode.PumpingDown, CircuitTemplates.ModesOf(freezer));
    }

    [Fact]
    public void A_unit_begins_with_the_circuit_its_make_up_points_to()
    {
        Assert.Equal(CircuitTemplate.Remote, CircuitTemplates.Usual(Freezer));
        Assert.Equal(CircuitTemplate.BuiltIn, CircuitTemplates.Usual(Freezer with
        {
            Circuit = Freezer.Circuit with { Metering = Metering.CapillaryTube, Condenser = CondenserKind.AirCooledSelfContained },
        }));
    }

    [Fact]
    public void A_part_in_a_row_gets_a_terminal_of_its_own_and_taking_it_out_gives_back_the_diagram()
    {
        var longer = Plan.InsertBefore("compressor", Contact("door switch")).Plan!;
        var (door, compressor) = (longer.Part("door switch")!, longer.Part("compressor")!);
        Assert.Equal((Plan.Part("compressor")!.A, door.B), (door.A, compressor.A));
        Assert.DoesNotContain(door.B, Plan.TerminalNames);
        Assert.Equal(Plan, longer.TakeOut("door switch").Plan);
        Assert.Equal(["door switch"], longer.Since(Plan).Added.Select(p => p.Name));
    }

    [Fact]
    public void A_change_that_cannot_be_is_refused_with_its_reason()
    {
        Assert.Equal(PlanProblem.NameTaken, Plan.RenamePart("compressor", "condenser fan").Problem);
        Assert.Equal(PlanProblem.NotThere, Plan.RenamePart("door switch", "x").Problem);
        Assert.Equal(PlanProblem.NameTaken, Plan.Describe("L1", new("X", "", "")).Problem);
        Assert.Equal(PlanProblem.NameTaken, Plan.Describe("U", new("L2", "", "")).Problem);
        Assert.Equal(PlanProblem.NotThere, Plan.AddRung(Contact("loose", "U", "")).Problem);
        Assert.Equal(PlanProblem.SameTerminal, Plan.AddRung(Contact("loop", "U", "U")).Problem);
        Assert.Equal(PlanProblem.NameTaken, Plan.AddRung(Contact("compressor", "U", "L1")).Problem);
    }

    [Fact]
    public void A_coil_goes_on_moving_a_contact_that_is_renamed()
    {
        var renamed = Plan.RenamePart("contactor pole", "pole").Plan!;
        Assert.Equal(["pole"], renamed.Part("contactor coil")!.Moves!);
        Assert.Equal("C9", Plan.Describe("C1", new("C9", "brown", "roof box")).Plan!.Part("contactor coil") is { } ? "C9" : "");
        Assert.Equal("brown", Plan.Describe("C1", new("C9", "brown", "roof box")).Plan!.Terminal("C9").Wire);
    }

    [Fact]
    public void Any_renaming_of_terminals_leaves_every_voltage_as_it_was() => Prop.ForAll(
        Gen.Elements<string>([.. Plan.TerminalNames]).Zip(Gen.Choose(100, 999)).ToArbitrary(), drawn =>
        {
            var (terminal, number) = drawn;
            var change = Plan.Describe(terminal, new($"T{number}", "", ""));
            if (change.Plan is not { } renamed)
                return true;
            var (before, after) = (Volts(Plan), Volts(renamed));
            return Math.Abs(before[terminal] - after[$"T{number}"]) < 1e-6 && before.Count == after.Count;
        }).QuickCheckThrowOnFailure();

    private static IReadOnlyDictionary<string, double> Volts(CircuitPlan plan) =>
        Tracer.Expected(plan.In(CircuitMode.Calling, 208).Wiring, ControlDiagram.Return);

    /// <summary>What hangs between open contacts floats and is not live; a winding's side is live against its own other end.</summary>
    [Fact]
    public void Live_is_what_has_its_own_supply_and_no_phantom()
    {
        var stage = CircuitTemplates.Of(Freezer, CircuitTemplate.RackCaseStage);
        Assert.Equal(["1", "F", "K1", "L1", "R"], stage.In(CircuitMode.Calling, 208).Live.Order(StringComparer.Ordinal));
        Assert.DoesNotContain("D1", stage.In(CircuitMode.Calling, 208).Live);
        Assert.Contains("D1", stage.In(CircuitMode.Defrost, 208).Live);
        var star = CircuitTemplates.Of(Freezer, CircuitTemplate.ThreePhaseStar);
        Assert.DoesNotContain("H1", star.In(CircuitMode.Calling, 208).Live);
        Assert.Contains("H1", star.In(CircuitMode.Defrost, 208).Live);
    }

    [Fact]
    public void A_jumper_is_in_the_diagram_until_its_open_item_is_closed()
    {
        EntryHeader At(int minute) => new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde");
        var change = new ChangeEntry(At(2), "jumper 4 to C1", "", "test", "", OpenItemKind.Jumper, false);
        var diagram = new DiagramEntry(At(3), Plan.AddRung(Contact("jumper 4 to C1", "4", "C1") with { OpenItem = change.Id }).Plan!, "x");
        CircuitPlan Now(params Entry[] entries) => Worked.Of(entries).Of<ElectricalJudgement>()!.Diagram.Now;
        Assert.NotNull(Now(change, diagram).Part("jumper 4 to C1"));
        Assert.Null(Now(change, diagram, new ClosureEntry(At(9), change.Id, "out")).Part("jumper 4 to C1"));
    }

    [Fact]
    public void What_was_kept_on_an_earlier_visit_is_how_this_one_finds_it()
    {
        EntryHeader At(int minute) => new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde");
        var earlier = new DiagramEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddDays(-9), Nine, "Isolde"),
            Plan.RenamePart("box thermostat", "controller").Plan!, "x");
        var here = new DiagramEntry(At(3), earlier.Plan.TakeOut("clock motor").Plan!, "y");
        Timeline Visit(params Entry[] entries) => new(entries, Freezer, KeenEmber.Core.Quantities.Pressure.StandardAtmosphere);
        var (now, before) = (Visit(here), Visit(earlier));
        var unit = UnitDiagram.Of(now, [now, before], Freezer);
        Assert.Equal((true, earlier.Plan, here.Plan), (unit.IsKept, unit.AsFound, unit.Now));
        Assert.False(UnitDiagram.Of(Visit(), [], Freezer).IsKept);
    }

    [Fact]
    public void The_wires_of_a_part_are_those_of_its_terminals()
    {
        var wires = Plan.WiresOf(Plan.Part("contactor coil")!);
        Assert.Equal("C2", wires[0].Terminal.Name);
        Assert.Equal(["high-pressure control"], wires[0].GoesTo);
        Assert.Contains("compressor", wires[1].GoesTo);
    }
}
