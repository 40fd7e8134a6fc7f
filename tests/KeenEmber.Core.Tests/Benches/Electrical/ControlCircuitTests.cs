using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>Control circuits as they are met, each with one fault and what is measured on the way to it.</summary>
public sealed class ControlCircuitTests
{
    private static readonly WiredSource Supply = new("supply", 208, 0, "L1", "L2");

    private static Wiring Circuit(params WiredPart[] parts) => new([Supply], parts);

    private static PartFault Lead(Wiring wiring, params TraceReading[] readings) => Tracer.Find(wiring, readings).Suspects[0].Of;

    /// <summary>Three phases to a motor by one contactor.</summary>
    private static readonly Wiring ThreePhase = new(
        [new("L1", 120, 0, "A", "N"), new("L2", 120, -120, "B", "N"), new("L3", 120, 120, "C", "N")],
        [
            new("fuse 1", WiredKind.Fuse, "A", "A1"), new("fuse 2", WiredKind.Fuse, "B", "B1"), new("fuse 3", WiredKind.Fuse, "C", "C1"),
            new("pole 1", WiredKind.Contact, "A1", "U"), new("pole 2", WiredKind.Contact, "B1", "V"),
            new("pole 3", WiredKind.Contact, "C1", "W"),
            new("winding 1", WiredKind.Load, "U", "V", Ohms: 30, ReactanceOhms: 40),
            new("winding 2", WiredKind.Load, "V", "W", Ohms: 30, ReactanceOhms: 40),
            new("winding 3", WiredKind.Load, "W", "U", Ohms: 30, ReactanceOhms: 40),
        ]);

    [Fact]
    public void A_blown_fuse_of_three_is_told_from_the_voltage_that_comes_back_through_the_motor()
    {
        // Behind the dead fuse there is voltage against the other phases, through the windings: half of it, not none.
        var trace = Tracer.Find(ThreePhase, [TraceReading.Volts("A1", "B1", 104), TraceReading.Volts("B1", "C1", 206)]);
        Assert.Contains(trace.Suspects[0].Of.Part, new[] { "fuse 1", "L1" });
        Assert.Equal(new PartFault("fuse 1", WiredFault.Open),
            Lead(ThreePhase, TraceReading.Volts("A1", "B1", 104), TraceReading.Volts("B1", "C1", 206), TraceReading.Volts("A", "B", 208),
                TraceReading.Volts("A", "A1", 178)));
    }

    [Fact]
    public void A_relay_that_drives_a_relay_is_followed_to_the_coil_that_is_open()
    {
        // 24 V from the board pulls a small relay, whose contact pulls the change-over relay, which holds the fans off in defrost.
        var wiring = new Wiring([Supply, new("24 V", 24, 0, "P", "M")],
        [
            new("board contact", WiredKind.Contact, "P", "p1"), new("small relay", WiredKind.Coil, "p1", "M", Ohms: 300, Moves: ["R1"]),
            new("R1", WiredKind.Contact, "L1", "1"), new("change-over relay", WiredKind.Coil, "1", "L2", Ohms: 2000, Moves: ["R2 fans"]),
            new("R2 fans", WiredKind.Contact, "L1", "2", Closed: false), new("fans", WiredKind.Load, "2", "L2", Ohms: 150),
        ]);
        Assert.Equal("fans", Assert.Single(wiring.Parts, p => p.Kind == WiredKind.Load).Id);
        TraceReading[] known = [TraceReading.Runs("fans", true), TraceReading.Volts("1", "L2", 0.2)];
        Assert.DoesNotContain(Tracer.Find(wiring, known).Suspects.Take(3), s => s.Of.Part == "change-over relay");
        Assert.Equal(new PartFault("small relay", WiredFault.Open),
            Lead(wiring, [.. known, TraceReading.Volts("p1", "M", 24), new(TraceKind.Clicks, "", "", "small relay", 0)]));
        Assert.Equal("change-over relay", Lead(wiring, TraceReading.Runs("fans", true), TraceReading.Volts("1", "L2", 208),
            new(TraceKind.Clicks, "", "", "change-over relay", 0)).Part);
    }

    /// <summary>Two loads of one box on each other's outputs: what is called stands, what is not called runs.</summary>
    [Fact]
    public void Two_wires_on_each_others_terminals_explain_what_no_single_fault_does()
    {
        var wiring = Circuit(
            new("fan output", WiredKind.Contact, "L1", "F", Where: "control"),
            new("fans", WiredKind.Load, "F", "L2", Ohms: 150, Where: "control"),
            new("heat output", WiredKind.Contact, "L1", "H", Closed: false, Where: "control"),
            new("heaters", WiredKind.Load, "H", "L2", Ohms: 25, Where: "control"));
        TraceReading[] seen = [TraceReading.Runs("fans", false), TraceReading.Runs("heaters", true), TraceReading.Volts("F", "L2", 207),
            TraceReading.Volts("H", "L2", 0.2)];
        var lead = Tracer.Find(wiring, seen).Suspects[0].Of;
        Assert.Equal((WiredFault.Swapped, "fans", "heaters"), (lead.Fault, lead.Part, lead.With));
    }

    /// <summary>Before anything is measured, what was worked on last is suspected sooner than its like.</summary>
    [Fact]
    public void A_part_that_was_worked_on_is_suspected_sooner()
    {
        var wiring = Circuit(new("K1", WiredKind.Contact, "L1", "1"), new("K2", WiredKind.Contact, "1", "2"),
            new("valve", WiredKind.Load, "2", "L2", Ohms: 900));
        double Of(string part, params string[] worked) => Tracer.Find(wiring, [TraceReading.Runs("valve", false)],
            worked: worked.ToHashSet()).Suspects.Where(s => s.Of.Part == part).Sum(s => s.Probability);
        Assert.Equal(Of("K1"), Of("K2"), 0.02);
        Assert.True(Of("K2", "K2") > 2 * Of("K1", "K2"));
    }

    [Fact]
    public void A_control_transformer_that_gives_nothing_is_found_by_both_its_sides()
    {
        var wiring = Circuit(new WiredPart("transformer", WiredKind.Transformer, "L1", "L2", C: "R", D: "C", Ratio: 208 / 24.0),
            new("control", WiredKind.Contact, "R", "Y"), new("contactor coil", WiredKind.Coil, "Y", "C", Ohms: 20, ReactanceOhms: 30));
        var sound = Tracer.Find(wiring, [TraceReading.Volts("R", "C", 23)]);
        Assert.InRange(sound.Expected[0], 21, 24.5);
        Assert.Equal(new PartFault("transformer", WiredFault.Open),
            Lead(wiring, TraceReading.Volts("R", "C", 0), TraceReading.Volts("L1", "L2", 207)));
    }

    [Fact]
    public void A_contact_that_closes_badly_shows_as_volts_across_it()
    {
        var wiring = Circuit(new WiredPart("end switch", WiredKind.Contact, "L1", "1"), new("terminal 4", WiredKind.Wire, "1", "2"),
            new("heaters", WiredKind.Load, "2", "L2", Ohms: 20));
        var trace = Tracer.Find(wiring, [TraceReading.Volts("2", "L2", 170), TraceReading.Volts("L1", "1", 38)]);
        Assert.Equal(new PartFault("end switch", WiredFault.HighResistance), trace.Suspects[0].Of);
    }

    [Fact]
    public void With_the_power_off_an_open_heater_is_ohms_without_end_and_a_lifted_lead_is_not_asked_for()
    {
        var wiring = Circuit(new WiredPart("clock", WiredKind.Contact, "L1", "4", Closed: false),
            new("heater", WiredKind.Load, "4", "L2", Ohms: 40));
        Assert.Equal(new PartFault("heater", WiredFault.Open), Lead(wiring, new TraceReading(TraceKind.Ohms, "4", "L2", "", 5e7)));
        Assert.NotEqual(new PartFault("heater", WiredFault.Open), Lead(wiring, new TraceReading(TraceKind.Ohms, "4", "L2", "", 40)));
    }

    [Fact]
    public void An_earthed_lead_pulls_its_terminal_to_earth()
    {
        var wiring = new Wiring([new("supply", 120, 0, "L", "N", 0.5)],
        [
            new("switch", WiredKind.Contact, "L", "1"), new("fan lead", WiredKind.Wire, "1", "2", Ohms: 4),
            new("fan", WiredKind.Load, "2", "N", Ohms: 100), new("case", WiredKind.Load, "PE", "N", Ohms: 1e6),
        ]);
        var trace = Tracer.Find(wiring, [TraceReading.Volts("2", "PE", 12), TraceReading.Volts("1", "PE", 95)]);
        Assert.Equal(WiredFault.ToEarth, trace.Suspects[0].Of.Fault);
    }

    [Fact]
    public void A_reading_that_nothing_explains_is_named_and_the_meter_is_suspected()
    {
        var wiring = Circuit(new WiredPart("switch", WiredKind.Contact, "L1", "1"), new("coil", WiredKind.Load, "1", "L2", Ohms: 500));
        var trace = Tracer.Find(wiring, [TraceReading.Volts("L1", "L2", 208), TraceReading.Volts("1", "L2", 415), TraceReading.Volts("1",
            "L2", 415)]);
        Assert.Contains(trace.Suspects.Take(2), s => s.Of.Part == Tracer.Meter);
        Assert.Contains(1, trace.Unexplained);
    }

    [Fact]
    public void The_next_pair_is_never_one_that_cannot_tell_and_the_place_counts()
    {
        var wiring = Circuit(new WiredPart("clock", WiredKind.Contact, "L1", "4", Where: "panel"),
            new("thermostat", WiredKind.Contact, "4", "T", Where: "box"),
            new("valve", WiredKind.Load, "T", "L2", Ohms: 300, Where: "coil"));
        var trace = Tracer.Find(wiring, [TraceReading.Runs("valve", false)], at: "panel");
        Assert.All(trace.Next, n => Assert.True(n.Bits > 0));
        Assert.Equal("panel", trace.Next[0].Where);
        Assert.Equal(208, Tracer.Find(wiring, [TraceReading.Volts("4", "L2", 208)]).Expected[0], tolerance: 1);
    }
}
