using KeenEmber.Core.Benches.Controls;
using KeenEmber.Core.Findings;
using KeenEmber.Core.Plant;
using KeenEmber.Words.Benches.Circuit;

namespace KeenEmber.Words.Benches.Controls;

/// <summary>Names of pressure settings, and what the checks on them say.</summary>
public static class ControlsText
{
    public static string Name(PressureSetting setting) => setting switch
    {
        PressureSetting.LowCutIn => "low-pressure cut-in",
        PressureSetting.LowCutOut => "low-pressure cut-out",
        PressureSetting.FanOn => "condenser fan on",
        PressureSetting.FanOff => "condenser fan off",
        PressureSetting.HighCutOut => "high-pressure cut-out",
        PressureSetting.WaterValveOpening => "water valve opens",
        _ => "evaporator pressure regulator",
    };

    public static string Name(SettingStage stage) => stage == SettingStage.AsFound ? "as found" : "as set";


    /// <summary>A finding on the settings, with its numbers.</summary>
    public static string Finding(Finding finding, UnitText units)
    {
        string T(string name) => finding.Values.TryGetValue(name, out var kelvin) ? units.Temperature(kelvin) : "unknown";
        return finding.Code switch
        {
            PressureControlChecks.CutInNotAboveCutOut =>
                $"Low-pressure cut-in ({T("LowCutIn")}) must be above cut-out ({T("LowCutOut")}).",
            PressureControlChecks.CutOutAboveEvaporating =>
                $"Low-pressure cut-out at {T("LowCutOut")} stops the compressor while the coil still has to work at {T("Coil")}.",
            PressureControlChecks.CutInAboveBox =>
                $"Low-pressure cut-in at {T("LowCutIn")} is warmer than the box at {T("Box")}: it waits too long, or never starts.",
            PressureControlChecks.DifferentialTooClose =>
                $"Cut-in {T("LowCutIn")} and cut-out {T("LowCutOut")} are too close: it will short cycle.",
            PressureControlChecks.PumpDownCannotHold =>
                $"Pump-down ends at {T("LowCutOut")}, too near the coil's {T("Coil")}: liquid stays in it and the compressor starts "
                + "again and again.",
            PressureControlChecks.CannotRestartInTheCold =>
                $"With {T("Ambient")} at the condenser the pressure cannot rise to the cut-in at {T("LowCutIn")}: it will not start "
                + "in winter.",
            PressureControlChecks.FreezesCooler => $"Cut-out at {T("LowCutOut")} lets the coil of a {T("Box")} box run far under freezing.",
            PressureControlChecks.FanNeverStops =>
                $"The fan stops at {T("FanOff")}, colder than the coldest air ({T("Ambient")}): it never stops in cold weather.",
            PressureControlChecks.FanOnNotAboveOff => $"Fan on ({T("FanOn")}) must be above fan off ({T("FanOff")}).",
            PressureControlChecks.FanOffTooLow =>
                $"The fan runs down to {T("FanOff")} condensing: the valve is not fed below about {T("Lowest")}.",
            PressureControlChecks.FanHoldsHeadHigh => $"The fan waits until {T("FanOn")} condensing: head is held higher than needed.",
            PressureControlChecks.HighCutOutTooLow => $"High-pressure cut-out at {T("HighCutOut")} will trip on hot days.",
            PressureControlChecks.HighCutOutTooHigh =>
                $"High-pressure cut-out at {T("HighCutOut")} waits too long. The nameplate says what the unit can take; "
                + "never bypass a safety.",
            PressureControlChecks.WaterValveOutOfRange =>
                $"The water valve opens at {T("WaterValveOpening")} condensing; {T("Lowest")} to {T("Highest")} is usual.",
            PressureControlChecks.RegulatorOutOfRange =>
                $"The regulator holds {T("EvaporatorRegulator")}. Set it to hold the coil at {T("Coldest")} to {T("Warmest")}.",
            PressureControlChecks.OutOfRange =>
                $"{CircuitText.Sentence(Name(finding.About[0].As<PressureSetting>()!.Value))} is outside what is known of this "
                + "refrigerant. Check the unit.",
            _ => finding.Code,
        };
    }

    /// <summary>Without figures, for a line in a list.</summary>
    public static string Headline(Finding finding) => finding.Code switch
    {
        PressureControlChecks.CutInNotAboveCutOut => "The low-pressure cut-in is not above the cut-out.",
        PressureControlChecks.CutOutAboveEvaporating => "The low-pressure cut-out stops the compressor too early.",
        PressureControlChecks.CutInAboveBox => "The low-pressure cut-in is warmer than the box.",
        PressureControlChecks.DifferentialTooClose => "Low-pressure cut-in and cut-out are too close: it will short cycle.",
        PressureControlChecks.PumpDownCannotHold => "The pump-down ends too near the working pressure to hold.",
        PressureControlChecks.CannotRestartInTheCold => "By its low-pressure cut-in it will not start in winter.",
        PressureControlChecks.FreezesCooler => "The low-pressure cut-out lets the coil freeze.",
        PressureControlChecks.HighCutOutTooLow => "The high-pressure cut-out will trip on hot days.",
        PressureControlChecks.HighCutOutTooHigh => "The high-pressure cut-out waits too long.",
        PressureControlChecks.WaterValveOutOfRange => "The water valve opens at an unusual pressure.",
        PressureControlChecks.RegulatorOutOfRange => "The evaporator pressure regulator does not fit the box.",
        PressureControlChecks.OutOfRange => "A pressure setting is outside the refrigerant's range.",
        PressureControlChecks.FanNeverStops or PressureControlChecks.FanOnNotAboveOff or PressureControlChecks.FanOffTooLow
            or PressureControlChecks.FanHoldsHeadHigh =>
            "The condenser fan's pressure settings do not fit.",
        _ => finding.Code,
    };
}
