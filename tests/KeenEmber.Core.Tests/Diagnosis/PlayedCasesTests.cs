using System.Diagnostics;
using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>Whole jobs played against the engine.</summary>
public sealed class PlayedCasesTests(ITestOutputHelper output)
{
    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    /// <summary>What is held today; 90 and 99 % are wanted.</summary>
    private const double LeastFirst = 0.78, LeastInThree = 0.9;

    /// <summary>Of the minutes of a fixed walk.</summary>
    private const double MostOfFixedWalk = 0.5;

    [Theory]
    [InlineData("worked.json")]
    [InlineData("held-back.json")]
    [InlineData("unseen.json")]
    public void The_true_cause_leads_in_most_jobs_that_are_played(string file)
    {
        var player = new Player(Engine);
        var (first, three, whole, minutes, walk, all) = (0, 0, 0, 0.0, 0.0, 0);
        var clock = Stopwatch.StartNew();
        foreach (var (job, i) in DiagnosisCase.All(file).Select((c, i) => (c.Case, i)))
        {
            var played = player.Play(job, 100 + i);
            all++;
            first += played.Rank == 1 ? 1 : 0;
            three += played.Rank <= 3 ? 1 : 0;
            whole += played.IsWhole ? 1 : 0;
            minutes += played.Minutes;
            walk += FixedWalk.MinutesOf(job);
            if (played.Rank > 1)
                output.WriteLine($"{job.Name}: rank {played.Rank}, {played.Minutes:F0} min, asked {string.Join(' ', played.Asked)}; "
                    + $"said {string.Join(", ", played.Result.Explanations.Take(3).Select(e => $"[{string.Join('+',
                        e.Causes.Select(c => c.Cause.Code))}] {e.Probability:P0}"))}"
                    + $"; nothing fits {played.Result.NothingFits:P0}");
        }

        output.WriteLine($"{all} cases: first {first}, in three {three}, whole {whole}, {minutes / all:F0} min each, "
            + $"{walk / all:F0} in a fixed walk, "
            + $"{clock.ElapsedMilliseconds} ms");
        Assert.InRange(first / (double)all, LeastFirst, 1);
        Assert.InRange(three / (double)all, LeastInThree, 1);
        Assert.InRange(minutes / walk, 0, MostOfFixedWalk);
    }
}
