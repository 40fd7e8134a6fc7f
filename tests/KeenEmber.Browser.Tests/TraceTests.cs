using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>The control circuit traced on a phone, from an empty database.</summary>
public sealed class TraceTests : IDisposable, IClassFixture<EmptyApp>
{
    private readonly AppServer app;
    private readonly string tag;
    private readonly Person person;

    public TraceTests(EmptyApp empty)
    {
        (app, tag) = (empty.Server, empty.NextTag());
        person = new(app, phone: true);
    }

    public void Dispose() => person.Dispose();

    private void Begin(string kind, string target, string complaint, params string[] choices)
    {
        person.Go("/equipment/new").Type("#tag", tag).Type("#refrigerant", "R134a").Type("#target", target)
            .Tap($"#kind option[value={kind}]").Tap(".later summary");
        foreach (var choice in choices)
            person.Tap(choice);
        person.Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Type("#complaint", complaint).Press("Start a visit").See("#line");
    }

    /// <summary>Taps two terminals of the ladder and types what the meter shows.</summary>
    private void Measure(string a, string b, string volts)
    {
        var before = person.Count(".measured li");
        Tap(a);
        Tap(b);
        person.Type("#volts", volts).Press("Log it");
        person.Wait(() => person.Count(".measured li") > before);
    }

    /// <summary>Taps until it is picked: a page that is not alive yet takes no tap, and a second one changes nothing.</summary>
    private void Tap(string terminal) => person.Wait(() => person.Run<bool>($$"""
        const terminal = document.querySelector('[data-terminal="{{terminal}}"]');
        terminal.dispatchEvent(new MouseEvent('click', { bubbles: true }));
        return terminal.classList.contains('picked');
        """));

    private void Sees(string load, string what)
    {
        person.Run<bool>($"document.querySelector('#part').value = '{load}'; return true");
        person.Press(what);
    }

    private string Lead => person.Attribute(".suspects li", "data-suspect");

    [Fact]
    public void A_walk_in_with_no_call_is_traced_in_two_places_to_its_thermostat()
    {
        Begin("WalkInFreezer", "-20", "Never gets below -12");
        person.Type("#line", "fans on, comp off, cond fan off, box -12").Press("Save").ReadUntil(".stands", "");
        person.Station("electrical").Tap("a[href$='/trace']").See(".ladder");
        Measure("L1", "L2", "208");
        Measure("4", "L2", "207");
        Assert.NotEqual("clock, cooling side", Lead);
        Measure("C1", "L2", "0.4");
        Assert.Equal("box thermostat", Lead);
        Assert.Contains("Measure next", person.Read(".next-pair"), StringComparison.Ordinal);
        person.ReadUntil(".measured", "C1 to L2: 0.4 V");
        Assert.Empty(person.Violations());
    }

    [Fact]
    public void A_reach_in_that_does_not_even_hum_is_traced_to_its_overload()
    {
        Begin("ReachInCooler", "3", "Warm, light is on");
        person.Type("#line", "fan on, cond fan on, comp off, shell cold, box 12").Press("Save").ReadUntil(".stands", "");
        person.Station("electrical").Tap("a[href$='/trace']").See(".ladder");
        Measure("L1", "L2", "121");
        Measure("T2", "L2", "121");
        Measure("O", "L2", "0.2");
        Assert.Equal("overload", Lead);
        Assert.Contains("never bridge it", person.Read(".suspects li"), StringComparison.Ordinal);
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"));
    }

    [Fact]
    public void Fans_that_run_in_a_defrost_are_followed_from_relay_to_relay()
    {
        Begin("WalkInFreezer", "-20", "Iced behind two of four fans", "#condenser option[value=Rack]");
        person.Type("#line", "coil iced, fans on, box -12").Press("Save").ReadUntil(".stands", "");
        person.Station("electrical").Tap("a[href$='/diagram']").Tap(".diagram-forms details:last-of-type summary")
            .Tap("#template option[value=RackCaseStage]").Press("Begin with it").See("[data-part='change-over relay']");
        Assert.Empty(person.Violations());
        person.Tap("a[href$='/trace']").See(".ladder");
        person.Press("in defrost").See(".chip.on");
        Measure("L1", "L2", "208");
        Sees("heaters", "Does not run");
        person.ReadUntil(".measured", "heaters does not run");
        Measure("D1", "M", "24");
        Assert.Equal("change-over relay", Lead);
        Sees("change-over relay", "Does not pull");
        person.ReadUntil(".measured", "change-over relay does not pull");
        Assert.Contains("open", person.Read(".suspects li"), StringComparison.Ordinal);
        person.ReadUntil(".panel, .stands", "");
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"));
    }

    [Fact]
    public void A_breaker_that_went_in_a_defrost_is_found_at_a_rubbed_lead_repaired_and_holds()
    {
        Begin("WalkInFreezer", "-20", "Smells burnt, breaker down");
        person.Station("electrical").Tap("a[href$='/tripped']").Press("It went in a defrost");
        person.ReadUntil("[data-step]", "Leave it off");
        Assert.Equal("heaters-earth", person.Attribute(".trip-circuits li", "data-circuit"));
        Assert.Empty(person.Violations());
        person.Tap("[data-circuit='heaters-earth'] button[value=grounded]").ReadUntil("[data-step]", "Found");
        person.Tap("a[href$='/damage']").Tap("#of option[value='HeaterElement/2']").Tap("#condition option[value=Rubbed]")
            .Type("#place", "at the bracket").Press("Keep the damage").ReadUntil("[data-damage]", "Reroute it");
        person.Type("[data-damage] input[name^=how]", "rerouted and clipped").Press("It is repaired");
        person.Wait(() => person.Count("[data-damage]") == 0);
        person.Tap("a[href$='/tripped']").ReadUntil("[data-step]", "once more");
        Assert.Equal(0, person.Count("form[action*=SwitchedOn]"));
        person.Tap("[data-circuit='heaters-earth'] button[value=clear]").ReadUntil("[data-step]", "Switch it on once");
        person.Press("Switched on: it holds").ReadUntil("[data-step]", "it holds");
        person.Station("close");
        Assert.Contains("found, not seen to trip it", person.Value("#notReproduced"), StringComparison.Ordinal);
    }

    [Fact]
    public void The_second_visit_sees_what_drifts()
    {
        Begin("WalkInFreezer", "-20", "Check");
        var first = person.Path[..person.Path.LastIndexOf('/')];
        void Part(string visit, string of, string test, string judged, params (string Field, string Text)[] fields)
        {
            person.Go($"{visit}/electrical?of={of}&test={test}");
            foreach (var (field, text) in fields)
                person.Type($"#{field}", text);
            person.Press("Judge the").See($"[data-part='{judged}']");
        }

        void Round(string visit, string microfarad, string megohm, string across, string amps)
        {
            Part(visit, "RunCapacitor/1", "Capacitor", "RunCapacitor/1", ("plate-microfarad", "35"), ("microfarad", microfarad));
            Part(visit, "Compressor/1", "Insulation", "Compressor/1", ("plate-volts", "230"), ("megohm", megohm));
            Part(visit, "Contactor/1", "ContactorPole", "Contactor/1", ("plate-volts", "230"), ("amps", "8"), ("voltsAcross", across));
            Part(visit, "Compressor/1", "CompressorCurrent", "Compressor/1", ("plate-amps", "9"), ("amps", amps));
        }

        Round(first, "36", "200", "0.4", "8.1");
        app.Later(60 * 24 * 60);
        person.Unit(tag).Type("#author", "Isolde Marrin").Type("#complaint", "Check").Press("Start a visit").See("#line");
        Round(person.Path[..person.Path.LastIndexOf('/')], "33.9", "60", "2.1", "8.2");
        Assert.Contains("It drifts", person.Read(".part-results"), StringComparison.Ordinal);
        person.Unit(tag).Press("History").See(".trends");
        foreach (var trend in new[] { "microfarad", "insulation-megohm", "drop-percent", "current-a" })
            Assert.Equal(1, person.Count($"[data-trend='electrical.{trend}']"));
    }
}
