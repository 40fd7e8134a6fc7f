using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Practice;

namespace KeenEmber.Core.Tests.Diagnosis;

/// <summary>Whole jobs played against the engine: how sure it is, and that it leaves a sound unit alone.</summary>
public sealed class PlayedSurenessTests(ITestOutputHelper output)
{
    private static readonly Diagnoser Engine = new(DiagnosisTable.Shipped);

    /// <summary>How often each job is played; 5 by KEEN_EMBER_PLAYS=5, whose figures stand in docs/numbers.md.</summary>
    private static readonly int Plays = int.TryParse(Environment.GetEnvironmentVariable("KEEN_EMBER_PLAYS"), out var n) ? n : 2;

    /// <summary>Of those with nothing wrong; 98 % are wanted.</summary>
    private const double LeastHealthy = 0.95;

    /// <summary>What is said to be so in four of five cases is so in about four of five, over all steps of every fourth job; of all where
    /// they are played more than twice.</summary>
    [Fact]
    public void What_it_calls_likely_is_so_about_as_often()
    {
        var player = new Technician(Engine, looksFurther: false);
        var said = JobFiles.All().Select((c, i) => (c.Case, Seed: 300 + i)).Where(c => Plays > 2 || c.Seed % 4 == 0)
            .SelectMany(c => player.Play(c.Case, c.Seed).Said).ToList();
        foreach (var bin in said.GroupBy(s => Math.Min(9, (int)(s.Said * 10))).OrderBy(b => b.Key))
        {
            var isSo = bin.Count(s => s.IsSo) / (double)bin.Count();
            output.WriteLine($"{bin.Key * 10} to {bin.Key * 10 + 10} %: {isSo:P0} of {bin.Count()}");
        }

        var likely = said.Where(s => s.Said is >= 0.7 and < 0.9).ToList();
        // Of a few jobs all may be so; too sure it may not be of any.
        Assert.InRange(likely.Count(s => s.IsSo) / (double)likely.Count, 0.6, Plays > 2 ? 0.95 : 1);
    }

    /// <summary>Every job in which nothing is wrong, several times with other mistakes.</summary>
    [Fact]
    public void A_unit_with_nothing_wrong_ends_as_one()
    {
        var player = new Technician(Engine, looksFurther: false);
        var played = JobFiles.All().Select(c => c.Case).Where(c => c.Root.Count == 0)
            .SelectMany(c => Enumerable.Range(0, Plays).Select(n => (c.Name, Played: player.Play(c, 900 + n)))).ToList();
        foreach (var (name, wrong) in played.Where(p => p.Played.Rank != 1))
            output.WriteLine($"{name}: {string.Join('+', wrong.Result.Explanations[0].Causes.Select(c => c.Cause.Code))}, asked "
                + string.Join(' ', wrong.Asked));
        output.WriteLine($"{played.Count(p => p.Played.Rank == 1)} of {played.Count}");
        Assert.InRange(played.Count(p => p.Played.Rank == 1) / (double)played.Count, LeastHealthy, 1);
    }
}
