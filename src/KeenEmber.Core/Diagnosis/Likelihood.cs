namespace KeenEmber.Core.Diagnosis;

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
    internal static double[] Answers(Network network, int observable, double[] conditions, OperatingMode mode)
    {
        var shares = network.Healthy(observable, mode).Shares.ToArray();
        foreach (var push in network.Pushes[observable])
        {
            if (push.In is { } only && only != mode)
                continue;
            var taken = conditions[push.Condition] * push.Share;
            for (var i = 0; i < shares.Length; i++)
                shares[i] *= 1 - taken;
            shares[push.Answer] += taken;
        }

        var wrong = network.Observables[observable].WrongShare;
        for (var i = 0; i < shares.Length; i++)
            shares[i] = (1 - wrong) * shares[i] + wrong / shares.Length;
        return shares;
    }

    /// <summary>The share of one answer: the same as in <see cref="Answers"/>.</summary>
    internal static double Answer(Network network, int observable, int answer, double[] conditions, OperatingMode mode)
    {
        var shares = network.Healthy(observable, mode).Shares;
        var share = shares[answer];
        foreach (var push in network.Pushes[observable])
        {
            if (push.In is { } only && only != mode)
                continue;
            var taken = conditions[push.Condition] * push.Share;
            share = share * (1 - taken) + (push.Answer == answer ? taken : 0);
        }

        var wrong = network.Observables[observable].WrongShare;
        return (1 - wrong) * share + wrong / shares.Count;
    }

    /// <summary>Where a number lies, give or take.</summary>
    internal static (double Mean, double Deviation) Number(Network network, int observable, double[] conditions, OperatingMode mode)
    {
        var healthy = network.Healthy(observable, mode);
        var (mean, variance) = (healthy.Mean, healthy.Deviation * healthy.Deviation);
        foreach (var push in network.Pushes[observable])
        {
            if (push.In is { } only && only != mode)
                continue;
            var likely = conditions[push.Condition];
            mean += likely * push.By;
            variance += likely * push.Spread * push.Spread + likely * (1 - likely) * push.By * push.By;
        }

        return (mean, Math.Sqrt(variance));
    }

    /// <summary>Density of a number, per standard deviation of a healthy unit. Where one condition is doubtful and would move it far, it is
    /// taken as so and as not so.</summary>
    internal static double Density(Network network, int observable, double[] conditions, OperatingMode mode, double number)
    {
        if (Doubtful(network, observable, conditions, mode) is not { } doubtful)
            return DensityOf(network, observable, conditions, mode, number);
        var likely = conditions[doubtful];
        conditions[doubtful] = 1;
        var so = DensityOf(network, observable, conditions, mode, number);
        conditions[doubtful] = 0;
        var not = DensityOf(network, observable, conditions, mode, number);
        conditions[doubtful] = likely;
        return likely * so + (1 - likely) * not;
    }

    /// <summary>The condition that makes a number most doubtful; null where none does by more than a healthy unit varies.</summary>
    private static int? Doubtful(Network network, int observable, double[] conditions, OperatingMode mode)
    {
        var (most, which) = (network.Healthy(observable, mode).Deviation, (int?)null);
        foreach (var push in network.Pushes[observable])
        {
            if (push.In is { } only && only != mode)
                continue;
            var likely = conditions[push.Condition];
            var doubt = Math.Abs(push.By) * Math.Sqrt(likely * (1 - likely));
            if (doubt > most)
                (most, which) = (doubt, push.Condition);
        }

        return which;
    }

    private static double DensityOf(Network network, int observable, double[] conditions, OperatingMode mode, double number)
    {
        var (mean, deviation) = Number(network, observable, conditions, mode);
        var healthy = network.Healthy(observable, mode);
        var z = (number - mean) / deviation;
        var common = Math.Exp(-z * z / 2) / Math.Sqrt(Math.Tau) * healthy.Deviation / deviation;
        if (StrongShare(mean, healthy) is not (> 0 and var strong))
            return (1 - Nonsense) * common + Nonsense / NonsenseDeviations;
        var further = (TimesAsFar - 1) * (mean - healthy.Mean);
        var isFurther = (number - mean) / further is >= 0 and <= 1;
        return (1 - Nonsense - strong) * common + (isFurther ? strong * healthy.Deviation / Math.Abs(further) : 0)
            + Nonsense / NonsenseDeviations;
    }

    private static double StrongShare(double mean, HealthyAnswer healthy) =>
        Math.Abs(mean - healthy.Mean) > PlainlyOff * healthy.Deviation ? Strong : 0;

    /// <summary>What anything at all would be worth: the share of a fact where nothing is known of what makes it.</summary>
    internal static double OfAnything(Network network, int observable) => network.Observables[observable] is { IsNumber: false } o
        ? 1.0 / o.Answers.Count : 1 / NonsenseDeviations;

    /// <summary>Ends of the five ranges a number is told in: far below, below, as usual, above, far above what is healthy.</summary>
    internal static double[] Ends(Network network, int observable)
    {
        var healthy = network.Healthy(observable, OperatingMode.Calling);
        return [healthy.Mean - 5 * healthy.Deviation, healthy.Mean - 2 * healthy.Deviation, healthy.Mean + 2 * healthy.Deviation,
            healthy.Mean + 5 * healthy.Deviation];
    }

    /// <summary>Shares of the five ranges.</summary>
    internal static double[] Ranges(Network network, int observable, double[] conditions, OperatingMode mode)
    {
        var (mean, deviation) = Number(network, observable, conditions, mode);
        var below = Ends(network, observable).Select(e => Below((e - mean) / deviation)).ToArray();
        double[] shares = [below[0], below[1] - below[0], below[2] - below[1], below[3] - below[2], 1 - below[3]];
        var healthy = network.Healthy(observable, mode);
        var strong = StrongShare(mean, healthy);
        var ranges = Array.ConvertAll(shares, s => (1 - Nonsense - strong) * s + Nonsense / shares.Length);
        ranges[mean > healthy.Mean ? ^1 : 0] += strong;
        return ranges;
    }

    private static double Below(double z) => MathNet.Numerics.Distributions.Normal.CDF(0, 1, z);
}
