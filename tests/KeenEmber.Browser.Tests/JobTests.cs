using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>Whole jobs on a phone, from the complaint to the report: what is said, and what never is.</summary>
public sealed partial class JobTests : IDisposable, IClassFixture<EmptyApp>
{
    private readonly AppServer app;
    private readonly string tag;
    private readonly Person person;
    private string visit = "";

    public JobTests(EmptyApp empty)
    {
        (app, tag) = (empty.Server, empty.NextTag());
        person = new(app, phone: true);
    }

    public void Dispose() => person.Dispose();

    /// <summary>A unit on an empty record, with a visit to it under way.</summary>
    private void Start(string complaint, string kind, string target, params string[] choices)
    {
        person.Go("/equipment/new").Type("#tag", tag).Type("#refrigerant", "R134a").Type("#target", target)
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
}
