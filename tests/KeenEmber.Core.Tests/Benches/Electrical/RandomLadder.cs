using KeenEmber.Core.Benches.Electrical.Tracing;

namespace KeenEmber.Core.Tests.Benches.Electrical;

/// <summary>Control circuits made up: rungs of contacts, wires and a load between two conductors, some of them relays that make other
/// rungs, some contacts that bridge others.</summary>
public static class RandomLadder
{
    private static readonly string[] Places = ["panel", "control", "box", "coil", "unit"];

    /// <param name="parts">Roughly so many.</param>
    public static Wiring Of(Random random, int parts)
    {
        var all = new List<WiredPart>();
        var relayContacts = new List<WiredPart>();
        all.Add(new("F1", WiredKind.Fuse, "L1", "L1F", Where: "panel"));
        for (var rung = 1; all.Count < parts; rung++)
        {
            var (last, links) = ("L1F", random.Next(1, 5));
            var where = Places[random.Next(Places.Length)];
            for (var i = 0; i < links && all.Count < parts - 1; i++)
            {
                var to = $"{rung}.{i}";
                if (random.Next(4) == 0)
                    where = Places[random.Next(Places.Length)];
                var kind = random.Next(3) == 0 ? WiredKind.Wire : WiredKind.Contact;
                var part = new WiredPart($"{(kind == WiredKind.Wire ? "W" : "K")}{rung}-{i}", kind, last, to,
                    kind == WiredKind.Wire || random.Next(6) > 0, Where: where);
                all.Add(part);
                if (kind == WiredKind.Contact && random.Next(3) == 0)
                    relayContacts.Add(part);
                last = to;
            }

            var isRelay = relayContacts.Count > 0 && random.Next(2) == 0;
            all.Add(new($"M{rung}", WiredKind.Load, last, "L2", Ohms: random.Next(30, 1200), ReactanceOhms: random.Next(0, 400),
                Where: where));
            if (isRelay)
            {
                // A coil on a rung of its own, before the contacts it moves: rungs above it only.
                var moved = relayContacts[0];
                relayContacts.Clear();
                all.Add(new($"S{rung}", WiredKind.Contact, "L1F", $"{rung}.c", moved.Closed, Where: where));
                all.Add(new($"R{rung}", WiredKind.Coil, $"{rung}.c", "L2", Ohms: random.Next(300, 2500), Moves: [moved.Id],
                    Where: "panel"));
            }
        }

        return new([new("supply", random.Next(2) == 0 ? 120 : 208, 0, "L1", "L2")], all);
    }

    /// <summary>A fault that changes some voltage, or whether something runs, so that it can be told at all.</summary>
    public static PartFault? Fault(Wiring wiring, Random random)
    {
        for (var i = 0; i < 50; i++)
        {
            var part = wiring.Parts[random.Next(wiring.Parts.Count)];
            WiredFault[] kinds = part.Kind switch
            {
                WiredKind.Contact when part.Closed => [WiredFault.StuckOpen, WiredFault.StuckOpen, WiredFault.HighResistance],
                WiredKind.Contact => [WiredFault.StuckClosed],
                WiredKind.Wire => [WiredFault.Open, WiredFault.Open, WiredFault.HighResistance],
                WiredKind.Fuse => [WiredFault.Open],
                _ => [WiredFault.Open],
            };
            var fault = new PartFault(part.Id, kinds[random.Next(kinds.Length)]);
            if (Shows(wiring, [], [fault]))
                return fault;
        }

        return null;
    }

    public static bool Shows(Wiring wiring, IReadOnlyList<PartFault> before, IReadOnlyList<PartFault> after)
    {
        var volts = wiring.Sources[0].Volts;
        return wiring.Parts.Any(p => Math.Abs(NodalTruth.Volts(wiring, after, p.A, p.B, 10e6)
            - NodalTruth.Volts(wiring, before, p.A, p.B, 10e6)) > 0.05 * volts
            || (p.IsLoad && NodalTruth.Runs(wiring, after, p) != NodalTruth.Runs(wiring, before, p)));
    }
}
