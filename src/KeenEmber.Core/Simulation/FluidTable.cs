using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Simulation;

/// <summary>A refrigerant as a step of a second needs it: quick to look up, consistent with itself.</summary>
/// <remarks>Pressure and densities of the catalogue at each kelvin, straight between; heat of evaporation by Clausius and Clapeyron from
/// them. A blend is taken at the middle of its bubble and dew point. Heat capacities are common round values of fluorinated refrigerants
/// (liquid 1.35, vapour 0.85, hot vapour under pressure 1.05 kJ/(kg K)); a hydrocarbon's go with its heat of evaporation.</remarks>
internal sealed class FluidTable
{
    /// <summary>Of a fluorinated refrigerant, kJ/(kg·K), and its heat of evaporation at 0 °C, kJ/kg.</summary>
    private const double FluorinatedLiquid = 1.35, FluorinatedVapour = 0.85, FluorinatedHot = 1.05, FluorinatedLatent = 200;

    /// <summary>Looked for from here up to the warmest that has a pressure and a density, °C.</summary>
    private const double ColdestC = -65, WarmestC = 95;

    private readonly double fromC;

    private readonly double[] logKpa, liquid, vapour, latent;

    internal FluidTable(Refrigerant fluid)
    {
        (Fluid, fromC) = (fluid, ColdestC);
        List<(double Kpa, double Liquid, double Vapour)> rows = [];
        for (var at = ColdestC; at < WarmestC; at++)
        {
            var t = Temperature.FromCelsius(at);
            if (Kpa(fluid, t) is { } kpa && Densities.Liquid(fluid, t) is { } dense)
                rows.Add((kpa, dense * 1000, Densities.Vapour(fluid, t, new(kpa)) * 1000));
            else if (rows.Count > 0)
                break;
            else
                fromC = at + 1;
        }

        Highest = fromC + rows.Count - 1;
        logKpa = [.. rows.Select(r => Math.Log(r.Kpa))];
        (liquid, vapour) = ([.. rows.Select(r => r.Liquid)], [.. rows.Select(r => r.Vapour)]);
        latent = [.. rows.Select((r, i) =>
        {
            var (before, after) = (Math.Max(0, i - 1), Math.Min(rows.Count - 1, i + 1));
            var slope = (rows[after].Kpa - rows[before].Kpa) / (after - before);
            return (fromC + i + Temperature.ZeroCelsiusInKelvin) * slope * (1 / r.Vapour - 1 / r.Liquid);
        })];
        var light = Math.Max(1, Latent(0) / FluorinatedLatent);
        (LiquidCp, VapourCp, HotCp) = (light * FluorinatedLiquid, light * FluorinatedVapour, light * FluorinatedHot);
    }

    /// <summary>kJ/(kg·K).</summary>
    internal double LiquidCp { get; }

    internal double VapourCp { get; }

    /// <summary>Of vapour leaving the compressor.</summary>
    internal double HotCp { get; }

    internal Refrigerant Fluid { get; }

    /// <summary>The warmest it holds for, °C.</summary>
    internal double Highest { get; }

    private static double? Kpa(Refrigerant fluid, Temperature at) =>
        fluid.DewPressure(at) is { } dew && fluid.BubblePressure(at) is { } bubble ? (dew.Kpa + bubble.Kpa) / 2 : null;

    /// <summary>Absolute, kPa.</summary>
    internal double Kpa(double at) => Math.Exp(At(logKpa, at));

    /// <summary>Saturated liquid and vapour, kg/m³.</summary>
    internal double Liquid(double at) => At(liquid, at);

    internal double Vapour(double at) => At(vapour, at);

    /// <summary>Heat of evaporation, kJ/kg.</summary>
    internal double Latent(double at) => At(latent, at);

    private double At(double[] table, double at)
    {
        var place = Math.Clamp(at - fromC, 0, table.Length - 1.001);
        var row = (int)place;
        return table[row] + (table[row + 1] - table[row]) * (place - row);
    }
}
