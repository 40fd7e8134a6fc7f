using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;

using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Controls;

/// <summary>What was found wrong with a control is over once work and a later look say so.</summary>
public class RepairedTests
{
    private static OutputStateEntry Look(int minute, bool isCalled, bool? isLive, bool? runs) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), ControlOutput.Fans,
            new(isCalled, isLive, runs), false);

    private static BulbTurnEntry Turn(int minute, string control, string followed) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), new(control, followed));

    private static (IEnumerable<string> Found, IEnumerable<string> Now) Faults(params Entry[] entries)
    {
        var controls = Worked.Of(entries).Of<ControlsJudgement>()!;
        return (controls.Found.Select(Codes), controls.Now.Select(Codes));
        static string Codes(Finding finding) => finding.Code;
    }

    [Theory]
    [InlineData(WorkArea.Fans)]
    [InlineData(WorkArea.Control)]
    [InlineData(WorkArea.Other)]
    public void A_load_that_runs_after_its_part_was_replaced_is_dead_no_more_whatever_the_part_was_filed_under(WorkArea area)
    {
        var (found, now) = Faults(Look(5, true, true, false), Part(20, area), Look(30, true, true, true));
        Assert.Equal(["output.load-dead"], found);
        Assert.Empty(now);
    }

    [Fact]
    public void Without_work_between_them_it_comes_and_goes_and_stands() =>
        Assert.Equal(["output.load-dead"], Faults(Look(5, true, true, false), Look(30, true, true, true)).Now);

    [Fact]
    public void A_look_in_the_other_state_of_the_call_says_nothing_of_it() =>
        Assert.Equal(["output.stuck-closed"], Faults(Look(5, false, true, true), Part(20, WorkArea.Fans), Look(30, true, true, true)).Now);

    [Fact]
    public void Crossed_bulbs_are_over_after_the_rewiring_and_a_good_row()
    {
        Entry[] crossed = [Turn(5, "left", "right"), Turn(10, "right", "left")];
        Assert.Equal([ControlsOnRecord.BulbsCrossed], Faults([.. crossed, Change(20, WorkArea.Control)]).Now);
        var (found, now) = Faults([.. crossed, Change(20, WorkArea.Control), Turn(30, "left", "left"), Turn(35, "right", "right")]);
        Assert.Equal([ControlsOnRecord.BulbsCrossed], found);
        Assert.Empty(now);
    }
}
