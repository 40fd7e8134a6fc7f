using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Core.Practice;

/// <summary>A look, and what it told of the truth.</summary>
/// <param name="Before">How likely what began it was, of everything known until then.</param>
/// <param name="After">And with this look.</param>
public sealed record PathStep(PracticeAct Act, Observable Observable, double Before, double After);

/// <summary>How a case went: what was wrong, what was done, and how it could have been done.</summary>
/// <param name="Truth">What began it, then what followed.</param>
/// <param name="Missed">Of it what was not repaired.</param>
/// <param name="InVain">Repaired and not wrong.</param>
/// <param name="Path">Every look that counted, in order.</param>
/// <param name="NotCounted">Looks that could not tell anything then.</param>
/// <param name="Unsafe">Looks made without what they ask to mind.</param>
/// <param name="Best">What would have been asked, one after the other, by who knows the table by heart.</param>
/// <param name="BestMinutes">And how long that takes, without the repair.</param>
/// <param name="ThawedUnseen">The ice was melted before its pattern was looked at.</param>
public sealed record Debriefing(
    IReadOnlyList<Cause> Truth, IReadOnlyList<Cause> Missed, IReadOnlyList<Cause> InVain, IReadOnlyList<PathStep> Path,
    IReadOnlyList<PracticeAct> NotCounted, IReadOnlyList<PracticeAct> Unsafe, IReadOnlyList<Observable> Best, double BestMinutes,
    bool ThawedUnseen)
{
    /// <summary>What began it was found, and nothing was replaced in vain.</summary>
    public bool IsSolved => Missed.Count == 0 && InVain.Count == 0;

    /// <summary>Works out how a case went.</summary>
    public static Debriefing Of(PracticeRun run)
    {
        var (job, table) = (run.Case.Job, DiagnosisTable.Shipped);
        Cause CauseOf(string code) => table.Causes.First(c => c.Code == code);
        var observables = table.Observables.ToDictionary(o => o.Code);
        var engine = new Diagnoser(table);
        var best = PlayedAtItsBest(job);
        var thaw = run.Acts.ToList().FindIndex(a => a.Step == PracticeStep.Thaw);
        return new([.. job.Truth.Select(CauseOf)], [.. job.Truth.Where(t => !run.Repaired.Contains(t)).Select(CauseOf)],
            [.. run.Repaired.Where(r => !job.Truth.Contains(r)).Select(CauseOf)], PathOf(run, engine, observables),
            [.. run.Looks.Where(l => l.Blocked.Length > 0)], [.. run.Looks.Where(l => !l.IsSafe && l.Blocked.Length == 0)],
            [.. best.Asked.Select(a => observables[a])], best.Minutes,
            thaw >= 0 && !run.Acts.Take(thaw).Any(a => a.Code is "frost-pattern" or "coil"));
    }

    /// <summary>A job played by who knows the table by heart and never errs.</summary>
    public static Played PlayedAtItsBest(Job job) =>
        new Technician(new(DiagnosisTable.Shipped), wrongShare: 0, cannotShare: 0, looksFurther: false).Play(Whole(job), 1);

    /// <summary>The job with everything that would be found, so that it can be played by who asks for other things.</summary>
    private static Job Whole(Job job)
    {
        var world = new PracticeWorld(job);
        return job with
        {
            Answers = world.Observables.ToDictionary(o => o.Code, o => world.Answer(o) is { Number: { } n }
                ? n.ToString(System.Globalization.CultureInfo.InvariantCulture) : world.Answer(o).Answer),
            Opening = job.Opening.Where(o => Fact.IsOfComplaint(o.Key)).ToDictionary(),
        };
    }

    /// <summary>Up to the first repair: what each look did for what began it.</summary>
    private static List<PathStep> PathOf(PracticeRun run, Diagnoser engine, Dictionary<string, Observable> observables)
    {
        var job = run.Case.Job;
        List<Fact> known = [.. new PracticeRun(run.Case, []).Known];
        var likely = Likely();
        var path = new List<PathStep>();
        foreach (var look in run.Acts.TakeWhile(a => a.Step != PracticeStep.Repair).Where(a => a.Step == PracticeStep.Look
            && a.Blocked.Length == 0))
        {
            var before = likely;
            known.Add(new(look.Code, look.Answer, look.Number));
            likely = Likely();
            path.Add(new(look, observables[look.Code], before, likely));
        }

        return path;

        double Likely()
        {
            var result = engine.Diagnose(new(job.Unit.MakeUp, job.Unit.Target, job.Unit.Fans, known) { AsksNext = false });
            return job.Root.Count == 0 ? result.Explanations.FirstOrDefault(e => e.Causes.Count == 0)?.Probability ?? 0
                : result.Causes.Where(c => job.Root.Contains(c.Cause.Code)).Select(c => c.Probability).DefaultIfEmpty(0).Max();
        }
    }
}
