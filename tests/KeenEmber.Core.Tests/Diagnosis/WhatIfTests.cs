using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>What a cause would show, and what ought to run.</summary>
public sealed class WhatIfTests
{
    private static DiagnosisInput Input(int fans, params Fact[] facts) => new(new(EquipmentKind.WalkInFreezer, Metering.ThermostaticValve,
        CondenserKind.AirCooledRemote, CircuitParts.Receiver | CircuitParts.LiquidSolenoid), Temperature.FromCelsius(-20), fans, facts);

    private static WhatIf? If(string cause, DiagnosisInput input) =>
        WhatIf.Of(DiagnosisTable.Shipped, input, DiagnosisTable.Shipped.Causes.First(c => c.Code == cause));

    [Fact]
    public void A_cause_says_what_fits_what_speaks_against_it_and_what_to_look_at()
    {
        var what = If("leak", Input(2, new("box", "", 7), new("superheat", "", 17), new("sight-glass", "full")))!;
        Assert.Contains(what.Seen, f => f.Code == "superheat");
        Assert.Equal("sight-glass", Assert.Single(what.Against).Code);
        Assert.Contains(what.NotLooked, e => e is { Observable.Code: "oil", Answer: "found" });
        Assert.Contains(what.NotLooked, e => e is { Observable.Code: "td", Number: > 8 });
        Assert.DoesNotContain(what.NotLooked, e => e.Observable.Code == "superheat");
        Assert.Null(If("water-valve-shut", Input(2)));
    }

    [Theory]
    [InlineData(7, "calling for cold", "running", "running", "all-run")]
    [InlineData(-1, "satisfied", "stopped", "stopped", "all-run")]
    public void What_ought_to_run_goes_by_the_box(double aboveK, string mode, string compressor, string condenserFan, string fans)
    {
        var facts = new Fact[] { new("box", "", aboveK), new("compressor", "stopped") };
        var oughts = Ought.Of(DiagnosisTable.Shipped, Input(2, facts)).ToDictionary(o => o.Observable.Code);
        Assert.Equal(mode == "satisfied" ? OperatingMode.Satisfied : OperatingMode.Calling, Ought.ModeOf(facts));
        Assert.Equal((compressor, condenserFan, fans),
            (oughts["compressor"].Answer, oughts["condenser-fan"].Answer, oughts["fans"].Answer));
        Assert.Equal(compressor != "stopped", oughts["compressor"].IsOdd);
        Assert.Null(oughts["fans"].Seen);
    }

    [Fact]
    public void In_a_defrost_fans_and_compressor_ought_to_stand()
    {
        var oughts = Ought.Of(DiagnosisTable.Shipped, Input(2, new("box", "", 3), new("shown-mode", "defrost"), new("fans", "all-run")));
        Assert.Equal("stopped", oughts.Single(o => o.Observable.Code == "compressor").Answer);
        Assert.True(oughts.Single(o => o.Observable.Code == "fans").IsOdd);
        Assert.Empty(Ought.Of(DiagnosisTable.Shipped, Input(2, new Fact("box", "", 1))));
    }

    [Fact]
    public void The_one_fan_of_a_small_unit_that_stands_is_all_of_them()
    {
        static double Dead(int fans, string seen) => new Diagnoser(DiagnosisTable.Shipped).Diagnose(Input(fans, new Fact("fans", seen)))
            .Causes.FirstOrDefault(c => c.Cause.Code == "fan-motor-dead")?.Probability ?? 0;
        Assert.True(Dead(1, "all-stopped") > 2 * Dead(2, "all-stopped"), $"{Dead(1, "all-stopped")} and {Dead(2, "all-stopped")}");
        Assert.True(Dead(2, "one-stopped") > 0.1, $"{Dead(2, "one-stopped")}");
    }

    [Fact]
    public void A_test_that_waits_for_another_makes_the_other_worth_while()
    {
        var iced = Input(2, new("box", "", 7), new("coil", "iced"), new("fans", "all-run"), new("drain", "clear"), new("door", "closes"),
            new("gasket", "sound"), new("compressor", "running"), new("condenser-fan", "running"), new("frost-pattern", "even"),
            new("defrost-setting", "right"), new("clock", "turning"), new("defrosts", "as-set"), new("panel-joints", "sound"));
        var engine = new Diagnoser(DiagnosisTable.Shipped);
        Assert.Contains("defrost-on", engine.Diagnose(iced).Next.Select(n => n.Observable.Code));
        var forced = engine.Diagnose(iced with { Facts = [.. iced.Facts, new("defrost-on", "yes")] });
        Assert.Contains(forced.Next, n => n.Observable.Code is "fans-in-defrost" or "heaters.current");
    }

    [Fact]
    public void Where_somebody_complained_it_is_less_likely_that_nothing_is_wrong()
    {
        double Healthy(params Fact[] facts) => new Diagnoser(DiagnosisTable.Shipped).Diagnose(Input(2, facts))
            .Explanations.First(e => e.Causes.Count == 0).Probability;
        Assert.True(Healthy(new Fact("fans", "all-run")) > 2 * Healthy(new("fans", "all-run"), new("complaint.noise", "yes")));
    }
}
