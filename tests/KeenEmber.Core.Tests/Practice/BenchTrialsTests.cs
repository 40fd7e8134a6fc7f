using KeenEmber.Core.Practice;

namespace KeenEmber.Core.Tests.Practice;

/// <summary>The benches on whole units that exist only in arithmetic and share no number with their rules.</summary>
public sealed class BenchTrialsTests(ITestOutputHelper output)
{
    private double Share(IReadOnlyList<BenchTrial> tried, Func<BenchTrial, bool> isSo)
    {
        foreach (var group in tried.GroupBy(t => t.Of))
            output.WriteLine($"{group.Key}: {group.Count(t => t.IsRight)} right, {group.Count(t => t.IsWrong)} wrong of {group.Count()}");
        return tried.Count(isSo) / (double)tried.Count;
    }

    /// <summary>The rest moves no reading out of its band: what cannot be seen is not accused.</summary>
    [Fact]
    public void Faults_strong_enough_to_matter_are_named_first()
    {
        var tried = BenchTrials.Named(90, 3);
        Assert.True(tried.Count > 70);
        Assert.InRange(Share(tried, t => t.IsRight), 0.6, 1);
        Assert.InRange(Share(tried, t => t.IsWrong), 0, 0.08);
    }

    [Fact]
    public void Sound_units_are_not_accused() => Assert.InRange(Share(BenchTrials.Sound(40, 4), t => t.IsWrong), 0, 0.03);

    /// <summary>What counts in full is near what the unit settles to; what is doubted is further from it.</summary>
    [Fact]
    public void What_is_said_to_count_is_near_the_truth()
    {
        var tried = BenchTrials.Valid(60, 13);
        var good = Share([.. tried.Where(t => t.Of.StartsWith("Good", StringComparison.Ordinal))], t => t.IsRight);
        Assert.InRange(good, 0.9, 1);
        Assert.InRange(Share([.. tried.Where(t => t.Of.StartsWith("Provisional", StringComparison.Ordinal))], t => t.IsRight), 0, good);
    }

    [Fact]
    public void Vacuums_are_told_apart() => Assert.InRange(Share(BenchTrials.Vacuum(60, 6), t => t.IsRight), 0.85, 1);

    [Fact]
    public void A_trace_takes_out_the_part_that_failed_and_no_other()
    {
        var tried = BenchTrials.Traced(24, 5);
        Assert.InRange(Share(tried, t => t.IsRight), 0.75, 1);
        Assert.InRange(Share(tried, t => t.IsWrong), 0, 0.1);
    }

    [Fact]
    public void Sensors_leads_and_controls_are_told_apart()
    {
        var tried = BenchTrials.Sensors(60, 5);
        Assert.InRange(Share(tried, t => t.IsRight), 0.85, 1);
        Assert.InRange(Share([.. tried.Where(t => t.Of == "sound")], t => t.IsWrong), 0, 0.1);
    }

    [Fact]
    public void Defrosts_of_whole_units_are_judged_by_what_is_wrong_with_them()
    {
        var tried = BenchTrials.Defrosts(40, 5);
        Assert.InRange(Share(tried, t => t.IsRight), 0.75, 1);
        Assert.InRange(Share([.. tried.Where(t => t.Of == "sound")], t => t.IsWrong), 0, 0.1);
    }
}
