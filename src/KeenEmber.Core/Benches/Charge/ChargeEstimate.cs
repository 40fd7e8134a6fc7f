using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What was measured or read of a circuit to say what it should hold, and what it needs for the winter.</summary>
/// <param name="EvaporatorL">Inside of the coil, l.</param>
/// <param name="CondenserL">Inside of the condenser, l.</param>
/// <param name="ReceiverL">Of the receiver, l; 0 without.</param>
/// <param name="LiquidM">Length of the liquid line, m.</param>
/// <param name="LiquidBoreM">Its inside width, m.</param>
/// <param name="SuctionM">Length of the suction line, m.</param>
/// <param name="SuctionBoreM">Its inside width, m.</param>
public sealed record ChargeGeometryEntry(
    EntryHeader Header, double EvaporatorL, double CondenserL, double ReceiverL, double LiquidM, double LiquidBoreM, double SuctionM,
    double SuctionBoreM) : Entry(Header);

/// <summary>What a circuit should hold, kg.</summary>
/// <param name="LowKg">Nineteen of twenty hold more.</param>
/// <param name="HighKg">Nineteen of twenty hold less.</param>
/// <param name="Parts">Where it is, kg.</param>
public sealed record ChargeEstimateResult(double Kg, double LowKg, double HighKg, IReadOnlyList<(CircuitPlace Place, double Kg)> Parts);

/// <summary>Where refrigerant is.</summary>
public enum CircuitPlace
{
    /// <summary>The evaporator.</summary>
    Evaporator,

    /// <summary>The condenser.</summary>
    Condenser,

    /// <summary>The receiver.</summary>
    Receiver,

    /// <summary>The liquid line.</summary>
    LiquidLine,

    /// <summary>The suction line.</summary>
    SuctionLine,
}

/// <summary>What a circuit should hold by its volumes and what they are filled with.</summary>
/// <remarks>
/// Shares of liquid: a dry-expansion evaporator holds liquid in about a quarter of its tubes, an air-cooled condenser in about a fifth (R.
/// C. Downing, and ASHRAE Handbook - Refrigeration, chapter on component balancing), a receiver a fifth to a third while it runs, for its
/// dip tube to stay covered. They are the whole uncertainty: each is good to a third of itself.
/// </remarks>
public static class ChargeEstimate
{
    /// <summary>Share of a volume that is liquid.</summary>
    private const double Evaporator = 0.25, Condenser = 0.20, Receiver = 0.25;

    /// <summary>How far such a share is off in nineteen circuits of twenty.</summary>
    private const double OffBy = 1.0 / 3;

    /// <summary>Condensing above a mild day where nothing was measured.</summary>
    private static readonly Temperature Condensing = Temperature.FromCelsius(38);

    /// <summary>What a unit's coil works at when its box is at target: the middle of its usual difference below it.</summary>
    public static Temperature EvaporatingOf(CircuitMakeUp makeUp, Temperature target) => target - new TemperatureDifference(
        CircuitTargets.Of(makeUp, Load.Settled, target, null).For(ResultKind.EvaporatorTd)!.Value.Middle);

    /// <param name="evaporating">What the coil works at.</param>
    /// <returns>Null where the liquid of this refrigerant has no weight at such temperatures.</returns>
    public static ChargeEstimateResult? Of(ChargeGeometryEntry circuit, Refrigerant fluid, Temperature evaporating)
    {
        if (Densities.Liquid(fluid, evaporating) is not { } cold || Densities.Liquid(fluid, Condensing) is not { } warm
            || fluid.DewPressure(evaporating) is not { } low || fluid.DewPressure(Condensing) is not { } high)
            return null;
        var (thin, dense) = (Densities.Vapour(fluid, evaporating, low), Densities.Vapour(fluid, Condensing, high));
        double Filled(double litres, double share, double liquid, double vapour) => litres * (share * liquid + (1 - share) * vapour);
        (CircuitPlace Place, double Kg, double OffKg)[] parts =
        [
            (CircuitPlace.Evaporator, Filled(circuit.EvaporatorL, Evaporator, cold, thin), circuit.EvaporatorL * Evaporator * cold * OffBy),
            (CircuitPlace.Condenser, Filled(circuit.CondenserL, Condenser, warm, dense), circuit.CondenserL * Condenser * warm * OffBy),
            (CircuitPlace.Receiver, Filled(circuit.ReceiverL, Receiver, warm, dense), circuit.ReceiverL * Receiver * warm * OffBy),
            (CircuitPlace.LiquidLine, Litres(circuit.LiquidM, circuit.LiquidBoreM) * warm, 0),
            (CircuitPlace.SuctionLine, Litres(circuit.SuctionM, circuit.SuctionBoreM) * thin, 0),
        ];
        var sum = parts.Sum(p => p.Kg);
        var off = Math.Sqrt(parts.Sum(p => p.OffKg * p.OffKg));
        return new(sum, Math.Max(0, sum - off), sum + off, [.. parts.Where(p => p.Kg > 0).Select(p => (p.Place, p.Kg))]);
    }

    /// <summary>Of a pipe, l.</summary>
    internal static double Litres(double lengthM, double boreM) => Math.PI / 4 * boreM * boreM * lengthM * 1000;
}
