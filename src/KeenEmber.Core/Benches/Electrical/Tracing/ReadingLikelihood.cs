namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>How well readings fit a circuit with given faults.</summary>
internal sealed class ReadingLikelihood
{
    /// <summary>One reading in fifty is taken at a neighbouring terminal or written down wrong; what is seen is wrong as often.</summary>
    private const double Slip = 0.02;

    /// <summary>A drawn load has its resistance to a few percent, which moves voltages by this share.</summary>
    private const double DrawingShare = 0.015;

    /// <summary>Readings further off than this many standard deviations do not fit.</summary>
    private const double FitsWithin = 4;

    /// <summary>Currents and resistances are good to this share, and to so many A and Ω.</summary>
    private const double ClampShare = 0.08, ClampAmps = 0.05, OhmsShare = 0.1, LeastOhms = 0.5;

    /// <summary>An open circuit to a meter on ohms.</summary>
    private const double OpenOhms = 20e6;

    private readonly NodalNetwork network;
    private readonly TraceMeter meter;
    private readonly Lazy<NodalNetwork> unpowered;
    private readonly Dictionary<string, string[]> neighbours;
    private readonly double span;

    internal ReadingLikelihood(NodalNetwork network, CoilContacts coils, TraceMeter meter)
    {
        this.network = network;
        this.meter = meter;
        unpowered = new(coils.Unpowered);
        span = network.Wiring.HighestVolts;
        neighbours = network.Wiring.Parts.SelectMany(p => new[] { (p.A, p.B), (p.B, p.A) }).GroupBy(x => x.Item1)
            .ToDictionary(g => g.Key, g => g.Select(x => x.Item2).Distinct().ToArray());
    }

    /// <summary>Logarithm of what a reading that could be anything is worth.</summary>
    internal double Anything => -Math.Log(2 * span);

    /// <summary>Logarithm of how likely all readings are.</summary>
    internal double Log(FaultedNetwork faulted, IReadOnlyList<TraceReading> readings)
    {
        var log = 0.0;
        foreach (var reading in readings)
            log += Math.Log(Of(faulted, reading));
        return log;
    }

    /// <summary>What a reading should be, V, Ω or A; 1 and 0 for what is seen.</summary>
    internal double Value(FaultedNetwork faulted, TraceReading reading) => reading.Kind switch
    {
        TraceKind.Volts => faulted.Shown(network.Terminal(reading.A), network.Terminal(reading.B), meter.Ohms),
        TraceKind.Ohms => Math.Min(OpenOhms, faulted.Unpowered(unpowered.Value)
            .Seen(network.Terminal(reading.A), network.Terminal(reading.B)).Magnitude),
        TraceKind.Amps => faulted.Amps(network.Wiring.Part(reading.Part)!),
        _ => IsSo(faulted, reading) ? 1 : 0,
    };

    /// <summary>Near what it should be.</summary>
    internal bool Fits(FaultedNetwork faulted, TraceReading reading) => reading.IsSeen
        ? IsSo(faulted, reading) == reading.IsSo : Math.Abs(Measured(reading) - Value(faulted, reading)) < FitsWithin * Deviation(reading,
            Value(faulted, reading));

    private static double Measured(TraceReading reading) => Math.Min(OpenOhms, Math.Abs(reading.Value));

    private double Of(FaultedNetwork faulted, TraceReading reading)
    {
        if (reading.IsSeen)
            return IsSo(faulted, reading) == reading.IsSo ? 1 - Slip : Slip;
        var meant = Density(reading, Value(faulted, reading));
        if (reading.Kind != TraceKind.Volts)
            return (1 - Slip) * meant + Slip / (2 * span);
        var (beside, count) = (0.0, 0);
        foreach (var a in neighbours.GetValueOrDefault(reading.A, []))
        {
            beside += a == reading.B ? 0 : Density(reading, Value(faulted, reading with { A = a }));
            count++;
        }

        foreach (var b in neighbours.GetValueOrDefault(reading.B, []))
        {
            beside += b == reading.A ? 0 : Density(reading, Value(faulted, reading with { B = b }));
            count++;
        }

        return (1 - Slip) * meant + Slip * (0.8 * beside / Math.Max(1, count) + 0.2 / (2 * span));
    }

    private bool IsSo(FaultedNetwork faulted, TraceReading reading)
    {
        var part = network.Wiring.Part(reading.Part)!;
        return reading.Kind switch
        {
            TraceKind.Hums => faulted.IsFed(part),
            TraceKind.Clicks => faulted.Pulls(part),
            _ => faulted.Runs(part),
        };
    }

    private double Deviation(TraceReading reading, double expected) => reading.Kind switch
    {
        TraceKind.Volts => Math.Sqrt(Square(meter.AccuracyShare * expected) + Square(meter.AccuracyVolts)
            + Square(DrawingShare * expected)),
        TraceKind.Amps => ClampShare * expected + ClampAmps,
        _ => OhmsShare * expected + LeastOhms,
    };

    private double Density(TraceReading reading, double expected)
    {
        var deviation = Deviation(reading, expected);
        var z = (Measured(reading) - expected) / deviation;
        return Math.Exp(-z * z / 2) / (deviation * Math.Sqrt(Math.Tau));
    }

    private static double Square(double value) => value * value;
}
