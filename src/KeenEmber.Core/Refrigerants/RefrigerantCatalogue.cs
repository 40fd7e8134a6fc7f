namespace KeenEmber.Core.Refrigerants;

/// <summary>The refrigerants Keen Ember can compute, by designation.</summary>
/// <remarks>
/// Pure: molar mass (g/mol), GWP, critical temperature (K) and pressure (kPa), lowest temperature of use (K: the triple point or the
/// lower end of the published equation), then the terms. Blends: components and mass % after ISO 817, which also gives the safety classes.
/// </remarks>
public static class RefrigerantCatalogue
{
    private const string Lemmon = "Lemmon 2003";

    private static readonly Refrigerant[] PureFluids =
    [
        Pure(new(
            "R134a", 102.032, 1430,
            new(374.18, 4056.29, 169.85, new(-7.686556, 1), new(2.311791, 1.5), new(-2.039554, 2), new(-3.583758, 4))),
            SafetyClass.A1, Oil.Polyolester, "Tillner-Roth & Baehr 1994"),
        Pure(new(
            "R744", 44.0098, 1,
            new(304.1282, 7377.3, 216.592, new(-7.0602087, 1), new(1.9391218, 1.5), new(-1.6463597, 2), new(-3.2995634, 4))),
            SafetyClass.A1, Oil.Polyolester, "Span & Wagner 1996"),
        Pure(new(
            "R290", 44.0956, 3,
            new(369.89, 4251.2, 85.525, new(-6.7722, 1), new(1.6938, 1.5), new(-1.3341, 2.2), new(-3.1876, 4.8), new(0.94937, 6.2))),
            SafetyClass.A3, Oil.MineralOrPolyolester, "Lemmon et al. 2009"),
        Pure(new(
            "R600a", 58.1222, 3,
            new(407.817, 3629.0, 113.73, new(-6.85093103, 1), new(1.36543198, 1.5), new(-1.32542691, 2.5), new(-2.56190994, 4.5))),
            SafetyClass.A3, Oil.MineralOrPolyolester, "Bücker & Wagner 2006"),
        Pure(new(
            "R600", 58.1222, 4,
            new(425.125, 3796.0, 134.895, new(-7.17616903, 1), new(2.53635336, 1.5), new(-2.07532869, 2), new(-2.82241113, 4.5))),
            SafetyClass.A3, Oil.MineralOrPolyolester, "Bücker & Wagner 2006"),
        Pure(new(
            "R32", 52.024, 675,
            new(351.255, 5782.0, 136.34, new(-7.4883, 1), new(1.9697, 1.5), new(-1.7496, 2.2), new(-4.0224, 4.8), new(1.5209, 6.2))),
            SafetyClass.A2L, Oil.Polyolester, "after Tillner-Roth & Yokozeki 1997"),
        Pure(new(
            "R125", 120.0214, 3500, new(339.173, 3617.7, 172.52, new(-7.5295, 1), new(1.9026, 1.5), new(-2.2966, 2.3), new(-3.4480, 4.6))),
            SafetyClass.A1, Oil.Polyolester, "Lemmon & Jacobsen 2005"),
        Pure(new(
            "R143a", 84.041, 4470,
            new(345.857, 3761.0, 161.34, new(-7.3938, 1), new(1.9948, 1.5), new(-1.8487, 2.2), new(-4.1927, 4.8), new(1.4862, 6.2))),
            SafetyClass.A2L, Oil.Polyolester, "after Lemmon & Jacobsen 2000"),
        Pure(new("R1234yf", 114.0416, 4, new(367.85, 3382.2, 220, new(-7.4697, 1), new(2.7915, 1.5), new(-2.1312, 1.8), new(-2.9531, 3.8))),
            SafetyClass.A2L, Oil.Polyolester, "Richter et al. 2011"),
        Pure(new(
            "R1234ze(E)", 114.0416, 7, new(382.513, 3634.9, 169, new(-7.5888, 1), new(1.9696, 1.5), new(-2.0827, 2.2), new(-4.1238, 4.6))),
            SafetyClass.A2L, Oil.Polyolester, "Thol & Lemmon 2016"),
        Pure(new(
            "R22", 86.468, 1810,
            new(369.295, 4990.0, 115.73, new(-7.0780, 1), new(1.7211, 1.5), new(-1.6379, 2.2), new(-3.7952, 4.8), new(0.86937, 6.2))),
            SafetyClass.A1, Oil.MineralOrAlkylbenzene, "after Kamei et al. 1995"),
        Pure(new(
            "R152a", 66.051, 124,
            new(386.411, 4516.75, 154.56, new(-7.4821, 1), new(2.1105, 1.5), new(-2.0761, 2.2), new(-3.5539, 4.8), new(0.58004, 6.2))),
            SafetyClass.A2, Oil.Polyolester, "after Outcalt & McLinden 1996"),
        Pure(new(
            "R717", 17.0305, 0,
            new(405.56, 11363.4, 195.495, new(-7.0993, 1), new(-2.4330, 1.5), new(8.7591, 1.7), new(-6.4091, 1.95), new(-2.1185, 4.2))),
            SafetyClass.B2L, Oil.Mineral, "after Gao et al."),
        Pure(new(
            "R12", 120.913, 10900,
            new(385.12, 4136.1, 116.099, new(-7.0834, 1), new(4.3562, 1.5), new(-3.5249, 1.67), new(-2.8872, 4.14), new(-0.89926, 10))),
            SafetyClass.A1, Oil.Mineral, "after Marx et al. 1992"),
    ];

    /// <summary>Met only as parts of blends.</summary>
    private static readonly BlendComponent[] PartsOnly =
    [
        new("R227ea", 170.029, 3220,
            new(374.9, 2925.0, 146.35, new(-7.7961, 1), new(2.1366, 1.5), new(-2.6023, 2.2), new(-5.7444, 4.8), new(2.3982, 6.2))),
    ];

    private static readonly Dictionary<string, BlendComponent> ByName =
        PureFluids.Select(r => r.Composition.Parts[0].Component).Concat(PartsOnly).ToDictionary(c => c.Name);

    private static readonly Refrigerant[] PseudoPures =
    [
        PseudoPure("R404A", "R125/R143a/R134a 44/52/4",
            new(345.270, 3734.8, 200, new(0.061067, 0.54), new(-6.5646, 0.965), new(-3.6162, 3.7), new(-3.9771, 9)),
            new(345.270, 3734.8, 200, new(-0.00026863, 0.1), new(-6.5757, 0.972), new(-4.1802, 3.8), new(-7.9102, 9))),
        PseudoPure("R410A", "R32/R125 50/50",
            new(344.494, 4901.2, 200, new(-7.2818, 1), new(2.5093, 1.8), new(-3.2695, 2.4), new(-2.8022, 4.9)),
            new(344.494, 4901.2, 200, new(-7.4411, 1), new(1.9883, 1.6), new(-2.4925, 2.4), new(-3.2633, 5))),
        PseudoPure("R407C", "R32/R125/R134a 23/25/52",
            new(359.345, 4631.7, 200, new(0.48722, 0.54), new(-6.6959, 0.925), new(-1.4165, 2.7), new(-2.5109, 4.7)),
            new(359.345, 4631.7, 200, new(-0.086077, 0.4), new(-6.6364, 0.965), new(-2.4648, 3.1), new(-3.4776, 5))),
        PseudoPure("R507A", "R125/R143a 50/50",
            new(343.765, 3704.9, 200, new(-7.5459, 1), new(2.3380, 1.5), new(-2.2370, 2.1), new(-4.1535, 4.7)),
            null),
    ];

    private static readonly Refrigerant[] Blends =
    [
        Blend("R407A", SafetyClass.A1, Oil.Polyolester, "R32/R125/R134a 20/40/40"),
        Blend("R407F", SafetyClass.A1, Oil.Polyolester, "R32/R125/R134a 30/30/40"),
        Blend("R407H", SafetyClass.A1, Oil.Polyolester, "R32/R125/R134a 32.5/15/52.5"),
        Blend("R448A", SafetyClass.A1, Oil.Polyolester, "R32/R125/R1234yf/R134a/R1234ze(E) 26/26/20/21/7"),
        Blend("R449A", SafetyClass.A1, Oil.Polyolester, "R32/R125/R1234yf/R134a 24.3/24.7/25.3/25.7"),
        Blend("R450A", SafetyClass.A1, Oil.Polyolester, "R134a/R1234ze(E) 42/58"),
        Blend("R513A", SafetyClass.A1, Oil.Polyolester, "R1234yf/R134a 56/44"),
        Blend("R452A", SafetyClass.A1, Oil.Polyolester, "R32/R125/R1234yf 11/59/30"),
        Blend("R454A", SafetyClass.A2L, Oil.Polyolester, "R32/R1234yf 35/65"),
        Blend("R454B", SafetyClass.A2L, Oil.Polyolester, "R32/R1234yf 68.9/31.1"),
        Blend("R454C", SafetyClass.A2L, Oil.Polyolester, "R32/R1234yf 21.5/78.5"),
        Blend("R455A", SafetyClass.A2L, Oil.Polyolester, "R744/R32/R1234yf 3/21.5/75.5"),
        Blend("R422D", SafetyClass.A1, Oil.AnyWithReturn, "R125/R134a/R600a 65.1/31.5/3.4"),
        Blend("R422A", SafetyClass.A1, Oil.AnyWithReturn, "R125/R134a/R600a 85.1/11.5/3.4"),
        Blend("R417A", SafetyClass.A1, Oil.AnyWithReturn, "R125/R134a/R600 46.6/50/3.4"),
        Blend("R427A", SafetyClass.A1, Oil.Polyolester, "R32/R125/R143a/R134a 15/25/10/50"),
        Blend("R434A", SafetyClass.A1, Oil.AnyWithReturn, "R125/R143a/R134a/R600a 63.2/18/16/2.8"),
        Blend("R442A", SafetyClass.A1, Oil.Polyolester, "R32/R125/R134a/R152a/R227ea 31/31/30/3/5"),
    ];

    /// <summary>Pure fluids first, then blends.</summary>
    public static IReadOnlyList<Refrigerant> All { get; } = [.. PureFluids, .. PseudoPures, .. Blends];

    private static readonly Dictionary<string, Refrigerant> ByKey = All.ToDictionary(r => Key(r.Name));

    /// <summary>Finds a refrigerant however it is written: "r-404a", "R 404A", "404A". Null when it is not in the catalogue.</summary>
    public static Refrigerant? Find(string? name) => ByKey.GetValueOrDefault(Key(name ?? ""));

    /// <summary>Those whose names begin as this does: "134" is as people say R134a, "407" may be four. Which it is, the nameplate says.
    /// </summary>
    public static IReadOnlyList<Refrigerant> Near(string name) => Key(name) is { Length: > 1 } typed
        ? [.. All.Where(r => Key(r.Name).StartsWith(typed, StringComparison.Ordinal))] : [];

    /// <summary>A blend's composition from "R32/R125 50/50": components, then mass % in the same order.</summary>
    public static Composition Composition(string components, string massPercent) => Core.Refrigerants.Composition.ByMass(
        components.Split('/')
            .Zip(massPercent.Split('/'), (name, share) =>
            (ByName[name], double.Parse(share, System.Globalization.CultureInfo.InvariantCulture))));

    private static string Key(string name) =>
        string.Concat(name.Where(char.IsLetterOrDigit)).ToUpperInvariant() is var plain && plain.StartsWith('R') ? plain[1..] : plain;

    private static Refrigerant Pure(BlendComponent component, SafetyClass safety, Oil oil, string source)
    {
        var table = Refrigerant.Table(component.Line);
        return new(component.Name, safety, oil, Core.Refrigerants.Composition.ByMass([(component, 1)]), table, table, source);
    }

    private static Refrigerant PseudoPure(string name, string parts, WagnerEquation bubble, WagnerEquation? dew)
    {
        var bubbleTable = Refrigerant.Table(bubble);
        return new(
            name, SafetyClass.A1, Oil.Polyolester, Parts(parts), bubbleTable, dew is null ? bubbleTable : Refrigerant.Table(dew), Lemmon);
    }

    private static Refrigerant Blend(string name, SafetyClass safety, Oil oil, string parts) =>
        Refrigerant.FromComposition(name, safety, oil, Parts(parts));

    private static Composition Parts(string parts) => Composition(parts.Split(' ')[0], parts.Split(' ')[1]);
}
