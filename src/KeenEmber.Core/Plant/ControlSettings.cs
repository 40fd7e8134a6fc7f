using KeenEmber.Core.Quantities;

namespace KeenEmber.Core.Plant;

/// <summary>Whether a setting is how it was found or how it was left.</summary>
public enum SettingStage
{
    /// <summary>As it stood before anybody turned it.</summary>
    AsFound,

    /// <summary>As it was left.</summary>
    AsSet,
}

/// <summary>A controller's parameters in general terms, in the order in which a sheet lists them.</summary>
public enum ControllerParameter
{
    /// <summary>Where it cuts out.</summary>
    SetPoint,

    /// <summary>From cut-out to cut-in.</summary>
    Differential,

    /// <summary>Added to what its sensor reads.</summary>
    Offset,

    /// <summary>From one defrost to the next.</summary>
    DefrostInterval,

    /// <summary>The longest a defrost may last.</summary>
    DefrostLength,

    /// <summary>Coil temperature that ends a defrost.</summary>
    DefrostEnd,

    /// <summary>From the end of the heat to refrigeration.</summary>
    Drip,

    /// <summary>Coil temperature below which the fans come back.</summary>
    FanDelay,

    /// <summary>Box temperature above which it alarms.</summary>
    AlarmHigh,

    /// <summary>Box temperature below which it alarms.</summary>
    AlarmLow,
}

/// <summary>What the parameters of a controller measure.</summary>
public static class ControllerParameterKinds
{
    /// <summary>The kind of quantity a parameter is.</summary>
    public static QuantityKind Measures(this ControllerParameter parameter) => parameter switch
    {
        ControllerParameter.Differential or ControllerParameter.Offset => QuantityKind.Difference,
        ControllerParameter.DefrostInterval or ControllerParameter.DefrostLength or ControllerParameter.Drip => QuantityKind.Duration,
        _ => QuantityKind.Temperature,
    };
}

/// <summary>What a controller switches.</summary>
public enum ControlOutput
{
    /// <summary>The compressor, or its contactor.</summary>
    Compressor,

    /// <summary>The valve in the liquid line.</summary>
    LiquidValve,

    /// <summary>Heaters or hot gas.</summary>
    Defrost,

    /// <summary>The evaporator fans.</summary>
    Fans,

    /// <summary>The alarm contact.</summary>
    Alarm,
}

/// <summary>One look at a relay.</summary>
/// <param name="IsCalled">The controller's mark or lamp says it should be closed.</param>
/// <param name="IsLive">Voltage at its load terminal; null when not measured.</param>
/// <param name="Runs">The load works; null when not seen.</param>
public sealed record OutputState(bool IsCalled, bool? IsLive, bool? Runs);
