using System.Globalization;
using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Practice;

/// <summary>Cases without end, from whole units in arithmetic: a kind of unit, a fault and how strong it is, all from one number.</summary>
public static class RandomCases
{
    private const string Prefix = "random";

    /// <summary>A fault that nobody would call for is drawn again, at most so many times.</summary>
    private const int MostTries = 20;

    /// <summary>The code of a case.</summary>
    /// <param name="level">Faults are the weaker the higher it is.</param>
    /// <param name="seed">Which, not below 0.</param>
    public static string CodeOf(EquipmentKind kind, int level, int seed) =>
        string.Create(CultureInfo.InvariantCulture, $"{Prefix}-{kind}-{level}-{seed}");

    /// <returns>Null where the code is none of a random case.</returns>
    public static PracticeCase? Find(string? code)
    {
        if (code?.Split('-') is not [Prefix, var kindText, var levelText, var seedText]
            || !Enum.TryParse(kindText, out EquipmentKind kind)
            || !int.TryParse(levelText, CultureInfo.InvariantCulture, out var level) || level is < 1 or > PracticeCase.Levels
            || !int.TryParse(seedText, CultureInfo.InvariantCulture, out var seed) || !Enum.IsDefined(kind))
            return null;
        var random = new Random(seed);
        var faults = SimulatedFaults.All.Where(f => f.Roots.Count > 0).ToList();
        for (var i = 0; i < MostTries; i++)
        {
            var strength = random.NextDouble() * 0.4 + 0.6 * (PracticeCase.Levels - level) / (PracticeCase.Levels - 1);
            if (SimulatedJobs.Make(kind, faults[random.Next(faults.Count)], strength) is { } job)
                return new(code, level, "", Said(job), "", job);
        }

        return null;
    }

    private static string Said(Job job)
    {
        if (job.Opening.ContainsKey("complaint.comes-and-goes"))
            return "It cools, then not, then again.";
        if (job.Opening.ContainsKey("complaint.starts-often"))
            return "It starts and stops all the time.";
        if (job.Opening.ContainsKey("complaint.warm"))
            return "It is too warm.";
        return job.Opening.ContainsKey("complaint.cold") ? "It is too cold." : "It never stops.";
    }
}
