using KeenEmber.Core.Quantities;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>Tells water from a leak by the course of the pressure after the pump was shut off.</summary>
/// <remarks>
/// Four courses are fitted: level; rising evenly, as air comes in while the inside is nearly empty (the flow through the leak is choked and
/// does not depend on the pressure inside); rising and levelling off, as water boils away until its vapour pressure is reached; and both.
/// Time constants are tried from a few seconds to several times the test. Courses are weighed by their Bayesian evidence (BIC, Schwarz
/// 1978), errors taken to be a share of the reading; water cannot rise above its own vapour pressure. What stays doubtful is said to be.
/// </remarks>
public static class DecayFit
{
    /// <summary>Fewest readings a course can be told from.</summary>
    public const int Fewest = 5;

    /// <summary>Below this a circuit that levels off is dry, Pa absolute (some 1,000 micrometres of mercury, trade practice).</summary>
    private const double DryBelowPa = 150;

    /// <summary>What rises less than this in an hour, or in the whole of a longer test, is no leak that anybody looks for; and what could
    /// still hide in a test that is called tight, Pa.</summary>
    private const double NoLeakBelowPa = 15, TightBelowPa = 70;

    /// <summary>Beside water a leak is worth a word from this share of its plateau in an hour on; and beside a leak water from this share
    /// of its vapour pressure on: what is smaller is looked for once the larger is mended.</summary>
    private const double NoLeakBelowShare = 0.05, NoWaterBelowShare = 0.2;

    /// <summary>How long water takes to boil away: time constants round this, by this factor up and down in two of three circuits, min
    /// (trade experience: minutes in a warm circuit, an hour in a cold one).</summary>
    private const double UsualTau = 11, TauSpread = 2.2;

    /// <summary>How sure a verdict has to be.</summary>
    private const double Sure = 0.75;

    /// <summary>Best a gauge reads, as a share.</summary>
    private const double BestGauge = 0.004;

    private const int TimeConstants = 48;

    /// <summary>Steps between two time constants once it is known where to look.</summary>
    private const int Finer = 16;

    private const double ShortestMin = 0.4, LongestOfTest = 5;

    /// <summary>Water's vapour pressure is not passed by more than a gauge's error, as a share.</summary>
    private const double OverVapour = 1.2;

    /// <summary>Two things wrong at once, beside one.</summary>
    private const double Both = 0.5;

    /// <summary>One course with one time constant.</summary>
    /// <param name="Weight">Its share of the evidence.</param>
    private sealed record Node(double Tau, double Plateau, double Rate, double RateError, bool HasRate, double Weight)
    {
        /// <summary>It rises on by more than nothing to look for.</summary>
        internal bool HasLeak { get; init; }
    }

    /// <summary>Fits a test.</summary>
    /// <param name="samples">In order, at least <see cref="Fewest"/>.</param>
    /// <param name="volumeL">Of what is shut off, l, above 0.</param>
    /// <param name="system">Of its coldest wet place.</param>
    public static DecayResult Fit(IReadOnlyList<VacuumSample> samples, double volumeL, Temperature system)
    {
        var duration = samples[^1].Minute - samples[0].Minute;
        if (samples.Count < Fewest || duration <= 0)
            return new(DecayVerdict.TooEarly, samples[^1].Pa, 0, 0, 0, 0, FirstWaitMin);
        var perMin = volumeL / 60;
        var watched = Math.Max(60, duration);
        var vapour = WaterVapour.Saturation(system).Kpa * 1000;
        var nodes = Nodes(samples, duration, vapour * OverVapour);
        DecayVerdict VerdictOf(Node node) => (node.HasLeak, node.Plateau > (node.HasLeak ? Math.Max(DryBelowPa, NoWaterBelowShare * vapour)
            : DryBelowPa)) switch
        {
            (true, true) => DecayVerdict.MoistureAndLeak,
            (true, false) => DecayVerdict.Leak,
            (false, true) => DecayVerdict.Moisture,
            _ => DecayVerdict.Dry,
        };

        var shares = nodes.GroupBy(VerdictOf).ToDictionary(g => g.Key, g => g.Sum(n => n.Weight));
        var (verdict, share) = shares.MaxBy(s => s.Value);
        var same = nodes.Where(n => VerdictOf(n) == verdict).ToList();
        var (low, high) = Interval(verdict is DecayVerdict.Dry or DecayVerdict.Moisture ? [.. nodes.Where(n => n.HasRate)] : same);
        var plateau = same.Sum(n => n.Weight * n.Plateau) / share;
        var isShort = duration < ShortestTestMin && samples[^1].Pa < vapour;
        if (isShort || share < Sure || (verdict == DecayVerdict.Dry && high * watched > TightBelowPa))
            return new(DecayVerdict.TooEarly, plateau, 0, 0, Math.Max(0, high) * perMin, 0, Wait(nodes, duration));
        var rate = verdict is DecayVerdict.Dry or DecayVerdict.Moisture ? 0 : same.Sum(n => n.Weight * n.Rate) / share;
        return new(verdict, plateau, rate * perMin, rate > 0 ? Math.Max(0, low) * perMin : 0, Math.Max(0, high) * perMin,
            1000 * LeakSize.KgPerYear(rate * perMin, system), 0);
    }

    /// <summary>Nothing is told of a test that is shorter, unless the pressure is where water cannot bring it, min.</summary>
    private const double ShortestTestMin = 10;

    private const double FirstWaitMin = 15;

    private static List<Node> Nodes(IReadOnlyList<VacuumSample> samples, double duration, double mostPa)
    {
        var from = samples[0].Minute;
        double[] minutes = [.. samples.Select(s => s.Minute - from)];
        double[] read = [.. samples.Select(s => s.Pa)];
        var step = Math.Log(LongestOfTest * duration / ShortestMin) / (TimeConstants - 1);
        var fits = new List<(Node Node, double Log)>();
        foreach (var hasRate in new[] { false, true })
        {
            Add(hasRate, 0, 0);
            var before = fits.Count;
            for (var i = 0; i < TimeConstants; i++)
                Add(hasRate, ShortestMin * Math.Exp(i * step), step);
            if (fits.Count == before)
                continue;

            // Where a test is long and a gauge good, the right constant lies between two: looked at more closely there.
            var best = fits.Skip(before).MaxBy(f => f.Log).Node.Tau;
            fits.RemoveAll(f => f.Node.HasRate == hasRate && f.Node.Tau > 0 && Math.Abs(Math.Log(f.Node.Tau / best)) < 1.5 * step);
            for (var i = -3 * Finer / 2; i <= 3 * Finer / 2; i++)
                Add(hasRate, best * Math.Exp(i * step / Finer), step / Finer);
        }

        var most = fits.Max(f => f.Log);
        var all = fits.Sum(f => Math.Exp(f.Log - most));
        var watched = Math.Max(60, duration);
        return [.. fits.Select(f => f.Node with
        {
            Weight = Math.Exp(f.Log - most) / all,
            HasLeak = f.Node.Rate * watched > Math.Max(NoLeakBelowPa, NoLeakBelowShare * f.Node.Plateau),
        })];

        void Add(bool hasRate, double tau, double width)
        {
            if (Solve(minutes, read, hasRate, tau) is not var (node, residual, parameters) || node.Plateau > mostPa)
                return;
            var usual = tau == 0 ? 0 : Math.Log(width * Normal.PDF(Math.Log(UsualTau), Math.Log(TauSpread), Math.Log(tau)));
            var prior = usual + (hasRate && tau > 0 ? Math.Log(Both) : 0);
            fits.Add((node, prior - read.Length / 2.0 * Math.Log(residual) - parameters / 2.0 * Math.Log(read.Length)));
        }
    }

    /// <summary>One course by least squares of relative errors, weighed again by what was fitted.</summary>
    /// <returns>Null where it would have to fall.</returns>
    private static (Node Node, double Residual, int Parameters)? Solve(double[] minutes, double[] read, bool hasRate, double tau)
    {
        var columns = new List<Func<double, double>> { _ => 1 };
        if (tau > 0)
            columns.Add(t => 1 - Math.Exp(-t / tau));
        if (hasRate)
            columns.Add(t => t);
        if (columns.Count >= read.Length)
            return null;
        var fitted = read;
        Vector<double> found = null!;
        Matrix<double> spread = null!;
        var residual = 0.0;
        for (var pass = 0; pass < 3; pass++)
        {
            var scale = fitted;
            var a = Matrix<double>.Build.Dense(read.Length, columns.Count, (i, j) => columns[j](minutes[i]) / scale[i]);
            var b = Vector<double>.Build.Dense(read.Length, i => read[i] / scale[i]);
            var normal = a.TransposeThisAndMultiply(a);
            if (Math.Abs(normal.Determinant()) < 1e-300)
                return null;
            spread = normal.Inverse();
            found = spread * a.TransposeThisAndMultiply(b);
            if (found.Any(x => x < 0 || !double.IsFinite(x)))
                return null;
            fitted = [.. minutes.Select(t => Math.Max(1, columns.Select((c, j) => c(t) * found[j]).Sum()))];
            residual = read.Select((p, i) => p / fitted[i] - 1).Sum(e => e * e) / read.Length + BestGauge * BestGauge;
        }

        var rate = hasRate ? found[^1] : 0;
        var error = hasRate ? Math.Sqrt(spread[columns.Count - 1, columns.Count - 1] * residual) : 0;
        return (new(tau, found[0] + (tau > 0 ? found[1] : 0), rate, error, hasRate, 0), residual, columns.Count);
    }

    /// <summary>Of the rate, Pa/min, in 90 of 100.</summary>
    private static (double Low, double High) Interval(List<Node> nodes)
    {
        var all = nodes.Sum(n => n.Weight);
        if (all <= 0)
            return (0, 0);
        double Below(double rate) => nodes.Sum(n => n.Weight * Normal.CDF(n.Rate, Math.Max(n.RateError, 1e-9), rate)) / all;
        var (least, most) = (nodes.Min(n => n.Rate - 4 * n.RateError), nodes.Max(n => n.Rate + 4 * n.RateError));
        return (Quantile(0.05), Quantile(0.95));

        double Quantile(double part)
        {
            var (low, high) = (least, most);
            for (var i = 0; i < 50; i++)
            {
                var middle = (low + high) / 2;
                (low, high) = Below(middle) < part ? (middle, high) : (low, middle);
            }

            return (low + high) / 2;
        }
    }

    /// <summary>A leak is told from water once the water has had three time constants.</summary>
    private static double Wait(List<Node> nodes, double duration)
    {
        var tau = nodes.Where(n => n.Tau > 0).Sum(n => n.Weight * n.Tau) / Math.Max(1e-9, nodes.Where(n => n.Tau > 0).Sum(n => n.Weight));
        return Math.Ceiling(Math.Clamp(3 * tau - duration, Math.Max(5, duration / 2), 24 * 60));
    }
}
