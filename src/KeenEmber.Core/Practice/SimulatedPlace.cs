using KeenEmber.Core.Diagnosis;
using KeenEmber.Core.Plant;
using KeenEmber.Core.Simulation;

namespace KeenEmber.Core.Practice;

/// <summary>A unit in arithmetic where it stands, with the weather on the day on which somebody comes.</summary>
public sealed record SimulatedPlace(UnitDesign Design, Weather Weather)
{
    /// <summary>On a warm day, built so that it can have what is wrong with it.</summary>
    /// <returns>Null where no unit of that kind can.</returns>
    public static SimulatedPlace? For(EquipmentKind kind, IReadOnlyList<SimulatedFault> faults)
    {
        UnitDesign? design = UnitDesign.Of(kind);
        foreach (var fault in faults)
            design = design is null ? null : fault.Built(design);
        if (design is null)
            return null;
        var warm = design.DesignAirC + OverDesignK;
        var outside = faults.Select(f => f.OutsideC).FirstOrDefault(c => c is not null);
        return new(design, outside is { } c ? new(c, SwingK, RoomC: design.DesignAirC - RoomUnderDesignK) : new(warm, SwingK));
    }

    /// <summary>Somebody calls when it is this much warmer than the design has it; how far a day goes from its mean; and a heated hall, K.
    /// </summary>
    private const double OverDesignK = 2, SwingK = 3, RoomUnderDesignK = 4;

    /// <summary>Its make-up.</summary>
    public JobUnit Unit => new(Design.Kind, Design.Metering, Design.Condenser,
        [.. Enum.GetValues<CircuitParts>().Where(p => (Design.Parts & p) != 0)], 1, Design.TargetC, 2);

    /// <summary>The table knows one of its causes on a unit like this.</summary>
    public bool CanHave(SimulatedFault fault)
    {
        var words = UnitWords.Of(Unit.MakeUp, Unit.Target, Unit.Fans);
        return DiagnosisTable.Shipped.Causes.Any(c => fault.Roots.Contains(c.Code) && c.OnlyOn.Holds(words));
    }
}
