using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Circuit;

/// <summary>What is looked at before anything is touched: facts that decide whether circuit readings count, that say themselves how the circuit is, or that the work may wipe out.</summary>
public enum AsFound
{
    EvaporatorFan, Coil, BoxThermometer, Compressor, Defrost, CondenserFan, CondenserFace, LiquidSolenoid, SuctionStop,

    /// <summary>What can be seen and felt of the circuit without gauges.</summary>
    SightGlass, ValveBody, SuctionLineFrost, CompressorShell, LowPressureControl,

    /// <summary>Around the box.</summary>
    Door, Gasket, Return, Drain, Condensation, Insulation,

    /// <summary>What the control shows and does.</summary>
    ControllerMode, Alarm, ClockMotor, ControlMoisture,

    /// <summary>Power and wiring as they are found.</summary>
    Supply, Wiring, Jumpers,

    /// <summary>What eyes, ears and nose tell of the machine.</summary>
    OilTraces, Noise, Smell,
}

/// <summary>Which part of the walk-round a fact belongs to.</summary>
public enum FactGroup { AirAndIce, WithoutGauges, Box, Control, Power, Senses }

public enum FactState
{
    Running, Stopped, Cycling, Clear, Frosted, Iced, Clean, Dirty, Refrigerating, Defrosting,
    InReturnAir, AtDoor, InSun, InDischargeAir,
    Open, Closed, Full, Bubbles, Bare, IceBall, FrostedBack, Warm, Hot, Cold, Steady, Chattering,
    Shut, Ajar, NotClosing, Sound, Torn, Blocked, Dry, Wet, Whole, Missing, Normal, Off, AlarmMode, None, Shown, Scaled,
    SwitchedOn, SwitchedOff, Tripped, Rubbed, Burnt, Found, Unusual, Burning, Gas,
}

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

    public static FactGroup Group(this AsFound fact) => fact switch
    {
        < AsFound.SightGlass => FactGroup.AirAndIce,
        < AsFound.Door => FactGroup.WithoutGauges,
        < AsFound.ControllerMode => FactGroup.Box,
        < AsFound.Supply => FactGroup.Control,
        < AsFound.OilTraces => FactGroup.Power,
        _ => FactGroup.Senses,
    };
}

/// <summary>How the unit stood at the moment of one reading. Null means nobody has recorded it.</summary>
/// <param name="EvaporatorFans">One state per fan in order.</param>
/// <param name="RunTime">How long the compressor had been running.</param>
/// <param name="BoxAboveTarget">Box air less target.</param>
/// <param name="BoxTarget">What the box is meant to hold.</param>
public sealed record OperatingConditions(
    IReadOnlyList<FactState?> EvaporatorFans,
    FactState? Coil,
    FactState? Compressor,
    TimeSpan? RunTime,
    FactState? CondenserFan,
    FactState? CondenserFace,
    TemperatureDifference? BoxAboveTarget,
    Temperature BoxTarget)
{
    public FactState? Defrost { get; init; }

    /// <summary>How long ago the last defrost ended, where that was noted.</summary>
    public TimeSpan? SinceDefrost { get; init; }

    /// <summary>Air entering the condenser.</summary>
    public Temperature? CondenserAir { get; init; }

    /// <summary>The facts without a property of their own that were looked at.</summary>
    public IReadOnlyDictionary<AsFound, FactState> Seen { get; init; } = new Dictionary<AsFound, FactState>();

    /// <summary>A valve is shut, so the coil is being pumped down.</summary>
    public bool IsPumpedDown => StateOf(AsFound.LiquidSolenoid) == FactState.Closed || StateOf(AsFound.SuctionStop) == FactState.Closed;

    /// <summary>The state of a fact there is one of; null when nobody has recorded it. The fans have a state each and none together.</summary>
    public FactState? StateOf(AsFound fact) => fact switch
    {
        AsFound.EvaporatorFan => null,
        AsFound.Coil => Coil,
        AsFound.Compressor => Compressor,
        AsFound.Defrost => Defrost,
        AsFound.CondenserFan => CondenserFan,
        AsFound.CondenserFace => CondenserFace,
        _ => Seen.TryGetValue(fact, out var seen) ? seen : null,
    };

    /// <summary>What the box thermometer shows is not the air that enters the coil.</summary>
    public bool IsBoxMisread => StateOf(AsFound.BoxThermometer) is FactState.AtDoor or FactState.InSun or FactState.InDischargeAir;

    public bool AnyFanStopped => EvaporatorFans.Contains(FactState.Stopped);

    public bool AnyFanUnrecorded => EvaporatorFans.Contains(null);
}

/// <summary>A value at a point with everything needed to judge it.</summary>
/// <param name="Atmosphere">Of the site, to make a gauge pressure absolute.</param>
/// <param name="Conditions">At the moment of the reading, not now.</param>
public sealed record TakenReading(
    Guid EntryId, MeasuringPoint Point, DateTimeOffset At, TypedValue Typed, Pressure Atmosphere, OperatingConditions Conditions)
{
    /// <summary>What it was taken with, where that was named.</summary>
    public Meter? Meter { get; init; }

    /// <summary>Kelvin, or kilopascal absolute.</summary>
    public double Si => Typed.Si(Atmosphere);

    public Temperature Temperature => new(Si);

    public Pressure Pressure => new(Si);
}
