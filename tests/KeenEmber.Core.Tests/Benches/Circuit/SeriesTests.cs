using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Tests.Benches.Circuit;

/// <summary>Courses made from a known superheat and evaporating temperature over time.</summary>
public class SeriesTests
{
    private static readonly Refrigerant Fluid = RefrigerantCatalogue.Find("R404A")!;

    /// <summary>Suction pressure and suction line every so often, from what they are meant to show at each minute.</summary>
    private static List<Sample> Samples(
        double minutes, Func<double, double> evaporatingC, Func<double, double> superheatK, double everyMin = 0.5, double noiseK = 0)
    {
        var noise = new Random(7);
        var samples = new List<Sample>();
        for (var minute = 0.0; minute <= minutes; minute += everyMin)
        {
            var at = Bench.Noon.AddMinutes(minute);
            var evaporating = Temperature.FromCelsius(evaporatingC(minute));
            double Off() => noiseK * (2 * noise.NextDouble() - 1);
            samples.Add(new(SuctionPressure, at, Fluid.DewPressure(evaporating)!.Value.Kpa));
            samples.Add(new(SuctionLineCoil, at.AddSeconds(10), evaporating.Kelvin + superheatK(minute) + Off()));
        }

        return samples;
    }

    private static SeriesAnalysis Analyse(List<Sample> samples) => CircuitSeries.Analyse(Fluid, samples);

    private static double Sine(double minute, double periodMin) => Math.Sin(2 * Math.PI * minute / periodMin);

    [Fact]
    public void Derived_curves_follow_what_was_put_in()
    {
        var superheat = Analyse(Samples(20, m => -25 - 0.1 * m, m => 5 + 0.2 * m)).Derived[ResultKind.SuperheatCoil];
        Assert.InRange(superheat.Count, 70, 82);
        Assert.All(superheat, p => Assert.Equal(5 + 0.2 * (p.At - Bench.Noon).TotalMinutes, p.Value, 0.1));
    }

    [Fact]
    public void Nothing_is_interpolated_across_a_long_gap_or_beyond_the_ends()
    {
        List<Sample> samples = [new(SuctionPressure, Bench.Noon, 200), new(SuctionPressure, Bench.Noon.AddMinutes(11), 220),
            new(SuctionLineCoil, Bench.Noon.AddMinutes(5), 250), new(SuctionLineCoil, Bench.Noon.AddMinutes(12), 250),
                new(SuctionLineCoil, Bench.Noon.AddMinutes(-1), 250)];
        Assert.Equal([Bench.Noon, Bench.Noon.AddMinutes(11)], Analyse(samples).Derived[ResultKind.SuperheatCoil].Select(p => p.At));
    }

    [Theory]
    [InlineData(0.0, true)]
    [InlineData(0.5, true)]
    [InlineData(-0.3, false)]
    public void Steady_is_settled_and_drifting_is_not(double slopeOrNoise, bool settled)
    {
        var drift = Math.Min(0, slopeOrNoise);
        var analysis = Analyse(Samples(20, m => -25 + drift * m, m => 5, noiseK: Math.Max(0, slopeOrNoise)));
        Assert.True(analysis.IsSeries);
        Assert.Equal(settled, analysis.Settled is not null);
        Assert.Equal(drift, analysis.SlopesKPerMin[ResultKind.Evaporating], 0.02);
    }

    [Fact]
    public void The_settled_stretch_begins_when_the_pull_down_ends()
    {
        var analysis = Analyse(Samples(40, m => m < 20 ? -15 - 0.5 * m : -25, m => m < 20 ? 15 - 0.5 * m : 5));
        var from = (analysis.Settled!.Value.From - Bench.Noon).TotalMinutes;
        Assert.InRange(from, 16, 22);
        Assert.Equal(40, (analysis.Settled.Value.To - Bench.Noon).TotalMinutes, 0.5);
    }

    [Fact]
    public void Too_short_a_stretch_is_no_series()
    {
        var analysis = Analyse(Samples(7.5, m => -25, m => 5));
        Assert.False(analysis.IsSeries);
        Assert.False(analysis.StillMoves);
        Assert.False(Analyse([]).IsSeries);
    }

    [Fact]
    public void The_verdict_rests_on_the_mean_of_the_settled_stretch_and_not_on_the_last_value()
    {
        var samples = Samples(20, m => -25, m => m > 19.9 ? 6.5 : 5);
        var series = Analyse(samples);
        var latest = samples.GroupBy(s => s.Point).ToDictionary(g => g.Key, g => Bench.At(g.Key, g.Last().Si,
            g.Key == SuctionPressure ? Unit.KilopascalAbsolute : Unit.Kelvin, minute: 20));
        double Superheat(SeriesAnalysis? with) =>
            CircuitCalculation.Analyse(
            new(Fluid, Bench.WalkIn, latest) { Series = with }, Bench.Settled)[ResultKind.SuperheatCoil].Value!.Value;
        Assert.Equal(6.5, Superheat(null), 0.01);
        Assert.Equal(5.04, Superheat(series), 0.05);
    }

    [Fact]
    public void While_it_moves_every_result_is_provisional()
    {
        var samples = Samples(20, m => -15 - 0.5 * m, m => 8);
        var latest = samples.GroupBy(s => s.Point)
            .ToDictionary(g => g.Key, g => Bench.At(g.Key, g.Last().Si, g.Key == SuctionPressure ? Unit.KilopascalAbsolute : Unit.Kelvin));
        var validity =
            CircuitCalculation.Analyse(
            new(Fluid, Bench.WalkIn, latest) { Series = Analyse(samples) }, Bench.Settled)[ResultKind.SuperheatCoil].Validity;
        Assert.Equal([ReasonCode.StillMoving], validity.Reasons.Select(r => r.Code));
        Assert.Equal(ValidityLevel.Provisional, validity.Level);
    }

    [Theory]
    [InlineData(2.0, 4.0)]
    [InlineData(3.0, 3.0)]
    [InlineData(6.0, 5.0)]
    public void A_valve_that_hunts_is_recognised_with_its_swing_and_period(double periodMin, double amplitudeK)
    {
        var finding =
            Assert.Single(
            Analyse(Samples(
            30, m => -25 - 0.8 * Sine(m, periodMin), m => 6 + amplitudeK * Sine(m, periodMin), everyMin: 0.25, noiseK: 0.3)).Findings);
        Assert.Equal((SeriesPatterns.Hunting, Strength.Strong), (finding.Code, finding.Strength));
        Assert.Equal(2 * amplitudeK, finding.Values["SwingK"], 1.2);
        Assert.Equal(periodMin, finding.Values["PeriodMin"], 0.15 * periodMin);
    }

    [Theory]
    [InlineData("calm")]
    [InlineData("small")]
    [InlineData("slow")]
    [InlineData("thermometer alone")]
    [InlineData("pull-down")]
    public void What_is_not_hunting_is_not_called_so(string what)
    {
        var course = what switch
        {
            "calm" => Samples(30, m => -25, m => 5, noiseK: 1),
            "small" => Samples(30, m => -25 - 0.3 * Sine(m, 3), m => 5 + 1.5 * Sine(m, 3)),
            "slow" => Samples(60, m => -25 - Sine(m, 20), m => 6 + 4 * Sine(m, 20)),
            "thermometer alone" => Samples(30, m => -25, m => 6 + 4 * Sine(m, 3)),
            _ => Samples(40, m => -10 - 0.4 * m, m => 20 - 0.4 * m),
        };
        Assert.Empty(Analyse(course).Findings);
    }

    /// <summary>Fed for eight minutes, starved for six, and so on.</summary>
    private static bool Starved(double minute) => minute % 14 >= 8;

    [Fact]
    public void Feeding_that_comes_and_goes_below_freezing_reads_as_moisture()
    {
        var finding = Assert.Single(Analyse(Samples(45, m => Starved(m) ? -36 : -25, m => Starved(m) ? 19 : 5, noiseK: 0.5)).Findings);
        Assert.Equal((SeriesPatterns.ComesAndGoes, Strength.Strong), (finding.Code, finding.Strength));
        Assert.Equal(3, finding.Values["StarvedSpells"]);
        Assert.Equal(19, finding.Values["StarvedSuperheatK"], 1.0);
        Assert.Equal(5, finding.Values["FedSuperheatK"], 1.5);
    }

    [Theory]
    [InlineData("above freezing")]
    [InlineData("once and for good")]
    [InlineData("compressor cycling")]
    public void What_is_not_moisture_is_not_called_so(string what)
    {
        var course = what switch
        {
            "above freezing" => Samples(45, m => Starved(m) ? 2 : 8, m => Starved(m) ? 19 : 5),
            "once and for good" => Samples(45, m => m > 20 ? -36 : -25, m => m > 20 ? 19 : 5),
            _ => Samples(45, m => Starved(m) ? -24 : -4, m => Starved(m) ? 5 : 1),
        };
        Assert.DoesNotContain(Analyse(course).Findings, f => f.Code == SeriesPatterns.ComesAndGoes);
    }

    [Fact]
    public void A_finding_of_the_series_stands_before_the_others_and_within_targets_no_longer_stands()
    {
        var samples = Samples(30, m => -25 - 0.8 * Sine(m, 3), m => 4.5 + 3 * Sine(m, 3), everyMin: 0.25);
        var readings = Bench.Consistent().ToDictionary(r => r.Point);
        var codes =
            CircuitCalculation.Analyse(new(Fluid, Bench.WalkIn, readings) { Series = Analyse(samples) }, Bench.Settled).Findings.Select(
            f => f.Code);
        Assert.Equal([SeriesPatterns.Hunting], codes);
    }
}
