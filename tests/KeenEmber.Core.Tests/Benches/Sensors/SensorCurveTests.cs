using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Sensors;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Sensors;

public sealed class SensorCurveTests
{
    /// <summary>IEC 60751, table of Pt100: Ω at whole temperatures.</summary>
    [Theory]
    [InlineData(-50, 80.31)]
    [InlineData(-40, 84.27)]
    [InlineData(-20, 92.16)]
    [InlineData(0, 100.00)]
    [InlineData(20, 107.79)]
    [InlineData(50, 119.40)]
    [InlineData(100, 138.51)]
    public void Platinum_is_that_of_the_standard(double tempC, double ohm)
    {
        Assert.Equal(ohm, SensorFamilies.Find("pt100")!.SignalAt(tempC), 0.006);
        Assert.Equal(ohm * 10, SensorFamilies.Find("pt1000")!.SignalAt(tempC), 0.06);
        Assert.Equal(tempC, SensorFamilies.Find("pt100")!.ValueOf(ohm)!.Value, 0.02);
    }

    /// <summary>The published tables of the interchangeable kinds, at points that the curve was not made from.</summary>
    [Theory]
    [InlineData("ntc-2252-3977", -30, 39_860)]
    [InlineData("ntc-2252-3977", -20, 21_870)]
    [InlineData("ntc-2252-3977", -10, 12_460)]
    [InlineData("ntc-2252-3977", 10, 4482)]
    [InlineData("ntc-2252-3977", 25, 2252)]
    [InlineData("ntc-2252-3977", 40, 1200)]
    [InlineData("ntc-3k-3977", -10, 16_600)]
    [InlineData("ntc-3k-3977", 25, 3000)]
    [InlineData("ntc-5k-3977", 10, 9951)]
    [InlineData("ntc-5k-3977", 25, 5000)]
    [InlineData("ntc-10k-3977", -20, 97_110)]
    [InlineData("ntc-10k-3977", 25, 10_000)]
    [InlineData("ntc-10k-3977", 50, 3603)]
    [InlineData("ntc-10k-3695", -30, 135_200)]
    [InlineData("ntc-10k-3695", -20, 78_910)]
    [InlineData("ntc-10k-3695", -10, 47_540)]
    [InlineData("ntc-10k-3695", 25, 10_000)]
    [InlineData("ntc-10k-3695", 50, 3893)]
    [InlineData("ntc-10k-3435", -30, 111_300)]
    [InlineData("ntc-10k-3435", -20, 67_770)]
    [InlineData("ntc-10k-3435", -10, 42_470)]
    [InlineData("ntc-10k-3435", 10, 17_960)]
    [InlineData("ntc-10k-3435", 25, 10_000)]
    [InlineData("ntc-10k-3435", 40, 5827)]
    public void An_interchangeable_thermistor_is_within_a_tenth_of_its_own_table(string family, double tempC, double ohm) =>
        Assert.Equal(tempC, SensorFamilies.Find(family)!.ValueOf(ohm)!.Value, 0.1);

    [Theory]
    [InlineData(-30, 624)]
    [InlineData(0, 815)]
    [InlineData(25, 1000)]
    [InlineData(50, 1209)]
    public void The_silicon_sensor_is_within_a_fifth_of_its_table(double tempC, double ohm) =>
        Assert.Equal(tempC, SensorFamilies.Find("ptc-1k")!.ValueOf(ohm)!.Value, 0.2);

    public static TheoryData<string> Families => [.. SensorFamilies.All.Select(f => f.Code)];

    [Theory]
    [MemberData(nameof(Families))]
    public void Every_family_goes_both_ways_over_its_range(string code)
    {
        var curve = SensorFamilies.Find(code)!;
        for (var t = -55.0; t <= 120; t += 2.5)
        {
            Assert.Equal(t, curve.ValueOf(curve.SignalAt(t))!.Value, 1e-6);
            Assert.True(curve.SlopeAt(t) < 0 == curve.IsFalling);
            Assert.InRange(curve.ToleranceAt(t), 0.1, 6);
        }
    }

    [Fact]
    public void Outside_its_range_a_resistance_is_no_temperature() => Check.QuickThrowOnFailure(Prop.ForAll(ArbMap.Default.ArbFor<double>(),
        ohm => SensorFamilies.Find("ntc-10k-3435")!.ValueOf(ohm) is null or (>= SensorCurve.ColdestC and <= SensorCurve.WarmestC)));

    [Fact]
    public void Two_points_of_a_table_make_a_beta_and_three_a_fit_through_all()
    {
        var two = new CurveSpec(Points: [new(27_280, 0), new(10_000, 25)]).Curve!;
        Assert.Equal(0, two.ValueOf(27_280)!.Value, 1e-6);
        Assert.Equal(10_000, two.SignalAt(25), 1e-3);
        var three = new CurveSpec(Points: [new(10_000, 25), new(188_500, -40), new(27_280, 0)]).Curve!;
        Assert.Equal(-20, three.ValueOf(67_770)!.Value, 0.1);
        var rising = new CurveSpec(Points: [new(815, 0), new(1000, 25), new(1209, 50)]).Curve!;
        Assert.Equal(-10, rising.ValueOf(747)!.Value, 0.5);
        Assert.False(rising.IsFalling);
    }

    [Theory]
    [InlineData(32_700, 0, "ntc-10k-3977")]
    [InlineData(27_300, 0, "ntc-10k-3435")]
    [InlineData(1000, 0, "pt1000")]
    [InlineData(5000, 25, "ntc-5k-3977")]
    public void One_resistance_that_somebody_knows_names_the_kind(double ohm, double tempC, string kind) =>
        Assert.Equal(kind, Assert.Single(SensorFamilies.Through(new(ohm, tempC))).Code);

    [Fact]
    public void Ten_kiloohms_at_25_degrees_fit_several_kinds() =>
        Assert.Equal(["ntc-10k-3977", "ntc-10k-3695", "ntc-10k-3435"], SensorFamilies.Through(new(10_000, 25)).Select(c => c.Code));

    [Fact]
    public void Points_that_run_no_one_way_make_no_curve()
    {
        Assert.Null(new CurveSpec(Points: [new(10_000, 25), new(9000, 0), new(20_000, -10)]).Curve);
        Assert.Null(new CurveSpec(Points: [new(10_000, 25), new(27_280, 25)]).Curve);
        Assert.Null(new CurveSpec(Points: [new(0, 25), new(27_280, 0)]).Curve);
        Assert.Null(new CurveSpec(Family: "no such").Curve);
        Assert.Null(new CurveSpec().Curve);
    }

    [Fact]
    public void A_transducer_reads_straight_between_its_ends()
    {
        var current =
            new CurveSpec(Points: [new(4, -100), new(20, 3000)], Signal: SignalKind.Milliampere, Measures: QuantityKind.Pressure).Curve!;
        Assert.Equal(1450, current.ValueOf(12)!.Value, 1e-9);
        Assert.Equal(12, current.SignalAt(1450), 1e-9);
        Assert.Null(current.ValueOf(2));
        var ratio = new CurveSpec(Points: [new(0.1, 0), new(0.9, 1000)], Signal: SignalKind.Ratio, Measures: QuantityKind.Pressure).Curve!;
        Assert.Equal(500, ratio.ValueOf(0.5)!.Value, 1e-9);
    }

    [Fact]
    public void Leads_and_the_meters_own_current_come_to_kelvins()
    {
        var pt100 = SensorFamilies.Find("pt100")!;
        // 0.5 Ω of leads on 0.39 Ω/K.
        Assert.Equal(1.28, pt100.InstrumentErrorAt(0, 0, 0.5), 0.02);
        // (0.5 mA)² × 27.28 kΩ = 6.8 mW over 2 mW/K.
        Assert.Equal(3.41, SensorFamilies.Find("ntc-10k-3435")!.SelfHeatingAt(0, 0.5, 2), 0.02);
        Assert.True(SensorFamilies.Find("ntc-10k-3435")!.InstrumentErrorAt(0, 0.01, 0.5) < 0.3);
    }

    [Fact]
    public void Platinum_class_B_and_one_per_cent_thermistors_have_their_tolerances()
    {
        Assert.Equal(0.4, SensorFamilies.Find("pt100")!.ToleranceAt(-20), 1e-9);
        // At 25 °C beta does not matter: 1 % over 3435/298.15² per K.
        Assert.Equal(0.26, new BetaCurve("x", 10_000, 3435).ToleranceAt(25), 0.005);
        Assert.True(new BetaCurve("x", 10_000, 3435).ToleranceAt(-30) > 0.5);
    }
}
