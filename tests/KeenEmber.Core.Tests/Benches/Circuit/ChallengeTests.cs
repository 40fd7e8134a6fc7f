using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Tests.Benches.Circuit;

public class ChallengeTests
{
    private static CircuitChallenge Only(List<TakenReading> readings) => Assert.Single(Bench.Analyse(readings).Challenges);

    [Fact]
    public void Sound_readings_are_not_challenged() => Assert.Empty(Bench.Analyse(Bench.Consistent()).Challenges);

    [Fact]
    public void Suction_and_head_swapped()
    {
        var sound = Bench.Consistent();
        var swapped = sound
            .With(SuctionPressure, sound.Value(DischargePressure), Unit.KilopascalAbsolute)
            .With(DischargePressure, sound.Value(SuctionPressure), Unit.KilopascalAbsolute);
        Assert.Equal(Slip.PressuresSwapped, Only(swapped).Slip);
    }

    [Fact]
    public void Fahrenheit_typed_where_Celsius_was_taken()
    {
        // A liquid line of 77 °F noted as 77 °C.
        var challenge = Only(Bench.Consistent(subcoolingK: 5, ambientC: 18).With(LiquidLine, 77, Unit.Celsius));
        Assert.Equal((Slip.OtherUnit, Unit.Fahrenheit), (challenge.Slip, challenge.MeantUnit));
        Assert.Equal([LiquidLine], challenge.Points);
    }

    [Fact]
    public void Psi_typed_where_bar_was_taken()
    {
        var challenge = Only(Bench.Consistent().With(SuctionPressure, 19, Unit.Bar));
        Assert.Equal((Slip.OtherUnit, Unit.Psi), (challenge.Slip, challenge.MeantUnit));
    }

    [Fact]
    public void A_whole_set_of_temperatures_in_the_other_unit()
    {
        var readings = Bench.Consistent(boxC: 3, tdK: 6, refrigerant: "R134a")
            .Where(r => r.Point.Kind() == QuantityKind.Temperature || r.Point == SuctionPressure || r.Point == DischargePressure).ToList();
        foreach (var point in readings.Where(r => r.Point.Kind() == QuantityKind.Temperature).Select(r => r.Point).ToList())
            readings = readings.With(point, readings.Value(point) * 1.8 + 32, Unit.Celsius);
        var challenge =
            Assert.Single(
            Bench.Analyse(readings, refrigerant: "R134a", makeUp: Bench.WalkIn with { Kind = EquipmentKind.WalkInCooler }).Challenges);
        Assert.Equal((Slip.OtherUnit, Unit.Fahrenheit), (challenge.Slip, challenge.MeantUnit));
        Assert.True(challenge.Points.Count > 1);
    }

    [Fact]
    public void The_readings_of_another_refrigerant()
    {
        var cooler = Bench.Settled with { BoxTarget = Temperature.FromCelsius(3) };
        var readings = Bench.Consistent(boxC: 3, tdK: 6, refrigerant: "R134a", conditions: cooler);
        var atSeaLevel = Pressure.StandardAtmosphere.Kpa;
        readings = readings
            .With(SuctionPressure, (readings.Value(SuctionPressure) - atSeaLevel) / 100, Unit.Bar)
            .With(DischargePressure, (readings.Value(DischargePressure) - atSeaLevel) / 100, Unit.Bar);
        var analysis = Bench.Analyse(readings, cooler, "R404A");
        var challenge = Assert.Single(analysis.Challenges);
        Assert.Equal((Slip.OtherRefrigerant, "R134a"), (challenge.Slip, challenge.MeantRefrigerant));
    }

    [Fact]
    public void Box_air_and_leaving_air_swapped()
    {
        var sound = Bench.Consistent();
        var swapped = sound.With(BoxAir, sound.Value(AirLeaving), Unit.Celsius).With(AirLeaving, sound.Value(BoxAir), Unit.Celsius);
        Assert.Equal(Slip.AirSwapped, Only(swapped).Slip);
    }

    [Fact]
    public void A_slip_that_nothing_explains_is_still_challenged()
    {
        var challenge = Only(Bench.Consistent().With(LiquidLine, -60, Unit.Celsius));
        Assert.Equal(Slip.Unknown, challenge.Slip);
        Assert.Contains(LiquidLine, challenge.Points);
    }

    [Fact]
    public void A_challenged_reading_makes_its_results_unusable_and_is_asked_for_again()
    {
        var analysis = Bench.Analyse(Bench.Consistent().With(SuctionPressure, 19, Unit.Bar));
        Assert.False(analysis[ResultKind.SuperheatCoil].IsUsable);
        Assert.True(analysis[ResultKind.Subcooling].IsUsable);
        Assert.Equal((StepKind.Recheck, SuctionPressure), (analysis.Next!.Kind, analysis.Next.Point!.Value));
    }

    [Fact]
    public void Equal_pressures_are_no_contradiction_with_the_compressor_off()
    {
        var off = Bench.Settled with { Compressor = FactState.Stopped, RunTime = null };
        Assert.Empty(
            Bench.Analyse([Bench.At(SuctionPressure, 8, Unit.Bar, off), Bench.At(DischargePressure, 8, Unit.Bar, off)], off).Challenges);
    }
}
