using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>A defrost clock that was tested, replaced and tested again; heaters and fans that hang on one contact.</summary>
public sealed class ClockFindingTests
{
    private static ClockTestEntry Test(double minute, double dial = 60, double waited = 60, bool? change = null) =>
        new(At(minute), waited, dial, change, null, null);

    private static EntryHeader At(double minute) => new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde");

    private static string[] Codes(IEnumerable<Core.Findings.Finding> findings) => [.. findings.Select(f => f.Code)];

    private static DefrostJudgement Judge(params Entry[] entries) => Worked.Of(entries).Of<DefrostJudgement>()!;

    [Fact]
    public void A_clock_that_stands_is_found_by_test_or_by_eye()
    {
        Assert.Contains(DefrostCodes.ClockStopped, Codes(Judge(Test(5, dial: 0)).Now));
        Assert.Contains(DefrostCodes.ClockStopped, Codes(Judge(Seen(5, AsFound.ClockMotor, FactState.Stopped)).Now));
        Assert.Contains(DefrostCodes.ClockOff, Codes(Judge(Test(5, dial: 40)).Now));
        Assert.Contains(DefrostCodes.ClockContacts, Codes(Judge(Test(5, change: false)).Now));
        Assert.Empty(Judge(Test(5, change: true)).Found);
    }

    [Fact]
    public void A_new_clock_ends_it_and_turning_it_through_with_an_hour_on_proves_it()
    {
        var part = new PartEntry(
            At(20), "", "", "stopped", "", "", false, WorkArea.Defrost, new Component(ComponentKind.DefrostClock));
        var judged = Judge(Test(5, dial: 0), part);
        Assert.Empty(judged.Now);
        Assert.Contains(DefrostCodes.ClockStopped, Codes(judged.Found));
        Assert.Contains(ProofKind.ClockRuns, ((IChangesUnit)part).WantsProof(Freezer));
        Assert.Null(judged.ProvedBy(ProofKind.ClockRuns, part, []));
        Assert.NotNull(judged.ProvedBy(ProofKind.ClockRuns, part, [Test(90)]));
    }

    [Fact]
    public void Currents_of_the_heaters_tell_which_element_is_out_with_no_run_watched()
    {
        // Delta of 1 kW at 208 V each: 4.81 A in an element, 8.33 A in a line. Without the element between 1 and 2: 4.8, 4.8 and 8.3 A.
        var setUp = new DefrostSetUpEntry(At(1), new(DefrostKind.Electric, Connection: HeaterConnection.Delta,
            Heaters: [new(1000, 208), new(1000, 208), new(1000, 208)]));
        var volts = new KeenEmber.Core.Quantities.TypedValue(208, KeenEmber.Core.Quantities.Unit.Volt);
        var out12 = Judge(setUp, new HeaterAmpsEntry(At(5), volts, [4.8, 4.9, 8.3]));
        var found = Assert.Single(out12.Now, f => f.Code == DefrostCodes.LegOut);
        Assert.Equal(1, found.Values["element"]);
        Assert.DoesNotContain(DefrostCodes.LegOut, Codes(Judge(setUp, new HeaterAmpsEntry(At(5), volts, [8.3, 8.4, 8.2])).Now));
        var heater = new PartEntry(At(9), "", "", "open", "", "", false, WorkArea.Defrost, new Component(ComponentKind.HeaterElement));
        var mended = Judge(setUp, new HeaterAmpsEntry(At(5), volts, [4.8, 4.9, 8.3]), heater);
        Assert.DoesNotContain(DefrostCodes.LegOut, Codes(mended.Now));
        Assert.Contains(DefrostCodes.LegOut, Codes(mended.Found));
        Assert.DoesNotContain(DefrostCodes.LegOut, Codes(Judge(new HeaterAmpsEntry(At(5), volts, [4.8, 4.9, 8.3])).Now));
    }

    [Fact]
    public void No_current_and_fans_running_is_one_thing_that_has_not_changed_over()
    {
        var setUp = new DefrostSetUp(DefrostKind.Electric, Heaters: [new(1000, 230), new(1000, 230), new(1000, 230)]);
        DefrostResult Heated(double amps, bool fans) => DefrostAnalysis.Analyse(new(
            RandomDefrosts.Start, setUp, [.. Enumerable.Range(1, 3).Select(n => RunTrack.Of(RunPlace.Leg(n), [(2.0, amps), (5.0, amps)]))],
            [new(RunMarkKind.HeatOn, 0), new(fans ? RunMarkKind.FansOn : RunMarkKind.FansOff, 0.5), new(RunMarkKind.HeatOff, 20)]));
        Assert.Equal(DefrostCodes.NotChangedOver, Heated(0, fans: true).Findings[0].Code);
        Assert.DoesNotContain(Heated(0, fans: true).Findings, f => f.Code is DefrostCodes.FansInHeat or DefrostCodes.LegOut);
        Assert.DoesNotContain(Heated(4.3, fans: true).Findings, f => f.Code == DefrostCodes.NotChangedOver);
        Assert.Contains(Heated(4.3, fans: true).Findings, f => f.Code == DefrostCodes.FansInHeat);
        Assert.Contains(Heated(0, fans: false).Findings, f => f.Code == DefrostCodes.LegOut);
    }
}
