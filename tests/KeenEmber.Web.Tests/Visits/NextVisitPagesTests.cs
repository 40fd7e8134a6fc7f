namespace KeenEmber.Web.Tests.Visits;

/// <summary>What a visit leaves for the next one.</summary>
public sealed class NextVisitPagesTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Person person;

    public NextVisitPagesTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private void StartVisit(string author, string complaint)
    {
        person.Type("#author", author).Type("#complaint", complaint).Press("Start a visit").See("#line");
    }

    private void AddUnit()
    {
        person.Go("/equipment/new").Type("#tag", "F-9").Type("#refrigerant", "404a").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]").Press("Add this unit");
    }

    [Fact]
    public async Task The_follow_up_goes_into_a_calendar()
    {
        AddUnit();
        StartVisit("Isolde Marrin", "");
        person.Station("close");
        var day = app.Clock.Now.AddDays(4);
        person.Type("#followUp", $"{day:yyyy-MM-dd}");
        person.Press("Sign the visit off").See("[data-signed=yes]");
        var calendar =
            await person.Http.GetStringAsync(
            person.Path.Replace("/close", "/follow-up.ics", StringComparison.Ordinal), TestContext.Current.CancellationToken);
        Assert.Contains($"DTSTART;VALUE=DATE:{day:yyyyMMdd}", calendar, StringComparison.Ordinal);
        Assert.Contains("SUMMARY:Look again: F-9 Walk-in freezer", calendar, StringComparison.Ordinal);
    }

    [Fact]
    public void A_visit_that_explained_nothing_says_so_to_the_next()
    {
        AddUnit();
        StartVisit("Isolde Marrin", "Soft ice cream");
        person.Log("fan on, coil clear, comp on 40 min, defrost over 200 min, box -18, suc 1.0, line -15, head 12, liq 27.4")
            .ReadUntil(".stands", "Looks low on charge");
        app.Clock.Later(90);
        person.Unit("F-9");
        StartVisit("Tobin Ashgrove", "Soft again");
        person.ReadUntil("[data-brief=not-explained]", "Looks low on charge");
        person.ReadUntil(".briefing", "Worth taking again");
    }
}
