namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What start relays, protectors and the current of a compressor say.</summary>
/// <remarks>Source: trade practice; a rotor that is held draws four to six times the rated current.</remarks>
internal static class StartPartTests
{
    /// <summary>A shell this warm keeps its protector open, °C.</summary>
    private const double HotShellC = 60;

    /// <summary>A contact passes with less than this, Ω.</summary>
    private const double ClosedOhm = 1;

    /// <summary>The coil of a potential relay has some kΩ; below this turns are shorted, Ω.</summary>
    private const double LeastPotentialCoilOhm = 500;

    /// <summary>Cold, without a maker's number: below the one shorted, above the other as good as open, Ω.</summary>
    private const double LeastColdOhm = 1, MostColdOhm = 100;

    /// <summary>Of the marked cold resistance.</summary>
    private const double ColdShare = 0.4;

    /// <summary>Of the nameplate: more is too much, less is too little for a compressor that pumps, and this much is a held
    /// rotor.</summary>
    private const double AmpsOver = 1.1, AmpsUnder = 0.4, HeldTimes = 3, HeldShare = 0.7;

    /// <summary>Open as it hangs, closed upside down.</summary>
    internal static PartResult CurrentRelay(double upright, double inverted)
    {
        if (double.IsNaN(upright) || double.IsNaN(inverted))
            return new(PartVerdict.CannotTell);
        if (upright < ClosedOhm)
            return new(PartVerdict.Shorted, upright);
        return inverted < ClosedOhm ? new(PartVerdict.Sound, inverted) : new(PartVerdict.Open);
    }

    /// <summary>Closed at rest, with a coil of some kΩ.</summary>
    internal static PartResult PotentialRelay(double contact, double coil)
    {
        if (double.IsNaN(contact) || double.IsNaN(coil))
            return new(PartVerdict.CannotTell);
        if (contact >= ClosedOhm || double.IsPositiveInfinity(coil))
            return new(PartVerdict.Open);
        return new(coil < LeastPotentialCoilOhm ? PartVerdict.Shorted : PartVerdict.Sound, coil, LeastPotentialCoilOhm);
    }

    internal static PartResult SolidStateRelay(double ohms, double marked)
    {
        if (!(ohms >= 0))
            return new(PartVerdict.CannotTell);
        var (low, high) = marked > 0 ? (marked * (1 - ColdShare), marked * (1 + ColdShare)) : (LeastColdOhm, MostColdOhm);
        if (ohms < low)
            return new(PartVerdict.Shorted, ohms, low, high);
        if (double.IsPositiveInfinity(ohms))
            return new(PartVerdict.Open, null, low, high);
        return new(ohms > high ? PartVerdict.Open : PartVerdict.Sound, ohms, low, high);
    }

    internal static PartResult Overload(double ohms, double shellC)
    {
        if (double.IsNaN(ohms))
            return new(PartVerdict.CannotTell);
        if (ohms < ClosedOhm)
            return new(PartVerdict.Sound, ohms, null, ClosedOhm);
        return new(shellC >= HotShellC ? PartVerdict.ProtectorOpen : PartVerdict.Open);
    }

    internal static PartResult Current(double amps, double plate, double locked)
    {
        if (!(amps >= 0 && plate > 0))
            return new(PartVerdict.CannotTell);
        var (low, high) = (AmpsUnder * plate, AmpsOver * plate);
        return new(amps switch
        {
            _ when amps >= (locked > 0 ? HeldShare * locked : HeldTimes * plate) => PartVerdict.Locked,
            _ when amps > high => PartVerdict.High,
            0 => PartVerdict.Open,
            _ when amps < low => PartVerdict.Low,
            _ => PartVerdict.Sound,
        }, amps, low, high);
    }
}
