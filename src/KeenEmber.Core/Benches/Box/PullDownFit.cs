namespace KeenEmber.Core.Benches.Box;

/// <summary>Says from a few readings when a box reaches its target, or how far above it will stay.</summary>
/// <remarks>
/// Air and walls cool quickly, what is stored slowly: the course is the sum of two falling exponentials to one plateau (two lumped masses).
/// Time constants and shares are tried over a wide grid, each course fitted by least squares and weighed by how well it fits (Bayes); where
/// the readings do not tell, the intervals are wide. What a door or a defrost warmed counts for less; as many of them are expected as there
/// were so far.
/// </remarks>
public static class PullDownFit
{
    /// <summary>Fewest readings a course can be told from.</summary>
    public const int Fewest = 5;

    /// <summary>How sure it has to be that a box reaches its target, and up to where it is said that it does not: waiting for a box that
    /// never comes costs more than a look too many at one that does.</summary>
    private const double Sure = 0.85, Never = 0.3;

    /// <summary>Doors and defrosts that are still to come slow a box by so much (found on generated boxes, PullDownFitTests).</summary>
    private const double Slower = 1.13;

    /// <summary>No box falls quite like any course: plateaus are taken to be so much less certain than the fit says (found on generated
    /// boxes, PullDownFitTests).</summary>
    private const double Wider = 1.8;

    /// <summary>However good the thermometer, no box follows two exponentials nearer than this, K (found on whole units,
    /// BenchTrials).</summary>
    private const double LeastNoiseK = 0.45;

    /// <summary>What is warmer than the course by more than so many times the noise is a door or a defrost, and counts the less the more it
    /// is (Huber 1964, on the warm side alone).</summary>
    private const double Warmed = 1.5;

    /// <summary>Where a unit levels off when nothing cuts it out, K from its target: far below, as one that is to run two thirds of the
    /// time, or above, as one that fails. How many of each are watched is trade experience.</summary>
    private static readonly (double FromTargetK, double SpreadK, double Share)[] Reserves = [(-8, 7, 0.8), (4, 5, 0.2)];

    private static readonly double[] FastOfSlow = [0.03, 0.08, 0.18, 0.4], SlowShares = [0, 0.2, 0.4, 0.6, 0.8, 1];

    private const int TimeConstants = 36;

    private const double ShortestOfTest = 0.08, LongestOfTest = 12;

    /// <summary>Where a fitted plateau is looked at, in its own standard errors, and how much of it lies there.</summary>
    private static readonly (double At, double Share)[] Spread =
        [(-2, 0.0545), (-1.25, 0.1585), (-0.6, 0.2187), (0, 0.1366 + 0.0), (0.6, 0.2187), (1.25, 0.1585), (2, 0.0545)];

    private sealed record Course(double Fast, double Slow, double SlowShare, double Plateau, double PlateauError, double Height, double Log)
    {
        internal double At(double minute) =>
            Plateau + Height * ((1 - SlowShare) * Math.Exp(-minute / Fast) + SlowShare * Math.Exp(-minute / Slow));
    }

    /// <summary>Reads a course.</summary>
    /// <param name="samples">In order of time.</param>
    /// <param name="targetC">°C.</param>
    public static PullDownResult Fit(IReadOnlyList<PullDownSample> samples, double targetC)
    {
        if (samples.Count < Fewest || samples[^1].Minute <= samples[0].Minute)
            return new(PullDownVerdict.TooEarly, new(samples[^1].BoxC, double.NegativeInfinity, samples[0].BoxC), null);
        double[] minutes = [.. samples.Select(s => s.Minute - samples[0].Minute)];
        double[] box = [.. samples.Select(s => s.BoxC)];
        var noise = Noise(box);
        var stored = StoredMin(samples);
        var kept = Kept.Of(minutes, box);
        var looked = Courses(kept, noise, targetC, stored);
        var likeliestOf = looked.MaxBy(c => c.Log)!;
        if (!double.IsFinite(likeliestOf.Log))
            return new(PullDownVerdict.TooEarly, new(box[^1], double.NegativeInfinity, box.Max()), null);
        var errors = Errors(kept, likeliestOf, noise);
        var courses = looked.Where(c => c.Log > likeliestOf.Log - FarOff)
            .SelectMany(c => Fits(kept, c.Fast, c.Slow, c.SlowShare, errors, targetC, stored, Passes)).ToList();
        var best = courses.Max(c => c.Log);
        // What doors cost so far they go on costing: the course is told for as warm as the box was on average.
        var likeliest = courses.MaxBy(c => c.Log)!;
        var doorsK = Math.Max(0, kept.OffFrom(likeliest).Average());
        if (!double.IsFinite(best))
            return new(PullDownVerdict.TooEarly, new(box[^1], double.NegativeInfinity, box.Max()), null);
        var all = courses.Sum(c => Math.Exp(c.Log - best));
        var ends = new List<(Course Course, double ToTarget, double Weight)>();
        foreach (var course in courses)
        {
            foreach (var (at, part) in Spread)
            {
                var plateau = course.Plateau + Wider * at * course.PlateauError;
                var height = kept.BoxC[0] - plateau;
                var likely = course with { Plateau = plateau, Height = Math.Max(0, height) };
                ends.Add((likely, Crossing(likely, targetC - doorsK), Math.Exp(course.Log - best) / all * part));
            }
        }

        var total = ends.Sum(e => e.Weight);
        var reached = ends.Where(e => double.IsFinite(e.ToTarget)).Sum(e => e.Weight) / total;
        var plateaus = Range([.. ends.Select(e => (e.Course.Plateau, e.Weight))]);
        Forecast? times = reached < Never ? null
            : Range([.. ends.Where(e => double.IsFinite(e.ToTarget)).Select(e => (Slower * e.ToTarget, e.Weight))]);
        var verdict = reached switch
        {
            >= Sure => PullDownVerdict.WillReach,
            <= Never => PullDownVerdict.WillNotReach,
            _ => PullDownVerdict.TooEarly,
        };
        return new(verdict, plateaus, verdict == PullDownVerdict.WillNotReach ? null : times)
        {
            BoxAt = minute => Range([.. ends.Select(e => (e.Course.At(minute) + doorsK, e.Weight))], noise),
        };
    }

    /// <summary>Readings of the product from which it is known how slowly it follows the air.</summary>
    private const int FewestOfProduct = 3;

    /// <summary>How slowly what is stored follows the air, min: how much it fell over the sum of how much colder the air was.</summary>
    /// <returns>Null where it was not measured often enough, or did not fall.</returns>
    private static double? StoredMin(IReadOnlyList<PullDownSample> samples)
    {
        var read = samples.Where(s => s.ProductC is not null).ToList();
        if (read.Count < FewestOfProduct)
            return null;
        var steps = read.Zip(read.Skip(1)).ToList();
        var colder = steps.Sum(s => (s.Second.Minute - s.First.Minute)
            * (s.First.ProductC!.Value - s.First.BoxC + s.Second.ProductC!.Value - s.Second.BoxC) / 2);
        var fell = Fallen(read);
        return fell > 0 && colder > 0 ? Math.Clamp(colder / fell, ShortestStored, LongestStored) : null;
    }

    /// <summary>By a line through all readings, so that the noise of two does not decide.</summary>
    private static double Fallen(List<PullDownSample> read) => -(read[^1].Minute - read[0].Minute) * MathNet.Numerics.Fit.Line(
        [.. read.Select(r => r.Minute)], [.. read.Select(r => r.ProductC!.Value)]).B;

    private const double ShortestStored = 20, LongestStored = 2000;

    /// <summary>Of one reading, K: half of how much it jumps beside its neighbours, by the median, which doors do not move.</summary>
    private static double Noise(double[] box)
    {
        var jumps = Enumerable.Range(1, box.Length - 2).Select(i => Math.Abs(box[i] - (box[i - 1] + box[i + 1]) / 2)).Order().ToList();
        return Math.Max(LeastNoiseK, jumps.Count == 0 ? 0 : jumps[jumps.Count / 2] / 0.6745 / Math.Sqrt(1.5));
    }

    /// <summary>What a reading says less than its noise alone would have it, K: what no course follows, and what hangs on from one reading
    /// to the next.</summary>
    private static double Errors(Kept kept, Course best, double noise)
    {
        var off = kept.OffFrom(best);
        var size = Math.Max(noise, Math.Sqrt(off.Average(e => Math.Min(e * e, 9 * noise * noise))));
        var along = off.Zip(off.Skip(1), (a, b) => a * b).Sum() / Math.Max(1e-9, off.Sum(e => e * e));
        var hangs = Math.Clamp(along, 0, 0.95);
        return size * Math.Sqrt((1 + hangs) / (1 - hangs));
    }

    /// <summary>Courses this much less likely than the best, as a logarithm, are not looked at a second time.</summary>
    private const double FarOff = 30;

    /// <summary>How often what a door warmed is weighed anew.</summary>
    private const int Passes = 3;

    private static List<Course> Courses(Kept kept, double noise, double targetC, double? stored)
    {
        var duration = Math.Max(1, kept.Minutes[^1]);
        var courses = new List<Course>();
        for (var n = 0; n < TimeConstants; n++)
        {
            var slow = duration * ShortestOfTest * Math.Pow(LongestOfTest / ShortestOfTest, n / (TimeConstants - 1.0));
            foreach (var share in SlowShares)
            {
                foreach (var ratio in share is > 0 and < 1 ? FastOfSlow : [FastOfSlow[0]])
                {
                    var fast = share == 0 ? slow : slow * ratio;
                    courses.Add(Fits(kept, fast, slow, share, noise, targetC, stored, 1).MaxBy(c => c.Log)!);
                }
            }
        }

        return courses;
    }

    /// <summary>A course fitted once for each reserve a unit may have.</summary>
    private static Course[] Fits(Kept kept, double fast, double slow, double slowShare, double noise, double targetC, double? stored,
        int passes)
    {
        var fallen = Array.ConvertAll(kept.Minutes, t => (1 - slowShare) * Math.Exp(-t / fast) + slowShare * Math.Exp(-t / slow));
        var usual = Usual(fast, slow, slowShare, stored);
        return Array.ConvertAll(Reserves, r =>
        {
            var (plateau, error, height, log) = Fit(kept, fallen, noise, targetC, r, passes);
            return new Course(fast, slow, slowShare, plateau, error, height, height > 0 ? log + usual : double.NegativeInfinity);
        });
    }

    /// <summary>Plateau and height by least squares, the plateau held by what units usually come to.</summary>
    /// <param name="fallen">By reading: how far the course has still to fall, as a share.</param>
    private static (double Plateau, double Error, double Height, double Log) Fit(Kept kept, double[] fallen, double noise, double targetC,
        (double FromTargetK, double SpreadK, double Share) reserve, int passes)
    {
        var (prior, priorWeight) = (targetC + reserve.FromTargetK, 1 / (reserve.SpreadK * reserve.SpreadK));
        var weight = 1 / (noise * noise);
        var (plateau, height, det, sff) = (0.0, 0.0, 0.0, 0.0);
        for (var pass = 0; pass < passes; pass++)
        {
            var (s1, sf, sy, sfy) = (priorWeight, 0.0, priorWeight * prior, 0.0);
            sff = 0;
            for (var i = 0; i < fallen.Length; i++)
            {
                var (f, box) = (fallen[i], kept.BoxC[i]);
                var off = pass == 0 ? 0 : (box - plateau - height * f) / noise;
                var w = kept.Lately[i] * (off > Warmed ? weight * Warmed / off : weight);
                s1 += w;
                sf += w * f;
                sff += w * f * f;
                sy += w * box;
                sfy += w * f * box;
            }

            det = s1 * sff - sf * sf;
            (plateau, height) = ((sff * sy - sf * sfy) / det, (s1 * sfy - sf * sy) / det);
        }

        var squares = 0.0;
        for (var i = 0; i < fallen.Length; i++)
            squares += kept.Lately[i] * Robust((kept.BoxC[i] - plateau - height * fallen[i]) / noise);
        squares += (plateau - prior) * (plateau - prior) * priorWeight;
        // A wide plateau is worth less than one the readings pin down: the width of what is left stands in the evidence.
        return (plateau, Math.Sqrt(sff / det), height, -squares / 2 - Math.Log(det) / 2 + Math.Log(reserve.Share / reserve.SpreadK));
    }

    /// <summary>The readings as they are weighed, in order of time.</summary>
    /// <param name="Lately">What each says of the end.</param>
    private sealed record Kept(double[] Minutes, double[] BoxC, double[] Lately)
    {
        /// <summary>What is late says more of the end than what is early: the air falls first, then what it took along, and no two
        /// exponentials follow that from the start (found on whole units, PullDownOnUnitsTests). A weight that grows with the square of the
        /// time, and less where there are so few readings that none can be spared.</summary>
        internal static Kept Of(double[] minutes, double[] boxC)
        {
            var power = MostPower * Math.Clamp((minutes.Length - Fewest) / ManyMore, 0, 1);
            return new(minutes, boxC, Array.ConvertAll(minutes, m => Math.Pow(Math.Max(LeastOfEarly, m / minutes[^1]), power)));
        }

        internal double[] OffFrom(Course course) => [.. BoxC.Zip(Minutes, (box, minute) => box - course.At(minute))];
    }

    private const double LeastOfEarly = 0.05, MostPower = 2, ManyMore = 5;

    /// <summary>Logarithm of how usual a course is.</summary>
    private static double Usual(double fast, double slow, double slowShare, double? stored)
    {
        static double Off(double tau, double usual, double spread = Spreads) => Math.Log(tau / usual) / Math.Log(spread);
        var air = Off(slowShare == 0 ? slow : fast, UsualFast);
        var goods = (slowShare, stored) switch
        {
            (0, _) => 0,
            (_, { } minutes) => Off(slow, SlowOfStored * minutes, SpreadsOfStored),
            _ => Off(slow, UsualSlow),
        };
        return -(air * air + goods * goods) / 2 + Math.Log(slowShare == 0 ? Empty : (1 - Empty) / (SlowShares.Length - 1));
    }

    /// <summary>Time constants of air with walls, and of what is stored: round these, by this factor up and down in two of three boxes,
    /// min; and how many boxes are pulled down with next to nothing in them (trade experience).</summary>
    private const double UsualFast = 40, UsualSlow = 200, Spreads = 2.5, Empty = 0.35;

    /// <summary>Air and product come down together more slowly than the product alone would follow air that is cold; by this factor up and
    /// down (found on generated boxes).</summary>
    private const double SlowOfStored = 2, SpreadsOfStored = 1.8;

    /// <summary>What is far off counts as far and no farther.</summary>
    private static double Robust(double errors) => Math.Min(errors * errors, 9);

    /// <summary>Minutes until a course is at a temperature; infinite where it never is.</summary>
    private static double Crossing(Course course, double targetC)
    {
        if (course.Plateau >= targetC)
            return double.PositiveInfinity;
        var (low, high) = (0.0, course.Slow * 40);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = course.At(middle) > targetC ? (middle, high) : (low, middle);
        }

        return high;
    }

    /// <param name="noise">Of a single reading, K, where one is forecast.</param>
    private static Forecast Range(List<(double Value, double Weight)> values, double noise = 0)
    {
        values.Sort((a, b) => a.Value.CompareTo(b.Value));
        var all = values.Sum(v => v.Weight);
        double At(double part)
        {
            var sum = 0.0;
            foreach (var (value, weight) in values)
            {
                sum += weight;
                if (sum >= part * all)
                    return value;
            }

            return values[^1].Value;
        }

        var (middle, low, high) = (At(0.5), At(0.05), At(0.95));
        double Wide(double side) => Math.Sqrt(side * side + NinetyPercent * NinetyPercent * noise * noise);
        return new(middle, middle - Wide(middle - low), middle + Wide(high - middle));
    }

    /// <summary>Standard deviations to either side of nine readings in ten.</summary>
    private const double NinetyPercent = 1.645;
}
