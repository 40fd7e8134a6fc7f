namespace KeenEmber.Core.Diagnosis;

/// <summary>The facts of a visit as the network takes them.</summary>
internal sealed class Evidence
{
    private static readonly OperatingMode[] Modes = Enum.GetValues<OperatingMode>();

    private readonly Network network;
    private readonly double[][] baseline;
    private readonly double[] ofBaseline;
    private readonly int[] activeModes;
    private readonly int[][] factsOf;
    private readonly bool[] isSameInAllModes;
    private readonly int[] answers;

    internal Evidence(Network network, IReadOnlyList<Fact> facts)
    {
        this.network = network;
        Facts = [.. facts.Where(f => Fits(network, f)).GroupBy(f => f.Code).Select(g => g.Last())];
        Observables = [.. Facts.Select(f => network.ObservableAt(f.Code)!.Value)];
        answers = [.. Facts.Select((f, i) => IndexOf(network.Observables[Observables[i]], f.Answer))];
        ModeShares = SharesOfModes(Facts.FirstOrDefault(f => f.Code == "box")?.Number, network);
        activeModes = [.. Enumerable.Range(0, Modes.Length).Where(m => ModeShares[m] >= Negligible)];
        isSameInAllModes = [.. Observables.Select(network.IsSameInAllModes)];
        baseline = [.. Facts.Select((_, i) => Modes.Select(m => LogLikelihood(i, network.Baseline, m)).ToArray())];
        ofBaseline = [.. Modes.Select((_, m) => activeModes.Contains(m) ? Math.Log(ModeShares[m]) + baseline.Sum(b => b[m])
            : double.NegativeInfinity)];
        var speaksOf = Observables.SelectMany((o, fact) => network.Pushes[o].Select(p => (p.Condition, Fact: fact))).Distinct()
            .ToLookup(x => x.Condition, x => x.Fact);
        factsOf = [.. Enumerable.Range(0, network.Conditions.Count).Select(c => speaksOf[c].ToArray())];
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

    /// <summary>Some fact speaks of a condition.</summary>
    internal bool Speaks(int condition) => factsOf[condition].Length > 0;

    /// <summary>Logarithm of how likely all facts are with these conditions, the modes summed over.</summary>
    internal double Log(double[] conditions) => Sum(LogByMode(conditions));

    /// <summary>How likely each mode is with these conditions, knowing all facts.</summary>
    internal double[] ModesGiven(double[] conditions)
    {
        var logs = LogByMode(conditions);
        var all = Sum(logs);
        return [.. logs.Select(l => Math.Exp(l - all))];
    }

    /// <summary>What all facts come to on a unit of no cause, and what those facts come to otherwise that a likelier or less likely
    /// condition speaks of.</summary>
    private double[] LogByMode(double[] conditions)
    {
        var logs = (double[])ofBaseline.Clone();
        Span<bool> isCounted = stackalloc bool[Facts.Count];
        for (var c = 0; c < conditions.Length; c++)
        {
            if (factsOf[c].Length == 0 || Math.Abs(conditions[c] - network.Baseline[c]) <= AsGoodAsNothing)
                continue;
            foreach (var fact in factsOf[c])
            {
                if (isCounted[fact])
                    continue;
                isCounted[fact] = true;
                Recount(fact, conditions, logs);
            }
        }

        return logs;
    }

    private void Recount(int fact, double[] conditions, double[] logs)
    {
        if (isSameInAllModes[fact])
        {
            var change = LogLikelihood(fact, conditions, OperatingMode.Calling) - baseline[fact][0];
            foreach (var m in activeModes)
                logs[m] += change;
            return;
        }

        foreach (var m in activeModes)
            logs[m] += LogLikelihood(fact, conditions, Modes[m]) - baseline[fact][m];
    }

    /// <summary>A mode this unlikely is left out.</summary>
    private const double Negligible = 1e-3;

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
        var most = double.NegativeInfinity;
        for (var i = 0; i < logs.Count; i++)
            most = Math.Max(most, logs[i]);
        var sum = 0.0;
        for (var i = 0; i < logs.Count; i++)
            sum += logs[i] == most ? 1 : Math.Exp(logs[i] - most);
        return most + Math.Log(sum);
    }
}
