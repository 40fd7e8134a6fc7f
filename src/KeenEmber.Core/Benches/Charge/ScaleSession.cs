using KeenEmber.Core.Quantities;
using KeenEmber.Core.Record;
using KeenEmber.Core.Refrigerants;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>A cylinder on the scale, as its weight says.</summary>
/// <param name="Start">What put it there.</param>
/// <param name="LeftCylinderKg">What the cylinder gave off, kg; negative for what it took in.</param>
/// <param name="HosesKg">What stays in the hose, kg.</param>
/// <param name="CircuitKg">What the circuit got, kg; negative for what left it.</param>
/// <param name="ToGoKg">Up to the target, kg; negative past it, null without one.</param>
/// <param name="Ended">The row of the ledger that ended it; null while it runs.</param>
public sealed record ScaleSession(
    ScaleStartEntry Start, double LeftCylinderKg, double HosesKg, double CircuitKg, double? ToGoKg, RefrigerantEntry? Ended)
{
    /// <summary>What is in the cylinder, kg; null where its empty weight is not known.</summary>
    public double? ContentKg { get; init; }

    /// <summary>What it may hold, kg; null where that is not known.</summary>
    public double? MostKg { get; init; }

    /// <summary>It holds more than it may.</summary>
    public bool IsOverfull => Start.Recovers && ContentKg > MostKg;

    /// <summary>What it may still take, kg; null where that is not known.</summary>
    public double? RoomKg => MostKg - ContentKg;

    /// <summary>A blend with glide that is charged as vapour: what is left in the cylinder and what went in are no longer it.</summary>
    public bool SeparatesBlend => !Start.Recovers && Start.Phase == Phase.Vapour && Glides(Start.Refrigerant);

    /// <summary>Whether vapour and liquid of a refrigerant differ in what they consist of.</summary>
    public static bool Glides(string refrigerant) => RefrigerantCatalogue.Find(refrigerant) is { Composition.Parts.Count: > 1 };

    /// <summary>A hose nobody measured, m: as long and as wide as gauge hoses usually are (1/4 inch, 5 mm inside).</summary>
    public const double UsualHoseM = 1.5, UsualHoseBoreM = 0.005;

    /// <summary>What a hose holds, kg.</summary>
    /// <param name="lengthM">m.</param>
    /// <param name="boreM">Inside width, m.</param>
    /// <param name="at">Of the room.</param>
    /// <returns>0 where the refrigerant is not known.</returns>
    public static double InHoseKg(string refrigerant, double lengthM, double boreM, HosesAtEnd hoses, Temperature at)
    {
        if (hoses == HosesAtEnd.Empty || RefrigerantCatalogue.Find(refrigerant) is not { } fluid)
            return 0;
        var litres = Math.PI / 4 * boreM * boreM * lengthM * 1000;
        return litres * (hoses == HosesAtEnd.FullOfLiquid ? Densities.Liquid(fluid, at) ?? 0
            : Densities.Vapour(fluid, at, SuctionPressure));
    }

    /// <summary>What a hose is left at on the suction side, kPa absolute; a hose's vapour weighs a gram or two either way.</summary>
    private static readonly Pressure SuctionPressure = new(300);

    private static readonly Temperature Room = Temperature.FromCelsius(20);

    /// <summary>The sessions of a visit, in their order.</summary>
    public static IReadOnlyList<ScaleSession> Of(IReadOnlyList<Entry> standing) =>
        [.. standing.OfType<ScaleStartEntry>().Select(start => Of(start, [.. standing.OfType<ScaleWeightEntry>()
            .Where(w => w.Session == start.Id)], standing.OfType<RefrigerantEntry>().LastOrDefault(r => r.Session == start.Id)))];

    /// <summary>As it stands with this on the scale, before anybody has kept it.</summary>
    public ScaleSession With(TypedValue onScale) => Of(Start, [new(Start.Header, Start.Id, onScale)], Ended);

    private static ScaleSession Of(ScaleStartEntry start, List<ScaleWeightEntry> weights, RefrigerantEntry? ended)
    {
        var began = start.Weight.Si(default);
        var now = weights.Count > 0 ? weights[^1].Weight.Si(default) : began;
        var left = began - now;
        // A hose that has seen nothing yet holds nothing.
        var hoses = left == 0 ? 0 : InHoseKg(start.Refrigerant, start.HoseM, start.HoseBoreM, start.Hoses, Room);
        var circuit = left - hoses;
        return new(start, left, hoses, circuit, start.TargetKg - (start.Recovers ? -circuit : circuit), ended)
        {
            ContentKg = now - start.TareKg,
            MostKg = start.WaterL is { } water ? Cylinder.MostKg(water, start.Refrigerant) : null,
        };
    }
}
