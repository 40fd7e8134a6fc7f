namespace KeenEmber.Core.Benches.Electrical.Tracing;

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

    /// <summary>Coils that do now what they should not, a bit each. More than 64 coils no drawing has.</summary>
    internal ulong Moved(FaultedNetwork now)
    {
        var moved = 0UL;
        for (var i = 0; i < coils.Count; i++)
        {
            if (now.Pulls(coils[i].Coil) != coils[i].Pulls)
                moved |= 1UL << i;
        }

        return moved;
    }

    /// <summary>What that changes; a contact that is faulty itself stays as it is.</summary>
    internal IEnumerable<Change> Of(ulong moved, IReadOnlyList<FaultVariant> faults) => coils.Where((_, i) => (moved >> i & 1) == 1)
        .SelectMany(c => c.Coil.Contacts).Distinct()
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
