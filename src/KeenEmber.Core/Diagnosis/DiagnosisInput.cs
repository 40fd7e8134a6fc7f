using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Diagnosis;

/// <summary>One thing that is known of the unit.</summary>
/// <param name="Code">Of the observable.</param>
/// <param name="Answer">One of its answers; empty for a number.</param>
/// <param name="Number">In the unit of the observable; null for an answer.</param>
public sealed record Fact(string Code, string Answer, double? Number = null)
{
    /// <summary>It is what somebody called for, not what anybody looked at.</summary>
    public bool IsComplaint => IsOfComplaint(Code);

    /// <summary>An observable of that code is what somebody calls for.</summary>
    public static bool IsOfComplaint(string code) => code.StartsWith("complaint.", StringComparison.Ordinal);
}

/// <summary>An earlier visit, as far as it bears on this one.</summary>
/// <param name="DaysAgo">Not below 0.</param>
/// <param name="Parts">Parts that were worked on, as the table calls them.</param>
/// <param name="Replaced">Those of them that were replaced.</param>
public sealed record EarlierWork(double DaysAgo, IReadOnlyList<string> Parts, IReadOnlyList<string> Replaced);

/// <summary>What is known of a unit that is to be diagnosed.</summary>
/// <param name="MakeUp">What its circuit has.</param>
/// <param name="Target">What the box is to hold.</param>
/// <param name="EvaporatorFans">How many.</param>
/// <param name="Facts">Of two with one code the later holds.</param>
public sealed record DiagnosisInput(CircuitMakeUp MakeUp, Temperature Target, int EvaporatorFans, IReadOnlyList<Fact> Facts)
{
    /// <summary>Earlier visits.</summary>
    public IReadOnlyList<EarlierWork> History { get; init; } = [];

    /// <summary>What the company's own closed visits came to.</summary>
    public ClosedCases Closed { get; init; } = ClosedCases.None;

    /// <summary>What explained the unit before the work that was done on it: what was not replaced may be so still.</summary>
    public IReadOnlyList<WeighedCause> Before { get; init; } = [];

    /// <summary>What an earlier visit took to be likely and left as it was, as likely as that still is.</summary>
    public IReadOnlyList<WeighedCause> LeftOpen { get; init; } = [];

    /// <summary>Observables that cannot be had now: asked for no more.</summary>
    public IReadOnlySet<string> CannotNow { get; init; } = new HashSet<string>();

    /// <summary>Facts that were made sure of: not asked for a second time, and hardly mistaken.</summary>
    public IReadOnlySet<string> Settled { get; init; } = new HashSet<string>();

    /// <summary>Codes of what was told twice and the same the second time; a number is measured again to be better known.</summary>
    /// <param name="facts">In the order in which they were told.</param>
    public static IReadOnlySet<string> ToldAlike(IEnumerable<Fact> facts) => facts.GroupBy(f => f.Code)
        .Where(g => g.ToList() is [.., var before, var last] && (last.Number is not null || last.Answer == before.Answer))
        .Select(g => g.Key).ToHashSet();

    /// <summary>Where the technician is; empty for not known.</summary>
    public string At { get; init; } = "";

    /// <summary>What to test next is to be said; of a visit that is over nobody asks.</summary>
    public bool AsksNext { get; init; } = true;

    /// <summary>Everything that is known, in one text: two that are alike have the same.</summary>
    public string Key => string.Join('\n',
        [
            $"{MakeUp} {Target.Kelvin} {EvaporatorFans} {At} {AsksNext}",
            string.Join(' ', Facts.Select(f => $"{f.Code}={f.Answer}{f.Number}")),
            string.Join(' ', History.Select(h => $"{h.DaysAgo}:{string.Join(',', h.Parts)}:{string.Join(',', h.Replaced)}")),
            string.Join(' ', Before.Select(b => $"{b.Cause.Code}={b.Probability}")),
            string.Join(' ', LeftOpen.Select(b => $"{b.Cause.Code}={b.Probability}")),
            $"{Closed.Cases}", string.Join(' ', Closed.ByCause.Select(c => $"{c.Key}={c.Value}").Order(StringComparer.Ordinal)),
            string.Join(' ', CannotNow.Order(StringComparer.Ordinal)), string.Join(' ', Settled.Order(StringComparer.Ordinal)),
        ]);
}
