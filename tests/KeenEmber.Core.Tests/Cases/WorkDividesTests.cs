using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Cases;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;
using static KeenEmber.Core.Plant.MeasuringPoint;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Cases;

/// <summary>What was read before work tells how the unit was found, and goes with nothing that is read afterwards.</summary>
public class WorkDividesTests
{
    /// <summary>Everything runs, and has for an hour.</summary>
    private static readonly Entry[] Runs =
    [
        Seen(0, AsFound.EvaporatorFan, FactState.Running), Seen(0, AsFound.Coil, FactState.Clear),
        Seen(0, AsFound.CondenserFan, FactState.Running), Seen(0, AsFound.CondenserFace, FactState.Clean),
        new ObservationEntry(
            Seen(0, AsFound.Compressor, FactState.Running).Header, AsFound.Compressor, null, FactState.Running, Nine.AddHours(-1)),
    ];

    /// <summary>Suction, line and box of a starved freezer: TD 18 K, superheat 20 K.</summary>
    private static Entry[] Starved(int minute) =>
    [
        Read(minute, SuctionPressure, 0.42, Unit.Bar), Read(minute, SuctionLineCoil, -18, Unit.Celsius),
        Read(minute, BoxAir, -17, Unit.Celsius), Read(minute, DischargePressure, 12, Unit.Bar), Read(minute, LiquidLine, 21, Unit.Celsius),
        Read(minute, CondenserAir, 20, Unit.Celsius),
    ];

    private static CircuitAnalysis Analysis(VisitCase visit) => visit.Of<CircuitJudgement>()!.Analysis!;

    [Fact]
    public void After_work_the_old_readings_pair_with_nothing()
    {
        var before = Worked.Of([.. Runs, .. Starved(5)]);
        Assert.NotEmpty(before.Faults);
        var after = Worked.Of([.. Runs, .. Starved(5), Part(20, WorkArea.Circuit), Read(50, BoxAir, -20, Unit.Celsius)]);
        Assert.Null(Analysis(after)[ResultKind.EvaporatorTd].Value);
        Assert.Equal([SuctionPressure.At(1)], Analysis(after)[ResultKind.EvaporatorTd].Missing);
        Assert.Empty(after.Faults);
        Assert.Equal(before.Found.Select(f => f.Code), after.Found.Select(f => f.Code));
        Assert.True(after.IsBeforeWork(after.Readings[SuctionPressure]));
        Assert.False(after.IsBeforeWork(after.Readings[BoxAir]));
    }

    [Fact]
    public void Nothing_measured_since_says_so_and_keeps_what_was_found()
    {
        var visit = Worked.Of([.. Runs, .. Starved(5), Part(20, WorkArea.Circuit)]);
        Assert.Equal((CircuitJudgement.MeasureAgain, ""), (visit.Stands.Code, visit.Stands.Detail));
        Assert.Contains(visit.Found, f => f.Bench == "circuit");
        Assert.NotEmpty(visit.Results);
    }

    [Fact]
    public void A_reading_in_the_first_minutes_after_work_is_provisional()
    {
        Entry[] Visit(int minute) => [.. Runs, Part(20, WorkArea.Circuit), .. Starved(minute)];
        ValidityLevel Level(int minute) => Analysis(Worked.Of(Visit(minute)))[ResultKind.SuperheatCoil].Validity.Level;
        Assert.Equal((ValidityLevel.Provisional, ValidityLevel.Good), (Level(25), Level(40)));
        Assert.Contains(
            Analysis(Worked.Of(Visit(25)))[ResultKind.SuperheatCoil].Validity.Reasons, r => r.Code == ReasonCode.JustWorked);
    }

    [Fact]
    public void A_note_a_recommendation_and_a_closed_item_are_no_work()
    {
        var jumper = Change(1, foundSo: true, opens: OpenItemKind.Jumper);
        var visit = Worked.Of(
            [.. Runs, jumper, .. Starved(5), new NoteEntry(Part(20, WorkArea.Box).Header, "looked again"),
                new ClosureEntry(Part(21, WorkArea.Box).Header, jumper.Id, "taken off")]);
        Assert.NotEmpty(visit.Faults);
        Assert.Null(visit.LastWork);
    }

    [Theory]
    [InlineData(5, 8, null, true)]
    [InlineData(5, 65, null, false)]
    [InlineData(5, 8, 6, false)]
    [InlineData(10, 12, 6, true)]
    public void A_display_is_held_against_a_box_of_its_own_moment(int shownAt, int boxAt, int? workAt, bool compared)
    {
        Entry[] work = workAt is { } minute ? [Part(minute, WorkArea.Box)] : [];
        var visit = Worked.Of(
            [.. Runs, Read(shownAt, BoxDisplay, 51, Unit.Fahrenheit), Read(boxAt, BoxAir, 38, Unit.Fahrenheit), .. work]);
        Assert.Equal(compared, visit.DisplayOff is not null);
    }

    [Fact]
    public void A_standing_pressure_is_over_once_it_runs_again()
    {
        var test = new StandingEntry(Seen(1, AsFound.Door, FactState.Shut).Header, new(2, Unit.Bar), new(20, Unit.Celsius), null, null);
        var off = Seen(0, AsFound.Compressor, FactState.Stopped);
        var standing = Worked.Of(off, test);
        Assert.Contains(standing.Faults, f => f.Code == CircuitPatterns.NearlyEmpty);
        Assert.DoesNotContain(
            Worked.Of(off, test, Seen(30, AsFound.Compressor, FactState.Running)).Faults, f => f.Code == CircuitPatterns.NearlyEmpty);
    }
}
