using KeenEmber.Browser.Tests.Harness;
using OpenQA.Selenium;

namespace KeenEmber.Browser.Tests;

/// <summary>A technician with an empty database: a unit, a visit, readings, a verdict, a restart, a second visit.</summary>
public sealed class FirstVisitTests : IDisposable
{
    private readonly AppServer app = new();
    private readonly Person person;

    public FirstVisitTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private void AddFreezer()
    {
        person.Go("/").Press("Add a unit");
        person.Type("#tag", "F-9").Type("#refrigerant", "404a").Type("#target", "-20");
        person.Tap("#kind option[value=WalkInFreezer]").Tap(".later summary").Type("#fans", "2").Press("Add this unit");
    }

    private void NoteAllWell()
    {
        person.Type("#line", "fans on, coil clear, comp on 30 min").ReadUntil("#save-line", "Save 3");
        person.Press("Save 3").ReadUntil("#understood", "3 saved");
    }

    [Fact]
    public void From_nothing_to_a_verdict_that_a_restart_keeps()
    {
        AddFreezer();
        person.Type("#author", "Isolde Marrin").Type("#complaint", "Soft ice cream").Press("Start a visit");
        person.ReadUntil(".complaint", "Soft ice cream");
        NoteAllWell();

        // By the map: tap a tag, type, Enter, and the next tag is open.
        person.Tap(".circuit-map.wide [data-point=SuctionLineCoil]").Type("#value", "-21.2").Keys(Keys.Enter);
        person.ReadUntil("[data-point=SuctionLineCoil] .tag-value", "-21.2 °C");
        person.ReadUntil("#point-name", "suction pressure");
        person.Type("#value", "21 psi").Keys(Keys.Enter).ReadUntil("[data-point=SuctionPressure] .tag-value", "1.45 bar");
        person.Keys(Keys.Escape);

        // By the line, several at once, shown before they are saved.
        person.Type("#line", "box -20, head 13.2, liq 24.8").ReadUntil("#understood", "head pressure 13.20 bar");
        person.Press("Save 3");
        person.ReadUntil("[data-result=Subcooling] .result-value", " K");

        // R404A at 246.1 kPa absolute: dew -25.1 °C, so -21.2 °C is 3.9 K above it.
        person.ReadUntil("[data-result=SuperheatCoil] .result-value", "3.9 K");
        person.ReadUntil("[data-result=SuperheatCoil] .validity", "usable");
        person.ReadUntil(".drawer .stands", "The refrigerant circuit is on target");

        app.Restart();
        person.Go(person.Path).ReadUntil("[data-result=SuperheatCoil] .result-value", "3.9 K");
        person.Tap("[data-result=SuperheatCoil] .why summary")
            .ReadUntil("[data-result=SuperheatCoil] .why", "-21.2 °C - (-25.1 °C) = 3.9 K");
    }

    [Fact]
    public void Nothing_that_was_said_to_be_saved_is_lost_when_the_process_is_killed()
    {
        AddFreezer();
        person.Press("Start a visit");
        for (var value = 1; value <= 2; value++)
        {
            person.Type("#line", $"suc 1.{value}").ReadUntil("#save-line", "Save 1");
            person.Press("Save 1").ReadUntil("[data-point=SuctionPressure] .tag-value", $"1.{value}0 bar");
            app.Restart();
            person.Go(person.Path).ReadUntil("[data-point=SuctionPressure] .tag-value", $"1.{value}0 bar");
        }

        person.Station("record");
        Assert.Equal(2, person.Count(".timeline li"));
    }

    [Fact]
    public void Bad_input_is_named_at_its_field_and_kept()
    {
        person.Go("/equipment/new").Type("#refrigerant", "R999").Type("#target", "cold").Tap(".later summary").Type("#fans", "many")
            .Type("#charge", "-4").Press("Add this unit");
        person.ReadUntil("#tag-error", "Type what the label");
        person.ReadUntil("#refrigerant-error", "“R999” is not in the catalogue");
        person.ReadUntil("#target-error", "not a number");
        person.ReadUntil("#fans-error", "A whole number of fans from 0 to 24");
        person.ReadUntil("#charge-error", "Out of range");
        Assert.Equal("R999", person.Value("#refrigerant"));
        Assert.Equal("cold", person.Value("#target"));

        AddFreezer();
        person.Press("Start a visit").Tap(".circuit-map.wide [data-point=SuctionPressure]");
        foreach (
            var (typed, said) in new[] { ("abc", "not a number"), ("9999999", "Out of range. Type full vacuum to 300 bar"),
            ("1e9", "not a number"), ("21 °C", "a pressure belongs here"), ("", "Type a pressure") })
        {
            person.Type("#value", typed).Keys(Keys.Enter).ReadUntil("#value-error", said);
            Assert.Equal(typed, person.Value("#value"));
        }

        person.Keys(Keys.Escape);
        person.Type("#line", "suc 1.2, wobble 7").ReadUntil("#understood", "“wobble 7” is not understood");
        person.Press("Save 1").ReadUntil("#understood", "1 saved");
        Assert.Equal("wobble 7", person.Value("#line"));
    }
}
