using KeenEmber.Core.Diagnosis.Weighing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Diagnosis;

/// <summary>What a diagnosis comes to.</summary>
/// <param name="Dangers">Before anything else.</param>
/// <param name="Explanations">The likeliest first; one without causes says that nothing is wrong.</param>
/// <param name="Causes">By themselves, the likeliest first.</param>
/// <param name="NothingFits">How likely it is that the truth is nothing this table knows.</param>
/// <param name="Unexplained">Facts that the leading explanation leaves odd.</param>
/// <param name="Next">The test to make next, then the next best; empty where nothing is worth it, or none was asked for.</param>
/// <param name="IsSure">The leading explanation is sure enough to be acted on.</param>
public sealed record DiagnosisResult(
    IReadOnlyList<Danger> Dangers, IReadOnlyList<Explanation> Explanations, IReadOnlyList<WeighedCause> Causes, double NothingFits,
    IReadOnlyList<Fact> Unexplained, IReadOnlyList<NextTest> Next, bool IsSure)
{
    /// <summary>It is sure which part failed, and not yet looked for what broke it: the next part would go the same way.</summary>
    public bool AsksWhy => IsSure && Next is [{ ReasonOf: not null }, ..];
}

/// <summary>Finds which causes explain what was seen, and which test to make next.</summary>
/// <remarks>Bayesian: prior odds of causes, noisy-or over conditions, shares of answers and shifts of numbers with observers who err. Pure
/// and the same for the same facts.</remarks>
public sealed class Diagnoser(DiagnosisTable table)
{
    private const int MostExplanations = 6;

    private const int MostCauses = 12;

    /// <summary>How often the truth is nothing that the table knows.</summary>
    private const double UnknownPrior = 0.001;

    /// <summary>From this probability on nothing is wrong.</summary>
    private const double HealthySureAt = 0.92;

    /// <summary>Weighs everything that is known.</summary>
    public DiagnosisResult Diagnose(DiagnosisInput input)
    {
        var network = Network.Of(table, input);
        var evidence = new Evidence(network, input);
        var search = new SetSearch(network, evidence);
        var sets = search.Find();
        var unknown = Math.Log(UnknownPrior) + evidence.Observables.Sum(o => Math.Log(Likelihood.OfAnything(network, o)));
        var all = Evidence.Sum([.. sets.Select(s => s.Log), unknown]);
        var weighed = sets.Select(s => (Set: s, Probability: Math.Exp(s.Log - all))).ToList();
        var told = new Telling(network, evidence, search, input.Settled);
        PutSomethingFirst(weighed, told);
        var explanations = weighed.Take(MostExplanations).Select(w => told.Of(w.Set, w.Probability)).ToList();
        var causes = RootsFirst(explanations[0], [.. weighed.SelectMany(w => w.Set.Causes, (w, c) => (Cause: c, w.Probability))
            .GroupBy(c => c.Cause).Select(g => new WeighedCause(network.Causes[g.Key], g.Sum(c => c.Probability)))
            .OrderByDescending(c => c.Probability).Take(MostCauses)]);
        var asking = new Asking(network, evidence, search, input, weighed);
        var isSure = IsSure(explanations[0], causes);
        var sight = isSure ? asking.Sight() : [];
        isSure &= sight.Count == 0;
        var next = !input.AsksNext ? []
            : sight.Count > 0 ? sight : asking.Next(explanations[0], isSure, LeastSure(explanations[0], causes));
        return new(Dangers.Of(input.Facts), explanations, [.. causes.Select(Told)], Math.Exp(unknown - all), explanations[0].Leaves, next,
            isSure);
    }

    /// <summary>More likely than not something is wrong, and somebody has seen it: then "nothing" does not lead, though no single
    /// explanation is as likely.</summary>
    private const double NothingLeadsFrom = 0.5;

    private static void PutSomethingFirst(List<(CauseSet Set, double Probability)> sets, Telling told)
    {
        if (sets is [({ Causes.Length: 0 } nothing, < NothingLeadsFrom and var probability), _, ..]
            && told.Of(nothing, probability).Leaves.Any(f => !f.IsComplaint))
            (sets[0], sets[1]) = (sets[1], sets[0]);
    }

    /// <summary>What a healthy unit of this make-up answers in a mode.</summary>
    public static HealthyAnswer Healthy(Observable observable, OperatingMode mode, CircuitMakeUp makeUp, Temperature target) =>
        Bands.Fill(observable, CircuitTargets.Of(makeUp, Load.Settled, target, null))[mode];

    /// <summary>What the leading explanation has as a consequence stands behind what brought it on, however much surer it is.</summary>
    private static List<WeighedCause> RootsFirst(Explanation lead, List<WeighedCause> causes)
    {
        foreach (var (cause, by) in lead.Causes.Where(c => c.BroughtOnBy is not null).Select(c => (c.Cause, c.BroughtOnBy)))
        {
            var (at, root) = (causes.FindIndex(c => c.Cause == cause), causes.FindIndex(c => c.Cause == by));
            if (at < 0 || root < at)
                continue;
            causes.Insert(root + 1, causes[at]);
            causes.RemoveAt(at);
        }

        return causes;
    }

    /// <summary>Who answers errs less often than is allowed for here, so that what is likelier than not is so more often than it is
    /// weighed: as it is told it is so about as often. From the worked jobs and the units in arithmetic (docs/numbers.md); when to act
    /// goes by what is weighed.</summary>
    private static WeighedCause Told(WeighedCause cause) => cause.Probability is > Even and var p
        ? cause with { Probability = p + Surer * (p - Even) * (1 - p) } : cause;

    private const double Even = 0.5, Surer = 1.2;

    /// <summary>How likely a cause is over all explanations.</summary>
    private static double Of(Cause cause, List<WeighedCause> causes) => causes.Find(w => w.Cause == cause)?.Probability ?? 0;

    private static double LeastSure(Explanation lead, List<WeighedCause> causes) =>
        lead.Causes.Where(c => c.Role == CauseRole.Root).Select(c => Of(c.Cause, causes)).DefaultIfEmpty(lead.Probability).Min();

    /// <summary>Each root is as likely, over all explanations, as acting on it asks for, and nothing is left odd but what is to
    /// be looked at once more.</summary>
    private static bool IsSure(Explanation lead, List<WeighedCause> causes)
    {
        if (lead.Causes.Count == 0)
            return lead.Probability >= HealthySureAt;
        return lead.Leaves.All(lead.LookAgain.Contains)
            && lead.Causes.Where(c => c.Role == CauseRole.Root).All(c => Of(c.Cause, causes) >= c.Cause.SureAt);
    }
}
