namespace KeenEmber.Core.Plant;

/// <summary>What kind of part of a unit something is. A member keeps its name once an entry was written with it.</summary>
public enum ComponentKind
{
    /// <summary>Evaporator fan with its motor.</summary>
    EvaporatorFan,

    /// <summary>Switch that holds the fans back after a defrost.</summary>
    FanDelaySwitch,

    /// <summary>Evaporator coil.</summary>
    Coil,

    /// <summary>Defrost heater.</summary>
    HeaterElement,

    /// <summary>Thermal cut-out of the heaters.</summary>
    HeaterSafety,

    /// <summary>Defrost clock.</summary>
    DefrostClock,

    /// <summary>Relay or contactor that changes over to defrost.</summary>
    DefrostRelay,

    /// <summary>Switch that ends the heat.</summary>
    TerminationSwitch,

    /// <summary>Heater of the drain.</summary>
    DrainHeater,

    /// <summary>Sensor by which the box is held.</summary>
    BoxSensor,

    /// <summary>Sensor that ends the defrost.</summary>
    EndSensor,

    /// <summary>Any other sensor of a controller.</summary>
    OtherSensor,

    /// <summary>Thermostat or controller.</summary>
    Control,

    /// <summary>Display of the control.</summary>
    Display,

    /// <summary>Relay the control drives.</summary>
    ControlRelay,

    /// <summary>Low-pressure control.</summary>
    LowPressureControl,

    /// <summary>High-pressure control.</summary>
    HighPressureControl,

    /// <summary>Control that cycles the condenser fan.</summary>
    FanCyclingControl,

    /// <summary>Compressor.</summary>
    Compressor,

    /// <summary>Compressor contactor.</summary>
    Contactor,

    /// <summary>Start relay.</summary>
    StartRelay,

    /// <summary>Overload or motor protector.</summary>
    Overload,

    /// <summary>Run capacitor of the compressor.</summary>
    RunCapacitor,

    /// <summary>Start capacitor of the compressor.</summary>
    StartCapacitor,

    /// <summary>Condenser fan with its motor.</summary>
    CondenserFan,

    /// <summary>Run capacitor of the condenser fan.</summary>
    CondenserFanCapacitor,

    /// <summary>Thermostatic expansion valve.</summary>
    ExpansionValve,

    /// <summary>Electronic expansion valve.</summary>
    ElectronicValve,

    /// <summary>Capillary tube.</summary>
    CapillaryTube,

    /// <summary>Solenoid valve in the liquid line.</summary>
    LiquidSolenoid,

    /// <summary>Filter drier.</summary>
    Drier,

    /// <summary>Sight glass.</summary>
    SightGlass,

    /// <summary>Liquid receiver.</summary>
    Receiver,

    /// <summary>Valve that holds head in the cold.</summary>
    HeadPressureValve,

    /// <summary>Water-regulating valve.</summary>
    WaterValve,

    /// <summary>Evaporator pressure regulator.</summary>
    EvaporatorRegulator,

    /// <summary>Stop valve in the suction line.</summary>
    SuctionStop,

    /// <summary>Circuit breaker.</summary>
    Breaker,

    /// <summary>Fuse.</summary>
    Fuse,

    /// <summary>Wires and terminals.</summary>
    Wiring,

    /// <summary>Door with its hardware.</summary>
    Door,

    /// <summary>Door gasket.</summary>
    Gasket,

    /// <summary>Pump of the glycol.</summary>
    GlycolPump,
}

/// <summary>One part of a unit, told from its like by where it is.</summary>
/// <param name="Place">Which of several, counted from 1 as the technician counts them: from the left, or as their tags say.</param>
public sealed record Component(ComponentKind Kind, int Place = 1)
{
    /// <summary>"EvaporatorFan/2": the same for the same place on every visit.</summary>
    public string Id => $"{Kind}/{Place}";

    /// <summary>The component an id names.</summary>
    /// <returns>Null where it names none.</returns>
    public static Component? Find(string? id) => id?.Split('/') is [var kind, var place]
        && Enum.TryParse<ComponentKind>(kind, out var known) && Enum.IsDefined(known) && int.TryParse(place, out var number)
            && number is >= 1 and <= MostAlike
        ? new(known, number) : null;

    /// <summary>No unit has more of one kind.</summary>
    public const int MostAlike = 24;
}

/// <summary>The components a unit has by its make-up.</summary>
public static class Components
{
    /// <summary>In walking order: box and coil, control, condensing unit, circuit, supply.</summary>
    public static IReadOnlyList<Component> Of(Equipment unit) =>
        [.. Enum.GetValues<ComponentKind>()
            .SelectMany(kind => Enumerable.Range(1, HowMany(kind, unit)).Select(place => new Component(kind, place)))];

    /// <summary>A capillary unit has no valve, a rack case no compressor of its own, a chiller a pump and no fan.</summary>
    private static int HowMany(ComponentKind kind, Equipment unit)
    {
        var makeUp = unit.MakeUp;
        var hasMachine = makeUp.Condenser != CondenserKind.Rack;
        var isChiller = unit.Kind == EquipmentKind.GlycolChiller;
        var isFreezer = unit.Target.Celsius <= 0 && !isChiller;
        int If(bool there, int number = 1) => there ? number : 0;
        return kind switch
        {
            ComponentKind.EvaporatorFan => unit.EvaporatorFans,
            ComponentKind.Coil or ComponentKind.Control => makeUp.Coils,
            ComponentKind.ExpansionValve => If(makeUp.Metering == Metering.ThermostaticValve, makeUp.Coils),
            ComponentKind.ElectronicValve => If(makeUp.Metering == Metering.ElectronicValve, makeUp.Coils),
            ComponentKind.CapillaryTube => If(makeUp.Metering == Metering.CapillaryTube),
            ComponentKind.HeaterElement => If(isFreezer, UsualElements),
            ComponentKind.HeaterSafety or ComponentKind.TerminationSwitch or ComponentKind.DefrostRelay or ComponentKind.DrainHeater
                or ComponentKind.FanDelaySwitch => If(isFreezer),
            ComponentKind.BoxSensor => makeUp.Coils,
            ComponentKind.EndSensor => If(isFreezer, makeUp.Coils),
            ComponentKind.OtherSensor => 1,
            ComponentKind.DefrostClock => If(!isChiller),
            ComponentKind.Compressor or ComponentKind.Contactor or ComponentKind.StartRelay or ComponentKind.Overload
                or ComponentKind.RunCapacitor or ComponentKind.StartCapacitor => If(hasMachine),
            ComponentKind.LowPressureControl or ComponentKind.HighPressureControl =>
                If(hasMachine && makeUp.Metering != Metering.CapillaryTube),
            ComponentKind.CondenserFan or ComponentKind.CondenserFanCapacitor => If(makeUp.IsAirCooled),
            ComponentKind.FanCyclingControl => If(makeUp.Has(CircuitParts.FanCyclingControl)),
            ComponentKind.LiquidSolenoid => If(makeUp.Has(CircuitParts.LiquidSolenoid)),
            ComponentKind.SightGlass or ComponentKind.Receiver => If(makeUp.Has(CircuitParts.Receiver)),
            ComponentKind.HeadPressureValve => If(makeUp.Has(CircuitParts.HeadPressureValve)),
            ComponentKind.WaterValve => If(makeUp.Condenser == CondenserKind.WaterCooled),
            ComponentKind.EvaporatorRegulator => If(makeUp.Has(CircuitParts.EvaporatorPressureRegulator)),
            ComponentKind.SuctionStop => If(makeUp.Has(CircuitParts.SuctionStop)),
            ComponentKind.Door or ComponentKind.Gasket => If(unit.Kind is not (EquipmentKind.OpenCase or EquipmentKind.GlycolChiller)),
            ComponentKind.GlycolPump => If(isChiller),
            _ => 1,
        };
    }

    /// <summary>An electric defrost has three elements or a multiple of that; which one is out is told by its place.</summary>
    private const int UsualElements = 6;

    /// <summary>The part that a fact seen on the unit is about.</summary>
    /// <param name="index">Which of several; null for the first of its kind.</param>
    /// <returns>Null for a fact that is about no single part.</returns>
    public static Component? Of(AsFound fact, int? index) => fact switch
    {
        AsFound.EvaporatorFan => new(ComponentKind.EvaporatorFan, index ?? 1),
        AsFound.Coil => new(ComponentKind.Coil, index ?? 1),
        AsFound.Compressor or AsFound.CompressorShell => new(ComponentKind.Compressor),
        AsFound.CondenserFan => new(ComponentKind.CondenserFan),
        AsFound.LiquidSolenoid => new(ComponentKind.LiquidSolenoid),
        AsFound.SuctionStop => new(ComponentKind.SuctionStop),
        AsFound.ClockMotor => new(ComponentKind.DefrostClock),
        AsFound.LowPressureControl => new(ComponentKind.LowPressureControl),
        AsFound.Door => new(ComponentKind.Door),
        AsFound.Gasket => new(ComponentKind.Gasket),
        AsFound.Wiring => new(ComponentKind.Wiring),
        _ => null,
    };
}
