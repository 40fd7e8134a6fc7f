using KeenEmber.Browser.Tests.Harness;

namespace KeenEmber.Browser.Tests;

/// <summary>The reference pages: a card of one refrigerant, and what is in a system whose label no longer holds.</summary>
public sealed class RefrigerantTests(DemoApp demo)
{
    [Fact]
    public void A_pressure_gives_bubble_and_dew_in_both_systems_while_it_is_typed()
    {
        using var person = new Person(demo.Server);
        person.Go("/refrigerants").Tap("#pick option[value=R448A]").ReadUntil("h1", "R448A");
        person.Type("#at", "1.4").ReadUntil(".answer", "-20.1 °C");
        person.ReadUntil(".answer", "-4.2 °F");
        person.ReadUntil("[data-swap=answer]", "Glide 6.2 K");
        person.See(".chart .glide-end");
        person.Type("#elevation", "1600").ReadUntil(".answer", "-22.0 °C");
    }

    [Fact]
    public void A_temperature_gives_two_pressures_and_the_slider_follows()
    {
        using var person = new Person(demo.Server);
        person.Go("/refrigerants/R404A?at=-20C").ReadUntil(".answer", "2.06 bar");
        person.Tap("#slide");
        // The middle of the slider is 7 or 8 °C.
        person.ReadUntil(".answer tr:first-child th", " °C");
        Assert.Matches("^[78] °C$", person.Value("#at"));
    }

    [Theory]
    [InlineData("cold", "not a number")]
    [InlineData("90 bar", "R404A is known from")]
    [InlineData("-300 C", "Out of range")]
    public void A_bad_entry_is_named_and_kept(string typed, string said)
    {
        using var person = new Person(demo.Server);
        person.Go("/refrigerants/R404A").Type("#at", typed).ReadUntil("#at-error", said);
        Assert.Equal(typed, person.Value("#at"));
    }

    [Fact]
    public void The_card_prints_alone()
    {
        using var person = new Person(demo.Server);
        person.Go("/refrigerants/R407C").Print();
        Assert.False(person.SeesNow(".ask"));
        Assert.False(person.SeesNow(".top"));
        person.ReadUntil(".print-card", "0.0 °C");
    }

    [Fact]
    public void A_vapour_leak_shifts_the_composition_and_the_dew_point()
    {
        using var person = new Person(demo.Server);
        person.Go("/refrigerants/mix?label=R454C").Tap("label[for=what-Leak]").Type("#share", "40").Press("Compute");
        person.ReadUntil(".shares", "13.3 %");
        person.ReadUntil(".verdict", "higher than the label's");
        person.ReadUntil(".mix-result .caution", "flammable");
    }

    [Fact]
    public void A_top_up_with_another_is_mixed_by_mass_and_asks_for_what_is_missing()
    {
        using var person = new Person(demo.Server);
        person.Go("/refrigerants/mix?label=R404A").Type("#share", "lots").Press("Compute")
            .ReadUntil("#share-error", "per cent by mass from 0 to 100");
        person.Type("#share", "25").Press("Compute").ReadUntil("#other-error", "Choose the other");
        person.Tap("#other option[value=R134a]").Press("Compute").ReadUntil(".shares", "28 %");
        Assert.Equal("25", person.Value("#share"));
    }

    [Fact]
    public void A_standing_pressure_is_judged_and_says_what_would_tell_more()
    {
        using var person = new Person(demo.Server);
        person.Go("/refrigerants/R134a").Press("Standing pressure").Type("#p1", "9.95").Type("#t1", "warm").Press("Judge");
        person.ReadUntil("#t1-error", "not a number");
        // R404A at 20 °C in a system labelled R134a.
        person.Type("#t1", "20").Press("Judge").ReadUntil("[data-verdict=TooHigh]", "or another refrigerant");
        person.ReadUntil(".mix-result", "second settled reading");
        person.Type("#p2", "6.1").Type("#t2", "5").Press("Judge").ReadUntil("[data-verdict=OtherRefrigerant]", "another's");
        person.ReadUntil(".mix-result .shares", "R404A");
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void No_accessibility_violation(bool phone)
    {
        using var person = new Person(demo.Server, phone);
        foreach (
            var path in new[] { "/refrigerants/R448A?at=1.4", "/refrigerants/R290?at=x",
            "/refrigerants/mix?label=R454C&what=Leak&share=40", "/refrigerants/standing?label=R134a&p1=9.9&t1=20" })
        {
            person.Go(path);
            IReadOnlyList<string> found = [.. person.Violations(), .. person.Darken(true).Violations("color-contrast")];
            Assert.True(found.Count == 0, $"{path}: {string.Join("\n", found)}");
        }
    }
}
