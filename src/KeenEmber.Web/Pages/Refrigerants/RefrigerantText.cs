using KeenEmber.Core.Refrigerants;
using KeenEmber.Words;

namespace KeenEmber.Web.Pages.Refrigerants;

/// <summary>Facts about a refrigerant in plain words.</summary>
public static class RefrigerantText
{
    public const string GwpSource = "100 years, IPCC Fourth Assessment Report";

    public static string Safety(SafetyClass safety) => safety switch
    {
        SafetyClass.A1 => "A1: no flame propagation",
        SafetyClass.A2L => "A2L: burns slowly; ventilate, no flame or spark, rated tools",
        SafetyClass.A2 => "A2: flammable; ventilate, no flame or spark, rated tools",
        SafetyClass.A3 => "A3: burns readily; ventilate, no flame or spark, rated tools",
        _ => "B2L: toxic and burns slowly; leave on a leak, ventilate, rated tools",
    };

    public static string Oil(Oil oil) => oil switch
    {
        Core.Refrigerants.Oil.Mineral => "mineral",
        Core.Refrigerants.Oil.MineralOrAlkylbenzene => "mineral or alkylbenzene",
        Core.Refrigerants.Oil.MineralOrPolyolester => "mineral, alkylbenzene or polyolester",
        Core.Refrigerants.Oil.AnyWithReturn => "polyolester; mineral where it returns",
        _ => "polyolester",
    };

    /// <summary>"R32 26 %, R125 26 %, …" by mass.</summary>
    public static string Composition(Composition composition) => string.Join(", ", composition.Parts.Select(p =>
        composition.Parts.Count == 1 ? p.Component.Name : $"{p.Component.Name} {Percent(p.Share)}"));

    public static string Percent(double share) => $"{UnitText.Number(share * 100, 1).Replace(".0", "", StringComparison.Ordinal)}\u00a0%";

    public static string Range(Refrigerant fluid, UnitText units) =>
        $"{fluid.Name} is known from {units.Temperature(fluid.Dew.Lowest.Kelvin)} to {units.Temperature(fluid.Dew.Highest.Kelvin)}.";
}
