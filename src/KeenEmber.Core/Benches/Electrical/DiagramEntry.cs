using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Record;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>The unit's control circuit as it is from now on: whole each time, so that any version can be drawn.</summary>
/// <param name="Plan">The circuit.</param>
/// <param name="Why">What was done to it, in a few words: "terminal 4 is brown, in the roof box".</param>
public sealed record DiagramEntry(EntryHeader Header, CircuitPlan Plan, string Why) : Entry(Header)
{
    /// <inheritdoc/>
    public override Entry WithReferences(Func<Guid, Guid> map) => (DiagramEntry)base.WithReferences(map) with
    {
        Plan = Plan with
        {
            Rungs = [.. Plan.Rungs.Select(r => (IReadOnlyList<PlannedPart>)[.. r.Select(p =>
                p.OpenItem is { } item ? p with { OpenItem = map(item) } : p)])],
        },
    };
}

/// <summary>One wire of a part that is swapped.</summary>
/// <param name="Terminal">On the old part.</param>
/// <param name="Wire">Colour or tag.</param>
/// <param name="GoesTo">What else is on it.</param>
/// <param name="Supply">What it carries: 208 V, 24 V, the second supply.</param>
/// <param name="NewTerminal">On the new part; empty as long as the wire is off.</param>
public sealed record SwappedWire(string Terminal, string Wire, string GoesTo, string Supply, string NewTerminal = "")
{
    /// <summary>It is on the new part.</summary>
    public bool IsOn => NewTerminal.Length > 0;
}

/// <summary>The wires of a part, listed before anything is cut and ticked off on the new one. Each tick corrects the list.</summary>
/// <param name="Part">By its name in the diagram.</param>
/// <param name="Wires">Every wire that is on it.</param>
/// <param name="Locked">Which supplies are off and locked, and where.</param>
public sealed record WireSwapEntry(EntryHeader Header, string Part, IReadOnlyList<SwappedWire> Wires, string Locked) : Entry(Header)
{
    /// <summary>Wires that are off both parts.</summary>
    public IEnumerable<SwappedWire> LeftOver => Wires.Where(w => !w.IsOn);

    /// <summary>The same list.</summary>
    public bool Equals(WireSwapEntry? other) => base.Equals(other) && Part == other.Part && Locked == other.Locked
        && Wires.SequenceEqual(other.Wires);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), Part, Locked, Wires.Count);
}
