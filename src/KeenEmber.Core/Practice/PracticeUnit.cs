using KeenEmber.Core.Plant;

namespace KeenEmber.Core.Practice;

/// <summary>The unit a case is worked on.</summary>
public static class PracticeUnit
{
    private static readonly Dictionary<EquipmentKind, string> Names = new()
    {
        [EquipmentKind.WalkInCooler] = "Cold room", [EquipmentKind.WalkInFreezer] = "Freezer room",
        [EquipmentKind.DriveInFreezer] = "Drive-in freezer", [EquipmentKind.ReachInCooler] = "Reach-in",
        [EquipmentKind.ReachInFreezer] = "Reach-in freezer", [EquipmentKind.PrepTable] = "Prep table",
        [EquipmentKind.OpenCase] = "Open case", [EquipmentKind.GlassDoorCase] = "Glass door case",
        [EquipmentKind.IceMerchandiser] = "Ice merchandiser", [EquipmentKind.BottleCooler] = "Bottle cooler",
        [EquipmentKind.GlycolChiller] = "Glycol chiller",
    };

    private const double BelowZeroC = -5;

    /// <summary>It has no tag yet.</summary>
    public static Equipment Of(PracticeCase practised, Guid unitId, Guid circuitId)
    {
        var (unit, makeUp) = (practised.Job.Unit, practised.Job.Unit.MakeUp);
        var refrigerant = unit switch
        {
            { Metering: Metering.CapillaryTube } or { Kind: EquipmentKind.GlycolChiller } => "R134a",
            { TargetC: < BelowZeroC } => "R404A",
            _ => "R448A",
        };
        return new(unitId, Site.PracticeId, "", Names[unit.Kind], unit.Kind, unit.Target, unit.Fans, "", practised.Place,
            new(circuitId, refrigerant, null, makeUp.Metering, makeUp.Condenser, makeUp.Parts, "") { Coils = unit.Coils });
    }
}
