namespace KeenEmber.Browser.Tests;

/// <summary>Jobs that are worked by the tests the panel asks for.</summary>
public sealed partial class JobTests
{
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
    public void A_callback_after_a_board_finds_the_sensors_that_were_swapped()
    {
        Start("Ice on the coil", "IceMerchandiser", "-8", "#metering option[value=ElectronicValve]");
        Log("coil iced, fans on, box -5", "replaced controller");
        person.Station("close").Press("Sign the visit off").ReadUntil("main", "Sign off again");
        app.Later(9 * 24 * 60);
        person.Unit(tag);
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
        person.Unit(tag);
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
