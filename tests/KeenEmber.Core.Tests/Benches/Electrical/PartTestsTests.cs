using FsCheck;
using FsCheck.Fluent;
using KeenEmber.Core.Benches.Electrical;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>Electrical parts against worked cases, and what must hold for any numbers.</summary>
public sealed class PartTestsTests
{
    private static Dictionary<string, double> Numbers(string text) => text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
        .Select(t => t.Split('=')).ToDictionary(t => t[0], t => t[1] == "open" ? double.PositiveInfinity
            : double.Parse(t[1], System.Globalization.CultureInfo.InvariantCulture));

    private static PartResult Judge(TestedPart part, string plate, string measured) =>
        PartTests.Judge(new(part, Numbers(plate), Numbers(measured)));

    [Theory]
    [InlineData(TestedPart.Capacitor, "microfarad=35", "microfarad=33.5", PartVerdict.Sound)]
    [InlineData(TestedPart.Capacitor, "microfarad=35", "microfarad=33", PartVerdict.Watch)]
    [InlineData(TestedPart.Capacitor, "microfarad=35", "microfarad=31", PartVerdict.Low)]
    [InlineData(TestedPart.Capacitor, "microfarad=35 tolerancePercent=10", "microfarad=32", PartVerdict.Watch)]
    [InlineData(TestedPart.Capacitor, "microfaradLow=88 microfaradHigh=108", "microfarad=96", PartVerdict.Sound)]
    // 2.0 A at 150 V and 60 Hz: 2 / (2π · 60 · 150) = 35.4 µF.
    [InlineData(TestedPart.Capacitor, "microfarad=35", "volts=150 amps=2 hertz=60", PartVerdict.Sound)]
    [InlineData(TestedPart.Capacitor, "microfarad=35", "volts=150 amps=2", PartVerdict.CannotTell)]
    [InlineData(TestedPart.Insulation, "volts=230", "megohm=500 windingC=40", PartVerdict.Sound)]
    [InlineData(TestedPart.Insulation, "volts=230", "megohm=3 windingC=40", PartVerdict.Watch)]
    // 3 MΩ at 20 °C are 0.75 MΩ at 40 °C.
    [InlineData(TestedPart.Insulation, "volts=230", "megohm=3 windingC=20", PartVerdict.Unsafe)]
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=208 volts23=207 volts13=208.5", PartVerdict.Sound)]
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=208 volts23=204 volts13=209", PartVerdict.Watch)]
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=208 volts23=198 volts13=209", PartVerdict.High)]
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=208 volts23=4 volts13=3", PartVerdict.LegLost)]
    [InlineData(TestedPart.Fuse, "volts=208", "voltsAcross=0.3", PartVerdict.Sound)]
    [InlineData(TestedPart.Fuse, "volts=208", "voltsAcross=205", PartVerdict.Open)]
    [InlineData(TestedPart.Fuse, "volts=208", "voltsAcross=60", PartVerdict.Watch)]
    [InlineData(TestedPart.ContactorPole, "volts=208", "voltsAcross=0.8 amps=12", PartVerdict.Sound)]
    [InlineData(TestedPart.ContactorPole, "volts=208", "voltsAcross=9 amps=12", PartVerdict.High)]
    [InlineData(TestedPart.ContactorPole, "volts=208", "voltsAcross=9 amps=0", PartVerdict.CannotTell)]
    [InlineData(TestedPart.Coil, "volts=24 ohms=12", "ohms=12.4 volts=23", PartVerdict.Sound)]
    [InlineData(TestedPart.Coil, "volts=24 ohms=12", "ohms=12.4 volts=17", PartVerdict.Starved)]
    [InlineData(TestedPart.Coil, "ohms=12", "ohms=open", PartVerdict.Open)]
    // 1000 W at 230 V are 52.9 Ω.
    [InlineData(TestedPart.Heater, "watts=1000 volts=230", "ohms=53", PartVerdict.Sound)]
    [InlineData(TestedPart.Heater, "watts=1000 volts=230", "volts=208 amps=3.93", PartVerdict.Sound)]
    [InlineData(TestedPart.Heater, "watts=1000 volts=230", "ohms=106", PartVerdict.High)]
    [InlineData(TestedPart.FanMotor, "amps=0.5 rpm=1550", "amps=0.48 rpm=1520", PartVerdict.Sound)]
    [InlineData(TestedPart.FanMotor, "amps=0.5", "amps=0.5 rpm=1200 twinRpm=1540", PartVerdict.Low)]
    [InlineData(TestedPart.FanMotor, "amps=0.5", "amps=0.7", PartVerdict.High)]
    [InlineData(TestedPart.Transformer, "primaryVolts=208 secondaryVolts=24", "primaryVolts=207 secondaryVolts=25", PartVerdict.Sound)]
    [InlineData(TestedPart.Transformer, "primaryVolts=208 secondaryVolts=24", "primaryVolts=207 secondaryVolts=0", PartVerdict.Shorted)]
    [InlineData(TestedPart.CurrentRelay, "", "ohmsUpright=open ohmsInverted=0.3", PartVerdict.Sound)]
    [InlineData(TestedPart.CurrentRelay, "", "ohmsUpright=0.3 ohmsInverted=0.3", PartVerdict.Shorted)]
    [InlineData(TestedPart.CurrentRelay, "", "ohmsUpright=open ohmsInverted=open", PartVerdict.Open)]
    [InlineData(TestedPart.Overload, "", "ohms=0.2", PartVerdict.Sound)]
    [InlineData(TestedPart.Overload, "", "ohms=open shellC=85", PartVerdict.ProtectorOpen)]
    [InlineData(TestedPart.Overload, "", "ohms=open shellC=25", PartVerdict.Open)]
    [InlineData(TestedPart.Heater, "", "ohms=53", PartVerdict.CannotTell)]
    // Behind a running motor the dead leg of a 208 V supply reads about half against the others: a phantom.
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=208 volts23=118 volts13=95", PartVerdict.LegLost)]
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=208 volts23=120 volts13=207", PartVerdict.CannotTell)]
    [InlineData(TestedPart.SinglePhaseSupply, "volts=230", "volts=231 startVolts=204 runVolts=226", PartVerdict.Sound)]
    [InlineData(TestedPart.SinglePhaseSupply, "volts=230", "volts=231 startVolts=180 runVolts=226", PartVerdict.Low)]
    [InlineData(TestedPart.SinglePhaseSupply, "volts=230", "volts=231 runVolts=201", PartVerdict.Low)]
    [InlineData(TestedPart.SinglePhaseSupply, "volts=230", "volts=256", PartVerdict.High)]
    [InlineData(TestedPart.SinglePhaseSupply, "volts=230", "volts=3", PartVerdict.LegLost)]
    [InlineData(TestedPart.SplitPhaseSupply, "", "volts12=240 volts1N=121 volts2N=119", PartVerdict.Sound)]
    [InlineData(TestedPart.SplitPhaseSupply, "", "volts12=240 volts1N=86 volts2N=154", PartVerdict.NeutralLost)]
    [InlineData(TestedPart.SplitPhaseSupply, "", "volts12=2 volts1N=120 volts2N=1", PartVerdict.LegLost)]
    [InlineData(TestedPart.SplitPhaseSupply, "", "volts12=240 volts1N=120 volts2N=60", PartVerdict.DoesNotAddUp)]
    [InlineData(TestedPart.Switch, "volts=230", "voltsAcross=229", PartVerdict.Open)]
    [InlineData(TestedPart.Switch, "volts=230", "voltsAcross=0.2", PartVerdict.Sound)]
    [InlineData(TestedPart.Switch, "volts=230", "voltsAcross=14", PartVerdict.High)]
    [InlineData(TestedPart.PotentialRelay, "", "contactOhms=0.2 coilOhms=5800", PartVerdict.Sound)]
    [InlineData(TestedPart.PotentialRelay, "", "contactOhms=open coilOhms=5800", PartVerdict.Open)]
    [InlineData(TestedPart.PotentialRelay, "", "contactOhms=0.2 coilOhms=open", PartVerdict.Open)]
    [InlineData(TestedPart.SolidStateRelay, "ohms=5", "ohms=5.6", PartVerdict.Sound)]
    [InlineData(TestedPart.SolidStateRelay, "", "ohms=open", PartVerdict.Open)]
    [InlineData(TestedPart.SolidStateRelay, "", "ohms=0.1", PartVerdict.Shorted)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2", "amps=1.9", PartVerdict.Sound)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2", "amps=0.7", PartVerdict.Low)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2", "amps=2.7", PartVerdict.High)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2 lockedAmps=14", "amps=12", PartVerdict.Locked)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2", "amps=0", PartVerdict.Open)]
    // 54 % of the plate: as it should be where the unit is chosen for, far too little in a warm box, too much for an evacuated one.
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2 boxC=3", "amps=1.2 evaporatingC=-5 condensingC=42", PartVerdict.Sound)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2 boxC=3", "amps=1.2 evaporatingC=8 condensingC=55", PartVerdict.Low)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2 boxC=3", "amps=1.35 evaporatingC=-35 condensingC=30", PartVerdict.Watch)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2 boxC=3", "amps=0.7 evaporatingC=-35 condensingC=30", PartVerdict.Sound)]
    [InlineData(TestedPart.CompressorCurrent, "amps=2.2 boxC=3", "amps=2.6 evaporatingC=8 condensingC=55", PartVerdict.High)]
    [InlineData(TestedPart.PotentialRelay, "pickUpLow=180 pickUpHigh=195 dropOut=120",
        "contactOhms=0.2 coilOhms=5800 pickUp=188 dropOut=90", PartVerdict.Sound)]
    [InlineData(TestedPart.PotentialRelay, "pickUpLow=180 pickUpHigh=195", "pickUp=140", PartVerdict.Low)]
    [InlineData(TestedPart.PotentialRelay, "pickUpLow=180 pickUpHigh=195", "pickUp=230", PartVerdict.High)]
    [InlineData(TestedPart.PotentialRelay, "dropOut=120", "contactOhms=0.2 coilOhms=5800 dropOut=150", PartVerdict.High)]
    [InlineData(TestedPart.PotentialRelay, "", "pickUp=188", PartVerdict.CannotTell)]
    [InlineData(TestedPart.Overload, "", "ohms=0.2 resetMin=1", PartVerdict.TooSoon)]
    [InlineData(TestedPart.Overload, "", "resetMin=4 settleMin=6", PartVerdict.TooSoon)]
    [InlineData(TestedPart.Overload, "", "resetMin=8 settleMin=6", PartVerdict.Sound)]
    [InlineData(TestedPart.Overload, "", "shellC=30", PartVerdict.CannotTell)]
    [InlineData(TestedPart.PhaseOrder, "", "order=1", PartVerdict.Sound)]
    [InlineData(TestedPart.PhaseOrder, "", "order=-1", PartVerdict.Reversed)]
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=0 volts23=0.4 volts13=0", PartVerdict.Dead)]
    public void A_part_is_judged_by_its_plate_and_its_numbers(TestedPart part, string plate, string measured, PartVerdict verdict) =>
        Assert.Equal(verdict, Judge(part, plate, measured).Verdict);

    [Theory]
    [InlineData(TestedPart.Capacitor, "microfarad=5", "microfarad=4900", PartSlip.Thousandfold)]
    [InlineData(TestedPart.Heater, "watts=1000 volts=230", "ohms=52900", PartSlip.Thousandfold)]
    [InlineData(TestedPart.Heater, "watts=1000 volts=230", "ohms=0.053", PartSlip.Thousandfold)]
    [InlineData(TestedPart.Windings, "", "ohms12=7600 ohms23=2100 ohms13=9700", PartSlip.Thousandfold)]
    [InlineData(TestedPart.ThreePhaseSupply, "", "volts12=400 volts23=231 volts13=401", PartSlip.PhaseToNeutral)]
    [InlineData(TestedPart.Insulation, "volts=230", "megohm=40 testVolts=9", PartSlip.NoTestVoltage)]
    // 3 MΩ are enough at 40 °C; at 20 °C they are 0.75 at 40.
    [InlineData(TestedPart.Insulation, "volts=230", "megohm=3 testVolts=500", PartSlip.NoWindingTemperature)]
    public void A_slip_is_asked_about_before_a_part_is_blamed(TestedPart part, string plate, string measured, PartSlip slip)
    {
        var result = Judge(part, plate, measured);
        Assert.Equal((PartVerdict.CannotTell, slip), (result.Verdict, result.Slip));
        Assert.False(result.IsFault);
    }

    /// <summary>A short to earth is one, whatever the tester.</summary>
    [Fact]
    public void A_slip_never_hides_a_short() =>
        Assert.Equal(PartVerdict.Unsafe, Judge(TestedPart.Insulation, "volts=230", "megohm=0.02 testVolts=9").Verdict);

    [Fact]
    public void Every_test_asks_for_numbers_it_knows_and_every_part_has_one_it_can_pass()
    {
        Assert.All(Enum.GetValues<TestedPart>(), t => Assert.Contains(PartFields.Of(t), f => !f.IsPlate));
        Assert.All(Enum.GetValues<KeenEmber.Core.Plant.ComponentKind>().SelectMany(PartFields.TestsOf),
            t => Assert.NotEmpty(PartFields.Of(t)));
        Assert.All(Enum.GetValues<TestedPart>(), t => Assert.Contains(Enum.GetValues<KeenEmber.Core.Plant.ComponentKind>(),
            k => PartFields.TestsOf(k).Contains(t)));
    }

    [Fact]
    public void Pins_are_named_by_their_resistances()
    {
        // Common on pin 2: run 2.1 Ω to pin 3, start 7.6 Ω to pin 1.
        var result = Judge(TestedPart.Windings, "", "ohms12=7.6 ohms23=2.1 ohms13=9.7");
        Assert.Equal(PartVerdict.Sound, result.Verdict);
        Assert.Equal((2, 3, 1), (result.Roles!["common"], result.Roles["run"], result.Roles["start"]));
        Assert.Equal(PartVerdict.ProtectorOpen, Judge(TestedPart.Windings, "", "ohms12=open ohms23=open ohms13=9.7").Verdict);
        Assert.Equal(PartVerdict.DoesNotAddUp, Judge(TestedPart.Windings, "", "ohms12=7.6 ohms23=2.1 ohms13=7.8").Verdict);
        Assert.Equal(PartVerdict.Sound, Judge(TestedPart.Windings, "", "ohms12=3.1 ohms23=3.1 ohms13=3.2").Verdict);
        Assert.Equal(PartVerdict.Sound, Judge(TestedPart.Windings, "", "ohms12=8.1 ohms23=2.6 ohms13=10.2 leadOhms=0.5").Verdict);
    }

    [Fact]
    public void Any_order_of_the_three_pins_gives_the_same_answer() => Prop.ForAll(
        Gen.Choose(5, 80).Select(t => t / 10.0).Two().Where(p => p.Item2 > p.Item1 * 1.5).Zip(Gen.Shuffle(1, 2, 3)).ToArbitrary(), drawn =>
        {
            var ((run, start), pins) = drawn;
            // pins[0] is common, pins[1] run, pins[2] start.
            double Between(int a, int b)
            {
                var ends = new[] { a, b };
                if (!ends.Contains(pins[0]))
                    return run + start;
                return ends.Contains(pins[1]) ? run : start;
            }

            var result = MotorWindings.Judge([Between(1, 2), Between(2, 3), Between(1, 3)], 0);
            return result.Verdict == PartVerdict.Sound && result.Roles!["common"] == pins[0] && result.Roles["run"] == pins[1]
                && result.Roles["start"] == pins[2];
        }).QuickCheckThrowOnFailure();

    [Fact]
    public void A_compressor_is_asked_for_more_the_warmer_it_evaporates_and_condenses()
    {
        // From -24 to -4 °C suction pressure doubles; twice the mass over seven tenths of the lift is a third more work, and what it draws
        // idle does not grow with it. Tables of compressors have 15 to 30 % more current.
        Assert.Equal(0.7, CompressorAmps.Plausible(-4, 45, 3), 0.005);
        Assert.InRange(CompressorAmps.Plausible(-4, 45, 3) / CompressorAmps.Plausible(-24, 45, 3), 1.15, 1.3);
        static double At(double evaporating, double condensing) => CompressorAmps.Plausible(evaporating, condensing, 3);
        Assert.All(Enumerable.Range(-50, 60), t => Assert.True(At(t, 50) > At(t - 1, 50)));
        Assert.All(Enumerable.Range(20, 50), t => Assert.True(At(-10, t + 1) > At(-10, t)));
        Assert.Equal(double.NaN, CompressorAmps.Plausible(-5, -6));
        Assert.Equal(double.NaN, CompressorAmps.Plausible(-70, 40));
    }

    [Fact]
    public void A_capacitor_that_loses_more_is_never_judged_better() => Prop.ForAll(
        Gen.Choose(1, 1200).Select(t => t / 10.0).Two().ToArbitrary(), two =>
        {
            static int Rank(double measured) => Judge(TestedPart.Capacitor, "microfarad=100", FormattableString.Invariant(
                $"microfarad={measured}")).Verdict switch
                {
                    PartVerdict.Open => 0, PartVerdict.Low => 1, PartVerdict.Watch => 2, _ => 3,
                };
            return Rank(Math.Min(two.Item1, two.Item2)) <= Rank(Math.Max(two.Item1, two.Item2));
        }).QuickCheckThrowOnFailure();
}
