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
