using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Benches.Box;

/// <summary>Where the heat of a box comes from.</summary>
public enum HeatSource
{
    /// <summary>Through the walls.</summary>
    Walls,

    /// <summary>Air through open doors.</summary>
    Doors,

    /// <summary>Air through gaps that never close.</summary>
    Gaps,

    /// <summary>Product that is brought in warm.</summary>
    Product,

    /// <summary>People at work in it.</summary>
    People,

    /// <summary>Lights.</summary>
    Lights,

    /// <summary>Evaporator fans.</summary>
    Fans,

    /// <summary>Defrost heaters.</summary>
    Defrost,
}

/// <summary>Whether a unit can hold a box.</summary>
public enum BalanceVerdict
{
    /// <summary>Nothing is known of what the circuit moves.</summary>
    LoadOnly,

    /// <summary>It holds it.</summary>
    Holds,

    /// <summary>So close that the uncertainty decides.</summary>
    Tight,

    /// <summary>It cannot hold it.</summary>
    TooLittle,
}

/// <summary>What makes a unit run longer.</summary>
public enum BoxTrouble
{
    /// <summary>A door stands ajar, two fingers wide.</summary>
    DoorAjar,

    /// <summary>A gasket is torn over a metre.</summary>
    TornGasket,

    /// <summary>One evaporator fan is out.</summary>
    FanOut,

    /// <summary>The coil is half blocked by ice.</summary>
    CoilIced,
}

/// <summary>Heat in against heat out, averaged over a day.</summary>
/// <param name="Sources">What comes in, the largest first, W.</param>
/// <param name="LoadW">All of it, W; give or take <paramref name="LoadErrorW"/> in nineteen of twenty.</param>
/// <param name="CapacityW">What the circuit moves while it runs, W; null where it is not known.</param>
/// <param name="RunShare">Share of the time it must run; above 1 it cannot hold the box.</param>
public sealed record BalanceResult(
    BalanceVerdict Verdict, IReadOnlyList<(HeatSource Source, double W)> Sources, double LoadW, double LoadErrorW, double? CapacityW,
    double? RunShare)
{
    /// <summary>What is missing, as a share of what comes in; 0 where nothing is.</summary>
    public double ShortShare => CapacityW is { } capacity ? Math.Max(0, 1 - capacity / LoadW) : 0;

    /// <summary>What to look at first: the largest source that somebody can do something about; null where none is worth it.</summary>
    public HeatSource? LookFirst => Sources.Where(s => HeatBalance.CanBeLess(s.Source) && s.W > WorthIt * LoadW)
        .Select(s => (HeatSource?)s.Source).FirstOrDefault();

    private const double WorthIt = 0.1;
}

/// <summary>The heat balance of a box.</summary>
/// <remarks>
/// ASHRAE Handbook - Refrigeration, chapter Refrigeration Load: walls by conduction; doors by the equation of Gosney and Olama with the
/// density factor, flow fully developed in 0.8 of the open time; people 272 W less 6 W a degree; moist air by the ideal gas. What of
/// product freezes takes its latent heat. Errors in nineteen of twenty boxes: walls a fifth, air through doors and gaps two fifths, product
/// a fifth, the rest a tenth.
/// </remarks>
public static class HeatBalance
{
    /// <summary>W/(m·K): aged foam, polystyrene, and what is wet or not known.</summary>
    private static double Conductivity(Insulation insulation) => insulation switch
    {
        Insulation.Polyurethane => 0.026,
        Insulation.Polystyrene => 0.037,
        _ => 0.045,
    };

    /// <summary>Still air inside and out, m²·K/W.</summary>
    private const double Surfaces = 0.15;

    /// <summary>Of the time a door is open the flow is fully developed; a strip curtain lets through so much of it.</summary>
    private const double FlowShare = 0.8, ThroughCurtain = 0.15;

    /// <summary>A gap is taken to be so wide, m, and air to pass it as slowly as a crack lets it, of the free flow.</summary>
    private const double GapWidthM = 0.005, ThroughGap = 0.5;

    /// <summary>kJ/(kg·K) above and below freezing, kJ/kg in between, and where that is, °C: meat, fish, most produce.</summary>
    private const double WarmProduct = 3.5, FrozenProduct = 1.9, Freezing = 235, FreezesAtC = -1.5;

    /// <summary>Of the heaters' energy this stays in the box; the rest melts ice that runs off.</summary>
    private const double DefrostStays = 0.6;

    /// <summary>Of a day a unit with electric defrost can refrigerate.</summary>
    private const double FreezerDay = 0.85;

    private const double DayH = 24, SecondsPerDay = 86_400;

    /// <summary>Errors in nineteen of twenty, as a share.</summary>
    private static double Error(HeatSource source) => source switch
    {
        HeatSource.Walls or HeatSource.Product => 0.2,
        HeatSource.Doors or HeatSource.Gaps => 0.4,
        _ => 0.1,
    };

    /// <summary>How well the circuit's capacity is known: by the compressor's data, by air.</summary>
    private const double DataError = 0.15, AirError = 0.25;

    /// <summary>Of what the coil takes out this cools air; the rest dries it (trade experience for boxes with ordinary door use).</summary>
    private const double Sensible = 0.85;

    /// <summary>Somebody can close a door, mend a gap, bring product in colder or put the light out.</summary>
    internal static bool CanBeLess(HeatSource source) => source is not (HeatSource.Walls or HeatSource.Fans);

    /// <param name="box">What the box is meant to hold.</param>
    /// <param name="height">Of the site's air.</param>
    /// <param name="airDropK">Measured over the coil, K; null where it was not.</param>
    public static BalanceResult Of(HeatBalanceEntry entry, Temperature box, Pressure height, double? airDropK)
    {
        var outside = entry.Air.Temperature;
        var warmer = (outside - box).Kelvin;
        var area = 2 * (entry.LengthM * entry.WidthM + entry.LengthM * entry.HeightM + entry.WidthM * entry.HeightM);
        var perOpen = DoorW(entry, box, height);
        (HeatSource Source, double W)[] sources =
        [
            (HeatSource.Walls, area * warmer / (entry.WallM / Conductivity(entry.Insulation) + Surfaces)),
            (HeatSource.Doors,
                entry.DoorM2 * perOpen * FlowShare * (entry.HasCurtain ? ThroughCurtain : 1) * entry.OpenMinPerDay / 60 / DayH),
            (HeatSource.Gaps, entry.GapM * GapWidthM * perOpen * ThroughGap),
            (HeatSource.Product, ProductW(entry, box)),
            (HeatSource.People, Math.Max(0, 272 - 6 * box.Celsius) * entry.PeopleHoursPerDay / DayH),
            (HeatSource.Lights, entry.LightsWh / DayH),
            (HeatSource.Fans, entry.FansW),
            (HeatSource.Defrost, entry.DefrostWh * DefrostStays / DayH),
        ];
        var load = sources.Sum(s => s.W);
        var error = Math.Sqrt(sources.Sum(s => s.W * Error(s.Source) * (s.W * Error(s.Source))));
        var (capacity, capacityError) = Capacity(entry, box, height, airDropK);
        var day = entry.DefrostWh > 0 ? FreezerDay : 1;
        var share = load > 0 && capacity > 0 ? load / (capacity.Value * day) : (double?)null;
        var off = share is null ? 0 : share.Value * Math.Sqrt(error / load * (error / load) + capacityError * capacityError);
        var verdict = share switch
        {
            null => BalanceVerdict.LoadOnly,
            var s when s - off > 1 => BalanceVerdict.TooLittle,
            var s when s + off < 1 => BalanceVerdict.Holds,
            _ => BalanceVerdict.Tight,
        };
        return new(verdict, [.. sources.Where(s => s.W > 0).OrderByDescending(s => s.W)], load, error, capacity * day, share);
    }

    private static (double? W, double Error) Capacity(HeatBalanceEntry entry, Temperature box, Pressure height, double? airDropK)
    {
        if (entry.CapacityW is { } known)
            return (known, DataError);
        return entry.CoilAirM3PerH is { } air && airDropK is { } drop and > 0
            ? (air / 3600 * Moist(box, InBoxHumidity, height).Density * AirCp * 1000 * drop / Sensible, AirError) : (null, 0);
    }

    /// <summary>A box's own air, %.</summary>
    private const double InBoxHumidity = 85;

    /// <summary>kJ/(kg·K).</summary>
    private const double AirCp = 1.006;

    /// <summary>Of an open door at full flow, W/m².</summary>
    private static double DoorW(HeatBalanceEntry entry, Temperature box, Pressure height)
    {
        var (warm, cold) = (Moist(entry.Air.Temperature, entry.HumidityPercent, height), Moist(box, InBoxHumidity, height));
        if (cold.Density <= warm.Density || warm.Enthalpy <= cold.Enthalpy)
            return 0;
        var tall = Math.Clamp(Math.Sqrt(entry.DoorM2 * 2), 0.3, DoorTallestM);
        var factor = Math.Pow(2 / (1 + Math.Pow(cold.Density / warm.Density, 1.0 / 3)), 1.5);
        return 0.221 * (warm.Enthalpy - cold.Enthalpy) * cold.Density * Math.Sqrt(1 - warm.Density / cold.Density)
            * Math.Sqrt(9.81 * tall) * factor * 1000;
    }

    /// <summary>Doors are about twice as tall as wide, and no taller than this, m.</summary>
    private const double DoorTallestM = 3;

    /// <summary>kJ/kg and kg/m³ of moist air.</summary>
    private static (double Enthalpy, double Density) Moist(Temperature at, double humidity, Pressure height)
    {
        var vapour = humidity / 100 * WaterVapour.Saturation(at).Kpa;
        var water = 0.622 * vapour / (height.Kpa - vapour);
        return (AirCp * at.Celsius + water * (2501 + 1.86 * at.Celsius), (height.Kpa - 0.378 * vapour) / (0.287 * at.Kelvin));
    }

    private static double ProductW(HeatBalanceEntry entry, Temperature box)
    {
        if (entry.ProductIn is not { } into || into.Temperature <= box)
            return 0;
        var (from, to) = (into.Temperature.Celsius, box.Celsius);
        var perKg = Math.Max(0, from - Math.Max(to, FreezesAtC)) * WarmProduct
            + Math.Max(0, Math.Min(from, FreezesAtC) - to) * FrozenProduct + (from > FreezesAtC && to < FreezesAtC ? Freezing : 0);
        return entry.ProductKgPerDay * perKg * 1000 / SecondsPerDay;
    }

    /// <summary>A door that stands ajar lets in what this many metres of a gap do: 2 m of it, 50 mm wide.</summary>
    private const double AjarM = 20;

    /// <summary>A torn gasket, m.</summary>
    private const double TornM = 1;

    /// <summary>A coil takes up heat with its air to this power (handbooks: 0.5 to 0.7), and half blocked by ice about so much of
    /// it.</summary>
    private const double WithAir = 0.6, HalfIced = 0.65;

    /// <summary>How much it would have to run with something wrong; empty where the capacity is not known.</summary>
    /// <param name="fans">Evaporator fans.</param>
    public static IReadOnlyList<(BoxTrouble Trouble, double RunShare)> With(
        HeatBalanceEntry entry, Temperature box, Pressure height, double? airDropK, int fans)
    {
        double? Runs(double moreGapM, double capacityShare) =>
            Of(entry with { GapM = entry.GapM + moreGapM }, box, height, airDropK).RunShare / capacityShare;
        (BoxTrouble Trouble, double? Share)[] all =
        [
            (BoxTrouble.DoorAjar, Runs(AjarM, 1)), (BoxTrouble.TornGasket, Runs(TornM, 1)),
            (BoxTrouble.FanOut, fans > 1 ? Runs(0, Math.Pow(1 - 1.0 / fans, WithAir)) : null),
            (BoxTrouble.CoilIced, Runs(0, HalfIced)),
        ];
        return [.. all.Where(a => a.Share is not null).Select(a => (a.Trouble, a.Share!.Value))];
    }
}
