namespace KeenEmber.Core.Plant;

/// <summary>Which states a fact has, and what they exclude.</summary>
public static class AsFoundStates
{
    /// <summary>The states a fact can have, the desired one first.</summary>
    public static IReadOnlyList<FactState> States(this AsFound fact) => fact switch
    {
        AsFound.Coil => [FactState.Clear, FactState.Frosted, FactState.Iced],
        AsFound.CondenserFan => [FactState.Running, FactState.Cycling, FactState.Stopped],
        AsFound.Defrost => [FactState.Refrigerating, FactState.Defrosting],
        AsFound.CondenserFace => [FactState.Clean, FactState.Dirty, FactState.Blocked],
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
            FactState.Blocked => fact == AsFound.CondenserFace ? FactState.Clean : FactState.Clear,
            FactState.Torn => FactState.Sound,
            _ => null,
        };
        return other is { } fits && fact.States().Contains(fits) ? fits : null;
    }
}
