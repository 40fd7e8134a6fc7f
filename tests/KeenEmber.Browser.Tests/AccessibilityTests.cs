using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>Every page, both themes, both sizes: nothing for the accessibility engine to object to.</summary>
public sealed class AccessibilityTests(DemoApp demo)
{
    /// <summary>In the dark only colours are other than in the light. On a phone only sizes are other than on a desk.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void No_violation_on_any_page(bool phone)
    {
        using var person = new Person(demo.Server, phone);
        // A lead sees most.
        person.Go("/sign-in").Press("Isolde Marrin").See(".board");
        var found = new List<string>();
        var checkedPages = 0;
        void Check(string name)
        {
            found.AddRange(person.Violations(phone ? "target-size" : null).Select(v => $"{name}: {v}"));
            // What they are coloured by is one sheet: every third page in the dark shows all of it.
            if (phone || checkedPages++ % 3 > 0)
                return;
            person.Darken(true);
            found.AddRange(person.Violations("color-contrast").Select(v => $"{name}, dark: {v}"));
            person.Darken(false);
        }

        // On a phone those whose buttons are not the others' again.
        string[] paths = phone ? ["/", "/equipment/new", "/people", "/sign-in", "/cylinders"] :
        [
            "/", "/settings", "/instruments", "/cylinders", "/equipment/new", "/equipment/list", "/health", "/people", "/sign-in",
            "/account", "/archives", "/unsent", "/nowhere",
        ];
        foreach (var path in paths)
        {
            person.Go(path);
            Check(path);
        }

        // The pages of other units are built alike.
        foreach (var unit in new[] { "F-3" })
        {
            person.Unit(unit);
            Check("unit");
            person.Tap(".visits a");
            Check("circuit");
            person.Tap($".circuit-map.{(phone ? "tall" : "wide")} [data-point=BoxAir]").Type("#value", "x").Keys("\n").See("#value-error");
            Check("circuit with an open tag");
            foreach (var station in phone ? ["look", "changes", "close"]
                : new[] { "look", "trend", "instruments", "controls", "changes", "prove", "record", "close" })
            {
                person.Station(station);
                Check("station " + station);
            }
        }

        person.Go(person.Path.Replace("/close", "/report", StringComparison.Ordinal));
        Check("report");
        person.Unit("K-8").Press("History").Press("Compare two visits").See(".compare");
        Check("compare");
        person.Unit("F-3").Tap(".visits a").Station("electrical").Tap("a[href*='of=Compressor']").See("form [name=plate-amps]");
        // One of the two sizes each: their pages are built alike.
        foreach (var page in phone ? ["tripped", "diagram"] : new[] { "trace", "wires", "damage" })
        {
            person.Tap($".ways a[href$='/{page}']").See(".ways .chosen[href$='/" + page + "']");
            Check("electrical " + page);
        }

        Assert.True(found.Count == 0, string.Join("\n", found));
        // What follows is on a phone made of the same parts again.
        if (phone)
            return;
        person.Unit("G-1").Tap(".visits a").Station("glycol");
        Check("glycol");
        person.Unit("K-2").Tap(".visits a").Station("charge").Tap(".ways a[href$='/vacuum']").See(".vacuum-chart");
        Check("vacuum");
        person.Unit("S-4").Tap(".visits a").Station("box").See(".pulldown-chart");
        Check("box");

        person.Unit("C-7").Tap(".visits a").Station("defrost").Tap(".run-list .under").See(".run-compare");
        Check("defrost");
        foreach (var page in new[] { "defrostplan", "defrosttests" })
        {
            person.Tap($"a[href$='/{page}']").See(".defrost-sheet h2");
            Check(page);
            person.Press("Back to the runs").See(".run-list");
        }

        person.Unit("K-9").Tap(".visits a").Station("sensors").See(".sensor-chart");
        Check("sensors");
        person.Unit("K-5").Tap(".visits a").Station("controls").Press("Outputs and damage").See(".output");
        Check("outputs");
        person.Press("Parameter sheet").See(".sensor-table");
        Check("parameter sheet");
        person.Unit("S-5").Tap(".visits a").Station("controls").Press("Cycle and dial").See(".cycle-chart");
        Check("cycle");
        person.Unit("B-6").Press("Start a visit").See("#line");
        person.Station("defrost").Press("From a logger").See("#file");
        Check("defrost file");
        person.Press("Back to the runs").Press("Begin before the heat").See(".run-live");
        Check("defrost under way");
        Assert.True(found.Count == 0, string.Join("\n", found));
    }
}
