using System.Diagnostics;
using KeenEmber.Core.Diagnosis;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>Whole jobs played against the engine.</summary>
public sealed class PlayedCasesTests(ITestOutputHelper output)
{
    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    /// <summary>What is held today; 90 and 99 % are wanted.</summary>
    private const double LeastFirst = 0.78, LeastInThree = 0.9;

    /// <summary>Of those with nothing wrong; 98 % are wanted.</summary>
    private const double LeastHealthy = 0.95;

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

    /// <summary>What is said to be so in four of five cases is so in about four of five, over all steps of all jobs.</summary>
    [Fact]
    public void What_it_calls_likely_is_so_about_as_often()
    {
        var player = new Player(Engine);
        var said = DiagnosisCase.All().SelectMany((c, i) => player.Play(c.Case, 300 + i).Said).ToList();
        foreach (var bin in said.GroupBy(s => Math.Min(9, (int)(s.Said * 10))).OrderBy(b => b.Key))
        {
            var isSo = bin.Count(s => s.IsSo) / (double)bin.Count();
            output.WriteLine($"{bin.Key * 10} to {bin.Key * 10 + 10} %: {isSo:P0} of {bin.Count()}");
        }

        var likely = said.Where(s => s.Said is >= 0.7 and < 0.9).ToList();
        Assert.InRange(likely.Count(s => s.IsSo) / (double)likely.Count, 0.6, 0.95);
    }

    /// <summary>Every job in which nothing is wrong, five times with other mistakes.</summary>
    [Fact]
    public void A_unit_with_nothing_wrong_ends_as_one()
    {
        var player = new Player(Engine);
        var played = DiagnosisCase.All().Select(c => c.Case).Where(c => c.Root.Count == 0)
            .SelectMany(c => Enumerable.Range(0, 5).Select(n => (c.Name, Played: player.Play(c, 900 + n)))).ToList();
        foreach (var (name, wrong) in played.Where(p => p.Played.Rank != 1))
            output.WriteLine($"{name}: {string.Join('+', wrong.Result.Explanations[0].Causes.Select(c => c.Cause.Code))}, asked "
                + string.Join(' ', wrong.Asked));
        output.WriteLine($"{played.Count(p => p.Played.Rank == 1)} of {played.Count}");
        Assert.InRange(played.Count(p => p.Played.Rank == 1) / (double)played.Count, LeastHealthy, 1);
    }
}
