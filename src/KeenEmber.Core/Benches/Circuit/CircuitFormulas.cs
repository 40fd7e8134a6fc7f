using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>The measuring arithmetic of the sealed system. Every pressure here is absolute.</summary>
/// <remarks>
/// Definitions as in any refrigeration textbook, e.g. Whitman, Johnson: "Refrigeration and Air Conditioning Technology".
/// Null wherever a pressure lies outside the refrigerant's range.
/// </remarks>
public static class CircuitFormulas
{
    /// <summary>Superheat of the vapour at a measuring point: how far it is above its dew temperature.</summary>
    /// <param name="suction">Pressure at, or corrected to, the same point.</param>
    /// <returns>Kelvin; negative when the reading cannot be vapour (the caller reports it as impossible).</returns>
    public static TemperatureDifference? Superheat(Refrigerant refrigerant, Pressure suction, Temperature line) =>
        line - refrigerant.DewTemperature(suction);

    /// <summary>Subcooling of the liquid: how far it is below its bubble temperature.</summary>
    /// <param name="liquid">Pressure of the liquid; the head pressure stands in for it when the line between is short.</param>
    /// <returns>Kelvin; negative when the line must hold vapour too.</returns>
    public static TemperatureDifference? Subcooling(Refrigerant refrigerant, Pressure liquid, Temperature line) =>
        refrigerant.BubbleTemperature(liquid) - line;

    /// <summary>Evaporator TD: air entering the coil less the mean evaporating temperature.</summary>
    public static TemperatureDifference? EvaporatorTd(Refrigerant refrigerant, Pressure suction, Temperature enteringAir) =>
        enteringAir - refrigerant.MidpointTemperature(suction);

    /// <summary>Condenser split: mean condensing temperature less the air entering the condenser.</summary>
    public static TemperatureDifference? CondenserSplit(Refrigerant refrigerant, Pressure discharge, Temperature enteringAir) =>
        refrigerant.MidpointTemperature(discharge) - enteringAir;

    /// <summary>Discharge over suction, both absolute; a plain ratio.</summary>
    public static double CompressionRatio(Pressure suction, Pressure discharge) => discharge.Kpa / suction.Kpa;
}
