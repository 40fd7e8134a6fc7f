namespace KeenEmber.Core.Plant;

/// <summary>What is looked at before anything is touched: facts that decide whether circuit readings count, that say themselves how the
/// circuit is, or that the work may wipe out.</summary>
public enum AsFound
{
    /// <summary>Each evaporator fan.</summary>
    EvaporatorFan,

    /// <summary>Frost and ice on the coil.</summary>
    Coil,

    /// <summary>Where the thermometer for box air hangs.</summary>
    BoxThermometer,

    /// <summary>Whether the compressor runs.</summary>
    Compressor,

    /// <summary>Whether it is in its defrost.</summary>
    Defrost,

    /// <summary>The condenser fan.</summary>
    CondenserFan,

    /// <summary>Dirt on the condenser.</summary>
    CondenserFace,

    /// <summary>The solenoid valve in the liquid line.</summary>
    LiquidSolenoid,

    /// <summary>The stop valve in the suction line.</summary>
    SuctionStop,

    /// <summary>What can be seen and felt of the circuit without gauges.</summary>
    SightGlass,

    /// <summary>Ice on the expansion valve.</summary>
    ValveBody,

    /// <summary>Frost on the suction line.</summary>
    SuctionLineFrost,

    /// <summary>How warm the compressor's shell is.</summary>
    CompressorShell,

    /// <summary>Whether the low-pressure control chatters.</summary>
    LowPressureControl,

    /// <summary>Around the box.</summary>
    Door,

    /// <summary>The door gasket.</summary>
    Gasket,

    /// <summary>The way of the air back to the coil.</summary>
    Return,

    /// <summary>The drain of the melt water.</summary>
    Drain,

    /// <summary>Condensation where none should be.</summary>
    Condensation,

    /// <summary>Insulation of lines and box.</summary>
    Insulation,

    /// <summary>What the control shows and does.</summary>
    ControllerMode,

    /// <summary>An alarm on the control.</summary>
    Alarm,

    /// <summary>The motor of the defrost clock.</summary>
    ClockMotor,

    /// <summary>Water in the control.</summary>
    ControlMoisture,

    /// <summary>Power and wiring as they are found.</summary>
    Supply,

    /// <summary>Wires, by eye.</summary>
    Wiring,

    /// <summary>Terminals bridged by somebody.</summary>
    Jumpers,

    /// <summary>What eyes, ears and nose tell of the machine.</summary>
    OilTraces,

    /// <summary>What is heard.</summary>
    Noise,

    /// <summary>What is smelt.</summary>
    Smell,
}

/// <summary>Which part of the walk-round a fact belongs to.</summary>
public enum FactGroup
{
    /// <summary>Air over the coil, and ice on it.</summary>
    AirAndIce,

    /// <summary>The circuit, by eye and hand.</summary>
    WithoutGauges,

    /// <summary>Around the box.</summary>
    Box,

    /// <summary>At the control.</summary>
    Control,

    /// <summary>Power and wiring.</summary>
    Power,

    /// <summary>Eyes, ears and nose.</summary>
    Senses,
}

/// <summary>What a fact can be. Which states a fact has: <see cref="AsFoundStates.States"/>.</summary>
public enum FactState
{
    /// <summary>It runs.</summary>
    Running,

    /// <summary>It stands.</summary>
    Stopped,

    /// <summary>It goes on and off.</summary>
    Cycling,

    /// <summary>Nothing on it or in its way.</summary>
    Clear,

    /// <summary>Frost on it.</summary>
    Frosted,

    /// <summary>Ice on it.</summary>
    Iced,

    /// <summary>No dirt.</summary>
    Clean,

    /// <summary>Dirt.</summary>
    Dirty,

    /// <summary>Not in defrost.</summary>
    Refrigerating,

    /// <summary>In defrost.</summary>
    Defrosting,

    /// <summary>In the air that goes back to the coil.</summary>
    InReturnAir,

    /// <summary>Near the door.</summary>
    AtDoor,

    /// <summary>In the sun, or near a lamp.</summary>
    InSun,

    /// <summary>In the air off the coil.</summary>
    InDischargeAir,

    /// <summary>Open.</summary>
    Open,

    /// <summary>Closed.</summary>
    Closed,

    /// <summary>Full of liquid.</summary>
    Full,

    /// <summary>With bubbles.</summary>
    Bubbles,

    /// <summary>Without frost.</summary>
    Bare,

    /// <summary>In a ball of ice.</summary>
    IceBall,

    /// <summary>Frosted back to the compressor.</summary>
    FrostedBack,

    /// <summary>Warm.</summary>
    Warm,

    /// <summary>Too hot to hold.</summary>
    Hot,

    /// <summary>Cold.</summary>
    Cold,

    /// <summary>Steady.</summary>
    Steady,

    /// <summary>Opens and closes again and again.</summary>
    Chattering,

    /// <summary>Shut and tight.</summary>
    Shut,

    /// <summary>Left open a little.</summary>
    Ajar,

    /// <summary>Does not close.</summary>
    NotClosing,

    /// <summary>Whole.</summary>
    Sound,

    /// <summary>Torn.</summary>
    Torn,

    /// <summary>Blocked.</summary>
    Blocked,

    /// <summary>Dry.</summary>
    Dry,

    /// <summary>Wet.</summary>
    Wet,

    /// <summary>Whole.</summary>
    Whole,

    /// <summary>Missing or torn off.</summary>
    Missing,

    /// <summary>As usual.</summary>
    Normal,

    /// <summary>Off.</summary>
    Off,

    /// <summary>In alarm.</summary>
    AlarmMode,

    /// <summary>None there.</summary>
    None,

    /// <summary>Shown.</summary>
    Shown,

    /// <summary>With a dried crust.</summary>
    Scaled,

    /// <summary>On.</summary>
    SwitchedOn,

    /// <summary>Off by hand.</summary>
    SwitchedOff,

    /// <summary>Tripped, or its fuse blown.</summary>
    Tripped,

    /// <summary>Chafed through the insulation.</summary>
    Rubbed,

    /// <summary>Burnt.</summary>
    Burnt,

    /// <summary>Found.</summary>
    Found,

    /// <summary>Not as usual.</summary>
    Unusual,

    /// <summary>Burning.</summary>
    Burning,

    /// <summary>Refrigerant or CO2.</summary>
    Gas,
}
