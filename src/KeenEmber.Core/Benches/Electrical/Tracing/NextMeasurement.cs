namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>Chooses the measurement that tells suspects apart for the fewest minutes.</summary>
internal sealed class NextMeasurement(
    NodalNetwork network, CoilContacts coils, TraceMeter meter, string at, IReadOnlyList<TraceReading> readings)
{
    private const int Most = 3;

    /// <summary>Less is not worth lifting the meter, bits.</summary>
    private const double LeastBits = 0.01;

    /// <summary>From this probability on one suspect is left.</summary>
    private const double LeftAt = 0.998;

    /// <summary>At the terminals, read and written down; with a clamp round one lead; to look; to another place and open what covers it,
    /// min.</summary>
    private const double ProbeMin = 2, ClampMin = 3, LookMin = 1.5, WalkMin = 2;

    /// <summary>Two readings that differ by less than this share of the higher, or by so many V or A, may be the same.</summary>
    private const double SameShare = 0.06, SameVolts = 3, SameAmps = 0.15;

    private readonly double same = Math.Max(SameVolts, 4 * meter.AccuracyVolts);

    /// <param name="sound">The circuit as it should be.</param>
    /// <param name="sets">What may be wrong, the likeliest first.</param>
    /// <returns>The best first.</returns>
    internal IReadOnlyList<TraceStep> Find(FaultedNetwork sound, IReadOnlyList<(SuspectSet Told, FaultedNetwork Network)> sets)
    {
        if (sets.Count < 2 || sets[0].Told.Probability >= LeftAt)
            return [];
        var all = sets.Sum(s => s.Told.Probability);
        var weights = sets.Select(s => s.Told.Probability / all).ToArray();
        var best = new List<(TraceReading Reading, string Where, double Minutes, double Bits)>();
        foreach (var candidate in Candidates())
        {
            if (readings.Count(r => IsSame(r, candidate)) >= MostTimes)
                continue;
            var values = sets.Select(s => Value(s.Network, candidate)).ToArray();
            var bits = Bits(values, weights, candidate.Kind == TraceKind.Amps ? SameAmps : same);
            if (bits < LeastBits)
                continue;
            var where = Where(candidate);
            best.Add((candidate, where, Minutes(candidate, where), bits));
        }

        return [.. best.OrderByDescending(b => b.Bits / b.Minutes).Take(Most).Select(b => new TraceStep(b.Reading.Kind, b.Reading.A,
            b.Reading.B, b.Reading.Part, b.Where, b.Minutes, b.Bits, Value(sound, b.Reading),
            [.. sets.Where(s => s.Told.Faults.Count < 2).Take(MostTold).Select(s =>
                new ExpectedValue(s.Told.Faults is [var one] ? one : default, Value(s.Network, b.Reading)))]))];
    }

    /// <summary>A reading that fits nothing is taken once more.</summary>
    private const int MostTimes = 2;

    private const int MostTold = 4;

    /// <summary>Across every part, from every terminal to both conductors of each source, between the feeds of two loads in one place,
    /// which clears both paths at once, every load by eye and by clamp.</summary>
    private IEnumerable<TraceReading> Candidates()
    {
        var wiring = network.Wiring;
        var rails = wiring.Sources.SelectMany(s => new[] { s.Hot, s.Return }).Distinct().ToList();
        var pairs = wiring.Parts.Select(p => (p.A, p.B)).Concat(wiring.Terminals.SelectMany(t => rails.Select(r => (t, r))))
            .Concat(wiring.Parts.Where(p => p.IsLoad).GroupBy(p => p.Where).SelectMany(g => g.Zip(g.Skip(1), (p, q) => (p.A, q.A))))
            .Where(p => p.Item1 != p.Item2 && (p.Item1 != Wiring.Earth || p.Item2 != Wiring.Earth))
            .DistinctBy(p => string.CompareOrdinal(p.Item1, p.Item2) < 0 ? p : (p.Item2, p.Item1));
        return pairs.Select(p => TraceReading.Volts(p.Item1, p.Item2, 0)).Concat(wiring.Parts.Where(p => p.IsLoad)
            .SelectMany(p => new[] { TraceReading.Runs(p.Id, false), new TraceReading(TraceKind.Amps, "", "", p.Id, 0) }));
    }

    private static bool IsSame(TraceReading one, TraceReading other) => one.Kind == other.Kind && one.Part == other.Part
        && ((one.A == other.A && one.B == other.B) || (one.A == other.B && one.B == other.A));

    private double Value(FaultedNetwork faulted, TraceReading reading) => reading.Kind switch
    {
        TraceKind.Volts => Firm(faulted.Shown(network.Terminal(reading.A), network.Terminal(reading.B), meter.Ohms)),
        TraceKind.Amps => faulted.Amps(network.Wiring.Part(reading.Part)!),
        _ => faulted.Runs(network.Wiring.Part(reading.Part)!) ? coils.Nominal(network.Wiring.Part(reading.Part)!) : 0,
    };

    /// <summary>A phantom tells nothing: it counts as no voltage.</summary>
    private static double Firm((double Volts, double Floating) shown) => shown.Volts * (1 - shown.Floating);

    /// <summary>Suspects whose readings lie together stay together.</summary>
    private static double Bits(double[] values, double[] weights, double same)
    {
        var order = Enumerable.Range(0, values.Length).ToArray();
        Array.Sort((double[])values.Clone(), order);
        var (bits, group) = (0.0, 0.0);
        for (var i = 0; i < order.Length; i++)
        {
            if (i > 0 && values[order[i]] - values[order[i - 1]] > Math.Max(same, SameShare * values[order[i]]))
            {
                bits -= group * Math.Log2(group);
                group = 0;
            }

            group += weights[order[i]];
        }

        return bits - group * Math.Log2(group);
    }

    private string Where(TraceReading reading)
    {
        if (reading.Part.Length > 0)
            return network.Wiring.Part(reading.Part)!.Where;
        var parts = network.Wiring.Parts.Where(p => p.Where.Length > 0).ToList();
        var across = parts.Find(p => (p.A, p.B) == (reading.A, reading.B) || (p.B, p.A) == (reading.A, reading.B));
        return (across ?? parts.Find(p => p.A == reading.A || p.B == reading.A) ?? parts.Find(p => p.A == reading.B || p.B == reading.B))
            ?.Where ?? "";
    }

    private double Minutes(TraceReading reading, string where)
    {
        var minutes = reading.Kind switch { TraceKind.Volts => ProbeMin, TraceKind.Amps => ClampMin, _ => LookMin };
        return where.Length > 0 && where != Here ? minutes + WalkMin : minutes;
    }

    /// <summary>Where the last measurement was made, if nothing else is known.</summary>
    private string Here => at.Length > 0 || readings.Count == 0 ? at : Where(readings[^1]);
}
