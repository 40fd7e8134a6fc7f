using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Practice;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>The same job worked in one fixed order whatever is seen: ask, box, air and ice, what runs, the control, meters, the circuit,
/// a defrost to its end. What the engine's questions are held against.</summary>
internal static class FixedWalk
{
    private const double WalkMin = 3, AskMin = 1;

    private static readonly string[] Senses = ["eye", "hand", "nose", "ear"];

    /// <summary>Minutes until what shows each cause of the job has been looked at; the whole walk but for what takes half an hour where
    /// nothing is wrong.</summary>
    public static double MinutesOf(Job job)
    {
        var words = UnitWords.Of(job.Unit.MakeUp, job.Unit.Target, job.Unit.Fans);
        var open = job.Truth.Select(ShownBy).ToList();
        var (minutes, at) = (0.0, "");
        foreach (var o in DiagnosisTable.Shipped.Observables.Where(o => o.OnlyOn.Holds(words) && !o.IsSeldomAsked).OrderBy(StageOf))
        {
            if (job.Opening.ContainsKey(o.Code) || (job.Root.Count == 0 && o.Minutes >= 20))
                continue;
            minutes += o.Minutes + AskMin + (at.Length > 0 && at != o.Place ? WalkMin : 0);
            at = o.Place;
            open.RemoveAll(shown => shown.Contains(o.Code));
            if (job.Root.Count > 0 && open.Count == 0)
                break;
        }

        return minutes;
    }

    /// <summary>Observables that show a cause itself; where none does, those that show what it makes.</summary>
    private static HashSet<string> ShownBy(string cause)
    {
        var made = DiagnosisTable.Shipped.Causes.First(c => c.Code == cause).Makes.Select(m => m.Code).ToHashSet();
        var conditions = DiagnosisTable.Shipped.Conditions.Where(c => made.Contains(c.Code)).ToList();
        var own = conditions.Where(c => c.IsCauseItself).SelectMany(c => c.Shows).ToList();
        return [.. (own.Count > 0 ? own : conditions.SelectMany(c => c.Shows)).Select(s => s.Observable)];
    }

    private static int StageOf(Observable o) => o switch
    {
        { Minutes: >= 30 } => 9,
        { Tool: "gauges" } => 8,
        { Place: "customer" or "record" } => 1,
        { Place: "box" } => 2,
        { Place: "coil" } when Senses.Contains(o.Tool) => 3,
        { Place: "unit" } when Senses.Contains(o.Tool) => 4,
        { Place: "control" } when Senses.Contains(o.Tool) => 5,
        { Place: "panel" } => 6,
        _ => 7,
    };
}
