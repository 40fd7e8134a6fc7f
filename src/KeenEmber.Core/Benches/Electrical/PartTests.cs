namespace KeenEmber.Core.Benches.Electrical;

/// <summary>Judges electrical parts by their numbers.</summary>
/// <remarks>Sources: capacitors IEC 60252-1 and their printed tolerance; insulation IEEE 43 (kV + 1 MΩ at 40 °C, halved for each 10 K);
/// unbalance NEMA MG 1; drops, coils and heaters trade practice.</remarks>
public static class PartTests
{
    /// <summary>Of a run capacitor without a printed one, %.</summary>
    private const double UsualTolerancePercent = 6;

    /// <summary>Below this share of its mark it is as good as open; the last fifth of its tolerance is watched.</summary>
    private const double OpenShare = 0.1, WatchedPart = 0.2;

    private const double ShortOhm = 0.1, UsualHertz = 60;

    /// <summary>Insulation is given at this temperature; it halves for each so many K.</summary>
    private const double InsulationAtC = 40, HalvesK = 10, WatchInsulation = 5;

    /// <summary>Of the mean of three voltages, %.</summary>
    private const double WatchUnbalance = 1, MostUnbalance = 2;

    /// <summary>Of the highest of three voltages.</summary>
    internal const double LostShare = 0.2;

    /// <summary>Across a good fuse, across a blown one, and across a closed pole under load, as shares of the supply.</summary>
    private const double FuseGood = 0.02, FuseBlown = 0.6, MostDrop = 0.02;

    /// <summary>A coil pulls from this share of its volts; its ohms and a heater's lie within this share.</summary>
    private const double CoilVolts = 0.85, OhmsShare = 0.15, HeaterShare = 0.1;

    private const double AmpsOver = 1.1, SpeedUnder = 0.9, TransformerShare = 0.15;

    /// <summary>A shell this warm keeps its protector open, °C.</summary>
    private const double HotShellC = 60;

    /// <summary>A relay's coil passes with less than this, a contact with less still, Ω.</summary>
    private const double ClosedOhm = 1;

    /// <summary>What a test says.</summary>
    public static PartResult Judge(PartTest test) => test.Part switch
    {
        TestedPart.Capacitor => Capacitor(test),
        TestedPart.Windings => MotorWindings.Judge(
            [test.Read("ohms12"), test.Read("ohms23"), test.Read("ohms13")], test.Read("leadOhms", 0)),
        TestedPart.Insulation => Insulation(test),
        TestedPart.ThreePhaseSupply => Supply([test.Read("volts12"), test.Read("volts23"), test.Read("volts13")]),
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
        TestedPart.Coil => Coil(test),
        TestedPart.Heater => Heater(test),
        TestedPart.FanMotor => FanMotor(test),
        TestedPart.Transformer => Within(test.Read("secondaryVolts"),
            test.Marked("secondaryVolts") * test.Read("primaryVolts") / test.Marked("primaryVolts"), TransformerShare),
        TestedPart.CurrentRelay => CurrentRelay(test.Read("ohmsUpright"), test.Read("ohmsInverted")),
        TestedPart.Overload => Overload(test.Read("ohms"), test.Read("shellC", 0)),
        _ => new(PartVerdict.CannotTell),
    };

    private static PartResult Capacitor(PartTest test)
    {
        var measured = test.Read("microfarad",
            test.Read("amps") * 1e6 / (Math.Tau * test.Read("hertz", UsualHertz) * test.Read("volts")));
        var mark = test.Marked("microfarad");
        var tolerance = test.Marked("tolerancePercent", UsualTolerancePercent) / 100;
        var (low, high) = (test.Marked("microfaradLow", mark * (1 - tolerance)), test.Marked("microfaradHigh", mark * (1 + tolerance)));
        if (!(measured >= 0 && low > 0 && high >= low))
            return new(PartVerdict.CannotTell);
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
        var at40 = test.Read("megohm") * Math.Pow(2, (test.Read("windingC", InsulationAtC) - InsulationAtC) / HalvesK);
        var least = 1 + test.Marked("volts") / 1000;
        if (!(at40 >= 0 && least > 1))
            return new(PartVerdict.CannotTell);
        if (at40 < least)
            return new(PartVerdict.Unsafe, at40, least);
        return new(at40 < WatchInsulation * least ? PartVerdict.Watch : PartVerdict.Sound, at40, least);
    }

    /// <summary>Voltages between conductors, two or three of them.</summary>
    internal static PartResult Supply(IReadOnlyList<double> volts)
    {
        if (volts.Any(v => !(v >= 0)) || volts.Max() <= 0)
            return new(PartVerdict.CannotTell);
        var mean = volts.Average();
        var percent = 100 * volts.Max(v => Math.Abs(v - mean)) / mean;
        if (volts.Min() < LostShare * volts.Max())
            return new(PartVerdict.LegLost, percent, null, MostUnbalance);
        return new(percent switch
        {
            > MostUnbalance => PartVerdict.High,
            > WatchUnbalance => PartVerdict.Watch,
            _ => PartVerdict.Sound,
        }, percent, null, MostUnbalance);
    }

    private static PartResult Share(double share, Func<double, PartVerdict> of, double most) =>
        share >= 0 ? new(of(share), 100 * share, null, 100 * most) : new(PartVerdict.CannotTell);

    private static PartResult Coil(PartTest test)
    {
        var ohms = Within(test.Read("ohms"), test.Marked("ohms"), OhmsShare);
        if (ohms.Verdict is not (PartVerdict.Sound or PartVerdict.CannotTell))
            return ohms;
        var (volts, least) = (test.Read("volts"), CoilVolts * test.Marked("volts"));
        return volts >= 0 && least > 0 ? new(volts < least ? PartVerdict.Low : PartVerdict.Sound, volts, least) : ohms;
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
        var (low, high) = (marked * (1 - share), marked * (1 + share));
        return new(measured switch
        {
            _ when measured < ShortOhm && measured < marked / 10 => PartVerdict.Shorted,
            _ when measured < low => PartVerdict.Low,
            _ when measured > high => PartVerdict.High,
            _ => PartVerdict.Sound,
        }, measured, low, high);
    }

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

    /// <summary>Open as it hangs, closed upside down.</summary>
    private static PartResult CurrentRelay(double upright, double inverted)
    {
        if (double.IsNaN(upright) || double.IsNaN(inverted))
            return new(PartVerdict.CannotTell);
        if (upright < ClosedOhm)
            return new(PartVerdict.Shorted, upright);
        return inverted < ClosedOhm ? new(PartVerdict.Sound, inverted) : new(PartVerdict.Open);
    }

    private static PartResult Overload(double ohms, double shellC)
    {
        if (double.IsNaN(ohms))
            return new(PartVerdict.CannotTell);
        if (ohms < ClosedOhm)
            return new(PartVerdict.Sound, ohms, null, ClosedOhm);
        return new(shellC >= HotShellC ? PartVerdict.ProtectorOpen : PartVerdict.Open);
    }
}
