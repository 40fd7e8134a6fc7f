using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Benches.Frost;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Frost;

/// <summary>A thaw is work: it divides the visit, wants the coil seen clear, and ends what a defrost before it showed.</summary>
public sealed class ThawTests
{
    private static EntryHeader At(double minute) => new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde");

    [Fact]
    public void It_divides_the_visit_and_wants_the_coil_seen_clear()
    {
        var thaw = new ThawEntry(At(30), ThawMethod.Water, 25, IsAllOut: true, DrainRuns: true);
        var timeline = Of(Seen(2, AsFound.Coil, FactState.Iced), thaw, Seen(31, AsFound.Coil, FactState.Clear));
        Assert.Equal(Nine.AddMinutes(30), WorkDone.LastAt(timeline));
        Assert.Equal(Nine.AddMinutes(30), AsFoundRecord.Of(timeline, Freezer).FrozenAt);
        var proof = Assert.Single(Worked.Of([.. timeline.Standing]).Proofs);
        Assert.Equal((ProofKind.CoilClear, true), (proof.Kind, proof.IsProved));
        Assert.False(Assert.Single(Worked.Of(Seen(2, AsFound.Coil, FactState.Iced), thaw).Proofs).IsProved);
    }

    [Theory]
    [InlineData(WorkArea.Defrost, true)]
    [InlineData(WorkArea.LimitSwitch, true)]
    [InlineData(WorkArea.Circuit, false)]
    public void What_a_defrost_showed_is_no_longer_so_once_heaters_or_switches_were_worked_on(WorkArea area, bool ends)
    {
        var run = new RunEntry(At(0), RunOrigin.Watched);
        Entry[] watched =
        [
            run, new DefrostSetUpEntry(At(0), new(DefrostKind.Electric, FailSafeMin: 20)),
            new RunMarkEntry(At(0), run.Id, RunMarkKind.HeatOn), new RunMarkEntry(At(20), run.Id, RunMarkKind.HeatOff),
            .. Enumerable.Range(1, 19).Select(m =>
                new RunReadingEntry(At(m), run.Id, new(RunPlaceKind.ColdestBend), new(Math.Min(0.3, m - 10), Unit.Celsius))),
        ];
        var before = Worked.Of(watched).Of<DefrostJudgement>()!;
        Assert.Contains(before.Now, f => f.Code == DefrostCodes.LimitBeforeClear);
        var after = Worked.Of([.. watched, Part(40, area)]).Of<DefrostJudgement>()!;
        Assert.Equal(!ends, after.Now.Any(f => f.Code == DefrostCodes.LimitBeforeClear));
        Assert.Contains(after.Found, f => f.Code == DefrostCodes.LimitBeforeClear);
    }
}
