using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Circuit;

/// <summary>A result that creeps the same way from visit to visit.</summary>
/// <param name="From">Its value on the first of the visits looked at, K.</param>
/// <param name="To">Its value on the latest, K.</param>
public sealed record Drifting(ResultRef Kind, double From, double To);

/// <summary>Units that are getting worse before anybody complains.</summary>
/// <remarks>
/// A result made of one temperature and one pressure is good to about 0.7 K with usual meters (see <see cref="InstrumentAccuracy"/>), the
/// difference of
/// two such to 1.0 K; creep has to be twice that, and in every step the same way, to be told from chance.
/// </remarks>
public static class Drift
{
    /// <summary>So many visits in a row must show it.</summary>
    public const int Visits = 3;

    /// <summary>Less than this from first to last is no creep, K.</summary>
    public const double LeastK = 2;

    private static readonly ResultRef[] Watched =
        [ResultKind.SuperheatCoil, ResultKind.SuperheatCoil.At(2), ResultKind.SuperheatCompressor, ResultKind.Subcooling,
            ResultKind.EvaporatorTd, ResultKind.EvaporatorTd.At(2), ResultKind.CondenserSplit];

    /// <param name="latestFirst">Usable results of each visit that had any, K.</param>
    public static IReadOnlyList<Drifting> Of(IReadOnlyList<IReadOnlyDictionary<ResultRef, double>> latestFirst)
    {
        if (latestFirst.Count < Visits)
            return [];
        var looked = latestFirst.Take(Visits).Reverse().ToList();
        return [.. Watched.Where(k => looked.TrueForAll(v => v.ContainsKey(k)))
            .Select(k => (Kind: k, Values: looked.ConvertAll(v => v[k])))
            .Where(x => Math.Abs(x.Values[^1] - x.Values[0]) >= LeastK && Steps(x.Values).Distinct().Count() == 1)
            .Select(x => new Drifting(x.Kind, x.Values[0], x.Values[^1]))];
    }

    private static IEnumerable<int> Steps(List<double> values) => values.Zip(values.Skip(1), (a, b) => Math.Sign(b - a));
}
