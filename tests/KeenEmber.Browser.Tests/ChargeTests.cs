using System.Globalization;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>Charge and box on a phone, from an empty database: weighed in, charged for the winter, dried overnight, left and
/// proved.</summary>
public sealed class ChargeTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly Person person;

    public ChargeTests() => person = new(app, phone: true);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private void Begin(string kind, string refrigerant, string target, string complaint, params string[] choices)
    {
        person.Go("/equipment/new").Type("#tag", "Q-9").Type("#refrigerant", refrigerant).Type("#target", target)
            .Tap($"#kind option[value={kind}]").Tap(".later summary");
        foreach (var choice in choices)
            person.Tap(choice);
        person.Press("Add this unit");
        person.Type("#author", "Tobin Ashgrove").Type("#complaint", complaint).Press("Start a visit").See("#line");
    }

    /// <param name="forAll">Looks at it as a screen reader and a shaky hand do, too, which takes seconds.</param>
    private void Looks(bool forAll = true)
    {
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"), "the page is wider than the phone");
        if (forAll)
            Assert.Empty(person.Violations());
    }

    private static string Plain(double value, string format = "0.0") => value.ToString(format, CultureInfo.InvariantCulture);

    [Fact]
    public void A_capillary_cooler_is_weighed_in_after_a_leak_at_a_loose_cap()
    {
        Begin("ReachInCooler", "R134a", "4", "Hardly cools any more");
        person.Type("#line", "box 11, oil found, fans on").Press("Save").ReadUntil(".stands", "");
        person.Station("charge").ReadUntil(".charge", "Critically charged: a hose takes about");
        Looks(forAll: false);
        person.Tap(".ways a[href$='/leaks']").ReadUntil("[data-place]", "Process tube");
        person.Type("#where", "cap of the fitting").Tap("#method option[value=Bubbles]").Tap("#result option[value=Leaks]")
            .Tap("input[name=oil]").Press("Save the search").ReadUntil("[data-leak]", "Recover before opening");
        Looks(forAll: false);
        person.Type("[data-leak] input[id^='how-']", "core and cap replaced").Press("It is repaired")
            .ReadUntil(".charge", "Prove it tight");
        person.Tap(".ways a[href$='/nitrogen']").Type("#pressure", "10").Type("#gas", "22").Type("#limit", "14").Press("Save both readings")
            .ReadUntil("[data-tight]", "Cannot tell yet");
        app.Later(40);
        person.Type("#pressure", "9.98").Type("#gas", "21.5").Press("Save both readings").ReadUntil("[data-tight]", "No loss");
        Looks(forAll: false);
        person.Tap(".ways a[href$='/charge']").ReadUntil("[data-opened]", "Evacuate");
        person.Type("#cylinder", "N-1").Type("#weight", "9.400").Type("#target", "210 g")
            .Press("Start weighing").ReadUntil("[data-to-go]", "0.210 kg");
        person.Type("#now", "9310 g").Press("Save the weight").ReadUntil("[data-to-go]", "0.120 kg");
        // A slip: typed a digit short, refused nothing, seen at once and typed again.
        person.Type("#now", "9.190").Press("Save the weight").ReadUntil(".scale-now", "Target reached");
        Looks(forAll: false);
        person.Press("Valve closed: book it").ReadUntil(".charge .done-list", "R134a added 0.210 kg, N-1");
        app.Later(75);
        person.Type("#line", "box 4.4").Press("Save").ReadUntil(".stands", "");
        person.Station("prove").ReadUntil("body", "Pressure test or isolated vacuum held");
        person.Go(person.Path.Replace("/prove", "/report", StringComparison.Ordinal)).ReadUntil(".report", "No loss in");
    }

    [Fact]
    public void A_freezer_is_charged_for_its_coldest_day()
    {
        Begin("WalkInFreezer", "R448A", "-20", "Bubbles on cold mornings", "input[value=HeadPressureValve]", "input[value=Receiver]");
        person.Station("charge").Tap(".ways a[href$='/howmuch']").ReadUntil(".charge", "A valve floods the condenser here");
        foreach (var (field, text) in new[] { ("evaporator", "4.6"), ("condenser", "5.8"), ("receiver", "5"), ("liquid", "18"),
            ("liquidBore", "10"), ("suction", "18"), ("suctionBore", "26") })
            person.Type($"#{field}", text);
        person.Press("Save the volumes").ReadUntil("[data-estimate]", "By its volumes");
        person.Type("#held", "32").Type("#split", "12").Type("#air", "15").Type("#coldest", "20").Press("Work out the winter charge")
            .ReadUntil("#coldest-error", "not warmer than today");
        person.Type("#coldest", "-12").Press("Work out the winter charge").ReadUntil("[data-winter]", "beyond a clear glass today");
        person.ReadUntil("[data-overfull]", "does not hold it in summer");
        Looks(forAll: false);
    }

    [Fact]
    public void A_wet_circuit_is_told_overnight_and_dried_on_the_second_day()
    {
        Begin("WalkInCooler", "R134a", "4", "Evacuate after the compressor");
        person.Station("charge").Tap(".ways a[href$='/vacuum']").Type("#volume", "14").Type("#coldest", "16").Press("Pump on")
            .ReadUntil(".charge", "Pumping");
        void Read(double minute, double pa)
        {
            app.Later(minute);
            person.Type("#pressure", Plain(pa, "0")).Press("Save the reading");
            person.Wait(() => person.Value("#pressure").Length == 0);
        }

        foreach (var (minute, pa) in new[] { (20.0, 1950.0), (60, 1900), (110, 1890) })
            Read(minute, pa);
        person.ReadUntil("[data-vacuum]", "no longer falls");
        app.Later(111);
        person.Press("Shut off from the pump").ReadUntil("[data-vacuum]", "Shut off at");
        foreach (var minute in new[] { 1, 6, 12, 22, 40, 62 })
            Read(111 + minute, 1815 - 700 * Math.Exp(-minute / 11.0));
        person.ReadUntil("[data-vacuum=Moisture]", "water boils");
        Looks();
        person.Press("Dry nitrogen let in").ReadUntil("[data-vacuum]", "Nitrogen is in");
        app.Later(60 * 16);
        person.Unit("Q-9").Type("#complaint", "Second evacuation").Press("Start a visit").See("#line");
        person.Station("charge").Tap(".ways a[href$='/vacuum']").ReadUntil(".charge", "No vacuum yet");
        person.Press("Pump on");
        Read(60 * 16 + 60, 60);
        person.ReadUntil("[data-vacuum]", "Deep enough");
        app.Later(60 * 18);
        person.Tap("details summary").Type("#lines", string.Join('\n', Enumerable.Range(0, 10)
            .Select(i => $"{6 * i}; {Plain(76 - 14 * Math.Exp(-6 * i / 11.0))}"))).Press("Import readings");
        person.ReadUntil("[data-vacuum=Dry]", "Dry and tight");
    }

    [Fact]
    public void A_box_is_left_with_a_forecast_and_proved_on_coming_back()
    {
        Begin("WalkInCooler", "R134a", "4", "Warm after the power cut");
        double Box(double minute) => 0.5 + 10 * Math.Exp(-minute / 35) + 6 * Math.Exp(-minute / 140);
        person.Station("box").ReadUntil(".box-sheet", "Nothing to forecast");
        for (var i = 0; i < 6; i++)
        {
            app.Later(2 + 10 * i);
            person.Type("#air", Plain(Box(10 * i))).Press("Save the reading");
            person.Wait(() => person.Value("#air").Length == 0);
        }

        person.ReadUntil("[data-pulldown]", "Reaches its target at about");
        Looks();
        person.Press("1 h").ReadUntil("[data-forecast=open]", "Come back at");
        app.Later(2 + 50 + 62);
        person.Type("#air", Plain(Box(112))).Press("Save the reading").ReadUntil("[data-forecast=held]", "As forecast");
        person.Tap(".ways a[href$='/doors']").Tap("#part option[value=Closer]").Press("Not in order")
            .ReadUntil("[data-check]", "does not pull shut");
        Looks(forAll: false);
        person.Tap(".ways a[href$='/balance']");
        foreach (var (field, text) in new[] { ("length", "3"), ("width", "2.4"), ("height", "2.3"), ("wall", "100"), ("air", "24"),
            ("door", "1.8"), ("open", "60"), ("capacity", "2400") })
            person.Type($"#{field}", text);
        person.Press("Work out the balance").ReadUntil("[data-balance=Holds]", "% of the time");
        Looks(forAll: false);
    }
}
