using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Benches.Circuit;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Tests.Visits;

/// <summary>What is left open, what stands in the way of signing off, and what the next visit is told.</summary>
public class OpenItemTests
{
    private static readonly DateTimeOffset Monday = new(2026, 3, 2, 9, 0, 0, TimeSpan.Zero);
    private static readonly Visit First = new(Guid.CreateVersion7(), Guid.CreateVersion7(), Monday, "Isolde Marrin", "");
    private static readonly Visit Second = First with { Id = Guid.CreateVersion7(), StartedAt = Monday.AddDays(4) };

    private static readonly Equipment Unit =
        new(First.EquipmentId, Guid.CreateVersion7(), "F-3", "", EquipmentKind.WalkInFreezer, Temperature.FromCelsius(-20), 1, "", "",
        new(Guid.CreateVersion7(), "R404A", null, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver, ""));

    private static Timeline Of(params Entry[] entries) => new(entries, Unit, Pressure.StandardAtmosphere);

    private static ChangeEntry Change(OpenItemKind? opens, Visit? visit = null, int minute = 0, string what = "fan delay") =>
        new(new(Guid.CreateVersion7(), (visit ?? First).Id, Monday.AddMinutes(minute), Monday, "Isolde"), what, "", "bridged", "", opens,
            false);

    private static ClosureEntry Closed(ChangeEntry change, Visit visit) =>
        new(new(Guid.CreateVersion7(), visit.Id, Monday.AddDays(4), Monday, "Tobin"), change.Id, "taken out");

    private static HandoverEntry Handed(ChangeEntry change, Visit visit, int day = 9) =>
        new(new(Guid.CreateVersion7(), visit.Id, visit.StartedAt.AddHours(1), Monday, "Tobin"), change.Id, "part on order", "Tobin",
            new(2026, 3, day));

    private static PartEntry Part(string part, string place, Visit visit) =>
        new(new(Guid.CreateVersion7(), visit.Id, visit.StartedAt, Monday, "Isolde"), part, place, "", "", "", false);

    [Fact]
    public void A_loop_stays_open_across_visits_until_an_entry_closes_it()
    {
        var jumper = Change(OpenItemKind.Jumper);
        Assert.Equal(jumper, Assert.Single(OpenItem.Of([Of(jumper), Of()])).Change);
        Assert.Empty(OpenItem.Of([Of(jumper), Of(Closed(jumper, Second))]));
        Assert.Empty(OpenItem.Of([Of(Change(null))]));
    }

    [Fact]
    public void A_closure_struck_out_opens_it_again_and_a_change_struck_out_was_never_open()
    {
        var jumper = Change(OpenItemKind.Jumper);
        var closure = Closed(jumper, First);
        WithdrawalEntry Strike(Entry entry) => new(new(Guid.CreateVersion7(), First.Id, entry.At, Monday, "Isolde", entry.Id));
        Assert.Single(OpenItem.Of([Of(jumper, closure, Strike(closure))]));
        Assert.Empty(OpenItem.Of([Of(jumper, Strike(jumper))]));
    }

    [Fact]
    public void Safety_comes_first_then_the_oldest()
    {
        var (watch, order, panel) =
            (Change(OpenItemKind.WatchIt, minute: 1), Change(OpenItemKind.PartOnOrder, minute: 5),
                Change(OpenItemKind.PanelOff, minute: 9));
        Assert.Equal([panel, watch, order], OpenItem.Of([Of(order, panel, watch)]).Select(l => l.Change));
    }

    [Theory]
    [InlineData(OpenItemKind.Jumper)]
    [InlineData(OpenItemKind.SafetyBypassed)]
    [InlineData(OpenItemKind.PanelOff)]
    [InlineData(OpenItemKind.ValveSeated)]
    public void A_safety_related_loop_stands_in_the_way_whatever_is_said_about_it(OpenItemKind kind)
    {
        var change = Change(kind);
        Assert.Single(OpenItem.InTheWay(OpenItem.Of([Of(change, Handed(change, First))]), First.Id));
    }

    [Theory]
    [InlineData(OpenItemKind.PumpedDown)]
    [InlineData(OpenItemKind.BreakerOff)]
    [InlineData(OpenItemKind.SettingShifted)]
    [InlineData(OpenItemKind.TapeRepair)]
    [InlineData(OpenItemKind.PartOnOrder)]
    [InlineData(OpenItemKind.WatchIt)]
    public void Any_other_loop_needs_reason_owner_and_day_on_this_visit(OpenItemKind kind)
    {
        var change = Change(kind);
        Assert.Single(OpenItem.InTheWay(OpenItem.Of([Of(change)]), First.Id));
        Assert.Empty(OpenItem.InTheWay(OpenItem.Of([Of(change, Handed(change, First))]), First.Id));
        Assert.Single(OpenItem.InTheWay(OpenItem.Of([Of(change, Handed(change, First))]), Second.Id));
    }

    [Theory]
    [InlineData("fan delay switch", false)]
    [InlineData("thermostat", false)]
    [InlineData("high-pressure control", true)]
    [InlineData("HP switch", true)]
    [InlineData("compressor overload", true)]
    [InlineData("heater safety", true)]
    public void A_jumper_on_a_control_may_be_handed_over_unless_it_names_a_safety(string what, bool isSafety)
    {
        var change = Change(OpenItemKind.ControlJumper) with { What = what };
        var open = Assert.Single(OpenItem.InTheWay(OpenItem.Of([Of(change)]), First.Id));
        Assert.Equal(isSafety, open.IsSafety);
        Assert.Equal(isSafety ? 1 : 0, OpenItem.InTheWay(OpenItem.Of([Of(change, Handed(change, First))]), First.Id).Count);
    }

    [Fact]
    public void The_last_handover_counts_and_runs_out()
    {
        var change = Change(OpenItemKind.PartOnOrder);
        var item = Assert.Single(OpenItem.Of([Of(change, Handed(change, First, day: 5)), Of(Handed(change, Second, day: 12))]));
        Assert.Equal(12, item.Handover!.Due.Day);
        Assert.True(item.IsLookedAfter(new(2026, 3, 12)));
        Assert.False(item.IsLookedAfter(new(2026, 3, 13)));
        Assert.False(Assert.Single(OpenItem.Of([Of(change)])).IsLookedAfter(new(2026, 3, 2)));
    }

    [Fact]
    public void A_part_replaced_again_at_the_same_place_is_a_repeat_offender()
    {
        var timelines =
            new[] { Of(Part("Fan motor", "left", First), Part("fan motor", "right", First)),
            Of(Part("fan motor ", "Left", Second), Part("relay", "", Second)) };
        Assert.Equal((2, "Left"), (Assert.Single(Briefing.Repeated(timelines)).Times, Briefing.Repeated(timelines)[0].Last.Place));
    }

    [Fact]
    public void A_component_keeps_its_history_whatever_its_part_is_called()
    {
        var fan2 = new Component(ComponentKind.EvaporatorFan, 2);
        var timelines = new[]
        {
            Of(Part("fan motor", "left", First) with { Component = fan2 }, Part("fan motor", "left", First)),
            Of(Part("evaporator motor 9 W", "", Second) with { Component = fan2 },
                Part("", "", Second) with { Component = fan2 with { Place = 1 } }),
        };
        var offender = Assert.Single(Briefing.Repeated(timelines));
        Assert.Equal((2, fan2, "evaporator motor 9 W"), (offender.Times, offender.Last.Component, offender.Last.Part));
    }

    private static CircuitAnalysis Starved => Bench.Analyse(Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 1));

    private static Briefing Brief(Timeline timeline, CircuitAnalysis analysis) =>
        new CircuitJudgement(Unit, analysis, null, null, true) is var judged
            ? Briefing.Of(First, timeline, judged.Found, judged.WorthRepeating, [timeline]) : null!;

    [Fact]
    public void A_finding_nobody_did_anything_about_is_not_explained()
    {
        var briefing = Brief(Of(Change(OpenItemKind.WatchIt) with { FoundSo = true }), Starved);
        Assert.Equal([CircuitPatterns.ShortOfCharge], briefing.NotExplained.Select(f => f.Code));
        Assert.Empty(briefing.Changed);
        Assert.Contains(MeasuringPoint.SuctionLineCoil, briefing.WorthRepeating);
        Assert.DoesNotContain(MeasuringPoint.DischargeLine, briefing.WorthRepeating);
    }

    [Fact]
    public void Only_what_the_sign_off_says_is_explained_is()
    {
        var added =
            new RefrigerantEntry(new(Guid.CreateVersion7(), First.Id, Monday, Monday, "Isolde"), "R404A", 0.4, "", "leak at the flare");
        var signed = new SignOffEntry(new(Guid.CreateVersion7(), First.Id, Monday, Monday, "Isolde"), "leak at the flare", "", "", null);
        Assert.Single(Brief(Of(added), Starved).NotExplained);
        Assert.Single(Brief(Of(added, signed), Starved).NotExplained);
        Assert.Single(Brief(Of(signed with { Explained = CircuitPatterns.HighHead }), Starved).NotExplained);
        Assert.Empty(
            Brief(Of(signed with { Explained = $"{CircuitPatterns.HighHead} {CircuitPatterns.ShortOfCharge}" }), Starved).NotExplained);
    }

    [Fact]
    public void Nothing_out_of_order_gives_an_empty_briefing()
    {
        var briefing = Brief(Of(), Bench.Analyse(Bench.Consistent()));
        Assert.Empty(briefing.Findings);
        Assert.Empty(briefing.WorthRepeating);
        Assert.Empty(briefing.Open);
    }
}
