using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
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
    public void Hot_and_lightly_cold_reads_as_a_heavy_load() =>
        Assert.Equal(CircuitPatterns.HeavyLoad, First(Bench.Consistent(boxC: -12, tdK: 2, superheatK: 12)).Code);

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
    public void A_reading_against_a_pattern_is_named_and_weakens_it()
    {
        var finding = First(Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 1, splitK: 24));
        Assert.Equal(["CondenserSplit"], finding.Against.Keys);
        Assert.Equal(Strength.Weak, finding.Strength);
    }

    [Fact]
    public void What_is_not_measured_yet_is_named_as_what_would_settle_it()
    {
        var partial = Bench.Consistent(tdK: 14, superheatK: 16, subcoolingK: 1)
            .Where(r => r.Point.Point is not (MeasuringPoint.BoxAir or MeasuringPoint.CondenserAir)).ToList();
        var finding = First(partial);
        Assert.Equal(CircuitPatterns.ShortOfCharge, finding.Code);
        Assert.Equal(["EvaporatorTd", "CondenserSplit", "SightGlass.Bubbles"], finding.WouldConfirm);
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
    [InlineData("unknown", StepKind.RecordFact)]
    [InlineData("defrost", StepKind.LetDefrostEnd)]
    [InlineData("wet", StepKind.WaitToSettle)]
    [InlineData("fresh", StepKind.WaitToSettle)]
    public void The_next_step_follows_the_order_of_the_job(string situation, StepKind expected)
    {
        var now = situation switch
        {
            "fan" => Bench.Settled with { EvaporatorFans = [FactState.Stopped] },
            "off" => Bench.Settled with { Compressor = FactState.Stopped },
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
