using System.Numerics;
using KeenEmber.Core.Benches.Electrical.Tracing;
using MathNet.Numerics.LinearAlgebra.Complex;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>What a meter shows on a faulty circuit, by a way of its own: the circuit is rebuilt with the fault in it and the meter across
/// it, ideal sources are kept as unknown currents, and all of it is solved at once.</summary>
public static class NodalTruth
{
    /// <summary>The circuit with faults, as a plain list of what conducts.</summary>
    public static double Volts(Wiring wiring, IReadOnlyList<PartFault> faults, string a, string b, double meterOhms)
    {
        var set = SettledContacts(wiring, faults);
        return Across(wiring, faults, set, a, b, meterOhms);
    }

    public static bool Runs(Wiring wiring, IReadOnlyList<PartFault> faults, WiredPart load)
    {
        if (faults.Any(f => f.Part == load.Id && f.Fault is WiredFault.Open or WiredFault.Shorted))
            return false;
        var sound = Across(wiring, [], [], load.A, load.B, 1e9);
        var made = sound > 0.1 * wiring.Sources.Max(s => s.Volts) ? sound : wiring.Sources.Max(s => s.Volts);
        return Across(wiring, faults, SettledContacts(wiring, faults), load.A, load.B, 1e9) > 0.75 * made;
    }

    public static double Amps(Wiring wiring, IReadOnlyList<PartFault> faults, WiredPart load) => Runs(wiring, faults, load)
        ? Across(wiring, faults, SettledContacts(wiring, faults), load.A, load.B, 1e9)
            / new Complex(load.Ohms, load.ReactanceOhms).Magnitude : 0;

    /// <summary>Contacts that are not as drawn, because their coil has lost or gained its voltage.</summary>
    private static HashSet<string> SettledContacts(Wiring wiring, IReadOnlyList<PartFault> faults)
    {
        var turned = new HashSet<string>();
        for (var step = 0; step < 5; step++)
        {
            var next = wiring.Parts.Where(p => p.Kind == WiredKind.Coil && Pulls(p, [], []) != Pulls(p, faults, turned))
                .SelectMany(p => p.Contacts).ToHashSet();
            if (next.SetEquals(turned))
                break;
            turned = next;
        }

        return turned;

        bool Pulls(WiredPart coil, IReadOnlyList<PartFault> with, HashSet<string> contacts) =>
            !with.Any(f => f.Part == coil.Id && f.Fault is WiredFault.Open or WiredFault.Shorted)
            && Across(wiring, with, contacts, coil.A, coil.B, 1e9) > 0.5 * wiring.Sources.Max(s => s.Volts);
    }

    private static double Across(Wiring wiring, IReadOnlyList<PartFault> faults, HashSet<string> turned, string a, string b, double meter)
    {
        var at = wiring.Terminals.Select((t, i) => (t, i)).ToDictionary(x => x.t, x => x.i);
        var nodes = at.Count;
        var sources = wiring.Sources.Where(s => !faults.Any(f => f.Part == s.Id)).ToList();
        var size = nodes + sources.Count * 2;
        var m = DenseMatrix.Create(size, size, 0);
        var known = DenseVector.Create(size, 0);
        void Join(int i, int j, Complex y)
        {
            m[i, i] += y;
            m[j, j] += y;
            m[i, j] -= y;
            m[j, i] -= y;
        }

        for (var i = 0; i < nodes; i++)
            m[i, i] += 1e-11;
        m[at[wiring.Sources[0].Return], at[wiring.Sources[0].Return]] += 1;
        Join(at[a], at[b], 1 / meter);
        foreach (var part in wiring.Parts)
        {
            var fault = faults.FirstOrDefault(f => f.Part == part.Id).Fault;
            Join(at[part.A], at[part.B], Conducts(part, fault, turned.Contains(part.Id)));
        }

        foreach (var (source, k) in sources.Select((s, k) => (s, nodes + 2 * k)))
        {
            // An inner node behind the source's own resistance, held at its voltage above the return by an unknown current.
            var (hot, back, inner, current) = (at[source.Hot], at[source.Return], k, k + 1);
            Join(inner, hot, 1 / source.Ohms);
            m[inner, current] += 1;
            m[back, current] -= 1;
            m[current, inner] += 1;
            m[current, back] -= 1;
            known[current] = Complex.FromPolarCoordinates(source.Volts, source.PhaseDeg * Math.PI / 180);
        }

        var solved = m.Solve(known);
        return (solved[at[a]] - solved[at[b]]).Magnitude;
    }

    private static Complex Conducts(WiredPart part, WiredFault fault, bool isTurned)
    {
        if (fault is WiredFault.Open or WiredFault.StuckOpen)
            return 0;
        if (fault == WiredFault.StuckClosed)
            return 1 / 0.01;
        if (fault == WiredFault.HighResistance)
            return 1.0 / HighOhms;
        if (fault == WiredFault.Shorted)
            return 1 / 0.2;
        if (part.IsLoad)
            return 1 / new Complex(part.Ohms, part.ReactanceOhms);
        return part.Kind != WiredKind.Contact || part.Closed != isTurned ? 1 / 0.01 : 0;
    }

    public const double HighOhms = 180;
}
