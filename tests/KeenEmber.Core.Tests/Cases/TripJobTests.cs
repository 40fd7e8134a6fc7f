using KeenEmber.Core.Benches.Danger;
using KeenEmber.Core.Benches.Electrical;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>A breaker that went is a result: what hangs on it is tested before it is switched on, once.</summary>
public sealed class TripJobTests
{
    private static readonly Entry Went = Seen(0, AsFound.Supply, FactState.Tripped);
    private static readonly Entry Heating = Seen(0, AsFound.Defrost, FactState.Defrosting);

    private static DiagnosisFactEntry Says(int minute, string code, string answer, bool cannot = false) =>
        new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"), code, answer, null, cannot);

    private static ObservationEntry Wires(int minute, FactState state) => Seen(minute, AsFound.Wiring, state);

    private static TripJob Job(params Entry[] entries) => TripJob.Of(Worked.Of(entries))!;

    private static Entry[] AllClear(int minute) => [Says(minute, "heaters-earth", "clear"), Says(minute, "fan-earth", "clear"),
        Wires(minute, FactState.Sound), Says(minute, "windings-earth", "clear"), Says(minute, "condfan-earth", "clear")];

    [Fact]
    public void Nothing_went_and_there_is_no_search() => Assert.Null(TripJob.Of(Worked.Of(Seen(0, AsFound.Supply, FactState.SwitchedOn))));

    [Fact]
    public void What_was_on_when_it_went_is_tested_first()
    {
        var inDefrost = Job(Heating, Went);
        Assert.Equal((true, TripStep.Look, "heaters-earth"), (inDefrost.WentInDefrost, inDefrost.Step, inDefrost.Next!.Test.Code));
        var cooling = Job(Went);
        Assert.Equal((false, "fan-earth", "heaters-earth"),
            (cooling.WentInDefrost, cooling.Next!.Test.Code, cooling.Circuits[^1].Test.Code));
    }

    [Fact]
    public void It_is_switched_on_only_when_every_circuit_is_clear()
    {
        Entry[] begun = [Heating, Went, .. AllClear(5).Take(3)];
        Assert.Equal((TripStep.Look, "windings-earth"), (Job(begun).Step, Job(begun).Next!.Test.Code));
        var clear = Job([Heating, Went, .. AllClear(5)]);
        Assert.Equal(TripStep.SwitchOn, clear.Step);
        Assert.Null(clear.Next);
        Assert.Equal(TripStep.CannotTest, Job([Heating, Went, .. AllClear(5).Skip(1),
            Says(6, "heaters-earth", "", cannot: true)]).Step);
    }

    [Fact]
    public void What_was_found_is_put_right_and_tested_again_before_it_holds()
    {
        Entry[] found = [Heating, Went, Says(3, "heaters-earth", "grounded")];
        Assert.Equal(TripStep.Repair, Job(found).Step);
        Entry[] mended = [.. found, Change(9, WorkArea.Power)];
        Assert.Equal((TripStep.TestAgain, "heaters-earth"), (Job(mended).Step, Job(mended).Next!.Test.Code));
        Entry[] again = [.. mended, Says(12, "heaters-earth", "clear")];
        Assert.Equal(TripStep.SwitchOn, Job(again).Step);
        Assert.Equal(TripStep.Holds, Job([.. again, Says(14, "breaker-holds", "holds")]).Step);
        Assert.Equal(TripStep.WentAgain, Job([.. again, Says(14, "breaker-holds", "trips")]).Step);
    }

    [Fact]
    public void Clear_and_holding_is_not_reproduced_and_no_second_reset_follows_one_that_failed()
    {
        Entry[] clear = [Went, .. AllClear(5)];
        Assert.Equal(TripStep.NotReproduced, Job([.. clear, Seen(9, AsFound.Supply, FactState.SwitchedOn)]).Step);
        Assert.Equal(TripStep.WentAgain, Job([.. clear, Seen(9, AsFound.Supply, FactState.SwitchedOn),
            Seen(20, AsFound.Supply, FactState.Tripped)]).Step);
    }

    [Fact]
    public void What_was_tested_before_the_trip_was_noted_counts_and_a_supply_that_was_on_before_is_no_reset()
    {
        Entry[] entries = [Seen(0, AsFound.Supply, FactState.SwitchedOn), Says(1, "fan-earth", "grounded"),
            Seen(5, AsFound.Supply, FactState.Tripped)];
        Assert.Equal(TripStep.Repair, Job(entries).Step);
        Assert.Equal(TripStep.Look, Job(entries[0], entries[2]).Step);
    }

    /// <summary>Seen tripped twice is one trip, as long as nobody switched it on between.</summary>
    [Fact]
    public void The_same_trip_noted_twice_is_one() =>
        Assert.Equal(TripStep.Look, Job(Went, Says(1, "supply", "fuse-blown"), Seen(2, AsFound.Supply, FactState.Tripped)).Step);

    [Fact]
    public void A_reset_without_a_test_leaves_open_why_it_went()
    {
        var reset = new ChangeEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(4), Nine, "Isolde"), "breaker",
            ChangeEntry.Tripped, "reset", "", null, false, WorkArea.Power);
        var job = Job(reset);
        Assert.Equal(TripStep.NotReproduced, job.Step);
        Assert.All(job.Circuits, c => Assert.Empty(c.Answer));
    }

    [Fact]
    public void Megohms_of_a_part_count_and_are_a_danger()
    {
        var header = new EntryHeader(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(5), Nine, "Isolde");
        Entry[] entries = [Heating, Went, new PartTestEntry(header, new(ComponentKind.HeaterElement, 3), TestedPart.Insulation,
            [new("plate-volts", new(230, Unit.Volt)), new("megohm", new(0.02, Unit.Megaohm))])];
        Assert.Equal(TripStep.Repair, Job(entries).Step);
        Assert.Contains(DangerBench.Grounded, Worked.Of(entries).Faults.Select(f => f.Code));
        // A test of another part afterwards says nothing of the heaters.
        PartTestEntry Capacitor(int minute) => new(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(minute), Nine, "Isolde"),
            new(ComponentKind.RunCapacitor), TestedPart.Capacitor,
            [new("plate-microfarad", new(35, Unit.Microfarad)), new("microfarad", new(35, Unit.Microfarad))]);
        Assert.Equal(TripStep.SwitchOn,
            Job([.. entries, Change(9, WorkArea.Power), Says(12, "heaters-earth", "clear"), Capacitor(14)]).Step);
    }
}
