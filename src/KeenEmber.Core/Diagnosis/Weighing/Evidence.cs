namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>The facts of a visit as the network takes them.</summary>
internal sealed class Evidence
{
    private static readonly OperatingMode[] Modes = Enum.GetValues<OperatingMode>();

    private readonly Network network;
    private readonly double[][] baseline;
    private readonly double[] ofBaseline;
    private readonly int[] activeModes;
    private readonly int[][] factsOf;
    private readonly int[] spokenOf;
    private readonly bool[] isSameInAllModes;
    private readonly Known[] known;

    /// <summary>A fact as it is weighed.</summary>
    /// <param name="Shown">By mode: what the unit shows of it.</param>
    /// <param name="Answer">Number of the answer; -1 for a number.</param>
    /// <param name="Wrong">How often who tells it errs.</param>
    private readonly record struct Known(Shown[] Shown, int Answer, double Number, double Wrong);

    /// <summary>Who looked twice and saw the same errs this much less often: the second look is not quite a new one. Of what a
    /// customer said once nobody made sure.</summary>
    private const double WrongTwice = 0.15;

    internal Evidence(Network network, DiagnosisInput input)
    {
        this.network = network;
        Facts = [.. input.Facts.Where(f => Fits(network, f)).GroupBy(f => f.Code).Select(g => g.Last())];
        Observables = [.. Facts.Select(f => network.ObservableAt(f.Code)!.Value)];
        known = [.. Facts.Select((f, i) => new Known(Array.ConvertAll(Modes, m => network.Shown(Observables[i], m)),
            IndexOf(network.Observables[Observables[i]], f.Answer), f.Number ?? 0,
            network.Observables[Observables[i]].WrongShare * (input.Settled.Contains(f.Code) && !f.IsComplaint ? WrongTwice : 1)))];
        ModeShares = SharesOfModes(Facts.FirstOrDefault(f => f.Code == "box")?.Number, network);
        activeModes = [.. Enumerable.Range(0, Modes.Length).Where(m => ModeShares[m] >= Negligible)];
        isSameInAllModes = [.. Observables.Select(network.IsSameInAllModes)];
        baseline = [.. Facts.Select((_, i) => Modes.Select(m => LikelihoodOf(i, network.Baseline, m)).ToArray())];
        ofBaseline = [.. Modes.Select((_, m) => activeModes.Contains(m) ? Math.Log(ModeShares[m]) + baseline.Sum(b => Math.Log(b[m]))
            : double.NegativeInfinity)];
        var speaksOf = Observables.SelectMany((o, fact) => network.PushedBy[o].Select(c => (Condition: c, Fact: fact))).Distinct()
            .ToLookup(x => x.Condition, x => x.Fact);
        factsOf = [.. Enumerable.Range(0, network.Conditions.Count).Select(c => speaksOf[c].ToArray())];
        spokenOf = [.. Enumerable.Range(0, factsOf.Length).Where(Speaks)];
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
    internal double Log(double[] conditions)
    {
        Span<double> logs = stackalloc double[ofBaseline.Length];
        LogByMode(conditions, logs);
        return Sum(logs);
    }

    /// <summary>How likely each mode is with these conditions, knowing all facts.</summary>
    internal double[] ModesGiven(double[] conditions)
    {
        var logs = new double[ofBaseline.Length];
        LogByMode(conditions, logs);
        var all = Sum(logs);
        return [.. logs.Select(l => Math.Exp(l - all))];
    }

    /// <summary>What all facts come to on a unit of no cause, and what those facts come to otherwise that a likelier or less likely
    /// condition speaks of.</summary>
    /// <remarks>Called for thousands of sets: ratios are multiplied, and a logarithm is taken of their product.</remarks>
    private void LogByMode(double[] conditions, Span<double> logs)
    {
        ofBaseline.CopyTo(logs);
        Span<bool> isCounted = stackalloc bool[known.Length];
        Span<double> ratios = stackalloc double[logs.Length];
        ratios.Fill(1);
        foreach (var c in spokenOf)
        {
            if (Math.Abs(conditions[c] - network.Baseline[c]) <= AsGoodAsNothing)
                continue;
            foreach (var fact in factsOf[c])
            {
                if (isCounted[fact])
                    continue;
                isCounted[fact] = true;
                Recount(fact, conditions, ratios);
                Settle(ratios, logs, beyond: Smallest);
            }
        }

        Settle(ratios, logs, beyond: double.PositiveInfinity);
    }

    /// <summary>What the facts come to otherwise, put into the logarithms where it is smaller than this.</summary>
    private void Settle(Span<double> ratios, Span<double> logs, double beyond)
    {
        foreach (var m in activeModes)
        {
            if (ratios[m] >= beyond)
                continue;
            logs[m] += Math.Log(ratios[m]);
            ratios[m] = 1;
        }
    }

    /// <summary>A product of ratios is not let become smaller than this, so that it stays a number.</summary>
    private const double Smallest = 1e-100;

    private void Recount(int fact, double[] conditions, Span<double> ratios)
    {
        if (isSameInAllModes[fact])
        {
            var change = LikelihoodOf(fact, conditions, OperatingMode.Calling) / baseline[fact][0];
            foreach (var m in activeModes)
                ratios[m] *= change;
            return;
        }

        foreach (var m in activeModes)
            ratios[m] *= LikelihoodOf(fact, conditions, Modes[m]) / baseline[fact][m];
    }

    /// <summary>A mode this unlikely is left out.</summary>
    private const double Negligible = 1e-3;

    /// <summary>A condition that is hardly likelier than by chance shows nothing.</summary>
    private const double AsGoodAsNothing = 1e-4;

    /// <summary>Logarithm of how likely one fact is with these conditions, the modes weighed.</summary>
    internal double Log(int fact, double[] conditions, double[] modes) =>
        Math.Log(Modes.Select((m, i) => modes[i] * LikelihoodOf(fact, conditions, m)).Sum());

    private double LikelihoodOf(int fact, double[] conditions, OperatingMode mode)
    {
        ref readonly var of = ref known[fact];
        var shown = of.Shown[(int)mode];
        return shown.IsNumber ? Likelihood.Density(shown, conditions, of.Number)
            : Likelihood.Answer(shown, of.Answer, conditions, of.Wrong);
    }

    /// <summary>Logarithm of the sum of what these are logarithms of.</summary>
    internal static double Sum(ReadOnlySpan<double> logs)
    {
        var most = double.NegativeInfinity;
        foreach (var log in logs)
            most = Math.Max(most, log);
        var sum = 0.0;
        foreach (var log in logs)
            sum += log == most ? 1 : Math.Exp(log - most);
        return most + Math.Log(sum);
    }
}
