namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>What is looked for once it is sure what failed: what broke it, and what else is wrong.</summary>
internal sealed partial class NextTests
{
    /// <summary>A part needs no further reason to be looked for once it is this likely that it failed by itself.</summary>
    private const double ByItself = 0.94;

    /// <summary>What is worth knowing of a reason, bits, and the longest look for one, min.</summary>
    private const double LeastReasonBits = 0.02, LeastReasonBitsPerMin = 0.006, LongestReasonMin = 12;

    /// <summary>What would tell why the part failed that leads: looks of a few minutes, that nobody has to be asked for.</summary>
    /// <param name="sets">With what brought on what in each, the likeliest first.</param>
    /// <returns>The best first; empty where nothing brings it on, or nothing is worth it.</returns>
    internal IReadOnlyList<NextTest> FindReasons(
        IReadOnlyList<(CauseSet Set, IReadOnlyList<(int Cause, int? Parent)> Parents, double Probability)> sets, int most)
    {
        isLookingOn = true;
        foreach (var (part, _) in sets[0].Parents.Where(p => p.Parent is null && network.BroughtOnBy[p.Cause].Length > 0))
        {
            var with = sets.Where(s => s.Set.Causes.Contains(part)).Take(Sets).ToList();
            var all = with.Sum(s => s.Probability);
            var weighed = with.ConvertAll(s => (s.Set, Probability: s.Probability / all));
            Presume(weighed);
            var reasons = with.ConvertAll(s => s.Parents.First(p => p.Cause == part).Parent ?? -1);
            if (weighed.Where((_, i) => reasons[i] < 0).Sum(w => w.Probability) >= ByItself)
                continue;
            var found = Enumerable.Range(0, network.Observables.Count)
                .Where(o => MayBeAsked(o) && Waits(o) is null && IsReasonSeenBy(network.Observables[o]))
                .Select(o => new Candidate(o, BitsOf(o, weighed, reasons), Cost(network.Observables[o])))
                .Where(c => c.Bits >= LeastReasonBits && c.PerMin >= LeastReasonBitsPerMin).OrderByDescending(c => c.PerMin).Take(most)
                .Select(c => TestOf(c, weighed) with { ReasonOf = network.Causes[part] }).ToList();
            if (found.Count > 0)
                return found;
        }

        return [];
    }

    /// <summary>What would show the leading cause itself, where it can be seen in a few minutes and was not: nobody replaces what nobody
    /// has looked at.</summary>
    /// <param name="sets">The likeliest first.</param>
    /// <param name="roots">Causes that began it.</param>
    internal IReadOnlyList<NextTest> FindSight(IReadOnlyList<(CauseSet Set, double Probability)> sets, IEnumerable<int> roots)
    {
        isLookingOn = true;
        var weighed = sets.Take(Sets).ToList();
        Presume(weighed);
        return [.. roots.Select(root => network.TellTales.Where(t => t.Cause == root).ToList())
            .Where(shown => !shown.Exists(IsTold))
            .SelectMany(shown => shown.Select(t => t.Observable).Distinct()
                .Where(o => MayBeAsked(o) && Waits(o) is null && IsSeenInPassing(network.Observables[o]))
                .OrderBy(o => Cost(network.Observables[o])).Take(1))
            .Select(o => TestOf(new(o, BitsOf(o, weighed), Cost(network.Observables[o])), weighed))];
    }

    private bool IsTold(TellTale shown) => network.Observables[shown.Observable] is var observable
        && known.TryGetValue(observable.Code, out var fact) && shown.IsToldBy(fact, observable);

    /// <summary>What a look for a further fault must tell, bits a minute.</summary>
    private const double LeastBesideBitsPerMin = 0.018;

    /// <summary>What would tell of another fault beside the leading explanation, or of what it has broken: looks of a few minutes. What was
    /// seen of one and may be a mistake is looked at once more first.</summary>
    /// <param name="sets">What leads alone, and with each other cause.</param>
    /// <returns>The best first; empty where nothing is worth it.</returns>
    internal IReadOnlyList<NextTest> FindBeside(
        IReadOnlyList<(CauseSet Set, double Probability)> sets, Explanation lead, int most)
    {
        isLookingOn = true;
        var weighed = sets.Take(Sets).ToList();
        Presume(weighed);
        if (lead.LookAgain is [var doubtful, ..] && network.ObservableAt(doubtful.Code) is { } at)
            return [TestOf(new(at, BitsOf(at, weighed), Cost(network.Observables[at])), weighed) with { IsAgain = true }];
        return [.. Enumerable.Range(0, network.Observables.Count)
            .Where(o => MayBeAsked(o) && Waits(o) is null && IsSeenInPassing(network.Observables[o])
                && (Differs(o, weighed) || network.TellTales.Any(t => t.Observable == o)))
            .Select(o => new Candidate(o, BitsOf(o, weighed) + BitsOfSeeing(o, weighed), Cost(network.Observables[o])))
            .Where(c => c.PerMin >= LeastBesideBitsPerMin).OrderByDescending(c => c.PerMin).Take(most)
            .Select(c => TestOf(c, weighed) with { Beside = lead.Causes[0].Cause })];
    }

    /// <summary>What it tells to see a fault itself or that it is not there, and what asks for a look at one: a fan that stands. Bits.
    /// </summary>
    private double BitsOfSeeing(int observable, List<(CauseSet Set, double Probability)> sets)
    {
        var of = network.Observables[observable];
        var answers = network.TellTales.Where(t => t.Observable == observable && !sets[0].Set.Causes.Contains(t.Cause))
            .Select(t => t.Side switch { > 0 => RangeNames.Length - 1, < 0 => 0, _ => t.Answer }).ToHashSet();
        answers.UnionWith(network.TellTales.SelectMany(t => network.Observables[t.Observable].Needs).Where(n => n.Observable == of.Code)
            .SelectMany(n => n.Answers).Select(a => of.Answers.ToList().IndexOf(a)));
        var shares = sets.ConvertAll(s => SharesOf(observable, s.Set));
        var seen = sets.Select((s, i) => s.Probability * shares[i].Where((share, a) => answers.Contains(a) && share < Usual).Sum()).Sum();
        return Entropy([seen, 1 - seen]);
    }

    /// <summary>What is so more often than not asks for no look at a fault.</summary>
    private const double Usual = 0.5;
}
