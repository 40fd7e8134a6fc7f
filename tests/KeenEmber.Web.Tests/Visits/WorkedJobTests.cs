namespace KeenEmber.Web.Tests.Visits;

/// <summary>Whole jobs, from the complaint to the report, worked by the tests the panel asks for: what is said, and what never is.
/// </summary>
public sealed class WorkedJobTests : IDisposable, IClassFixture<EmptyWeb>
{
    private readonly TestApp app;
    private readonly Person person;
    private string visit = "";

    public WorkedJobTests(EmptyWeb web) => person = new(app = web.Begin());

    public void Dispose() => person.Dispose();

    /// <summary>A unit at a site of its own, with a visit to it under way.</summary>
    private void Start(string complaint, string kind, string target, params string[] choices)
    {
        person.Go("/equipment/new").Type("#tag", "J-1").Type("#site", app.Site).Type("#refrigerant", "R134a").Type("#target", target)
            .Tap($"#kind option[value={kind}]");
        foreach (var choice in choices)
        {
            if (choice.StartsWith('#'))
                person.Tap(choice);
            else
                person.Type($"#{choice.Split('=')[0]}", choice.Split('=')[1]);
        }

        person.Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Type("#complaint", complaint).Press("Start a visit");
        visit = person.Path[..person.Path.LastIndexOf('/')];
    }

    private void Log(params string[] lines)
    {
        foreach (var line in lines)
            person.Log(line);
    }

    private string Panel() => person.Read(".panel");

    private void Says(params string[] parts) => Assert.All(parts, p => Assert.Contains(p, Panel(), StringComparison.OrdinalIgnoreCase));

    private void Never(params string[] parts) => Assert.All(parts, p =>
        Assert.DoesNotContain(p, Panel(), StringComparison.OrdinalIgnoreCase));

    /// <summary>What the customer's page and the service report say.</summary>
    private string Report(string audience = "lead")
    {
        var said = person.Go($"{visit}/report?for={audience}").Read("#main");
        person.Go($"{visit}/circuit");
        return said;
    }

    private void SignOff(string cause) =>
        person.Station("close").Type("#rootCause", cause).Press("Sign the visit off").ReadUntil("main", "Sign off again");

    /// <summary>Answers the tests that the panel asks for, as a technician who sees what is so; what is not said is as it should
    /// be.</summary>
    /// <param name="until">Words of the sentence at the head of the panel that end it.</param>
    /// <returns>The tests that were asked for.</returns>
    private List<string> Work(string until, Dictionary<string, string> answers)
    {
        var asked = new List<string>();
        while (!person.Read(".stands").Contains(until, StringComparison.OrdinalIgnoreCase))
        {
            Assert.True(asked.Count < 24, $"{until} is not said after {string.Join(' ', asked)}: {person.Read(".stands")}");
            Assert.True(person.SeesNow(".test-next"), $"No test is asked for after {string.Join(' ', asked)}: {Panel()}");
            var code = person.See(".test-next").GetAttribute("data-test")!;
            asked.Add(code);
            var answer = answers.GetValueOrDefault(code, "");
            if (person.SeesNow(".test-next input[name=number]"))
            {
                person.Type(".test-next input[name=number]", answer);
                answer = answer.Length > 0 ? "number" : "cannot";
            }

            person.Tap($".test-next button{(answer.Length > 0 ? $"[value=\"{answer}\"]" : ".answer")}");
        }

        return asked;
    }

    [Fact]
    public void A_condenser_fan_that_stands_is_the_finding_and_its_capacitor_the_cause()
    {
        Start("Thirteen degrees in there", "WalkInCooler", "4");
        Log("box 13, fans on, coil clear", "cond fan off", "comp on 20 min", "liq 58");
        Says("condenser fan is stopped", "Switch");
        Never("another refrigerant", "check the reading", "overfed", "not possible");
        Log("cond fan cap 5.2 of 8");
        Says("condenser fan capacitor");
        app.Clock.Later(20);
        Log("replaced cond fan cap", "cond fan on, comp on");
        app.Clock.Later(50);
        Log("head 8.2, amb 25", "box 5");
        Never("another refrigerant", "condenser fan is stopped", "not possible", "weak");
        SignOff("Condenser fan capacitor weak");
        var report = Report();
        Assert.Contains("Condenser fan capacitor weak", report, StringComparison.Ordinal);
        Assert.DoesNotContain("another refrigerant", report, StringComparison.Ordinal);
    }

    [Fact]
    public void One_side_warm_beside_one_frozen_is_turned_and_not_measured()
    {
        Start("One side warm, other side frozen", "OpenCase", "5", "#coils option[value=\"2\"]", "#condenser option[value=Rack]",
            "rackCircuit=B-12");
        Log("box 14, side b -4");
        Says("which side follows");
        Never("compressor");
        person.Station("controls");
        Assert.Contains("B-12", Report(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_water_cooled_head_with_warm_water_leaving_is_short_of_water()
    {
        Start("Trips in the afternoon", "WalkInCooler", "4", "#condenser option[value=WaterCooled]");
        Log("box 8, comp on 30 min, fans on, coil clear", "head 12.6, water in 19, water out 47");
        Says("too little water", "water valve", "strainer", "supply", "rise of the water 28.0 K");
        Never("within target", "scale");
        Log("strainer clean, water valve backed out");
        Says("Cause found: water valve opens too little");
        Log("water valve set");
        Never("too little water", "Cause found");
        app.Clock.Later(20);
        Log("head 8.6, water in 19, water out 29");
        Never("too little water", "too hot", "does not add up");
        person.Station("close");
        Assert.Equal("water valve opens too little", person.Value("#rootCause"));
        var good = person.Read("[data-ruled-out]");
        Assert.Contains("water strainer, taken out: clear", good, StringComparison.Ordinal);
        Assert.DoesNotContain("box air", good, StringComparison.Ordinal);
    }

    [Fact]
    public void A_breaker_that_went_in_a_defrost_is_left_off_until_the_lead_is_found_and_its_danger_ends_with_the_repair()
    {
        Start("Smells burnt, breaker down", "WalkInFreezer", "-20");
        Log("breaker tripped, smells burning, fans off", "clock in defrost");
        Says("Leave it off. Lock out", "heater", "went in defrost");
        Never("fan running", "cannot breathe");
        Log("fan leads clear, heaters grounded", "heater lead chafed at the bracket");
        Says("Leave it off until it is repaired", "heater lead chafed through");
        Log("heater lead rerouted and clipped");
        Says("test it to earth once more");
        Never("switch it on", "thaw");
        Log("heaters clear to earth");
        Never("switch it on");
        Log("reset breaker");
        Never("burns", "Leave it off", "Danger", "grounded");
        person.Station("close");
        Assert.Equal("heater lead chafed through", person.Value("#rootCause"));
        Assert.Equal("The cause was found, not seen to trip it.", person.Value("#notReproduced"));
        Assert.DoesNotContain("all stopped", person.Read("[data-ruled-out]"), StringComparison.Ordinal);
    }

    [Fact]
    public void Everything_stands_in_a_defrost_and_nothing_is_wrong()
    {
        Start("Everything stands still", "WalkInFreezer", "-20");
        Log("box -19", "clock in defrost", "fans off, comp off", "heater amps 3");
        Says("It is in its defrost", "Nothing is wrong");
        Never("airflow", "every evaporator fan", "is calling");
        app.Clock.Later(20);
        Log("defrost off, fans on, comp on 10 min, coil clear");
        app.Clock.Later(40);
        Log("box -19.5");
        Says("at its target");
        SignOff("No fault: it was in its defrost");
        Assert.DoesNotContain("fault found", Report("customer"), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void Two_burnt_fans_have_a_reason()
    {
        Start("Warm, both fans stand", "WalkInFreezer", "-20", "fans=2");
        Log("fans off, comp on, box -12");
        foreach (var fan in new[] { 1, 2 })
        {
            person.Go($"{visit}/electrical?of=EvaporatorFan/{fan}&test=Coil").Type("#ohms", "open").Press("Judge the")
                .See($"[data-part='EvaporatorFan/{fan}'][data-verdict=Open]");
        }

        var asked = Work("fan delay opens and closes", new()
        {
            ["fan-voltage"] = "live", ["delay-cycles"] = "yes", ["delay-switch"] = "off-rating", ["fan-motor"] = "free",
            ["compressor"] = "running", ["frost-pattern"] = "none",
        });
        Assert.Contains(asked, a => a is "delay-cycles" or "delay-switch");
        Says("fan motors");
    }

    [Fact]
    public void A_case_iced_behind_two_fans_is_asked_how_it_defrosts_before_it_is_thawed()
    {
        Start("Iced behind two of four fans", "WalkInFreezer", "-20");
        Log("coil iced, fans on, box -12");
        var asked = Work("defrost relay does not change over", new()
        {
            ["fans-in-defrost"] = "on", ["heaters.current"] = "0", ["relay-coil"] = "live", ["heater-volts"] = "dead",
            ["defrost-relay"] = "not-changing", ["defrosts"] = "as-set", ["ice-left"] = "some", ["end-by"] = "time-limit",
        });
        Assert.Contains("defrost-on", asked);
        Says("fans run in the defrost", "coil is iced");
        Never("every evaporator fan", "Thaw");
    }

    [Fact]
    public void Fans_locked_in_ice_are_not_dead_and_the_drain_is_why()
    {
        Start("Base warm, rail fine", "PrepTable", "3");
        Log("box 11, coil iced, fans off, comp on", "fans locked in ice");
        Work("drain blocked", new() { ["frost-pattern"] = "bottom", ["drain"] = "blocked", ["fan-voltage"] = "live",
            ["floor-water"] = "found" });
        Says("melt water does not run off");
        Never("fan motor dead.", "gauges");
        Log("control scaled");
        app.Clock.Later(60);
        Log("note: thawed, drain cleared");
        Never("every evaporator fan");
    }

    [Fact]
    public void A_system_that_should_call_and_does_not_is_traced_to_its_thermostat()
    {
        Start("Never gets below -15", "WalkInFreezer", "-21");
        Log("box -15, comp off, cond fan off, fans on");
        Never("as it should be");
        Work("thermostat acts below its setting", new()
        {
            ["shown-mode"] = "satisfied", ["thermostat-turned"] = "makes", ["thermostat-across"] = "open", ["discharge-hand"] = "cool",
            ["output.compressor"] = "uncalled-dead", ["contactor"] = "out", ["contactor-coil"] = "dead", ["comp-volts"] = "dead",
            ["solenoid-magnet"] = "none", ["low-side"] = "low", ["shell"] = "cold", ["cutin-error"] = "-6", ["box-probe.error"] = "0",
            ["display"] = "0", ["condfan-voltage"] = "dead", ["output.valve"] = "uncalled-dead", ["contactor-out"] = "dead",
        });
        Never("as it should be");
    }

    [Fact]
    public void A_sealed_cooler_that_comes_and_goes_is_moist_by_its_story_alone()
    {
        Start("Cools, then not, then again", "BottleCooler", "4");
        Log("comp on, box 10, fans on", "cools after a rest");
        Says("moisture in the circuit");
        Never("suction pressure", "not possible", "gauge");
        Work("moisture in the circuit", []);
    }

    [Fact]
    public void Fans_that_run_over_cold_heaters_in_a_forced_defrost_are_one_fault_until_its_relay_is_replaced()
    {
        Start("Iced behind two of the four fans", "OpenCase", "-20", "fans=4");
        Log("box -12, coil iced, fans on, comp on", "drain clear");
        app.Clock.Later(4);
        Log("defrost on", "fans on, heater amps 0");
        Says("has not changed over explains both", "defrost relay does not change over");
        Never("Heater grounded", "every evaporator fan");
        Log("24 V at the relay coil", "defrost relay contact stays open");
        app.Clock.Later(20);
        Log("replaced defrost relay");
        Never("Cause found", "has not changed over");
        app.Clock.Later(30);
        Log("fans off, heater amps 9.4");
        Says("in its defrost", "whole defrost watched");
        Never("Find out why", "Cause found", "Likely cause");
        app.Clock.Later(50);
        Log("defrost over, fans on, comp on, coil clear");
        SignOff("Defrost relay");
        var report = Report();
        Assert.Contains("one relay or switch that has not changed over explains both", report, StringComparison.Ordinal);
        Assert.Contains("Heaters 0.0 A at 09:04; 9.4 A at 09:30.", report, StringComparison.Ordinal);
    }

    /// <summary>What goes with it is not told in one breath with what is as good as certain.</summary>
    [Fact]
    public void Probes_that_are_off_after_somebody_elses_board_are_swapped_whatever_else_is_wrong()
    {
        Start("Frozen milk at the back, ice on the coil", "ReachInCooler", "3", "#metering option[value=CapillaryTube]",
            "#condenser option[value=AirCooledSelfContained]");
        Log("board replaced nine days ago by somebody else", "box 3, coil iced, fans on, comp on", "display 3");
        Never("Cause found");
        Log("end probe reads 11 K high", "suction probe shows 10 K less than its line");
        Says("Likely cause: two sensors swapped", "defrosts end before the coil is clear");
        Never("Cause found", "Likely cause: box sensor", "thaw it first", "give it longer");
        Assert.DoesNotContain("box sensor", person.Read(".because"), StringComparison.Ordinal);
        Assert.Contains("replaced 9 days before", person.Go($"{visit}/record").Read(".timeline"),
            StringComparison.OrdinalIgnoreCase);
        Assert.Contains("replaced 9 days before", Report(), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void A_reach_in_whose_compressor_is_called_and_silent_gets_its_relay()
    {
        Start("Warm, but the light is on", "ReachInCooler", "3", "current=2.2", "#metering option[value=CapillaryTube]",
            "#condenser option[value=AirCooledSelfContained]");
        Log("box 14, fans on, cond fan running, comp off", "shell cold", "comp off");
        Says("call arrives", "Overload of the compressor", "discharge the capacitor");
        Never("is calling", "superheat", "sight glass");
        Log("comp windings 2.4 9.8 12.1");
        app.Clock.Later(20);
        Log("replaced start relay", "comp on, comp amps 1.9");
        app.Clock.Later(60);
        Log("box 4");
        Never("superheat", "does not start", "overload");
        person.Station("prove");
        Assert.DoesNotContain("superheat", person.Read(".station-body"), StringComparison.OrdinalIgnoreCase);
        SignOff("Start relay open");
        Assert.Contains("Start relay open", Report("customer"), StringComparison.Ordinal);
    }
}
