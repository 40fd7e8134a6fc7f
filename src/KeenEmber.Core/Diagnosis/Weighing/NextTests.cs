namespace KeenEmber.Core.Diagnosis.Weighing;

/// <summary>Chooses the test that tells most of what to repair, by minute and risk.</summary>
internal sealed partial class NextTests(Network network, Evidence evidence, DiagnosisInput input)
{
    /// <summary>Names of the ranges a number is told in.</summary>
    internal static readonly string[] RangeNames = ["far-below", "below", "usual", "above", "far-above"];

    /// <summary>Sets that have a say.</summary>
    private const int Sets = 60;

    /// <summary>Less is not worth a walk, bits.</summary>
    private const double LeastBits = 0.02, LeastBitsPerMin = 0.004;

    /// <summary>Where one explanation leads by this much, a test must tell more a minute to be worth it.</summary>
    private const double Leads = 0.5, LeastWhereOneLeads = 0.01;

    /// <summary>From one place of a unit to another, min.</summary>
    private const double WalkMin = 3;

    /// <summary>To ask, read and type anything at all, min.</summary>
    private const double AskMin = 1;

    /// <summary>What a live test costs in risk, and gauges on a small charge in refrigerant, min.</summary>
    private const double LiveMin = 2, GaugesOnSmallChargeMin = 15;

    /// <summary>What is weighed when it is told is asked for as if it took so much longer, min.</summary>
    private const double SeldomAskedMin = 10;
    private const string Gauges = "gauges";

    /// <summary>They were connected for another reading: what that cost is spent.</summary>
    private readonly bool areGaugesOn = evidence.Observables.Any(o => network.Observables[o].Tool == Gauges);

    private static readonly OperatingMode[] Modes = Enum.GetValues<OperatingMode>();

    private readonly Dictionary<string, Fact> known = evidence.Facts.ToDictionary(f => f.Code);

    /// <param name="sets">With their probabilities, the likeliest first.</param>
    /// <param name="most">No more are told in full.</param>
    /// <returns>The best first; empty where nothing is worth it.</returns>
    internal IReadOnlyList<NextTest> Find(IReadOnlyList<(CauseSet Set, double Probability)> sets, int most)
    {
        var weighed = sets.Take(Sets).ToList();
        var all = weighed.Sum(s => s.Probability);
        weighed = weighed.ConvertAll(s => (s.Set, s.Probability / all));
        Presume(weighed);
        var least = weighed[0].Set.Causes.Length > 0 && weighed[0].Probability > Leads ? LeastWhereOneLeads : LeastBitsPerMin;
        var found = Best(weighed, least, most);
        if (found.Count > 0 || !isLockedOut)
            return found;
        // Every circuit that could be tested dead was: what needs no power, and no hand near it, may be looked at.
        isLookingOn = true;
        return Best(weighed, least, most);
    }

    private NextTest TestOf(Candidate of, List<(CauseSet Set, double Probability)> sets) =>
        new(network.Observables[of.Observable], of.Bits, of.Minutes, Outcomes(of.Observable, sets));

    private bool IsReasonSeenBy(Observable o) => IsSeenInPassing(o) && o.Place != "customer";

    private bool IsSeenInPassing(Observable o) => Cost(o) <= LongestReasonMin && !o.IsAct && o.Hazard != "opens the circuit";

    private IReadOnlyList<NextTest> Best(List<(CauseSet Set, double Probability)> weighed, double least, int most)
    {
        var telling = Telling(weighed);
        var now = telling.Where(c => Waits(c.Observable) is null).ToDictionary(c => c.Observable, c => (c.PerMin, Candidate: c));
        foreach (var later in telling)
            Unlock(later, now);
        return [.. now.Values.Where(c => c.PerMin >= least).OrderByDescending(c => c.PerMin).Take(most).Select(c => c.Candidate)
            .Select(t => TestOf(t, weighed))];
    }

    private List<Candidate> Telling(List<(CauseSet Set, double Probability)> weighed) =>
        [.. Enumerable.Range(0, network.Observables.Count).Where(o => MayBeAsked(o) && Differs(o, weighed))
            .Select(o => new Candidate(o, BitsOf(o, weighed), Cost(network.Observables[o]))).Where(c => c.Bits >= LeastBits)];

    private readonly record struct Candidate(int Observable, double Bits, double Minutes)
    {
        internal double PerMin => Bits / Minutes;
    }

    /// <summary>A test that waits for one other is worth making the other for: both together by the minutes of both.</summary>
    private void Unlock(Candidate later, Dictionary<int, (double PerMin, Candidate Candidate)> now)
    {
        if (Waits(later.Observable) is not { } need
            || network.ObservableAt(CanBeMadeSo(need) ? TurnedColder : need.Observable) is not { } first || !MayBeAsked(first)
            || Waits(first) is not null)
            return;
        var known = now.TryGetValue(first, out var had) ? had.Candidate : new(first, 0, Cost(network.Observables[first]));
        var perMin = (known.Bits + (CanBeMadeSo(need) ? 1 : ShareOf(first, need)) * later.Bits) / (known.Minutes + later.Minutes);
        if (perMin > had.PerMin)
            now[first] = (perMin, known);
    }

    /// <summary>How likely a healthy unit gives one of the answers that are needed.</summary>
    private double ShareOf(int observable, Need need)
    {
        var o = network.Observables[observable];
        return need.Answers.Sum(a => o.Answers.ToList().IndexOf(a) is >= 0 and var at
            ? network.Shown(observable, OperatingMode.Calling).Shares[at] : 0);
    }

    /// <summary>The one thing that must be known first and is not; null where there is none. What waits for several, or for something that
    /// is known to be otherwise, cannot be had.</summary>
    private Need? Waits(int observable) => network.Observables[observable].Needs.FirstOrDefault(n => !IsMet(n));

    /// <summary>Some set that has a say makes it other than the leading one does: else it tells nothing of what to repair.</summary>
    private bool Differs(int observable, List<(CauseSet Set, double Probability)> sets)
    {
        foreach (var condition in network.PushedBy[observable])
        {
            var lead = sets[0].Set.Conditions[condition];
            foreach (var (set, _) in sets)
            {
                if (Math.Abs(set.Conditions[condition] - lead) > LeastDifference)
                    return true;
            }
        }

        return false;
    }

    private const double LeastDifference = 0.02;

    private bool MayBeAsked(int observable)
    {
        var o = network.Observables[observable];
        var open = o.Needs.Where(n => !IsMet(n)).ToList();
        return !known.ContainsKey(o.Code) && !input.CannotNow.Contains(o.Code) && (o.Tool != Intake || isIntake)
            && (!isLockedOut || IsLockedOut(o)) && !(isToBeOff && o.Needs.Any(IsRunning))
            && open.Count <= 1 && open.TrueForAll(n => !known.ContainsKey(n.Observable) || CanBeMadeSo(n));
    }

    private const string TurnedColder = "thermostat-turned";

    /// <summary>A compressor that rests because the box is cold enough runs once its control is turned colder.</summary>
    private bool CanBeMadeSo(Need need) => IsRunning(need)
        && known.TryGetValue(need.Observable, out var fact) && fact.Answer == "stopped" && !known.ContainsKey(TurnedColder) && rests;

    /// <summary>By its box it is not called.</summary>
    private readonly bool rests = evidence.ModeShares[(int)OperatingMode.Satisfied] > evidence.ModeShares[(int)OperatingMode.Calling];

    /// <summary>Tool of what is asked when the complaint is taken, and no more once somebody has looked.</summary>
    private const string Intake = "intake";

    private readonly bool isIntake = evidence.Facts.All(f => f.IsComplaint)
        && evidence.Facts.Count < 2;

    /// <summary>Something went, burnt or is grounded: until it is known why, only what is tested with the power locked out is asked, and
    /// in which mode it went.</summary>
    private readonly bool isLockedOut = Dangers.Of(evidence.Facts).Any(d => d is Danger.Burning or Danger.ProtectionWent
        or Danger.BurntWiring or Danger.Grounded or Danger.ChafedWiring);

    /// <summary>It runs without air over its condenser: it is to be switched off, and what needs it running is not asked. A fan that its
    /// own control stops in the cold is no such thing.</summary>
    private readonly bool isToBeOff = !input.MakeUp.Has(Plant.CircuitParts.FanCyclingControl)
        && Dangers.Of(evidence.Facts).Contains(Danger.RunsWithoutCondenserAir);

    private static bool IsRunning(Need need) => need.Observable == "compressor" && need.Answers.Contains("running");

    /// <summary>Nothing that is tested dead is left to ask, or it is found what went.</summary>
    private bool isLookingOn;

    private bool IsLockedOut(Observable o) => (isLookingOn && o.Hazard.Length == 0)
        || o.Hazard is "lock out" or "only after every circuit is clear"
        || o.Code is "clock-position" or "wiring" or "smell" or "supply" or "complaint.trips";

    /// <summary>What the unit does not have cannot stand in the way, nor what cannot be seen now and is probably so.</summary>
    private bool IsMet(Need need) => network.ObservableAt(need.Observable) is null || presumed.Contains(need)
        || (known.TryGetValue(need.Observable, out var fact) && need.Answers.Contains(fact.Answer));

    private readonly HashSet<Need> presumed = [];

    /// <summary>How likely what cannot be seen must be, to be gone by.</summary>
    private const double Probably = 0.6;

    /// <summary>Whether it runs could not be seen: what needs it running is asked all the same where it probably does. What is tested dead,
    /// so that nobody is hurt, is never presumed.</summary>
    private void Presume(List<(CauseSet Set, double Probability)> sets)
    {
        presumed.Clear();
        presumed.UnionWith(network.Observables.SelectMany(o => o.Needs)
            .Where(n => input.CannotNow.Contains(n.Observable) && !known.ContainsKey(n.Observable)
                && network.ObservableAt(n.Observable) is { } at && network.Observables[at] is { Hazard: "" } needed
                && sets.Sum(s => s.Probability * SharesOf(at, s.Set).Where((_, i) => n.Answers.Contains(needed.Answers[i])).Sum())
                    >= Probably));
    }

    /// <summary>How much less is open about what to repair once the answer is known, on average.</summary>
    /// <param name="kinds">By set: which of them come to the same; null where each is its own.</param>
    private double BitsOf(int observable, List<(CauseSet Set, double Probability)> sets, List<int>? kinds = null)
    {
        var shares = sets.ConvertAll(s => SharesOf(observable, s.Set));
        var left = new double[sets.Count];
        for (var i = 0; i < left.Length; i++)
            left[i] = sets[i].Probability;
        var bits = Open(left, kinds);
        for (var answer = 0; answer < shares[0].Length; answer++)
        {
            var likely = 0.0;
            for (var i = 0; i < left.Length; i++)
                likely += sets[i].Probability * shares[i][answer];
            if (likely <= 0)
                continue;
            for (var i = 0; i < left.Length; i++)
                left[i] = sets[i].Probability * shares[i][answer] / likely;
            bits -= likely * Open(left, kinds);
        }

        return bits;
    }

    private static double Open(double[] shares, List<int>? kinds) =>
        Entropy(kinds is null ? shares : [.. shares.Zip(kinds).GroupBy(s => s.Second).Select(g => g.Sum(s => s.First))]);

    private List<Outcome> Outcomes(int observable, List<(CauseSet Set, double Probability)> sets)
    {
        var shares = sets.ConvertAll(s => SharesOf(observable, s.Set));
        var o = network.Observables[observable];
        var outcomes = new List<Outcome>();
        foreach (var (name, answer) in (o.IsNumber ? RangeNames : o.Answers).Select((n, i) => (n, i)))
        {
            var joint = sets.Select((s, i) => (s.Set, Weight: s.Probability * shares[i][answer])).ToList();
            var likely = joint.Sum(j => j.Weight);
            outcomes.Add(new(name, likely, Lead(joint, likely, out var lead), lead));
        }

        return [.. outcomes.OrderByDescending(x => x.Probability)];
    }

    private double[] SharesOf(int observable, CauseSet set)
    {
        var calling = network.Shown(observable, OperatingMode.Calling);
        var shares = new double[calling.IsNumber ? RangeNames.Length : calling.Shares.Length];
        var isSameInAllModes = network.IsSameInAllModes(observable);
        Span<double> ofMode = stackalloc double[shares.Length];
        foreach (var mode in Modes)
        {
            var weight = isSameInAllModes ? 1 : set.Modes[(int)mode];
            if (weight < LeastWeight)
                continue;
            if (calling.IsNumber)
                Likelihood.RangesInto(ofMode, network.Shown(observable, mode), calling, set.Conditions);
            else
                Likelihood.AnswersInto(ofMode, network.Shown(observable, mode), set.Conditions);
            for (var i = 0; i < shares.Length; i++)
                shares[i] += weight * ofMode[i];
            if (isSameInAllModes)
                break;
        }

        return shares;
    }

    /// <summary>A mode this unlikely changes no answer that is told.</summary>
    private const double LeastWeight = 1e-4;

    private Cause? Lead(List<(CauseSet Set, double Weight)> joint, double all, out double probability)
    {
        var byCause = joint.SelectMany(j => j.Set.Causes.DefaultIfEmpty(-1), (j, cause) => (cause, j.Weight)).GroupBy(x => x.cause)
            .Select(g => (Cause: g.Key, Weight: g.Sum(x => x.Weight))).MaxBy(x => x.Weight);
        probability = byCause.Weight / all;
        return byCause.Cause < 0 ? null : network.Causes[byCause.Cause];
    }

    private static double Entropy(double[] shares)
    {
        var bits = 0.0;
        foreach (var p in shares)
            bits -= p > 0 ? p * Math.Log2(p) : 0;
        return bits;
    }

    /// <summary>What it takes to get it, with the way there, min.</summary>
    /// <param name="at">Where the technician is; empty for not known.</param>
    internal static double MinutesFrom(string at, Observable o) => o.Minutes + AskMin
        + (at.Length > 0 && o.Place != at && o.Place is not ("customer" or "record") ? WalkMin : 0);

    private double Cost(Observable o)
    {
        var cost = MinutesFrom(input.At, o);
        if (o.IsSeldomAsked)
            cost += SeldomAskedMin;
        if (o.Hazard.Contains("live", StringComparison.Ordinal))
            cost += LiveMin;
        if (o.Tool == Gauges && input.MakeUp.Metering == Plant.Metering.CapillaryTube && !areGaugesOn)
            cost += GaugesOnSmallChargeMin;
        return cost;
    }
}
