using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Tests.Diagnosis;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>The diagnosis, choosing its own tests, on whole units in arithmetic that share no number with its table.</summary>
/// <remarks>Not good yet: nine of ten are wanted first. A valve or tube that starves is taken for a leak, compressor valves for too full a
/// charge, and an open door is asked for late.</remarks>
public sealed class DiagnosedUnitsTests(ITestOutputHelper output)
{
    /// <summary>Six kinds, weak and strong, with KEEN_EMBER_PLAYS; three, strong, in the usual run.</summary>
    private static readonly bool IsThorough = Environment.GetEnvironmentVariable("KEEN_EMBER_PLAYS") is not null;

    private static readonly EquipmentKind[] Kinds =
        [EquipmentKind.WalkInFreezer, EquipmentKind.GlassDoorCase, EquipmentKind.ReachInCooler,
            .. IsThorough ? [EquipmentKind.WalkInCooler, EquipmentKind.ReachInFreezer, EquipmentKind.BottleCooler]
                : Array.Empty<EquipmentKind>()];

    private static readonly double[] Strengths = IsThorough ? [0.2, 0.9] : [0.9];

    [Fact]
    public void The_true_cause_leads_on_half_of_them()
    {
        var jobs = SimulatedJobs.Faults.SelectMany(f => Kinds.SelectMany(k => Strengths
            .Select(s => (Fault: f, Job: SimulatedJobs.Make(k, f, s))))).Where(j => j.Job is not null).ToList();
        var player = new Player(new(DiagnosisTable.Shipped));
        var (first, three, all) = (0, 0, 0);
        foreach (var (fault, ofFault) in jobs.GroupBy(j => j.Fault).Select(g => (g.Key, g.Select(j => j.Job!).ToList())))
        {
            var played = ofFault.Select((job, i) => (job, Played: player.Play(job, 500 + i))).ToList();
            (first, three, all) = (first + played.Count(p => p.Played.Rank == 1), three + played.Count(p => p.Played.Rank <= 3),
                all + played.Count);
            output.WriteLine(
                $"{fault.Name}: {played.Count(p => p.Played.Rank == 1)} first, {played.Count(p => p.Played.Rank <= 3)} in three, "
                + $"of {played.Count}, {played.Average(p => p.Played.Minutes):0} min");
            foreach (var (job, p) in played.Where(p => p.Played.Rank > 1))
                output.WriteLine($"   {job.Name}: rank {p.Rank}, asked {string.Join(' ', p.Asked)}; said "
                    + string.Join(", ", p.Result.Causes.Take(3).Select(c => $"{c.Cause.Code} {c.Probability:P0}")));
        }

        output.WriteLine($"{all} jobs: {first} first, {three} in three");
        Assert.True(first >= 0.45 * all);
    }
}
