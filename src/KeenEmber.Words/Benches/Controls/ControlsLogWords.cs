using KeenEmber.Core.Plant;
using KeenEmber.Core.Visits.LogLine;

namespace KeenEmber.Words.Benches.Controls;

/// <summary>What technicians call the settings of a control.</summary>
public static class ControlsLogWords
{
    /// <summary>Settings by the words that technicians use for them.</summary>
    internal static Dictionary<string, NamedSetting> Settings { get; } = QuickVocabulary.Table(
        (Of(ControllerParameter.SetPoint), "set point, setpoint, set temp, set temperature, temp setting, "
            + "thermostat setting, control setting, thermostat, tstat, t-stat, controller"),
        (Of(ControllerParameter.Differential), "differential, diff, deadband, dead band, control differential"),
        (Of(ControllerParameter.Offset), "offset, probe offset, sensor offset"),
        (Of(ControllerParameter.DefrostInterval), "defrost interval, defrost every, time between defrosts"),
        (Of(ControllerParameter.DefrostLength), "defrost length, defrost time, defrost duration, max defrost, max defrost time, "
            + "maximum defrost time, fail-safe, failsafe, fail safe, defrost fail-safe"),
        (Of(ControllerParameter.DefrostEnd), "defrost end, defrost end temp, termination, termination temp, term temp, "
            + "defrost termination, defrost termination temp"),
        (Of(ControllerParameter.Drip), "drip, drip time, drip down"),
        (Of(ControllerParameter.FanDelay), "fan delay, fan delay temp"),
        (Of(ControllerParameter.AlarmHigh), "high alarm, alarm high, high temp alarm"),
        (Of(ControllerParameter.AlarmLow), "low alarm, alarm low, low temp alarm"),
        (Of(PressureSetting.LowCutIn), "cut-in, cut in, cutin, lp cut-in, lp cut in, lpc cut-in, lpc cut in, low pressure cut-in, "
            + "low pressure cut in"),
        (Of(PressureSetting.LowCutOut), "cut-out, cut out, cutout, lp cut-out, lp cut out, lpc cut-out, lpc cut out, "
            + "low pressure cut-out, low pressure cut out"),
        (Of(PressureSetting.HighCutOut), "hp cut-out, hp cut out, hpc cut-out, hpc cut out, high pressure cut-out, high pressure cut out"),
        (Of(PressureSetting.FanOn), "fan cycling on, fan cycling cut-in, fan cycling cut in, fan cycle cut in"),
        (Of(PressureSetting.FanOff), "fan cycling off, fan cycling cut-out, fan cycling cut out, fan cycle cut out"),
        (Of(PressureSetting.EvaporatorRegulator), "epr, epr setting, epr valve"),
        (Of(PressureSetting.WaterValveOpening), "water valve, water valve setting, water regulating valve"));

    private static NamedSetting Of(ControllerParameter parameter) => new(parameter, null);

    private static NamedSetting Of(PressureSetting setting) => new(null, setting);
}
