namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Judges electrical parts by their numbers.</summary>
/// <remarks>Sources: capacitors IEC 60252-1 and their printed tolerance; insulation IEEE 43 (kV + 1 MΩ at 40 °C, halved for each 10 K);
/// drops, coils and heaters trade practice. Supplies: <see cref="SupplyTests"/>; relays and protectors:
/// <see cref="StartPartTests"/>; pins: <see cref="MotorWindings"/>; compressors: <see cref="CompressorAmps"/>.</remarks>
public static class PartTests
{
    /// <summary>Of a run capacitor without a printed one, %.</summary>
    private const double UsualTolerancePercent = 6;

    /// <summary>Below this share of its mark it is as good as open; the last fifth of its tolerance is watched.</summary>
    private const double OpenShare = 0.1, WatchedPart = 0.2;

    private const double ShortOhm = 0.1;

    /// <summary>Insulation is given at this temperature; it halves for each so many K.</summary>
    private const double InsulationAtC = 40, HalvesK = 10, WatchInsulation = 5;

    /// <summary>Of a winding nobody took the temperature of, °C: as cold as it may well be.</summary>
    private const double ColdWindingC = 20;

    /// <summary>Across a good fuse, across a blown one, and across a closed pole under load, as shares of the supply.</summary>
    private const double FuseGood = 0.02, FuseBlown = 0.6, MostDrop = 0.02;

    /// <summary>A coil pulls from this share of its volts; its ohms and a heater's lie within this share.</summary>
    private const double CoilVolts = 0.85, OhmsShare = 0.15, HeaterShare = 0.1;

    private const double AmpsOver = 1.1, SpeedUnder = 0.9, TransformerShare = 0.15;

    /// <summary>An ohmmeter's battery tests no insulation, V.</summary>
    private const double LeastTestVolts = 250;

    /// <summary>A number this near to a thousand times its mark, or a thousandth of it, was read in another unit, as a share.</summary>
    private const double SlipShare = 0.4;

    /// <summary>What a test says.</summary>
    public static PartResult Judge(PartTest test) => test.Part switch
    {
        TestedPart.Capacitor => Capacitor(test),
        TestedPart.Windings => MotorWindings.Judge(
            [test.Read("ohms12"), test.Read("ohms23"), test.Read("ohms13")], test.Read("leadOhms", 0)),
        TestedPart.Insulation => Insulation(test),
        TestedPart.ThreePhaseSupply => SupplyTests.ThreePhase(test),
        TestedPart.SinglePhaseSupply => SupplyTests.SinglePhase(test),
        TestedPart.PhaseOrder => new(SupplyTests.Order(test.Read("order"))),
        TestedPart.SplitPhaseSupply => SupplyTests.SplitPhase(test.Read("volts12"), test.Read("volts1N"), test.Read("volts2N")),
        TestedPart.Fuse => Share(test.Read("voltsAcross") / test.Marked("volts"), s => s switch
        {
            <= FuseGood => PartVerdict.Sound,
            >= FuseBlown => PartVerdict.Open,
            _ => PartVerdict.Watch,
        }, FuseGood),
        TestedPart.ContactorPole => test.Read("amps", 1) <= 0 ? new(PartVerdict.CannotTell)
            : Share(test.Read("voltsAcross") / test.Marked("volts"), s => s switch
            {
                > FuseBlown => PartVerdict.Open,
                > MostDrop => PartVerdict.High,
                _ => PartVerdict.Sound,
            }, MostDrop),
        TestedPart.Switch => Share(test.Read("voltsAcross") / test.Marked("volts"), s => s switch
        {
            >= FuseBlown => PartVerdict.Open,
            > MostDrop => PartVerdict.High,
            _ => PartVerdict.Sound,
        }, MostDrop),
        TestedPart.Coil => Coil(test),
        TestedPart.Heater => Heater(test),
        TestedPart.FanMotor => FanMotor(test),
        TestedPart.Transformer => Within(test.Read("secondaryVolts"),
            test.Marked("secondaryVolts") * test.Read("primaryVolts") / test.Marked("primaryVolts"), TransformerShare),
        TestedPart.CurrentRelay => StartPartTests.CurrentRelay(test.Read("ohmsUpright"), test.Read("ohmsInverted")),
        TestedPart.PotentialRelay => StartPartTests.PotentialRelay(test),
        TestedPart.SolidStateRelay => StartPartTests.SolidStateRelay(test.Read("ohms"), test.Marked("ohms")),
        TestedPart.Overload => StartPartTests.Overload(test),
        TestedPart.CompressorCurrent => CompressorAmps.Judge(test),
        _ => new(PartVerdict.CannotTell),
    };

    private static PartResult Capacitor(PartTest test)
    {
        var measured = test.Read("microfarad",
            test.Read("amps") * 1e6 / (Math.Tau * test.Read("hertz") * test.Read("volts")));
        var mark = test.Marked("microfarad");
        var tolerance = test.Marked("tolerancePercent", UsualTolerancePercent) / 100;
        var (low, high) = (test.Marked("microfaradLow", mark * (1 - tolerance)), test.Marked("microfaradHigh", mark * (1 + tolerance)));
        if (!(measured >= 0 && low > 0 && high >= low))
            return new(PartVerdict.CannotTell);
        if (measured > low && IsThousandfold(measured, (low + high) / 2))
            return PartResult.Slipped(PartSlip.Thousandfold, measured);
        var verdict = measured switch
        {
            _ when measured < OpenShare * low => PartVerdict.Open,
            _ when measured < low => PartVerdict.Low,
            _ when measured > high => PartVerdict.High,
            _ when measured < low + WatchedPart * (high - low) / 2 => PartVerdict.Watch,
            _ => PartVerdict.Sound,
        };
        return new(verdict, measured, low, high);
    }

    private static PartResult Insulation(PartTest test)
    {
        var at40 = test.Read("megohm") * Math.Pow(2, (test.Read("windingC", ColdWindingC) - InsulationAtC) / HalvesK);
        var least = 1 + test.Marked("volts") / 1000;
        if (!(at40 >= 0 && least > 1))
            return new(PartVerdict.CannotTell);
        if (at40 < least && test.Read("megohm") >= least && double.IsNaN(test.Read("windingC")))
            return PartResult.Slipped(PartSlip.NoWindingTemperature, at40);
        if (at40 < least)
            return new(PartVerdict.Unsafe, at40, least);
        if (test.Read("testVolts", LeastTestVolts) < LeastTestVolts)
            return PartResult.Slipped(PartSlip.NoTestVoltage, at40);
        return new(at40 < WatchInsulation * least ? PartVerdict.Watch : PartVerdict.Sound, at40, least);
    }

    private static PartResult Share(double share, Func<double, PartVerdict> of, double most) =>
        share >= 0 ? new(of(share), 100 * share, null, 100 * most) : new(PartVerdict.CannotTell);

    private static PartResult Coil(PartTest test)
    {
        var ohms = Within(test.Read("ohms"), test.Marked("ohms"), OhmsShare);
        if (ohms.Verdict is not (PartVerdict.Sound or PartVerdict.CannotTell))
            return ohms;
        var (volts, least) = (test.Read("volts"), CoilVolts * test.Marked("volts"));
        return volts >= 0 && least > 0 ? new(volts < least ? PartVerdict.Starved : PartVerdict.Sound, volts, least) : ohms;
    }

    private static PartResult Heater(PartTest test) =>
        Within(test.Read("ohms", test.Read("volts") / test.Read("amps")),
            test.Marked("volts") * test.Marked("volts") / test.Marked("watts"), HeaterShare);

    /// <summary>Resistances and voltages that should be this much, give or take a share.</summary>
    private static PartResult Within(double measured, double marked, double share)
    {
        if (double.IsPositiveInfinity(measured))
            return new(PartVerdict.Open);
        if (!(measured >= 0 && marked > 0 && double.IsFinite(marked)))
            return new(PartVerdict.CannotTell);
        if (IsThousandfold(measured, marked))
            return PartResult.Slipped(PartSlip.Thousandfold, measured);
        var (low, high) = (marked * (1 - share), marked * (1 + share));
        return new(measured switch
        {
            _ when measured < ShortOhm && measured < marked / 10 => PartVerdict.Shorted,
            _ when measured < low => PartVerdict.Low,
            _ when measured > high => PartVerdict.High,
            _ => PartVerdict.Sound,
        }, measured, low, high);
    }

    /// <summary>Nothing that is broken reads just a thousand times its mark.</summary>
    private static bool IsThousandfold(double measured, double marked) => Math.Abs(measured / marked / 1000 - 1) <= SlipShare
        || Math.Abs(measured / marked * 1000 - 1) <= SlipShare;

    private static PartResult FanMotor(PartTest test)
    {
        var (amps, most) = (test.Read("amps"), AmpsOver * test.Marked("amps"));
        if (amps > most)
            return new(PartVerdict.High, amps, null, most);
        var (rpm, least) = (test.Read("rpm"), SpeedUnder * test.Marked("rpm", test.Read("twinRpm")));
        if (rpm < least)
            return new(PartVerdict.Low, rpm, least);
        if (rpm >= least)
            return new(PartVerdict.Sound, rpm, least);
        return amps <= most ? new(PartVerdict.Sound, amps, null, most) : new(PartVerdict.CannotTell);
    }
}
