namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>How well readings fit a circuit with given faults.</summary>
internal sealed class ReadingLikelihood
{
    /// <summary>One reading in fifty is taken at a neighbouring terminal or written down wrong; what runs is seldom seen
    /// wrong.</summary>
    private const double Slip = 0.02, SeenWrong = 0.005;

    /// <summary>A drawn load has its resistance to a few percent, which moves voltages by this share.</summary>
    private const double DrawingShare = 0.015;

    /// <summary>What hangs on nothing shows nothing, or in three of ten cases a phantom of about this share of the supply.</summary>
    private const double PhantomShare = 0.04, PhantomsAre = 0.3, Noticeable = 0.01;

    /// <summary>Between two steps of a fault that is tried in steps lies this share of what it changes.</summary>
    private const double StepShare = 0.15;

    /// <summary>Readings further off than this many standard deviations do not fit.</summary>
    private const double FitsWithin = 4;

    /// <summary>Currents are good to this share and so many A, resistances to this share.</summary>
    private const double ClampShare = 0.08, ClampAmps = 0.05, OhmsShare = 0.15;

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

    /// <summary>Logarithm of what readings are worth that could be anything.</summary>
    internal double Anything(IReadOnlyList<TraceReading> readings) => readings.Sum(r => -Math.Log(r.IsSeen ? 2 : 2 * span));

    /// <summary>Logarithm of how likely all readings are.</summary>
    /// <param name="faulted">With these faults.</param>
    /// <param name="readings">What was read.</param>
    /// <param name="isQuick">A slip of the probe may have shown anything: quicker, for a first choice.</param>
    internal double Log(FaultedNetwork faulted, IReadOnlyList<TraceReading> readings, bool isQuick = false)
    {
        var log = 0.0;
        foreach (var reading in readings)
            log += Math.Log(Of(faulted, reading, isQuick));
        return log;
    }

    /// <summary>What a reading should be, V, Ω or A; 1 and 0 for what is seen.</summary>
    internal double Value(FaultedNetwork faulted, TraceReading reading) => reading.Kind == TraceKind.Ohms
        ? Math.Exp(Meant(faulted, reading).Value) - 1 : Meant(faulted, reading).Value;

    private (double Value, double Floating) Meant(FaultedNetwork faulted, TraceReading reading) => reading.Kind switch
    {
        TraceKind.Volts => faulted.Shown(network.Terminal(reading.A), network.Terminal(reading.B), meter.Ohms),
        TraceKind.Ohms => (Logarithmic(faulted.Unpowered(unpowered.Value)
            .Seen(network.Terminal(reading.A), network.Terminal(reading.B)).Magnitude), 0),
        TraceKind.Amps => (faulted.Amps(network.Wiring.Part(reading.Part)!), 0),
        _ => (IsSo(faulted, reading) ? 1 : 0, 0),
    };

    /// <summary>Near what it should be.</summary>
    internal bool Fits(FaultedNetwork faulted, TraceReading reading)
    {
        var meant = Meant(faulted, reading);
        return reading.IsSeen ? IsSo(faulted, reading) == reading.IsSo
            : Math.Abs(Measured(reading) - meant.Value) < FitsWithin * Deviation(faulted, reading, meant);
    }

    private static double Measured(TraceReading reading) =>
        reading.Kind == TraceKind.Ohms ? Logarithmic(reading.Value) : Math.Abs(reading.Value);

    /// <summary>Resistances span so much that they are told apart by their ratio; below an ohm by their difference.</summary>
    private static double Logarithmic(double ohms) => Math.Log(1 + Math.Min(OpenOhms, Math.Abs(ohms)));

    private double Of(FaultedNetwork faulted, TraceReading reading, bool isQuick)
    {
        if (reading.IsSeen)
            return IsSo(faulted, reading) == reading.IsSo ? 1 - SeenWrong : SeenWrong;
        var meant = Density(faulted, reading);
        if (isQuick || reading.Kind != TraceKind.Volts)
            return (1 - Slip) * meant + Slip / (2 * span);
        var (beside, count) = (0.0, 0);
        foreach (var a in neighbours.GetValueOrDefault(reading.A, []))
        {
            beside += a == reading.B ? 0 : Density(faulted, reading with { A = a });
            count++;
        }

        foreach (var b in neighbours.GetValueOrDefault(reading.B, []))
        {
            beside += b == reading.A ? 0 : Density(faulted, reading with { B = b });
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

    private double Deviation(FaultedNetwork faulted, TraceReading reading, (double Value, double Floating) meant)
    {
        var ofMeter = reading.Kind switch
        {
            TraceKind.Volts => Math.Sqrt(Square(meter.AccuracyShare * meant.Value) + Square(meter.AccuracyVolts)
                + Square(DrawingShare * meant.Value)),
            TraceKind.Amps => ClampShare * meant.Value + ClampAmps,
            _ => OhmsShare,
        };
        return faulted.Firm is { } firm
            ? Math.Sqrt(Square(ofMeter) + Square(StepShare * (meant.Value - Meant(firm, reading).Value))) : ofMeter;
    }

    private double Density(FaultedNetwork faulted, TraceReading reading)
    {
        var meant = Meant(faulted, reading);
        var deviation = Deviation(faulted, reading, meant);
        var firm = Normal(Measured(reading), meant.Value * (1 - meant.Floating), deviation);
        return meant.Floating < Noticeable ? firm : (1 - PhantomsAre * meant.Floating) * firm
            + PhantomsAre * meant.Floating * Normal(Measured(reading), meant.Value, deviation + PhantomShare * span);
    }

    private static double Normal(double at, double mean, double deviation)
    {
        var z = (at - mean) / deviation;
        return Math.Exp(-z * z / 2) / (deviation * Math.Sqrt(Math.Tau));
    }

    private static double Square(double value) => value * value;
}
