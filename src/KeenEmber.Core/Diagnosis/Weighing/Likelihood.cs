namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>How likely an answer or a number is where conditions are likely to a degree.</summary>
internal static class Likelihood
{
    /// <summary>One number in fifty is nonsense.</summary>
    private const double Nonsense = 0.02;

    /// <summary>Nonsense lies anywhere in so many standard deviations.</summary>
    private const double NonsenseDeviations = 16;

    /// <summary>A strong fault goes further than a common one: one number in ten, and up to so many times as far; told of where what is
    /// expected is plainly off, so many deviations of a healthy unit.</summary>
    private const double Strong = 0.1, TimesAsFar = 5, PlainlyOff = 2;

    /// <summary>Shares of all answers: each condition takes its part of what the others left.</summary>
    internal static double[] Answers(Shown shown, double[] conditions)
    {
        var shares = new double[shown.Shares.Length];
        AnswersInto(shares, shown, conditions);
        return shares;
    }

    /// <summary>The same into as many numbers as there are answers.</summary>
    internal static void AnswersInto(Span<double> shares, Shown shown, double[] conditions)
    {
        shown.Shares.CopyTo(shares);
        foreach (var push in shown.Pushes)
        {
            var taken = conditions[push.Condition] * push.Share;
            for (var i = 0; i < shares.Length; i++)
                shares[i] *= 1 - taken;
            shares[push.Answer] += taken;
        }

        for (var i = 0; i < shares.Length; i++)
            shares[i] = (1 - shown.Wrong) * shares[i] + shown.Wrong / shares.Length;
    }

    /// <summary>The share of one answer: the same as in <see cref="Answers"/>.</summary>
    internal static double Answer(Shown shown, int answer, double[] conditions) => Answer(shown, answer, conditions, shown.Wrong);

    /// <param name="wrong">The share of answers that are wrong, of those told so.</param>
    internal static double Answer(Shown shown, int answer, double[] conditions, double wrong)
    {
        var share = shown.Shares[answer];
        foreach (ref readonly var push in shown.Pushes.AsSpan())
        {
            var taken = conditions[push.Condition] * push.Share;
            share = share * (1 - taken) + (push.Answer == answer ? taken : 0);
        }

        return (1 - wrong) * share + wrong / shown.Shares.Length;
    }

    /// <summary>Where a number lies, give or take.</summary>
    internal static (double Mean, double Deviation) Number(Shown shown, double[] conditions) => Number(shown, conditions, None, 0);

    private const int None = -1;

    /// <param name="held">A condition that is taken to be just so likely; <see cref="None"/> for none.</param>
    private static (double Mean, double Deviation) Number(Shown shown, double[] conditions, int held, double heldLikely)
    {
        var (mean, variance) = (shown.Mean, shown.Deviation * shown.Deviation);
        foreach (ref readonly var push in shown.Pushes.AsSpan())
        {
            var likely = push.Condition == held ? heldLikely : conditions[push.Condition];
            mean += likely * push.By;
            variance += likely * push.Spread * push.Spread + likely * (1 - likely) * push.By * push.By;
        }

        return (mean, Math.Sqrt(variance));
    }

    /// <summary>Density of a number, per standard deviation of a healthy unit. Where one condition is doubtful and would move it far, it is
    /// taken as so and as not so.</summary>
    internal static double Density(Shown shown, double[] conditions, double number)
    {
        var doubtful = Doubtful(shown, conditions);
        if (doubtful == None)
            return DensityOf(shown, Number(shown, conditions), number);
        var likely = conditions[doubtful];
        return likely * DensityOf(shown, Number(shown, conditions, doubtful, 1), number)
            + (1 - likely) * DensityOf(shown, Number(shown, conditions, doubtful, 0), number);
    }

    /// <summary>The condition that makes a number most doubtful; <see cref="None"/> where none does by more than a healthy unit
    /// varies.</summary>
    private static int Doubtful(Shown shown, double[] conditions)
    {
        var (most, which) = (shown.Deviation, None);
        foreach (ref readonly var push in shown.Pushes.AsSpan())
        {
            var likely = conditions[push.Condition];
            var doubt = Math.Abs(push.By) * Math.Sqrt(likely * (1 - likely));
            if (doubt > most)
                (most, which) = (doubt, push.Condition);
        }

        return which;
    }

    private static double DensityOf(Shown shown, (double Mean, double Deviation) expected, double number)
    {
        var (mean, deviation) = expected;
        var z = (number - mean) / deviation;
        var common = Math.Exp(-z * z / 2) / Math.Sqrt(Math.Tau) * shown.Deviation / deviation;
        if (StrongShare(mean, shown) is not (> 0 and var strong))
            return (1 - Nonsense) * common + Nonsense / NonsenseDeviations;
        var further = (TimesAsFar - 1) * (mean - shown.Mean);
        var isFurther = (number - mean) / further is >= 0 and <= 1;
        return (1 - Nonsense - strong) * common + (isFurther ? strong * shown.Deviation / Math.Abs(further) : 0)
            + Nonsense / NonsenseDeviations;
    }

    private static double StrongShare(double mean, Shown shown) =>
        Math.Abs(mean - shown.Mean) > PlainlyOff * shown.Deviation ? Strong : 0;

    /// <summary>What anything at all would be worth: the share of a fact where nothing is known of what makes it.</summary>
    internal static double OfAnything(Network network, int observable) => network.Observables[observable] is { IsNumber: false } o
        ? 1.0 / o.Answers.Count : 1 / NonsenseDeviations;

    /// <summary>Ends of the five ranges a number is told in: far below, below, as usual, above, far above what is healthy.</summary>
    internal static double[] Ends(Network network, int observable) => Ends(network.Shown(observable, OperatingMode.Calling));

    private static double[] Ends(Shown calling) => [calling.Mean - 5 * calling.Deviation, calling.Mean - 2 * calling.Deviation,
        calling.Mean + 2 * calling.Deviation, calling.Mean + 5 * calling.Deviation];

    /// <summary>Shares of the five ranges.</summary>
    /// <param name="calling">What is shown while it is called, from which the ranges are taken.</param>
    internal static void RangesInto(Span<double> shares, Shown shown, Shown calling, double[] conditions)
    {
        var (mean, deviation) = Number(shown, conditions);
        var below = 0.0;
        var ends = Ends(calling);
        for (var i = 0; i < ends.Length; i++)
        {
            var next = Below((ends[i] - mean) / deviation);
            (shares[i], below) = (next - below, next);
        }

        shares[^1] = 1 - below;
        var strong = StrongShare(mean, shown);
        for (var i = 0; i < shares.Length; i++)
            shares[i] = (1 - Nonsense - strong) * shares[i] + Nonsense / shares.Length;
        shares[mean > shown.Mean ? ^1 : 0] += strong;
    }

    private static double Below(double z) => MathNet.Numerics.Distributions.Normal.CDF(0, 1, z);
}
