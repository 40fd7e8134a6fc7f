namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>Finds the sets of causes that explain what is known: all single ones, then the best of them with each other cause that any
/// fact speaks of, and with what they bring on, up to four.</summary>
/// <remarks>
/// A set is weighed in two steps. First with each condition as likely as its causes make it; then, for the best of them, with every
/// doubtful condition either so or not, summed over, which is exact for a set's own links. Compared with trying every set on small
/// networks (SetSearchTests).
/// </remarks>
internal sealed class SetSearch(Network network, Evidence evidence)
{
    /// <summary>Sets that are extended: the best single ones, pairs and triples.</summary>
    private static readonly int[] Extended = [45, 30, 15];

    /// <summary>Causes they are extended by.</summary>
    private static readonly int[] By = [60, 32, 20];

    /// <summary>Sets that are weighed a second time.</summary>
    private const int Refined = 100;

    /// <summary>Doubtful conditions that are tried both ways; further ones stay as likely as they are.</summary>
    private const int MostDoubtful = 3;

    /// <summary>What is surer than this is taken to be so.</summary>
    private const double Doubtful = 0.05;

    /// <summary>That nothing in the table is there.</summary>
    private readonly double never = network.Priors.Sum(p => Math.Log(1 - p));

    /// <summary>Of the units somebody complained of, this share has nothing wrong; trade experience, 1 call in 6 to 10.</summary>
    private const double NothingWrong = 0.15;

    /// <summary>How much less likely it is that nothing is wrong, because somebody called: nothing where nobody complained.</summary>
    private readonly double calledOut = evidence.Facts.Any(f => f is { Answer: "yes", IsComplaint: true })
        ? Math.Max(0, network.Priors.Sum(p => Math.Log(1 - p)) - Math.Log(NothingWrong)) : 0;

    /// <summary>What each cause changes of that.</summary>
    private readonly double[] odds = [.. network.Priors.Select(p => Math.Log(p / (1 - p)))];

    /// <returns>The likeliest first; the empty set among them.</returns>
    internal IReadOnlyList<CauseSet> Find()
    {
        var single = Enumerable.Range(0, network.Causes.Count).Select(c => Weigh([c])).OrderByDescending(s => s.Log).ToList();
        var empty = Weigh([]);
        var speaksFor = single.ConvertAll(s => s.Causes[0]);
        var gain = new double[network.Causes.Count];
        single.ForEach(s => gain[s.Causes[0]] = s.Log - empty.Log);
        var all = new List<CauseSet>(single) { empty };
        IReadOnlyList<CauseSet> last = single;
        for (var size = 0; size < Extended.Length; size++)
        {
            last = Extend(last.Take(Extended[size]), [.. speaksFor.Take(By[size])], gain, all.Max(s => s.Log));
            all.AddRange(last);
        }

        var likeliest = all.Max(s => s.Log);
        var best = all.Where(s => s.Log > likeliest - FarBehind).OrderByDescending(s => s.Log).Take(Refined).ToList();
        if (!best.Contains(empty))
            best.Add(empty);
        return [.. best.Select(Refine).OrderByDescending(s => s.Log)];
    }

    /// <summary>A set alone, then with each other cause, the likeliest first; by how likely they are against each other.</summary>
    internal IReadOnlyList<(CauseSet Set, double Probability)> Beside(CauseSet set)
    {
        var all = Enumerable.Range(0, network.Causes.Count).Where(c => !set.Causes.Contains(c))
            .Select(c => Weigh([.. set.Causes.Append(c).Order()])).OrderByDescending(s => s.Log).Take(Refined)
            .Select(Refine).OrderByDescending(s => s.Log).Prepend(set).ToList();
        var sum = Evidence.Sum([.. all.Select(s => s.Log)]);
        return all.ConvertAll(s => (s, Math.Exp(s.Log - sum)));
    }

    /// <param name="gain">By cause: what it gains by itself.</param>
    /// <param name="best">Of the sets so far.</param>
    private List<CauseSet> Extend(IEnumerable<CauseSet> sets, int[] by, double[] gain, double best)
    {
        var known = new HashSet<long>();
        var extended = new List<CauseSet>();
        foreach (var set in sets)
        {
            foreach (var cause in by.Concat(set.Causes.SelectMany(c => followers[c])))
            {
                if (set.Causes.Contains(cause) || IsHopeless(set, cause, gain[cause], best))
                    continue;
                int[] causes = [.. set.Causes, cause];
                Array.Sort(causes);
                if (known.Add(causes.Aggregate(0L, (key, c) => (key << 12) + c + 1)))
                    extended.Add(Weigh(causes));
            }
        }

        extended.Sort((a, b) => b.Log.CompareTo(a.Log));
        return extended;
    }

    /// <summary>Neither brings the other on, and if both gained here what they gain by themselves they would still be far behind.</summary>
    private bool IsHopeless(CauseSet set, int cause, double gain, double best) => set.Log + gain < best - FarBehind
        && !Array.Exists(set.Causes, c => Supports(c, cause) || Supports(cause, c));

    /// <summary>As a logarithm: one in 8,000. What one cause makes unlikely and another makes good again is less (every job that is
    /// played comes out the same without it, PlayedCasesTests).</summary>
    private const double FarBehind = 9;

    private readonly double[] conditions = new double[network.Conditions.Count];

    private CauseSet Weigh(int[] causes)
    {
        network.ConditionsInto(conditions, causes, [], 0);
        return new(causes, Prior(causes) + evidence.Log(conditions));
    }

    /// <summary>Logarithm of how likely just these causes are: each by itself or brought on by another of the set, the rest not
    /// there.</summary>
    internal double Prior(int[] causes)
    {
        if (causes.Length == 0)
            return never - calledOut;
        var log = never;
        var isSupported = false;
        foreach (var cause in causes)
        {
            log += odds[cause];
            foreach (var other in causes)
                isSupported |= Supports(other, cause);
        }

        if (!isSupported)
            return log;
        foreach (var (cause, parent) in Parents(causes))
        {
            if (parent is { } p)
                log += Math.Log(network.Support[p, cause] / network.Priors[cause]);
        }

        return log;
    }

    /// <summary>By cause: what it brings on. By itself that may not be worth a try, and together they are it: a control that melt water
    /// has wetted behind a blocked drain.</summary>
    private readonly int[][] followers = [.. Enumerable.Range(0, network.Causes.Count)
        .Select(c => Enumerable.Range(0, network.Causes.Count).Where(o => network.IsSupport[c, o]).ToArray())];

    private bool Supports(int one, int other) => network.IsSupport[one, other];

    /// <summary>Which cause of the set brought on which: the strongest support each, and none in a circle.</summary>
    internal (int Cause, int? Parent)[] Parents(int[] causes)
    {
        var parents = Array.ConvertAll(causes, c => (Cause: c, Parent: (int?)null));
        var supports = new List<(int Of, int By, double Gain)>();
        for (var of = 0; of < causes.Length; of++)
        {
            for (var by = 0; by < causes.Length; by++)
            {
                if (Supports(causes[by], causes[of]))
                    supports.Add((of, by, network.Support[causes[by], causes[of]] / network.Priors[causes[of]]));
            }
        }

        foreach (var (of, by, _) in supports.OrderByDescending(s => s.Gain))
        {
            if (parents[of].Parent is null && !IsAncestor(of, by))
                parents[of].Parent = causes[by];
        }

        return parents;

        bool IsAncestor(int of, int at)
        {
            while (at != of && parents[at].Parent is { } parent)
                at = Array.IndexOf(causes, parent);
            return at == of;
        }
    }

    /// <summary>The set with every doubtful condition that its causes make tried both ways.</summary>
    internal CauseSet Refine(CauseSet set)
    {
        var likely = network.ConditionsOf(set.Causes);
        var doubtful = Enumerable.Range(0, likely.Length)
            .Where(i => likely[i] > Doubtful && likely[i] < 1 - Doubtful && likely[i] - network.Baseline[i] > Doubtful)
            .OrderByDescending(evidence.Speaks).ThenBy(i => Math.Abs(likely[i] - 0.5)).Take(MostDoubtful).ToArray();
        Span<double> logs = stackalloc double[1 << doubtful.Length];
        var states = new double[logs.Length][];
        for (var way = 0; way < states.Length; way++)
        {
            (states[way], var log) = network.ConditionsOf(set.Causes, doubtful, way);
            logs[way] = log + evidence.Log(states[way]);
        }

        var all = Evidence.Sum(logs);
        var conditions = new double[likely.Length];
        for (var way = 0; way < states.Length; way++)
        {
            var weight = Math.Exp(logs[way] - all);
            for (var i = 0; i < conditions.Length; i++)
                conditions[i] += weight * states[way][i];
        }

        return new(set.Causes, Prior(set.Causes) + all) { Conditions = conditions, Modes = evidence.ModesGiven(conditions) };
    }
}
