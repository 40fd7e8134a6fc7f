using System.Diagnostics;
using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Practice;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>Whole jobs played against the engine.</summary>
public sealed class PlayedCasesTests(ITestOutputHelper output)
{
    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    /// <summary>What is held today; 90 and 99 % are wanted.</summary>
    private const double LeastFirst = 0.84, LeastInThree = 0.86;

    /// <summary>Times each job is played, each time with other answers that are wrong or cannot be had; in the usual run every second job
    /// once.</summary>
    private static readonly int? Plays = int.TryParse(Environment.GetEnvironmentVariable("KEEN_EMBER_PLAYS"), out var n) ? n : null;

    /// <summary>Of the minutes of a fixed walk.</summary>
    private const double MostOfFixedWalk = 0.5;

    /// <summary>Of jobs in which several things are wrong, all named and nothing else; 85 % are wanted.</summary>
    private const double LeastWhole = 0.4;

    [Theory]
    [InlineData("worked.json")]
    [InlineData("held-back.json")]
    [InlineData("unseen.json")]
    [InlineData("several.json")]
    public void The_true_cause_leads_in_most_jobs_that_are_played(string file)
    {
        // Of few jobs more than one thing is to be found: the usual run looks for it on those alone.
        var player = new Technician(Engine, looksFurther: Plays is not null || file == "several.json");
        var (first, three, whole, wholeOfSeveral, several, minutes, walk, all) = (0, 0, 0, 0, 0, 0.0, 0.0, 0);
        var clock = Stopwatch.StartNew();
        foreach (var (job, played) in JobFiles.All(file)
            .SelectMany((c, i) => Enumerable.Range(0, Plays ?? (i + 1) % 2).Select(n => (c.Case, n, i)))
            .AsParallel().AsOrdered().Select(x => (x.Case, player.Play(x.Case, 100 + x.i + 1000 * x.n))))
        {
            all++;
            first += played.Rank == 1 ? 1 : 0;
            three += played.Rank <= 3 ? 1 : 0;
            whole += played.IsWhole ? 1 : 0;
            several += job.Truth.Count() > 1 ? 1 : 0;
            wholeOfSeveral += job.Truth.Count() > 1 && played.IsWhole ? 1 : 0;
            minutes += played.Minutes;
            walk += FixedWalk.MinutesOf(job);
            if (played.Rank > 1)
                output.WriteLine($"{job.Name}: rank {played.Rank}, {played.Minutes:F0} min, knew "
                    + string.Join(' ', played.Facts.Select(f => $"{f.Code}={f.Answer}{f.Number}")) + "; "
                    + $"said {string.Join(", ", played.Result.Explanations.Take(3).Select(e => $"[{string.Join('+',
                        e.Causes.Select(c => c.Cause.Code))}] {e.Probability:P0}"))}"
                    + $"; nothing fits {played.Result.NothingFits:P0}");
        }

        output.WriteLine($"{all} cases: first {first}, in three {three}, whole {whole}, of several {wholeOfSeveral} of {several}, "
            + $"{minutes / all:F0} min each, {walk / all:F0} in a fixed walk, "
            + $"{clock.ElapsedMilliseconds} ms");
        Assert.InRange(first / (double)all, LeastFirst, 1);
        Assert.InRange(three / (double)all, LeastInThree, 1);
        Assert.True(file != "several.json" || wholeOfSeveral >= LeastWhole * several, $"{wholeOfSeveral} of {several}");
        Assert.InRange(minutes / walk, 0, MostOfFixedWalk);
    }
}
