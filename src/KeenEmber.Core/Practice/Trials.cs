using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Practice;

/// <summary>A job of known truth that the engine has worked.</summary>
/// <param name="Faults">What was wrong; none where nothing was.</param>
/// <param name="IsWhole">The leading explanation names each of them and nothing else.</param>
public sealed record Trial(Job Job, IReadOnlyList<SimulatedFault> Faults, Played Played, bool IsWhole)
{
    /// <summary>The likeliest cause was right, or that there is none.</summary>
    public bool IsFirst => Played.Rank == 1;

    /// <summary>It was among the first three.</summary>
    public bool IsInThree => Played.Rank <= 3;
}

/// <summary>Whole units in arithmetic with random faults, worked by the engine with its own choice of tests: what it is proved on, with
/// numbers that come from nowhere in its table.</summary>
public static class Trials
{
    /// <summary>One in so many has nothing wrong, and of the others one in so many has two faults or three.</summary>
    private const int OneSound = 8, OneInSeveral = 4;

    private const int MostFaults = 3;

    /// <summary>Faults that take each other back.</summary>
    private static readonly string[] Contrary = ["leak", "too full"];

    /// <summary>Draws jobs until there are enough, and works each; the same seed draws the same.</summary>
    /// <param name="count">How many, from 1.</param>
    public static IReadOnlyList<Trial> Run(int count, int seed)
    {
        var random = new Random(seed);
        var engine = new Technician(new(DiagnosisTable.Shipped));
        var drawn = Enumerable.Range(0, 2 * count).Select(i => (Kind: Kinds[random.Next(Kinds.Length)], Faults: Draw(random),
            Strength: random.NextDouble(), Seed: seed + i)).ToList();
        return [.. drawn.AsParallel().AsOrdered().Select(d => (d.Faults, d.Seed, Job: SimulatedJobs.Make(d.Kind, d.Faults, d.Strength)))
            .Where(d => d.Job is not null).Take(count).Select(d => Work(engine, d.Job!, d.Faults, d.Seed))];
    }

    private static readonly EquipmentKind[] Kinds = Enum.GetValues<EquipmentKind>();

    private static List<SimulatedFault> Draw(Random random)
    {
        if (random.Next(OneSound) == 0)
            return [SimulatedJobs.Faults[0]];
        var count = random.Next(OneInSeveral) == 0 ? 2 + random.Next(MostFaults - 1) : 1;
        var faults = SimulatedJobs.Faults.Skip(1).OrderBy(_ => random.Next()).Take(count).ToList();
        return faults.Count(f => Contrary.Contains(f.Name)) > 1 ? faults[..1] : faults;
    }

    private static Trial Work(Technician engine, Job job, List<SimulatedFault> faults, int seed)
    {
        var played = engine.Play(job, seed);
        var lead = played.Result.Explanations[0].Causes.Select(c => c.Cause.Code).ToHashSet();
        var named = faults.Where(f => f.Roots.Count > 0).ToList();
        return new(job, named, played, named.TrueForAll(f => f.Roots.Any(lead.Contains)) && lead.All(job.Root.Contains));
    }
}
