using System.Net;
using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>What the hall's units remember, how they are found, and the label that leads to them.</summary>
public sealed class HistoryTests(DemoApp demo)
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public void A_units_memory_shows_what_moved_and_which_part_failed_again()
    {
        using var person = new Person(demo.Server);
        person.Unit("K-8").Press("History").ReadUntil(".challenge-line", "Start relay replaced 2 times");
        person.ReadUntil(".trends", "moved by +6.3 K at the last");
        person.See(".trend .moved-mark");
        person.ReadUntil("main", "0.030 kg on balance, 14 % of the charge");
        Assert.Empty(person.Violations());
    }

    [Fact]
    public void A_word_said_on_a_visit_leads_back_to_its_record()
    {
        using var person = new Person(demo.Server, phone: true);
        person.Go("/search").Type("#q", "gasket hinge").Tap("form[role=search] button").ReadUntil("[data-hit=note] mark", "gasket");
        person.Tap("[data-hit=note] a").ReadUntil(".timeline", "gasket torn at the lower hinge");
        person.Go("/search?q=unheardof").ReadUntil("[role=status]", "Nothing holds all of these words");
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"), "the page is wider than the phone");
        Assert.Empty(person.Violations());
    }

    [Fact]
    public async Task The_search_page_does_not_run_what_it_finds()
    {
        var page = await demo.Server.Http.GetStringAsync("/search?q=%3Cscript%3Ealert(1)%3C/script%3E", Cancel);
        Assert.DoesNotContain("<script>alert", page, StringComparison.Ordinal);
    }

    [Fact]
    public void The_label_carries_the_address_of_the_unit()
    {
        using var person = new Person(demo.Server);
        person.Unit("F-3").Press("Label").See(".unit-label svg");
        Assert.Contains(
            person.Path.Replace("/label", "", StringComparison.Ordinal), person.Read(".label-address"), StringComparison.Ordinal);
        Assert.Empty(person.Violations());
    }

    [Theory]
    [InlineData("history")]
    [InlineData("label")]
    public async Task Of_a_unit_that_is_not_there_nothing_is_remembered(string page)
    {
        var answer = await demo.Server.Http.GetAsync($"/equipment/01900000-0000-7000-8000-000000000000/{page}", Cancel);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }
}
