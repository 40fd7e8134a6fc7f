namespace KeenEmber.Core.Plant;

/// <summary>What a unit is, which decides what it has and what is usual on it.</summary>
public enum EquipmentKind
{
    WalkInCooler, WalkInFreezer, DriveInFreezer, ReachInCooler, ReachInFreezer, PrepTable,
    OpenCase, GlassDoorCase, IceMerchandiser, BottleCooler, GlycolChiller,
}

/// <summary>What lets refrigerant into the coil.</summary>
public enum Metering { ThermostaticValve, ElectronicValve, CapillaryTube }

/// <summary>What takes the heat away, and where it stands.</summary>
public enum CondenserKind { AirCooledRemote, AirCooledSelfContained, WaterCooled, Rack }
