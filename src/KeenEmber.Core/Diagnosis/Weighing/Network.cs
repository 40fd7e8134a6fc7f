using KeenEmber.Core.Plant;
using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>The table as it holds for one unit with its history, numbered for arithmetic.</summary>
internal sealed class Network
{
    private readonly (int Condition, double Share)[][] makes;
    private readonly double[] notByChance;
    private readonly int[][] conditionsOf;
    private readonly double[][] sharesOfConditions;
    private readonly int[][] touched;
    private readonly Dictionary<string, int> observableAt;
    private readonly Shown[][] shown;

    /// <summary>For a unit with its history.</summary>
    internal static Network Of(DiagnosisTable table, DiagnosisInput input) => table.NetworkOf(input).With(input);

    /// <summary>For a unit that nobody has worked on: what is costly, and the same for every unit built like it.</summary>
    internal Network(DiagnosisTable table, CircuitMakeUp makeUp, Temperature target, int evaporatorFans)
    {
        var words = UnitWords.Of(makeUp, target, evaporatorFans);
        Causes = [.. table.Causes.Where(c => c.OnlyOn.Holds(words))];
        Conditions = [.. table.Conditions.Where(c => c.OnlyOn.Holds(words))];
        Observables = [.. table.Observables.Where(o => o.OnlyOn.Holds(words))];
        var conditionAt = Conditions.Select((c, i) => (c.Code, i)).ToDictionary(c => c.Code, c => c.i);
        observableAt = Observables.Select((o, i) => (o.Code, i)).ToDictionary(o => o.Code, o => o.i);
        makes = [.. Causes.Select(c => c.Makes.Where(m => conditionAt.ContainsKey(m.Code))
            .Select(m => (conditionAt[m.Code], m.Share)).ToArray())];
        notByChance = [.. Conditions.Select(c => 1 - c.Leak)];
        var from = Conditions.Select(c => c.From.Where(f => conditionAt.ContainsKey(f.Code)).ToList()).ToList();
        conditionsOf = [.. from.Select(f => f.Select(x => conditionAt[x.Code]).ToArray())];
        sharesOfConditions = [.. from.Select(f => f.Select(x => x.Share).ToArray())];
        BroughtOnBy = [.. Causes.Select(c => c.BroughtOnBy.Where(b => conditionAt.ContainsKey(b.Code))
            .Select(b => (conditionAt[b.Code], b.Share)).ToArray())];
        var targets = CircuitTargets.Of(makeUp, Load.Settled, target, null);
        var signs = Conditions.SelectMany((c, i) => c.Shows.Select(s => (Condition: i, Sign: evaporatorFans == 1 ? OfOneFan(s) : s)))
            .ToLookup(s => s.Sign.Observable);
        shown = [.. Observables.Select(o => InEachMode(o, Bands.Fill(o, targets), [.. signs[o.Code]]))];
        PushedBy = [.. Observables.Select(o => signs[o.Code].Select(s => s.Condition).Distinct().ToArray())];
        Baseline = new double[Conditions.Count];
        for (var i = 0; i < Baseline.Length; i++)
            Baseline[i] = 1 - WithWhatComesBefore(i, notByChance[i], Baseline);
        touched = Touched();
        TellTales = [.. Tales()];
        (Priors, Support, IsSupport) = ([], new double[0, 0], new bool[0, 0]);
    }

    private Network With(DiagnosisInput input)
    {
        var with = (Network)MemberwiseClone();
        with.Priors = [.. Causes.Select(c => Histories.Prior(c, input))];
        with.Support = with.Supported();
        with.IsSupport = with.Supporting();
        return with;
    }

    internal IReadOnlyList<Cause> Causes { get; }

    internal IReadOnlyList<Condition> Conditions { get; }

    internal IReadOnlyList<Observable> Observables { get; }

    /// <summary>Of each cause, with what history says of it.</summary>
    internal double[] Priors { get; private set; }

    /// <summary>By observable: conditions that make it other than a healthy unit shows it, in their order.</summary>
    internal int[][] PushedBy { get; }

    /// <summary>By cause: conditions that bring it on.</summary>
    internal (int Condition, double Share)[][] BroughtOnBy { get; }

    /// <summary>Answers that are as good as seeing a cause itself.</summary>
    internal IReadOnlyList<TellTale> TellTales { get; }

    /// <summary>A condition is a matter of one cause where it makes it this surely.</summary>
    private const double Surely = 0.9;

    private IEnumerable<TellTale> Tales() =>
        from cause in Enumerable.Range(0, Causes.Count)
        from made in makes[cause]
        where made.Share >= Surely
        from sign in Conditions[made.Condition].Shows
        where sign.IsTellTale && observableAt.ContainsKey(sign.Observable)
        select TaleOf(cause, observableAt[sign.Observable], sign);

    private TellTale TaleOf(int cause, int observable, Sign sign) => sign switch
    {
        AnswerSign a => new(cause, observable, Index(Observables[observable], a.Answer), 0, 0),
        ShiftSign n => new(cause, observable, -1, Shown(observable, OperatingMode.Calling).Mean + n.By / 2, Math.Sign(n.By)),
        _ => throw new InvalidOperationException("A sign is an answer or a shift."),
    };

    /// <summary>How likely each condition is for no reason at all.</summary>
    internal double[] Baseline { get; }

    /// <summary>How likely a cause is where another is: [other, cause].</summary>
    internal double[,] Support { get; private set; }

    /// <summary>One makes the other at least twice as likely: [one, other].</summary>
    internal bool[,] IsSupport { get; private set; }

    /// <returns>Null where the unit has none of that code.</returns>
    internal int? ObservableAt(string code) => observableAt.TryGetValue(code, out var at) ? at : null;

    internal Shown Shown(int observable, OperatingMode mode) => shown[observable][(int)mode];

    /// <summary>Neither a healthy unit nor any condition shows it otherwise in one mode than in another.</summary>
    internal bool IsSameInAllModes(int observable) => Array.TrueForAll(shown[observable], s => ReferenceEquals(s, shown[observable][0]));

    private static readonly OperatingMode[] Modes = Enum.GetValues<OperatingMode>();

    /// <summary>How likely each condition is with these causes: nothing holds it off but chance (noisy-or).</summary>
    internal double[] ConditionsOf(int[] causes) => ConditionsOf(causes, [], 0).Likely;

    /// <summary>The same with some conditions held to be so or not.</summary>
    /// <param name="held">Their numbers.</param>
    /// <param name="way">A bit for each of them: so, or not.</param>
    /// <returns>With the logarithm of how likely it is that they are just so.</returns>
    internal (double[] Likely, double Log) ConditionsOf(int[] causes, int[] held, int way)
    {
        var likely = new double[Baseline.Length];
        return (likely, ConditionsInto(likely, causes, held, way));
    }

    /// <summary>The same into an array that is used again and again.</summary>
    /// <returns>The logarithm of how likely it is that what is held is just so.</returns>
    internal double ConditionsInto(double[] likely, int[] causes, int[] held, int way)
    {
        Baseline.CopyTo(likely, 0);
        var log = 0.0;
        Span<double> notMade = stackalloc double[notByChance.Length];
        notByChance.CopyTo(notMade);
        foreach (var cause in causes)
        {
            foreach (var (condition, share) in makes[cause])
                notMade[condition] *= 1 - share;
        }

        Span<bool> isTouched = stackalloc bool[notMade.Length];
        foreach (var cause in causes)
        {
            foreach (var condition in touched[cause])
                isTouched[condition] = true;
        }

        for (var i = 0; i < isTouched.Length; i++)
        {
            if (!isTouched[i])
                continue;
            var not = WithWhatComesBefore(i, notMade[i], likely);
            likely[i] = 1 - not;
            if (held.Length > 0 && Array.IndexOf(held, i) is >= 0 and var bit)
            {
                var isSo = (way >> bit & 1) == 1;
                log += Math.Log(Math.Max(Impossible, isSo ? likely[i] : not));
                likely[i] = isSo ? 1 : 0;
            }
        }

        return log;
    }

    /// <summary>How likely a condition is not so, where neither causes nor conditions before it bring it about.</summary>
    private double WithWhatComesBefore(int condition, double not, double[] likely)
    {
        var (before, shares) = (conditionsOf[condition], sharesOfConditions[condition]);
        for (var k = 0; k < before.Length; k++)
            not *= 1 - shares[k] * likely[before[k]];
        return not;
    }

    /// <summary>By cause: conditions that it makes, or brings about through others, in their order.</summary>
    private int[][] Touched()
    {
        var all = new int[Causes.Count][];
        var isTouched = new bool[Conditions.Count];
        for (var cause = 0; cause < all.Length; cause++)
        {
            for (var i = 0; i < isTouched.Length; i++)
                isTouched[i] = Array.Exists(makes[cause], m => m.Condition == i) || Array.Exists(conditionsOf[i], c => isTouched[c]);
            all[cause] = [.. Enumerable.Range(0, isTouched.Length).Where(i => isTouched[i])];
        }

        return all;
    }

    private const double Impossible = 1e-12;

    private double[,] Supported()
    {
        var support = new double[Causes.Count, Causes.Count];
        for (var other = 0; other < Causes.Count; other++)
        {
            var likely = ConditionsOf([other]);
            for (var cause = 0; cause < Causes.Count; cause++)
            {
                var not = 1 - Priors[cause];
                foreach (var (condition, share) in BroughtOnBy[cause])
                    not *= 1 - share * likely[condition];
                support[other, cause] = other == cause ? Priors[cause] : 1 - not;
            }
        }

        return support;
    }

    private bool[,] Supporting()
    {
        var isSupport = new bool[Causes.Count, Causes.Count];
        for (var one = 0; one < Causes.Count; one++)
        {
            for (var other = 0; other < Causes.Count; other++)
                isSupport[one, other] = one != other && Support[one, other] > 2 * Priors[other];
        }

        return isSupport;
    }

    /// <summary>Where there is one fan, the one that stands is all of them.</summary>
    private static Sign OfOneFan(Sign sign) =>
        sign is AnswerSign { Observable: "fans", Answer: "one-stopped" } one ? one with { Answer = "all-stopped" } : sign;

    /// <summary>By mode; the same one where neither a healthy unit nor any condition shows it otherwise.</summary>
    private static Shown[] InEachMode(
        Observable observable, IReadOnlyDictionary<OperatingMode, HealthyAnswer> healthy, (int Condition, Sign Sign)[] signs)
    {
        Shown In(OperatingMode mode) => new([.. healthy[mode].Shares], healthy[mode].Mean, healthy[mode].Deviation, observable.WrongShare,
            [.. signs.Where(s => s.Sign.In is not { } only || only == mode).Select(s => PushOf(s.Condition, s.Sign, observable))]);
        return Array.TrueForAll(signs, s => s.Sign.In is null) && Modes.All(m => ReferenceEquals(healthy[m], healthy[Modes[0]]))
            ? [.. Enumerable.Repeat(In(Modes[0]), Modes.Length)] : Array.ConvertAll(Modes, In);
    }

    private static Shown.Push PushOf(int condition, Sign sign, Observable observable) => sign switch
    {
        AnswerSign a => new(condition, Index(observable, a.Answer), a.Share, 0, 0),
        ShiftSign n => new(condition, -1, 1, n.By, n.Spread),
        _ => throw new InvalidOperationException("A sign is an answer or a shift."),
    };

    private static int Index(Observable observable, string answer)
    {
        for (var i = 0; i < observable.Answers.Count; i++)
        {
            if (observable.Answers[i] == answer)
                return i;
        }

        throw new FormatException($"{observable.Code} has no answer {answer}.");
    }
}
