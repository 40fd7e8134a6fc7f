namespace KeenEmber.Core.Refrigerants;

/// <summary>Binary interaction of the van der Waals one-fluid mixing rule, kᵢⱼ(T) = k0 + k1·(T - 273.15 K)/100 K.</summary>
/// <remarks>
/// Fitted to the four pseudo-pure blends of Lemmon 2003 and to the published normal bubble and dew points of the other blends:
/// rms error 0.09 K, worst 0.46 K (R454C dew). A pair that is not listed has 0.
/// </remarks>
internal static class BinaryInteraction
{
    private static readonly Dictionary<(string, string), (double K0, double K1)> Pairs = new()
    {
        [("R125", "R143a")] = (-0.0118, 0.0042),
        [("R125", "R32")] = (-0.0002, 0.0143),
        [("R125", "R134a")] = (0.0121, 0.0033),
        [("R134a", "R143a")] = (-0.0052, -0.003),
        [("R134a", "R32")] = (-0.0034, 0.0006),
        [("R1234yf", "R32")] = (0.0398, 0),
        [("R1234yf", "R125")] = (0.0061, 0),
        [("R1234yf", "R134a")] = (0.0143, 0),
        [("R1234ze(E)", "R134a")] = (0.0128, 0),
        [("R1234ze(E)", "R32")] = (-0.0141, 0),
        [("R1234ze(E)", "R125")] = (0.0063, 0),
        [("R1234yf", "R1234ze(E)")] = (0.0388, 0),
        [("R290", "R600a")] = (0.0, 0),
        [("R134a", "R600a")] = (0.077, 0),
        [("R125", "R600a")] = (0.1221, 0),
        [("R134a", "R600")] = (0.0906, 0),
        [("R125", "R600")] = (-0.0134, 0),
        [("R32", "R744")] = (-0.0273, 0),
        [("R1234yf", "R744")] = (-0.0322, 0),
    };

    /// <summary>kᵢⱼ of two components by designation; the same either way round, 0 with itself.</summary>
    internal static double Of(string a, string b, double tempK)
    {
        if (!Pairs.TryGetValue((a, b), out var pair) && !Pairs.TryGetValue((b, a), out pair))
            return 0;
        return pair.K0 + pair.K1 * (tempK - 273.15) / 100;
    }
}
