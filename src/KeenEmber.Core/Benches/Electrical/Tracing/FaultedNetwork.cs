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
    private Change[] changes;

    /// <summary>What flows through each change, A, negative; and for one ampere into a port, the matrix it follows from.</summary>
    private Complex[] through = [];
    private Matrix<Complex>? solver;

    internal FaultedNetwork(NodalNetwork network, CoilContacts coils, IReadOnlyList<FaultVariant> faults)
    {
        this.network = network;
        this.coils = coils;
        this.faults = faults;
        changes = [.. faults.Select(f => f.Change)];
        Solve();
        var moved = new HashSet<string>();
        for (var step = 0; step < MostSteps && coils.Moved(this) is var now && !moved.SetEquals(now); step++)
        {
            moved = [.. now];
            changes = [.. faults.Select(f => f.Change), .. coils.Of(moved, faults)];
            Solve();
        }
    }

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
    internal double Shown(int a, int b, double meterOhms) => Volts(a, b).Magnitude * meterOhms / (meterOhms + Seen(a, b)).Magnitude;

    /// <summary>What a meter on ohms sees between two terminals, Ω.</summary>
    internal Complex Seen(int a, int b)
    {
        var seen = network.Transfer(a, b, a, b);
        if (changes.Length == 0)
            return seen;
        var to = ComplexVector.Build.Dense(changes.Length, i => network.Transfer(a, b, changes[i].A, changes[i].B));
        return seen - to.DotProduct(Times(to));
    }

    /// <summary>Current through a part, A.</summary>
    internal double Amps(WiredPart part)
    {
        var (a, b) = (network.Terminal(part.A), network.Terminal(part.B));
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

    private bool IsFed(WiredPart part, double share) =>
        Volts(network.Terminal(part.A), network.Terminal(part.B)).Magnitude >= share * coils.Nominal(part);

    private bool IsWhole(WiredPart part) =>
        !faults.Any(f => f.Of.Part == part.Id && f.Of.Fault is WiredFault.Open or WiredFault.Shorted);

    private IEnumerable<Change> Changes(WiredPart part) => faults.Where(f => f.Of.Part == part.Id
        && f.Of.Fault != WiredFault.ToEarth).Select(f => f.Change).Concat(coils.ChangeOf(part, changes));

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
        var size = changes.Length;
        solver = null;
        if (size == 0)
        {
            through = [];
            return;
        }

        var drawn = Array.ConvertAll(changes, c => Drawn(c.A, c.B));
        if (size == 1)
        {
            through = [drawn[0] / Own(0, 0)];
            return;
        }

        if (size == 2)
        {
            var (p, q, r) = (Own(0, 0), Own(0, 1), Own(1, 1));
            var determinant = p * r - q * q;
            through = [(drawn[0] * r - drawn[1] * q) / determinant, (drawn[1] * p - drawn[0] * q) / determinant];
            return;
        }

        through = Solver().Solve(ComplexVector.Build.Dense(drawn)).ToArray();
    }

    private Matrix<Complex> Solver() =>
        solver ??= Matrix<Complex>.Build.Dense(changes.Length, changes.Length, Own);

    private ComplexVector Times(ComplexVector to) => changes.Length == 1 ? to / Own(0, 0) : Solver().Solve(to);

    /// <summary>How changes bear on each other.</summary>
    private Complex Own(int i, int j)
    {
        var one = network.Transfer(changes[i].A, changes[i].B, changes[j].A, changes[j].B);
        return i == j ? one + 1 / changes[i].By : one;
    }
}

/// <summary>Which contacts move because a coil pulls that should not, or does not that should.</summary>
internal sealed class CoilContacts
{
    private readonly NodalNetwork network;
    private readonly List<(WiredPart Coil, bool Pulls)> coils;
    private readonly Dictionary<string, double> nominal;

    /// <summary>A voltage below this share of the highest source is not what a load is made for.</summary>
    private const double DeadShare = 0.05;

    internal CoilContacts(NodalNetwork network)
    {
        this.network = network;
        double Across(WiredPart part) => network.Volts(network.Terminal(part.A), network.Terminal(part.B)).Magnitude;
        var highest = network.Wiring.HighestVolts;
        nominal = network.Wiring.Parts.Where(p => p.IsLoad)
            .ToDictionary(p => p.Id, p => Across(p) is var volts && volts > DeadShare * highest ? volts : highest);
        coils =
        [
            .. network.Wiring.Parts.Where(p => p is { Kind: WiredKind.Coil, Contacts.Count: > 0 })
                .Select(p => (p, Across(p) > DeadShare * highest)),
        ];
    }

    /// <summary>The circuit with its power off: no source, and every contact that a coil holds gone back.</summary>
    internal NodalNetwork Unpowered() => new(network.Wiring with
    {
        Parts = [.. network.Wiring.Parts.Select(p => p.Kind == WiredKind.Contact && IsHeld(p.Id) ? p with { Closed = !p.Closed } : p)],
    }, isPowered: false);

    /// <summary>A contact that a coil holds while the circuit is as it should be.</summary>
    internal bool IsHeld(string contact) => coils.Exists(c => c.Pulls && c.Coil.Contacts.Contains(contact));

    /// <summary>The voltage a load has where all is as it should be; of one that stands then, the highest there is, V.</summary>
    internal double Nominal(WiredPart part) => nominal.GetValueOrDefault(part.Id, network.Wiring.HighestVolts);

    /// <summary>Contacts of the coils that do now what they should not.</summary>
    internal IReadOnlyCollection<string> Moved(FaultedNetwork now) => coils.Count == 0 ? []
        : [.. coils.Where(c => now.Pulls(c.Coil) != c.Pulls).SelectMany(c => c.Coil.Contacts)];

    /// <summary>What that changes; a contact that is faulty itself stays as it is.</summary>
    internal IEnumerable<Change> Of(HashSet<string> moved, IReadOnlyList<FaultVariant> faults) => moved
        .Where(id => !faults.Any(f => f.Of.Part == id && f.Of.Fault != WiredFault.ToEarth))
        .Select(network.Wiring.Part).OfType<WiredPart>().Where(p => p.Kind == WiredKind.Contact).Select(ChangeOf);

    /// <summary>The change of a contact that has moved, where it has.</summary>
    internal IEnumerable<Change> ChangeOf(WiredPart part, Change[] changes) =>
        part.Kind == WiredKind.Contact && ChangeOf(part) is var moved && changes.Contains(moved) ? [moved] : [];

    private Change ChangeOf(WiredPart contact)
    {
        var closed = 1 / Math.Max(contact.Ohms, NodalNetwork.ClosedOhm);
        return new(network.Terminal(contact.A), network.Terminal(contact.B), contact.Closed ? -closed : closed);
    }
}
