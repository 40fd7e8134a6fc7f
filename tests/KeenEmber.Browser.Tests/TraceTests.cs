using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>The control circuit traced on a phone, from an empty database.</summary>
public sealed class TraceTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly Person person;

    public TraceTests() => person = new(app, phone: true);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private void Begin(string kind, string target, string complaint, params string[] choices)
    {
        person.Go("/equipment/new").Type("#tag", "J-1").Type("#refrigerant", "R134a").Type("#target", target)
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
        person.Type("#volts", volts).Press("Log voltage");
        person.Wait(() => person.Count(".measured li") > before);
    }

    private void Tap(string terminal) => person.Run<bool>($"document.querySelector('[data-terminal=\"{terminal}\"]')"
        + ".dispatchEvent(new MouseEvent('click', { bubbles: true })); return true");

    private string Lead => person.Attribute(".suspects li", "data-suspect");

    [Fact]
    public void A_walk_in_with_no_call_is_traced_in_two_places_to_its_thermostat()
    {
        Begin("WalkInFreezer", "-20", "Never gets below -12");
        person.Type("#line", "fans on, comp off, cond fan off, box -12").Press("Save").ReadUntil(".stands", "");
        person.Station("trace");
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
        Begin("ReachInCooler", "3", "Warm, light is on", "#metering option[value=CapillaryTube]",
            "#condenser option[value=AirCooledSelfContained]");
        person.Type("#line", "fan on, cond fan on, comp off, shell cold, box 12").Press("Save").ReadUntil(".stands", "");
        person.Station("trace");
        Measure("L1", "L2", "121");
        Measure("T2", "L2", "121");
        Measure("O", "L2", "0.2");
        Assert.Equal("overload", Lead);
        Assert.Contains("never bridge it", person.Read(".suspects li"), StringComparison.Ordinal);
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"));
    }
}
