namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What the current of a compressor says, by its plate and by what suction and head ask of it.</summary>
/// <remarks>Sources: a rotor that is held draws four to six times the rated current (NEMA MG 1, letter codes). Work of compression: mass
/// taken in, which follows suction pressure and the volume left beside the clearance, times the lift over the absolute evaporating
/// temperature; saturation pressure by Clausius and Clapeyron with Trouton's rule, which the refrigerants in use keep within a tenth. The
/// shares are trade practice: an estimate, so its band is wide.</remarks>
public static class CompressorAmps
{
    /// <summary>Of the nameplate: more is too much, less is too little for a compressor that pumps, and this much is a held
    /// rotor.</summary>
    private const double AmpsOver = 1.1, AmpsUnder = 0.4, HeldTimes = 3, HeldShare = 0.7;

    /// <summary>What it draws of its plate where it is chosen for, and what of that it draws without any work.</summary>
    private const double AtDesign = 0.7, Idle = 0.3;

    /// <summary>How far the estimate is good, as a share.</summary>
    private const double GoodTo = 0.3;

    /// <summary>The work it is chosen for: so far below its box, at this condensing temperature.</summary>
    private const double DesignTdK = 7, DesignCondensingC = 45;

    /// <summary>Heat of vaporisation over the gas constant, K; clearance, as a share of the displacement; exponent of
    /// expansion.</summary>
    private const double SlopeK = 2400, Clearance = 0.04, Expansion = 1.1;

    private const double ZeroC = 273.15;

    /// <summary>Share of the plate's current that a sound compressor draws.</summary>
    /// <param name="evaporatingC">It runs at; -60 to 25 °C.</param>
    /// <param name="condensingC">It runs at; above evaporating, up to 75 °C.</param>
    /// <param name="boxC">Target of the box it is chosen for; where that is not known the present evaporating counts as its own.</param>
    /// <returns>NaN outside these ranges.</returns>
    public static double Plausible(double evaporatingC, double condensingC, double boxC = double.NaN)
    {
        if (!(evaporatingC is >= -60 and <= 25 && condensingC > evaporatingC && condensingC <= 75))
            return double.NaN;
        var design = double.IsNaN(boxC) ? evaporatingC : boxC - DesignTdK;
        return AtDesign * (Idle + (1 - Idle) * Work(evaporatingC, condensingC) / Work(design, DesignCondensingC));
    }

    /// <summary>Work in a second, in no unit: only shares of it count.</summary>
    private static double Work(double evaporatingC, double condensingC)
    {
        var (low, high) = (evaporatingC + ZeroC, condensingC + ZeroC);
        var ratio = Pressure(high) / Pressure(low);
        var filled = Math.Max(0, 1 - Clearance * (Math.Pow(ratio, 1 / Expansion) - 1));
        return Pressure(low) / low * filled * (high - low) / low;
    }

    /// <summary>Of saturation, against that at 0 °C.</summary>
    private static double Pressure(double kelvin) => Math.Exp(SlopeK * (1 / ZeroC - 1 / kelvin));

    internal static PartResult Judge(PartTest test)
    {
        var (amps, plate, locked) = (test.Read("amps"), test.Marked("amps"), test.Marked("lockedAmps"));
        if (!(amps >= 0 && plate > 0))
            return new(PartVerdict.CannotTell);
        var asked = Plausible(test.Read("evaporatingC"), test.Read("condensingC"), test.Marked("boxC"));
        var isKnown = !double.IsNaN(asked);
        var (low, high) = isKnown ? (plate * asked * (1 - GoodTo), plate * Math.Min(AmpsOver, asked * (1 + GoodTo)))
            : (plate * AmpsUnder, plate * AmpsOver);
        return new(amps switch
        {
            _ when amps >= (locked > 0 ? HeldShare * locked : HeldTimes * plate) => PartVerdict.Locked,
            _ when amps > plate * AmpsOver => PartVerdict.High,
            0 => PartVerdict.Open,
            _ when amps < low => PartVerdict.Low,
            _ when amps > high => PartVerdict.Watch,
            _ => PartVerdict.Sound,
        }, amps, low, high);
    }
}
