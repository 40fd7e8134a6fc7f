using System.IO.Compression;
using System.Net;
using KeenEmber.Application;
using KeenEmber.Core.Practice;
using KeenEmber.Core.Visits;
using KeenEmber.Storage;
using KeenEmber.Storage.Archives;

namespace KeenEmber.Web.Tests.Practising;

/// <summary>Practice through its pages: worked in the real workplace, kept out of everything else.</summary>
public sealed class PracticePagesTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Person person;

    public PracticePagesTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private Person Start(string code)
    {
        person.Go("/practise").Tap($"[data-case={code}] button").ReadUntil(".practice-mark", "only in arithmetic");
        return person;
    }

    private Person Look(params string[] codes)
    {
        foreach (var code in codes)
            person.Tap($"[data-look='{code}']");
        return person;
    }

    private Person Repair(string cause) => person.Tap($"#cause option[value={cause}]").Press("Repair it");

    [Fact]
    public void A_case_is_worked_from_the_complaint_to_the_debriefing()
    {
        Start("fish-fan").ReadUntil(".lead-line", "Soft on one side.");
        Look("fans").ReadUntil(".practice-said", "Evaporator fans: one stopped.");
        Look("superheat").ReadUntil(".practice-said", "cannot tell now. First: evaporator fans.");
        Look("fan-windings").ReadUntil(".practice-said", "That could have hurt you. Lock out and test dead first.");
        person.Press("Repair it").ReadUntil("#cause-error", "Choose what you repair.");
        Repair("thermostat-open").ReadUntil(".practice-said", "Nothing has changed.");
        Repair("fan-motor-dead").ReadUntil(".practice-said", "It runs. Prove it.");
        Look("box").ReadUntil(".practice-said", "0.5 K");
        person.Press("Close the job").ReadUntil(".debriefing h2", "Found and mended, with parts in vain.");
        var told = person.Read(".debriefing");
        Assert.Contains("evaporator fan motor dead", told, StringComparison.Ordinal);
        Assert.Contains("thermostat does not close", told, StringComparison.Ordinal);
        Assert.Contains("winding of a fan that stands", told, StringComparison.Ordinal);
        person.Go("/practise").ReadUntil("[data-case=fish-fan]", "not solved");
        person.ReadUntil("table", "0 of 1");
    }

    [Fact]
    public void What_is_looked_at_stands_on_the_visit_and_the_panel_judges_it_on_a_plain_case()
    {
        Start("fish-fan");
        Look("fans", "fan-windings");
        person.Station("look").See("#box-BoxAir");
        person.Station("record").ReadUntil(".timeline", "winding of a fan that stands");
        Assert.True(person.SeesNow(".panel .stands"));
    }

    /// <summary>Two terminals of the diagram give the volts, a lead its amps, and the suspects get fewer.</summary>
    [Fact]
    public void In_practice_the_meter_is_read_and_not_typed()
    {
        Start(MeterCase);
        person.Go(person.Path.Replace("/practice", "/trace", StringComparison.Ordinal));
        Assert.False(person.SeesNow("#volts"));
        person.Tap("[data-meter=volts]").ReadUntil(".trace-form .field-error", "Two different terminals");
        person.Tap("#a option[value=L1]").Tap("#b option[value=L2]").Tap("[data-meter=volts]").ReadUntil(".measured", "L1 to L2");
        person.ReadUntil(".measured", "229.6 V");
        person.Tap("#a option[value=L1]").Tap("#b option[value=L2]").Tap("[data-meter=ohms]").ReadUntil(".measured", "Ω");
        person.Tap("[data-meter=amps]").ReadUntil(".measured", " A");
        person.Tap("#part option[value='compressor with start relay']").Tap("[data-meter=runs]").ReadUntil(".measured", "does not run");
        person.Station("practice").ReadUntil(".practice-clock", "13 min");
        person.ReadUntil(".practice-said", "Compressor with start relay: stands.");
        // It counts as time, and at the end the meter is put away.
        person.Press("Close the job").See(".debriefing");
        person.Go(person.Path.Replace("/practice", "/trace", StringComparison.Ordinal));
        Assert.False(person.SeesNow("[data-meter]"));
    }

    private const string MeterCase = "kiosk-relay";

    [Fact]
    public void A_harder_case_says_what_the_app_thinks_after_a_third_hint_alone()
    {
        Start("kiosk-relay");
        Look("compressor");
        Assert.False(person.SeesNow(".panel .stands"));
        person.Station("diagnosis").ReadUntil(".station-body", "Hidden in practice");
        person.Station("practice").Press("A hint").ReadUntil(".practice-hint", "Look ");
        person.Press("A hint").ReadUntil(".practice-hint", "Look at this:");
        person.Press("A hint");
        Assert.True(person.SeesNow(".panel .stands"));
    }

    [Fact]
    public void A_form_sent_twice_is_one_act_and_nothing_is_done_after_the_end()
    {
        Start("bakery-sound");
        var visit = Guid.Parse(person.Path.Split('/')[2]);
        var (practice, act) = (app.Get<PracticeStore>(), new PracticeAct(Guid.CreateVersion7(), PracticeStep.Thaw, Minutes: 60));
        Assert.True(practice.Append(visit, act, app.Clock.Now));
        Assert.False(practice.Append(visit, act, app.Clock.Now));
        person.Go(person.Path).Press("Close the job").ReadUntil(".debriefing h2", "Nothing was wrong, and you left it alone.");
        Assert.False(practice.Append(visit, act with { Id = Guid.CreateVersion7() }, app.Clock.Now));
        Assert.Equal(60, practice.Find(visit)!.Minutes);
    }

    /// <summary>A board was changed twice before, a fortnight apart.</summary>
    [Fact]
    public void Whoever_was_there_before_left_a_record()
    {
        Start("flower-offset").ReadUntil(".briefing", "Corin Vale");
        person.ReadUntil("[data-brief=changed]", "control");
        person.ReadUntil(".briefing", "Again and again control: 2 times");
        person.Go("/search?q=Corin");
        Assert.DoesNotContain("Corin Vale", person.Read("main"), StringComparison.Ordinal);
        Start("fish-fan");
        Assert.False(person.SeesNow(".briefing"));
    }

    [Fact]
    public void Nothing_of_it_is_in_a_list_a_search_a_book_an_archive_or_what_the_company_learns_from()
    {
        person.Go("/equipment/new").Type("#tag", "F-9").Type("#refrigerant", "R404A").Type("#target", "-20").Press("Add this unit");
        Start("fish-fan");
        Look("fans");
        Repair("fan-motor-dead");
        var visit = Guid.Parse(person.Path.Split('/')[2]);
        app.Get<VisitStore>().Append([new SignOffEntry(new(Guid.CreateVersion7(), visit, app.Clock.Now, app.Clock.Now, "Trainee"),
            "fan motor", "", "", null)]);
        app.Get<Board>().RefreshAll(stop: TestContext.Current.CancellationToken);
        var front = person.Go("/").Read("main");
        Assert.DoesNotContain("P-1", front, StringComparison.Ordinal);
        Assert.Contains("of 1 unit", front, StringComparison.Ordinal);
        Assert.DoesNotContain("P-1", person.Go("/search?q=fan").Read("main"), StringComparison.Ordinal);
        Assert.Empty(app.Get<VisitStore>().RootCauses());
        Assert.Equal("F-9", Assert.Single(app.Get<EquipmentStore>().All()).Tag);
        Assert.DoesNotContain(app.Get<EquipmentStore>().Sites(), s => s.Name == "Practice");
        using var archive = new MemoryStream();
        Assert.Equal(["F-9"], new Archive(app.Get<Database>(), app.Folder.FullName).Write(archive, app.Clock.Now, new()).Units);
        archive.Position = 0;
        using var zip = new ZipArchive(archive);
        Assert.All(zip.Entries, e =>
        {
            using var text = new StreamReader(e.Open());
            Assert.DoesNotContain("P-1", text.ReadToEnd(), StringComparison.Ordinal);
        });
    }

    [Fact]
    public void A_unit_of_practice_has_no_page_of_its_own_and_so_no_real_visit()
    {
        Start("fish-fan");
        person.Tap(".visit-head h1 a");
        Assert.Equal("/practise", person.Path);
    }

    [Theory]
    [InlineData("Start", "code", "no-such-case")]
    [InlineData("Random", "level", "9")]
    public async Task What_is_no_case_begins_none(string handler, string field, string text)
    {
        using var technician = new Technician(app);
        using var answer = await technician.Send("/practise", $"handler={handler}", (field, text));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Fact]
    public async Task A_random_case_is_worked_like_any_other_and_a_real_visit_has_no_practice()
    {
        person.Go("/practise").Tap("#kind option[value=ReachInCooler]").Press("Start one")
            .ReadUntil(".practice-mark", "only in arithmetic");
        Look("compressor").See(".practice-said");
        person.Go("/equipment/new").Type("#tag", "F-9").Type("#refrigerant", "R404A").Type("#target", "-20").Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Press("Start a visit").See("#line");
        Assert.False(person.SeesNow(".practice-mark"));
        using var answer = await person.Http.GetAsync($"/visits/{person.Path.Split('/')[2]}/practice",
            TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }
}
