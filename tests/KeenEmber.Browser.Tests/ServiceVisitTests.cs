using KeenEmber.Browser.Tests.Harness;
using UglyToad.PdfPig;

namespace KeenEmber.Browser.Tests;

/// <summary>The visit round the measuring: hazards, as found, meters, photos, proof, recommendations, signature, paper.</summary>
public sealed class ServiceVisitTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly string files = Directory.CreateTempSubdirectory("keen-ember-files-").FullName;
    private readonly List<Person> people = [];
    private readonly Person person;

    public ServiceVisitTests() => person = Somebody(phone: true);

    public void Dispose()
    {
        people.ForEach(p => p.Dispose());
        app.Dispose();
        Directory.Delete(files, recursive: true);
    }

    private Person Somebody(bool phone = false)
    {
        people.Add(new(app, phone));
        return people[^1];
    }

    /// <summary>A small real picture, and a file that only calls itself one.</summary>
    private (string Photo, string Second, string Broken) Files()
    {
        var (photo, second, broken) =
            (Path.Combine(files, "coil.png"), Path.Combine(files, "plate.png"), Path.Combine(files, "broken.jpg"));
        person.Picture(photo);
        person.Resize(300, 300);
        person.Picture(second);
        person.Resize(390, 844);
        File.WriteAllText(broken, "this is no picture");
        return (photo, second, broken);
    }

    private void Start(string complaint = "Soft ice cream")
    {
        person.Go("/equipment/new").Type("#tag", "F-9").Type("#refrigerant", "R290").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]")
            .Tap(".later summary").Tap("input[name=hazards][value=SecondSupply]").Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Type("#complaint", complaint).Tap(".intake summary").Tap("label[for=urgency-AtOnce]")
            .Type("#stock", "six tubs").Press("Start a visit").See("#line");
    }

    private void Log(string line) => person.Type("#line", line).Keys(OpenQA.Selenium.Keys.Enter).ReadUntil("#understood", "saved");

    [Fact]
    public void Hazards_come_first_and_what_was_found_is_frozen_by_the_first_change()
    {
        Start();
        person.ReadUntil(".complaint", "at once, at risk: six tubs");
        person.ReadUntil("[data-hazard=SecondSupply]", "lock out both");
        person.See("[data-hazard=Flammable]");
        person.Press("Checked and made safe").ReadUntil(".station-body", "");
        person.Station("look").See("#box-BoxAir");
        Assert.Equal(0, person.Count(".hazards"));

        // In the box: three readings in one go, a bad one keeps all that was typed and saves none.
        person.Type("#box-BoxAir", "-17.5").Type("#box-BoxDisplay", "cold").Press("Log").ReadUntil("#box-error-BoxDisplay", "not a number");
        Assert.Equal("-17.5", person.See("#box-BoxAir").GetAttribute("value"));
        person.Type("#box-BoxDisplay", "-20").Type("#box-Product", "-12").Tap(".in-box button")
            .ReadUntil(".display-off", "reads 2.5 K below the reference");

        person.Tap("form:has(input[value=ControllerMode]) button[value=AlarmMode]").See("form:has(input[value=ControllerMode]) .chosen");
        person.Station("changes").ReadUntil("[data-warn=as-found]", "evaporator fan");
        person.Type("#what", "defrost length").Type("#before", "45 min").Type("#after", "30 min").Tap("#change-area option[value=Defrost]")
            .Press("Save the change").ReadUntil(".done-list", "defrost length");
        person.ReadUntil("[data-policy=Defrost]", "Company policy: Defrost");
        Assert.Equal(0, person.Count("[data-warn=as-found]"));
        person.Station("look").See("[data-frozen=yes]");

        // A correction through the form keeps the place in the record.
        person.Station("record").Tap("a[href*='changes?correct=']").ReadUntil(".lead-line", "Correcting: defrost length");
        Assert.Equal("45 min", person.See("#before").GetAttribute("value"));
        person.Type("#after", "25 min").Press("Save the change").ReadUntil(".done-list", "25 min");
        person.Station("record").Tap("a[href='?show=Corrected']").ReadUntil(".timeline .replaced", "30 min");
        person.Tap("a[href='?show=Seen']").ReadUntil(".timeline", "controller mode in alarm");
        person.Tap("a[href*='correct=']").See("select#text");
        person.Tap("#text option[value=Normal]").Tap(".correct button").ReadUntil(".timeline", "controller mode normal");
        Assert.Empty(person.Violations());
    }

    [Fact]
    public void A_meter_is_named_and_its_check_decides_what_counts()
    {
        person.Go("/meters").Press("Add it").ReadUntil("#name-error", "what stands on it");
        person.Type("#name", "T-9").Type("#accuracy", "0.3").Press("Add it").ReadUntil(".meter-list", "T-9, thermometer ±0.3 K");
        Start();
        person.Press("Checked and made safe");
        person.Station("meters").ReadUntil("[data-meter=T-9]", "never checked");
        person.Press("Use it").ReadUntil("[data-meter=T-9]", "in use");
        Log("fan on, coil clear, comp on 40 min, defrost over 200 min, suc 1.2, line -19");
        person.Station("circuit").ReadUntil(".results", "meter whose check is missing");
        person.Station("meters").Type("[data-meter=T-9] input[name=shown]", "x").Press("Keep the check")
            .ReadUntil("[data-meter=T-9] .field-error", "not a number");
        person.Type("[data-meter=T-9] input[name=shown]", "0.1").Press("Keep the check").ReadUntil("[data-meter=T-9]", "passed");
        Log("line -19.2");
        person.Station("circuit").See(".results");
        Assert.DoesNotContain("meter whose check", person.Read(".results"), StringComparison.Ordinal);
        person.Station("record").ReadUntil(".timeline", "with T-9");
        Assert.Empty(person.Violations());
    }

    [Fact]
    public void Photos_stay_by_their_entry_and_a_broken_one_is_refused_by_name()
    {
        Start();
        person.Press("Checked and made safe");
        var (photo, second, broken) = Files();
        person.Upload("#photos", photo, second, broken).ReadUntil("#understood", "“broken.jpg” is not a whole picture");
        person.ReadUntil("#understood", "2 saved");
        Log("note: oil at the flare nut");
        person.Station("record").ReadUntil(".timeline", "oil at the flare nut");
        person.Upload(".timeline li:first-child input[type=file]", photo).See(".timeline li:first-child .thumbs img");
        person.Type("#wiring-caption", "3 heater, 4 fans").Upload("#wiring-photos", second).Press("Keep for the unit")
            .ReadUntil(".timeline", "3 heater, 4 fans");
        Log("wiring: 5 is the delay switch");
        person.ReadUntil(".timeline", "5 is the delay switch");
        app.Restart();
        person.Go(person.Path).See(".timeline li .thumbs img");
        Assert.True(
            person.Run<bool>(
            "return [...document.querySelectorAll('.thumbs img')].every(i => { i.loading = 'eager'; return i.src.endsWith('/small'); })"));
        person.Tap(".visit-head h1 a").Press("History").ReadUntil("main", "5 is the delay switch");
        person.ReadUntil("main", "3 heater, 4 fans");
        Assert.Empty(person.Violations());
        person.Go("/search?q=heater").ReadUntil("[data-hit=photo]", "heater");
    }

    [Fact]
    public void What_is_proved_recommended_and_signed_goes_on_paper()
    {
        Start();
        person.Press("Checked and made safe");
        person.Station("changes").Tap("details:has(#part) summary").Type("#part", "fan motor").Tap("#part-area option[value=Fans]")
            .Press("Save the part").ReadUntil(".done-list", "fan motor");
        person.Tap("details:has(#part) summary").Type("#part", "termination switch").Tap("#part-area option[value=LimitSwitch]")
            .Press("Save the part").ReadUntil(".done-list", "termination switch");
        person.ReadUntil("[data-policy=LimitSwitches]", "Replace termination, fan delay and heater safety together");
        person.Station("prove").ReadUntil("[data-proof=FansRun]", "not proved");
        Log("fan on");
        person.ReadUntil("[data-proof=FansRun]", "evaporator fan running");
        person.Type("[data-proof=WholeDefrost] input[name=what]", "ended at 13 °C after 22 min").Press("Seen")
            .ReadUntil("[data-proof=WholeDefrost]", "ended at 13 °C");

        person.Station("close").Tap(".change-kind summary").Press("Add it").ReadUntil("#problem-error", "what it is for");
        person.Type("#problem", "torn gasket").Type("#option", "new gasket").Type("#hours", "1.5").Type("#priceFrom", "200")
            .Type("#priceTo", "90").Press("Add it").ReadUntil("#priceTo-error", "Not less");
        person.Type("#priceFrom", "80").Press("Add it").ReadUntil(".recommendations", "torn gasket: new gasket; 1.5 h; 80 to 90 (quote)");
        person.Press("Keep the signature").ReadUntil("#signer-error", "Who signs?");
        person.Draw(".signature-pad").Type("#signer", "Maren Oakhurst").Press("Keep the signature")
            .ReadUntil(".close-sheet", "Signed by Maren Oakhurst");
        person.See(".signature-drawn path");
        person.Type("#rootCause", "water in the motor").Type("#contributing", "drain blocked").Type("#consequences", "two tubs lost")
            .Press("Sign the visit off").See("[data-signed=yes]");
        Assert.Empty(person.Violations());

        person.Press("Service report").See(".report");
        foreach (var (width, height) in new[] { (8.27, 11.69), (8.5, 11.0) })
        {
            using var pdf = PdfDocument.Open(person.Pdf(width, height));
            var text = string.Join(' ', pdf.GetPages().Select(p => string.Join(' ', p.GetWords().Select(w => w.Text))));
            foreach (
                var said in new[] { "water in the motor", "Contributing: drain blocked", "two tubs lost", "torn gasket: new gasket",
                "a whole defrost watched to its end", "Maren Oakhurst", "Urgency: at once", "Not on record" })
                Assert.Contains(said, text, StringComparison.Ordinal);
            Assert.DoesNotContain("Back to the visit", text, StringComparison.Ordinal);
            Assert.InRange(pdf.NumberOfPages, 1, 5);
        }

        person.Tap("a[href='?for=customer']");
        using var shorter = PdfDocument.Open(person.Pdf(8.27, 11.69));
        Assert.Equal(1, shorter.NumberOfPages);
    }

    [Fact]
    public void Two_tabs_on_one_visit_keep_what_both_typed()
    {
        Start();
        person.Press("Checked and made safe");
        var other = Somebody();
        other.Go(person.Path).See("#line");
        Log("box -18, suc 1.2");
        other.Type("#line", "line -20").Press("Save 1").ReadUntil("#understood", "1 saved");
        person.Station("changes").Type("#what", "fan delay").Press("Save the change").ReadUntil(".done-list", "fan delay");
        other.Go(person.Path.Replace("/changes", "/record", StringComparison.Ordinal)).ReadUntil(".timeline", "fan delay");
        foreach (var said in new[] { "box air -18.0", "suction pressure 1.20", "suction line, coil -20.0" })
            other.ReadUntil(".timeline", said);

        // Both correct the same reading: neither is lost, the later one stands.
        person.Station("record").Tap("li:has(.what) a[aria-label^='Correct suction pressure']").Type("#text", "1.3");
        other.Tap("li:has(.what) a[aria-label^='Correct suction pressure']").Type("#text", "1.4").Tap(".correct button")
            .ReadUntil(".timeline", "1.40 bar");
        person.Tap(".correct button").ReadUntil(".timeline", "1.30 bar");
        other.Go(other.Path).ReadUntil(".timeline", "1.40 bar");
        other.ReadUntil(".timeline", "1.30 bar");
    }

    [Fact]
    public void A_policy_of_the_shop_changes_the_advice_and_what_a_callback_is()
    {
        person.Go("/settings").Type("#callbackDays", "none").Press("Save").ReadUntil("#callbackDays-error", "from 1 to 365");
        person.Type("#callbackDays", "1").Type("#technicians", "Isolde Marrin\nTobin Ashgrove").Tap("label[for=choice-GaugesOnEveryCall]")
            .Press("Save").ReadUntil("[role=status]", "Saved");
        Start();
        person.Press("Checked and made safe");
        Log("fan on, coil clear, comp on 40 min, defrost over 200 min, line -19");
        person.Station("changes").ReadUntil("[data-policy=Gauges]", "Connect gauges");
    }
}
