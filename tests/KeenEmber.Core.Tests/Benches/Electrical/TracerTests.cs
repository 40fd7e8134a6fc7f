using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>Faults found along control circuits that another solver answers for.</summary>
public sealed class TracerTests(ITestOutputHelper output)
{
    /// <summary>Ladders of each kind; a thousand by KEEN_EMBER_LADDERS=1000, whose figures stand in docs/numbers.md.</summary>
    private static readonly int Ladders = int.TryParse(Environment.GetEnvironmentVariable("KEEN_EMBER_LADDERS"), out var n) ? n : 12;

    /// <summary>Readings by the truth: 1 % noise, one in fifty beside the terminal that was meant.</summary>
    private static TraceReading Answer(Wiring wiring, IReadOnlyList<PartFault> truth, TraceStep step, Random random)
    {
        if (step.Kind == TraceKind.Runs)
            return TraceReading.Runs(step.Part, NodalTruth.Runs(wiring, truth, wiring.Part(step.Part)!));
        if (step.Kind == TraceKind.Amps)
            return new(TraceKind.Amps, "", "", step.Part, NodalTruth.Amps(wiring, truth, wiring.Part(step.Part)!));
        var (a, b) = (step.A, step.B);
        if (random.NextDouble() < 0.02)
        {
            var beside = wiring.Parts.Where(p => p.A == a || p.B == a).Select(p => p.A == a ? p.B : p.A).Where(t => t != b).ToList();
            a = beside.Count > 0 ? beside[random.Next(beside.Count)] : a;
        }

        var volts = NodalTruth.Volts(wiring, truth, a, b, 10e6);
        return TraceReading.Volts(step.A, step.B, Math.Max(0, volts * (1 + 0.005 * (random.NextDouble() * 2 - 1))
            + 0.3 * (random.NextDouble() * 2 - 1)));
    }

    private static (Trace Last, int Steps) Play(Wiring wiring, IReadOnlyList<PartFault> truth, int most, Random random)
    {
        // What runs and what stands is seen on coming in.
        var readings = wiring.Parts.Where(p => p.Kind == WiredKind.Load)
            .Select(p => TraceReading.Runs(p.Id, NodalTruth.Runs(wiring, truth, p))).ToList();
        var trace = Tracer.Find(wiring, readings);
        var taken = 0;
        for (; taken < most && trace.Next.Count > 0; taken++)
        {
            readings.Add(Answer(wiring, truth, trace.Next[0], random));
            trace = Tracer.Find(wiring, readings);
        }

        return (trace, taken);
    }

    private static string Told(Trace trace) =>
        string.Join(", ", trace.Suspects.Take(4).Select(s => $"{s.Of.Part} {s.Of.Fault} {s.Probability:P0}"));

    /// <summary>As many measurements as halve the suspects down to one, and one more.</summary>
    private static int Budget(Wiring wiring) => (int)Math.Ceiling(Math.Log2(Tracer.FaultsOf(wiring))) + 1;

    [Fact]
    public void A_single_fault_is_found_in_as_many_measurements_as_halve_the_suspects()
    {
        var (found, steps, all) = (0, 0, 0);
        for (var i = 0; i < Ladders; i++)
        {
            var random = new Random(i);
            var wiring = RandomLadder.Of(random, random.Next(8, 41));
            if (RandomLadder.Fault(wiring, random) is not { } fault)
                continue;
            var (trace, taken) = Play(wiring, [fault], Budget(wiring), random);
            all++;
            steps += taken;
            var isFound = trace.Suspects[0].Of.Part == fault.Part;
            found += isFound ? 1 : 0;
            if (!isFound)
                output.WriteLine($"{i}: {wiring.Parts.Count} parts, {fault}: {Told(trace)} after {taken}");
        }

        output.WriteLine($"{found} of {all}, {steps / (double)all:F1} measurements each");
        Assert.InRange(found / (double)all, 0.9, 1);
    }

    [Fact]
    public void Both_of_two_faults_are_named_where_they_can_be_told()
    {
        var (both, one, all) = (0, 0, 0);
        for (var i = 0; i < Ladders; i++)
        {
            var random = new Random(1000 + i);
            var wiring = RandomLadder.Of(random, random.Next(8, 41));
            var (first, second) = (RandomLadder.Fault(wiring, random), RandomLadder.Fault(wiring, random));
            if (first is not { } f || second is not { } s || f.Part == s.Part || !RandomLadder.Shows(wiring, [f], [f, s])
                || !RandomLadder.Shows(wiring, [s], [f, s]))
                continue;
            var (trace, taken) = Play(wiring, [f, s], 2 * Budget(wiring), random);
            all++;
            var named = trace.Suspects.Take(2).Select(x => x.Of.Part).Intersect([f.Part, s.Part]).Count();
            both += named == 2 ? 1 : 0;
            one += named > 0 ? 1 : 0;
            if (named < 2)
                output.WriteLine($"{i}: {f}, {s}: {Told(trace)} after {taken}");
        }

        output.WriteLine($"both {both}, one {one} of {all}");
        Assert.InRange(both / (double)all, 0.8, 1);
    }

    [Fact]
    public void A_sound_circuit_is_not_condemned()
    {
        var condemned = 0;
        for (var i = 0; i < Ladders; i++)
        {
            var random = new Random(5000 + i);
            var wiring = RandomLadder.Of(random, random.Next(8, 41));
            var (trace, taken) = Play(wiring, [], Budget(wiring), random);
            if (trace.Suspects[0].Of.Fault != WiredFault.None && trace.Suspects[0].Probability > 0.5)
            {
                condemned++;
                output.WriteLine($"{i}: {Told(trace)} after {taken}");
            }
        }

        output.WriteLine($"{condemned} of {Ladders}");
        Assert.InRange(condemned, 0, 1);
    }
}
