using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Benches.Charge;

/// <summary>Why a place stands where it does in the order of a search.</summary>
public enum LeakReason
{
    /// <summary>It is where such units leak.</summary>
    Usual,

    /// <summary>Gauges or a cylinder were connected lately.</summary>
    GaugesWereOn,

    /// <summary>It was opened or brazed lately.</summary>
    WorkedOn,

    /// <summary>Oil was seen on the unit.</summary>
    OilSeen,

    /// <summary>It leaked before.</summary>
    LeakedBefore,
}

/// <summary>A place to look at.</summary>
/// <param name="Weight">How often such units leak there, of a hundred; more after what the record says.</param>
/// <param name="Last">The last look at it on this visit; null where it has not been looked at.</param>
public sealed record PlaceToSearch(LeakPlace Place, double Weight, LeakReason Reason, LeakEntry? Last);

/// <summary>The places of a circuit in the order in which to look for a leak.</summary>
/// <remarks>Weights: trade experience and service statistics as handbooks give them, joints and caps before tubes; a shop's own record
/// weighs more than they do.</remarks>
public static class LeakSearch
{
    private static readonly (LeakPlace Place, double Weight, Func<Equipment, bool> IsOn)[] Usual =
    [
        (LeakPlace.CapOrCore, 20, u => !IsSealed(u)),
        (LeakPlace.ProcessTube, 18, IsSealed),
        (LeakPlace.FlareNut, 16, u => !IsSealed(u)),
        (LeakPlace.RubOut, 12, _ => true),
        (LeakPlace.EvaporatorBend, 11, _ => true),
        (LeakPlace.BrazedJoint, 10, _ => true),
        (LeakPlace.CondenserBend, 8, u => u.MakeUp.IsAirCooled),
        (LeakPlace.DrierJoint, 7, u => u.Circuit.Condenser != CondenserKind.Rack),
        (LeakPlace.ValveStem, 6, u => !IsSealed(u)),
        (LeakPlace.ControlCapillary, 5, u => !IsSealed(u) && u.Circuit.Condenser != CondenserKind.Rack),
        (LeakPlace.SightGlass, 3, u => u.MakeUp.Has(CircuitParts.Receiver)),
        (LeakPlace.Compressor, 3, u => u.Circuit.Condenser != CondenserKind.Rack),
        (LeakPlace.ReliefDevice, 2, u => u.MakeUp.Has(CircuitParts.Receiver)),
    ];

    /// <summary>A capillary unit has no ports, nuts or stems.</summary>
    private static bool IsSealed(Equipment unit) => unit.Circuit.Metering == Metering.CapillaryTube;

    private const double AfterGauges = 2.5, AfterWork = 2.5, AfterLeak = 6, WithOil = 1.3;

    /// <param name="looked">Looks of this visit, in order.</param>
    /// <param name="before">Leaks of earlier visits.</param>
    /// <param name="hadGauges">Gauges or a cylinder were connected on this or the last visits.</param>
    /// <param name="worked">Kinds of parts replaced on this or the last visits.</param>
    /// <param name="oilSeen">Oil was seen on the unit.</param>
    public static IReadOnlyList<PlaceToSearch> Order(
        Equipment unit, IReadOnlyList<LeakEntry> looked, IReadOnlyList<LeakEntry> before, bool hadGauges,
        IReadOnlyCollection<ComponentKind> worked, bool oilSeen) =>
        [.. Usual.Where(u => u.IsOn(unit)).Select(u =>
        {
            var (reason, factor) = Reason(u.Place, before, hadGauges, worked, oilSeen);
            return new PlaceToSearch(u.Place, u.Weight * factor, reason, looked.LastOrDefault(l => l.Place == u.Place));
        }).OrderByDescending(p => p.Weight)];

    private static (LeakReason Reason, double Factor) Reason(
        LeakPlace place, IReadOnlyList<LeakEntry> before, bool hadGauges, IReadOnlyCollection<ComponentKind> worked, bool oilSeen)
    {
        if (before.Any(b => b.Place == place && b.Result is LeakResult.Leaks or LeakResult.Repaired))
            return (LeakReason.LeakedBefore, AfterLeak);
        return place switch
        {
            LeakPlace.CapOrCore or LeakPlace.ProcessTube when hadGauges => (LeakReason.GaugesWereOn, AfterGauges),
            LeakPlace.DrierJoint when worked.Contains(ComponentKind.Drier) => (LeakReason.WorkedOn, AfterWork),
            LeakPlace.BrazedJoint when worked.Contains(ComponentKind.Compressor) || worked.Contains(ComponentKind.ExpansionValve) =>
                (LeakReason.WorkedOn, AfterWork),
            LeakPlace.FlareNut when worked.Contains(ComponentKind.ExpansionValve) || worked.Contains(ComponentKind.Drier) =>
                (LeakReason.WorkedOn, AfterWork),
            LeakPlace.FlareNut or LeakPlace.BrazedJoint when oilSeen => (LeakReason.OilSeen, WithOil),
            _ => (LeakReason.Usual, 1),
        };
    }
}
