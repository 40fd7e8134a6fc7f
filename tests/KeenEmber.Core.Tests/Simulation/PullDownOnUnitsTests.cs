using KeenEmber.Core.Benches.Box;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Tests.Simulation;

/// <summary>Forecasts of pull-downs on whole units, whose course is no sum of exponentials.</summary>
public sealed class PullDownOnUnitsTests(ITestOutputHelper output)
{
    private const int LongestMin = 60 * 30;

    private sealed record Course(double TargetC, double[] BoxC, double[] ReadC, int EveryMin)
    {
        public int AtTarget { get; } = Array.FindIndex(BoxC, t => t <= TargetC);

        public List<PullDownSample> First(double minutes) => [.. Enumerable.Range(0, ReadC.Length)
            .Where(m => m % EveryMin == 0 && m <= minutes).Select(m => new PullDownSample(m, ReadC[m]))];
    }

    private static Course Pull(int seed)
    {
        var random = new Random(seed);
        double Between(double low, double high) => low + random.NextDouble() * (high - low);
        var kinds = Enum.GetValues<EquipmentKind>();
        var usual = UnitDesign.Of(kinds[random.Next(kinds.Length)]);
        var design = usual with
        {
            ProductKg = usual.ProductKg * Between(0.1, 1.2), DoorW = usual.DoorW * Between(0.5, 1.3), Defrosts = random.Next(3) == 0
                ? usual.Defrosts : 0,
        };
        var unit = new SimulatedUnit(design, design.TargetC + Between(8, 22));
        Weather weather = new(design.DesignAirC - Between(0, 10), 3);
        var (box, read) = (new double[LongestMin], new double[LongestMin]);
        for (var m = 0; m < LongestMin; m++)
        {
            (box[m], read[m]) = (unit.BoxC, unit.BoxC + 0.3 * Normal(random));
            for (var s = 0; s < 60; s++)
                unit.Step(weather);
        }

        return new(design.TargetC, box, read, 1 + random.Next(5));
    }

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(Math.Tau * random.NextDouble());

    [Fact]
    public void From_the_first_third_it_says_when_whole_units_are_at_their_target()
    {
        var courses = Enumerable.Range(0, 60).Select(Pull).Where(c => c.AtTarget > 30).ToList();
        var told = courses.ConvertAll(c => (Course: c, Result: PullDownFit.Fit(c.First(c.AtTarget / 3.0), c.TargetC)));
        var timed = told.Where(t => t.Result.ToTarget is not null).ToList();
        var inside = timed.Count(t => t.Course.AtTarget >= t.Result.ToTarget!.Value.Low
            && t.Course.AtTarget <= t.Result.ToTarget!.Value.High) / (double)timed.Count;
        var errors = timed.Select(t => Math.Abs(t.Result.ToTarget!.Value.Value / t.Course.AtTarget - 1)).Order().ToList();
        var bias = timed.Select(t => t.Result.ToTarget!.Value.Value / t.Course.AtTarget).Order().ToList();
        var never = told.Count(t => t.Result.Verdict == PullDownVerdict.WillNotReach);
        output.WriteLine($"{courses.Count} units, {timed.Count} with a time: {inside:P1} inside, median {errors[errors.Count / 2]:P1}, "
            + $"told over true {bias[bias.Count / 2]:0.00}, never {never}");
        Assert.True(inside >= 0.88);
        Assert.True(errors[errors.Count / 2] < 0.28);
        Assert.True(never <= courses.Count / 20);
    }
}
