using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Defrost.Schedule;

/// <summary>Air at a door or round a box.</summary>
/// <param name="TempC">-40 to 50 °C.</param>
/// <param name="RelativeHumidity">0 to 1.</param>
public readonly record struct MoistAir(double TempC, double RelativeHumidity)
{
    /// <summary>kg of water for each kg of dry air, at the pressure given.</summary>
    /// <remarks>Saturation by <see cref="WaterVapour"/>; humidity ratio 0.622 e/(p - e); within 0.6 % of the psychrometric tables
    /// from -20 to 50 °C.</remarks>
    public double HumidityRatio(double pressureKpa)
    {
        var vapour = RelativeHumidity * WaterVapour.Saturation(Temperature.FromCelsius(TempC)).Kpa;
        return 0.622 * vapour / (pressureKpa - vapour);
    }

    /// <summary>kg of moist air in a cubic metre.</summary>
    public double Density(double pressureKpa)
    {
        var w = HumidityRatio(pressureKpa);
        return pressureKpa / (0.287 * (TempC + 273.15)) * (1 + w) / (1 + 1.608 * w);
    }
}

/// <summary>A door of a box.</summary>
/// <param name="WidthM">m; <paramref name="HeightM"/> likewise.</param>
/// <param name="OpeningsPerDay">How often it is opened.</param>
/// <param name="SecondsOpen">Each time.</param>
/// <param name="Curtain">Share of the flow that a curtain keeps back, 0 to 0.95; strips in good order about 0.85.</param>
public sealed record BoxDoor(double WidthM, double HeightM, double OpeningsPerDay, double SecondsOpen, double Curtain = 0);

/// <summary>How much frost a coil gets in a day from the air that comes in.</summary>
public static class FrostLoad
{
    /// <summary>Part of the full exchange flow that a door in cyclical use reaches, by how much warmer it is outside (ASHRAE Handbook
    /// Refrigeration, infiltration by air exchange: 0.8 from 11 K on, 1.1 below).</summary>
    public static double DoorwayFlowFactor(double differenceK) => differenceK >= 11 ? 0.8 : 1.1;

    /// <summary>kg of ice a day: doors by the exchange flow of Gosney and Olama (1975), leaks and ventilation by their air
    /// changes.</summary>
    /// <param name="box">Air in the box; its humidity is what the coil leaves, 0.85 where nothing is known.</param>
    /// <param name="outside">Air before the door.</param>
    /// <param name="leakM3PerHour">Gaps, drains, ventilation, m³/h.</param>
    /// <param name="pressureKpa">Of the atmosphere.</param>
    /// <returns>0 when the air outside is the drier one.</returns>
    public static double KgPerDay(MoistAir box, MoistAir outside, BoxDoor? door, double leakM3PerHour, double pressureKpa)
    {
        var wetter = outside.HumidityRatio(pressureKpa) - box.HumidityRatio(pressureKpa);
        var airKgPerDay = leakM3PerHour * 24 * outside.Density(pressureKpa);
        if (door is { } d)
        {
            // The formula counts the exchange by the weight of the cold air that runs out.
            var cold = box.Density(pressureKpa);
            airKgPerDay += DoorFlow(d, cold, outside.Density(pressureKpa)) * DoorwayFlowFactor(outside.TempC - box.TempC)
                * d.OpeningsPerDay * d.SecondsOpen * cold;
        }

        return Math.Max(0, wetter * airKgPerDay);
    }

    /// <summary>m³/s through a door that stands open all the time: 0.221 A √(g H) √(1 - ρo/ρi) Fm^1.5,
    /// Fm = (2 / (1 + (ρi/ρo)^(1/3))).</summary>
    private static double DoorFlow(BoxDoor door, double inside, double outside)
    {
        if (inside <= outside)
            return 0;
        var mixing = 2 / (1 + Math.Cbrt(inside / outside));
        return 0.221 * door.WidthM * door.HeightM * Math.Sqrt(9.81 * door.HeightM) * Math.Sqrt(1 - outside / inside) * Math.Pow(
            mixing, 1.5) * (1 - door.Curtain);
    }
}
