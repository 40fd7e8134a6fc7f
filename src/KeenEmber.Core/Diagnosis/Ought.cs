using KeenEmber.Core.Diagnosis.Weighing;

namespace KeenEmber.Core.Diagnosis;

/// <summary>What a part ought to do now, and what it was seen to do.</summary>
/// <param name="Observable">The part.</param>
/// <param name="Answer">What a healthy unit shows in this mode.</param>
/// <param name="Seen">Null while nobody has looked.</param>
public sealed record Ought(Observable Observable, string Answer, Fact? Seen)
{
    /// <summary>It does something else than it ought to.</summary>
    public bool IsOdd => Seen is { } fact && fact.Answer != Answer;

    /// <summary>Parts that ought to run or stand by the mode.</summary>
    private static readonly string[] Parts = ["shown-mode", "output.compressor", "contactor", "compressor", "condenser-fan", "fans"];

    /// <summary>Above its target by this much the box ought to call, K: differential and thermometer allowed for.</summary>
    private const double CallsAboveK = 2;

    /// <summary>Below this much above its target it ought to be satisfied, K.</summary>
    private const double SatisfiedBelowK = 0;

    /// <summary>The mode the unit ought to be in; null where neither box nor clock tells.</summary>
    public static OperatingMode? ModeOf(IReadOnlyList<Fact> facts)
    {
        if (facts.Any(f => f is { Code: "shown-mode" or "clock-position", Answer: "defrost" }))
            return OperatingMode.Defrost;
        return facts.FirstOrDefault(f => f.Code == "box")?.Number switch
        {
            > CallsAboveK => OperatingMode.Calling,
            < SatisfiedBelowK => OperatingMode.Satisfied,
            _ => null,
        };
    }

    /// <summary>Part by part; empty where the mode is not known.</summary>
    public static IReadOnlyList<Ought> Of(DiagnosisTable table, DiagnosisInput input)
    {
        if (ModeOf(input.Facts) is not { } mode)
            return [];
        var network = Network.Of(table, input);
        return [.. Parts.Select(network.ObservableAt).OfType<int>().Select(o =>
            (Observable: network.Observables[o], Healthy: network.Shown(o, mode)))
            .Select(p => new Ought(p.Observable, Usual(p.Observable, p.Healthy),
                input.Facts.LastOrDefault(f => f.Code == p.Observable.Code)))];
    }

    private static string Usual(Observable observable, Shown healthy) =>
        observable.Answers[Array.IndexOf(healthy.Shares, healthy.Shares.Max())];
}
