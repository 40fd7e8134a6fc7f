using KeenEmber.Core.Diagnosis.Weighing;

namespace KeenEmber.Core.Diagnosis;

/// <summary>What would be so if a cause were it.</summary>
/// <param name="Seen">What it would show and was seen.</param>
/// <param name="Against">What it would show otherwise than was seen.</param>
/// <param name="NotLooked">What it would show and nobody has looked at; what tells most first.</param>
public sealed record WhatIf(
    Cause Cause, IReadOnlyList<Fact> Seen, IReadOnlyList<Fact> Against, IReadOnlyList<Expected> NotLooked)
{
    /// <summary>An answer is expected from this share on.</summary>
    private const double ExpectedFrom = 0.5;

    /// <summary>A number is expected to be off from this many deviations of a healthy unit on.</summary>
    private const double OffFrom = 1.5;

    /// <summary>A number this many deviations off tells as much as an answer that is always given.</summary>
    private const double MostOff = 5;

    /// <summary>A fact speaks against a cause where it is this many times likelier on a healthy unit.</summary>
    private const double AgainstFrom = 4;

    /// <summary>Null for a cause that the unit cannot have.</summary>
    public static WhatIf? Of(DiagnosisTable table, DiagnosisInput input, Cause cause)
    {
        var network = Network.Of(table, input);
        var at = network.Causes.ToList().FindIndex(c => c.Code == cause.Code);
        if (at < 0)
            return null;
        var evidence = new Evidence(network, input);
        var set = new SetSearch(network, evidence).Refine(new([at], 0));
        var mode = (OperatingMode)Array.IndexOf(set.Modes, set.Modes.Max());
        var (seen, against) = (new List<Fact>(), new List<Fact>());
        for (var i = 0; i < evidence.Facts.Count; i++)
        {
            var change = evidence.Log(i, set.Conditions, set.Modes) - evidence.Log(i, network.Baseline, set.Modes);
            if (change > Math.Log(AgainstFrom) / 2)
                seen.Add(evidence.Facts[i]);
            else if (change < -Math.Log(AgainstFrom))
                against.Add(evidence.Facts[i]);
        }

        var notLooked = Enumerable.Range(0, network.Observables.Count).Where(o => !evidence.Observables.Contains(o))
            .Select(o => ExpectedOf(network, o, set.Conditions, mode)).OfType<Expected>()
            .OrderBy(e => e.Observable.IsSeldomAsked).ThenByDescending(e => e.Telling).ThenBy(e => e.Observable.Minutes);
        return new(cause, seen, against, [.. notLooked]);
    }

    private static Expected? ExpectedOf(Network network, int observable, double[] conditions, OperatingMode mode)
    {
        var (o, shown) = (network.Observables[observable], network.Shown(observable, mode));
        if (o.IsNumber)
        {
            var (mean, _) = Likelihood.Number(shown, conditions);
            return Math.Abs(mean - shown.Mean) > OffFrom * shown.Deviation
                ? new(o, "", mean) { Telling = Math.Min(1, Math.Abs(mean - shown.Mean) / (MostOff * shown.Deviation)) } : null;
        }

        var shares = Likelihood.Answers(shown, conditions);
        var best = Array.IndexOf(shares, shares.Max());
        return shares[best] > ExpectedFrom && shown.Shares[best] < ExpectedFrom 
            ? new(o, o.Answers[best], null) { Telling = shares[best] - shown.Shares[best] } : null;
    }
}

/// <summary>What a test is expected to show.</summary>
/// <param name="Answer">Empty for a number.</param>
/// <param name="Number">In the unit of the observable; null for an answer.</param>
public sealed record Expected(Observable Observable, string Answer, double? Number)
{
    /// <summary>How much more it is expected than on a healthy unit, 0 to 1.</summary>
    internal double Telling { get; init; }
}
