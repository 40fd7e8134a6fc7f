using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>Numbers that a healthy unit shows, where they are the target of a result.</summary>
internal static class Bands
{
    private static readonly Dictionary<string, ResultKind> Kinds = new()
    {
        ["superheat"] = ResultKind.SuperheatCoil, ["subcooling"] = ResultKind.Subcooling, ["td"] = ResultKind.EvaporatorTd,
        ["split"] = ResultKind.CondenserSplit, ["air-drop"] = ResultKind.AirDrop, ["comp-superheat"] = ResultKind.SuperheatCompressor,
    };

    /// <summary>Two thirds of healthy units lie within the middle of their target; a target's ends are two standard deviations
    /// off.</summary>
    private const double DeviationsToEnd = 1.6;

    internal static IReadOnlyDictionary<OperatingMode, HealthyAnswer> Fill(Observable observable, CircuitTargets targets) =>
        observable.Healthy.ToDictionary(h => h.Key, h => h.Value.Band.Length == 0 ? h.Value : OfBand(targets.For(Kinds[h.Value.Band])));

    private static HealthyAnswer OfBand(Band? band) => band is { } b
        ? new([], (b.Low + b.High) / 2, (b.High - b.Low) / 2 / DeviationsToEnd)
        : new([], 5, 3);
}
