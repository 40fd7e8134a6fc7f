using KeenEmber.Browser.Tests.Harness;
using OpenQA.Selenium;

namespace KeenEmber.Browser.Tests;

/// <summary>The same task by keyboard alone, on a phone, and without any script.</summary>
public sealed class WaysInTests(DemoApp demo, ITestOutputHelper output) : IClassFixture<DemoApp>
{
    private static string StartVisit(Person person, string tag)
    {
        person.Go("/").Press(tag).Press("Start a visit").See("#line");
        return person.Path;
    }

    /// <summary>Seven keys at eight a second, and everything the machine does round them. The bound leaves room for starved machines; the
    /// measured figure is in docs/numbers.md.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_reading_is_logged_from_anywhere_in_one_gesture_and_three_seconds(bool phone)
    {
        using var person = new Person(demo.Server, phone);
        person.Unit("F-3").Tap(".visits a").Station("changes").See("#line");
        var watch = System.Diagnostics.Stopwatch.StartNew();
        if (phone)
            person.Tap("#line");
        else
            person.Keys("/");
        foreach (var key in "suc 1.3")
        {
            Thread.Sleep(125);
            person.Keys(key.ToString());
        }

        person.Keys(Keys.Enter).ReadUntil("#understood", "1 saved");
        output.WriteLine($"{(phone ? "phone" : "desk")}: {watch.Elapsed.TotalSeconds:F1} s");
        Assert.InRange(watch.Elapsed.TotalSeconds, 0.8, 8);
    }

    [Fact]
    public void By_keyboard_alone()
    {
        using var person = new Person(demo.Server);
        StartVisit(person, "C-1");
        person.Keys("?").See("#shortcuts[open]");
        person.Keys(Keys.Escape);
        person.Keys("/");
        Assert.Equal("line", person.FocusedId());
        person.Keys("head 9.1" + Keys.Enter).ReadUntil("[data-point=DischargePressure] .tag-value", "9.10 bar");
        person.Run<object>("document.activeElement.blur(); return null");
        person.Keys("m").See("#point-form.open");
        Assert.Equal("value", person.FocusedId());
        person.Keys("30" + Keys.Enter).ReadUntil("[data-point=CondenserAir] .tag-value", "30.0 °C");
        person.Keys(Keys.Escape).Keys("0").See(".station.here[href$='/instruments']");
    }

    [Fact]
    public void On_a_phone_with_the_upright_map_and_the_drawer()
    {
        using var person = new Person(demo.Server, phone: true);
        StartVisit(person, "C-5");
        Assert.False(person.SeesNow(".circuit-map.wide"));
        Assert.False(person.SeesNow(".next"));
        person.ReadUntil(".stands", "No readings yet");
        person.Tap(".drawer summary").See(".next");
        person.Tap(".drawer summary").Tap(".circuit-map.tall [data-point=BoxAir]").Type("#value", "4.1").Keys(Keys.Enter);
        person.ReadUntil(".circuit-map.tall [data-point=BoxAir] .tag-value", "4.1 °C");
        Assert.True(person.Run<bool>("return document.documentElement.scrollWidth <= innerWidth"), "the page is wider than the phone");
        var small = person.Run<IReadOnlyCollection<object>>("""
            return [...document.querySelectorAll('button, .btn, .station, .circuit-map.tall .tag, summary')]
              .filter(e => e.getClientRects().length && (e.getBoundingClientRect().height < 47.5 || e.getBoundingClientRect().width < 47.5)
                && !e.closest('.unfit')).map(e => e.outerHTML.slice(0, 80));
            """);
        Assert.Empty(small);
    }

    [Fact]
    public void Without_script_a_reading_is_saved_by_tag_by_line_and_by_fact()
    {
        using var person = new Person(demo.Server, script: false);
        var path = StartVisit(person, "K-4");
        person.Tap(".circuit-map.wide [data-point=SuctionPressure]");
        person.Type("#value", "2.1").Press("Save");
        person.ReadUntil(".circuit-map.wide [data-point=SuctionPressure]", "2.10 bar");
        person.Type("#line", "box 4.2, fan 1 on, mumble").Tap("#save-line");
        person.ReadUntil("#understood", "2 saved");
        Assert.Equal("mumble", person.Value("#line"));
        person.Go(path.Replace("/circuit", "/look", StringComparison.Ordinal)).Tap("form:has([value=Coil]) button[value=Clear]");
        person.See("form:has([value=Coil]) button[value=Clear][aria-pressed=true]");
    }
}
