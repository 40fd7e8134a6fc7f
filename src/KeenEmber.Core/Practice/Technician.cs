using System.Globalization;
using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Core.Practice;

/// <summary>How a case went.</summary>
/// <param name="Rank">Of the first root cause among the causes, from 1; of "nothing wrong" among the explanations.</param>
/// <param name="IsWhole">The leading explanation holds all causes and no other.</param>
/// <param name="Said">For each step that decides something: how sure the leading cause was said to be, and whether it was one.</param>
public sealed record Played(
    int Rank, bool IsWhole, double Minutes, IReadOnlyList<string> Asked, IReadOnlyList<(double Said, bool IsSo)> Said,
    DiagnosisResult Result)
{
    /// <summary>What was told and answered.</summary>
    public IReadOnlyList<Fact> Facts { get; init; } = [];
}

/// <summary>Plays technician: answers only what is asked, errs now and then, sometimes cannot.</summary>
/// <param name="looksFurther">Goes on once the cause leads, to find what else is wrong beside it.</param>
public sealed class Technician(
    Diagnoser diagnoser, double wrongShare = 0.02, double cannotShare = 0.1, bool looksFurther = true)
{
    private const double MostMinutes = 180;

    private const int MostSteps = 40;

    /// <summary>Works a job until the engine is sure or has nothing left to ask.</summary>
    /// <param name="seed">Of its errors.</param>
    /// <param name="before">What explained the unit before work that was done on it; null where none was.</param>
    public Played Play(Job job, int seed, IReadOnlyList<WeighedCause>? before = null)
    {
        var random = new Random(seed);
        var table = DiagnosisTable.Shipped.Observables.ToDictionary(o => o.Code);
        var facts = job.Opening.Select(a => FactOf(table[a.Key], a.Value)).ToList();
        var (cannot, asked, said) = (new HashSet<string>(), new List<string>(), new List<(double, bool)>());
        var (minutes, at) = (0.0, "");
        DiagnosisResult result;
        while (true)
        {
            result = diagnoser.Diagnose(new(job.Unit.MakeUp, job.Unit.Target, job.Unit.Fans, facts)
            {
                CannotNow = cannot, At = at, Settled = DiagnosisInput.ToldAlike(facts),
                Before = before ?? [],
                History = [.. (job.History ?? []).Select(h => new EarlierWork(h.DaysAgo, h.Parts, h.Replaced ?? []))],
            });
            var decides = result.Next is not [{ Beside: not null }, ..];
            if (result.Causes.Count > 0 && decides)
                said.Add((result.Causes[0].Probability, job.Truth.Contains(result.Causes[0].Cause.Code)));
            if (result.Next.Count == 0 || (!looksFurther && !decides) || minutes >= MostMinutes || asked.Count >= MostSteps)
                break;
            var test = result.Next[0];
            asked.Add(test.Observable.Code);
            minutes += test.Minutes;
            at = test.Observable.Place;
            if (random.NextDouble() < cannotShare)
                cannot.Add(test.Observable.Code);
            else
                facts.Add(FactOf(test.Observable, Answer(job, test.Observable, random)));
            // What is cold enough rests until its control is turned colder.
            if (facts[^1] is { Code: "thermostat-turned", Answer: "makes" } && job.Mode == OperatingMode.Satisfied)
                facts.Add(new("compressor", job.Answers.GetValueOrDefault("compressor", "running")));
        }

        var lead = result.Explanations[0].Causes.Select(c => c.Cause.Code).ToHashSet();
        return new(RankOf(job, result), lead.SetEquals(job.Truth), minutes, asked, said, result) { Facts = facts };
    }

    private static int RankOf(Job job, DiagnosisResult result)
    {
        if (job.Root.Count == 0)
            return result.Explanations.ToList().FindIndex(e => e.Causes.Count == 0) is >= 0 and var at ? at + 1 : 99;
        var first = result.Explanations[0].Causes.Count == 0 ? 1 : 0;
        var rank = result.Causes.ToList().FindIndex(c => job.Root.Contains(c.Cause.Code));
        return rank < 0 ? 99 : rank + 1 + first;
    }

    private string Answer(Job job, Observable o, Random random)
    {
        if (random.NextDouble() < wrongShare && !o.IsNumber)
            return o.Answers[random.Next(o.Answers.Count)];
        return job.Answers.TryGetValue(o.Code, out var answer) ? answer : job.Opening.TryGetValue(o.Code, out var known) ? known
            : HealthyAnswer(job, o);
    }

    private static string HealthyAnswer(Job job, Observable o)
    {
        if (!o.IsNumber)
            return o.Answers[o.Healthy[job.Mode].Shares.ToList().IndexOf(o.Healthy[job.Mode].Shares.Max())];
        return Diagnoser.Healthy(o, job.Mode, job.Unit.MakeUp, job.Unit.Target).Mean.ToString(CultureInfo.InvariantCulture);
    }

    private static Fact FactOf(Observable o, string answer) => o.IsNumber
        ? new(o.Code, "", double.Parse(answer, CultureInfo.InvariantCulture)) : new(o.Code, answer);
}
