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

/// <summary>Which states a fact has, and what they exclude.</summary>
public static class AsFoundStates
{
    /// <summary>The states a fact can have, the desired one first.</summary>
    public static IReadOnlyList<FactState> States(this AsFound fact) => fact switch
    {
        AsFound.Coil => [FactState.Clear, FactState.Frosted, FactState.Iced],
        AsFound.CondenserFan => [FactState.Running, FactState.Cycling, FactState.Stopped],
        AsFound.Defrost => [FactState.Refrigerating, FactState.Defrosting],
        AsFound.CondenserFace => [FactState.Clean, FactState.Dirty],
        AsFound.BoxThermometer => [FactState.InReturnAir, FactState.AtDoor, FactState.InSun, FactState.InDischargeAir],
        AsFound.LiquidSolenoid or AsFound.SuctionStop => [FactState.Open, FactState.Closed],
        AsFound.SightGlass => [FactState.Full, FactState.Bubbles],
        AsFound.ValveBody => [FactState.Bare, FactState.IceBall],
        AsFound.SuctionLineFrost => [FactState.Bare, FactState.FrostedBack],
        AsFound.CompressorShell => [FactState.Warm, FactState.Hot, FactState.Cold],
        AsFound.LowPressureControl => [FactState.Steady, FactState.Chattering],
        AsFound.Door => [FactState.Shut, FactState.Ajar, FactState.NotClosing],
        AsFound.Gasket => [FactState.Sound, FactState.Torn, FactState.Iced],
        AsFound.Return or AsFound.Drain => [FactState.Clear, FactState.Blocked, FactState.Iced],
        AsFound.Condensation => [FactState.Dry, FactState.Wet],
        AsFound.Insulation => [FactState.Whole, FactState.Missing],
        AsFound.ControllerMode => [FactState.Normal, FactState.Defrosting, FactState.Off, FactState.AlarmMode],
        AsFound.Alarm => [FactState.None, FactState.Shown],
        AsFound.ControlMoisture => [FactState.Dry, FactState.Wet, FactState.Scaled],
        AsFound.Supply => [FactState.SwitchedOn, FactState.SwitchedOff, FactState.Tripped],
        AsFound.Wiring => [FactState.Sound, FactState.Rubbed, FactState.Burnt],
        AsFound.Jumpers or AsFound.OilTraces => [FactState.None, FactState.Found],
        AsFound.Noise => [FactState.Normal, FactState.Unusual],
        AsFound.Smell => [FactState.None, FactState.Burning, FactState.Gas],
        _ => [FactState.Running, FactState.Stopped],
    };

    /// <summary>The part of the walk-round a fact is looked at in.</summary>
    public static FactGroup Group(this AsFound fact) => fact switch
    {
        < AsFound.SightGlass => FactGroup.AirAndIce,
        < AsFound.Door => FactGroup.WithoutGauges,
        < AsFound.ControllerMode => FactGroup.Box,
        < AsFound.Supply => FactGroup.Control,
        < AsFound.OilTraces => FactGroup.Power,
        _ => FactGroup.Senses,
    };

    /// <summary>What a thing is when it is not so; null where that leaves open what it is.</summary>
    public static FactState? Opposite(this AsFound fact, FactState state)
    {
        FactState? other = state switch
        {
            FactState.Running => FactState.Stopped,
            FactState.Stopped => FactState.Running,
            FactState.Defrosting => FactState.Refrigerating,
            FactState.Refrigerating => FactState.Defrosting,
            FactState.Shut when fact == AsFound.Door => FactState.NotClosing,
            FactState.Open => FactState.Closed,
            FactState.Closed => FactState.Open,
            FactState.Dirty => FactState.Clean,
            FactState.Clean => FactState.Dirty,
            FactState.Wet => FactState.Dry,
            FactState.Dry => FactState.Wet,
            FactState.Tripped => FactState.SwitchedOn,
            FactState.Found => FactState.None,
            FactState.Shown => FactState.None,
            FactState.Blocked => FactState.Clear,
            FactState.Torn => FactState.Sound,
            _ => null,
        };
        return other is { } fits && fact.States().Contains(fits) ? fits : null;
    }
}
