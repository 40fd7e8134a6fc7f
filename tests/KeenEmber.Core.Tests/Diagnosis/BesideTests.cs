using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>What else is wrong beside what is sure: who sees a torn gasket has found it, whatever made the box warm.</summary>
public sealed class BesideTests
{
    private static readonly CircuitMakeUp WalkIn = new(EquipmentKind.WalkInCooler, Metering.ThermostaticValve,
        CondenserKind.AirCooledRemote, CircuitParts.Receiver | CircuitParts.LiquidSolenoid);

    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    /// <summary>The heat cannot leave, and the dirt is seen.</summary>
    private const string Dirty = "complaint.warm=yes box=5 condenser-face=blocked split=22 head=high condenser-air=weak";

    private static DiagnosisInput Input(string facts, EquipmentKind kind = EquipmentKind.WalkInCooler, double target = 3) => new(
        WalkIn with { Kind = kind }, Temperature.FromCelsius(target), 2, [.. facts.Split(' ')
        .Select(f => f.Split('=')).Select(f => double.TryParse(f[1], out var number) ? new Fact(f[0], "", number) : new Fact(f[0], f[1]))]);

    private static Explanation Lead(string facts) => Engine.Diagnose(Input(facts)).Explanations[0];

    private static IEnumerable<(string Code, CauseRole Role)> Causes(Explanation lead) => lead.Causes.Select(c => (c.Cause.Code, c.Role));

    [Fact]
    public void A_fault_that_was_seen_stands_beside_the_one_that_explains_the_rest()
    {
        Assert.Equal([("condenser-dirty", CauseRole.Root)], Causes(Lead(Dirty)));
        var two = Lead($"{Dirty} gasket=torn");
        Assert.Equal([("condenser-dirty", CauseRole.Root), ("gasket-torn", CauseRole.Separate)], Causes(two));
        Assert.Contains(two.Explains, f => f.Code == "gasket");
        Assert.DoesNotContain(two.Leaves, f => f.Code == "gasket");
    }

    [Fact]
    public void Where_nothing_is_wrong_nothing_stands_beside_it() =>
        Assert.Empty(Causes(Lead("box=0.2 complaint.noise=no compressor=running condenser-fan=running fans=all-run gasket=torn")));

    /// <summary>A blade is hardly ever gone: more often somebody said so by mistake.</summary>
    [Fact]
    public void What_hardly_ever_is_and_nothing_else_speaks_of_is_looked_at_once_more()
    {
        var input = Input($"{Dirty} fans=all-run fan-blade=gone");
        var once = Engine.Diagnose(input);
        Assert.True(once.IsSure);
        Assert.Equal([("condenser-dirty", CauseRole.Root)], Causes(once.Explanations[0]));
        Assert.Equal(("fan-blade", true), (once.Next[0].Observable.Code, once.Next[0].IsAgain));

        var twice = Engine.Diagnose(input with { Settled = new HashSet<string> { "fan-blade" } });
        Assert.Contains(("fan-blade-wrong", CauseRole.Separate), Causes(twice.Explanations[0]));
        Assert.DoesNotContain(twice.Next, n => n.IsAgain);

        var mistaken = Engine.Diagnose(Input($"{Dirty} fans=all-run fan-blade=right"));
        Assert.Equal([("condenser-dirty", CauseRole.Root)], Causes(mistaken.Explanations[0]));
        Assert.DoesNotContain(mistaken.Next, n => n.IsAgain);
    }

    [Fact]
    public void What_an_earlier_visit_left_open_is_likelier_and_fades()
    {
        var leak = DiagnosisTable.Shipped.Causes.First(c => c.Code == "leak");
        double After(params WeighedCause[] left) => Engine
            .Diagnose(Input("complaint.warm=yes box=5 compressor=running") with { LeftOpen = left })
            .Causes.First(c => c.Cause == leak).Probability;
        var suspected = new WeighedCause(leak, 0.8);
        Assert.Equal(0.4, suspected.Later(30).Probability, 1e-9);
        Assert.True(After(suspected.Later(7)) > After(suspected.Later(90)));
        Assert.True(After(suspected.Later(90)) > After());
        Assert.Equal(After(), After(suspected.Later(3650)));
    }

    /// <summary>It stays off, and what broke it may be looked at with the power locked out: ice that the melt water made.</summary>
    [Fact]
    public void What_broke_a_part_that_took_the_breaker_is_looked_for_with_no_hand_in_it()
    {
        var grounded = Engine.Diagnose(Input(
            "complaint.trips=yes supply=tripped heaters-earth=grounded heater-alone=grounded heater-safety=closed fan-earth=clear "
            + "comp-terminals=sound condfan-earth=clear smell=none clock-position=defrost wiring=sound",
            EquipmentKind.WalkInFreezer, -20));
        Assert.True(grounded.AsksWhy);
        Assert.Equal("heater-grounded", grounded.Next[0].ReasonOf!.Code);
        Assert.Contains(grounded.Next, n => n.Observable.Code is "drain" or "pan-ice" or "drain-line-heat");
        Assert.All(grounded.Next, n => Assert.Contains(n.Observable.Hazard, new[] { "", "lock out" }));
    }

    /// <summary>A board that was replaced makes a jumper likely, and a jumper is looked at before anybody says that it is there.</summary>
    [Fact]
    public void What_can_be_seen_at_once_is_not_found_before_it_was_looked_at()
    {
        var input = Input("complaint.cold=yes box=-4 compressor=running display=0 turned-warmer=goes-on")
            with { History = [new(9, ["control"], ["control"])] };
        var likely = Engine.Diagnose(input);
        Assert.Equal("jumper-left", likely.Causes[0].Cause.Code);
        Assert.InRange(likely.Causes[0].Probability, 0.8, 1);
        Assert.False(likely.IsSure);
        Assert.Equal("jumper", likely.Next[0].Observable.Code);

        Assert.True(Engine.Diagnose(input with { Facts = [.. input.Facts, new("jumper", "found")] }).IsSure);
        // Where it cannot be had, the rest has to do.
        Assert.DoesNotContain("jumper",
            Engine.Diagnose(input with { CannotNow = new HashSet<string> { "jumper" } }).Next.Select(n => n.Observable.Code));
    }

    [Fact]
    public void Once_it_is_sure_short_looks_for_another_fault_follow()
    {
        var sure = Engine.Diagnose(Input(Dirty));
        Assert.True(sure.IsSure);
        Assert.NotEmpty(sure.Next);
        Assert.All(sure.Next, n =>
        {
            Assert.Equal("condenser-dirty", n.Beside?.Code);
            Assert.DoesNotContain(n.Observable.Hazard, new[] { "opens the circuit", "melts the frost" });
            Assert.InRange(n.Observable.Minutes, 0, 12);
        });
    }

    [Fact]
    public void The_marks_of_the_table_are_of_one_cause_each_and_no_usual_answer()
    {
        var marked = DiagnosisTable.Shipped.Conditions
            .SelectMany(c => c.Shows.Where(s => s.IsTellTale).Select(s => (Condition: c.Code, Sign: s))).ToList();
        Assert.True(marked.Count > 70, $"{marked.Count}");
        var observables = DiagnosisTable.Shipped.Observables.ToDictionary(o => o.Code);
        foreach (var (condition, sign) in marked)
        {
            Assert.Single(DiagnosisTable.Shipped.Causes, c => c.Makes.Any(m => m.Code == condition && m.Share >= 0.9));
            if (sign is not AnswerSign answer)
                continue;
            var healthy = observables[sign.Observable].Healthy[OperatingMode.Calling].Shares;
            Assert.True(healthy[observables[sign.Observable].Answers.ToList().IndexOf(answer.Answer)] < 0.15, $"{sign}");
        }
    }
}
