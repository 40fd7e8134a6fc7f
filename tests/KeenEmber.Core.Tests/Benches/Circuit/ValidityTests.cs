using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>One worked case for every row of the validity table.</summary>
public class ValidityTests
{
    private static (ValidityLevel Level, IEnumerable<ReasonCode> Reasons) Of(ResultRef kind, OperatingConditions conditions)
    {
        var validity =
            Bench.Analyse(Bench.Consistent(boxC: conditions.BoxTarget.Celsius, conditions: conditions), conditions)[kind].Validity;
        return (validity.Level, validity.Reasons.Select(r => r.Code));
    }

    public static TheoryData<string, ResultRef, ReasonCode, ValidityLevel> Rows => new()
    {
        { "fan stopped", ResultKind.SuperheatCoil, ReasonCode.FanStopped, ValidityLevel.NotUsable },
        { "fan stopped", ResultKind.EvaporatorTd, ReasonCode.FanStopped, ValidityLevel.NotUsable },
        { "fan stopped", ResultKind.Subcooling, ReasonCode.FanStopped, ValidityLevel.Provisional },
        { "iced", ResultKind.SuperheatCompressor, ReasonCode.CoilIced, ValidityLevel.NotUsable },
        { "iced", ResultKind.Evaporating, ReasonCode.CoilIced, ValidityLevel.NotUsable },
        { "in defrost", ResultKind.CompressionRatio, ReasonCode.Defrosting, ValidityLevel.NotUsable },
        { "thermometer at the door", ResultKind.EvaporatorTd, ReasonCode.BoxMisread, ValidityLevel.NotUsable },
        { "thermometer in the discharge air", ResultKind.AirDrop, ReasonCode.BoxMisread, ValidityLevel.NotUsable },
        { "solenoid closed", ResultKind.Subcooling, ReasonCode.ValveClosed, ValidityLevel.NotUsable },
        { "suction stop closed", ResultKind.SuperheatCoil, ReasonCode.ValveClosed, ValidityLevel.NotUsable },
        { "just defrosted", ResultKind.DischargeTemperature, ReasonCode.JustDefrosted, ValidityLevel.Provisional },
        { "just defrosted", ResultKind.SuperheatCoil, ReasonCode.JustDefrosted, ValidityLevel.NotUsable },
        { "just defrosted", ResultKind.Subcooling, ReasonCode.JustDefrosted, ValidityLevel.Provisional },
        { "cold ambient", ResultKind.CondenserSplit, ReasonCode.ColdAmbient, ValidityLevel.NotUsable },
        { "cold ambient", ResultKind.Subcooling, ReasonCode.ColdAmbient, ValidityLevel.Provisional },
        { "compressor off", ResultKind.Subcooling, ReasonCode.CompressorOff, ValidityLevel.NotUsable },
        { "compressor off", ResultKind.CompressionRatio, ReasonCode.CompressorOff, ValidityLevel.NotUsable },
        { "condenser fan off", ResultKind.Subcooling, ReasonCode.CondenserFanStopped, ValidityLevel.NotUsable },
        { "condenser dirty", ResultKind.Subcooling, ReasonCode.CondenserDirty, ValidityLevel.NotUsable },
        { "condenser blocked", ResultKind.Subcooling, ReasonCode.CondenserDirty, ValidityLevel.NotUsable },
        { "condenser fan cycling", ResultKind.Subcooling, ReasonCode.CondenserFanCycling, ValidityLevel.Provisional },
        { "short run", ResultKind.SuperheatCoil, ReasonCode.ShortRun, ValidityLevel.Provisional },
        { "hot pull-down", ResultKind.SuperheatCoil, ReasonCode.HotPullDown, ValidityLevel.Provisional },
        { "frosted cooler", ResultKind.EvaporatorTd, ReasonCode.FrostedCooler, ValidityLevel.Provisional },
        { "fans unknown", ResultKind.SuperheatCoil, ReasonCode.FansNotRecorded, ValidityLevel.Provisional },
        { "coil unknown", ResultKind.SuperheatCoil, ReasonCode.CoilNotRecorded, ValidityLevel.Provisional },
        { "compressor unknown", ResultKind.Condensing, ReasonCode.CompressorNotRecorded, ValidityLevel.Provisional },
        { "run time unknown", ResultKind.Condensing, ReasonCode.RunTimeNotRecorded, ValidityLevel.Provisional },
    };

    private static OperatingConditions Situation(string name)
    {
        var c = Bench.Settled;
        return name switch
        {
            "fan stopped" => c with { EvaporatorFans = [FactState.Running, FactState.Stopped] },
            "iced" => c with { Coil = FactState.Iced },
            "compressor off" => c with { Compressor = FactState.Stopped, RunTime = null },
            "thermometer at the door" =>
                c with { Seen = new Dictionary<AsFound, FactState> { [AsFound.BoxThermometer] = FactState.AtDoor } },
            "thermometer in the discharge air" =>
                c with { Seen = new Dictionary<AsFound, FactState> { [AsFound.BoxThermometer] = FactState.InDischargeAir } },
            "solenoid closed" => c with { Seen = new Dictionary<AsFound, FactState> { [AsFound.LiquidSolenoid] = FactState.Closed } },
            "suction stop closed" => c with { Seen = new Dictionary<AsFound, FactState> { [AsFound.SuctionStop] = FactState.Closed } },
            "in defrost" => c with { Defrost = FactState.Defrosting },
            "just defrosted" => c with { Defrost = FactState.Refrigerating, SinceDefrost = TimeSpan.FromMinutes(9.9) },
            "cold ambient" => c with { CondenserAir = Temperature.FromCelsius(9.9) },
            "condenser fan off" => c with { CondenserFan = FactState.Stopped },
            "condenser dirty" => c with { CondenserFace = FactState.Dirty },
            "condenser blocked" => c with { CondenserFace = FactState.Blocked },
            "condenser fan cycling" => c with { CondenserFan = FactState.Cycling },
            "short run" => c with { RunTime = TimeSpan.FromMinutes(14.9) },
            "hot pull-down" => c with { BoxAboveTarget = new(10.1) },
            "frosted cooler" => c with { Coil = FactState.Frosted, BoxTarget = Temperature.FromCelsius(3) },
            "fans unknown" => c with { EvaporatorFans = [FactState.Running, null] },
            "coil unknown" => c with { Coil = null },
            "compressor unknown" => c with { Compressor = null, RunTime = null },
            "run time unknown" => c with { RunTime = null },
            _ => throw new ArgumentOutOfRangeException(nameof(name)),
        };
    }

    [Theory]
    [MemberData(nameof(Rows))]
    public void A_situation_bends_the_results_of_its_row(string situation, ResultRef kind, ReasonCode reason, ValidityLevel level)
    {
        var (found, reasons) = Of(kind, Situation(situation));
        Assert.Equal(level, found);
        Assert.Contains(reason, reasons);
    }

    [Fact]
    public void Light_frost_is_normal_on_a_freezer()
    {
        Assert.Equal(ValidityLevel.Good, Of(ResultKind.SuperheatCoil, Bench.Settled with { Coil = FactState.Frosted }).Level);
    }

    [Fact]
    public void A_dirty_condenser_does_not_hide_the_split_that_shows_it() =>
        Assert.Equal(ValidityLevel.Good, Of(ResultKind.CondenserSplit, Situation("condenser dirty")).Level);

    [Fact]
    public void Readings_far_apart_are_not_one_moment()
    {
        var analysis = Bench.Analyse([
            Bench.At(SuctionPressure, 1.2, Unit.Bar), Bench.At(SuctionLineCoil, -22, Unit.Celsius, minute: 16),
                Bench.At(BoxAir, -19, Unit.Celsius, minute: 15)]);
        Assert.Contains(analysis[ResultKind.SuperheatCoil].Validity.Reasons, r => r.Code == ReasonCode.ReadingsFarApart);
        Assert.Equal(ValidityLevel.Good, analysis[ResultKind.EvaporatorTd].Validity.Level);
    }

    [Fact]
    public void A_reading_is_judged_by_its_own_moment_not_by_now()
    {
        var early = Bench.Consistent(conditions: Situation("fan stopped"));
        var analysis = Bench.Analyse(early, Bench.Settled);
        Assert.Equal(ValidityLevel.NotUsable, analysis[ResultKind.SuperheatCoil].Validity.Level);
        Assert.Equal(StepKind.LogAgain, analysis.Next!.Kind);
        Assert.Empty(analysis.Findings);
    }
}
