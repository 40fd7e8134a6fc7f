namespace KeenEmber.Core.Refrigerants;

/// <summary>The refrigerants Keen Ember can compute, by designation.</summary>
/// <remarks>
/// Critical temperature (K), critical pressure (kPa), lowest temperature of use (K: the fluid's triple point or the
/// lower end of the published equation), then the terms. Safety classes after ISO 817.
/// </remarks>
public static class RefrigerantCatalogue
{
    private const string PseudoPure = "Lemmon 2003";

    public static IReadOnlyList<Refrigerant> All { get; } =
    [
        Pure("R134a", SafetyClass.A1, new(374.18, 4056.29, 169.85, new(-7.686556, 1), new(2.311791, 1.5), new(-2.039554, 2), new(-3.583758, 4)), "Tillner-Roth & Baehr 1994"),
        Pure("R744", SafetyClass.A1, new(304.1282, 7377.3, 216.592, new(-7.0602087, 1), new(1.9391218, 1.5), new(-1.6463597, 2), new(-3.2995634, 4)), "Span & Wagner 1996"),
        Pure("R290", SafetyClass.A3, new(369.89, 4251.2, 85.525, new(-6.7722, 1), new(1.6938, 1.5), new(-1.3341, 2.2), new(-3.1876, 4.8), new(0.94937, 6.2)), "Lemmon et al. 2009"),
        Pure("R600a", SafetyClass.A3, new(407.817, 3629.0, 113.73, new(-6.85093103, 1), new(1.36543198, 1.5), new(-1.32542691, 2.5), new(-2.56190994, 4.5)), "Bücker & Wagner 2006"),
        Pure("R600", SafetyClass.A3, new(425.125, 3796.0, 134.895, new(-7.17616903, 1), new(2.53635336, 1.5), new(-2.07532869, 2), new(-2.82241113, 4.5)), "Bücker & Wagner 2006"),
        Pure("R32", SafetyClass.A2L, new(351.255, 5782.0, 136.34, new(-7.4883, 1), new(1.9697, 1.5), new(-1.7496, 2.2), new(-4.0224, 4.8), new(1.5209, 6.2)), "after Tillner-Roth & Yokozeki 1997"),
        Pure("R125", SafetyClass.A1, new(339.173, 3617.7, 172.52, new(-7.5295, 1), new(1.9026, 1.5), new(-2.2966, 2.3), new(-3.4480, 4.6)), "Lemmon & Jacobsen 2005"),
        Pure("R143a", SafetyClass.A2L, new(345.857, 3761.0, 161.34, new(-7.3938, 1), new(1.9948, 1.5), new(-1.8487, 2.2), new(-4.1927, 4.8), new(1.4862, 6.2)), "after Lemmon & Jacobsen 2000"),
        Pure("R1234yf", SafetyClass.A2L, new(367.85, 3382.2, 220, new(-7.4697, 1), new(2.7915, 1.5), new(-2.1312, 1.8), new(-2.9531, 3.8)), "Richter et al. 2011"),
        Pure("R1234ze(E)", SafetyClass.A2L, new(382.513, 3634.9, 169, new(-7.5888, 1), new(1.9696, 1.5), new(-2.0827, 2.2), new(-4.1238, 4.6)), "Thol & Lemmon 2016"),
        Pure("R22", SafetyClass.A1, new(369.295, 4990.0, 115.73, new(-7.0780, 1), new(1.7211, 1.5), new(-1.6379, 2.2), new(-3.7952, 4.8), new(0.86937, 6.2)), "after Kamei et al. 1995"),
        Pure("R152a", SafetyClass.A2, new(386.411, 4516.75, 154.56, new(-7.4821, 1), new(2.1105, 1.5), new(-2.0761, 2.2), new(-3.5539, 4.8), new(0.58004, 6.2)), "after Outcalt & McLinden 1996"),
        Pure("R717", SafetyClass.B2L, new(405.56, 11363.4, 195.495, new(-7.0993, 1), new(-2.4330, 1.5), new(8.7591, 1.7), new(-6.4091, 1.95), new(-2.1185, 4.2)), "after Gao et al."),
        Blend("R404A", new(345.270, 3734.8, 200, new(0.061067, 0.54), new(-6.5646, 0.965), new(-3.6162, 3.7), new(-3.9771, 9)), new(345.270, 3734.8, 200, new(-0.00026863, 0.1), new(-6.5757, 0.972), new(-4.1802, 3.8), new(-7.9102, 9))),
        Blend("R410A", new(344.494, 4901.2, 200, new(-7.2818, 1), new(2.5093, 1.8), new(-3.2695, 2.4), new(-2.8022, 4.9)), new(344.494, 4901.2, 200, new(-7.4411, 1), new(1.9883, 1.6), new(-2.4925, 2.4), new(-3.2633, 5))),
        Blend("R407C", new(359.345, 4631.7, 200, new(0.48722, 0.54), new(-6.6959, 0.925), new(-1.4165, 2.7), new(-2.5109, 4.7)), new(359.345, 4631.7, 200, new(-0.086077, 0.4), new(-6.6364, 0.965), new(-2.4648, 3.1), new(-3.4776, 5))),
        Pure("R507A", SafetyClass.A1, new(343.765, 3704.9, 200, new(-7.5459, 1), new(2.3380, 1.5), new(-2.2370, 2.1), new(-4.1535, 4.7)), PseudoPure),
    ];

    /// <summary>Finds a refrigerant however it is written: "r-404a", "R 404A", "404A". Null when it is not in the catalogue.</summary>
    public static Refrigerant? Find(string? name)
    {
        var key = Key(name ?? "");
        return key.Length == 0 ? null : All.FirstOrDefault(r => Key(r.Name) == key);
    }

    private static string Key(string name) =>
        string.Concat(name.Where(char.IsLetterOrDigit)).ToUpperInvariant() is var plain && plain.StartsWith('R') ? plain[1..] : plain;

    private static Refrigerant Pure(string name, SafetyClass safety, WagnerEquation line, string source) =>
        new(name, safety, line, line, source);

    private static Refrigerant Blend(string name, WagnerEquation bubble, WagnerEquation dew) =>
        new(name, SafetyClass.A1, bubble, dew, PseudoPure);
}
