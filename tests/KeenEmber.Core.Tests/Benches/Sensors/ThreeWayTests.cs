using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Sensors;

/// <summary>Worked comparisons on a 10 kΩ sensor of slope 3435, one verdict each.</summary>
public sealed class ThreeWayTests
{
    private static readonly SensorCurve Ntc = SensorFamilies.Find("ntc-10k-3435")!;
    private static readonly CheckAccuracy Usual = new();

    /// <summary>Reference, what the sensor tells by its curve, what the controller shows.</summary>
    private static SensorPoint At(double reference, double told, double? shown, bool bath = false) =>
        new(reference, Ntc.SignalAt(told), shown, bath);

    private static SensorResult Judge(params SensorPoint[] points) => ThreeWayCheck.Judge(Ntc, points, Usual, 0);

    [Theory]
    [InlineData(-18, -18.4, -18.2)]
    [InlineData(4, 4.6, 4.9)]
    public void All_alike_is_good(double a, double b, double c)
    {
        var result = Judge(At(a, b, c));
        Assert.Equal(SensorVerdict.Good, result.Verdict);
        Assert.Equal(c - a, result.Error!.Value, 1e-9);
        Assert.False(result.IsFault);
    }

    [Fact]
    public void Sensor_and_controller_against_the_reference_asks_for_a_bath()
    {
        var result = Judge(At(-18, -12, -12.2));
        Assert.Equal((SensorVerdict.SensorOrPlace, "ice-bath"), (result.Verdict, result.WouldSettle[0]));
        Assert.False(result.CondemnsSensor);
        Assert.True(result.Clear > 3);
    }

    [Fact]
    public void Right_in_the_bath_means_that_its_place_is_wrong() =>
        Assert.Equal(SensorVerdict.Misplaced, Judge(At(-18, -12, -12.2), At(0, 0.3, null, bath: true)).Verdict);

    [Fact]
    public void One_bath_asks_for_the_other_and_two_tell_offset_from_drift()
    {
        var one = Judge(At(-18, -13.5, -13.4), At(0, 4.6, null, bath: true));
        Assert.Equal((SensorVerdict.SensorOffset, "warm-bath"), (one.Verdict, Assert.Single(one.WouldSettle)));
        Assert.Equal(SensorVerdict.SensorOffset, Judge(At(-18, -13.5, -13.4), At(0, 4.6, null, true), At(35, 39.7, null, true)).Verdict);
        Assert.Equal(SensorVerdict.Drifted, Judge(At(-18, -12.5, -12.4), At(0, 4.6, null, true), At(35, 35.9, null, true)).Verdict);
    }

    [Fact]
    public void Warm_all_over_and_most_where_it_is_cold_may_be_water()
    {
        // 60 kΩ of leakage beside the sensor.
        SensorPoint Leaky(double t, bool bath) => new(t, 1 / (1 / Ntc.SignalAt(t) + 1 / 60_000.0), null, bath);
        Assert.True(Judge(Leaky(-18, false), Leaky(0, true)).MayBeWet);
        Assert.False(Judge(At(-18, -22, -22)).MayBeWet);
        var settled = Judge(Leaky(-18, false), Leaky(0, true), Leaky(35, true));
        Assert.Equal(SensorVerdict.Leakage, settled.Verdict);
        Assert.InRange(settled.Beside!.Ohm, 57_000, 63_000);
        Assert.False(settled.CondemnsSensor);
    }

    [Theory]
    [InlineData(22_000)]
    [InlineData(2_500)]
    public void The_same_ohms_too_many_everywhere_are_a_joint_and_not_the_sensor(double ohm)
    {
        SensorPoint Corroded(double t, bool bath) => new(t, Ntc.SignalAt(t) + ohm, null, bath);
        var result = Judge(Corroded(-22.5, false), Corroded(0, true), Corroded(35, true));
        Assert.Equal(SensorVerdict.SeriesResistance, result.Verdict);
        Assert.Equal(ohm, result.Beside!.Ohm, 1);
        Assert.False(result.CondemnsSensor);
        // One bath cannot tell: that may be the sensor as well.
        Assert.NotEqual(SensorVerdict.SeriesResistance, Judge(Corroded(-22.5, false), Corroded(0, true)).Verdict);
    }

    [Fact]
    public void A_curve_with_something_beside_it_runs_both_ways()
    {
        foreach (
            var beside in new[] { BesideCurve.Through(Ntc, Ntc.SignalAt(-20) + 22_000, -20)!,
            BesideCurve.Through(Ntc, Ntc.SignalAt(-20) / 2, -20)! })
        {
            Assert.Equal(beside.IsInSeries ? 22_000 : Ntc.SignalAt(-20), beside.Ohm, 1e-6);
            Assert.All([-30.0, 0, 40], t => Assert.Equal(t, beside.ValueOf(beside.SignalAt(t))!.Value, 1e-6));
            Assert.Null(beside.ValueOf(beside.IsInSeries ? 21_000 : beside.Ohm * 1.1));
        }

        Assert.Null(BesideCurve.Through(Ntc, Ntc.SignalAt(-20), -20));
    }

    [Fact]
    public void Neither_a_joint_nor_a_leak_is_made_of_a_curve_that_bends_elsewhere()
    {
        // Reads cold in the cold and warm in the warm: no resistor does that.
        Assert.Equal(SensorVerdict.Drifted, Judge(At(-18, -24, -24), At(0, -2, null, true), At(35, 41, null, true)).Verdict);
    }

    [Fact]
    public void A_sensor_of_another_family_is_named_from_two_temperatures()
    {
        var steep = SensorFamilies.Find("ntc-10k-3977")!;
        var result = Judge(new(-20, steep.SignalAt(-20), -27), new(24, steep.SignalAt(24), 24));
        Assert.Equal((SensorVerdict.WrongType, "ntc-10k-3977"), (result.Verdict, result.Other?.Code));
    }

    [Theory]
    [InlineData("ntc-10k-3977")]
    [InlineData("ntc-5k-3977")]
    public void A_right_sensor_read_by_another_curve_is_the_parameters_fault(string selected)
    {
        var wrong = SensorFamilies.Find(selected)!;
        SensorPoint Read(double at) => new(at, Ntc.SignalAt(at), wrong.ValueOf(Ntc.SignalAt(at)));
        var result = Judge(Read(-18), Read(5));
        Assert.Equal((SensorVerdict.WrongCurve, selected), (result.Verdict, result.Other?.Code));
        Assert.False(result.CondemnsSensor);
    }

    [Fact]
    public void An_offset_parameter_explains_what_is_shown_where_it_is_known()
    {
        SensorPoint[] points = [At(-18, -18.1, -15.0)];
        Assert.Equal(SensorVerdict.OffsetParameter, ThreeWayCheck.Judge(Ntc, points, Usual, 3).Verdict);
        var unknown = ThreeWayCheck.Judge(Ntc, points, Usual);
        Assert.Equal((SensorVerdict.ControllerSide, "offset-parameter"), (unknown.Verdict, unknown.WouldSettle[0]));
        Assert.Equal(SensorVerdict.ControllerSide, Judge(At(-18, -18.1, 7)).Verdict);
    }

    [Fact]
    public void An_input_that_is_off_names_no_curve_from_one_temperature()
    {
        var other = SensorFamilies.Find("ntc-5k-3977")!;
        var result = Judge(new SensorPoint(-18, Ntc.SignalAt(-18), other.ValueOf(Ntc.SignalAt(-18))));
        Assert.Equal((SensorVerdict.ControllerSide, null), (result.Verdict, result.Other));
        Assert.Contains(other, result.AlsoFits);
        Assert.Contains("warm-bath", result.WouldSettle);
    }

    [Fact]
    public void Ohms_that_agree_with_neither_while_thermometer_and_controller_agree_are_measured_again()
    {
        var result = Judge(At(4, 9, 4.2));
        Assert.Equal((SensorVerdict.Unsettled, "signal"), (result.Verdict, Assert.Single(result.WouldSettle)));
    }

    [Fact]
    public void Warm_at_one_look_and_cold_at_another_is_unsteady()
    {
        Assert.Equal(SensorVerdict.Unsteady, Judge(new(3, null, -1), new(3.5, null, 7.5)).Verdict);
        Assert.Equal(SensorVerdict.Unsteady, Judge(At(3, -1, -1), At(3.5, 7.5, 7.5)).Verdict);
        // In the cold and in the warm it may be a curve that bends.
        Assert.NotEqual(SensorVerdict.Unsteady, Judge(At(-20, -25, -25), At(20, 25, 25)).Verdict);
    }

    [Fact]
    public void Off_once_and_right_another_time_without_ohms_is_not_good()
    {
        var result = Judge(new(-1.5, null, 4.5), new(4.6, null, 4.3));
        Assert.Equal((SensorVerdict.Unsettled, "signal"), (result.Verdict, Assert.Single(result.WouldSettle)));
    }

    [Theory]
    [InlineData("ntc-10k-3435", "pt1000", -18)]
    [InlineData("ptc-1k", "ntc-5k-3977", 22)]
    [InlineData("pt1000", "ptc-1k", -18)]
    public void A_sensor_far_off_its_own_curve_is_held_against_the_others(string set, string real, double at)
    {
        var result = ThreeWayCheck.Judge(
            SensorFamilies.Find(set)!, [new(at, SensorFamilies.Find(real)!.SignalAt(at), null)], Usual, 0);
        Assert.Equal((SensorVerdict.WrongType, real), (result.Verdict, result.Other?.Code));
    }

    [Fact]
    public void A_leak_that_an_ice_bath_cannot_show_is_not_called_misplaced()
    {
        var leaking = new BesideCurve(Ntc, 1_000_000, IsInSeries: false);
        var result = Judge(new(-27, leaking.SignalAt(-27), null), new(0, leaking.SignalAt(0), null, InBath: true));
        Assert.Equal((SensorVerdict.SensorOrPlace, "cold-bath"), (result.Verdict, Assert.Single(result.WouldSettle)));
    }

    [Fact]
    public void A_beta_alone_condemns_nothing_in_the_cold()
    {
        // A real 10 kΩ material whose beta is 3380 from 25 to 50 °C and 3435 from 25 to 85 °C: 43 kΩ at -10 °C, 89 kΩ at -25 °C.
        var result = ThreeWayCheck.Judge(new BetaCurve("own-beta", 10_000, 3435), [new(-25, 85_000, -25.4)], Usual, 0);
        Assert.False(result.IsFault);
    }

    [Theory]
    [InlineData(double.PositiveInfinity, SensorVerdict.Open, double.NegativeInfinity)]
    [InlineData(4e6, SensorVerdict.Open, double.NegativeInfinity)]
    [InlineData(0, SensorVerdict.Shorted, double.PositiveInfinity)]
    [InlineData(12, SensorVerdict.Shorted, double.PositiveInfinity)]
    public void Open_reads_coldest_on_a_falling_curve_and_short_warmest(double ohm, SensorVerdict verdict, double error)
    {
        var result = Judge(new SensorPoint(-18, ohm, null));
        Assert.Equal((verdict, error), (result.Verdict, result.Error));
        Assert.True(result.CondemnsSensor);
    }

    [Fact]
    public void A_rising_sensor_reads_warmest_when_open() =>
        Assert.Equal(
            double.PositiveInfinity,
            ThreeWayCheck.Judge(SensorFamilies.Find("pt1000")!, [new(-18, double.PositiveInfinity, null)], Usual).Error);

    [Fact]
    public void A_current_loop_that_is_dead_or_over_its_end_is_open_or_short()
    {
        var item =
            new CurveSpec(Points: [new(4, 0), new(20, 3000)], Signal: SignalKind.Milliampere, Measures: QuantityKind.Pressure).Curve!;
        Assert.Equal(SensorVerdict.Open, ThreeWayCheck.Judge(item, [new(500, 0, null)], Usual).Verdict);
        Assert.Equal(SensorVerdict.Shorted, ThreeWayCheck.Judge(item, [new(500, 24, null)], Usual).Verdict);
        Assert.Equal(SensorVerdict.Good, ThreeWayCheck.Judge(item, [new(500, item.SignalAt(510), 512)], Usual).Verdict);
    }

    [Fact]
    public void What_is_missing_is_asked_for()
    {
        Assert.Equal(["signal"], Judge(new SensorPoint(-18, null, -10)).WouldSettle);
        Assert.Equal(SensorVerdict.Good, Judge(new SensorPoint(-18, null, -18.4)).Verdict);
        Assert.Contains("reference", Judge(new SensorPoint(null, null, -10)).WouldSettle);
        Assert.Equal(["shown"], Judge(At(-18, -18, null)).WouldSettle);
    }

    [Theory]
    [InlineData(27.28, 0.2, 0.1, SensorSlip.KiloohmForOhm)]
    [InlineData(27_280_000, 0.2, 0.1, SensorSlip.OhmForKiloohm)]
    [InlineData(27_280, 32.2, 0.1, SensorSlip.FahrenheitReference)]
    [InlineData(0.2, 27_280, 0.1, SensorSlip.SwappedColumns)]
    [InlineData(27_280, 0.1, 32.4, SensorSlip.FahrenheitShown)]
    public void The_likeliest_slip_is_named(double ohm, double reference, double shown, SensorSlip slip) =>
        Assert.Equal(slip, SensorSlips.Find(Ntc, new(reference, ohm, shown)));

    [Theory]
    [InlineData(27_280, 0.4, 0.2)]
    [InlineData(27_280, 6, 0.2)]
    [InlineData(27_280, -9, -8)]
    public void A_fault_is_no_slip(double ohm, double reference, double shown) =>
        Assert.Null(SensorSlips.Find(Ntc, new(reference, ohm, shown)));

    [Theory]
    [InlineData(SensorRole.DefrostEnd, 5, SensorConsequence.EndsDefrostEarly)]
    [InlineData(SensorRole.DefrostEnd, -5, SensorConsequence.DefrostToLimit)]
    [InlineData(SensorRole.Box, 5, SensorConsequence.Overcools)]
    [InlineData(SensorRole.Box, double.NegativeInfinity, SensorConsequence.RunsWarm)]
    [InlineData(SensorRole.SuctionLine, 3, SensorConsequence.ValveOpens)]
    [InlineData(SensorRole.SuctionPressure, 30, SensorConsequence.ValveCloses)]
    [InlineData(SensorRole.Condensing, -4, SensorConsequence.FansTooLate)]
    [InlineData(SensorRole.Product, -4, SensorConsequence.RecordsWrong)]
    public void What_an_error_does_to_the_unit(SensorRole role, double error, SensorConsequence consequence) =>
        Assert.Equal(consequence, SensorConsequences.Of(role, error));

    [Fact]
    public void A_wetted_set_goes_whole_where_the_shop_says_so()
    {
        var open = Judge(new SensorPoint(-18, double.PositiveInfinity, null));
        Assert.Contains(SensorStep.ReplaceWettedSet, SensorSteps.For(open, false, isWet: true, wholeSet: true));
        Assert.Contains(SensorStep.ReplaceSensor, SensorSteps.For(open, false, isWet: true, wholeSet: false));
        Assert.Contains(SensorStep.ReplaceSensor, SensorSteps.For(open, false, isWet: false, wholeSet: true));
    }

    [Theory]
    [InlineData(6, ResponseVerdict.Quick)]
    [InlineData(30, ResponseVerdict.Quick)]
    [InlineData(120, ResponseVerdict.Slow)]
    public void The_time_constant_is_found_again(double tau, ResponseVerdict verdict)
    {
        var samples = Enumerable.Range(1, 8).Select(i => (i * 10.0, 34 + (2 - 34) * Math.Exp(-i * 10 / tau) + (i % 2 == 0 ? 0.1 : -0.1)))
            .ToList();
        var response = ResponseTest.Judge(samples, 2, 34);
        Assert.Equal(verdict, response.Verdict);
        if (tau > 10)
            Assert.Equal(tau, response.TimeConstantS!.Value, tau * 0.1);
    }

    [Fact]
    public void A_sensor_that_stays_where_it_was_is_dead()
    {
        Assert.Equal(ResponseVerdict.Dead, ResponseTest.Judge([(30, 2.1), (90, 2.2)], 2, 34).Verdict);
        Assert.Equal(ResponseVerdict.TooFew, ResponseTest.Judge([(10, 2.1), (20, 2.2)], 2, 34).Verdict);
        Assert.Equal(ResponseVerdict.TooFew, ResponseTest.Judge([(10, 2.1), (90, 2.2)], 2, 5).Verdict);
    }
}
