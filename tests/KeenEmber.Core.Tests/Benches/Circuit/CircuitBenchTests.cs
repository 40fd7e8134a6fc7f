using KeenEmber.Core.Benches.Circuit;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;
using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Tests.Benches.Circuit;

public class CircuitBenchTests
{
    [Fact]
    public void Every_result_comes_out_of_a_full_set_of_readings()
    {
        var analysis = Bench.Analyse(Bench.Consistent(tdK: 5.2, superheatK: 4.8, lineGainK: 9, splitK: 12, subcoolingK: 5));

        Assert.Equal(4.8, analysis[ResultKind.SuperheatCoil].Value!.Value, 1e-4);
        Assert.Equal(13.8, analysis[ResultKind.SuperheatCompressor].Value!.Value, 1e-4);
        Assert.Equal(5, analysis[ResultKind.Subcooling].Value!.Value, 1e-4);
        Assert.Equal(5.2, analysis[ResultKind.EvaporatorTd].Value!.Value, 1e-4);
        Assert.Equal(3, analysis[ResultKind.AirDrop].Value!.Value, 1e-9);
        Assert.Equal(12, analysis[ResultKind.CondenserSplit].Value!.Value, 1e-4);
        Assert.Equal(273.15 + 30, analysis[ResultKind.Condensing].Value!.Value, 1e-4);
        Assert.All(analysis.Results, r => Assert.Equal(ValidityLevel.Good, r.Validity.Level));
    }

    [Fact]
    public void Superheat_is_counted_from_the_dew_line_and_subcooling_from_the_bubble_line()
    {
        var r407c = RefrigerantCatalogue.Find("R407C")!;
        var pressure = new Pressure(500);
        var line = Temperature.FromCelsius(10);
        Assert.Equal(
            (line - r407c.DewTemperature(pressure)!.Value).Kelvin, CircuitFormulas.Superheat(r407c, pressure, line)!.Value.Kelvin, 1e-9);
        Assert.Equal(
            (r407c.BubbleTemperature(pressure)!.Value - line).Kelvin, CircuitFormulas.Subcooling(r407c, pressure, line)!.Value.Kelvin,
            1e-9);
    }

    [Fact]
    public void The_compression_ratio_is_of_absolute_pressures()
    {
        var analysis = Bench.Analyse([Bench.At(SuctionPressure, 1, Unit.Bar), Bench.At(DischargePressure, 13, Unit.Bar)]);
        Assert.Equal(1401.325 / 201.325, analysis[ResultKind.CompressionRatio].Value!.Value, 1e-9);
    }

    [Fact]
    public void What_is_missing_stays_open_and_names_what_would_unlock_it()
    {
        var analysis = Bench.Analyse([Bench.At(SuctionPressure, 1.2, Unit.Bar), Bench.At(BoxAir, -20, Unit.Celsius)]);

        Assert.NotNull(analysis[ResultKind.EvaporatorTd].Value);
        Assert.Null(analysis[ResultKind.SuperheatCoil].Value);
        Assert.Equal([SuctionLineCoil], analysis[ResultKind.SuperheatCoil].Missing);
        // One reading more gives the superheat, which decides; head pressure alone would give nothing that does.
        Assert.Equal(SuctionLineCoil, NextStep.AskedReading(analysis.Results)!.Point);
        Assert.Equal([ResultKind.SuperheatCoil], NextStep.AskedReading(analysis.Results)!.Unlocks);
    }

    [Fact]
    public void Once_the_results_that_decide_are_there_nothing_more_is_asked_for()
    {
        var analysis = Bench.Analyse([.. Bench.Consistent().Where(r => r.Point != DischargeLine)]);
        Assert.Null(analysis[ResultKind.DischargeTemperature].Value);
        Assert.Null(NextStep.AskedReading(analysis.Results));
    }

    [Fact]
    public void What_was_measured_before_the_work_is_taken_again_first()
    {
        var analysis = Bench.Analyse([Bench.At(SuctionPressure, 1.2, Unit.Bar)]);
        Assert.Equal(BoxAir, NextStep.AskedReading(analysis.Results)!.Point);
        Assert.Equal(SuctionLineCoil, NextStep.AskedReading(analysis.Results, new HashSet<PointRef> { SuctionLineCoil })!.Point);
    }

    [Fact]
    public void With_nothing_at_all_there_is_no_result_and_no_finding()
    {
        var analysis = Bench.Analyse([]);
        Assert.All(analysis.Results, r => Assert.Null(r.Value));
        Assert.Empty(analysis.Findings);
        Assert.Empty(analysis.Challenges);
        Assert.Equal(StepKind.LogPoint, analysis.Next!.Kind);
    }

    [Fact]
    public void A_pressure_outside_the_refrigerants_range_gives_no_number_but_a_reason()
    {
        var result = Bench.Analyse([Bench.At(SuctionPressure, 120, Unit.Bar)])[ResultKind.Evaporating];
        Assert.Null(result.Value);
        Assert.Contains(result.Validity.Reasons, r => r.Code == ReasonCode.OutsideRefrigerantRange);
        Assert.False(result.IsUsable);
    }

    [Fact]
    public void The_formula_can_be_shown_with_its_numbers()
    {
        var result = Bench.Analyse(Bench.Consistent())[ResultKind.SuperheatCoil];
        double Term(TermKind kind) => result.Terms.Single(t => t.Kind == kind).Si;
        Assert.Equal(result.Value!.Value, Term(TermKind.Reading) - Term(TermKind.DewTemperature), 1e-9);
        Assert.True(Term(TermKind.AbsolutePressure) > 100);
    }

    [Theory]
    [InlineData("R404A")]
    [InlineData("R448A")]
    [InlineData("R454C")]
    public void Evaporating_is_in_its_band_where_TD_is_whatever_the_glide(string refrigerant)
    {
        CircuitResult Evaporating(double tdK) =>
            Bench.Analyse(Bench.Consistent(tdK: tdK, refrigerant: refrigerant), refrigerant: refrigerant).Results.Single(
            r => r.Kind == ResultKind.Evaporating);
        Assert.Equal(
            [BandPosition.Above, BandPosition.Inside, BandPosition.Inside, BandPosition.Below],
            new[] { 3.5, 4.1, 6.9, 13 }.Select(td => Evaporating(td).Position));
    }
}
