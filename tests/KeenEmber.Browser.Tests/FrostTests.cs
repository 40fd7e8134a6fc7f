using KeenEmber.Browser.Tests.Harness;
using OpenQA.Selenium;

namespace KeenEmber.Browser.Tests;

/// <summary>The frost picture, painted by finger and by keys, chosen without script, compared and on the report.</summary>
public sealed class FrostTests(DemoApp demo) : IClassFixture<DemoApp>
{
    private static Person Start(Person person, string tag) => person.Go("/").Press(tag).Press("Start a visit").Station("frost");

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Painted_with_a_stroke_and_by_keys_the_pattern_is_named(bool phone)
    {
        using var person = new Person(demo.Server, phone);
        Start(person, phone ? "D-1" : "C-1");
        for (var row = 0; row < 4; row++)
            person.Stroke($"[data-cell='{row * 6}']", $"[data-cell='{row * 6 + 1}']");
        person.Tap("#place-Ceiling option[value='1']").Press("Save the picture");
        person.ReadUntil("[data-code='frost.inlet-only']", "starved");
        person.ReadUntil("[data-code='frost.on-the-ceiling']", "far too long after clear");

        person.Tap("a[href='?from=clear']").See(".frost-form");
        person.Run<object>("document.querySelector('[data-cell=\"18\"]').focus(); return null");
        for (var cell = 0; cell < 6; cell++)
            person.Keys(" " + Keys.ArrowRight);
        Assert.Equal("pass 4, section 6: ice", person.Attribute("[data-cell='23']", "aria-label"));
        person.Tap("input[name=after]").Press("Save the picture").ReadUntil("[data-after=yes]", "Only at the bottom");
        person.ReadUntil(".frost-sheet", "11 places changed between the two");
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"), "the page is wider than the phone");
        Assert.Empty(person.Violations());

        person.Go(person.Path.Replace("/frost", "/report", StringComparison.Ordinal))
            .ReadUntil(".report", "Frost as found. Only near the inlet");
    }

    [Fact]
    public void Without_script_a_usual_picture_is_chosen_and_saved()
    {
        using var person = new Person(demo.Server, script: false);
        Start(person, "K-4");
        person.Press("even frost").Press("Save the picture").ReadUntil("[data-code='frost.even']", "Even over the whole face");
        person.Station("record").ReadUntil(".timeline", "frost picture as found: 100 % of the face not clear");
    }
}
