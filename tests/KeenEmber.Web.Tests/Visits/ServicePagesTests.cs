namespace KeenEmber.Web.Tests.Visits;

/// <summary>The visit round the measuring, from an empty record: hazards, as found, meters, policies, two tabs.</summary>
public sealed class ServicePagesTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Person person;

    public ServicePagesTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private void Start(string complaint = "Soft ice cream")
    {
        person.Go("/equipment/new").Type("#tag", "F-9").Type("#refrigerant", "R290").Type("#target", "-20")
            .Tap("#kind option[value=WalkInFreezer]")
            .Tap(".later summary").Tap("input[name=hazards][value=SecondSupply]").Press("Add this unit");
        person.Type("#author", "Isolde Marrin").Type("#complaint", complaint).Tap(".intake summary").Tap("label[for=urgency-AtOnce]")
            .Type("#stock", "six tubs").Press("Start a visit").See("#line");
    }

    [Fact]
    public void Hazards_come_first_and_what_was_found_is_frozen_by_the_first_change()
    {
        Start();
        person.ReadUntil(".complaint", "at once, at risk: six tubs");
        person.ReadUntil("[data-hazard=SecondSupply]", "lock out both");
        person.See("[data-hazard=Flammable]");
        person.Press("Checked and made safe").ReadUntil(".station-body", "");
        person.Station("look").See("#box-BoxAir");
        Assert.Equal(0, person.Count(".hazards"));

        // In the box: three readings in one go, a bad one keeps all that was typed and saves none.
        person.Type("#box-BoxAir", "-17.5").Type("#box-BoxDisplay", "cold").Press("Log").ReadUntil("#box-error-BoxDisplay", "not a number");
        Assert.Equal("-17.5", person.Value("#box-BoxAir"));
        person.Type("#box-BoxDisplay", "-20").Type("#box-Product", "-12").Tap(".in-box button")
            .ReadUntil(".display-off", "reads 2.5 K below the reference");

        person.Tap("form:has(input[value=ControllerMode]) button[value=AlarmMode]").See("form:has(input[value=ControllerMode]) .chosen");
        person.Station("changes").ReadUntil("[data-warn=as-found]", "evaporator fan");
        person.Type("#what", "defrost length").Type("#before", "45 min").Type("#after", "30 min").Tap("#change-area option[value=Defrost]")
            .Press("Save the change").ReadUntil(".done-list", "defrost length");
        person.ReadUntil("[data-policy=Defrost]", "Company policy: Defrost");
        Assert.Equal(0, person.Count("[data-warn=as-found]"));
        person.Station("look").See("[data-frozen=yes]");

        // A correction through the form keeps the place in the record.
        person.Station("record").Tap("a[href*='changes?correct=']").ReadUntil(".lead-line", "Correcting: defrost length");
        Assert.Equal("45 min", person.Value("#before"));
        person.Type("#after", "25 min").Press("Save the change").ReadUntil(".done-list", "25 min");
        person.Station("record").Tap("a[href='?show=Corrected']").ReadUntil(".timeline .replaced", "30 min");
        person.Tap("a[href='?show=Seen']").ReadUntil(".timeline", "controller mode in alarm");
        person.Tap("a[href*='correct=']").See("select#text");
        person.Tap("#text option[value=Normal]").Tap(".correct button").ReadUntil(".timeline", "controller mode normal");
    }

    [Fact]
    public void A_meter_is_named_and_its_check_decides_what_counts()
    {
        person.Go("/instruments").Press("Add it").ReadUntil("#name-error", "what is written on it");
        person.Type("#name", "T-9").Type("#accuracy", "0.3").Press("Add it").ReadUntil(".instrument-list", "T-9, thermometer ±0.3 K");
        Start();
        person.Press("Checked and made safe");
        person.Station("instruments").ReadUntil("[data-instrument=T-9]", "never checked");
        person.Press("Use it").ReadUntil("[data-instrument=T-9]", "in use");
        person.Log("fan on, coil clear, comp on 40 min, defrost over 200 min, suc 1.2, line -19");
        person.Station("circuit").ReadUntil(".results", "The instrument's check is missing");
        person.Station("instruments").Type("[data-instrument=T-9] input[name=shown]", "x").Press("Keep the check")
            .ReadUntil("[data-instrument=T-9] .field-error", "not a number");
        person.Type("[data-instrument=T-9] input[name=shown]", "0.1").Press("Keep the check").ReadUntil("[data-instrument=T-9]", "passed");
        person.Log("line -19.2");
        person.Station("circuit").See(".results");
        Assert.DoesNotContain("meter whose check", person.Read(".results"), StringComparison.Ordinal);
        person.Station("record").ReadUntil(".timeline", "with T-9");
    }

    [Fact]
    public void Two_tabs_on_one_visit_keep_what_both_typed()
    {
        Start();
        person.Press("Checked and made safe");
        using var other = new Person(app);
        other.Go(person.Path).See("#line");
        person.Log("box -18, suc 1.2");
        other.Log("line -20");
        person.Station("changes").Type("#what", "fan delay").Press("Save the change").ReadUntil(".done-list", "fan delay");
        other.Go(person.Path.Replace("/changes", "/record", StringComparison.Ordinal)).ReadUntil(".timeline", "fan delay");
        foreach (var said in new[] { "box air -18.0", "suction pressure 1.20", "suction line, coil -20.0" })
            other.ReadUntil(".timeline", said);

        // Both correct the same reading: neither is lost, the later one stands.
        person.Station("record").Tap("li:has(.what) a[aria-label^='Correct suction pressure']").Type("#text", "1.3");
        other.Tap("li:has(.what) a[aria-label^='Correct suction pressure']").Type("#text", "1.4").Tap(".correct button")
            .ReadUntil(".timeline", "1.40 bar");
        person.Tap(".correct button").ReadUntil(".timeline", "1.30 bar");
        other.Go(other.Path).ReadUntil(".timeline", "1.40 bar");
        other.ReadUntil(".timeline", "1.30 bar");
    }

    [Fact]
    public void A_policy_of_the_shop_changes_the_advice_and_what_a_callback_is()
    {
        person.Go("/settings").Type("#callbackDays", "none").Press("Save").ReadUntil("#callbackDays-error", "from 1 to 365");
        person.Type("#callbackDays", "1").Type("#technicians", "Isolde Marrin\nTobin Ashgrove").Tap("label[for=choice-GaugesOnEveryCall]")
            .Press("Save").ReadUntil("[role=status]", "Saved");
        Start();
        person.Press("Checked and made safe");
        person.Log("fan on, coil clear, comp on 40 min, defrost over 200 min, line -19, box -17");
        person.Station("changes").ReadUntil("[data-policy=Gauges]", "Connect gauges");
    }
}
