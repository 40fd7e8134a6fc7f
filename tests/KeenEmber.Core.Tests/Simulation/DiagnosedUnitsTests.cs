using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Diagnosis.Weighing;
using KeenEmber.Core.Practice;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>The diagnosis, choosing its own tests, on whole units in arithmetic that share no number with its table.</summary>
/// <remarks>The model was made more honest on the way (what it shows that a technician would see, hydrocarbons' heat capacities, a
/// protector), and the table learnt that a fault has a strength: a worn compressor is not a dead one, a strong fault goes further than
/// a common one.</remarks>
public sealed class DiagnosedUnitsTests(ITestOutputHelper output)
{
    /// <summary>All kinds, weak to strong, with KEEN_EMBER_PLAYS; two, strong, in the usual run.</summary>
    private static readonly bool IsThorough = Environment.GetEnvironmentVariable("KEEN_EMBER_PLAYS") is not null;

    private static readonly EquipmentKind[] Kinds = IsThorough ? Enum.GetValues<EquipmentKind>()
        : [EquipmentKind.WalkInFreezer, EquipmentKind.ReachInCooler];

    private static readonly double[] Strengths = IsThorough ? [0.2, 0.5, 0.9] : [0.9];

    [Fact]
    public void The_true_cause_leads_on_most_of_them()
    {
        var jobs = SimulatedFaults.All.SelectMany(f => Kinds.SelectMany(k => Strengths
            .Select(s => (Fault: f, Job: SimulatedJobs.Make(k, f, s))))).Where(j => j.Job is not null).ToList();
        var player = new Technician(new(DiagnosisTable.Shipped), looksFurther: false);
        var (first, three, all) = (0, 0, 0);
        var byKind = new List<(EquipmentKind Kind, bool IsFirst)>();
        foreach (var (fault, ofFault) in jobs.GroupBy(j => j.Fault).Select(g => (g.Key, g.Select(j => j.Job!).ToList())))
        {
            var played = ofFault.Select((job, i) => (job, i)).AsParallel().AsOrdered()
                .Select(x => (x.job, Played: player.Play(x.job, 500 + x.i))).ToList();
            byKind.AddRange(played.Select(p => (p.job.Unit.Kind, p.Played.Rank == 1)));
            (first, three, all) = (first + played.Count(p => p.Played.Rank == 1), three + played.Count(p => p.Played.Rank <= 3),
                all + played.Count);
            output.WriteLine(
                $"{fault.Name}: {played.Count(p => p.Played.Rank == 1)} first, {played.Count(p => p.Played.Rank <= 3)} in three, "
                + $"of {played.Count}, {played.Average(p => p.Played.Minutes):0} min");
            foreach (var (job, p) in played.Where(p => p.Played.Rank > 1))
                output.WriteLine($"   {job.Name}: rank {p.Rank}, knew "
                    + string.Join(' ', p.Facts.Select(f => $"{f.Code}={f.Answer}{f.Number}")) + "; said "
                    + string.Join(", ", p.Result.Causes.Take(3).Select(c => $"{c.Cause.Code} {c.Probability:P0}"))
                    + Against(job, p));
        }

        output.WriteLine(string.Join(", ", byKind.GroupBy(k => k.Kind).Select(g => $"{g.Key} {g.Count(k => k.IsFirst)} of {g.Count()}")));
        output.WriteLine($"{all} jobs: {first} first, {three} in three");
        Assert.InRange(first / (double)all, 0.85, 1);
        Assert.InRange(three / (double)all, 0.92, 1);
    }

    /// <summary>Where the truth and what was said instead differ: how many times likelier each fact is with the truth.</summary>
    private static string Against(Job job, Played played)
    {
        var input = new DiagnosisInput(job.Unit.MakeUp, job.Unit.Target, job.Unit.Fans, played.Facts);
        var network = Network.Of(DiagnosisTable.Shipped, input);
        var evidence = new Evidence(network, input);
        var search = new SetSearch(network, evidence);
        CauseSet Of(params string[] codes) => search.Refine(new([.. codes.Select(r => network.Causes.ToList().FindIndex(c => c.Code == r))
            .Where(c => c >= 0).Order()], 0));
        var (truth, lead) = (Of([.. job.Root.Where(r => network.Causes.Any(c => c.Code == r)).Take(1)]),
            Of([.. played.Result.Explanations[0].Causes.Select(c => c.Cause.Code)]));
        var terms = evidence.Facts.Select((f, i) => (f, By: evidence.Log(i, truth.Conditions, truth.Modes)
            - evidence.Log(i, lead.Conditions, lead.Modes))).Where(t => Math.Abs(t.By) > 0.3).OrderBy(t => t.By);
        return $"\n        {string.Join('+', played.Result.Explanations[0].Causes.Select(c => c.Cause.Code))} instead: prior "
            + $"{search.Prior(truth.Causes) - search.Prior(lead.Causes):0.0}, all {truth.Log - lead.Log:0.0}: "
            + string.Join(' ', terms.Select(t => $"{t.f.Code}={t.f.Answer}{t.f.Number} {t.By:0.0}"));
    }
}
