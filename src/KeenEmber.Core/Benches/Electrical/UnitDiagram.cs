using KeenEmber.Core.Benches.Electrical.Tracing;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Record;
using KeenEmber.Core.Visits;

namespace KeenEmber.Core.Benches.Electrical;

/// <summary>The control circuit of a unit: the one kept last, or the usual one of its make-up.</summary>
/// <param name="AsFound">As it was when the visit began.</param>
/// <param name="Now">As it is.</param>
/// <param name="IsKept">Somebody has kept a diagram of this unit; else it is the usual one.</param>
public sealed record UnitDiagram(CircuitPlan AsFound, CircuitPlan Now, bool IsKept)
{
    /// <param name="visit">The visit's timeline.</param>
    /// <param name="upToHere">It and those before it, the latest first.</param>
    public static UnitDiagram Of(Timeline visit, IReadOnlyList<Timeline> upToHere, Equipment unit)
    {
        var kept = upToHere.SelectMany(t => t.Standing).OfType<DiagramEntry>().OrderBy(d => d.At).ToList();
        var here = visit.Standing.OfType<DiagramEntry>().Select(d => d.Id).ToHashSet();
        var usual = CircuitTemplates.Of(unit, CircuitTemplates.Usual(unit));
        var open = OpenItem.Of(upToHere).Select(o => o.Change.Id).ToHashSet();
        return new(kept.FindLast(d => !here.Contains(d.Id))?.Plan ?? usual,
            Without(kept.LastOrDefault()?.Plan ?? usual, open), kept.Count > 0);
    }

    /// <summary>A jumper whose open item is closed is out.</summary>
    private static CircuitPlan Without(CircuitPlan plan, HashSet<Guid> open) => plan.Parts
        .Where(p => p.OpenItem is { } item && !open.Contains(item)).Aggregate(plan, (p, gone) => p.TakeOut(gone.Name).Plan ?? p);
}
