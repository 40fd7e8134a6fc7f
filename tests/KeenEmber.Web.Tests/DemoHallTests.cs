using System.Net;
using System.Text.RegularExpressions;

namespace KeenEmber.Web.Tests;

/// <summary>The hall shows each pattern and each make-up on one of its units.</summary>
public sealed class DemoHallTests(DemoWeb demo) : IClassFixture<DemoWeb>
{
    private async Task<string> Page(string path) =>
        WebUtility.HtmlDecode(await demo.Http.GetStringAsync(path, TestContext.Current.CancellationToken));

    /// <summary>Every station of the latest visit of every unit, as one text.</summary>
    private async Task<List<string>> LatestVisits()
    {
        var pages = new List<string>();
        foreach (var unit in Regex.Matches(await Page("/"), "/equipment/[0-9a-f-]{36}").Select(m => m.Value).Distinct())
        {
            var visit = Regex.Match(await Page(unit), "/visits/[0-9a-f-]{36}").Value;
            pages.Add(
                await Page(visit + "/circuit") + await Page(visit + "/controls") + await Page(visit + "/trend")
                + await Page(visit + "/glycol") + await Page(visit + "/close"));
        }

        return pages;
    }

    [Theory]
    [InlineData("B-8", "tripped", "Found, repaired, and it holds.")]
    [InlineData("B-8", "report", "What made it go was found and repaired; it holds.")]
    [InlineData("K-3", "electrical", "Push the wire clip down and out")]
    [InlineData("F-8", "trace", "box thermostat: open, should be closed")]
    [InlineData("F-8", "diagram", "brown, tag 6")]
    public async Task The_meter_tells_its_stories(string tag, string page, string says)
    {
        var row = Regex.Match(await Page("/"), $"""href="(/equipment/[^"]+)"[^>]*>\s*<span class="unit-tag">{tag}<""").Groups[1].Value;
        var visit = Regex.Match(await Page(row), "/visits/[0-9a-f-]{36}").Value;
        Assert.Contains(says, await Page($"{visit}/{page}"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("F-9", "The fans run while the defrost heat is on.")]
    [InlineData("C-1", "By its low-pressure cut-in it will not start in winter.")]
    [InlineData("K-9", "Sensor coil: bad joint or wire.")]
    public async Task The_start_page_says_of_a_sound_circuit_what_is_wrong_beside_it(string tag, string line)
    {
        var row = Regex.Match(await Page("/"), $"""<span class="unit-tag">{tag}<.*?</a>""", RegexOptions.Singleline).Value;
        Assert.Contains(line, row, StringComparison.Ordinal);
        Assert.Contains("class=\"ember\"", row, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_units_page_says_what_each_visit_found_and_the_cause_it_named()
    {
        var unit = Regex.Match(await Page("/"), """/equipment/[0-9a-f-]{36}(?="[^<]*>\s*<[^>]*>C-7<)""").Value;
        var page = await Page(unit);
        Assert.Equal(3, Regex.Count(page, "The defrost runs on after the coil is clear."));
        Assert.Contains("Cause: termination switch on a spot that lags behind the coil", page, StringComparison.Ordinal);
        var latest = await Page(Regex.Match(page, "/visits/[0-9a-f-]{36}/circuit").Value);
        Assert.Matches("""data-brief="not-explained">nothing""", latest);
    }

    [Fact]
    public async Task Each_pattern_can_be_seen_on_some_unit()
    {
        var all = string.Concat(await LatestVisits());
        string[] codes =
        [
            "circuit.short-of-charge", "circuit.coil-starved", "circuit.drier-restricted", "circuit.coil-not-loaded", "circuit.overfed",
                "circuit.heavy-load",
            "circuit.not-pumping", "circuit.high-head", "circuit.overcharged", "circuit.discharge-too-hot",
                "circuit.head-too-low-in-the-cold", "circuit.short-cycling",
            "circuit.within-targets", "circuit.valve-hunts", "circuit.feeding-comes-and-goes", "glycol.control-let-it-freeze",
        ];
        // What was repaired is found still, and to be explained; it is no longer how the unit stands.
        Assert.All(codes, code => Assert.Matches($"(data-code|value)=\"{Regex.Escape(code)}\"", all));
        Assert.Contains("data-put-right=\"control.fan-off-too-low-to-feed\"", all, StringComparison.Ordinal);
        Assert.Contains("Not enough air through the coil. Find out why before thawing it or judging the charge", all,
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("C-7", "defrost.well-ended", "Temperature", 4)]
    [InlineData("B-6", "defrost.ended-early", "Temperature", 1)]
    [InlineData("F-9", "defrost.fans-in-heat", "Temperature", 1)]
    public async Task Each_defrost_story_ends_as_it_is_told(string tag, string code, string end, int runs)
    {
        var page = await Page(await LatestVisit(tag) + "/defrost");
        Assert.Contains($"data-code=\"{code}\"", page, StringComparison.Ordinal);
        Assert.Contains($"data-end=\"{end}\"", page, StringComparison.Ordinal);
        Assert.Equal(runs, Regex.Count(page, "\"\\?run=[0-9a-f-]{36}\""));
    }

    private async Task<string> LatestVisit(string tag)
    {
        var unit = Regex.Match(await Page("/"), $"(/equipment/[0-9a-f-]{{36}})[^>]*>\\s*<span class=\"unit-tag\">{tag}<").Groups[1].Value;
        return Regex.Match(await Page(unit), "/visits/[0-9a-f-]{36}").Value;
    }

    [Theory]
    [InlineData("F-3", "DiagnosisTask", "In the box")]
    [InlineData("K-9", "SensorTask", "Measure again at the sensor's own end")]
    [InlineData("K-5", "OutputTask", "Take the load's lead off its terminal")]
    [InlineData("C-7", null, "")]
    public async Task A_visit_under_way_is_told_what_to_do_next_by_whichever_bench_asks_first(string tag, string? task, string words)
    {
        var panel =
            Regex.Match(
            await Page(await LatestVisit(tag) + "/circuit"), "<section class=\"next.*?</section>", RegexOptions.Singleline).Value;
        Assert.Equal(task is not null, panel.Contains($"data-next-task=\"{task}\"", StringComparison.Ordinal));
        Assert.Contains(words, panel, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Readings_of_one_round_of_a_defrost_are_one_line_of_the_record_until_they_are_asked_for_one_by_one()
    {
        var record = await LatestVisit("C-7") + "/record";
        var page = await Page(record);
        Assert.InRange(Regex.Count(page, "<span class=\"what\">in the defrost: "), 40, 80);
        Assert.DoesNotContain("Strike out in the defrost", page, StringComparison.Ordinal);
        var opened = await Page(record + Regex.Match(page, "\\?show=All&all=False&round=[0-9a-f-]{36}").Value);
        Assert.Equal(8, Regex.Count(opened, "aria-label=\"Strike out in the defrost"));
        Assert.DoesNotContain("in the defrost", await Page(record + "?show=Readings"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("capillary self-contained", "capillary tube · air-cooled, built in")]
    [InlineData("receiver and pump-down", "liquid solenoid, pumps down · air-cooled, remote")]
    [InlineData("head-pressure valve", "head-pressure valve")]
    [InlineData("fan cycling", "fan-cycling control")]
    [InlineData("water-cooled", "water valve")]
    [InlineData("rack with regulator and stop", "evaporator pressure regulator · suction stop · central rack")]
    [InlineData("two sides", "air, side B")]
    [InlineData("rail and base", "air, base")]
    [InlineData("glycol", "glycol bath")]
    public async Task Each_make_up_is_drawn_on_some_unit(string makeUp, string sign) =>
        Assert.True((await LatestVisits()).Exists(page => page.Contains(sign, StringComparison.Ordinal)), makeUp);
}
