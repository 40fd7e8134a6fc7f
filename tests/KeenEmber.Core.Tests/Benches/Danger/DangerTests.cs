using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Danger;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Danger;

/// <summary>What can hurt somebody is said and asked for before anything else.</summary>
public class DangerTests
{
    [Theory]
    [InlineData(AsFound.Smell, FactState.Gas, DangerBench.Gas)]
    [InlineData(AsFound.Smell, FactState.Burning, DangerBench.Burning)]
    [InlineData(AsFound.Wiring, FactState.Burnt, DangerBench.Burning)]
    [InlineData(AsFound.Wiring, FactState.Rubbed, DangerBench.Chafed)]
    [InlineData(AsFound.Supply, FactState.Tripped, DangerBench.Tripped)]
    public void A_danger_leads_whatever_else_is_wrong(AsFound fact, FactState state, string code)
    {
        var visit =
            Worked.Of(Seen(1, AsFound.EvaporatorFan, FactState.Stopped), Seen(1, AsFound.Coil, FactState.Iced), Seen(2, fact, state));
        Assert.Equal(code, visit.Stands.Code);
        Assert.Equal(code, Assert.IsType<DangerTask>(visit.Next).Danger.Code);
    }

    private static VisitCase Told(string complaint, params Entry[] entries) =>
        Worked.Of(Freezer, Worked.Benches, [(Worked.Visit(Freezer) with { Complaint = complaint }, entries)]);

    [Theory]
    [InlineData("Smells burnt, breaker down", DangerBench.Burning)]
    [InlineData("smoke from the condensing unit", DangerBench.Burning)]
    [InlineData("keeps tripping the breaker", DangerBench.Tripped)]
    [InlineData("Fuse blown again", DangerBench.Tripped)]
    public void What_the_customer_tells_is_a_danger_before_anybody_has_looked(string complaint, string code)
    {
        var visit = Told(complaint);
        Assert.Equal(code, visit.Stands.Code);
        Assert.Equal(code, Assert.IsType<DangerTask>(visit.Next).Danger.Code);
    }

    [Fact]
    public void Once_looked_at_what_is_seen_holds()
    {
        var looked = Told("Smells burnt, breaker down", Seen(1, AsFound.Smell, FactState.None),
            Seen(2, AsFound.Supply, FactState.SwitchedOn));
        Assert.DoesNotContain(looked.Faults, f => f.Bench == "danger");
        var signed = Told("Smells burnt", new SignOffEntry(Seen(5, AsFound.Smell, FactState.None).Header, "", "", "", null));
        Assert.DoesNotContain(signed.Faults, f => f.Bench == "danger");
    }

    [Theory]
    [InlineData("freezer burn on the fish")]
    [InlineData("Trips in the afternoon")]
    [InlineData("smells of fish")]
    public void Other_complaints_are_no_danger(string complaint) =>
        Assert.DoesNotContain(Told(complaint).Faults, f => f.Bench == "danger");

    [Fact]
    public void A_breaker_that_went_in_defrost_says_so_by_the_fact_or_the_controllers_mode()
    {
        Assert.Equal(
            DangerBench.InDefrost,
            Worked.Of(Seen(1, AsFound.Defrost, FactState.Defrosting), Seen(2, AsFound.Supply, FactState.Tripped)).Stands.Detail);
        Assert.Equal(
            DangerBench.InDefrost,
            Worked.Of(Seen(1, AsFound.Supply, FactState.Tripped), Seen(2, AsFound.ControllerMode, FactState.Defrosting)).Stands.Detail);
        Assert.Equal("", Worked.Of(Seen(1, AsFound.Supply, FactState.Tripped)).Stands.Detail);
    }

    [Fact]
    public void Reset_it_is_no_danger_any_more_and_still_to_be_explained()
    {
        var visit = Worked.Of(Seen(1, AsFound.Supply, FactState.Tripped), Seen(30, AsFound.Supply, FactState.SwitchedOn));
        Assert.DoesNotContain(visit.Faults, f => f.Code == DangerBench.Tripped);
        Assert.Contains(visit.Found, f => f.Code == DangerBench.Tripped);
    }

    [Fact]
    public void What_went_in_defrost_went_in_defrost_whatever_the_mode_is_later()
    {
        var visit = Worked.Of(Seen(1, AsFound.Defrost, FactState.Defrosting), Seen(2, AsFound.Supply, FactState.Tripped),
            Seen(30, AsFound.Supply, FactState.SwitchedOn), Seen(31, AsFound.Defrost, FactState.Refrigerating));
        Assert.Equal(DangerBench.InDefrost, visit.Found.Single(f => f.Code == DangerBench.Tripped).Detail);
    }

    [Fact]
    public void A_compressor_behind_a_condenser_without_air_is_switched_off_first()
    {
        var visit = Worked.Of(Seen(1, AsFound.CondenserFan, FactState.Stopped), Seen(1, AsFound.Compressor, FactState.Running));
        Assert.Equal(DangerBench.NoAirOverCondenser, visit.Stands.Code);
        Assert.Equal("CondenserFan/1", Assert.Single(visit.Stands.About).Id);
        Assert.DoesNotContain(
            Worked.Of(Seen(1, AsFound.CondenserFan, FactState.Stopped), Seen(1, AsFound.Compressor, FactState.Stopped)).Faults, f =>
            f.Code == DangerBench.NoAirOverCondenser);
        Assert.DoesNotContain(
            Worked.Of(Seen(1, AsFound.CondenserFan, FactState.Stopped)).Faults, f => f.Code == DangerBench.NoAirOverCondenser);
    }

    /// <summary>Told by what was felt, and of a compressor that comes and goes on its overload too; over once air is felt, or after
    /// work.</summary>
    [Fact]
    public void No_air_from_the_condenser_is_a_danger_before_anybody_has_seen_the_fan()
    {
        EntryHeader Header(int minute) => new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde");
        DiagnosisFactEntry Answer(int minute, string observable, string answer) => new(Header(minute), observable, answer);
        Entry[] felt = [Answer(1, "compressor", "cycling"), Answer(2, "condenser-air", "none")];
        var visit = Worked.Of(felt);
        Assert.Equal((DangerBench.NoAirOverCondenser, DangerBench.AirFelt), (visit.Stands.Code, visit.Stands.Detail));
        Assert.Equal(DangerBench.NoAirOverCondenser, Assert.IsType<DangerTask>(visit.Next).Danger.Code);
        bool IsSaid(params Entry[] later) => Worked.Of([.. felt, .. later]).Faults.Any(f => f.Code == DangerBench.NoAirOverCondenser);
        Assert.True(IsSaid());
        Assert.False(IsSaid(Answer(5, "condenser-air", "warm")));
        Assert.False(IsSaid(Seen(5, AsFound.CondenserFan, FactState.Running)));
        Assert.False(IsSaid(Answer(5, "compressor", "stopped")));
        Assert.False(IsSaid(new PartEntry(Header(5), "", "", "", "", "", false, WorkArea.CondenserFan, new(ComponentKind.CondenserFan))));
    }

    [Fact]
    public void A_fan_that_its_control_stops_in_the_cold_is_no_danger_by_the_fact_alone()
    {
        var cycling = Freezer with { Circuit = Freezer.Circuit with { Parts = CircuitParts.FanCyclingControl } };
        var visit = Worked.Of(cycling, Seen(1, AsFound.CondenserFan, FactState.Stopped), Seen(1, AsFound.Compressor, FactState.Running));
        Assert.DoesNotContain(visit.Faults, f => f.Code == DangerBench.NoAirOverCondenser);
        var felt = Worked.Of(cycling, Seen(1, AsFound.Compressor, FactState.Running),
            new DiagnosisFactEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(2), Nine, "Isolde"), "condenser-air", "none"));
        Assert.DoesNotContain(felt.Faults, f => f.Code == DangerBench.NoAirOverCondenser);
    }

    [Fact]
    public void Fans_and_compressor_that_stand_in_a_defrost_are_right()
    {
        var visit =
            Worked.Of(
            Seen(1, AsFound.EvaporatorFan, FactState.Stopped), Seen(1, AsFound.Compressor, FactState.Stopped),
            Seen(1, AsFound.Defrost, FactState.Defrosting));
        Assert.Empty(visit.Faults);
        Assert.Equal(CircuitJudgement.InDefrost, visit.Stands.Code);
        Assert.Equal(StepKind.LetDefrostEnd, Assert.IsType<CircuitTask>(visit.Next).Step.Kind);
    }

    [Fact]
    public void Fans_that_run_in_the_heat_of_a_freezer_are_the_finding()
    {
        var visit = Worked.Of(Seen(1, AsFound.EvaporatorFan, FactState.Running), Seen(1, AsFound.Defrost, FactState.Defrosting));
        Assert.Equal("defrost.fans-in-heat", visit.Stands.Code);
    }

    [Fact]
    public void An_iced_coil_is_asked_why_before_the_thaw_wipes_the_answer_out()
    {
        List<Entry> seen = [Seen(1, AsFound.Coil, FactState.Iced), Read(2, MeasuringPoint.BoxAir, -14, Unit.Celsius)];
        var asked = new List<string>();
        while (Worked.Of([.. seen]).Next is DiagnosisTask { Test.Observable: var test } && asked.Count < 40)
        {
            asked.Add(test.Code);
            seen.Add(new DiagnosisFactEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(3 + asked.Count), Nine, "Isolde"),
                test.Code,
                test.IsNumber ? "" : test.Answers[0], test.IsNumber ? test.Healthy[OperatingMode.Calling].Mean : null));
        }

        Assert.Contains("fans", asked);
        Assert.Contains("drain", asked);
        Assert.Contains("door", asked);
        Assert.Contains("defrost-on", asked);
    }

    [Fact]
    public void Nothing_running_is_asked_about_the_defrost_before_anything_is_called_wrong()
    {
        var visit = Worked.Of(Seen(1, AsFound.EvaporatorFan, FactState.Stopped), Seen(1, AsFound.Compressor, FactState.Stopped));
        Assert.Empty(visit.Faults);
        Assert.Equal(CircuitJudgement.MayBeInDefrost, visit.Stands.Code);
        Assert.Equal(MeasuringPoint.BoxAir, Assert.IsType<CircuitTask>(visit.Next).Asks?.Point);
    }

    [Theory]
    [InlineData(AsFound.Defrost, FactState.Refrigerating)]
    [InlineData(AsFound.Compressor, FactState.Running)]
    [InlineData(AsFound.ControllerMode, FactState.Normal)]
    public void Fans_that_stand_and_not_for_a_defrost_are_the_finding(AsFound fact, FactState state)
    {
        var visit = Worked.Of(Seen(1, AsFound.EvaporatorFan, FactState.Stopped), Seen(2, fact, state));
        Assert.Equal(CircuitPatterns.AirFirst, visit.Stands.Code);
    }

    [Fact]
    public void Fans_that_stand_in_a_cooler_are_the_finding_since_its_defrost_needs_them()
    {
        var cooler = Freezer with { Target = Temperature.FromCelsius(4) };
        Assert.Equal(CircuitPatterns.AirFirst, Worked.Of(cooler, Seen(1, AsFound.EvaporatorFan, FactState.Stopped)).Stands.Code);
    }

    [Fact]
    public void What_nobody_explained_opens_the_next_visit()
    {
        var next = Second([Seen(1, AsFound.Defrost, FactState.Defrosting), Seen(2, AsFound.Supply, FactState.Tripped)]);
        Assert.Equal((DangerBench.Tripped, DangerBench.InDefrost), (next.Stands.Code, next.Stands.Detail));
        Assert.Equal(3, next.Stands.Values[DangerBench.DaysAgo], 1);
        Assert.IsType<DangerTask>(next.Next);
        Assert.Contains(next.Found, f => f.Code == DangerBench.Tripped);
    }

    [Fact]
    public void What_was_explained_or_is_seen_otherwise_opens_no_visit()
    {
        Entry[] tripped = [Seen(2, AsFound.Supply, FactState.Tripped)];
        Assert.NotEqual(DangerBench.Tripped, Second([.. tripped, SignedOff(60, DangerBench.Tripped)]).Stands.Code);
        Assert.Equal(DangerBench.Tripped, Second([.. tripped, SignedOff(60, "")]).Stands.Code);
        Assert.NotEqual(DangerBench.Tripped, Second([.. tripped, Seen(30, AsFound.Supply, FactState.SwitchedOn)]).Stands.Code);
        Assert.NotEqual(DangerBench.Tripped, Second(tripped, Seen(1, AsFound.Supply, FactState.SwitchedOn)).Stands.Code);
    }

    [Fact]
    public void What_is_seen_again_is_todays_danger_and_said_once()
    {
        var next = Second([Seen(2, AsFound.Smell, FactState.Burning)], Seen(1, AsFound.Smell, FactState.Burning));
        Assert.False(Assert.Single(next.Faults, f => f.Code == DangerBench.Burning).Values.ContainsKey(DangerBench.DaysAgo));
    }

    /// <summary>A visit three days after one with these entries.</summary>
    private static VisitCase Second(Entry[] before, params Entry[] today)
    {
        var first = Worked.Visit(Freezer, daysBefore: 3);
        return Worked.Of(Freezer, Worked.Benches, [(Worked.Visit(Freezer), today), (first, [.. before.Select(e => Moved(e, first))])]);
    }

    private static Entry Moved(Entry entry, Visit to) => entry with
    {
        Header = entry.Header with { VisitId = to.Id, At = entry.At.AddDays(-3), WrittenAt = entry.WrittenAt.AddDays(-3) },
    };

    private static SignOffEntry SignedOff(int minute, string explained) =>
        new(Seen(minute, AsFound.Door, FactState.Shut).Header, "heater lead", "", "", null, Explained: explained);
}
