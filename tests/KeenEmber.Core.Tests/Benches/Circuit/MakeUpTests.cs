using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>What the make-up of a unit changes: its points, its results, its targets, and which coil a pattern is about.</summary>
public class MakeUpTests
{
    private static readonly CircuitMakeUp PrepTable = Bench.ReachIn with { Kind = EquipmentKind.PrepTable, Coils = 2 };
    private static readonly CircuitMakeUp RackCase = new(
        EquipmentKind.OpenCase, Metering.ElectronicValve, CondenserKind.Rack,
            CircuitParts.EvaporatorPressureRegulator | CircuitParts.SuctionStop);

    private static OperatingConditions Seeing(AsFound fact, FactState state) =>
        Bench.Settled with { Seen = new Dictionary<AsFound, FactState> { [fact] = state } };

    [Fact]
    public void A_case_on_a_rack_ends_at_its_own_pipes()
    {
        Assert.DoesNotContain(CondenserAir, RackCase.Points);
        Assert.Equal(
            [ResultKind.SuperheatCoil, ResultKind.Subcooling, ResultKind.EvaporatorTd, ResultKind.Evaporating, ResultKind.AirDrop,
            ResultKind.Condensing, ResultKind.CompressionRatio],
            Bench.Analyse(Bench.Consistent(), makeUp: RackCase).Results.Select(r => r.Kind));
        Assert.Equal(
            [AsFound.EvaporatorFan, AsFound.Coil, AsFound.BoxThermometer, AsFound.Defrost, AsFound.SuctionStop, AsFound.ValveBody,
            AsFound.SuctionLineFrost], RackCase.Facts.Where(f => f < AsFound.Door));
    }

    [Fact]
    public void A_reading_at_a_point_the_unit_does_not_have_is_left_aside()
    {
        var readings = Bench.Consistent().Append(Bench.At(SuctionLineCoil.At(2), 90, Unit.Celsius));
        var analysis = Bench.Analyse(readings);
        Assert.Empty(analysis.Challenges);
        Assert.DoesNotContain(analysis.Results, r => r.Ref == ResultKind.SuperheatCoil.At(2));
    }

    [Theory]
    [InlineData(5.0, CircuitPatterns.WithinTargets)]
    [InlineData(22.0, CircuitPatterns.CoilStarved)]
    [InlineData(1.0, CircuitPatterns.CoilNotLoaded)]
    public void The_second_coil_has_its_own_superheat_and_its_own_verdict(double superheat2K, string expected)
    {
        var readings = Bench.Consistent(boxC: -20, tdK: 10, superheatK: 5);
        var dewC = readings.Value(SuctionLineCoil) - 5;
        // The second coil's air is as far above the coil as the pattern asks: further than the band of a reach-in when it is starved or not
        // loaded.
        var air2C = expected == CircuitPatterns.WithinTargets ? -19 : expected == CircuitPatterns.CoilStarved ? -6 : -9;
        // Little air gives off much of its heat.
        var drop2K = expected == CircuitPatterns.CoilNotLoaded ? 14 : 5;
        readings.AddRange(
            [Bench.At(BoxAir.At(2), air2C, Unit.Celsius), Bench.At(AirLeaving.At(2), air2C - drop2K, Unit.Celsius),
            Bench.At(SuctionLineCoil.At(2), dewC + superheat2K, Unit.Celsius)]);
        var analysis = Bench.Analyse(readings, makeUp: PrepTable);
        Assert.Equal(superheat2K, analysis[ResultKind.SuperheatCoil.At(2)].Value!.Value, 1e-6);
        Assert.Equal(drop2K, analysis[ResultKind.AirDrop.At(2)].Value!.Value, 1e-6);
        var finding = analysis.Findings[0];
        Assert.Equal(expected, finding.Code);
        if (expected != CircuitPatterns.WithinTargets)
            Assert.True(finding.Values.ContainsKey("SuperheatCoil2") && !finding.Values.ContainsKey("SuperheatCoil"));
    }

    [Theory]
    [InlineData(Metering.ThermostaticValve, 1.0, 7.0, BandPosition.Above)]
    [InlineData(Metering.ThermostaticValve, 4.0, 7.0, BandPosition.Inside)]
    [InlineData(Metering.CapillaryTube, 1.0, 7.0, BandPosition.Inside)]
    [InlineData(Metering.CapillaryTube, 1.0, 14.0, BandPosition.Above)]
    [InlineData(Metering.CapillaryTube, 4.0, 14.0, BandPosition.Inside)]
    public void Superheat_is_held_against_what_feeds_the_coil_and_the_load(
        Metering metering, double aboveTargetK, double superheatK, BandPosition position)
    {
        var now = Bench.Settled with { BoxAboveTarget = new(aboveTargetK) };
        var analysis = Bench.Analyse(Bench.Consistent(superheatK: superheatK), now, makeUp: Bench.WalkIn with { Metering = metering });
        Assert.Equal(position, analysis[ResultKind.SuperheatCoil].Position);
    }

    [Fact]
    public void Every_class_at_every_load_has_a_target_for_every_result()
    {
        foreach (var kind in Enum.GetValues<EquipmentKind>())
        {
            foreach (var load in Enum.GetValues<Load>())
            {
                var targets =
                    CircuitTargets.Of(Bench.WalkIn with { Kind = kind }, load, Temperature.FromCelsius(3), Temperature.FromCelsius(20));
                Assert.All(Enum.GetValues<ResultKind>(), result => Assert.True(targets.For(result) is { } b && b.Low < b.High));
            }
        }
    }

    [Fact]
    public void Evaporating_and_condensing_have_their_place_by_the_air_at_the_coil_and_at_the_condenser()
    {
        var analysis = Bench.Analyse(Bench.Consistent(boxC: -18, ambientC: 25, refrigerant: "R507A"), refrigerant: "R507A");
        Assert.Equal(
            (-25, -22),
            (Math.Round(new Temperature(analysis[ResultKind.Evaporating].Band!.Value.Low).Celsius, 6),
            Math.Round(new Temperature(analysis[ResultKind.Evaporating].Band!.Value.High).Celsius, 6)));
        Assert.Equal(41, new Temperature(analysis[ResultKind.Condensing].Band!.Value.High).Celsius, 1e-6);
        Assert.Equal(BandPosition.Inside, analysis[ResultKind.AirDrop].Position);
        var blind =
            Bench.Analyse([Bench.At(SuctionPressure, 1.4, Unit.Bar), Bench.At(DischargePressure, 12, Unit.Bar)], refrigerant: "R507A");
        Assert.Equal(-27, new Temperature(blind[ResultKind.Evaporating].Band!.Value.Low).Celsius, 1e-6);
        Assert.Null(blind[ResultKind.Condensing].Band);
    }

    [Theory]
    [InlineData(StandingVerdict.Normal, new[] { CircuitPatterns.Overcharged })]
    [InlineData(StandingVerdict.NonCondensables, new[] { CircuitPatterns.NonCondensables })]
    [InlineData(StandingVerdict.OtherRefrigerant, new[] { CircuitPatterns.NonCondensables })]
    [InlineData(StandingVerdict.ShortOfLiquid, new[] { CircuitPatterns.NearlyEmpty, CircuitPatterns.Overcharged })]
    public void The_standing_pressure_tells_a_full_condenser_from_air(StandingVerdict verdict, string[] expected)
    {
        var readings = Bench.Consistent(splitK: 22, subcoolingK: 14).ToDictionary(r => r.Point);
        var fluid = RefrigerantCatalogue.Find("R404A")!;
        Assert.Equal(
            expected,
            CircuitCalculation.Analyse(new(fluid, Bench.WalkIn, readings) { Standing = verdict }, Bench.Settled).Findings.Select(
            f => f.Code));
        Assert.Contains(
            "Standing.Normal", CircuitCalculation.Analyse(new(fluid, Bench.WalkIn, readings), Bench.Settled).Findings[0].WouldConfirm);
    }

    [Fact]
    public void Water_leaving_a_condenser_is_held_against_an_approach()
    {
        var water = Bench.WalkIn with { Condenser = CondenserKind.WaterCooled };
        Assert.Equal(BandPosition.Inside, Bench.Analyse(Bench.Consistent(splitK: 5), makeUp: water)[ResultKind.CondenserSplit].Position);
        Assert.Equal(CircuitPatterns.HighHead, Bench.Analyse(Bench.Consistent(splitK: 12), makeUp: water).Findings[0].Code);
    }

    [Fact]
    public void Line_gain_lies_between_the_two_superheats()
    {
        var analysis = Bench.Analyse(Bench.Consistent(superheatK: 5, lineGainK: 9));
        Assert.Equal(9, analysis[ResultKind.LineGain].Value!.Value, 1e-6);
        Assert.Equal(9, analysis[ResultKind.SuperheatCompressor].Value!.Value - analysis[ResultKind.SuperheatCoil].Value!.Value, 1e-6);
    }

    [Fact]
    public void A_discharge_line_hotter_than_oil_stands_is_a_finding()
    {
        var finding = Bench.Analyse(Bench.Consistent().With(DischargeLine, 112, Unit.Celsius)).Findings[0];
        Assert.Equal(CircuitPatterns.DischargeTooHot, finding.Code);
        Assert.Equal(112, new Temperature(finding.Values["DischargeTemperature"]).Celsius, 1e-6);
    }

    [Fact]
    public void A_cycling_fan_asks_for_both_ends_of_its_cycle_and_they_count()
    {
        var cycling = Bench.Settled with { CondenserFan = FactState.Cycling };
        var readings = Bench.Consistent(conditions: cycling);
        Assert.Equal(HeadCycleLow, Bench.Analyse(readings, cycling).Next!.Point);
        Assert.DoesNotContain(Bench.Analyse(Bench.Consistent()).Results, r => r.Kind == ResultKind.CondensingLow);
        readings.AddRange([Bench.At(HeadCycleLow, 6.6, Unit.Bar, cycling), Bench.At(HeadCycleHigh, 15.2, Unit.Bar, cycling)]);
        var analysis = Bench.Analyse(readings, cycling);
        Assert.Equal(
            (ValidityLevel.Good, ValidityLevel.NotUsable),
            (analysis[ResultKind.CondensingLow].Validity.Level, analysis[ResultKind.CondenserSplit].Validity.Level));
        var finding = analysis.Findings.Single(f => f.Code == CircuitPatterns.HeadTooLow);
        Assert.Equal(["CondenserFan.Cycling"], finding.Seen);
        Assert.InRange(new Temperature(analysis[ResultKind.CondensingHigh].Value!.Value).Celsius, 30, 40);
        readings[^1] = Bench.At(HeadCycleHigh, 27, Unit.Bar, cycling);
        Assert.Contains(Bench.Analyse(readings, cycling).Findings, f => f.Code == CircuitPatterns.HighHead);
    }

    [Fact]
    public void Current_is_a_share_of_the_plate()
    {
        var rated = Bench.WalkIn with { RatedCurrentA = 8 };
        var pumpless = Bench.Consistent(boxC: -2, tdK: 1, superheatK: 5, splitK: 3, subcoolingK: 2, ambientC: 5);
        Assert.Equal(
            "CurrentShare",
            Assert.Single(
            Bench.Analyse(pumpless, makeUp: rated).Findings[0].WouldConfirm, n => !n.Contains('.', StringComparison.Ordinal)));
        pumpless.Add(Bench.At(CompressorCurrent, 3, Unit.Ampere));
        var finding = Bench.Analyse(pumpless, Seeing(AsFound.CompressorShell, FactState.Hot), makeUp: rated).Findings[0];
        Assert.Equal((CircuitPatterns.NotPumping, 0.375), (finding.Code, finding.Values["CurrentShare"]));
        Assert.Equal(["CompressorShell.Hot"], finding.Seen);
        Assert.Equal(Strength.Strong, finding.Strength);
    }

    [Fact]
    public void Bubbles_speak_for_a_short_charge_but_not_while_the_head_swings()
    {
        var readings = Bench.Consistent(boxC: -18, tdK: 14, superheatK: 16, subcoolingK: 1);
        var bubbles = Seeing(AsFound.SightGlass, FactState.Bubbles);
        Assert.Equal(["SightGlass.Bubbles"], Bench.Analyse(readings, bubbles).Findings[0].Seen);
        Assert.Equal(["SightGlass.Bubbles"], Bench.Analyse(readings, Seeing(AsFound.SightGlass, FactState.Full)).Findings[0].SeenAgainst);
        Assert.Contains("SightGlass.Bubbles", Bench.Analyse(readings).Findings[0].WouldConfirm);
        foreach (
            var bent in new[] { bubbles with { CondenserFan = FactState.Cycling },
            bubbles with { CondenserAir = Temperature.FromCelsius(4) }, bubbles with { BoxAboveTarget = new(6) } })
        {
            var finding = Bench.Analyse(readings, bent).Findings.Single(f => f.Code == CircuitPatterns.ShortOfCharge);
            Assert.Empty(finding.Seen);
            Assert.DoesNotContain("SightGlass.Bubbles", finding.WouldConfirm);
        }
    }

    [Fact]
    public void A_drop_across_the_drier_names_the_drier()
    {
        var readings = Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 7);
        readings.Add(Bench.At(LiquidAfterDrier, readings.Value(LiquidLine) - 3, Unit.Celsius));
        var codes = Bench.Analyse(readings).Findings.Select(f => f.Code).ToList();
        Assert.Equal([CircuitPatterns.DrierRestricted], codes);
    }

    [Theory]
    [InlineData(AsFound.ValveBody, FactState.IceBall, CircuitPatterns.CoilStarved, 14.0, 16.0)]
    [InlineData(AsFound.SuctionLineFrost, FactState.FrostedBack, CircuitPatterns.Overfed, 5.0, 1.0)]
    public void What_is_seen_without_gauges_speaks_with_the_readings(
        AsFound fact, FactState state, string code, double tdK, double superheatK)
    {
        var readings = Bench.Consistent(tdK: tdK, superheatK: superheatK, lineGainK: 5);
        Assert.Contains($"{fact}.{state}", Bench.Analyse(readings, Seeing(fact, state)).Findings.Single(f => f.Code == code).Seen);
    }

    [Fact]
    public void A_chattering_low_pressure_control_is_a_finding_by_itself()
    {
        var finding = Bench.Analyse([], Seeing(AsFound.LowPressureControl, FactState.Chattering)).Findings.Single();
        Assert.Equal((CircuitPatterns.ShortCycling, Strength.Fair), (finding.Code, finding.Strength));
        Assert.Equal(["SuperheatCoil", "Subcooling"], finding.WouldConfirm);
    }

    [Fact]
    public void One_iced_coil_of_two_is_an_iced_unit()
    {
        var unit =
            new Equipment(
            Guid.CreateVersion7(), Guid.CreateVersion7(), "K-6", "Prep table", EquipmentKind.PrepTable, Temperature.FromCelsius(4), 0, "",
            "",
            new(Guid.CreateVersion7(), "R290", 0.1, Metering.CapillaryTube, CondenserKind.AirCooledSelfContained, CircuitParts.None,
                "") { Coils = 2 });
        ObservationEntry Coil(int? index, FactState state) =>
            new(new(Guid.CreateVersion7(), Guid.Empty, Bench.Noon, Bench.Noon, "Tobin"), AsFound.Coil, index, state, null);
        FactState? Of(params Entry[] entries) => new Timeline(entries, unit, Pressure.StandardAtmosphere).ConditionsAt(Bench.Noon).Coil;
        Assert.Equal(FactState.Iced, Of(Coil(2, FactState.Iced)));
        Assert.Null(Of(Coil(1, FactState.Clear)));
        Assert.Equal(FactState.Frosted, Of(Coil(1, FactState.Frosted), Coil(2, FactState.Clear)));
        Assert.Equal(FactState.Clear, Of(Coil(null, FactState.Clear)));
    }
}
