using System.Text.RegularExpressions;

namespace KeenEmber.Web.Tests.Visits;

/// <summary>The pages of the circuit bench, from an empty record: make-ups, readings over time, settings, glycol, standing
/// pressure.</summary>
public sealed class CircuitPagesTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly Person person;

    public CircuitPagesTests() => person = new(app);

    public void Dispose()
    {
        person.Dispose();
        app.Dispose();
    }

    private void Add(string kind, string refrigerant, string target, Action? later = null)
    {
        person.Go("/equipment/new").Type("#tag", "Q-9").Type("#refrigerant", refrigerant).Type("#target", target)
            .Tap($"#kind option[value={kind}]");
        person.Tap(".later summary").Type("#fans", "1");
        later?.Invoke();
        person.Press("Add this unit").Press("Start a visit").See("#line");
    }

    private const string Map = ".circuit-map.tall";

    private string Result(string kind, string part) => person.ReadUntil($"[data-result={kind}]", part);

    [Fact]
    public void A_capillary_reach_in_from_nothing_to_a_verdict()
    {
        Add("ReachInCooler", "R290", "4", () => person
            .Tap("#metering option[value=CapillaryTube]").Tap("#condenser option[value=AirCooledSelfContained]")
                .Tap("input[name=parts][value=Receiver]"));
        Assert.DoesNotContain("sight glass", person.Read(Map), StringComparison.Ordinal);
        person.ReadUntil(".panel .caution, .panel .stands", "No readings yet");

        // The reading that unlocks most is asked for; the tags are the form, at either size.
        person.Log("fan on, coil clear, comp on 40 min");
        person.Tap($"{Map} [data-point=BoxAir]").Type("#value", "4.2").Enter()
            .ReadUntil($"{Map} [data-point=BoxAir] .tag-value", "4.2 °C");

        // R290 at 2.0 bar over sea level: dew -14.0 °C. Superheat 4.5, TD 18.2: the coil is too cold for its air, and it is well fed.
        person.Log("line -9.5, suc 2.0, head 10.2, liq 25, amb 22");
        Result("SuperheatCoil", "4.5 K");
        Result("EvaporatorTd", "above target");

        // It was the blocked return: corrected, and the verdict follows.
        person.Log("suc 2.55, line -4.5");
        person.ReadUntil(".stands", "The refrigerant circuit is on target");
        Result("EvaporatorTd", "on target");
        person.Go(person.Path).ReadUntil(".stands", "The refrigerant circuit is on target");
    }

    [Fact]
    public void Two_coils_have_their_tags_and_a_rack_has_none_of_the_machine()
    {
        Add("PrepTable", "R600a", "4", () => person.Tap("#coils option[value='2']").Tap("#metering option[value=CapillaryTube]"));
        person.ReadUntil($"{Map} [data-point=BoxAir2]", "air, base");
        person.Log("rail 5, base 4.4, line 1.5, base line 2.5, suc 0.05");
        person.ReadUntil($"{Map} [data-point=SuctionLineCoil2] .tag-value", "2.5 °C");
        Result("SuperheatCoil2", "superheat, base");
        person.Station("look").ReadUntil(".facts-to-tap", "coil, base");
        person.Tap("form:has([name=fact][value=Coil]):has([name=index][value='2']) button[value=Iced]")
            .ReadUntil(".stands", "Not enough air through the coil. Find out why before thawing it or judging the charge");

        person.Unit("Q-9").Press("Edit nameplate").Tap("#condenser option[value=Rack]").Tap("#coils option[value='1']")
            .Tap("input[name=parts][value=EvaporatorPressureRegulator]").Press("Save the nameplate");
        person.Press("Go on with the visit").ReadUntil($"{Map}", "central rack");
        Assert.Equal(0, person.Count("[data-point=CondenserAir]") + person.Count("[data-result=CondenserSplit]"));
    }

    [Fact]
    public void Rows_are_pasted_mended_charted_and_judged_from_the_settled_stretch()
    {
        Add("WalkInFreezer", "R404A", "-20");
        person.Log("fan on, coil clear, comp on 40 min, box -19.6");
        person.Station("trend").ReadUntil(".lead-line", "No series yet");
        var rows = Enumerable.Range(0, 16)
            .Select(m => $"{m}; {1.45 + (m % 2) * 0.01:F2}; {(m == 15 ? -19 : -20.1 + (m % 2) * 0.2):F1}".Replace('.', ',')).ToList();
        string Text(string heading, string first) => $"{heading}\n{first}\n{string.Join('\n', rows.Skip(1))}";
        void Paste(string text) => person.Type("#rows", text).Press("Save the rows");

        Paste(Text("min; suction; wobble", rows[0]));
        person.ReadUntil("#rows-error", "“wobble” is no point of this circuit");
        Paste(Text("min; suction; line", "zero; 1,45; warm"));
        person.ReadUntil("#rows-error", "Row 2: “zero” is no time");
        Paste(Text("min; suction; line (°C)", "0; 1,45; warm"));
        person.ReadUntil("#rows-error", "Row 2, suction line, coil: “warm”");
        Assert.Contains("0; 1,45; warm", person.Value("#rows"), StringComparison.Ordinal);

        Paste(Text("min; suction; line (°C)", rows[0]));
        person.ReadUntil(".lead-line[data-settled=yes]", "Settled since");
        person.See(".trend-chart.wide .trend-path.line-cold");
        Assert.Equal("", person.Value("#rows"));

        // Dew of R404A at the mean of 1.455 bar is -25.1 °C: the last row alone would give 6 K.
        person.Station("circuit");
        Result("SuperheatCoil", "= 5.1 K");

        // A clock time that is still to come is a slip.
        person.Station("trend");
        Paste($"time, suction\n{app.Clock.Now.AddDays(1):yyyy-MM-dd HH:mm}, 1.4");
        person.ReadUntil("#rows-error", "is still to come");
        person.Station("circuit");
        person.Log("suc 0.9");
        person.Station("trend").ReadUntil(".lead-line", "Not settled");
        person.Station("circuit");
        Result("SuperheatCoil", "has not settled");
    }

    [Fact]
    public void Settings_are_typed_either_way_checked_converted_and_kept()
    {
        Add("WalkInCooler", "R404A", "3", () => person.Tap("input[name=parts][value=FanCyclingControl]").Type("#coldest", "-10"));
        person.Station("controls").Type("#AsFound-FanOff", "5.0").Type("#AsFound-FanOn", "33 °C").Type("#AsFound-LowCutOut", "soon")
            .Press("Save the settings");
        person.ReadUntil("#AsFound-LowCutOut-error", "not a number");
        Assert.Equal("33 °C", person.Value("#AsFound-FanOn"));
        person.Type("#AsFound-LowCutOut", "20 psi").Press("Save the settings").ReadUntil("#AsFound-FanOn-is", "= 33.0 °C");
        person.ReadUntil("#AsFound-LowCutOut-is", "= -25.9 °C");
        person.ReadUntil("[data-code='control.fan-off-too-low-to-feed']", "The fan runs down to");
        person.ReadUntil("[data-code='control.cut-out-lets-a-cooler-freeze']", "far under freezing");
        person.ReadUntil(".panel .unfit", "The fan runs down to");

        person.Type("#AsSet-FanOff", "24 °C").Type("#AsSet-LowCutOut", "-11 C").Press("Save the settings")
            .ReadUntil(".fits", "The settings fit");
        person.ReadUntil("[data-put-right='control.fan-off-too-low-to-feed']", "repaired since");
        person.Tap("#to option[value=R448A]").Press("Show the settings for it").ReadUntil("[data-setting=FanOff]", "24.0 °C");
        var row = person.ReadUntil("[data-setting=FanOff]", "bar");
        var bars = Regex.Matches(row, @"([\d.]+) bar").Select(m => m.Groups[1].Value).ToList();
        Assert.NotEqual(bars[0], bars[1]);
        person.Go(person.Path).ReadUntil("#AsSet-FanOff-is", "= 24.0 °C");
        person.Station("record").ReadUntil(".timeline", "condenser fan off as set");
    }

    [Fact]
    public void Refrigerant_typed_into_the_log_line_is_a_row_of_the_ledger()
    {
        Add("WalkInCooler", "R404A", "3");
        person.Log("added 60 g");
        person.Station("record").ReadUntil(".timeline", "R404A added 0.060 kg");
    }

    [Fact]
    public void A_chillers_glycol_tells_the_mixture_from_the_control()
    {
        Add("GlycolChiller", "R134a", "-2");
        person.ReadUntil($"{Map} [data-point=BoxAir]", "glycol bath");
        person.Station("glycol").Press("Save glycol check").ReadUntil("#strength-error", "Type a concentration");
        person.Type("#strength", "20").Press("Save glycol check")
            .ReadUntil("[data-code='glycol.too-weak-for-its-set-point']", "freezes at -7.1 °C");
        person.Type("#strength", "-17 °C").Type("#surface", "-19").Press("Save glycol check")
            .ReadUntil("[data-code='glycol.control-let-it-freeze']", "A surface reached -19.0 °C");
        person.ReadUntil(".panel .unfit", "A surface reached");
        person.Type("#strength", "").Type("#surface", "").Tap("#pump option[value=no]").Press("Save glycol check")
            .ReadUntil("[data-code='glycol.pump-stopped']", "Switch the compressor off");
        person.Type("#upTo", "35").Type("#strength", "38").Press("Save glycol check").See("#upTo.is-invalid");
    }

    [Fact]
    public void Standing_pressure_is_judged_in_the_visit_and_on_its_record()
    {
        Add("WalkInCooler", "R134a", "3");
        person.Tap(".standing summary").Type("#p1", "7.3").Press("Judge and save").ReadUntil("#t1-error", "Type a temperature");
        Assert.Equal("7.3", person.Value("#p1"));
        person.Type("#t1", "20").Press("Judge and save").ReadUntil("[data-verdict=TooHigh]", "Above the line of R134a");
        person.Type("#p1", "4.7").Type("#t1", "20").Press("Judge and save").ReadUntil("[data-verdict=Normal]", "no sign of air");
        person.Station("record").ReadUntil(".timeline", "standing at 4.70 bar, 20.0 °C");
    }
}
