using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Simulation;

/// <summary>What was left in a circuit that was opened, and how tight it was closed.</summary>
/// <param name="WaterG">In it, g.</param>
/// <param name="LeakPaPerMin">What comes in from outside, Pa a minute.</param>
public sealed record OpenedCircuit(double WaterG, double LeakPaPerMin);

/// <summary>A circuit on a vacuum pump, in steps of a second: air leaves as the pump takes it, water only as fast as it boils
/// off.</summary>
/// <remarks>Lumped: one volume, one temperature. A pump takes a fixed volume a second down to its own end; water gives off vapour in
/// proportion to what its pressure lacks of saturation (Hertz and Knudsen, much slowed by hose and oil).</remarks>
public sealed class SimulatedVacuum(OpenedCircuit circuit, double roomC)
{
    /// <summary>Of the circuit with its hoses, l.</summary>
    public const double VolumeL = 20;

    /// <summary>The same, m³; of the pump through them, m³/s; and its own end, Pa.</summary>
    private const double VolumeM3 = VolumeL / 1000, PumpM3PerS = 0.0004, EndPa = 4;

    /// <summary>Water gives off so much in a second for each pascal that is missing to saturation, Pa/s.</summary>
    private const double BoilsPerS = 0.002;

    /// <summary>J/(kg·K).</summary>
    private const double GasConstantOfWater = 461.5;

    private readonly double saturationPa = 1000 * WaterVapour.Saturation(Temperature.FromCelsius(roomC)).Kpa;

    private readonly double paPerG = GasConstantOfWater * (roomC + Temperature.ZeroCelsiusInKelvin) / VolumeM3 / 1000;

    private double airPa = 101_325, waterPa, waterG = circuit.WaterG;

    /// <summary>What a gauge on it shows, Pa.</summary>
    public double Pa => airPa + waterPa;

    /// <summary>Lets one second pass.</summary>
    /// <param name="isPumping">The pump runs and its valve is open.</param>
    public void Step(bool isPumping)
    {
        var boiled = Math.Min(waterG * paPerG, Math.Max(0, saturationPa - waterPa) * BoilsPerS);
        waterG -= boiled / paPerG;
        (airPa, waterPa) = (airPa + circuit.LeakPaPerMin / 60, waterPa + boiled);
        if (!isPumping)
            return;
        var stays = 1 - PumpM3PerS / VolumeM3;
        (airPa, waterPa) = (EndPa + (airPa - EndPa) * stays, waterPa * stays);
    }
}
