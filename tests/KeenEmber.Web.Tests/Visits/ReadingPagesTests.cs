namespace KeenEmber.Web.Tests.Visits;

/// <summary>Readings logged on an empty record: what counts, what moved, what is challenged, corrected, shown in other units.</summary>
public sealed class ReadingPagesTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Person person;

    public ReadingPagesTests() => person = new(app);

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
        person.Log("fans on, coil clear, comp on 30 min");
    }

    [Fact]
    public void A_second_visit_shows_the_first_and_marks_what_moved()
    {
        AddFreezer();
        person.Press("Start a visit");
        person.Log("box -20, suc 1.4, line -21");
        app.Clock.Later(90);
        person.Tap(".visit-head h1 a").ReadUntil(".visits", "No complaint written down");
        person.Press("Start a visit").ReadUntil(".circuit-map.wide [data-point=BoxAir]", "was -20.0 °C");

        person.Log("box -16.5, line -21.3").ReadUntil(".circuit-map.wide [data-point=BoxAir]", "▲ was -20.0 °C");
        // 0.3 K is within what two thermometers may differ: shown, not marked.
        Assert.DoesNotContain(
            "▲", person.ReadUntil(".circuit-map.wide [data-point=SuctionLineCoil]", "was -21.0 °C"), StringComparison.Ordinal);
        person.ReadUntil(".moved-since", "1 reading moved since");
    }

    [Fact]
    public void What_was_looked_at_and_is_well_is_told_with_one_tap_except_what_was_noted_before()
    {
        AddFreezer();
        person.Press("Start a visit").Station("look");
        person.Tap("form:has([value=Gasket]) button[value=Torn]");
        person.Tap("form.all-well:has([value=Box]) button");
        person.See("form:has([value=Gasket]) button[value=Torn][aria-pressed=true]");
        person.See("form:has([value=Door]) button[value=Shut][aria-pressed=true]");
        person.See("details[data-group=Box][open]");
        person.Tap("form.all-well:has([value=Senses]) button");
        person.See("details[data-group=Senses]:not([open])");
        Assert.Equal(0, person.Count("form.all-well:has([value=AirAndIce])"));
        person.See("form.all-well:has([value=Power])");
        person.Log("wires chafed").Station("look");
        Assert.Equal(0, person.Count("form.all-well:has([value=Power])"));
        person.See("form:has([value=Compressor]) button[value=Running][aria-pressed=false]");
    }

    [Theory]
    [InlineData("R999X", "R999X is not in the catalogue")]
    [InlineData("unknown", "The refrigerant is not known")]
    public void A_refrigerant_without_a_table_is_kept_by_name_and_treated_as_flammable(string name, string said)
    {
        person.Go("/equipment/new").Type("#tag", "F-8").Type("#refrigerant", name).Type("#target", "-20").Press("Add this unit");
        if (name != "unknown")
            person.Tap("input[name=byName]").Press("Add this unit");
        person.ReadUntil("body", said);
        person.ReadUntil("body", "treat it as flammable");
        person.Press("Start a visit").Log("suc 1.4, box -18").ReadUntil(".stands", said);
    }

    [Fact]
    public void The_fans_decide_whether_a_reading_counts()
    {
        AddFreezer();
        person.Press("Start a visit");
        NoteAllWell();
        person.Station("look").Tap("form:has([value=EvaporatorFan]):has([name=index][value='2']) button[value=Stopped]");
        person.See("form:has([name=index][value='2']) button[value=Stopped][aria-pressed=true]");
        person.Type("#time-Compressor", "soon").Tap("form:has([value=Compressor]) button[value=Running]")
            .ReadUntil("#time-Compressor-error", "Type minutes from 0");
        Assert.Equal("soon", person.Value("#time-Compressor"));
        person.Log("suc 1.4, line -21")
            .ReadUntil(".stands", "Not enough air through the coil. Find out why before thawing it or judging the charge");
        person.Station("circuit").ReadUntil("[data-result=SuperheatCoil]", "not usable");
        person.ReadUntil("[data-result=SuperheatCoil]", "An evaporator fan is off");
        person.See(".circuit-map.wide .tag.unusable[data-point=SuctionPressure]");
    }

    [Fact]
    public void Just_out_of_defrost_a_reading_does_not_count_either()
    {
        AddFreezer();
        person.Press("Start a visit");
        NoteAllWell();
        person.Station("look").Type("#time-Defrost", "4").Tap("form:has([value=Defrost]) button[value=Refrigerating]");
        person.Log("suc 1.4, line -21");
        person.Station("circuit").ReadUntil("[data-result=SuperheatCoil]", "Out of defrost for less than 10 min");
    }

    [Fact]
    public void An_impossible_value_is_kept_and_challenged_with_the_likeliest_slip()
    {
        AddFreezer();
        person.Press("Start a visit");
        NoteAllWell();
        person.Log("suc 13.2, head 1.4").ReadUntil(".challenge", "look swapped");
        person.ReadUntil("[data-point=SuctionPressure] .tag-value", "13.20 bar");

        // Put right as a slip: the first value stays on record, struck through.
        foreach (var (point, value) in new[] { ("SuctionPressure", "1.4"), ("DischargePressure", "13.2") })
            person.Tap($".circuit-map.wide [data-point={point}]").Type("#value", value).Tap(".corrects input").Press("Save")
                .ReadUntil($"[data-point={point}] .tag-value", value);
        Assert.False(person.SeesNow(".challenge"));
        person.Station("record").ReadUntil(".timeline del", "13.20 bar");
    }

    [Fact]
    public void A_record_can_be_corrected_and_struck_out_without_losing_anything()
    {
        AddFreezer();
        person.Press("Start a visit");
        person.Log("box 20");
        person.Log("note: <script>alert(1)</script> oil at the flare").Station("record");
        person.ReadUntil(".timeline", "<script>alert(1)</script> oil at the flare");

        person.Tap("[aria-label^='Correct box air']").Type("#text", "cold").Tap(".correct button").ReadUntil("#text-error", "not a number");
        Assert.Equal("cold", person.Value("#text"));
        person.Type("#text", "-20").Enter().ReadUntil(".timeline", "box air -20.0 °C");
        person.ReadUntil(".timeline del", "box air 20.0 °C");
        person.Tap("[aria-label^='Strike out note'], [aria-label*='oil at the flare'][aria-label^='Strike']")
            .ReadUntil(".timeline .replaced", "no longer stands");
    }

    [Fact]
    public void The_shop_switches_units_and_adds_words_and_no_value_changes()
    {
        AddFreezer();
        person.Press("Start a visit").Log("suc 1.45, box -20").ReadUntil("[data-point=SuctionPressure] .tag-value", "1.45 bar");
        var visit = person.Path;

        person.Go("/settings").Type("#words", "wobble").Press("Save").ReadUntil("#words-error", "equals sign");
        person.Tap("label[for=units-us]").Type("#words", "top sensor = box air").Press("Save").ReadUntil(".saved", "Saved");
        person.Go(visit).ReadUntil("[data-point=SuctionPressure] .tag-value", "21.0 psi");
        person.ReadUntil("[data-point=BoxAir] .tag-value", "-4.0 °F");
        person.Log("top sensor -5").ReadUntil("[data-point=BoxAir] .tag-value", "-5.0 °F");

        person.Go("/settings").Tap("label[for=units-metric]").Press("Save").ReadUntil(".saved", "Saved");
        person.Go(visit).ReadUntil("[data-point=SuctionPressure] .tag-value", "1.45 bar");
    }
}
