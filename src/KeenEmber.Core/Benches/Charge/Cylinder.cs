using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>What a cylinder is for.</summary>
public enum CylinderKind
{
    /// <summary>New refrigerant.</summary>
    Supply,

    /// <summary>Takes what is recovered.</summary>
    Recovery,
}

/// <summary>A cylinder of the company.</summary>
/// <param name="Label">What is written on it; entries name it by this.</param>
/// <param name="TareKg">Empty, with its valve, kg.</param>
/// <param name="WaterL">What it holds of water, l.</param>
/// <param name="ContentKg">What was in it when it was put on the list, kg.</param>
public sealed record Cylinder(
    Guid Id, string Label, CylinderKind Kind, string Refrigerant, double TareKg, double WaterL, double ContentKg)
{
    /// <summary>Liquid may fill so much of it at the temperature it may reach; trade rule and transport codes.</summary>
    private const double FullShare = 0.8;

    /// <summary>What a cylinder may reach in a van in the sun, as transport codes have it.</summary>
    public static readonly Temperature MayReach = Temperature.FromCelsius(50);

    /// <summary>What it may hold of a refrigerant, kg.</summary>
    /// <returns>Null where the refrigerant is not known, or is no liquid at that temperature: then the mark on the cylinder alone
    /// counts.</returns>
    public static double? MostKg(double waterL, string refrigerant) =>
        RefrigerantCatalogue.Find(refrigerant) is { } fluid && Densities.Liquid(fluid, MayReach) is { } density
            ? FullShare * waterL * density : null;

    /// <summary>What it may hold, kg; null where that is not known.</summary>
    public double? HoldsMostKg => MostKg(WaterL, Refrigerant);
}
