using System.Numerics;

namespace KeenEmber.Core.Benches.Electrical.Tracing;

/// <summary>What can be wrong with a wired part.</summary>
public enum WiredFault
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>A contact is open that should be closed.</summary>
    StuckOpen,

    /// <summary>A contact is closed that should be open, or bridged.</summary>
    StuckClosed,

    /// <summary>A load, coil, wire, fuse or source is open.</summary>
    Open,

    /// <summary>A load, coil or capacitor has no resistance.</summary>
    Shorted,

    /// <summary>A contact or wire has a resistance it should not have.</summary>
    HighResistance,

    /// <summary>A part touches earth.</summary>
    ToEarth,

    /// <summary>Its wire and that of another part are on each other's terminals.</summary>
    Swapped,
}

/// <summary>A part with what is wrong with it.</summary>
/// <param name="Part">Its id; that of a source for a lost phase.</param>
/// <param name="With">Of swapped wires: the other part; else empty.</param>
public readonly record struct PartFault(string Part, WiredFault Fault, string With = "");

/// <summary>A way in which one part can be faulty: by how much, where that is not known.</summary>
/// <param name="Share">Of the fault's probability.</param>
/// <param name="Further">Of swapped wires: the other changes it takes; empty for all else.</param>
internal readonly record struct FaultVariant(PartFault Of, Change Change, double Share, IReadOnlyList<Change>? Further = null)
{
    /// <summary>All changes it takes.</summary>
    internal IEnumerable<Change> Changes => Further is { } further ? [Change, .. further] : [Change];

    /// <summary>It stands for others a step of the grid away.</summary>
    internal bool IsRough => Of.Fault is WiredFault.HighResistance or WiredFault.Shorted or WiredFault.ToEarth;
}

/// <summary>Every way in which a single part of a circuit can be faulty.</summary>
internal static class FaultVariants
{
    /// <summary>A resistance that should not be there, as a multiple of what the rest of its loop has: what takes a twentieth of the
    /// voltage is hardly worth a name, what takes nearly all is an open circuit.</summary>
    private static readonly double[] Multiples = [0.06, 0.1, 0.17, 0.28, 0.45, 0.75, 1.3, 2.5, 6];

    /// <summary>What is left of a shorted load, as a share of what it has, and what an earth fault has, Ω.</summary>
    private static readonly double[] ShortShares = [0.001, 0.01];

    private static readonly double[] EarthOhms = [0.1, 1, 10];

    internal static IReadOnlyList<FaultVariant> Of(NodalNetwork network) =>
        [.. network.Wiring.Sources.Select(s => Lost(network, s)), .. network.Wiring.Parts.SelectMany(p => Of(network, p))];

    /// <summary>Of larger circuits only wires are thought to be swapped, not the leads of every two parts in a place.</summary>
    private const int SmallCircuit = 24;

    /// <summary>Wires on each other's terminals: two in one place, at their far ends; of two loads at their near ends.</summary>
    internal static IEnumerable<FaultVariant> Swaps(NodalNetwork network)
    {
        var parts = network.Wiring.Parts;
        var some = parts.Where(p => p.Kind == WiredKind.Wire || (parts.Count <= SmallCircuit
            && p.Kind is WiredKind.Contact or WiredKind.Load or WiredKind.Coil)).ToList();
        return some.SelectMany((p, i) => some.Skip(i + 1).Where(q => q.Where == p.Where && q.IsLoad == p.IsLoad)
            .Select(q => Swap(network, p, q)).OfType<FaultVariant>());
    }

    private static FaultVariant? Swap(NodalNetwork network, WiredPart p, WiredPart q)
    {
        var (one, other) = (Ends(p, q.IsLoad ? q.A : q.B), Ends(q, p.IsLoad ? p.A : p.B));
        var isSame = p.IsLoad ? p.A == q.A : p.B == q.B;
        if (isSame || one.A == one.B || other.A == other.B)
            return null;
        var (byP, byQ) = (NodalNetwork.AdmittanceOf(p, network.Wiring.Hertz), NodalNetwork.AdmittanceOf(q, network.Wiring.Hertz));
        Change Between(string a, string b, Complex by) => new(network.Terminal(a), network.Terminal(b), by);
        Change[] all =
        [
            .. byP == Complex.Zero ? [] : new[] { Between(p.A, p.B, -byP), Between(one.A, one.B, byP) },
            .. byQ == Complex.Zero ? [] : new[] { Between(q.A, q.B, -byQ), Between(other.A, other.B, byQ) },
        ];
        return all.Length == 0 ? null : new(new(p.Id, WiredFault.Swapped, q.Id), all[0], 1, all[1..]);
    }

    /// <summary>The terminals of a part whose wire is on another one's terminal.</summary>
    internal static (string A, string B) Ends(WiredPart part, string moved) => part.IsLoad ? (moved, part.B) : (part.A, moved);

    private static FaultVariant Lost(NodalNetwork network, WiredSource source) => new(new(source.Id, WiredFault.Open),
        new(network.Terminal(source.Hot), network.Terminal(source.Return), -1 / source.Ohms, -NodalNetwork.CurrentOf(source)), 1);

    private static IEnumerable<FaultVariant> Of(NodalNetwork network, WiredPart part)
    {
        var (a, b) = (network.Terminal(part.A), network.Terminal(part.B));
        var now = NodalNetwork.AdmittanceOf(part, network.Wiring.Hertz);
        FaultVariant To(WiredFault fault, Complex then, double share = 1) => new(new(part.Id, fault), new(a, b, then - now), share);
        if (part is { Kind: WiredKind.Contact, Closed: false })
            return [To(WiredFault.StuckClosed, 1 / NodalNetwork.ClosedOhm), .. ToEarth(network, part)];
        var open = To(part.Kind == WiredKind.Contact ? WiredFault.StuckOpen : WiredFault.Open, Complex.Zero);
        if (part.Kind == WiredKind.Fuse)
            return [open];
        if (part.Kind == WiredKind.Transformer)
            return part.C.Length > 0 ? [new(open.Of, network.WindingOpen(part), 1)] : [open];
        if (part.Kind is WiredKind.Contact or WiredKind.Wire)
        {
            var loop = Loop(network, a, b, now);
            return
            [
                open, .. Multiples.Select(m => To(WiredFault.HighResistance, 1 / (loop * m), 1.0 / Multiples.Length)),
                .. ToEarth(network, part),
            ];
        }

        return
        [
            open, .. ShortShares.Select(s => To(WiredFault.Shorted, 1 / Math.Max(NodalNetwork.ClosedOhm, s / now.Magnitude),
                1.0 / ShortShares.Length)),
            .. ToEarth(network, part),
        ];
    }

    /// <summary>What the rest of the circuit has, seen from a part, Ω.</summary>
    private static double Loop(NodalNetwork network, int a, int b, Complex now)
    {
        var seen = network.Transfer(a, b, a, b);
        var rest = seen / (1 - now * seen);
        return Math.Clamp(rest.Magnitude, 0.05, 1e5);
    }

    private static IEnumerable<FaultVariant> ToEarth(NodalNetwork network, WiredPart part)
    {
        if (!network.Has(Wiring.Earth) || part.A == Wiring.Earth || part.B == Wiring.Earth)
            return [];
        var earth = network.Terminal(Wiring.Earth);
        return new[] { part.A, part.B }.SelectMany(t => EarthOhms.Select(ohms => new FaultVariant(new(part.Id, WiredFault.ToEarth),
            new(network.Terminal(t), earth, 1 / ohms), 0.5 / EarthOhms.Length)));
    }
}
