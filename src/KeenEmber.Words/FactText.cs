using KeenEmber.Core.Plant;

namespace KeenEmber.Words;

/// <summary>Names of what is looked at on the walk-round, and of how it can be.</summary>
public static class FactText
{
    /// <summary>A part that has run or stood for longer is told otherwise, min.</summary>
    public const double LongestMinutes = 100_000;

    /// <summary>The field of a form that says for how many minutes a part has run or stood.</summary>
    public static string TimeField(AsFound fact) => $"time-{fact}";

    /// <summary>What a fact is called where there may be several: "evaporator fan 2", "base coil".</summary>
    public static string Of(AsFound fact, int? index, CircuitMakeUp makeUp) => index switch
    {
        null => Name(fact),
        { } coil when fact == AsFound.Coil && makeUp.Coils > 1 => $"{EquipmentText.Coil(makeUp.Kind, coil)} coil",
        _ => $"{Name(fact)} {index}",
    };

    /// <summary>The general name.</summary>
    public static string Name(AsFound fact) => fact switch
    {
        AsFound.EvaporatorFan => "evaporator fan",
        AsFound.Coil => "coil",
        AsFound.Compressor => "compressor",
        AsFound.Defrost => "defrost",
        AsFound.CondenserFan => "condenser fan",
        AsFound.BoxThermometer => "box thermometer",
        AsFound.LiquidSolenoid => "liquid solenoid",
        AsFound.SuctionStop => "suction stop",
        AsFound.SightGlass => "sight glass",
        AsFound.ValveBody => "metering device",
        AsFound.SuctionLineFrost => "suction line",
        AsFound.CompressorShell => "compressor shell",
        AsFound.LowPressureControl => "low-pressure control",
        AsFound.Door => "door",
        AsFound.Gasket => "gasket",
        AsFound.Return => "return air path",
        AsFound.Drain => "drain",
        AsFound.Condensation => "condensation outside",
        AsFound.Insulation => "insulation",
        AsFound.ControllerMode => "controller mode",
        AsFound.Alarm => "alarm",
        AsFound.ClockMotor => "defrost clock",
        AsFound.ControlMoisture => "water on controls",
        AsFound.Supply => "breakers, fuses, switches",
        AsFound.Wiring => "wiring",
        AsFound.Jumpers => "jumpers left by others",
        AsFound.OilTraces => "oil traces",
        AsFound.Noise => "noise",
        AsFound.Smell => "smell",
        _ => "condenser face",
    };

    public static string Name(FactState state) => state switch
    {
        FactState.Running => "running",
        FactState.Stopped => "stopped",
        FactState.Cycling => "cycling",
        FactState.Clear => "clear",
        FactState.Frosted => "light frost",
        FactState.Iced => "iced",
        FactState.Clean => "clean",
        FactState.Refrigerating => "off, refrigerating",
        FactState.Defrosting => "under way",
        FactState.InReturnAir => "in the return air",
        FactState.AtDoor => "at the door",
        FactState.InSun => "in sun or lamp",
        FactState.InDischargeAir => "in the discharge air",
        FactState.Open => "open",
        FactState.Closed => "closed",
        FactState.Full => "full",
        FactState.Bubbles => "bubbles",
        FactState.Bare => "bare",
        FactState.IceBall => "ball of ice",
        FactState.FrostedBack => "frosted back to the compressor",
        FactState.Warm => "warm",
        FactState.Hot => "hot",
        FactState.Cold => "cold",
        FactState.Steady => "steady",
        FactState.Chattering => "chattering",
        FactState.Shut => "shut",
        FactState.Ajar => "ajar",
        FactState.NotClosing => "does not close",
        FactState.Sound => "sound",
        FactState.Torn => "torn",
        FactState.Blocked => "blocked",
        FactState.Dry => "dry",
        FactState.Wet => "wet",
        FactState.Whole => "whole",
        FactState.Missing => "missing",
        FactState.Normal => "normal",
        FactState.Off => "off",
        FactState.AlarmMode => "in alarm",
        FactState.None => "none",
        FactState.Shown => "shown",
        FactState.Scaled => "scale marks",
        FactState.SwitchedOn => "on, not tripped",
        FactState.SwitchedOff => "off",
        FactState.Tripped => "tripped or blown",
        FactState.Rubbed => "chafed",
        FactState.Burnt => "burnt",
        FactState.Found => "found",
        FactState.Unusual => "unusual",
        FactState.Burning => "burnt",
        FactState.Gas => "gas",
        _ => "dirty",
    };
}
