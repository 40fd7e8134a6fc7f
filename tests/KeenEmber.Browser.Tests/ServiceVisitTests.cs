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

    private void Log(string line)
    {
        // What was said of what was sent before must not be taken for the answer to this line.
        person.Run<bool>("document.querySelector('#understood').textContent = ''; return true");
        person.Type("#line", line).Keys(OpenQA.Selenium.Keys.Enter).ReadUntil("#understood", "saved");
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

    /// <summary>Chooses a file in a field as the camera does when it comes back; says whether the field is still on the page.</summary>
    private static string Choose(string field) => $$"""
        const files = new DataTransfer();
        files.items.add(new File(['this is no picture'], 'taken.jpg', { type: 'image/jpeg' }));
        const field = {{field}};
        field.files = files.files;
        field.dispatchEvent(new Event('change', { bubbles: true }));
        return field.isConnected;
        """;

    [Fact]
    public void A_photo_taken_while_an_answer_came_in_is_kept_and_a_file_chosen_stays_chosen()
    {
        Start();
        person.Run<object?>("window.tapped = document.querySelector('#photos'); return null");
        person.Press("Checked and made safe");
        person.Wait(() => !person.SeesNow(".hazards"));
        Assert.False(person.Run<bool>(Choose("window.tapped")), "the field that was tapped is still there: nothing is tried");
        person.ReadUntil("#understood", "“taken.jpg” is not a whole picture");

        person.Station("record").See("#wiring-photos");
        Assert.True(person.Run<bool>(Choose("document.querySelector('#wiring-photos')")));
        Log("note: oil at the flare nut");
        person.ReadUntil(".timeline", "oil at the flare nut");
        Assert.Equal("taken.jpg", person.Run<string>("return document.querySelector('#wiring-photos').files[0]?.name ?? ''"));
    }

    [Fact]
    public void What_is_proved_recommended_and_signed_goes_on_paper()
    {
        Start();
        person.Press("Checked and made safe");
        person.Station("changes").Tap("details:has(#part) summary").Type("#part", "fan motor").Tap("#part-area option[value=Fans]")
            .Press("Save the part").ReadUntil(".done-list", "fan motor");
        // What was open may be open still.
        if (!person.SeesNow("#part"))
            person.Tap("details:has(#part) summary");
        person.Type("#part", "termination switch").Tap("#part-area option[value=LimitSwitch]").Press("Save the part")
            .ReadUntil(".done-list", "termination switch");
        person.ReadUntil("[data-policy=LimitSwitches]", "Replace termination, fan delay and heater safety together");
        person.Station("prove").ReadUntil("[data-proof=FansRun]", "not proved");
        Log("fan on");
        person.ReadUntil("[data-proof=FansRun]", "evaporator fan running");
        person.Type("[data-proof=WholeDefrost] input[name=what]", "ended at 13 °C after 22 min").Press("Seen")
            .ReadUntil("[data-proof=WholeDefrost]", "ended at 13 °C");

        // The sign-off text is typed first: another form, a line, another station and a reload leave it alone.
        person.Station("close").Type("#rootCause", "water in the motor");
        Log("door shut");
        Assert.Equal("water in the motor", person.Value("#rootCause"));
        person.Station("prove").See("[data-proof=FansRun]");
        person.Station("close").Tap(".change-kind summary").Press("Add it").ReadUntil("#problem-error", "what it is for");
        Assert.Equal("water in the motor", person.Value("#rootCause"));
        person.Type("#problem", "torn gasket").Type("#option", "new gasket").Type("#hours", "1.5").Type("#priceFrom", "200")
            .Type("#priceTo", "90").Press("Add it").ReadUntil("#priceTo-error", "Not less");
        person.Type("#priceFrom", "80").Press("Add it").ReadUntil(".recommendations", "torn gasket: new gasket; 1.5 h; 80 to 90 (quote)");
        person.Tap(".change-kind summary").Type("#problem", "door").Type("#option",
            "keep it shut between loads").Tap("label[for=urgency-Staff]").Press("Add it")
            .ReadUntil(".recommendations", "for the staff");
        person.Press("Keep the signature").ReadUntil("#signer-error", "Who signs?");
        person.Draw(".signature-pad").Type("#signer", "Maren Oakhurst").Press("Keep the signature")
            .ReadUntil(".close-sheet", "Signed by Maren Oakhurst");
        person.See(".signature-drawn path");
        Assert.Equal("water in the motor", person.Value("#rootCause"));
        person.Type("#contributing", "drain blocked").Type("#consequences", "two tubs lost")
            .Press("Sign the visit off").See("[data-signed=yes]");
        Assert.Equal(0L, person.Run<long>("return Object.keys(sessionStorage).filter(k => k.includes('rootCause')).length"));
        Assert.Empty(person.Violations());

        person.Press("Service report").See(".report");
        foreach (var (width, height) in new[] { (8.27, 11.69), (8.5, 11.0) })
        {
            using var pdf = PdfDocument.Open(person.Pdf(width, height));
            var text = string.Join(' ', pdf.GetPages().Select(p => string.Join(' ', p.GetWords().Select(w => w.Text))));
            foreach (
                var said in new[] { "water in the motor", "Contributing: drain blocked", "two tubs lost", "torn gasket: new gasket",
                    "Door: keep it shut",
                "a whole defrost watched to its end", "Maren Oakhurst", "Urgency: at once", "Not recorded before the work" })
                Assert.Contains(said, text, StringComparison.Ordinal);
            Assert.DoesNotContain("Back to the visit", text, StringComparison.Ordinal);
            Assert.InRange(pdf.NumberOfPages, 1, 5);
        }

        person.Tap("a[href='?for=customer']");
        using var shorter = PdfDocument.Open(person.Pdf(8.27, 11.69));
        Assert.Equal(1, shorter.NumberOfPages);
    }
}
