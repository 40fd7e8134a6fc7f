namespace KeenEmber.Core.Diagnosis;

/// <summary>The facts of a visit as the network takes them.</summary>
internal sealed class Evidence
{
    private static readonly OperatingMode[] Modes = Enum.GetValues<OperatingMode>();

    private readonly Network network;
    private readonly double[][] baseline;
    private readonly int[][] conditionsOf;
    private readonly int[] answers;

    internal Evidence(Network network, IReadOnlyList<Fact> facts)
    {
        this.network = network;
        Facts = [.. facts.Where(f => Fits(network, f)).GroupBy(f => f.Code).Select(g => g.Last())];
        Observables = [.. Facts.Select(f => network.ObservableAt(f.Code)!.Value)];
        answers = [.. Facts.Select((f, i) => IndexOf(network.Observables[Observables[i]], f.Answer))];
        ModeShares = SharesOfModes(Facts.FirstOrDefault(f => f.Code == "box")?.Number, network);
        baseline = [.. Facts.Select((_, i) => Modes.Select(m => LogLikelihood(i, network.Baseline, m)).ToArray())];
        conditionsOf = [.. Observables.Select(o => network.Pushes[o].Select(p => p.Condition).Distinct().ToArray())];
    }

    /// <summary>The unit has it, and it is one of its answers or a number where one is asked for.</summary>
    private static bool Fits(Network network, Fact fact) => network.ObservableAt(fact.Code) is { } at
        && (network.Observables[at].IsNumber ? fact.Number is { } number && double.IsFinite(number)
            : network.Observables[at].Answers.Contains(fact.Answer));

    private static int IndexOf(Observable observable, string answer)
    {
        for (var i = 0; i < observable.Answers.Count; i++)
        {
            if (observable.Answers[i] == answer)
                return i;
        }

        return -1;
    }

    /// <summary>Each once; those this unit does not have are left out.</summary>
    internal IReadOnlyList<Fact> Facts { get; }

    /// <summary>The observable of each fact.</summary>
    internal int[] Observables { get; }

    /// <summary>How likely each mode is before anything but the box's temperature is known.</summary>
    internal double[] ModeShares { get; }

    /// <summary>Above its target by this much a box is as likely to call as not, K, give or take.</summary>
    private const double CallsAboveK = 0.8, GiveOrTakeK = 0.5;

    private const double OffShare = 0.0005, DefrostShare = 0.08, CallingShare = 0.7;

    private static double[] SharesOfModes(double? boxAboveK, Network network)
    {
        var calling = boxAboveK is { } box ? 1 / (1 + Math.Exp(-(box - CallsAboveK) / GiveOrTakeK)) : CallingShare;
        var defrost = network.ObservableAt("clock-position") is null ? DefrostShare / 4 : DefrostShare;
        var rest = 1 - defrost - OffShare;
        return [rest * calling, rest * (1 - calling), defrost, OffShare];
    }

    /// <summary>Logarithm of how likely all facts are with these conditions, the modes summed over.</summary>
    internal double Log(double[] conditions) => Sum(LogByMode(conditions));

    /// <summary>How likely each mode is with these conditions, knowing all facts.</summary>
    internal double[] ModesGiven(double[] conditions)
    {
        var logs = LogByMode(conditions);
        var all = Sum(logs);
        return [.. logs.Select(l => Math.Exp(l - all))];
    }

    private double[] LogByMode(double[] conditions)
    {
        var logs = new double[Modes.Length];
        for (var m = 0; m < logs.Length; m++)
            logs[m] = ModeShares[m] < Negligible ? double.NegativeInfinity : Math.Log(ModeShares[m]);
        for (var i = 0; i < Facts.Count; i++)
        {
            var isTouched = IsTouched(i, conditions);
            for (var m = 0; m < logs.Length; m++)
            {
                if (double.IsNegativeInfinity(logs[m]))
                    continue;
                logs[m] += isTouched ? LogLikelihood(i, conditions, Modes[m]) : baseline[i][m];
            }
        }

        return logs;
    }

    /// <summary>A mode this unlikely is left out.</summary>
    private const double Negligible = 1e-3;

    private bool IsTouched(int fact, double[] conditions)
    {
        foreach (var condition in conditionsOf[fact])
        {
            if (Math.Abs(conditions[condition] - network.Baseline[condition]) > AsGoodAsNothing)
                return true;
        }

        return false;
    }

    /// <summary>A condition that is hardly likelier than by chance shows nothing.</summary>
    private const double AsGoodAsNothing = 1e-4;

    /// <summary>Logarithm of how likely one fact is with these conditions, the modes weighed.</summary>
    internal double Log(int fact, double[] conditions, double[] modes) =>
        Math.Log(Modes.Select((m, i) => modes[i] * Math.Exp(LogLikelihood(fact, conditions, m))).Sum());

    private double LogLikelihood(int fact, double[] conditions, OperatingMode mode)
    {
        var observable = Observables[fact];
        if (Facts[fact].Number is { } number)
            return Math.Log(Likelihood.Density(network, observable, conditions, mode, number));
        return Math.Log(Likelihood.Answer(network, observable, answers[fact], conditions, mode));
    }

    /// <summary>Logarithm of the sum of what these are logarithms of.</summary>
    internal static double Sum(IReadOnlyList<double> logs)
    {
        var most = logs.Max();
        return most + Math.Log(logs.Sum(l => Math.Exp(l - most)));
    }
}
