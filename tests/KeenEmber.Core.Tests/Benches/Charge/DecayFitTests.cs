using KeenEmber.Core.Benches.Charge;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Tests.Benches.Charge;

public sealed class DecayFitTests(ITestOutputHelper output)
{
    /// <summary>A generated test: what is inside, how it was watched.</summary>
    private sealed record Made(
        DecayVerdict Truth, double VolumeL, double SystemC, double LeakPaLPerS, double Plateau, double Tau, double DurationMin,
        IReadOnlyList<VacuumSample> Samples)
    {
        /// <summary>Watched for as long as somebody who knew would: water has levelled off, a leak has shown itself beside the
        /// gauge's errors.</summary>
        public bool IsLongEnough { get; init; }
    }

    private static Made Make(Random random)
    {
        double Between(double low, double high) => low + random.NextDouble() * (high - low);
        double Spread(double low, double high) => low * Math.Pow(high / low, random.NextDouble());
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var truth = (DecayVerdict)(1 + random.Next(4));
        var (volume, systemC, noise) = (Spread(2, 60), Between(5, 35), Spread(0.01, 0.1));
        var isWet = truth is DecayVerdict.Moisture or DecayVerdict.MoistureAndLeak;
        var isLeaking = truth is DecayVerdict.Leak or DecayVerdict.MoistureAndLeak;
        var start = Between(20, 80);
        var saturation = WaterVapour.Saturation(Temperature.FromCelsius(systemC)).Kpa * 1000;
        var plateau = isWet ? saturation * Between(0.35, 1) : start + Between(0, 40);
        var tau = isWet ? Between(3, 40) : Between(2, 8);
        var rate = isLeaking ? Spread(3, 120) : 0;
        var duration = Math.Max(20, 4 * tau) * Between(1, 1.5);
        var stopped = random.Next(4) == 0 ? Between(0.1, 0.5) : 1;
        var every = Between(0.5, 2);
        var samples = new List<VacuumSample>();
        for (var t = 0.0; t <= duration * stopped; t += every)
            samples.Add(new(t, (start + (plateau - start) * (1 - Math.Exp(-t / tau)) + rate * t) * (1 + noise * Normal())));
        var end = samples[^1].Minute;
        var isSeen = !isLeaking || rate * end > 6 * noise * (plateau + rate * end);
        return new(truth, volume, systemC, rate * volume / 60, plateau, tau, end, samples)
        {
            IsLongEnough = end >= 3.5 * tau && end >= 15 && samples.Count >= 12 && isSeen,
        };
    }

    [Fact]
    public void Of_five_hundred_tests_it_tells_what_is_inside_or_says_that_it_cannot_yet()
    {
        var random = new Random(20261127);
        var made = Enumerable.Range(0, 500).Select(_ => Make(random)).ToList();
        var told = made.ConvertAll(m => (Made: m, Result: DecayFit.Fit(m.Samples, m.VolumeL, Temperature.FromCelsius(m.SystemC))));
        var enough = told.Where(t => t.Made.IsLongEnough).ToList();
        var right = enough.Count(t => t.Result.Verdict == t.Made.Truth) / (double)enough.Count;
        var wrong = told.Where(t => t.Result.Verdict != DecayVerdict.TooEarly && t.Result.Verdict != t.Made.Truth).ToList();
        var leaks = told.Where(t => t.Result.Verdict == t.Made.Truth && t.Made.LeakPaLPerS > 0)
            .Select(t => t.Result.LeakPaLPerS / t.Made.LeakPaLPerS).ToList();
        var within = leaks.Count(l => l is > 0.8 and < 1.2) / (double)leaks.Count;
        output.WriteLine($"{enough.Count} watched long enough: {right:P1} right; of all 500 {wrong.Count} wrong; "
            + $"{within:P1} of the leaks within 20 %");
        foreach (var group in told.GroupBy(t => (t.Made.Truth, t.Made.IsLongEnough, t.Result.Verdict)).OrderBy(g => g.Key.ToString()))
            output.WriteLine($"{group.Key}: {group.Count()}");
        Assert.True(right >= 0.95);
        Assert.True(wrong.Count <= 20);
        Assert.True(within >= 0.9);
    }

    private static DecayResult Of(params double[] pascals) =>
        DecayFit.Fit([.. pascals.Select((p, i) => new VacuumSample(i * 2, p))], 12, Temperature.FromCelsius(25));

    [Fact]
    public void A_course_that_stays_is_dry_and_one_that_rises_evenly_leaks()
    {
        var dry = Of(40, 41, 42, 42, 43, 42, 43, 43, 43, 42, 43, 43, 43);
        Assert.Equal(DecayVerdict.Dry, dry.Verdict);
        Assert.Equal(0, dry.WaitMin);
        var leak = Of([.. Enumerable.Range(0, 20).Select(i => 40 + i * 2 * 30.0)]);
        Assert.Equal(DecayVerdict.Leak, leak.Verdict);
        // 30 Pa a minute into 12 l.
        Assert.InRange(leak.LeakPaLPerS, 5.8, 6.2);
        Assert.InRange(leak.LeakPaLPerS, leak.LeakLow, leak.LeakHigh);
        // 1 Pa·l/s is some 1,300 g a year of a gas of 100 g/mol.
        Assert.InRange(leak.GramsPerYear, 6 * 1200, 6 * 1350);
    }

    [Fact]
    public void A_few_readings_and_a_short_time_tell_nothing_and_it_says_how_long_to_wait()
    {
        Assert.Equal(DecayVerdict.TooEarly, Of(40, 44, 47).Verdict);
        var early = Of(40, 52, 63, 74, 84);
        Assert.Equal(DecayVerdict.TooEarly, early.Verdict);
        Assert.InRange(early.WaitMin, 4, 24 * 60);
    }
}
