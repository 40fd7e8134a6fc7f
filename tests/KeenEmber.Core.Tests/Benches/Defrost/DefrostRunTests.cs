using KeenEmber.Core.Benches.Defrost;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Defrost;

/// <summary>Runs as the timelines have them: which set-up they are judged by, what belongs to them, what is compared.</summary>
public class DefrostRunTests
{
    private static readonly DefrostSetUp Short =
        new(DefrostKind.Electric, EndedBy: TerminationKind.Time, FailSafeMin: 20, Heaters: [new(2300, 230)]);

    private static DefrostSetUpEntry SetUp(double minute, DefrostSetUp setUp) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), setUp);

    private static RunEntry Began(double minute, Guid? series = null) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), series is null ? RunOrigin.Watched
        : RunOrigin.Logged, series);

    private static RunMarkEntry Mark(RunEntry run, RunMarkKind kind, double minute) =>
        new(new(Guid.CreateVersion7(), VisitId, run.At.AddMinutes(minute), Nine, "Isolde"), run.Id, kind);

    private static RunReadingEntry Reads(RunEntry run, RunPlaceKind place, double minute, double number, Unit unit) =>
        new(new(Guid.CreateVersion7(), VisitId, run.At.AddMinutes(minute), Nine, "Isolde"), run.Id, new(place), new(number, unit));

    /// <summary>A run of so many minutes of heat, clear at half of them, one leg clamped.</summary>
    private static IEnumerable<Entry> Whole(RunEntry run, double heat, double amps = 10)
    {
        yield return run;
        yield return Mark(run, RunMarkKind.HeatOn, 0);
        for (var m = 0.0; m <= heat + 10; m++)
        {
            var coil = m < 4 ? -20 + 5 * m : m < heat / 2 ? 0.2 : m <= heat ? 0.2 + 2.5 * (m - heat / 2)
                : 0.2 + 1.25 * heat - 5 * (m - heat);
            yield return Reads(run, RunPlaceKind.ColdestBend, m, coil, Unit.Celsius);
            yield return new RunReadingEntry(
                new(Guid.CreateVersion7(), VisitId, run.At.AddMinutes(m), Nine, "Isolde"), run.Id, RunPlace.Leg(1),
                new(m <= heat ? amps : 0, Unit.Ampere));
        }

        yield return Mark(run, RunMarkKind.HeatOff, heat);
        yield return Mark(run, RunMarkKind.Over, heat + 10);
    }

    private static IReadOnlyList<WatchedRun> Runs(
        IEnumerable<Entry> entries, double nowMinute = 10_000, IReadOnlyList<RunTrack>? logged = null) =>
        DefrostRuns.Of(
            [Of([.. entries])], Freezer, Pressure.StandardAtmosphere, _ => logged ?? [], Nine.AddMinutes(nowMinute), PlainJudging.Instance);

    [Fact]
    public void A_run_is_judged_by_the_set_up_of_its_time_and_a_later_first_word_is_how_it_was_found()
    {
        var (early, late) = (Began(10), Began(200));
        var runs = Runs([early, late, SetUp(60, Short), SetUp(150, Short with { FailSafeMin = 45 })]);
        Assert.Equal([20, 45], runs.Select(r => r.Run.SetUp.FailSafeMin!.Value));
        Assert.Equal(DefrostKind.Electric, Runs([early])[0].Run.SetUp.Kind);
        Assert.Equal(-20, runs[0].Run.TargetC!.Value, 6);
    }

    [Fact]
    public void Readings_keep_their_units_until_they_become_tracks()
    {
        var run = Began(0);
        var watched =
            Runs([run, Reads(run, RunPlaceKind.ColdestBend, 1, 14, Unit.Fahrenheit),
            Reads(run, RunPlaceKind.SuctionPressure, 2, 1, Unit.Bar)])[0].Run;
        Assert.Equal(-10, watched.Track(RunPlaceKind.ColdestBend)!.Values[0], 6);
        Assert.Equal(201.325, watched.Track(RunPlaceKind.SuctionPressure)!.Values[0], 3);
        Assert.Equal([2.0], watched.Track(RunPlaceKind.SuctionPressure)!.Minutes);
    }

    [Fact]
    public void A_run_is_over_when_somebody_says_so_when_it_came_whole_or_after_hours()
    {
        var run = Began(0);
        Assert.False(Runs([run], nowMinute: 100)[0].IsOver);
        Assert.True(Runs([run, Mark(run, RunMarkKind.Over, 50)], nowMinute: 100)[0].IsOver);
        Assert.True(Runs([run], nowMinute: 361)[0].IsOver);
        var logged = Runs([Began(0, Guid.CreateVersion7())], 1, [new(new(RunPlaceKind.Box), [0, 1], [-20, -19])])[0];
        Assert.True(logged.IsOver);
        Assert.Equal(1, logged.Run.LastMinute);
    }

    [Fact]
    public void A_corrected_or_withdrawn_reading_is_not_in_the_run()
    {
        var run = Began(0);
        var (wrong, other) = (Reads(run, RunPlaceKind.Box, 1, 20, Unit.Celsius), Reads(run, RunPlaceKind.Box, 2, -19, Unit.Celsius));
        var right =
            wrong with { Header = wrong.Header with { Id = Guid.CreateVersion7(), Corrects = wrong.Id }, Value = new(-20, Unit.Celsius) };
        var track =
            Runs([run, wrong, right, other,
            new WithdrawalEntry(new(Guid.CreateVersion7(), VisitId, Nine, Nine, "Isolde", other.Id))])[0].Run.Track(RunPlaceKind.Box)!;
        Assert.Equal([-20], track.Values);
    }

    [Fact]
    public void The_same_length_after_a_change_clears_the_change_of_being_the_cause()
    {
        var (first, second) = (Began(0), Began(1500));
        Entry[] between = [Part(200, WorkArea.Defrost), Change(300, WorkArea.LimitSwitch), Change(310, foundSo: true), Change(2000)];
        var entries = Whole(first, 30).Concat(between).Concat(Whole(second, 31)).Append(SetUp(-5, Short with { FailSafeMin = 60 }))
            .ToList();
        var runs = Runs(entries);
        var comparison = RunComparison.Of(runs[1], runs[0], [Of([.. entries])]);
        Assert.Same(runs[0], comparison.Earlier);
        Assert.Equal(2, comparison.Changes.Count);
        Assert.True(comparison.IsUnchanged);
        Assert.Equal(1, comparison.HeatMin!.Value, 6);
        var longer = Runs([.. Whole(first, 30), .. Whole(second, 44)]);
        Assert.False(RunComparison.Of(longer[0], longer[1], []).IsUnchanged);
        Assert.Null(RunComparison.Of(longer[0], Runs([Began(3000)])[0], []).IsUnchanged);
    }

    [Fact]
    public void What_the_last_visits_run_showed_is_to_be_explained_until_a_sign_off_explains_it()
    {
        var run = Began(0);
        List<Entry> entries = [SetUp(-5, Short with { FailSafeMin = 60 }), .. Whole(run, 40)];
        var watched = Runs(entries)[0];
        Assert.Contains(watched.Faults, f => f.Code == DefrostCodes.HeatAfterClear);
        Assert.DoesNotContain(watched.Faults, f => f.Code is DefrostCodes.WellEnded or DefrostCodes.SensorFits);
        Visit visit = new(VisitId, Freezer.Id, Nine, "Isolde", "");
        Assert.Contains(
            Briefing.Of(visit, Of([.. entries]), [.. watched.Faults], [], []).NotExplained, f => f.Code == DefrostCodes.HeatAfterClear);
        var signed =
            new SignOffEntry(
            new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(90), Nine, "Isolde"), "switch on the shell", "", "", null,
            Explained: string.Join(' ', watched.Faults.Select(f => f.Code)));
        Assert.Empty(Briefing.Of(visit, Of([.. entries, signed]), [.. watched.Faults], [], []).NotExplained);
    }

    [Fact]
    public void Over_its_life_a_coil_shows_what_moved()
    {
        var runs =
            Runs([SetUp(-5, Short with { FailSafeMin = 60, CoilMassKg = 30, Starts = [new(6, 0), new(18, 0)] }), .. Whole(Began(0), 30),
            .. Whole(Began(1500), 30.5), .. Whole(Began(3000), 40, amps: 8)]);
        var trends = DefrostTrends.Of(runs, []);
        Assert.Equal([false, false, true], trends.Single(t => t.Code == DefrostTrends.HeatMin).Marks.Select(m => m.Moved));
        Assert.Equal(
            [10, 10, 8],
            trends.Single(t => t.Code == DefrostTrends.HeaterCurrentA && t.About == Subject.HeaterLeg(1)).Marks.Select(m => m.Value));
        Assert.True(trends.Single(t => t.About == Subject.HeaterLeg(1)).Marks[2].Moved);
        double[] Ice(string code) => [.. trends.Single(t => t.Code == code).Marks.Select(m => m.Value)];
        Assert.Equal(Ice(DefrostTrends.IcePerRunKg).Select(kg => 2 * kg), Ice(DefrostTrends.IcePerDayKg));
        Assert.Empty(DefrostTrends.Of([runs[0]], []));

        // Clamped with no run watched they stand in the same course.
        HeaterAmpsEntry Clamped(int minute, params double?[] amps) =>
            new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), null, amps);
        var legs = DefrostTrends.Of([runs[0]], [Clamped(-60, 10, 38, 39), Clamped(600, 10, 38, 34)]);
        Assert.Equal([10, 10, 10], legs.Single(t => t.About == Subject.HeaterLeg(1)).Marks.Select(m => m.Value));
        Assert.Equal([(39, false), (34, true)],
            legs.Single(t => t.About == Subject.HeaterLeg(3)).Marks.Where(m => m.Value > 20).Select(m => (m.Value, m.Moved)));
    }

    [Fact]
    public void A_run_watched_whole_after_the_repair_proves_it_and_one_before_does_not()
    {
        bool Proved(IEnumerable<Entry> entries, ProofKind kind) => Worked.Of([.. entries]).Proofs.Single(p => p.Kind == kind).IsProved;
        var part = Part(50, WorkArea.Defrost);
        var after = Began(60);
        Assert.True(Proved([part, .. Whole(after, 25)], ProofKind.WholeDefrost));
        Assert.False(Proved([part, .. Whole(Began(1), 25)], ProofKind.WholeDefrost));
        Assert.False(
            Proved([part, after, Mark(after, RunMarkKind.HeatOn, 1), Mark(after, RunMarkKind.HeatOff, 20)], ProofKind.WholeDefrost));
        Assert.True(Proved([part, Began(70, Guid.CreateVersion7())], ProofKind.WholeDefrost));
        Assert.True(Proved([part, after, Mark(after, RunMarkKind.SeenClear, 20)], ProofKind.CoilClear));
    }
}
