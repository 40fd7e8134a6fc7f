using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Tests.Benches.Circuit;

public class PatternTests
{
    private static Finding First(List<TakenReading> readings, OperatingConditions? now = null) => Bench.Analyse(readings, now).Findings[0];

    [Fact]
    public void All_inside_their_bands_reads_as_doing_its_job() =>
        Assert.Equal(
            (CircuitPatterns.WithinTargets, Strength.Strong), (First(Bench.Consistent()).Code, First(Bench.Consistent()).Strength));

    [Fact]
    public void Starved_with_little_subcooling_reads_as_short_of_charge()
    {
        var finding = First(Bench.Consistent(boxC: -15, tdK: 14, superheatK: 16, subcoolingK: 1));
        Assert.Equal(CircuitPatterns.ShortOfCharge, finding.Code);
        Assert.Equal(16, finding.Values["SuperheatCoil"], 1e-3);
        Assert.Equal(6, finding.Basis.Count);
    }

    [Fact]
    public void Starved_with_liquid_to_spare_reads_as_a_restriction() =>
        Assert.Equal(CircuitPatterns.CoilStarved, First(Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 7)).Code);

    [Fact]
    public void Cold_and_wet_reads_as_a_coil_that_is_not_loaded() =>
        Assert.Equal(CircuitPatterns.CoilNotLoaded, First(Bench.Consistent(tdK: 12, superheatK: 1)).Code);

    [Fact]
    public void Wet_at_a_normal_difference_reads_as_overfed() =>
        Assert.Equal(CircuitPatterns.Overfed, First(Bench.Consistent(tdK: 5, superheatK: 1)).Code);

    [Fact]
    public void A_warm_box_over_a_unit_that_rejects_all_it_can_reads_as_a_heavy_load()
    {
        var warm = Bench.Settled with { BoxAboveTarget = new(8) };
        Assert.Equal(
            CircuitPatterns.HeavyLoad,
            First(Bench.Consistent(boxC: -12, tdK: 9, superheatK: 7, splitK: 14, subcoolingK: 6, conditions: warm), warm).Code);
    }

    [Fact]
    public void High_suction_low_head_and_hardly_any_ratio_read_as_not_pumping() =>
        Assert.Equal(CircuitPatterns.NotPumping, First(Bench.Consistent(boxC: -2, tdK: 1, superheatK: 5, splitK: 3, ambientC: 5)).Code);

    [Fact]
    public void A_full_condenser_reads_as_overcharged_and_explains_its_high_head()
    {
        var codes = Bench.Analyse(Bench.Consistent(splitK: 22, subcoolingK: 14)).Findings.Select(f => f.Code).ToList();
        Assert.Contains(CircuitPatterns.Overcharged, codes);
        Assert.DoesNotContain(CircuitPatterns.HighHead, codes);
    }

    [Fact]
    public void More_than_one_pattern_may_stand()
    {
        var codes = Bench.Analyse(Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 1, splitK: 24)).Findings.Select(f => f.Code)
            .ToList();
        Assert.Equal([CircuitPatterns.ShortOfCharge, CircuitPatterns.HighHead], codes);
    }

    [Fact]
    public void A_reading_against_a_fault_is_named_and_weakens_it()
    {
        var finding = First(Bench.Consistent(tdK: 1.5, superheatK: 16, subcoolingK: 0.2));
        Assert.Equal(CircuitPatterns.ShortOfCharge, finding.Code);
        Assert.Equal(["EvaporatorTd"], finding.Against.Keys);
        Assert.Equal(Strength.Weak, finding.Strength);
    }

    /// <summary>A unit of the theory below: what feeds it, and how far its box is above its target.</summary>
    private static (CircuitMakeUp MakeUp, OperatingConditions Now) Of(bool capillary, double boxAboveK) => (
        capillary ? Bench.ReachIn : Bench.WalkIn with { Kind = EquipmentKind.WalkInCooler },
        Bench.Settled with { BoxAboveTarget = new(boxAboveK), BoxTarget = Temperature.FromCelsius(3) });

    [Theory]
    [InlineData("at the edge of its target it is healthy", false, 0.5, 8.5, 4.5, 4.5, 11, CircuitPatterns.WithinTargets)]
    [InlineData("little air while the valve holds its superheat", false, 2, 13, 4.5, 4.5, 9.5, CircuitPatterns.CoilNotLoaded)]
    [InlineData("pull-down hides no low charge", true, 4, 21, 18, 0.5, 9, CircuitPatterns.ShortOfCharge)]
    [InlineData("a very mild low charge", false, 0.5, 7, 5, 0.3, 11.5, CircuitPatterns.ShortOfCharge)]
    [InlineData("a tube that gets too much charge is not overfed", true, 1, 11, 0.4, 14, 15, CircuitPatterns.Overcharged)]
    [InlineData("charge alone, by subcooling", true, 1, 11, 5, 14, 12.5, CircuitPatterns.Overcharged)]
    [InlineData("hardly any heat pumped from a warm box", false, 9, 4, 4, 3, 5.5, CircuitPatterns.NotPumping)]
    [InlineData("the middle of every target", false, 0.5, 6.5, 4.5, 5, 12.5, CircuitPatterns.WithinTargets)]
    [InlineData("little liquid, little fed", false, 2, 12, 14, 0, 8, CircuitPatterns.ShortOfCharge)]
    [InlineData("liquid to spare, little fed", false, 2, 14, 16, 7, 8, CircuitPatterns.CoilStarved)]
    [InlineData("a valve that opens too far", false, 1, 4.5, 0.8, 4, 13, CircuitPatterns.Overfed)]
    [InlineData("little air, the coil not taking what it is fed", false, 2, 12, 1.5, 5, 9, CircuitPatterns.CoilNotLoaded)]
    [InlineData("a dirty condenser, subcooling as usual", false, 1, 6.5, 5, 5, 24, CircuitPatterns.HighHead)]
    [InlineData("a dirty condenser, subcooling with the split", false, 1, 6.5, 5, 9.5, 23, CircuitPatterns.HighHead)]
    [InlineData("too much charge raises both", false, 1, 6.5, 5, 15, 20, CircuitPatterns.Overcharged)]
    [InlineData("a warm box and a condenser that works hard", false, 10, 9, 8, 5.5, 16, CircuitPatterns.HeavyLoad)]
    [InlineData("a blocked tube backs liquid up", true, 4, 24, 22, 9, 9.5, CircuitPatterns.CoilStarved)]
    [InlineData("a dirty condenser over a tube", true, 1, 11, 2, 7, 24, CircuitPatterns.HighHead)]
    [InlineData("little air over a coil with a tube", true, 1, 19, 0.5, 4.5, 9.5, CircuitPatterns.CoilNotLoaded)]
    [InlineData("no heat leaves the condenser", false, 3, 5.5, 4, 13, 37, CircuitPatterns.HighHead)]
    public void All_results_together_decide(
        string why, bool capillary, double boxAboveK, double tdK, double superheatK, double subcoolingK, double splitK, string expected)
    {
        var (makeUp, now) = Of(capillary, boxAboveK);
        var readings = Bench.Consistent(
            boxC: 3 + boxAboveK, tdK: tdK, superheatK: superheatK, splitK: splitK, subcoolingK: subcoolingK, ambientC: 26,
            refrigerant: "R134a", conditions: now).Where(r => r.Point != MeasuringPoint.AirLeaving);
        var finding = Bench.Analyse(readings, now, "R134a", makeUp).Findings[0];
        Assert.True(expected == finding.Code, $"{why}: {finding.Code}");
    }

    [Fact]
    public void With_glide_difference_and_superheat_leave_room_for_each_other()
    {
        var readings = Bench.Consistent(tdK: 8.5, superheatK: 3.5, refrigerant: "R449A");
        Assert.Equal(CircuitPatterns.WithinTargets, Bench.Analyse(readings, refrigerant: "R449A").Findings[0].Code);
        Assert.Equal(CircuitPatterns.CoilNotLoaded, First(Bench.Consistent(tdK: 10.5, superheatK: 3.5)).Code);
    }

    [Fact]
    public void A_stopped_condenser_fan_is_a_finding_by_that_fact_unless_a_control_may_stop_it()
    {
        var stopped = Bench.Settled with { CondenserFan = FactState.Stopped };
        var readings = Bench.Consistent(splitK: 35, subcoolingK: 12, conditions: stopped);
        Assert.Equal([CircuitPatterns.CondenserFanStopped], Bench.Analyse(readings, stopped).Findings.Select(f => f.Code));
        var cycling = Bench.WalkIn with { Parts = CircuitParts.Receiver | CircuitParts.FanCyclingControl };
        Assert.DoesNotContain(
            Bench.Analyse(readings, stopped, makeUp: cycling).Findings, f => f.Code == CircuitPatterns.CondenserFanStopped);
    }

    [Fact]
    public void Over_water_condensing_has_a_limit_of_its_own_however_near_the_water_is()
    {
        var water = Bench.WalkIn with { Condenser = CondenserKind.WaterCooled };
        var analysis = Bench.Analyse(Bench.Consistent(ambientC: 47, splitK: 5), makeUp: water);
        Assert.Contains(analysis.Findings, f => f is { Code: CircuitPatterns.HighHead, Detail: CircuitPatterns.OverWater });
    }

    [Theory]
    [InlineData(19, CircuitPatterns.ShortOfWater)]
    [InlineData(39, CircuitPatterns.OverWater)]
    public void Water_that_leaves_much_warmer_than_it_comes_is_too_little(double waterInC, string detail)
    {
        var water = Bench.WalkIn with { Condenser = CondenserKind.WaterCooled };
        var readings = Bench.Consistent(ambientC: 47, splitK: 5);
        readings.Add(Bench.At(MeasuringPoint.WaterIn, waterInC, Unit.Celsius));
        var analysis = Bench.Analyse(readings, makeUp: water);
        Assert.Equal(47 - waterInC, analysis.Results.Single(r => r.Kind == ResultKind.WaterRise).Value!.Value, 6);
        Assert.Equal([detail], analysis.Findings.Where(f => f.Code == CircuitPatterns.HighHead).Select(f => f.Detail));
    }

    [Fact]
    public void Equal_pressures_while_it_runs_are_no_slip_but_a_compressor_that_does_not_pump()
    {
        List<TakenReading> readings =
        [
            Bench.At(MeasuringPoint.BoxAir, 4, Unit.Celsius), Bench.At(MeasuringPoint.SuctionPressure, 8.1, Unit.Bar),
            Bench.At(MeasuringPoint.DischargePressure, 8.4, Unit.Bar), Bench.At(MeasuringPoint.CondenserAir, 22, Unit.Celsius),
            Bench.At(MeasuringPoint.SuctionLineCoil, 15, Unit.Celsius),
        ];
        var analysis = Bench.Analyse(readings);
        Assert.Empty(analysis.Challenges);
        Assert.Equal([CircuitPatterns.NotPumping], analysis.Findings.Select(f => f.Code));
        var swapped = Bench.Analyse(readings.With(MeasuringPoint.SuctionPressure, 14, Unit.Bar));
        Assert.NotEmpty(swapped.Challenges);
    }

    [Fact]
    public void Behind_a_regulator_a_starved_coil_does_not_get_colder()
    {
        var held = Bench.WalkIn with { Parts = CircuitParts.Receiver | CircuitParts.EvaporatorPressureRegulator };
        var readings = Bench.Consistent(superheatK: 16, subcoolingK: 6, splitK: 8).Where(r => r.Point != MeasuringPoint.AirLeaving);
        Assert.Equal(CircuitPatterns.CoilStarved, Bench.Analyse(readings, makeUp: held).Findings[0].Code);
    }

    [Fact]
    public void What_is_not_measured_yet_is_named_as_what_would_settle_it()
    {
        var partial = Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 1)
            .Where(r => r.Point.Point is not (MeasuringPoint.BoxAir or MeasuringPoint.CondenserAir)).ToList();
        var finding = First(partial);
        Assert.Equal(CircuitPatterns.ShortOfCharge, finding.Code);
        Assert.Equal(["EvaporatorTd", "SightGlass.Bubbles"], finding.WouldConfirm);
        Assert.Equal(Strength.Fair, finding.Strength);
    }

    [Fact]
    public void A_wide_split_reads_as_high_head() =>
        Assert.Contains(Bench.Analyse(Bench.Consistent(splitK: 24)).Findings, f => f.Code == CircuitPatterns.HighHead);

    [Fact]
    public void Ice_comes_before_any_verdict_on_charge_and_forbids_one()
    {
        var iced = Bench.Settled with { Coil = FactState.Iced };
        var analysis = Bench.Analyse(Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 1, conditions: iced), iced);
        Assert.Equal(CircuitPatterns.AirFirst, Assert.Single(analysis.Findings).Code);
        Assert.Equal(StepKind.NoteBeforeThaw, analysis.Next!.Kind);
    }

    [Fact]
    public void A_provisional_reading_makes_the_evidence_weak()
    {
        var fresh = Bench.Settled with { RunTime = TimeSpan.FromMinutes(5) };
        Assert.Equal(Strength.Weak, First(Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 1, conditions: fresh), fresh).Strength);
    }

    [Theory]
    [InlineData("fan", StepKind.RestoreFans)]
    [InlineData("off", StepKind.FindWhyStopped)]
    [InlineData("called", StepKind.TestStartParts)]
    [InlineData("cold", StepKind.SeeItCall)]
    [InlineData("unknown", StepKind.RecordFact)]
    [InlineData("defrost", StepKind.LetDefrostEnd)]
    [InlineData("wet", StepKind.WaitToSettle)]
    [InlineData("fresh", StepKind.WaitToSettle)]
    public void The_next_step_follows_the_order_of_the_job(string situation, StepKind expected)
    {
        var now = situation switch
        {
            "fan" => Bench.Settled with { EvaporatorFans = [FactState.Stopped] },
            "off" => Bench.Settled with { Compressor = FactState.Stopped, CondenserFan = FactState.Stopped, BoxAboveTarget = new(5) },
            "called" => Bench.Settled with { Compressor = FactState.Stopped, CondenserFan = FactState.Running, BoxAboveTarget = new(1) },
            "cold" => Bench.Settled with { Compressor = FactState.Stopped, CondenserFan = FactState.Stopped, BoxAboveTarget = new(1) },
            "defrost" => Bench.Settled with { Defrost = FactState.Defrosting },
            "wet" => Bench.Settled with { Defrost = FactState.Refrigerating, SinceDefrost = TimeSpan.FromMinutes(3) },
            "unknown" => Bench.Settled with { Coil = null },
            _ => Bench.Settled with { RunTime = TimeSpan.FromMinutes(5) },
        };
        Assert.Equal(expected, Bench.Analyse(Bench.Consistent(), now).Next!.Kind);
    }

    [Fact]
    public void With_everything_in_there_is_nothing_left_to_ask() => Assert.Null(Bench.Analyse(Bench.Consistent()).Next);

    [Fact]
    public void The_tag_after_a_tag_is_the_next_in_the_walk_without_a_value()
    {
        HashSet<PointRef> taken = [MeasuringPoint.BoxAir, MeasuringPoint.SuctionPressure, MeasuringPoint.LiquidLine];
        Assert.Equal(MeasuringPoint.SuctionLineCompressor, MeasuringPoint.SuctionPressure.At(1).NextAfter(Bench.WalkIn.Points, taken));
        Assert.Equal(MeasuringPoint.AirLeaving, MeasuringPoint.LiquidLine.At(1).NextAfter(Bench.WalkIn.Points, taken));
        Assert.Null(MeasuringPoint.BoxAir.At(1).NextAfter(Bench.WalkIn.Points, Bench.WalkIn.Points.ToHashSet()));
    }
}
