namespace KeenEmber.Core.Benches.Electrical;

/// <summary>A fan motor with its blade, by its plate and a tape measure; what is not known is null or empty.</summary>
/// <param name="Volts">V.</param>
/// <param name="Hertz">Hz.</param>
/// <param name="Phases">1 or 3.</param>
/// <param name="Watts">Out, at the shaft, W.</param>
/// <param name="Rpm">rpm.</param>
/// <param name="Rotation">"cw", "ccw" or "both", seen from the shaft's end.</param>
/// <param name="ShaftMm">Diameter, mm.</param>
/// <param name="ShaftLengthMm">mm.</param>
/// <param name="Mount">In a word, as both plates have it.</param>
/// <param name="StackMm">Height of the whole motor, mm.</param>
/// <param name="BladeMm">Diameter of the blade that will turn on it, mm.</param>
/// <param name="PitchDeg">Of the blade, degrees.</param>
/// <param name="Enclosure">"open", "drip" or "sealed".</param>
/// <param name="LeadMm">Length of its leads, mm.</param>
/// <param name="Connector">In a word.</param>
public sealed record MotorPlate(
    double? Volts = null, double? Hertz = null, double? Phases = null, double? Watts = null, double? Rpm = null, string Rotation = "",
    double? ShaftMm = null, double? ShaftLengthMm = null, string Mount = "", double? StackMm = null, double? BladeMm = null,
    double? PitchDeg = null, string Enclosure = "", double? LeadMm = null, string Connector = "");

/// <summary>A line in which a candidate is compared with what is needed.</summary>
public enum MotorLine
{
    /// <summary>Voltage.</summary>
    Volts,

    /// <summary>Frequency.</summary>
    Hertz,

    /// <summary>Phases.</summary>
    Phases,

    /// <summary>Power that the blade takes at the candidate's speed.</summary>
    Watts,

    /// <summary>Speed.</summary>
    Rpm,

    /// <summary>Sense of rotation.</summary>
    Rotation,

    /// <summary>Diameter of the shaft.</summary>
    Shaft,

    /// <summary>Length of the shaft.</summary>
    ShaftLength,

    /// <summary>Mount.</summary>
    Mount,

    /// <summary>Height of the motor.</summary>
    Stack,

    /// <summary>Pitch of the blade.</summary>
    Pitch,

    /// <summary>Enclosure.</summary>
    Enclosure,

    /// <summary>Length of the leads.</summary>
    Leads,

    /// <summary>Connector.</summary>
    Connector,
}

/// <summary>How a candidate does in one line.</summary>
public enum MotorFit
{
    /// <summary>It fits.</summary>
    Passes,

    /// <summary>It can be made to fit.</summary>
    Near,

    /// <summary>It must not go in.</summary>
    Fails,
}

/// <summary>One line of a comparison.</summary>
/// <param name="Needs">A number or a word.</param>
/// <param name="Gives">The same of the candidate.</param>
public sealed record MotorComparison(MotorLine Line, string Needs, string Gives, MotorFit Fit);

/// <summary>Whether a fan motor may stand in for another one.</summary>
/// <remarks>Source: the fan laws, power with the cube of speed and the fifth power of diameter; tolerances trade practice.</remarks>
public static class MotorMatch
{
    private const double VoltsShare = 0.1, RpmPasses = 0.03, RpmNear = 0.1, ShaftMm = 0.1, EnoughPower = 0.98, MostPower = 2,
        LengthMm = 3, StackNearMm = 10, PitchDeg = 3;

    private static readonly string[] Enclosures = ["open", "drip", "sealed"];

    /// <summary>Power a blade takes at another speed or diameter, W.</summary>
    public static double PowerAt(double watts, double rpm, double bladeMm, double newRpm, double newBladeMm) =>
        watts * Math.Pow(newRpm / rpm, 3) * Math.Pow(newBladeMm / bladeMm, 5);

    /// <returns>A line for each thing that is known of both.</returns>
    public static IReadOnlyList<MotorComparison> Compare(MotorPlate old, MotorPlate candidate) =>
    [
        .. new[]
        {
            Numbers(MotorLine.Volts, old.Volts, candidate.Volts, (n, g) => Within(n, g, VoltsShare, VoltsShare)),
            Numbers(MotorLine.Hertz, old.Hertz, candidate.Hertz, Same),
            Numbers(MotorLine.Phases, old.Phases, candidate.Phases, Same),
            Numbers(MotorLine.Watts, Needed(old, candidate), candidate.Watts, (n, g) => 
                Graded(g, n * EnoughPower, n * MostPower, below: MotorFit.Fails)),
            Numbers(MotorLine.Rpm, old.Rpm, candidate.Rpm, (n, g) => Within(n, g, RpmPasses, RpmNear)),
            Words(MotorLine.Rotation, old.Rotation, candidate.Rotation, (n, g) => g == "both" || n == g || n == "both"
                ? MotorFit.Passes : MotorFit.Fails),
            Numbers(MotorLine.Shaft, old.ShaftMm, candidate.ShaftMm, (n, g) =>
                Graded(g, n - ShaftMm, n + ShaftMm, above: MotorFit.Fails)),
            Numbers(MotorLine.ShaftLength, old.ShaftLengthMm, candidate.ShaftLengthMm, (n, g) =>
                Graded(g, n - LengthMm, n + LengthMm, below: MotorFit.Fails)),
            Words(MotorLine.Mount, old.Mount, candidate.Mount, (n, g) => n == g ? MotorFit.Passes : MotorFit.Near),
            Numbers(MotorLine.Stack, old.StackMm, candidate.StackMm, (n, g) => g > n + StackNearMm ? MotorFit.Fails
                : Graded(g, 0, n + LengthMm)),
            Numbers(MotorLine.Pitch, old.PitchDeg, candidate.PitchDeg, (n, g) => Math.Abs(n - g) <= PitchDeg ? MotorFit.Passes
                : MotorFit.Near),
            Words(MotorLine.Enclosure, old.Enclosure, candidate.Enclosure, (n, g) =>
                Array.IndexOf(Enclosures, g) >= Array.IndexOf(Enclosures, n) ? MotorFit.Passes : MotorFit.Fails),
            Numbers(MotorLine.Leads, old.LeadMm, candidate.LeadMm, (n, g) => g >= n ? MotorFit.Passes : MotorFit.Near),
            Words(MotorLine.Connector, old.Connector, candidate.Connector, (n, g) => n == g ? MotorFit.Passes : MotorFit.Near),
        }.OfType<MotorComparison>(),
    ];

    /// <summary>What the blade takes on the candidate: its own speed, and its own blade where it comes with one.</summary>
    private static double? Needed(MotorPlate old, MotorPlate candidate)
    {
        if (old.Watts is not { } watts)
            return null;
        var (rpm, blade) = (old.Rpm ?? 1, old.BladeMm ?? 1);
        return PowerAt(watts, rpm, blade, old.Rpm is null ? rpm : candidate.Rpm ?? rpm,
            old.BladeMm is null ? blade : candidate.BladeMm ?? blade);
    }

    private static MotorFit Graded(
        double gives, double low, double high, MotorFit below = MotorFit.Near, MotorFit above = MotorFit.Near)
    {
        if (gives < low)
            return below;
        return gives > high ? above : MotorFit.Passes;
    }

    private static MotorFit Same(double needs, double gives) => Math.Abs(needs - gives) < 0.5 ? MotorFit.Passes : MotorFit.Fails;

    private static MotorFit Within(double needs, double gives, double passes, double near)
    {
        var off = Math.Abs(gives / needs - 1);
        if (off <= passes)
            return MotorFit.Passes;
        return off <= near ? MotorFit.Near : MotorFit.Fails;
    }

    private static MotorComparison? Numbers(MotorLine line, double? needs, double? gives, Func<double, double, MotorFit> fit) =>
        needs is { } n and > 0 && gives is { } g ? new(line, Said(n), Said(g), fit(n, g)) : null;

    private static string Said(double number) =>
        Math.Round(number, number < 20 ? 1 : 0).ToString(System.Globalization.CultureInfo.InvariantCulture);

    private static MotorComparison? Words(MotorLine line, string needs, string gives, Func<string, string, MotorFit> fit)
    {
        var (n, g) = (needs.Trim().ToLowerInvariant(), gives.Trim().ToLowerInvariant());
        return n.Length > 0 && g.Length > 0 ? new(line, n, g, fit(n, g)) : null;
    }
}

/// <summary>Capacitors from the van that together come near one that is needed.</summary>
public static class CapacitorStandIn
{
    /// <summary>More than three are not wired together.</summary>
    private const int Most = 6;

    /// <summary>The best of one alone, two in parallel and two in series.</summary>
    /// <param name="needed">µF, above 0.</param>
    /// <param name="stock">What is there, µF; the first six count.</param>
    /// <returns>What is joined and what it comes to, µF; null where nothing is there.</returns>
    public static (IReadOnlyList<double> Parts, bool InSeries, double Microfarad)? Best(double needed, IReadOnlyList<double> stock)
    {
        var there = stock.Where(c => c > 0).Take(Most).ToList();
        var singles = there.Select(c => (Parts: (IReadOnlyList<double>)[c], InSeries: false, Value: c));
        var pairs = there.SelectMany((a, i) => there.Skip(i + 1).SelectMany(b => new[]
        {
            (Parts: (IReadOnlyList<double>)[a, b], InSeries: false, Value: a + b),
            (Parts: (IReadOnlyList<double>)[a, b], InSeries: true, Value: a * b / (a + b)),
        }));
        return singles.Concat(pairs).OrderBy(c => Math.Abs(c.Value - needed)).Select(c =>
            ((IReadOnlyList<double> Parts, bool InSeries, double Microfarad)?)(c.Parts, c.InSeries, c.Value)).FirstOrDefault();
    }
}
