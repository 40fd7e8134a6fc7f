using KeenEmber.Core.Quantities;
using KeenEmber.Core.Refrigerants;

namespace KeenEmber.Core.Plant;

/// <summary>Settings that are made as pressures and thought of as temperatures.</summary>
public enum PressureSetting
{
    /// <summary>Low-pressure cut-in.</summary>
    LowCutIn,

    /// <summary>Low-pressure cut-out.</summary>
    LowCutOut,

    /// <summary>Condenser fan on.</summary>
    FanOn,

    /// <summary>Condenser fan off.</summary>
    FanOff,

    /// <summary>High-pressure cut-out.</summary>
    HighCutOut,

    /// <summary>Where the water valve opens.</summary>
    WaterValveOpening,

    /// <summary>What the evaporator pressure regulator holds.</summary>
    EvaporatorRegulator,
}

/// <summary>What can be set on pressure controls.</summary>
public static class PressureSettings
{
    /// <summary>The settings that a unit of this make-up has.</summary>
    public static IReadOnlyList<PressureSetting> Of(CircuitMakeUp makeUp) =>
        [.. Enum.GetValues<PressureSetting>().Where(setting => setting switch
    {
        PressureSetting.LowCutIn or PressureSetting.LowCutOut =>
            makeUp.Condenser is CondenserKind.AirCooledRemote or CondenserKind.WaterCooled || makeUp.Has(CircuitParts.LiquidSolenoid),
        PressureSetting.FanOn or PressureSetting.FanOff => makeUp.Has(CircuitParts.FanCyclingControl),
        PressureSetting.HighCutOut => makeUp.Condenser != CondenserKind.Rack,
        PressureSetting.WaterValveOpening => makeUp.Condenser == CondenserKind.WaterCooled,
        _ => makeUp.Has(CircuitParts.EvaporatorPressureRegulator),
    })];

    /// <summary>It is of the high side.</summary>
    public static bool IsHighSide(this PressureSetting setting) =>
        setting is PressureSetting.FanOn or PressureSetting.FanOff or PressureSetting.HighCutOut or PressureSetting.WaterValveOpening;

    /// <summary>
    /// The saturation temperature a setting stands for: dew for the low side, where vapour is what the control feels; mid-point for the
    /// high side, as for condensing.
    /// </summary>
    /// <returns>Null outside the refrigerant's range.</returns>
    public static Temperature? AsTemperature(this PressureSetting setting, Refrigerant refrigerant, Pressure pressure) =>
        setting.IsHighSide() ? refrigerant.MidpointTemperature(pressure) : refrigerant.DewTemperature(pressure);

    /// <summary>The pressure at which a refrigerant stands at this temperature, read the same way.</summary>
    /// <returns>Absolute; null outside the refrigerant's range.</returns>
    public static Pressure? AsPressure(this PressureSetting setting, Refrigerant refrigerant, Temperature temperature)
    {
        if (!setting.IsHighSide())
            return refrigerant.DewPressure(temperature);
        if (refrigerant.DewPressure(temperature) is not { } dew || refrigerant.BubblePressure(temperature) is not { } bubble)
            return null;
        var (low, high) = (dew.Kpa, bubble.Kpa);
        // The mid-point rises with pressure, and its own temperature lies between the two lines: halving finds it.
        for (var step = 0; step < 60; step++)
        {
            var middle = (low + high) / 2;
            if (refrigerant.MidpointTemperature(new(middle)) is not { } mid)
                return null;
            (low, high) = mid < temperature ? (middle, high) : (low, middle);
        }

        return new((low + high) / 2);
    }

    /// <summary>Every setting carried over to another refrigerant at the same temperature: what a conversion must set.</summary>
    public static IReadOnlyDictionary<PressureSetting, Pressure?> Converted(
        IReadOnlyDictionary<PressureSetting, Pressure> settings, Refrigerant from, Refrigerant to) =>
        settings.ToDictionary(s => s.Key, s => s.Key.AsTemperature(from, s.Value) is { } t ? s.Key.AsPressure(to, t) : null);
}
