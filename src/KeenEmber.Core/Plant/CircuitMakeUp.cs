using static KeenEmber.Core.Plant.MeasuringPoint;

namespace KeenEmber.Core.Plant;

/// <summary>Parts a circuit may have beside its compressor, condenser, metering device and coil.</summary>
[Flags]
public enum CircuitParts
{
    /// <summary>None of them.</summary>
    None = 0,

    /// <summary>A liquid receiver.</summary>
    Receiver = 1,

    /// <summary>Closes the liquid line, so that the compressor pumps down and stops on its low-pressure control.</summary>
    LiquidSolenoid = 2,

    /// <summary>Stops the condenser fan when head falls.</summary>
    FanCyclingControl = 4,

    /// <summary>Floods the condenser to hold head up in the cold.</summary>
    HeadPressureValve = 8,

    /// <summary>A regulator that holds the evaporator's pressure.</summary>
    EvaporatorPressureRegulator = 16,

    /// <summary>A stop valve in the suction line.</summary>
    SuctionStop = 32,
}

/// <summary>What a circuit consists of, as far as measuring and judging it depends on it.</summary>
/// <param name="Coils">1, or 2 for a case with two sides and a table with rail and base.</param>
/// <param name="RatedCurrentA">Compressor current on the plate, A; null when unknown.</param>
public sealed record CircuitMakeUp(
    EquipmentKind Kind, Metering Metering, CondenserKind Condenser, CircuitParts Parts, int Coils = 1, double? RatedCurrentA = null)
{
    /// <summary>As most units of a kind are made, until their nameplate says otherwise; trade practice: what comes in one piece has a
    /// capillary tube and no receiver, what has its machine elsewhere a valve and a receiver.</summary>
    public static CircuitMakeUp UsualOf(EquipmentKind kind) => kind switch
    {
        EquipmentKind.ReachInCooler or EquipmentKind.ReachInFreezer or EquipmentKind.PrepTable or EquipmentKind.IceMerchandiser
            or EquipmentKind.BottleCooler => new(kind, Metering.CapillaryTube, CondenserKind.AirCooledSelfContained, CircuitParts.None),
        EquipmentKind.GlycolChiller =>
            new(kind, Metering.ThermostaticValve, CondenserKind.AirCooledSelfContained, CircuitParts.Receiver),
        _ => new(kind, Metering.ThermostaticValve, CondenserKind.AirCooledRemote, CircuitParts.Receiver),
    };

    /// <summary>It has all of these parts.</summary>
    public bool Has(CircuitParts part) => (Parts & part) != 0;

    /// <summary>Its own condenser stands in air.</summary>
    public bool IsAirCooled => Condenser is CondenserKind.AirCooledRemote or CondenserKind.AirCooledSelfContained;

    /// <summary>The places to measure at, in walking order. A case on a rack ends at its own pipes: the rack's machines are
    /// elsewhere.</summary>
    public IReadOnlyList<PointRef> Points => [.. MeasuringPoints.InWalkingOrder.Where(Exists)];

    /// <summary>The facts to look at, the ones on air and ice first.</summary>
    public IReadOnlyList<AsFound> Facts => [.. Enum.GetValues<AsFound>().Where(Exists)];

    private bool Exists(PointRef point) => point.Coil <= Coils && point.Point switch
    {
        SuctionLineCompressor or DischargeLine or CondenserAir => Condenser != CondenserKind.Rack,
        CompressorCurrent => RatedCurrentA is not null && Condenser != CondenserKind.Rack,
        HeadCycleLow or HeadCycleHigh => IsAirCooled,
        WaterIn => Condenser == CondenserKind.WaterCooled,
        BoxDisplay or Product => false,
        _ => true,
    };

    private bool Exists(AsFound fact) => fact switch
    {
        AsFound.Compressor or AsFound.CompressorShell => Condenser != CondenserKind.Rack,
        AsFound.CondenserFan or AsFound.CondenserFace => IsAirCooled,
        AsFound.LiquidSolenoid => Has(CircuitParts.LiquidSolenoid),
        AsFound.SuctionStop => Has(CircuitParts.SuctionStop),
        AsFound.SightGlass => Has(CircuitParts.Receiver),
        AsFound.Drain => Kind is not (EquipmentKind.GlycolChiller or EquipmentKind.IceMerchandiser),
        AsFound.Return => Kind != EquipmentKind.GlycolChiller,
        AsFound.ClockMotor =>
            Kind is EquipmentKind.WalkInFreezer or EquipmentKind.DriveInFreezer or EquipmentKind.ReachInFreezer
                or EquipmentKind.WalkInCooler,
        AsFound.Door or AsFound.Gasket => Kind is not (EquipmentKind.OpenCase or EquipmentKind.GlycolChiller),
        AsFound.LowPressureControl => Condenser is CondenserKind.AirCooledRemote or CondenserKind.WaterCooled,
        _ => true,
    };
}
