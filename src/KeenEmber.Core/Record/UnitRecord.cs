using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Record;

/// <summary>A unit through time: what it is judged by is what it was at that moment, so that a conversion leaves old visits as they
/// were.</summary>
/// <param name="written">Every nameplate ever written, in the order of writing; at least one. Of several for one moment the last holds: it
/// corrects the others.</param>
public sealed class UnitRecord(IReadOnlyList<Nameplate> written)
{
    /// <summary>What holds, one for each moment something changed, the earliest first.</summary>
    public IReadOnlyList<Nameplate> Nameplates { get; } = [.. written.GroupBy(n => n.At).OrderBy(g => g.Key).Select(g => g.Last())];

    /// <summary>The unit as it is today.</summary>
    public Equipment Now => Nameplates[^1].Unit;

    /// <summary>What the unit was at a moment; before the first word on it, what that says.</summary>
    public Equipment AsOf(DateTimeOffset moment) => At(moment).Unit;

    /// <summary>Since when the sealed circuit is what it is at a moment: readings from before tell nothing about it.</summary>
    public DateTimeOffset CircuitSince(DateTimeOffset moment)
    {
        var circuit = AsOf(moment).Circuit;
        return Nameplates.Where(n => n.At <= moment).Reverse()
            .TakeWhile(n => n.Unit.Circuit.RefrigerantName == circuit.RefrigerantName && n.Unit.MakeUp == AsOf(moment).MakeUp)
            .Select(n => n.At).DefaultIfEmpty(DateTimeOffset.MinValue).Last();
    }

    private Nameplate At(DateTimeOffset moment) => Nameplates.LastOrDefault(n => n.At <= moment) ?? Nameplates[0];

    /// <summary>Each change of the unit with what it was before, the earliest first.</summary>
    public IEnumerable<(Nameplate Before, Nameplate After)> Changes => Nameplates.Zip(Nameplates.Skip(1));
}
