namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>Puts a set of causes into an explanation.</summary>
internal sealed class Telling(Network network, Evidence evidence, SetSearch search, IReadOnlySet<string> settled)
{
    /// <summary>A fact is explained where it is this many times likelier than on a healthy unit, and odd where it is this many times less
    /// likely than the usual answer.</summary>
    private const double Explained = 1.5, Odd = 6;

    /// <summary>A condition is told of where it is more likely so than not.</summary>
    private const double Told = 0.5;

    private readonly CauseSet healthy = search.Refine(new([], 0));

    /// <summary>A set with what is seen beside it.</summary>
    internal Explanation Of(CauseSet set, double probability)
    {
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

        var seen = Seen(set, explains);
        leaves.RemoveAll(f => seen.Exists(s => s.Fact == f && s.IsSure));
        explains.AddRange(seen.Where(s => s.IsSure).Select(s => s.Fact));
        var beside = seen.Where(s => s.IsSure).Select(s => s.Cause).ToHashSet();
        var causes = search.Parents([.. set.Causes.Union(beside)]).Select(p => new ExplainingCause(network.Causes[p.Cause],
            p.Parent is not null ? CauseRole.Consequence : beside.Contains(p.Cause) ? CauseRole.Separate : CauseRole.Root,
            p.Parent is { } by ? network.Causes[by] : null)).OrderBy(c => c.Role).ToList();
        return new(causes, probability, through, explains, leaves) { LookAgain = [.. seen.Where(s => !s.IsSure).Select(s => s.Fact)] };
    }

    /// <summary>What was seen of causes that the set does not hold and that nothing in it explains.</summary>
    private List<(int Cause, Fact Fact, bool IsSure)> Seen(CauseSet set, List<Fact> explains) => set.Causes.Length == 0 ? []
        : [.. from fact in Enumerable.Range(0, evidence.Facts.Count)
            where !explains.Contains(evidence.Facts[fact])
            let told = network.TellTales.Where(t => t.Observable == evidence.Observables[fact] && !set.Causes.Contains(t.Cause)
                && t.IsToldBy(evidence.Facts[fact], network.Observables[t.Observable])).ToList()
            where told.Count > 0
            let likeliest = told.MaxBy(t => network.Priors[t.Cause])
            select (likeliest.Cause, evidence.Facts[fact], IsSure(likeliest, fact, set))];

    /// <summary>So likely is it that who saw it did not err, for nobody to have to look again.</summary>
    private const double SeenRight = 0.65;

    /// <summary>What is often so, or was seen twice, is taken to be so; who errs says something that hardly ever is.</summary>
    private bool IsSure(TellTale told, int fact, CauseSet set)
    {
        var observable = network.Observables[told.Observable];
        if (observable.IsNumber || settled.Contains(observable.Code))
            return true;
        var seen = Math.Exp(evidence.Log(fact, set.Conditions, set.Modes)) + network.Priors[told.Cause];
        return 1 - observable.WrongShare / observable.Answers.Count / seen > SeenRight;
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
