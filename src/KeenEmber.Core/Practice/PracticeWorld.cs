using System.Globalization;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Diagnosis.Weighing;

namespace KeenEmber.Core.Practice;

/// <summary>What is found on the unit of a job wherever somebody looks: what the job says, and for the rest what its truth makes
/// likeliest.</summary>
public sealed class PracticeWorld
{
    private readonly Job job;
    private readonly Network network;
    private readonly CauseSet truth;

    /// <param name="job">Its answers must be answers of the table.</param>
    public PracticeWorld(Job job)
    {
        this.job = job;
        var known = job.Opening.Concat(job.Answers).GroupBy(a => a.Key).Select(g => FactOf(g.Key, g.Last().Value)).OfType<Fact>().ToList();
        var input = new DiagnosisInput(job.Unit.MakeUp, job.Unit.Target, job.Unit.Fans, known);
        network = Network.Of(DiagnosisTable.Shipped, input);
        var causes = job.Truth.Select(t => network.Causes.ToList().FindIndex(c => c.Code == t)).Where(c => c >= 0).Distinct().Order();
        truth = new SetSearch(network, new(network, input)).Refine(new([.. causes], 0));
        Mode = job.Truth.Any() ? (OperatingMode)Array.IndexOf(truth.Modes, truth.Modes.Max()) : job.Mode;
    }

    /// <summary>What it ought to be doing.</summary>
    public OperatingMode Mode { get; }

    /// <summary>What the unit has.</summary>
    public IReadOnlyList<Observable> Observables => network.Observables;

    /// <summary>Causes the unit can have.</summary>
    public IReadOnlyList<Cause> Causes => network.Causes;

    /// <summary>What is found.</summary>
    /// <returns>One of the observable's answers, or a number in its unit.</returns>
    public Fact Answer(Observable observable)
    {
        if ((job.Answers.TryGetValue(observable.Code, out var own) || job.Opening.TryGetValue(observable.Code, out own))
            && FactOf(observable.Code, own) is { } told)
            return told;
        var at = network.ObservableAt(observable.Code)!.Value;
        if (observable.IsNumber)
            return new(observable.Code, "", Math.Round(2 * Likelihood.Number(network.Shown(at, Mode), truth.Conditions).Mean) / 2);
        var shares = Likelihood.Answers(network.Shown(at, Mode), truth.Conditions);
        return new(observable.Code, observable.Answers[Array.IndexOf(shares, shares.Max())]);
    }

    /// <summary>What stands in the way of a reading; null where it tells something now.</summary>
    public Need? InTheWay(Observable observable) => observable.Needs.FirstOrDefault(n =>
        network.ObservableAt(n.Observable) is { } at && !n.Answers.Contains(Answer(network.Observables[at]).Answer));

    private static readonly Dictionary<string, Observable> ByCode = DiagnosisTable.Shipped.Observables.ToDictionary(o => o.Code);

    private static Fact? FactOf(string code, string answer) => !ByCode.TryGetValue(code, out var observable) ? null
        : observable.IsNumber ? new(code, "", double.Parse(answer, CultureInfo.InvariantCulture))
        : observable.Answers.Contains(answer) ? new(code, answer) : null;
}
