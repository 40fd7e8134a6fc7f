using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Practice;

/// <summary>A job of known truth that the engine has worked.</summary>
/// <param name="Faults">What was wrong; none where nothing was.</param>
/// <param name="Played">How it went until something was repaired for the first time.</param>
/// <param name="IsWhole">The leading explanation then names each of them and nothing else.</param>
/// <param name="Mending">What became of it as repairs were made and it was looked at again.</param>
public sealed record Trial(Job Job, IReadOnlyList<SimulatedFault> Faults, Played Played, bool IsWhole, Mending Mending)
{
    /// <summary>The likeliest cause was right, or that there is none.</summary>
    public bool IsFirst => Played.Rank == 1;

    /// <summary>It was among the first three.</summary>
    public bool IsInThree => Played.Rank <= 3;

    /// <summary>Of the faults: what the others brought on.</summary>
    public IReadOnlyList<SimulatedFault> Followed { get; init; } = [];
}

/// <summary>A job to its end: what the engine is sure of is repaired, and what is left shows itself in another day's answers.</summary>
/// <param name="Left">Faults that still show when it is said that nothing is wrong, or when nothing is likely.</param>
/// <param name="InVain">Causes that were acted on and were not there.</param>
/// <param name="Rounds">How often it was looked at, from 1.</param>
/// <param name="Last">How the last look went.</param>
public sealed record Mending(IReadOnlyList<SimulatedFault> Left, IReadOnlyList<Cause> InVain, int Rounds, double Minutes, Played Last)
{
    /// <summary>Everything that shows was repaired, and nothing else.</summary>
    public bool IsRight => Left.Count == 0 && InVain.Count == 0;
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
        var drawn = Enumerable.Range(0, 3 * count).Select(i => new Draft(Kinds[random.Next(Kinds.Length)], Draw(random),
            random.NextDouble(), random.Next(OneLeftAlone) == 0, seed + i)).ToList();
        return [.. drawn.AsParallel().AsOrdered().Select(d => Begin(engine, d)).OfType<Trial>().Take(count)];
    }

    /// <summary>As it is drawn.</summary>
    /// <param name="IsLeftAlone">Nobody comes for days: what it brings on comes with it.</param>
    private sealed record Draft(
        EquipmentKind Kind, IReadOnlyList<SimulatedFault> Faults, double Strength, bool IsLeftAlone, int Seed);

    /// <summary>One in so many is left alone.</summary>
    private const int OneLeftAlone = 4;

    /// <returns>Null where no unit has such faults, or nobody would call.</returns>
    private static Trial? Begin(Technician engine, Draft drawn)
    {
        if (SimulatedPlace.For(drawn.Kind, drawn.Faults) is not { } place
            || SimulatedJobs.Make(place, drawn.Faults, drawn.Strength) is not { } job)
            return null;
        IReadOnlyList<SimulatedFault> followed =
            drawn.IsLeftAlone && job.Root.Count > 0 ? SimulatedChains.Of(place, drawn.Faults, drawn.Strength) : [];
        List<SimulatedFault> faults = [.. drawn.Faults, .. followed];
        if (followed.Count > 0)
            job = (SimulatedJobs.Make(place, faults, drawn.Strength) ?? job) with
            {
                Root = job.Root, Follows = [.. followed.SelectMany(f => f.Roots)],
            };
        return Work(engine, job, place, faults, drawn.Strength, drawn.Seed) with { Followed = followed };
    }

    private static readonly EquipmentKind[] Kinds = Enum.GetValues<EquipmentKind>();

    private static List<SimulatedFault> Draw(Random random)
    {
        if (random.Next(OneSound) == 0)
            return [SimulatedFaults.All[0]];
        var count = random.Next(OneInSeveral) == 0 ? 2 + random.Next(MostFaults - 1) : 1;
        var faults = SimulatedFaults.All.Skip(1).OrderBy(_ => random.Next()).Take(count).ToList();
        return faults.Count(f => Contrary.Contains(f.Name)) > 1 ? faults[..1] : faults;
    }

    private static Trial Work(
        Technician engine, Job job, SimulatedPlace place, List<SimulatedFault> faults, double strength, int seed)
    {
        var played = engine.Play(job, seed);
        var lead = played.Result.Explanations[0].Causes.Select(c => c.Cause.Code).ToHashSet();
        var named = faults.Where(f => f.Roots.Count > 0).ToList();
        return new(job, named, played, named.TrueForAll(f => f.Roots.Any(lead.Contains)) && lead.All(job.Truth.Contains),
            Mend(engine, played, place, named, strength, seed));
    }

    /// <summary>Nobody comes back more often.</summary>
    private const int MostRounds = 5;

    /// <summary>What is less likely is not acted on.</summary>
    private const double ActedOn = 0.5;

    /// <summary>Whose part is replaced or worked on for one reason is well for every other.</summary>
    private static bool IsRepairedBy(SimulatedFault fault, Cause acted) => fault.Roots.Contains(acted.Code)
        || DiagnosisTable.Shipped.Causes.Any(c => fault.Roots.Contains(c.Code) && c.Part == acted.Part && c.Part.Length > 0);

    private static Mending Mend(
        Technician engine, Played first, SimulatedPlace place, List<SimulatedFault> faults, double strength, int seed)
    {
        var (left, played, minutes, vain, done) = (faults, first, first.Minutes, new List<Cause>(), new List<Cause>());
        for (var round = 1; ; round++)
        {
            // Who goes to repair what was seen beside it sees whether it is so.
            var roots = played.Result.Explanations[0].Causes.Where(c => c.Role == CauseRole.Separate
                    ? left.Exists(f => IsRepairedBy(f, c.Cause))
                    : c.Role == CauseRole.Root && played.Result.Causes.Any(w => w.Cause == c.Cause && w.Probability >= ActedOn))
                .Select(c => c.Cause).ToList();
            vain.AddRange(roots.Where(r => !left.Exists(f => IsRepairedBy(f, r))));
            left = [.. left.Where(f => !roots.Exists(r => IsRepairedBy(f, r)))];
            done.AddRange(roots);
            var next = SimulatedJobs.Make(place, left.Count == 0 ? [SimulatedFaults.All[0]] : left, strength);
            // What is left and shows in nothing that anybody would call for is nobody's fault.
            if (roots.Count == 0 || next is null || round == MostRounds)
                return new(next is null ? [] : left, vain, round, minutes, played);
            IReadOnlyList<JobWork> work = [new(0, [.. done.Select(c => c.Part)], [.. done.Select(c => c.Part)])];
            played = engine.Play(next with { History = work }, seed + round, played.Result.Causes);
            minutes += played.Minutes;
        }
    }
}
