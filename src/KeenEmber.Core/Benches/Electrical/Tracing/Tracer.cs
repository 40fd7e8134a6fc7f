namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>A part and fault that explains what was measured.</summary>
/// <param name="Probability">By itself, over all sets that hold it.</param>
public sealed record Suspect(PartFault Of, double Probability);

/// <summary>One or two faults that together explain what was measured.</summary>
/// <param name="Faults">Empty where the circuit is as it should be.</param>
public sealed record SuspectSet(IReadOnlyList<PartFault> Faults, double Probability);

/// <summary>What a measurement would show if one thing were wrong.</summary>
/// <param name="Of">The leading fault of a set; none for a sound circuit.</param>
/// <param name="Value">V, A, or 1 and 0 for so and not so.</param>
public sealed record ExpectedValue(PartFault Of, double Value);

/// <summary>A measurement worth making.</summary>
/// <param name="Kind">Volts, amps or whether something runs.</param>
/// <param name="A">Terminal, of volts.</param>
/// <param name="B">The other one.</param>
/// <param name="Part">Of the others.</param>
/// <param name="Where">The place; empty for not known.</param>
/// <param name="Minutes">With the way there.</param>
/// <param name="Bits">What it is expected to tell.</param>
/// <param name="Sound">What it shows where nothing is wrong.</param>
/// <param name="Expect">By suspect, the likeliest first.</param>
public sealed record TraceStep(
    TraceKind Kind, string A, string B, string Part, string Where, double Minutes, double Bits, double Sound,
    IReadOnlyList<ExpectedValue> Expect);

/// <summary>What a trace comes to.</summary>
/// <param name="Suspects">Single faults, the likeliest first; "nothing" and the meter among them.</param>
/// <param name="Sets">Sets of one or two, the likeliest first.</param>
/// <param name="Next">Measurements worth making, the best first; empty where one suspect is left or nothing tells.</param>
/// <param name="Expected">By reading: what it would be on a sound circuit.</param>
/// <param name="Unexplained">Readings that the leading set leaves odd, by their number.</param>
public sealed record Trace(
    IReadOnlyList<Suspect> Suspects, IReadOnlyList<SuspectSet> Sets, IReadOnlyList<TraceStep> Next, IReadOnlyList<double> Expected,
    IReadOnlyList<int> Unexplained);

/// <summary>Narrows down what is wrong in a control circuit from voltages at its terminals.</summary>
/// <remarks>The circuit is solved as a network of complex numbers as it should be, with every single fault and with pairs of them; what was
/// measured weighs each by the meter's accuracy. One reading in fifty is taken beside the terminal that was meant.</remarks>
public sealed class Tracer
{
    /// <summary>The meter or the drawing, where nothing on it fits.</summary>
    public const string Meter = "meter";

    /// <summary>Before anything is measured: nothing is wrong, two things are, the meter or the drawing is.</summary>
    private const double SoundPrior = 0.15, PairsPrior = 0.15, MeterPrior = 0.004;

    /// <summary>Two wires are on each other's terminals; where somebody worked on them lately that is likelier, and so is any other fault
    /// of a part that was worked on.</summary>
    private const double SwapsPrior = 0.01, WorkedSwaps = 20, Worked = 3;

    /// <summary>Pairs are tried with the likeliest variant of each fault first; as many of the best are weighed in full.</summary>
    private const int PairsInFull = 60;

    /// <summary>Of very large circuits only so many faults are tried in pairs, the likeliest.</summary>
    private const int MostInPairs = 160;

    /// <summary>Each of the leading single faults is weighed with every other.</summary>
    private const int LeadersInFull = 2;

    /// <summary>Sets that choose the next measurement, and that are told.</summary>
    private const int SetsThatChoose = 60, MostSuspects = 12, MostSets = 8;

    private readonly NodalNetwork network;
    private readonly CoilContacts coils;
    private readonly TraceMeter meter;
    private readonly ReadingLikelihood likelihood;
    private readonly List<List<FaultVariant>> faults;
    private readonly FaultedNetwork sound;
    private readonly Dictionary<FaultVariant, FaultedNetwork> alone;
    private readonly string at;
    private readonly IReadOnlySet<string> worked;
    private readonly List<FaultVariant> swaps;

    private Tracer(Wiring wiring, TraceMeter meter, string at, IReadOnlySet<string>? worked)
    {
        this.worked = worked ?? new HashSet<string>();
        network = new(wiring);
        coils = new(network);
        this.meter = meter;
        this.at = at;
        likelihood = new(network, coils, meter);
        faults = [.. FaultVariants.Of(network).GroupBy(v => v.Of).Select(g => g.ToList())];
        swaps = [.. FaultVariants.Swaps(network)];
        sound = new(network, coils, []);
        alone = faults.SelectMany(f => f).Where(v => !v.IsRough).Distinct()
            .ToDictionary(v => v, v => new FaultedNetwork(network, coils, [v]));
    }

    /// <param name="wiring">As it should be in the mode it is in; 1 to 200 parts.</param>
    /// <param name="readings">In the order in which they were taken.</param>
    /// <param name="meter">What they were taken with.</param>
    /// <param name="at">Where the technician stands; empty for not known.</param>
    /// <param name="worked">Parts that were worked on lately; null for none.</param>
    public static Trace Find(
        Wiring wiring, IReadOnlyList<TraceReading> readings, TraceMeter? meter = null, string at = "",
        IReadOnlySet<string>? worked = null) => new Tracer(wiring, meter ?? new(), at, worked).Find(readings);

    /// <summary>How much each terminal has against another where all is as it should be, V; nothing where only a phantom is
    /// shown.</summary>
    public static IReadOnlyDictionary<string, double> Expected(Wiring wiring, string against)
    {
        var network = new NodalNetwork(wiring);
        var sound = new FaultedNetwork(network, new(network), []);
        return wiring.Terminals.ToDictionary(t => t, t =>
        {
            var (volts, floating) = sound.Shown(network.Terminal(t), network.Terminal(against), new TraceMeter().Ohms);
            return volts * (1 - floating);
        });
    }

    /// <summary>How many single faults a circuit can have.</summary>
    public static int FaultsOf(Wiring wiring) => FaultVariants.Of(new(wiring)).Select(v => v.Of).Distinct().Count();

    private Trace Find(IReadOnlyList<TraceReading> readings)
    {
        var all = Weighed(readings);
        var byMeter = Math.Log(MeterPrior) + likelihood.Anything(readings);
        var sum = LogSum([.. all.Select(w => w.Log), byMeter]);
        var sets = all.GroupBy(w => w.Key).Select(g => Set(g, sum)).OrderByDescending(s => s.Told.Probability).ToList();
        var suspects = sets.SelectMany(s => s.Told.Faults.DefaultIfEmpty(default), (s, f) => (f, s.Told.Probability)).GroupBy(x => x.f)
            .Select(g => new Suspect(g.Key, g.Sum(x => x.Probability)))
            .Append(new(new(Meter, WiredFault.None), Math.Exp(byMeter - sum)))
            .OrderByDescending(s => s.Probability).Take(MostSuspects).ToList();
        var next = new NextMeasurement(network, coils, meter, at, readings)
            .Find(sound, [.. sets.Take(SetsThatChoose).Select(s => (s.Told, s.Network))]);
        return new(suspects, [.. sets.Take(MostSets).Select(s => s.Told)], next,
            [.. readings.Select(r => likelihood.Value(sound, r))],
            [.. Enumerable.Range(0, readings.Count).Where(i => !likelihood.Fits(sets[0].Network, readings[i]))]);
    }

    private sealed record Hypothesis(string Key, IReadOnlyList<PartFault> Faults, FaultedNetwork Network, double Log);

    private static (SuspectSet Told, FaultedNetwork Network) Set(IGrouping<string, Hypothesis> variants, double sum)
    {
        var best = variants.MaxBy(v => v.Log)!;
        return (new(best.Faults, Math.Exp(LogSum([.. variants.Select(v => v.Log)]) - sum)), best.Network);
    }

    private List<Hypothesis> Weighed(IReadOnlyList<TraceReading> readings)
    {
        var single = Math.Log((1 - SoundPrior - PairsPrior - MeterPrior - SwapsPrior) / faults.Sum(f => WeightOf(f[0].Of)));
        var all = new List<Hypothesis> { new("", [], sound, Math.Log(SoundPrior) + likelihood.Log(sound, readings)) };
        var best = new List<FaultVariant>();
        var singles = new List<(int Fault, double Log)>();
        foreach (var variants in faults)
        {
            var prior = single + Math.Log(WeightOf(variants[0].Of));
            var weighed = variants.ConvertAll(v => Weigh([v], prior, readings));
            all.AddRange(weighed);
            singles.Add((best.Count, weighed.Max(w => w.Log)));
            best.Add(variants[weighed.IndexOf(weighed.MaxBy(w => w.Log)!)]);
        }

        all.AddRange(Pairs(best, singles, readings));
        if (swaps.Count > 0 && AreSwapsWorthATry(all.MaxBy(w => w.Log)!, readings))
        {
            var swap = Math.Log(SwapsPrior / swaps.Sum(s => WeightOf(s.Of)));
            all.AddRange(swaps.Select(s => Weigh([s], swap + Math.Log(WeightOf(s.Of)), readings)));
        }

        return all;
    }

    /// <summary>Swapped wires are rare: they are tried where what leads leaves something odd, or where somebody worked.</summary>
    private bool AreSwapsWorthATry(Hypothesis lead, IReadOnlyList<TraceReading> readings) =>
        worked.Count > 0 || readings.Any(r => !likelihood.Fits(lead.Network, r));

    private double WeightOf(PartFault fault)
    {
        if (!worked.Contains(fault.Part ?? "") && !worked.Contains(fault.With))
            return 1;
        return fault.Fault == WiredFault.Swapped ? WorkedSwaps : Worked;
    }

    /// <summary>Pairs only explain more than one fault where two readings or more speak.</summary>
    private IEnumerable<Hypothesis> Pairs(
        List<FaultVariant> best, List<(int Fault, double Log)> singles, IReadOnlyList<TraceReading> readings)
    {
        if (readings.Count < 2 || faults.Count < 2)
            return [];
        var pair = Math.Log(PairsPrior / (faults.Count * (faults.Count - 1) / 2.0));
        var ranked = singles.OrderByDescending(s => s.Log).Select(s => s.Fault).ToList();
        var tried = ranked.Take(MostInPairs).Order().ToList();
        var first = tried.SelectMany(i => tried.Where(j => j > i && best[i].Of.Part != best[j].Of.Part), (i, j) =>
            (One: i, Other: j, Log: likelihood.Log(With(best[i], best[j]), readings, isQuick: true))).ToList();
        var leading = ranked.Take(LeadersInFull).ToHashSet();
        return first.OrderByDescending(p => p.Log).Where((p, i) => i < PairsInFull || leading.Contains(p.One) || leading.Contains(p.Other))
            .SelectMany(p => InPair(p.One).SelectMany(a => InPair(p.Other).Select(b => Weigh([a, b], pair, readings))));

        IEnumerable<FaultVariant> InPair(int fault) => leading.Contains(fault) ? [best[fault] with { Share = 1 }] : faults[fault];
    }

    private Hypothesis Weigh(FaultVariant[] variants, double prior, IReadOnlyList<TraceReading> readings)
    {
        var faulted = With(variants);
        return new(string.Join('+', variants.Select(v => $"{v.Of.Part}:{v.Of.Fault}{v.Of.With}")), [.. variants.Select(v => v.Of)], faulted,
            prior + variants.Sum(v => Math.Log(v.Share)) + likelihood.Log(faulted, readings));
    }

    private FaultedNetwork With(params FaultVariant[] variants)
    {
        var firm = Array.FindAll(variants, v => !v.IsRough);
        return new(network, coils, variants, firm.Length == variants.Length ? null : FirmOf(firm));
    }

    private FaultedNetwork FirmOf(FaultVariant[] firm) => firm is [var one] ? alone[one] : sound;

    private static double LogSum(IReadOnlyList<double> logs)
    {
        var most = logs.Max();
        return most + Math.Log(logs.Sum(l => Math.Exp(l - most)));
    }
}
