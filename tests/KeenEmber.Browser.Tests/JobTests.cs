using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>Whole jobs on a phone, from the complaint to the report: what is said, and what never is.</summary>
public sealed class JobTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly Person person;
    private string visit = "";

    public JobTests() => person = new(app, phone: true);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    /// <summary>A unit on an empty record, with a visit to it under way.</summary>
    private void Start(string complaint, string kind, string target, params string[] choices)
    {
        person.Go("/equipment/new").Type("#tag", "J-1").Type("#refrigerant", "R134a").Type("#target", target)
            .Tap($"#kind option[value={kind}]").Tap(".later summary");
        foreach (var choice in choices)
        {
            if (choice.StartsWith('#'))
                person.Tap(choice);
            else
                person.Type($"#{choice.Split('=')[0]}", choice.Split('=')[1]);
        }

        person.Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Type("#complaint", complaint).Press("Start a visit").See("#line");
        visit = person.Path[..person.Path.LastIndexOf('/')];
    }

    private void Log(params string[] lines)
    {
        foreach (var line in lines)
        {
            // What was said of the line before must not be taken for the answer to this one.
            person.Run<bool>("document.querySelector('#understood').textContent = ''; return true");
            person.Type("#line", line).Keys(OpenQA.Selenium.Keys.Enter).ReadUntil("#understood", "saved");
        }
    }

    private string Text(string selector) => person.Run<string>($"return document.querySelector('{selector}').textContent");

    private string Panel() => Text(".panel");

    private void Says(params string[] parts) => Assert.All(parts, p => Assert.Contains(p, Panel(), StringComparison.OrdinalIgnoreCase));

    private void Never(params string[] parts) => Assert.All(parts, p =>
        Assert.DoesNotContain(p, Panel(), StringComparison.OrdinalIgnoreCase));

    /// <summary>What the customer's page and the service report say.</summary>
    private string Report(string audience = "lead")
    {
        person.Go($"{visit}/report?for={audience}");
        var said = Text("#main");
        person.Go($"{visit}/circuit");
        return said;
    }

    private void SignOff(string cause) =>
        person.Station("close").Type("#rootCause", cause).Press("Sign the visit off").ReadUntil("main", "Sign off again");

    [Fact]
    public void A_reach_in_whose_compressor_is_called_and_silent_gets_its_relay()
    {
        Start("Warm, but the light is on", "ReachInCooler", "3", "#metering option[value=CapillaryTube]",
            "#condenser option[value=AirCooledSelfContained]", "current=2.2");
        Log("box 14, fans on, cond fan running, comp off", "shell cold", "comp off");
        Says("call arrives", "Overload of the compressor", "discharge the capacitor");
        Never("is calling", "superheat", "sight glass");
        Log("comp windings 2.4 9.8 12.1");
        app.Later(20);
        Log("replaced start relay", "comp on, comp amps 1.9");
        app.Later(60);
        Log("box 4");
        Never("superheat", "does not start", "overload");
        person.Station("prove");
        Assert.DoesNotContain("superheat", Text(".station-body"), StringComparison.OrdinalIgnoreCase);
        SignOff("Start relay open");
        Assert.Contains("Start relay open", Report("customer"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_breaker_that_went_in_defrost_is_left_off_until_the_heater_lead_is_found()
    {
        Start("Smells burnt, breaker down", "WalkInFreezer", "-20");
        Log("breaker tripped, fans off", "clock in defrost", "smell burning");
        Says("Leave it off", "heaters and fan leads first");
        Never("airflow", "every evaporator fan");
        Log("wiring chafed", "note: heater lead chafed through at the bracket; the others clear to earth");
        Says("Leave it off");
        app.Later(40);
        Log("reset breaker", "wiring sound, breaker on, smell none", "heat on", "heater amps 6.1 6.0 6.1");
        Never("Leave it off", "airflow");
        app.Later(60);
        Log("heat off", "defrost off, fans on, comp on");
        Assert.Contains("A breaker or fuse went", Report(), StringComparison.Ordinal);
        app.Restart();
        person.Go($"{visit}/circuit");
        Never("Leave it off");
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
        app.Later(20);
        Log("replaced cond fan cap", "cond fan on, comp on");
        app.Later(50);
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
        Log("box 6, comp on 30 min, fans on, coil clear", "head 12.9", "water off 47");
        Says("condenses too far above");
        Never("within targets", "on target");
    }

    [Fact]
    public void Everything_stands_in_a_defrost_and_nothing_is_wrong()
    {
        Start("Everything stands still", "WalkInFreezer", "-20");
        Log("box -19", "clock in defrost", "fans off, comp off", "heater amps 3");
        Says("It is in its defrost", "Nothing is wrong");
        Never("airflow", "every evaporator fan", "is calling");
        app.Later(20);
        Log("defrost off, fans on, comp on 10 min, coil clear");
        app.Later(40);
        Log("box -19.5");
        Says("at its target");
        SignOff("No fault: it was in its defrost");
        Assert.DoesNotContain("fault found", Report("customer"), StringComparison.OrdinalIgnoreCase);
    }

    /// <summary>Answers the tests that the panel asks for, as a technician who sees what is so; what is not said is as it should
    /// be.</summary>
    /// <param name="until">Words of the sentence at the head of the panel that end it.</param>
    /// <returns>The tests that were asked for.</returns>
    private List<string> Work(string until, Dictionary<string, string> answers, int most = 16)
    {
        var asked = new List<string>();
        while (!Text(".stands").Contains(until, StringComparison.OrdinalIgnoreCase))
        {
            Assert.True(asked.Count < most, $"{until} is not said after {string.Join(' ', asked)}: {Text(".stands")}");
            var code = person.Run<string>("return document.querySelector('.test-next')?.dataset.test ?? ''");
            Assert.True(code.Length > 0, $"No test is asked for after {string.Join(' ', asked)}: {Panel()}");
            asked.Add(code);
            var answer = answers.GetValueOrDefault(code, "");
            if (person.Run<bool>("return document.querySelector('.test-next input[name=number]') !== null"))
            {
                person.Run<bool>($"document.querySelector('.test-next input[name=number]').value = '{answer}'; return true");
                answer = answer.Length > 0 ? "number" : "cannot";
            }

            var button = answer.Length > 0 ? $"[value=\"{answer}\"]" : ".answer";
            person.Run<bool>($"document.querySelector('.test-next button{button}').click(); return true");
            person.Wait(() => person.Run<string>("return document.querySelector('.test-next')?.dataset.test ?? ''") != code);
        }

        return asked;
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
        Start("Base warm, rail fine", "PrepTable", "3", "#metering option[value=CapillaryTube]",
            "#condenser option[value=AirCooledSelfContained]");
        Log("box 11, coil iced, fans off, comp on", "fans locked in ice");
        Work("drain blocked", new() { ["frost-pattern"] = "bottom", ["drain"] = "blocked", ["fan-voltage"] = "live",
            ["floor-water"] = "found" });
        Says("melt water does not run off");
        Never("fan motor dead.", "gauges");
        Log("control scaled");
        app.Later(60);
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
        }, 24);
        Never("as it should be");
    }

    [Fact]
    public void A_sealed_cooler_that_comes_and_goes_is_moist_by_its_story_alone()
    {
        Start("Cools, then not, then again", "BottleCooler", "4", "#metering option[value=CapillaryTube]",
            "#condenser option[value=AirCooledSelfContained]");
        Log("comp on, box 10, fans on", "cools after a rest");
        Says("moisture in the circuit");
        Never("suction pressure", "not possible", "gauge");
        Work("moisture in the circuit", []);
    }

    [Fact]
    public void A_callback_after_a_board_finds_the_sensors_that_were_swapped()
    {
        Start("Ice on the coil", "IceMerchandiser", "-8", "#metering option[value=ElectronicValve]",
            "#condenser option[value=AirCooledSelfContained]");
        Log("coil iced, fans on, box -5", "replaced controller");
        person.Station("close").Press("Sign the visit off").ReadUntil("main", "Sign off again");
        app.Later(9 * 24 * 60);
        person.Unit("J-1");
        person.Type("#author", "Tobin Ashgrove").Type("#complaint", "Iced again").Press("Start a visit").See("#line");
        visit = person.Path[..person.Path.LastIndexOf('/')];
        Log("coil iced, fans on, comp on, box -5");
        Says("Callback");
        Work("sensors swapped", new()
        {
            ["end-probe.error"] = "11", ["suction-probe.error"] = "-10", ["probe-warmed"] = "other", ["end-by"] = "temperature",
            ["ice-left"] = "some", ["frost-pattern"] = "even",
        }, 24);
        Never("give it longer", "never ends");
    }

    [Fact]
    public void A_freezer_with_two_faults_at_once_is_told_both()
    {
        Start("Warm and noisy", "WalkInFreezer", "-20", "fans=2");
        Log("box -12, fan 1 on, fan 2 off, comp on, cond fan on, coil clear", "cond dirty, liquid line hot", "fan motor locked");
        Work("two separate things", new()
        {
            ["fan-voltage"] = "live", ["condenser-air"] = "weak", ["fan-windings"] = "sound", ["noise"] = "grind", ["shell"] = "hot",
            ["split"] = "24", ["run-share"] = "always",
        }, 20);
        Says("evaporator fan seized", "condenser dirty");
    }

    [Fact]
    public void A_fuse_whose_cause_never_shows_itself_goes_to_the_next_visit()
    {
        Start("Stood still this morning", "WalkInFreezer", "-20");
        Log("fuse blown", "heaters clear to earth, fans clear to earth, comp clear to earth, wiring sound, smell none");
        Says("Leave it off");
        Log("breaker on", "comp on, fans on, box -14");
        Never("Leave it off");
        person.Station("close").Press("Sign the visit off").ReadUntil("main", "Sign off again");
        Assert.Contains("A breaker or fuse went", Report(), StringComparison.Ordinal);
        app.Later(7 * 24 * 60);
        person.Unit("J-1");
        person.Type("#author", "Tobin Ashgrove").Type("#complaint", "Follow-up").Press("Start a visit").See("#line");
        Assert.Contains("A breaker or fuse went", Text("[data-brief=not-explained]"), StringComparison.Ordinal);
    }

    [Fact]
    public void One_it_cannot_solve_says_so()
    {
        Start("Warm now and then", "WalkInCooler", "3");
        Log("box 3.5, fans on, comp on 40 min, cond fan on, coil clear, door shut, gasket ok, drain clear, cond clean");
        for (var step = 0; step < 30; step++)
        {
            var code = person.Run<string>("return document.querySelector('.test-next')?.dataset.test ?? ''");
            if (code.Length == 0)
                break;
            person.Run<bool>("document.querySelector('.test-next button[value=cannot]').click(); return true");
            person.Wait(() => person.Run<string>("return document.querySelector('.test-next')?.dataset.test ?? ''") != code);
        }

        Never("Cause found", "Likely cause");
    }
}
