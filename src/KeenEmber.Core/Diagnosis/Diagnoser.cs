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

    private const int MostNext = 8;

    /// <summary>How often the truth is nothing that the table knows.</summary>
    private const double UnknownPrior = 0.001;

    /// <summary>From this probability on nothing is wrong.</summary>
    private const double HealthySureAt = 0.92;

    /// <summary>A fact is explained where it is this many times likelier than on a healthy unit, and odd where it is this many times less
    /// likely than the usual answer.</summary>
    private const double Explained = 1.5, Odd = 6;

    /// <summary>Weighs everything that is known.</summary>
    public DiagnosisResult Diagnose(DiagnosisInput input)
    {
        var network = Network.Of(table, input);
        var evidence = new Evidence(network, input.Facts);
        var search = new SetSearch(network, evidence);
        var sets = search.Find();
        var unknown = Math.Log(UnknownPrior) + evidence.Observables.Sum(o => Math.Log(Likelihood.OfAnything(network, o)));
        var all = Evidence.Sum([.. sets.Select(s => s.Log), unknown]);
        var weighed = sets.Select(s => (Set: s, Probability: Math.Exp(s.Log - all))).ToList();
        var told = new Telling(network, evidence, search);
        PutSomethingFirst(weighed, told);
        var explanations = weighed.Take(MostExplanations).Select(w => told.Of(w.Set, w.Probability)).ToList();
        var causes = RootsFirst(explanations[0], [.. weighed.SelectMany(w => w.Set.Causes, (w, c) => (Cause: c, w.Probability))
            .GroupBy(c => c.Cause).Select(g => new WeighedCause(network.Causes[g.Key], g.Sum(c => c.Probability)))
            .OrderByDescending(c => c.Probability).Take(MostCauses)]);
        var isSure = IsSure(explanations[0], causes);
        var tests = new NextTests(network, evidence, input);
        IReadOnlyList<NextTest> next = [];
        if (input.AsksNext && isSure)
            next = tests.FindReasons([.. weighed.Select(w => (w.Set, search.Parents(w.Set.Causes), w.Probability))], MostNext);
        if (input.AsksNext && next.Count == 0)
            next = tests.Find(weighed, MostNext);
        return new(Dangers.Of(input.Facts), explanations, causes, Math.Exp(unknown - all), explanations[0].Leaves,
            input.AsksNext && next.Count == 0 && !isSure ? Again(network, input, explanations[0]) : next, isSure);
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

    /// <summary>Where nothing new is worth asking, what is odd with the leading explanation is looked at once more: with it left out, it
    /// would tell something.</summary>
    private static IReadOnlyList<NextTest> Again(Network network, DiagnosisInput input, Explanation lead)
    {
        foreach (var odd in lead.Leaves.Where(f => !input.Settled.Contains(f.Code)))
        {
            var without = input with { Facts = [.. input.Facts.Where(f => f.Code != odd.Code)] };
            var evidence = new Evidence(network, without.Facts);
            var sets = new SetSearch(network, evidence).Find();
            var all = Evidence.Sum([.. sets.Select(s => s.Log)]);
            var next = new NextTests(network, evidence, without)
                .Find([.. sets.Select(s => (s, Math.Exp(s.Log - all)))], network.Observables.Count)
                .FirstOrDefault(t => t.Observable.Code == odd.Code);
            if (next is not null)
                return [next with { IsAgain = true }];
        }

        return [];
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

    /// <summary>Each root is as likely, over all explanations, as acting on it asks for, and nothing is left odd.</summary>
    private static bool IsSure(Explanation lead, List<WeighedCause> causes)
    {
        if (lead.Causes.Count == 0)
            return lead.Probability >= HealthySureAt;
        return lead.Leaves.Count == 0 && lead.Causes.Where(c => c.Role == CauseRole.Root)
            .All(c => causes.Find(w => w.Cause == c.Cause)?.Probability >= c.Cause.SureAt);
    }

    /// <summary>Puts a set into an explanation.</summary>
    private sealed class Telling(Network network, Evidence evidence, SetSearch search)
    {
        private readonly CauseSet healthy = search.Refine(new([], 0));

        /// <summary>A condition is told of where it is more likely so than not.</summary>
        private const double Told = 0.5;

        internal Explanation Of(CauseSet set, double probability)
        {
            var causes = search.Parents(set.Causes).Select(p => new ExplainingCause(network.Causes[p.Cause],
                p.Parent is null ? CauseRole.Root : CauseRole.Consequence, p.Parent is { } by ? network.Causes[by] : null))
                .OrderBy(c => c.Role).ToList();
            var through = network.Conditions.Where((_, i) => set.Conditions[i] > Told && network.Baseline[i] < Told).ToList();
            var (explains, leaves) = (new List<Fact>(), new List<Fact>());
            for (var i = 0; i < evidence.Facts.Count; i++)
            {
                var (with, without) = (evidence.Log(i, set.Conditions, set.Modes), evidence.Log(i, healthy.Conditions, healthy.Modes));
                var isOdd = with < Math.Log(Usual(i, set) / Odd);
                if (with - without > Math.Log(Explained) && !isOdd)
                    explains.Add(evidence.Facts[i]);
                else if (isOdd)
                    leaves.Add(evidence.Facts[i]);
            }

            return new(causes, probability, through, explains, leaves);
        }

        /// <summary>How likely the likeliest answer is with a set.</summary>
        private double Usual(int fact, CauseSet set)
        {
            var observable = evidence.Observables[fact];
            if (network.Observables[observable].IsNumber)
            {
                var mode = (OperatingMode)Array.IndexOf(set.Modes, set.Modes.Max());
                var (mean, _) = Likelihood.Number(network.Shown(observable, mode), set.Conditions);
                return Likelihood.Density(network.Shown(observable, mode), set.Conditions, mean);
            }

            return Enumerable.Range(0, network.Observables[observable].Answers.Count)
                .Max(a => Enum.GetValues<OperatingMode>()
                    .Sum(m => set.Modes[(int)m] * Likelihood.Answer(network.Shown(observable, m), a, set.Conditions)));
        }
    }
}
