namespace KeenEmber.Core.Benches.Electrical;

/// <summary>What start relays and protectors say.</summary>
/// <remarks>Source: trade practice.</remarks>
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

    /// <summary>Until suction and head are equal through a capillary tube, where nobody watched, min.</summary>
    private const double SettlesMin = 2;

    /// <summary>Open as it hangs, closed upside down.</summary>
    internal static PartResult CurrentRelay(double upright, double inverted)
    {
        if (double.IsNaN(upright) || double.IsNaN(inverted))
            return new(PartVerdict.CannotTell);
        if (upright < ClosedOhm)
            return new(PartVerdict.Shorted, upright);
        return inverted < ClosedOhm ? new(PartVerdict.Sound, inverted) : new(PartVerdict.Open);
    }

    /// <summary>Closed at rest, with a coil of some kΩ; it pulls in and falls back where it is marked to.</summary>
    internal static PartResult PotentialRelay(PartTest test)
    {
        var (contact, coil) = (test.Read("contactOhms"), test.Read("coilOhms"));
        if (contact >= ClosedOhm || double.IsPositiveInfinity(coil))
            return new(PartVerdict.Open);
        if (coil < LeastPotentialCoilOhm)
            return new(PartVerdict.Shorted, coil, LeastPotentialCoilOhm);
        var (low, high, pickUp) = (test.Marked("pickUpLow"), test.Marked("pickUpHigh"), test.Read("pickUp"));
        if (pickUp < low)
            return new(PartVerdict.Low, pickUp, low, high);
        if (pickUp > high)
            return new(PartVerdict.High, pickUp, low, high);
        if (test.Read("dropOut") > test.Marked("dropOut"))
            return new(PartVerdict.High, test.Read("dropOut"), null, test.Marked("dropOut"));
        return double.IsNaN(contact) || double.IsNaN(coil) ? new(PartVerdict.CannotTell)
            : new(PartVerdict.Sound, coil, LeastPotentialCoilOhm);
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

    /// <summary>One that closes before suction and head are equal starts the compressor against them, and trips again.</summary>
    internal static PartResult Overload(PartTest test)
    {
        var (ohms, reset, settles) = (test.Read("ohms"), test.Read("resetMin"), test.Read("settleMin", SettlesMin));
        if (ohms >= ClosedOhm)
            return new(test.Read("shellC", 0) >= HotShellC ? PartVerdict.ProtectorOpen : PartVerdict.Open);
        if (reset < settles)
            return new(PartVerdict.TooSoon, reset, settles);
        if (double.IsNaN(ohms))
            return reset >= settles ? new(PartVerdict.Sound, reset, settles) : new(PartVerdict.CannotTell);
        return new(PartVerdict.Sound, ohms, null, ClosedOhm);
    }
}
