namespace KeenEmber.Core.Plant;

/// <summary>What a unit is, which decides what it has and what is usual on it.</summary>
public enum EquipmentKind
{
    /// <summary>Walk-in cooler.</summary>
    WalkInCooler,

    /// <summary>Walk-in freezer.</summary>
    WalkInFreezer,

    /// <summary>Freezer that is driven into.</summary>
    DriveInFreezer,

    /// <summary>Reach-in cooler.</summary>
    ReachInCooler,

    /// <summary>Reach-in freezer.</summary>
    ReachInFreezer,

    /// <summary>Preparation table with rail and base.</summary>
    PrepTable,

    /// <summary>Open display case.</summary>
    OpenCase,

    /// <summary>Display case with glass doors.</summary>
    GlassDoorCase,

    /// <summary>Box for bagged ice.</summary>
    IceMerchandiser,

    /// <summary>Bottle cooler.</summary>
    BottleCooler,

    /// <summary>Glycol chiller.</summary>
    GlycolChiller,
}

/// <summary>What lets refrigerant into the coil.</summary>
public enum Metering
{
    /// <summary>Thermostatic expansion valve.</summary>
    ThermostaticValve,

    /// <summary>Electronic expansion valve.</summary>
    ElectronicValve,

    /// <summary>Capillary tube.</summary>
    CapillaryTube,
}

/// <summary>What takes the heat away, and where it stands.</summary>
public enum CondenserKind
{
    /// <summary>In air, away from the box.</summary>
    AirCooledRemote,

    /// <summary>In air, in one piece with the box.</summary>
    AirCooledSelfContained,

    /// <summary>In water.</summary>
    WaterCooled,

    /// <summary>Of a rack that serves many cases.</summary>
    Rack,
}
