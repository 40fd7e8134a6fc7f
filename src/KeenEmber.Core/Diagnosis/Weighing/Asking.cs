namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>What to test next: while nothing is sure, what tells most; then why it failed; then what else is wrong beside it.</summary>
/// <param name="weighed">Sets with their probabilities, the likeliest first.</param>
internal sealed class Asking(
    Network network, Evidence evidence, SetSearch search, DiagnosisInput input, IReadOnlyList<(CauseSet Set, double Probability)> weighed)
{
    private const int Most = 8;

    /// <summary>From this probability on it is looked for what else is wrong beside the leading explanation.</summary>
    private const double LeadsFrom = 0.5;

    /// <param name="isSure">The leading explanation may be acted on.</param>
    /// <param name="likely">How likely its least sure cause is.</param>
    /// <returns>The best first; empty where nothing is worth asking.</returns>
    internal IReadOnlyList<NextTest> Next(Explanation lead, bool isSure, double likely)
    {
        var tests = new NextTests(network, evidence, input);
        if (!isSure && tests.Find(weighed, Most) is { Count: > 0 } deciding)
            return deciding;
        if (lead.Causes.Count == 0)
            return isSure ? [] : Again(lead);
        if (tests.FindReasons([.. weighed.Select(w => (w.Set, search.Parents(w.Set.Causes), w.Probability))], Most)
            is { Count: > 0 } reasons)
            return reasons;
        if (!isSure && Again(lead) is { Count: > 0 } again)
            return again;
        return isSure || likely >= LeadsFrom ? tests.FindBeside(search.Beside(weighed[0].Set), lead, Most) : [];
    }

    /// <summary>What would show what leads, where that can be seen at once and was not.</summary>
    internal IReadOnlyList<NextTest> Sight() => new NextTests(network, evidence, input).FindSight(
        weighed, search.Parents(weighed[0].Set.Causes).Where(p => p.Parent is null).Select(p => p.Cause));

    /// <summary>Where nothing new is worth asking, what is odd with the leading explanation is looked at once more: with it left out, it
    /// would tell something.</summary>
    private IReadOnlyList<NextTest> Again(Explanation lead)
    {
        foreach (var odd in lead.Leaves.Where(f => !input.Settled.Contains(f.Code)))
        {
            var without = input with { Facts = [.. input.Facts.Where(f => f.Code != odd.Code)] };
            var rest = new Evidence(network, without);
            var sets = new SetSearch(network, rest).Find();
            var all = Evidence.Sum([.. sets.Select(s => s.Log)]);
            var next = new NextTests(network, rest, without)
                .Find([.. sets.Select(s => (s, Math.Exp(s.Log - all)))], network.Observables.Count)
                .FirstOrDefault(t => t.Observable.Code == odd.Code);
            if (next is not null)
                return [next with { IsAgain = true }];
        }

        return [];
    }
}
