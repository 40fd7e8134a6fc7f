using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Tests.Cases;
using static KeenEmber.Core.Tests.Record.Entries;

namespace KeenEmber.Core.Tests.Benches.Controls;

/// <summary>A case with two sides on a rack: one warm beside a frozen one asks for the turning test, and for no compressor.</summary>
public sealed class TwoSidesTests
{
    private static readonly Equipment Island = Freezer with
    {
        Kind = EquipmentKind.OpenCase, Target = Temperature.FromCelsius(5),
        Circuit = Freezer.Circuit with { Condenser = CondenserKind.Rack, Coils = 2, Parts = CircuitParts.None },
    };

    private static Entry[] Sides(double one, double other) =>
        [Read(2, MeasuringPoint.BoxAir, one, Unit.Celsius), Read(3, MeasuringPoint.BoxAir.At(2), other, Unit.Celsius)];

    [Fact]
    public void One_warm_beside_a_frozen_one_asks_which_side_follows_before_anything_is_measured()
    {
        var visit = Worked.Of(Island, Sides(14, -3));
        Assert.IsType<TurnTask>(visit.Next);
        Assert.Equal(ControlsOnRecord.SidesApart, visit.Stands.Code);
        Assert.Equal(9, visit.Stands.Values["warmK"], 0.01);
        var turned = new BulbTurnEntry(new(Guid.CreateVersion7(), VisitId, Nine.AddMinutes(20), Nine, "Isolde"), new("left", "left"));
        Assert.IsNotType<TurnTask>(Worked.Of(Island, [.. Sides(14, -3), turned]).Next);
    }

    [Theory]
    [InlineData(14, 6)]
    [InlineData(6, -3)]
    [InlineData(5, 5)]
    public void Both_warm_or_one_at_its_target_does_not(double one, double other) =>
        Assert.IsNotType<TurnTask>(Worked.Of(Island, Sides(one, other)).Next);

    [Fact]
    public void Each_side_is_held_against_a_target_of_its_own()
    {
        var table = Island with { SecondTarget = Temperature.FromCelsius(-3) };
        Assert.IsNotType<TurnTask>(Worked.Of(table, Sides(14, -3)).Next);
        Assert.IsType<TurnTask>(Worked.Of(table, Sides(-4, 6)).Next);
        Assert.Equal(5, (table with { Circuit = table.Circuit with { Coils = 1 } }).TargetOf(2).Celsius, 0.01);
    }

    [Fact]
    public void A_display_is_held_against_the_air_of_its_own_side()
    {
        var visit = Worked.Of(Island, [.. Sides(5, 1), Read(4, MeasuringPoint.BoxDisplay.At(2), 4.5, Unit.Celsius)]);
        Assert.Equal(3.5, visit.DisplayOff!.Value, 0.01);
        Assert.Null(Worked.Of(Island, Read(2, MeasuringPoint.BoxAir, 5, Unit.Celsius),
            Read(4, MeasuringPoint.BoxDisplay.At(2), 4.5, Unit.Celsius)).DisplayOff);
    }

    [Fact]
    public void At_a_case_on_a_rack_nobody_is_asked_whether_the_compressor_runs()
    {
        var visit = Worked.Of(Island,
            Seen(1, AsFound.EvaporatorFan, FactState.Running), Seen(1, AsFound.Coil, FactState.Clear, 1),
            Seen(1, AsFound.Coil, FactState.Clear, 2), Read(2, MeasuringPoint.SuctionPressure, 4, Unit.Bar),
            Read(2, MeasuringPoint.SuctionLineCoil, 4, Unit.Celsius));
        Assert.False(visit.Next is CircuitTask { Step: { Kind: StepKind.RecordFact, Fact: AsFound.Compressor } });
        var superheat = visit.Of<CircuitJudgement>()!.Analysis!.Results.First(r => r.Ref.Kind == ResultKind.SuperheatCoil);
        Assert.DoesNotContain(superheat.Validity.Reasons, r => r.Code == ReasonCode.CompressorNotRecorded);
    }
}
