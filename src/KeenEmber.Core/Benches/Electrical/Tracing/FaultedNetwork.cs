using System.Numerics;
using MathNet.Numerics.LinearAlgebra;
using ComplexVector = MathNet.Numerics.LinearAlgebra.Vector<System.Numerics.Complex>;

namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>A circuit with one or two faults, and with the contacts that coils move because of them.</summary>
internal sealed class FaultedNetwork
{
    /// <summary>A coil pulls from this share of its voltage on; a load runs from this share on.</summary>
    private const double PullsAt = 0.5, RunsAt = 0.7;

    /// <summary>Relays that drive relays settle after as many steps; one that drives itself never does.</summary>
    private const int MostSteps = 6;

    private readonly NodalNetwork network;
    private readonly CoilContacts coils;
    private readonly IReadOnlyList<FaultVariant> faults;
    private readonly bool isSwapped;
    private Change[] changes;

    /// <summary>What flows through each change, A; and the matrix it follows from, of more than two.</summary>
    private Complex[] through = [];
    private Matrix<Complex>? solver;

    /// <param name="network">The circuit as it should be.</param>
    /// <param name="coils">Of that circuit.</param>
    /// <param name="faults">None, one or two.</param>
    /// <param name="firm">The same without the faults whose size was tried in steps; null where there is none of those.</param>
    internal FaultedNetwork(
        NodalNetwork network, CoilContacts coils, IReadOnlyList<FaultVariant> faults, FaultedNetwork? firm = null)
    {
        Firm = firm;
        this.network = network;
        this.coils = coils;
        this.faults = faults;
        isSwapped = faults.Any(f => f.Of.Fault == WiredFault.Swapped);
        changes = [.. OfFaults()];
        Solve();
        var moved = 0UL;
        for (var step = 0; step < MostSteps && coils.Moved(this) is var now && now != moved; step++)
        {
            moved = now;
            changes = [.. OfFaults(), .. coils.Of(moved, faults)];
            Solve();
        }
    }

    /// <summary>What it comes to without the faults whose size was tried in steps: what those change is known roughly.</summary>
    internal FaultedNetwork? Firm { get; }

    /// <summary>The same faults on the same circuit with its power off.</summary>
    internal FaultedNetwork Unpowered(NodalNetwork unpowered) => new(unpowered, new(unpowered),
        [.. faults.Where(f => f.Change.Current == default && (f.Of.Fault == WiredFault.ToEarth || !coils.IsHeld(f.Of.Part)))]);

    /// <summary>Voltage between two terminals without a meter, V.</summary>
    internal Complex Volts(int a, int b)
    {
        var volts = Drawn(a, b);
        for (var i = 0; i < through.Length; i++)
            volts -= network.Transfer(a, b, changes[i].A, changes[i].B) * through[i];
        return volts;
    }

    /// <summary>What a meter shows between two terminals, V: it takes its own current.</summary>
    /// <returns>With how far the voltage is the meter's own doing, 0 to 1: near 1 where a terminal hangs on nothing.</returns>
    internal (double Volts, double Floating) Shown(int a, int b, double meterOhms)
    {
        var seen = Seen(a, b);
        var (volts, all) = (Volts(a, b).Magnitude, (meterOhms + seen).Magnitude);
        return (volts * meterOhms / all, seen.Magnitude / all);
    }

    /// <summary>What a meter on ohms sees between two terminals, Ω.</summary>
    internal Complex Seen(int a, int b)
    {
        var seen = network.Transfer(a, b, a, b);
        if (changes.Length == 0)
            return seen;
        var to = Array.ConvertAll(changes, c => network.Transfer(a, b, c.A, c.B));
        var by = Solved(to);
        for (var i = 0; i < to.Length; i++)
            seen -= to[i] * by[i];
        return seen;
    }

    /// <summary>Current through a part, A.</summary>
    internal double Amps(WiredPart part)
    {
        var (a, b) = Ends(part);
        var own = NodalNetwork.AdmittanceOf(part, network.Wiring.Hertz);
        foreach (var change in Changes(part))
            own += change.By;
        return (Volts(a, b) * own).Magnitude;
    }

    /// <summary>It has its voltage and nothing in it is open.</summary>
    internal bool Runs(WiredPart part) => IsWhole(part) && IsFed(part, RunsAt);

    /// <summary>It has enough voltage to do something.</summary>
    internal bool IsFed(WiredPart part) => IsFed(part, PullsAt);

    /// <summary>It pulls.</summary>
    internal bool Pulls(WiredPart coil) => IsWhole(coil) && IsFed(coil, PullsAt);

    private bool IsFed(WiredPart part, double share)
    {
        var (a, b) = Ends(part);
        return Volts(a, b).Magnitude >= share * coils.Nominal(part);
    }

    private IEnumerable<Change> OfFaults() => isSwapped ? faults.SelectMany(f => f.Changes) : faults.Select(f => f.Change);

    /// <summary>Where a part is connected, its wires swapped or not.</summary>
    private (int A, int B) Ends(WiredPart part)
    {
        foreach (var fault in isSwapped ? faults : [])
        {
            if (fault.Of.Fault == WiredFault.Swapped && (fault.Of.Part == part.Id || fault.Of.With == part.Id))
            {
                var other = network.Wiring.Part(fault.Of.Part == part.Id ? fault.Of.With : fault.Of.Part)!;
                var (a, b) = FaultVariants.Ends(part, part.IsLoad ? other.A : other.B);
                return (network.Terminal(a), network.Terminal(b));
            }
        }

        return (network.Terminal(part.A), network.Terminal(part.B));
    }

    private bool IsWhole(WiredPart part)
    {
        foreach (var fault in faults)
        {
            if (fault.Of.Part == part.Id && fault.Of.Fault is WiredFault.Open or WiredFault.Shorted)
                return false;
        }

        return true;
    }

    private IEnumerable<Change> Changes(WiredPart part) => faults.Where(f => f.Of.Part == part.Id
        && f.Of.Fault is not (WiredFault.ToEarth or WiredFault.Swapped)).Select(f => f.Change).Concat(coils.ChangeOf(part, changes));

    /// <summary>As drawn, with the currents of sources that are lost taken away.</summary>
    private Complex Drawn(int a, int b)
    {
        var volts = network.Volts(a, b);
        foreach (var change in changes)
        {
            if (change.Current != Complex.Zero)
                volts += network.Transfer(a, b, change.A, change.B) * change.Current;
        }

        return volts;
    }

    private void Solve()
    {
        solver = null;
        through = Solved(Array.ConvertAll(changes, c => Drawn(c.A, c.B)));
    }

    /// <summary>What flows through each change where these voltages stand across them. One and two are by far the most.</summary>
    private Complex[] Solved(Complex[] right)
    {
        switch (right.Length)
        {
            case 0:
                return [];
            case 1:
                return [right[0] / Own(0, 0)];
            case 2:
                var (p, q, r) = (Own(0, 0), Own(0, 1), Own(1, 1));
                var determinant = p * r - q * q;
                return [(right[0] * r - right[1] * q) / determinant, (right[1] * p - right[0] * q) / determinant];
            default:
                solver ??= Matrix<Complex>.Build.Dense(changes.Length, changes.Length, Own);
                return solver.Solve(ComplexVector.Build.Dense(right)).ToArray();
        }
    }

    /// <summary>How changes bear on each other.</summary>
    private Complex Own(int i, int j)
    {
        var one = network.Transfer(changes[i].A, changes[i].B, changes[j].A, changes[j].B);
        return i == j ? one + 1 / changes[i].By : one;
    }
}
