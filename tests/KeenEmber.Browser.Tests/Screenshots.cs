using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>Takes the pictures of docs/screenshots; only when asked, by ./keen-ember shots.</summary>
public sealed class Screenshots
{
    private static string? Folder => Environment.GetEnvironmentVariable("KEEN_EMBER_SHOTS");

    public static bool NotAsked => Folder is null;

    [Fact(Skip = "only with ./keen-ember shots", SkipWhen = nameof(NotAsked))]
    public async Task Of_every_main_view()
    {
        using var app = new AppServer(demo: true);
        await app.Http.GetStringAsync("/", TestContext.Current.CancellationToken);
        await app.Settle(TestContext.Current.CancellationToken);
        using var person = new Person(app);
        void Take(string name)
        {
            Thread.Sleep(400);
            person.Picture(Path.Combine(Folder!, name + ".png"));
        }

        person.Go("/").Theme("light").Go("/");
        Take("start-light");
        person.Press("F-3");
        Take("unit-light");
        person.Tap(".visits a");
        Take("visit-light");
        person.Station("diagnosis");
        Take("diagnosis-light");
        person.Station("look");
        Take("look-light");
        person.Unit("F-7").Tap(".visits a").Station("trend");
        Take("trend-light");
        person.Unit("C-2").Tap(".visits a").Station("controls");
        Take("controls-light");
        person.Go("/refrigerants/R448A?at=1.4");
        Take("refrigerant-light");
        person.Unit("F-3").Tap(".visits a").Station("frost");
        Take("frost-light");
        person.Go(person.Path.Replace("/frost", "/report", StringComparison.Ordinal));
        person.Resize(1000, 1300);
        Take("report-light");
        person.Resize(1280, 800);
        person.Unit("C-7").Tap(".visits li:nth-child(2) a").Station("defrost");
        Take("defrost-light");
        person.Go(
            person.Path.Replace("/defrost", "/defrostplan", StringComparison.Ordinal)
            + "?count=4&length=30&busy=07:00-09:30&neighbours=F-3+05:00-05:40,17:00-17:40&askedBy=warranty+desk"
            + "&asked=06:00+18:00&askedLength=60&price=0.31");
        Take("defrost-plan-light");
        person.Unit("K-9").Tap(".visits a").Press("Checked and made safe").Station("sensors");
        Take("sensors-light");
        person.Unit("K-5").Tap(".visits a").Press("Checked and made safe").Station("electrical").Tap("a[href$='/trace']")
            .Press("satisfied").See(".chip.on");
        foreach (var (a, b, volts) in new[] { ("L1", "L2", "231"), ("T2", "L2", "230") })
            person.Tap($"#a option[value='{a}']").Tap($"#b option[value='{b}']").Type("#volts", volts).Press("Log it")
                .ReadUntil(".measured", $"{a} to {b}");
        person.Tap("a[href$='/trace']");
        Take("wiring-light");
        person.Unit("K-8").Press("History");
        Take("history-light");
        person.Unit("C-4").Tap(".visits li:nth-child(2) a").Station("charge").Tap(".ways a[href$='/vacuum']");
        Take("vacuum-light");
        person.Theme("dark").Unit("S-4").Tap(".visits a").Station("box");
        Take("box-dark");
        person.Resize(390, 844);
        person.Unit("F-3").Tap(".visits a").Station("close");
        Take("close-phone-dark");
        person.Theme("light").Unit("B-2").Tap(".visits a");
        Take("visit-phone-light");
    }
}
